<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\LateEffect;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What came with a date in a locked period, by document or entry, with what it would have done to the signed figures. */
final readonly class LateNewsList
{
    public function __construct(private Settings $settings, private ControlFigures $figures) {}

    /** @return list<LateNewsItem> the oldest first */
    public function waiting(): array
    {
        $rows = DB::table('late_rows as l')
            ->join('import_files as f', 'f.id', '=', 'l.import_file_id')
            ->whereNotIn('l.id', DB::table('late_decisions')->select('late_id'))
            ->orderBy('l.id')
            ->get(['l.*', 'f.name as file', 'f.import_id']);

        return $this->items($rows->all());
    }

    /**
     * What all that waits would have done together.
     *
     * @param list<LateNewsItem> $waiting
     */
    public function together(array $waiting): LateEffect
    {
        $none = LateEffect::none($this->settings->base());

        return array_reduce($waiting, static fn (LateEffect $sum, LateNewsItem $of): LateEffect => $sum->plus($of->effect), $none);
    }

    /** Control accounts and customers as they were signed, over all accounts that carry customers. */
    public function signed(string $through): LateEffect
    {
        $sum = LateEffect::none($this->settings->base());
        foreach ($this->settings->accounts()->carryingCustomers() as $account) {
            $figures = $this->figures->at($account, $through);
            $sum = $sum->plus(new LateEffect($figures->control, $figures->customers));
        }

        return $sum;
    }

    public function count(): int
    {
        return DB::table('late_rows')->whereNotIn('id', DB::table('late_decisions')->select('late_id'))->count();
    }

    /** @return list<stdClass> the latest decisions */
    public function decided(): array
    {
        return array_values(
            DB::table('late_decisions as d')
                ->join('late_rows as l', 'l.id', '=', 'd.late_id')
                ->orderByDesc('d.late_id')
                ->limit(100)
                ->get(['l.kind', 'l.name', 'l.date as dated', 'd.*'])
                ->all(),
        );
    }

    /**
     * @param array<stdClass> $rows
     * @return list<LateNewsItem>
     */
    private function items(array $rows): array
    {
        $base = $this->settings->base();
        $control = array_column($this->settings->accounts()->carryingCustomers(), 'number');
        $items = [];
        foreach ($rows as $row) {
            $key = "{$row->kind} {$row->name}";
            /** @var array<string, string> $content */
            $content = json_decode($row->content, true, flags: JSON_THROW_ON_ERROR);
            $items[$key] ??= new LateNewsItem($row, $base);
            $items[$key]->add(LateEffect::of(FileKind::from($row->kind), $content, $control, $base));
        }

        return array_values($items);
    }
}
