<?php

declare(strict_types=1);

namespace App\Actions\Runs;

use Ajuste\Core\Refusal;
use Ajuste\Core\Run\RunKind;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Queries\Blocks;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** Keeps a customer out of a kind of run until somebody lets it in again. */
final readonly class BlockCustomer
{
    public function __construct(private Blocks $blocks, private Actor $actor, private AuditTrail $audit) {}

    /** @return int the block */
    public function block(string $key, RunKind $kind, string $number, string $reason): int
    {
        return (int) Once::for($key, function () use ($kind, $number, $reason): int {
            $customer = DB::table('customers')->where('customer', trim($number))->value('id')
                ?? throw Refusal::notFound("There is no customer “{$number}”. Type the number as it stands in customers.csv.");
            if (isset($this->blocks->of($kind)[$customer])) {
                throw new Refusal("Customer {$number} is blocked already. Nothing was changed.");
            }
            $why = Reason::of($reason, 'A block needs a reason, so that others can follow it.');
            $id = DB::table('customer_blocks')->insertGetId([
                'customer_id' => $customer,
                'kind' => $kind->value,
                'reason' => $why,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('block customer', "customer {$number}", $why, ['run' => $kind->value]);

            return $id;
        });
    }

    public function lift(string $key, RunKind $kind, int $blockId): void
    {
        Once::for($key, function () use ($kind, $blockId): int {
            $block = $this->blocks->standing($kind)[$blockId]
                ?? throw Refusal::notFound('There is no such block any more. Load the page again.');
            DB::table('customer_blocks_lifted')->insert([
                'block_id' => $blockId,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('lift block', "customer {$block->customer->number}", '', ['run' => $kind->value]);

            return $blockId;
        });
    }
}
