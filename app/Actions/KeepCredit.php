<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use App\Values\CreditFor;
use Illuminate\Support\Facades\DB;

/** Keeps what a customer promises to pay and the security that is held, and ends them. Nothing is posted by it. */
final readonly class KeepCredit
{
    private const ENDS = ['promises' => ['promises_ended', 'promise_id'], 'securities' => ['securities_ended', 'security_id']];

    private const SAID = ['promises' => 'promise to pay', 'securities' => 'security held'];

    public function __construct(private Actor $actor, private AuditTrail $audit) {}

    /**
     * @param string $givenOn day on which it was given, ISO
     * @param string $payBy last day of payment
     *
     * @throws Refusal when nobody is named, nothing is promised, or the days are the wrong way round
     */
    public function promise(string $key, CreditFor $for, string $givenOn, string $payBy, Money $amount, string $byWhom): void
    {
        if ($payBy < $givenOn) {
            throw new Refusal("A promise of {$givenOn} cannot be for {$payBy}. Correct the days.");
        }
        $this->keep($key, 'promises', $for, $amount, [
            'given_on' => $givenOn, 'pay_by' => $payBy, 'by_whom' => Reason::of($byWhom, 'Say who promised it.'),
        ]);
    }

    /**
     * @param string $validUntil last day, or blank
     *
     * @throws Refusal when it does not say what is held, or how much
     */
    public function security(string $key, CreditFor $for, string $what, string $reference, string $validUntil, Money $amount): void
    {
        $this->keep($key, 'securities', $for, $amount, [
            'what' => Reason::of($what, 'Say what is held, such as “bank guarantee”.'), 'reference' => trim($reference),
            'valid_until' => $validUntil,
        ]);
    }

    /** @throws Refusal when it has ended, or no reason is given */
    public function end(string $key, string $table, int $id, string $reason): void
    {
        [$ended, $column] = self::ENDS[$table] ?? throw Refusal::notFound('There is no such list.');
        $why = Reason::of($reason);
        Once::for($key, function () use ($table, $ended, $column, $id, $why): int {
            if (! DB::table($table)->where('id', $id)->exists() || DB::table($ended)->where($column, $id)->exists()) {
                throw Refusal::done('It has ended already. Load the page again.');
            }
            DB::table($ended)->insert([$column => $id, 'reason' => $why, 'who' => $this->actor->who, 'recorded_at' => Moment::now()]);
            $this->audit->record('end of '.self::SAID[$table], "{$table} {$id}", $why);

            return $id;
        });
    }

    /** @param  array<string, string>  $more */
    private function keep(string $key, string $table, CreditFor $for, Money $amount, array $more): void
    {
        if (! $amount->isPositive()) {
            throw new Refusal('Type an amount above zero.');
        }
        $items = DB::table('items')->where(['root_id' => $for->itemId, 'customer_id' => $for->customerId]);
        if ($for->itemId !== null && ! $items->exists()) {
            throw Refusal::notFound('This customer has no such document. Load the page again.');
        }
        Once::for($key, function () use ($table, $for, $amount, $more): int {
            $id = DB::table($table)->insertGetId([
                'customer_id' => $for->customerId, 'item_id' => $for->itemId,
                'currency' => $amount->currency->code, 'amount' => $amount->minor, ...$more,
                'who' => $this->actor->who, 'recorded_at' => Moment::now(),
            ]);
            $this->audit->record(self::SAID[$table], $for->subject(), '', ['amount' => $amount->decimal(), ...$more]);

            return $id;
        });
    }
}
