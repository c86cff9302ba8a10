<?php

declare(strict_types=1);

namespace App\Actions\Posting;

use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Refusal;
use App\Queries\Settings;
use Closure;
use Illuminate\Support\Facades\DB;

/**
 * Posts any plan, once for each key. The plan is worked out before the books are held for writing; if anybody posted in between, it is
 * worked out again while they are held. What a person saw is what is posted, or it is refused with what has changed.
 */
final readonly class PostPlan
{
    /** Tables that no plan is worked out from. */
    private const ASIDE = [
        'notes',
        'notes_struck',
        'outbox',
        'receipt_drafts',
        'journal_exports',
        'exported_vouchers',
        'mappings',
        'source_fixes',
        'users',
    ];

    public function __construct(private Recorder $recorder, private Settings $settings) {}

    /**
     * @param string $key from the form or command
     * @param Closure(): PostingPlan $plan from the books as they are
     * @param string $seen digest of the plan that the person saw; blank: whatever it is now
     * @return int the key of what the plan is about
     *
     * @throws Refusal when it cannot be planned, is no longer what was seen, or one of its days is locked
     */
    public function post(string $key, Closure $plan, string $seen = ''): int
    {
        $done = Once::result($key);
        if ($done !== null) {
            return (int) $done;
        }
        $basis = self::basis();
        $planned = $plan();
        $planned->refuseLocked($this->settings->locked());

        $digest = $seen === '' ? '' : $planned->digest();

        return (int) Once::for($key, function () use ($plan, $planned, $digest, $basis, $seen): int {
            if ($basis !== self::basis()) {
                $this->settings->forget();
                $planned = $plan();
                $planned->refuseLocked($this->settings->locked());
                $digest = $seen === '' ? '' : $planned->digest();
            }
            if ($seen !== $digest) {
                $now = rtrim(': '.implode('; ', iterator_to_array($planned->notes->seen(), false)), ': ');
                throw Refusal::changed(
                    "What would be posted has changed since you looked{$now}. Look at the figures again and post if they are right.",
                );
            }

            return $this->recorder->record($planned);
        });
    }

    /** The counters of the books: the same means that nobody has written in between what a plan is worked out from. */
    private static function basis(): string
    {
        return (string) DB::table('changes')->whereNotIn('name', self::ASIDE)->sum('counter');
    }
}
