<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Kind;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** What hangs on a document and is undone when it is taken back. */
final class Dependents
{
    /** @return list<Dependent> */
    public function of(int $itemId): array
    {
        $found = [];
        $lines = Matches::standing()->where(static fn (Builder $query) => $query->where('debit_item_id', $itemId)->orWhere('credit_item_id', $itemId))->orderBy('date')->orderBy('id')->get();
        foreach ($lines->pluck('settlement_id')->filter()->unique() as $settlement) {
            array_push($found, ...$this->match((int) $settlement));
        }
        foreach ($lines->whereNull('settlement_id') as $line) {
            $found[] = $this->line($line, 'An imported match');
        }

        return $found;
    }

    /** @return list<Dependent> other matches that took something of what a match made */
    public function ofMatch(int $settlementId): array
    {
        $made = DB::table('items as i')->join('vouchers as v', 'v.id', '=', 'i.voucher_id')->where('v.settlement_id', $settlementId)->whereNull('v.reverses_id')->select('i.root_id');
        $others = Matches::standing()->where('settlement_id', '>', $settlementId)->where(static fn (Builder $query) => $query->whereIn('debit_item_id', $made)->orWhereIn('credit_item_id', $made))->distinct()->orderBy('settlement_id')->pluck('settlement_id');

        return array_merge(...$others->map(fn (mixed $other): array => $this->match((int) $other))->all());
    }

    /** @param  list<Dependent>  $dependents */
    public static function digest(array $dependents): string
    {
        return hash('sha256', implode(' ', array_map(static fn (Dependent $of): string => "{$of->route} {$of->id} {$of->amount?->minor}", $dependents)));
    }

    /** @return list<Dependent> the lines of a match that stand, and the vouchers that it caused */
    private function match(int $settlementId): array
    {
        $found = [];
        foreach (Matches::standing()->where('settlement_id', $settlementId)->where('amount', '>', 0)->orderBy('id')->get() as $line) {
            $found[] = $this->line($line, "Match {$settlementId}");
        }
        foreach (DB::table('vouchers')->where('settlement_id', $settlementId)->whereNull('reverses_id')->orderBy('id')->get() as $voucher) {
            $found[] = new Dependent("Voucher {$voucher->number} of {$voucher->date}, {$voucher->text}, is reversed", 'voucher', $voucher->id, null);
        }

        return [...$found, ...$this->ofMatch($settlementId)];
    }

    private function line(\stdClass $match, string $name): Dependent
    {
        $of = static function (int $id): string {
            $item = DB::table('items')->where('root_id', $id)->whereNull('superseded_at')->firstOrFail(['kind', 'document']);

            return Kind::from($item->kind)->words()." {$item->document}";
        };
        $currency = (string) DB::table('items')->where('id', $match->debit_item_id)->value('currency');

        return new Dependent(
            "{$name} of {$match->date} is undone: {$of($match->credit_item_id)} with {$of($match->debit_item_id)}", $match->settlement_id === null ? 'document' : 'match', $match->settlement_id ?? $match->debit_item_id, Money::ofMinor($match->amount, $currency),
        );
    }
}
