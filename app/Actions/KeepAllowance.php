<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Allowance\LossRate;
use Ajuste\Core\Calendar\AgeBuckets;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use App\Values\SpecificRequest;
use Illuminate\Support\Facades\DB;

/** What the allowance is made of, as a person keeps it: the last that was said holds, and what was said before stays. */
final readonly class KeepAllowance
{
    public function __construct(private Actor $actor, private AuditTrail $audit) {}

    /** @throws Refusal when neither or both of amount and percentage are said, or the customer does not owe the document */
    public function specific(string $key, SpecificRequest $request): void
    {
        Once::for($key, function () use ($request): int {
            if (($request->amount === null) === ($request->percent === '')) {
                throw new Refusal('Type either an amount or a percentage.');
            }
            $percent = $request->percent === '' ? null : (string) LossRate::percent($request->percent);
            $customer = DB::table('customers')->where('customer', $request->customer)->value('id')
                ?? throw Refusal::notFound("There is no customer {$request->customer}.");
            $item = $request->document === '' ? null : $this->debit((int) $customer, $request->document);
            $id = DB::table('specific_allowances')->insertGetId([
                'customer_id' => $customer,
                'item_id' => $item,
                'amount' => $request->amount?->minor,
                'percent' => $percent,
                'reason' => Reason::of($request->reason),
                'review' => $request->review === '' ? null : $request->review,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('specific allowance', "customer {$customer}", $request->reason, [
                'document' => $request->document,
                'amount' => $request->amount?->decimal() ?? "{$percent} %",
            ]);

            return $id;
        });
    }

    /** @throws Refusal when the amount is nil or no reason is given */
    public function overlay(string $key, Money $amount, string $reason, string $review): void
    {
        Once::for($key, function () use ($amount, $reason, $review): int {
            if ($amount->isZero()) {
                throw new Refusal('Type what is added to the allowance, or taken from it.');
            }
            $id = DB::table('overlays')->insertGetId([
                'amount' => $amount->minor,
                'reason' => Reason::of($reason),
                'review' => $review === '' ? null : $review,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('overlay', "overlay {$id}", $reason, ['amount' => $amount->decimal()]);

            return $id;
        });
    }

    public function endOverlay(string $key, int $overlayId): void
    {
        Once::for($key, function () use ($overlayId): int {
            if (! DB::table('overlays')->where('id', $overlayId)->exists()) {
                throw Refusal::notFound('There is no such overlay. Load the page again.');
            }
            DB::table('overlays_ended')->insertOrIgnore([
                'overlay_id' => $overlayId, 'who' => $this->actor->who, 'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('end overlay', "overlay {$overlayId}");

            return $overlayId;
        });
    }

    /** @throws Refusal when the column or the rate is none */
    public function rate(string $key, string $group, string $bucket, string $percent, string $source): void
    {
        Once::for($key, function () use ($group, $bucket, $percent, $source): int {
            if (! AgeBuckets::isLabel($bucket)) {
                throw new Refusal("“{$bucket}” is no column of the aged list, such as not_due, 1-30 or over_90.");
            }
            $id = DB::table('allowance_rates')->insertGetId([
                'customer_group' => trim($group),
                'bucket' => $bucket,
                'rate' => (string) LossRate::percent(trim($percent)),
                'source' => Reason::of($source, 'Say where the rate comes from.'),
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('loss rate', "rate {$id}", $source, ['group' => $group, 'bucket' => $bucket, 'rate' => $percent]);

            return $id;
        });
    }

    /** @throws Refusal */
    private function debit(int $customer, string $document): int
    {
        $item = DB::table('items')->where(['customer_id' => $customer, 'document' => $document, 'side' => 'debit'])
            ->whereNull('superseded_at')->orderBy('id')->value('root_id');

        return is_int($item) ? $item : throw Refusal::notFound("This customer owes no document {$document}.");
    }
}
