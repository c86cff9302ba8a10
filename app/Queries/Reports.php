<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Aging\Credits;
use Ajuste\Core\Calendar\AgeBuckets;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Proof\PairedBy;
use Ajuste\Core\Proof\Proof;
use Ajuste\Core\Refusal;
use App\Support\Remembered;

/** The reports that page and command line share. */
final readonly class Reports
{
    /** Tables that a proof looks at. */
    public const PROOF = ['imports', 'settings', 'postings', 'items', 'voucher_confirmations', 'hand_pairs', 'hand_pairs_withdrawn', 'signed_proofs'];

    public function __construct(private Settings $settings, private Positions $positions) {}

    public function proof(Account $account, string $asOf, ?string $knownAt = null): Proof
    {
        $work = fn (): Proof => $this->proofOf($knownAt === null ? ProofLines::since($account->id, $asOf) : ProofLines::all($account->id, $knownAt), $asOf);

        return $knownAt === null ? Remembered::while("proof {$account->id} {$asOf}", self::PROOF, $work) : $work();
    }

    /** @param  ?PairedBy  $collect the test of which the pairs are kept to be looked at */
    public function proofOf(ProofLines $lines, string $asOf, ?PairedBy $collect = null): Proof
    {
        return Proof::of($lines, $asOf, $this->settings->whole(Setting::PairingWindowDays), $this->settings->base(), $collect);
    }

    /**
     * @param ?string $basis due or document; null for the books' own
     * @param ?string $buckets edges in days; null for the books' own
     * @param ?string $credits separate, own_date or oldest_first; null for the books' own
     *
     * @throws Refusal when one of them is none of these
     */
    public function aged(Account $account, string $asOf, ?string $basis = null, ?string $buckets = null, ?string $credits = null, ?string $knownAt = null): AgedList
    {
        return new AgedList($asOf, $this->buckets($basis, $buckets), $this->credits($credits), $this->positions->forAging($account->id, $asOf, $knownAt));
    }

    /** One customer's rows of the aged list, by the books' own policies. */
    public function agedOf(Account $account, string $asOf, int $customerId, ?string $knownAt = null): AgedList
    {
        return new AgedList($asOf, $this->buckets(null, null), $this->credits(null), $this->positions->forAging($account->id, $asOf, $knownAt, $customerId));
    }

    /** @throws Refusal */
    public function buckets(?string $basis, ?string $buckets): AgeBuckets
    {
        $basis ??= $this->settings->text(Setting::AgedBasis);
        if (! in_array($basis, ['due', 'document'], true)) {
            throw new Refusal("“{$basis}” is not a basis of the aged list; due or document is expected.");
        }

        return AgeBuckets::parse($buckets ?? $this->settings->text(Setting::Buckets), $basis === 'due');
    }

    /** @throws Refusal */
    public function credits(?string $credits): Credits
    {
        $credits ??= $this->settings->text(Setting::AgedCredits);

        return Credits::tryFrom($credits) ?? throw new Refusal("“{$credits}” is not a way to show credits; separate, own_date or oldest_first is expected.");
    }
}
