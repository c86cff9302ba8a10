<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Proof\PairedBy;
use Ajuste\Core\Proof\Proof;
use App\Support\Changes;
use App\Support\Remembered;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;

/**
 * The proof of an account, kept while what it looks at stands. What Ajuste posts itself stands on both sides: where only such lines
 * came, and they agree with each other, they are added to the proof that was known; anything else is proved anew.
 */
final readonly class StandingProof
{
    /** What a proof looks at beside postings and items. */
    public const BESIDE = [
        'settings',
        'accounts',
        'customers',
        'item_lines',
        'voucher_confirmations',
        'hand_pairs',
        'hand_pairs_withdrawn',
        'signed_proofs',
    ];

    private const SECONDS = 86_400;

    /** From so many new lines on, all is proved anew. */
    private const MANY = 5_000;

    public function __construct(private Settings $settings) {}

    public function of(Account $account, string $asOf): Proof
    {
        $beside = Changes::books().' '.Changes::of(self::BESIDE);
        $counters = Changes::of(['postings', 'items']);
        $key = Remembered::key("proof {$account->id} {$asOf}");
        $known = Cache::get($key);
        $kept = $known instanceof KnownProof && $known->beside === $beside ? $known : null;
        $added = null;
        if ($kept !== null) {
            if ($kept->counters === $counters) {
                return $kept->proof;
            }
            $added = $this->added($kept, $counters, $account, $asOf);
        }
        $proof = $added !== null ? $kept->proof->plus($added) : $this->proved(ProofLines::since($account->id, $asOf), $asOf);
        Cache::put($key, new KnownProof($beside, $counters, self::last('postings'), self::last('items'), $proof), self::SECONDS);

        return $proof;
    }

    /** The proof of the lines that came since; null where others than own lines came, or they do not agree. */
    private function added(KnownProof $kept, string $counters, Account $account, string $asOf): ?Proof
    {
        $came = static fn (string $table, int $last) => DB::table($table)->where('id', '>', $last);
        [$postings, $items] = [$came('postings', $kept->lastPosting), $came('items', $kept->lastItem)];
        [$before, $now] = [explode(' ', $kept->counters), explode(' ', $counters)];
        $new = [$postings->count(), $items->count()];
        $onlyAdded = [(int) $now[0] - (int) $before[0], (int) $now[1] - (int) $before[1]] === $new;
        if (
            ! $onlyAdded ||
            array_sum($new) > self::MANY ||
            $postings->whereNull('voucher_id')->exists() ||
            $items->whereNull('voucher_id')->exists()
        ) {
            return null;
        }
        $proof = $this->proved(ProofLines::after($account->id, $kept->lastPosting, $kept->lastItem), $asOf);

        return $proof->lines === [] ? $proof : null;
    }

    /** @param  ?PairedBy  $collect the test of which the pairs are kept to be looked at */
    public function proved(ProofLines $lines, string $asOf, ?PairedBy $collect = null): Proof
    {
        return Proof::of($lines, $asOf, $this->settings->on($asOf)->whole(Setting::PairingWindowDays), $this->settings->base(), $collect);
    }

    private static function last(string $table): int
    {
        return (int) DB::table($table)->max('id');
    }
}
