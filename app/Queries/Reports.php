<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Aging\Credits;
use Ajuste\Core\Calendar\AgeBuckets;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Proof\Proof;
use Ajuste\Core\Refusal;
use App\Support\Remembered;

/** The reports that page and command line share. */
final readonly class Reports
{
    /** Tables that a proof looks at. */
    public const PROOF = ['imports', 'settings', 'postings', 'items', 'voucher_confirmations'];

    public function __construct(private Settings $settings, private Positions $positions) {}

    public function proof(Account $account, string $asOf, ?string $knownAt = null): Proof
    {
        $work = fn (): Proof => Proof::of(new ProofLines($account->id, $knownAt), $asOf, $this->settings->whole(Setting::PairingWindowDays), $this->settings->base());

        return $knownAt === null ? Remembered::while("proof {$account->id} {$asOf}", self::PROOF, $work) : $work();
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
