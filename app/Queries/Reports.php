<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Aging\AgedRow;
use Ajuste\Core\Aging\AgedSums;
use Ajuste\Core\Aging\Credits;
use Ajuste\Core\Calendar\AgeBuckets;
use Ajuste\Core\Calendar\AgedBasis;
use Ajuste\Core\Calendar\ContestedIn;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\PairedBy;
use Ajuste\Core\Proof\Proof;
use Ajuste\Core\Refusal;
use App\Support\CustomerValues;
use App\Values\AgedTerms;
use Generator;
use Illuminate\Support\Facades\DB;

/**
 * The reports that page and command line share.
 *
 * @phpstan-type Kept array{string, string, string, non-empty-list<int>, int}
 */
final readonly class Reports
{
    public function __construct(private Settings $settings, private AgedItems $items, private StandingProof $standing) {}

    public function proof(Account $account, string $asOf, ?string $knownAt = null): Proof
    {
        return $knownAt === null ? $this->standing->of($account, $asOf) : $this->proofOf(ProofLines::all($account->id, $knownAt), $asOf);
    }

    /**
     * One cause of the proof as it is now.
     *
     * @throws Refusal when it is gone or changed
     */
    public function cause(Account $account, string $asOf, string $key): CauseLine
    {
        foreach ($this->proof($account, $asOf)->lines as $line) {
            if ($line->key() === $key) {
                return $line;
            }
        }
        throw Refusal::changed('This cause is no longer there: the books have changed. Look at the proof again.');
    }

    /** @param  ?PairedBy  $collect the test of which the pairs are kept to be looked at */
    public function proofOf(ProofLines $lines, string $asOf, ?PairedBy $collect = null): Proof
    {
        return $this->standing->proved($lines, $asOf, $collect);
    }

    /** @throws Refusal when the terms are none */
    public function aged(Account $account, string $asOf, AgedTerms $terms = new AgedTerms, ?string $knownAt = null): AgedList
    {
        $empty = $this->emptyList($asOf, $terms);
        if ($knownAt !== null) {
            $items = $this->items->of($account->id, $asOf, $knownAt, null, $terms->in);

            return AgedList::of($asOf, $empty->buckets, $empty->credits, $items, $terms->in);
        }

        return self::listOf($empty, $this->kept($account, $empty)->all());
    }

    /**
     * What the aged list comes to, without reading its rows.
     *
     * @throws Refusal when the terms are none
     */
    public function agedSums(Account $account, string $asOf, AgedTerms $terms = new AgedTerms): AgedSums
    {
        $empty = $this->emptyList($asOf, $terms);

        return array_reduce(
            $this->kept($account, $empty)->summaries(),
            static fn (AgedSums $sum, array $part): AgedSums => $sum->plus(AgedSums::kept($empty, $part)),
            AgedSums::of($empty),
        );
    }

    /**
     * The customer of each row of the aged list, by the row's key, in its order.
     *
     * @return array<string, int>
     */
    public function agedKeys(Account $account, string $asOf, AgedTerms $terms): array
    {
        return array_map(intval(...), $this->kept($account, $this->emptyList($asOf, $terms))->briefs());
    }

    /**
     * @param list<int> $customerIds
     * @return AgedList of some customers
     */
    public function agedOfSome(Account $account, string $asOf, AgedTerms $terms, array $customerIds): AgedList
    {
        $empty = $this->emptyList($asOf, $terms);

        return self::listOf($empty, $this->kept($account, $empty)->some($customerIds));
    }

    /**
     * An aged list of a day and its columns, without rows.
     *
     * @throws Refusal when the terms are none
     */
    public function emptyList(string $asOf, AgedTerms $terms): AgedList
    {
        if ($terms->in !== null && ! Currency::isKnown($terms->in)) {
            throw new Refusal("“{$terms->in}” is no currency; a code of ISO 4217 is expected, such as GBP.");
        }

        $buckets = $this->buckets($asOf, $terms->basis, $terms->buckets);

        return new AgedList($asOf, $buckets, $this->credits($asOf, $terms->credits), [], $terms->in);
    }

    /** @param  array<int, list<Kept>>  $values */
    private static function listOf(AgedList $empty, array $values): AgedList
    {
        $rows = [];
        foreach ($values as $ofCustomer) {
            foreach ($ofCustomer as [$customer, $name, $currency, $amounts, $unapplied]) {
                $rows[] = new AgedRow($customer, $name, $currency, $amounts, $unapplied);
            }
        }

        return new AgedList($empty->asOf, $empty->buckets, $empty->credits, $rows, $empty->in);
    }

    /** @return CustomerValues<non-empty-list<Kept>, array{non-empty-list<int>, int, int, list<int>}> */
    private function kept(Account $account, AgedList $empty): CustomerValues
    {
        [$asOf, $columns, $policy, $in] = [$empty->asOf, $empty->buckets, $empty->credits, $empty->in];

        return new CustomerValues(
            implode(' ', ['aged', $account->id, $asOf, $columns->basis->value, implode(',', $columns->labels), $policy->value, $in]),
            ['settings'],
            fn (?array $only): Generator => $this->agedRows($account, $asOf, $columns, $policy, $only, $in),
            static fn (array $values): array => AgedSums::of(self::listOf($empty, $values))->listed(),
            static function (int $id, array $rows): array {
                $briefs = [];
                foreach ($rows as [$customer, , $currency]) {
                    $briefs["{$customer}\0{$currency}"] = (string) $id;
                }

                return $briefs;
            },
        );
    }

    /**
     * @param ?list<int> $only null: all customers
     * @param ?string $in null: in base, at carrying amount
     * @return Generator<int, non-empty-list<array{string, string, string, non-empty-list<int>, int}>> by customer id
     */
    private function agedRows(
        Account $account,
        string $asOf,
        AgeBuckets $buckets,
        Credits $credits,
        ?array $only,
        ?string $in,
    ): Generator {
        $items = $only === [] ? [] : $this->items->of($account->id, $asOf, null, $only, $in);
        $rows = [];
        foreach (AgedList::of($asOf, $buckets, $credits, $items)->rows as $row) {
            $rows[$row->customer][] = [$row->customer, $row->name, $row->currency, $row->amounts, $row->unapplied];
        }
        $ids = DB::table('customers')
            ->when($only !== null, static fn ($query) => $query->whereIn('id', $only ?? []))
            ->pluck('id', 'customer');
        foreach ($rows as $customer => $ofCustomer) {
            yield (int) $ids[$customer] => $ofCustomer;
        }
    }

    /** One customer's rows of the aged list, by the books' own policies. */
    public function agedOf(Account $account, string $asOf, int $customerId, ?string $knownAt = null): AgedList
    {
        return AgedList::of(
            $asOf,
            $this->buckets($asOf),
            $this->credits($asOf),
            $this->items->of($account->id, $asOf, $knownAt, [$customerId]),
        );
    }

    /**
     * As asked for, else by the policies that hold on the day.
     *
     * @throws Refusal
     */
    public function buckets(string $asOf, ?string $basis = null, ?string $buckets = null): AgeBuckets
    {
        $inForce = $this->settings->on($asOf);
        $basis ??= $inForce->text(Setting::AgedBasis);
        $agedBy =
            AgedBasis::tryFrom($basis) ?? throw new Refusal("“{$basis}” is not a basis of the aged list; due or document is expected.");

        $edges = $buckets ?? $inForce->text(Setting::Buckets);

        return AgeBuckets::parse($edges, $agedBy, ContestedIn::from($inForce->text(Setting::AgedContested)));
    }

    /** @throws Refusal */
    public function credits(string $asOf, ?string $credits = null): Credits
    {
        $credits ??= $this->settings->on($asOf)->text(Setting::AgedCredits);

        return Credits::tryFrom($credits) ??
            throw new Refusal("“{$credits}” is not a way to show credits; separate, own_date or oldest_first is expected.");
    }
}
