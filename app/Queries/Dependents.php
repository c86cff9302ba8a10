<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\StandingMatch;
use Ajuste\Core\Posting\StandingSettlement;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What hangs on a document and is undone when it is taken back. */
final readonly class Dependents
{
    public function __construct(private Standing $standing, private Positions $positions) {}

    /** @return list<Dependent> */
    public function of(int $itemId): array
    {
        [$settlements, $matches] = $this->standing->undoneWith($itemId);

        return [...$this->named(array_reverse($settlements)), ...$this->lines($matches, 'An imported match')];
    }

    /** @return list<Dependent> other matches that took something of what a match made */
    public function ofMatch(int $settlementId): array
    {
        return $this->named(array_slice($this->standing->chain($settlementId), 0, -1));
    }

    /** @param  list<Dependent>  $dependents */
    public static function digest(array $dependents): string
    {
        return hash(
            'sha256',
            implode(' ', array_map(static fn (Dependent $of): string => "{$of->route} {$of->id} {$of->amount?->minor}", $dependents)),
        );
    }

    /**
     * @param list<StandingSettlement> $settlements
     * @return list<Dependent> the lines that go back, and the vouchers that they caused
     */
    private function named(array $settlements): array
    {
        $found = [];
        foreach ($settlements as $settlement) {
            array_push($found, ...$this->lines($settlement->matches, "Match {$settlement->id}"));
            foreach ($settlement->vouchers as $of) {
                $text = "Voucher {$of->number} of {$of->voucher->date}, {$of->voucher->text}, is reversed";
                $found[] = new Dependent($text, 'voucher', $of->id, null);
            }
        }

        return $found;
    }

    /**
     * @param list<StandingMatch> $matches
     * @return list<Dependent>
     */
    private function lines(array $matches, string $name): array
    {
        $rows = DB::table('matches')
            ->whereIn('id', array_column($matches, 'id'))
            ->where('amount', '>', 0)
            ->orderBy('id')
            ->get();

        $ids = array_values($rows->pluck('debit_item_id')->merge($rows->pluck('credit_item_id'))->map(intval(...))->all());
        $titles = array_map(lcfirst(...), $this->positions->titles($ids));
        $currencies = DB::table('items')->whereIn('id', $ids)->pluck('currency', 'id');
        $said = static fn (stdClass $row): Dependent => new Dependent(
            "{$name} of {$row->date} is undone: {$titles[$row->credit_item_id]} with {$titles[$row->debit_item_id]}",
            $row->settlement_id === null ? 'document' : 'match',
            $row->settlement_id ?? $row->debit_item_id,
            Money::ofMinor($row->amount, $currencies[$row->debit_item_id]),
        );

        return array_values($rows->map($said)->all());
    }
}
