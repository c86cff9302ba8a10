<?php

declare(strict_types=1);

namespace App\Actions\Posting;

use App\Models\AuditRecord;
use App\Queries\Settings;
use App\Support\AuditTrail;
use App\Support\CopyOfBooks;
use Closure;
use Illuminate\Support\Facades\DB;

/**
 * Posts much at once and holds nobody up: an action is carried out in a copy of the books, while others go on writing in the books, and
 * what it wrote is carried over in one short transaction.
 */
final readonly class PreparedPosting
{
    /** So often it is prepared anew because the books were changed meanwhile; then nobody else writes until it is in. */
    private const TRIES = 3;

    public function __construct(private AuditTrail $audit, private Settings $settings) {}

    /**
     * @template T
     *
     * @param Closure(): T $post an action with its transactions, the same each time that it is called
     * @return T
     */
    public function post(Closure $post): mixed
    {
        $mayPrepare = DB::transactionLevel() === 0 && ! CopyOfBooks::isAtHand();
        for ($try = 1; $try <= self::TRIES && $mayPrepare; $try++) {
            [$written, $result, $isBeyond] = $this->prepareAndCarryOver($post);
            if ($written) {
                return $result;
            }
            $mayPrepare = ! $isBeyond; // preparing it anew would come to the same
        }

        return $post();
    }

    /**
     * @template T
     *
     * @param Closure(): T $post
     * @return array{bool, T, bool} whether it is in the books, what came of it, and whether it cannot be carried over at all
     */
    private function prepareAndCarryOver(Closure $post): array
    {
        $copy = new CopyOfBooks();
        gc_disable(); // nothing of so many rows refers to itself, and looking for what does takes a fifth of the time
        try {
            [$result, $trail] = $copy->prepare(static function () use ($post): array {
                $before = (int) AuditRecord::query()->max('id');
                $result = $post();

                return [$result, array_values(AuditRecord::query()->where('id', '>', $before)->orderBy('id')->get()->all())];
            });

            return $copy->mayBeCarriedOver()
                ? [$copy->carryOver(fn () => $this->audit->append($trail)), $result, false]
                : [false, $result, true];
        } finally {
            gc_enable();
            $copy->discard();
            $this->settings->forget();
        }
    }
}
