<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Contra\Agreement;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Queries\Agreements;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use App\Values\AgreementRequest;
use Illuminate\Support\Facades\DB;

/** Says which customers and suppliers are the same party, and what was agreed with them. What was said before stays in the books. */
final readonly class KeepParties
{
    public function __construct(private Agreements $agreements, private Actor $actor, private AuditTrail $audit) {}

    /**
     * @return int the agreement
     *
     * @throws Refusal when one of the parties is not there, or the pair has an agreement of this reference and currency
     */
    public function agree(string $key, AgreementRequest $request): int
    {
        return (int) Once::for($key, function () use ($request): int {
            $pair = [
                'customer_id' => self::party('customers', 'customer', $request->customer),
                'supplier_id' => self::party('suppliers', 'supplier', $request->supplier),
            ];
            $named = [...$pair, 'reference' => Reason::of($request->agreement->reference, 'Type the reference of the agreement.')];
            $standing = DB::table('agreements')->where($named)->where('currency', $request->currency)->whereNull('superseded_at');
            if ($standing->exists()) {
                throw new Refusal(
                    "The agreement {$named['reference']} in {$request->currency} is there already. End it, or name the new one otherwise.",
                );
            }

            return $this->write($named, $request->currency, $request->agreement);
        });
    }

    /**
     * @param string $last its last day
     *
     * @throws Refusal when the day is before its first, or it has changed since it was seen
     */
    public function end(string $key, int $agreementId, string $last): void
    {
        Once::for($key, function () use ($agreementId, $last): int {
            $row = $this->agreements->find($agreementId);
            $ended = Agreements::agreement($row)->endedOn($last);
            DB::table('agreements')->where('id', $agreementId)->update(['superseded_at' => Moment::now()]);
            $named = ['customer_id' => $row->customer_id, 'supplier_id' => $row->supplier_id, 'reference' => $row->reference];

            return $this->write($named, $row->currency, $ended);
        });
    }

    /**
     * @param string $reason why they are held to be the same party
     *
     * @throws Refusal when one of them is not there, or no reason is given
     */
    public function link(string $key, string $customer, string $supplier, string $reason): void
    {
        $this->say($key, $customer, $supplier, 1, $reason);
    }

    /** @throws Refusal when one of them is not there, or no reason is given */
    public function part(string $key, string $customer, string $supplier, string $reason): void
    {
        $this->say($key, $customer, $supplier, 0, $reason);
    }

    private function say(string $key, string $customer, string $supplier, int $same, string $reason): void
    {
        Once::for($key, function () use ($customer, $supplier, $same, $reason): int {
            $why = Reason::of($reason, 'Say why, so that others can follow it.');
            $id = DB::table('party_links')->insertGetId([
                'customer_id' => self::party('customers', 'customer', $customer),
                'supplier_id' => self::party('suppliers', 'supplier', $supplier),
                'same' => $same,
                'reason' => $why,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record($same === 1 ? 'link parties' : 'part parties', "customer {$customer}", $why, ['supplier' => $supplier]);

            return $id;
        });
    }

    /** @param  array{customer_id: int, supplier_id: int, reference: string}  $named */
    private function write(array $named, string $currency, Agreement $agreement): int
    {
        $id = DB::table('agreements')->insertGetId([
            ...$named,
            'currency' => $currency,
            'from_date' => $agreement->from,
            'to_date' => $agreement->to,
            'scope' => $agreement->scope->value,
            'who' => $this->actor->who,
            'recorded_at' => Moment::now(),
        ]);
        $this->audit->record('agreement', "agreement {$id}", '', [
            'reference' => $named['reference'], 'from' => $agreement->from, 'to' => $agreement->to, 'scope' => $agreement->scope->value,
        ]);

        return $id;
    }

    /** @throws Refusal */
    private static function party(string $table, string $column, string $number): int
    {
        $id = DB::table($table)->where($column, trim($number))->value('id');

        return is_int($id) ? $id : throw Refusal::notFound(
            "There is no {$column} “{$number}”. Type the number as it stands in {$table}.csv.",
        );
    }
}
