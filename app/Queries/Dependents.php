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

        return $found;
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
