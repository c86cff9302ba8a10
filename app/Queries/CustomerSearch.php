<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Refusal;
use App\Models\Customer;
use App\Support\PlainText;
use Illuminate\Support\Facades\DB;

/** Finds a customer by number, name, trading name, bank account, or the number of one of its documents. */
final class CustomerSearch
{
    private const MOST = 12;

    /** @return list<CustomerHit> the surest first */
    public function hits(string $asked): array
    {
        $asked = trim($asked);
        if ($asked === '') {
            return [];
        }
        $like = PlainText::within($asked);
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
            'name' => Customer::query()
                ->whereRaw("plain_text(name) LIKE ? ESCAPE '\\'", [$like])
                ->orderBy('name')
                ->limit(self::MOST)
                ->get(),
            'trading name' => Customer::query()
                ->whereRaw("plain_text(trading_name) LIKE ? ESCAPE '\\'", [$like])
                ->orderBy('name')
                ->limit(self::MOST)
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

    /** @throws Refusal when nobody, or more than one, is meant */
    public function one(string $asked): CustomerHit
    {
        $hits = $this->hits((string) preg_replace('/ · .*$/u', '', $asked));
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
