<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Refusal;
use App\Models\Customer;
use App\Support\PlainText;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** Finds a customer by number, name, trading name, bank account, or the number of one of its documents; both numbers in part too. */
final class CustomerSearch
{
    private const MOST = 12;

    /** Enough to choose from a list, and not to mean somebody. */
    private const PARTS = ['part of the number', 'beginning of a document'];

    /** So much of a document's number says whose it may be. */
    private const DOCUMENT_FROM = 4;

    /** @return list<CustomerHit> the surest first */
    public function hits(string $asked): array
    {
        $asked = trim($asked);
        if ($asked === '') {
            return [];
        }
        $account = strtoupper((string) preg_replace('/[^A-Za-z0-9]/', '', $asked));
        $found = [
            'number' => Customer::query()->where('customer', $asked)->get(),
            'bank account' => strlen($account) < 8
                    ? collect()
                    : Customer::query()
                        ->whereRaw("upper(replace(iban, ' ', '')) = ?", [$account])
                        ->limit(self::MOST)
                        ->get(),
            'document' => Customer::query()
                ->whereIn('id', DB::table('items')->where('document', $asked)->whereNull('superseded_at')->select('customer_id'))
                ->limit(self::MOST)
                ->get(),
            'name' => self::within('name', $asked),
            'trading name' => self::within('trading_name', $asked),
            self::PARTS[0] => self::within('customer', $asked),
            self::PARTS[1] => mb_strlen($asked) < self::DOCUMENT_FROM
                ? collect()
                : Customer::query()
                    ->whereIn('id', DB::table('items')
                        ->whereBetween('document', [$asked, "{$asked}\u{10FFFF}"])
                        ->whereNull('superseded_at')
                        ->limit(self::MOST)
                        ->select('customer_id'))
                    ->get(),
        ];
        $hits = [];
        foreach ($found as $by => $customers) {
            foreach ($customers as $customer) {
                $hits[$customer->id] ??= new CustomerHit($customer->id, $customer->customer, $customer->name, $by);
            }
        }

        return array_slice(array_values($hits), 0, self::MOST);
    }

    /** @return Collection<int, Customer> with the text somewhere in a column, without accents */
    private static function within(string $column, string $asked): Collection
    {
        return Customer::query()
            ->whereRaw("plain_text({$column}) LIKE ? ESCAPE '\\'", [PlainText::within($asked)])
            ->orderBy($column)
            ->limit(self::MOST)
            ->get();
    }

    /** @throws Refusal when nobody, or more than one, is meant */
    public function one(string $asked): CustomerHit
    {
        $hits = array_values(array_filter(
            $this->hits((string) preg_replace('/ · .*$/u', '', $asked)),
            static fn (CustomerHit $hit): bool => ! in_array($hit->by, self::PARTS, true),
        ));
        $first =
            $hits[0] ??
            throw new Refusal(
                "No customer has the number, name, account or document “{$asked}”. Type a part of the name, or the number as it "
                    .'stands in customers.csv.',
            );
        $exact = $first->by === 'number' || $first->by === 'bank account' || mb_strtolower($first->name) === mb_strtolower(trim($asked));
        if (! $exact && count($hits) > 1) {
            throw new Refusal(
                "“{$asked}” may be ".
                    implode(
                        ', ',
                        array_map(static fn (CustomerHit $hit): string => "{$hit->customer} {$hit->name}", array_slice($hits, 0, 4)),
                    ).
                    (count($hits) > 4 ? ' or others' : '').
                    '. Type the number.',
            );
        }

        return $first;
    }
}
