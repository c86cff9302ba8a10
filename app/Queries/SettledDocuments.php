<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The documents that a credit settled, for the papers that tell a party of it. */
final readonly class SettledDocuments
{
    /** @return list<PaperLine> each with all else that closed it by the day, such as discount and deductions */
    public function by(OpenItem $item, string $day): array
    {
        $matches = $this->matches('debit')->where('m.credit_item_id', $item->id)->get();
        $besides = $this->matches('credit')
            ->whereIn('m.debit_item_id', $matches->pluck('debit_item_id'))
            ->where('m.credit_item_id', '<>', $item->id)
            ->where('m.date', '<=', $day)
            ->get()
            ->groupBy('debit_item_id');
        $money = static fn (stdClass $row): Money => Money::ofMinor($row->amount, $item->amount->currency);
        $settled = [];
        foreach ($matches as $row) {
            $others = [];
            foreach ($besides[$row->debit_item_id] ?? [] as $of) {
                $others[] = new PaperLine(ucfirst(Kind::from($of->kind)->words())." {$of->document}", $of->date, $money($of));
            }
            $settled[] = new PaperLine($row->document, $row->date, $money($row), $others);
        }

        return $settled;
    }

    /** @param  string  $side whose documents are named, debit or credit */
    private function matches(string $side): Builder
    {
        return DB::table('matches as m')
            ->join('items as d', 'd.root_id', '=', "m.{$side}_item_id")
            ->whereNull('d.superseded_at')
            ->where('m.amount', '>', 0)
            ->whereNotExists(Matches::reversed(...))
            ->orderBy('m.id')
            ->select(['m.debit_item_id', 'm.amount', 'd.document', 'd.kind', 'd.date']);
    }
}
