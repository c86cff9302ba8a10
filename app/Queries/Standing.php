<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Voucher as CoreVoucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Ref;
use Ajuste\Core\Posting\StandingItem;
use Ajuste\Core\Posting\StandingMatch;
use Ajuste\Core\Posting\StandingSettlement;
use Ajuste\Core\Posting\StandingVoucher;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\StandingGivenBack;
use Ajuste\Core\Run\StandingRun;
use Ajuste\Core\Subledger\CustomerAccount;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Position;
use Ajuste\Core\Subledger\Side;
use App\Models\Posting;
use App\Models\Run;
use App\Models\Settlement;
use App\Models\Voucher;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * What is posted and was not taken back, as the core takes it back: settlements with all that hangs on them, vouchers with their items,
 * runs.
 */
final readonly class Standing
{
    public function __construct(private Settings $settings, private UnrealisedDifferences $unrealised) {}

    /**
     * A settlement, and before it those that took something of what it made.
     *
     * @return non-empty-list<StandingSettlement>
     *
     * @throws Refusal when it was taken back already
     */
    public function settlement(int $id): array
    {
        $chain = $this->chain($id);

        return $chain !== [] ? $chain : throw Refusal::done('This match is reversed already.');
    }

    /** @return list<StandingSettlement> likewise; none when it was taken back */
    public function chain(int $id): array
    {
        $found = [];
        $this->collect($id, $found);

        return array_values($found);
    }

    /**
     * What goes back with a document: of an invoice its own lines of each settlement, of a credit all of them. All too where other
     * settlements hang on one of them.
     *
     * @return array{list<StandingSettlement>, list<StandingMatch>} as ofItem()
     */
    public function undoneWith(int $itemId): array
    {
        $known = [];
        [$settlements, $matches] = $this->ofItem($itemId, $known);
        $isDebit = DB::table('items')->where('id', $itemId)->value('side') === Side::Debit->value;
        $others = array_filter($settlements, static fn (StandingSettlement $of): bool => ! $of->touches($itemId));
        $own = static fn (StandingSettlement $of): StandingSettlement => $of->of($itemId);

        return [$isDebit && $others === [] ? array_map($own, $settlements) : $settlements, $matches];
    }

    /**
     * Everything that an item is matched with.
     *
     * @param array<int, true> $known settlements that are on the list already; those that are found are added
     * @return array{list<StandingSettlement>, list<StandingMatch>} settlements, those that hang on others first; and matches of none
     */
    public function ofItem(int $itemId, array &$known): array
    {
        $matches = Matches::standing()
            ->where(static fn (Builder $query) => $query->where('debit_item_id', $itemId)->orWhere('credit_item_id', $itemId))
            ->get(['id', 'settlement_id', 'date', 'debit_item_id', 'credit_item_id']);
        $found = [];
        foreach ($matches->pluck('settlement_id')->filter()->unique() as $settlement) {
            $this->collect((int) $settlement, $found);
        }
        $new = array_diff_key($found, $known);
        $known += array_fill_keys(array_keys($new), true);
        $others = $matches
            ->whereNull('settlement_id')
            ->map(self::ofRow(...));

        return [array_values($new), array_values($others->all())];
    }

    /** @throws Refusal when it was taken back already */
    public function match(int $matchId): stdClass
    {
        $match =
            Matches::standing()->where('id', $matchId)->first() ??
            throw Refusal::done('This line is reversed already. Load the page again.');
        if ($match->amount === 0 && $match->import_file_id === null) {
            throw new Refusal('This line moves exchange differences only. It goes back with the run or the match that caused it.');
        }
        if ($match->settlement_id !== null && Voucher::query()->where('settlement_id', $match->settlement_id)->exists()) {
            throw new Refusal("Match {$match->settlement_id} caused vouchers that belong to all of its lines. Reverse it as a whole.");
        }

        return $match;
    }

    public static function ofRow(stdClass $match): StandingMatch
    {
        return new StandingMatch($match->id, $match->date, $match->debit_item_id, $match->credit_item_id);
    }

    /** A posted voucher with the items that it carries. */
    public function voucher(Voucher $voucher): StandingVoucher
    {
        $items = [];
        foreach (DB::table('items')->where('voucher_id', $voucher->id)->orderBy('id')->get() as $row) {
            $items[] = $this->item($row);
        }

        return new StandingVoucher($voucher->id, $voucher->number, $this->posted($voucher), $items);
    }

    /** A posted voucher as the core knows it. */
    public function posted(Voucher $voucher): CoreVoucher
    {
        $lines = $this->lines($voucher->postings->all());
        assert($lines !== []);

        return new CoreVoucher($voucher->date, $voucher->text, $lines);
    }

    /** Why a voucher cannot be reversed by itself; null when it can. */
    public function refusal(Voucher $voucher): ?string
    {
        $belongs =
            $voucher->run_id !== null ||
            $voucher->settlement_id !== null ||
            self::carriesOthers($voucher) ||
            DB::table('placements')->where('voucher_id', $voucher->id)->exists();

        return match (true) {
            $belongs => "{$voucher->number} was caused by a match, a receipt or a run, and is reversed with it.",
            $voucher->reverses_id !== null,
            Voucher::query()->where('reverses_id', $voucher->id)->exists() => "{$voucher->number} is reversed already, or is itself a "
                .'reversal.',
            default => null,
        };
    }

    /** Items that something else hangs on: all but an adjustment that is open in full, which goes back with its voucher. */
    private static function carriesOthers(Voucher $voucher): bool
    {
        return DB::table('items as i')
            ->join('item_positions as p', 'p.item_id', '=', 'i.root_id')
            ->where('i.voucher_id', $voucher->id)
            ->where(static fn ($query) => $query->where('i.kind', '<>', Kind::Adjustment->value)->orWhere('p.matched', '>', 0))
            ->exists();
    }

    /**
     * @param array<int, Posting> $postings
     * @return list<VoucherLine>
     */
    public function lines(array $postings): array
    {
        return array_values(
            array_map(
                fn (Posting $posting): VoucherLine => new VoucherLine(
                    $this->settings->accounts()->withId($posting->account_id),
                    Money::ofMinor($posting->base, $this->settings->base()),
                    $posting->description,
                    $posting->document,
                    $posting->customer,
                    $posting->currency_amount === null ? null : Money::ofMinor($posting->currency_amount, $posting->currency),
                    $posting->reference,
                    $posting->source === 'ajuste' ? '' : $posting->source,
                ),
                $postings,
            ),
        );
    }

    /** An item as it stands once all of its matches are undone. */
    public function item(stdClass $row): StandingItem
    {
        $account = new CustomerAccount($row->customer_id, $row->control_account_id);
        $head = new ItemHead(
            $row->document,
            Kind::from($row->kind),
            Side::from($row->side),
            $account,
            $row->date,
            $row->due_date,
            $row->reference,
            $row->terms,
        );
        $item = OpenItem::of(
            $row->root_id,
            $head,
            Money::ofMinor($row->amount, $row->currency),
            Money::ofMinor($row->base, $this->settings->base()),
            Position::untouched(),
            $this->unrealised->onceFree($row),
        );

        return new StandingItem($item, $row->source_item_id === null ? null : Ref::existing($row->source_item_id));
    }

    /** @throws Refusal when the run was reversed already */
    public function run(Run $run): StandingRun
    {
        if (DB::table('run_reversals')->where('run_id', $run->id)->exists()) {
            throw Refusal::done("Run {$run->id} is reversed already.");
        }
        $vouchers = Voucher::query()
            ->where('run_id', $run->id)
            ->whereNull('reverses_id')
            ->whereNotIn('id', self::reversed())
            ->orderBy('id')
            ->get();
        $standing = array_values($vouchers->map(fn (Voucher $of): StandingVoucher => $this->standingItems($this->voucher($of)))->all());

        $kind = RunKind::from($run->kind);
        if ($kind === RunKind::Currency) {
            return new StandingRun($run->id, $kind, $standing, $this->chains($run->id, []), $this->givenBack($run->id, $standing));
        }

        return new StandingRun($run->id, $kind, $standing, $this->chains($run->id, $standing));
    }

    /** Without the items that went back by themselves, and those that took them back: they are through. */
    private function standingItems(StandingVoucher $voucher): StandingVoucher
    {
        $ids = array_map(static fn (StandingItem $of): int => $of->item->id, $voucher->items);
        $gone = DB::table('item_reversals')->whereIn('item_id', $ids)->orWhereIn('by_item_id', $ids)->get(['item_id', 'by_item_id']);
        $through = array_flip([...$gone->pluck('item_id')->all(), ...$gone->pluck('by_item_id')->all()]);
        $items = array_filter($voucher->items, static fn (StandingItem $of): bool => ! isset($through[$of->item->id]));

        return new StandingVoucher($voucher->id, $voucher->number, $voucher->voucher, array_values($items));
    }

    /**
     * What went back of the differences of a run, by its own vouchers or by those of settlements, which themselves stand.
     *
     * @param list<StandingVoucher> $vouchers of the run
     * @return list<StandingGivenBack> one for each voucher that gave back
     */
    private function givenBack(int $runId, array $vouchers): array
    {
        $differences = [];
        foreach ($vouchers as $voucher) {
            array_push($differences, ...array_map(static fn (StandingItem $made): int => $made->item->id, $voucher->items));
        }
        $matches = [];
        foreach (array_chunk($differences, 500) as $some) {
            $rows = Matches::standing()
                ->where(static fn (Builder $query) => $query->whereIn('debit_item_id', $some)->orWhereIn('credit_item_id', $some))
                ->get(['id', 'date', 'debit_item_id', 'credit_item_id']);
            foreach ($rows as $row) {
                $matches[in_array($row->debit_item_id, $some, true) ? $row->credit_item_id : $row->debit_item_id][] = self::ofRow($row);
            }
        }
        $found = [];
        $carrying = DB::table('items')->whereIn('id', array_keys($matches))->select('voucher_id');
        foreach (Voucher::query()->whereIn('id', $carrying)->get() as $of) {
            $standing = $this->voucher($of);
            $ids = array_map(static fn (StandingItem $made): int => $made->item->id, $standing->items);
            $back = array_merge(...array_values(array_intersect_key($matches, array_flip($ids))));
            $found[] = new StandingGivenBack($back, $of->run_id === $runId ? null : $standing);
        }

        return $found;
    }

    /**
     * What a run matched, and whatever took its items after one of its matches was taken back by itself.
     *
     * @param list<StandingVoucher> $vouchers of the run
     * @return list<list<StandingSettlement>> each with those that hang on it, which come first
     */
    private function chains(int $runId, array $vouchers): array
    {
        $known = $chains = [];
        $add = static function (array $found) use (&$known, &$chains): void {
            $new = array_diff_key($found, $known);
            $known += $found;
            if ($new !== []) {
                $chains[] = array_values($new);
            }
        };
        foreach ($vouchers as $voucher) {
            foreach ($voucher->items as $made) {
                $found = [];
                $this->collectUsers($made->item->id, 0, $found);
                $add($found);
            }
        }
        $all = DB::table('run_settlements')->where('run_id', $runId)->orderByDesc('settlement_id')->pluck('settlement_id');
        foreach ($all->diff(array_keys($known)) as $own) {
            $found = [];
            $this->collect((int) $own, $found);
            $add($found);
        }

        return $chains;
    }

    /**
     * Adds a settlement that stands, and before it those that hang on it.
     *
     * @param array<int, StandingSettlement> $found by key
     */
    private function collect(int $id, array &$found): void
    {
        $matches = Matches::standing()
            ->where('settlement_id', $id)
            ->orderBy('id')
            ->get(['id', 'date', 'debit_item_id', 'credit_item_id']);
        if (isset($found[$id]) || $matches->isEmpty()) {
            return;
        }
        $vouchers = Voucher::query()
            ->where('settlement_id', $id)
            ->whereNull('reverses_id')
            ->whereNotIn('id', self::reversed())
            ->orderBy('id')
            ->get();
        $standing = array_values($vouchers->map($this->voucher(...))->all());
        foreach ($standing as $voucher) {
            foreach ($voucher->items as $made) {
                $this->collectUsers($made->item->id, $id, $found);
            }
        }
        $contested = DB::table('contested')
            ->where('settlement_id', $id)
            ->whereNotIn('id', DB::table('contested_ends')->select('contested_id'))
            ->pluck('item_id', 'id');
        $found[$id] = new StandingSettlement(
            $id,
            Settlement::query()->findOrFail($id)->date,
            array_values($matches->map(self::ofRow(...))->all()),
            $standing,
            array_map(intval(...), $contested->all()),
        );
    }

    /**
     * Other settlements that took something of an item.
     *
     * @param array<int, StandingSettlement> $found
     */
    private function collectUsers(int $itemId, int $but, array &$found): void
    {
        $users = Matches::standing()
            ->whereNotNull('settlement_id')
            ->where('settlement_id', '<>', $but)
            ->where(static fn (Builder $query) => $query->where('debit_item_id', $itemId)->orWhere('credit_item_id', $itemId))
            ->distinct()
            ->pluck('settlement_id');
        foreach ($users as $user) {
            $this->collect((int) $user, $found);
        }
    }

    private static function reversed(): Builder
    {
        return DB::table('vouchers')->whereNotNull('reverses_id')->select('reverses_id');
    }
}
