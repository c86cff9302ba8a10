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
use Illuminate\Support\Facades\DB;

/** Keeps what a customer promises to pay and the security that is held, and ends them. Nothing is posted by it. */
final readonly class KeepCredit
{
    private const ENDS = ['promises' => ['promises_ended', 'promise_id'], 'securities' => ['securities_ended', 'security_id']];

    public function __construct(private Actor $actor, private AuditTrail $audit) {}

    /**
     * @param string $givenOn day on which it was given, ISO
     * @param string $payBy last day of payment
     *
     * @throws Refusal when nobody is named, nothing is promised, or the days are the wrong way round
     */
    public function promise(string $key, int $customerId, string $givenOn, string $payBy, Money $amount, string $byWhom): void
    {
        if ($payBy < $givenOn) {
            throw new Refusal("A promise of {$givenOn} cannot be for {$payBy}. Correct the days.");
        }
        $this->keep($key, 'promises', $customerId, $amount, [
            'given_on' => $givenOn, 'pay_by' => $payBy, 'by_whom' => Reason::of($byWhom, 'Say who promised it.'),
        ]);
    }

    /**
     * @param string $validUntil last day, or blank
     *
     * @throws Refusal when it does not say what is held, or how much
     */
    public function security(string $key, int $customerId, string $what, string $reference, string $validUntil, Money $amount): void
    {
        $this->keep($key, 'securities', $customerId, $amount, [
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
            $this->audit->record("end of {$table}", "{$table} {$id}", $why);

            return $id;
        });
    }

    /** @param  array<string, string>  $more */
    private function keep(string $key, string $table, int $customerId, Money $amount, array $more): void
    {
        if (! $amount->isPositive()) {
            throw new Refusal('Type an amount above zero.');
        }
        Once::for($key, function () use ($table, $customerId, $amount, $more): int {
            $id = DB::table($table)->insertGetId([
                'customer_id' => $customerId, 'currency' => $amount->currency->code, 'amount' => $amount->minor, ...$more,
                'who' => $this->actor->who, 'recorded_at' => Moment::now(),
            ]);
            $this->audit->record($table, "customer {$customerId}", '', ['amount' => $amount->decimal(), ...$more]);

            return $id;
        });
    }
}
