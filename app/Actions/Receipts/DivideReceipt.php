<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\PlacementKind;
use App\Actions\Posting\PostPlan;
use App\Queries\StatementLine;
use App\Queries\StatementLines;
use App\Support\AuditTrail;
use Illuminate\Support\Facades\DB;

/** One payment for several customers: the line becomes parts that add up to it, each to be placed by itself (R3). */
final readonly class DivideReceipt
{
    public function __construct(private StatementLines $lines, private PostPlan $posting, private AuditTrail $audit) {}

    /**
     * @param list<array{int, Money}> $parts customer, 0 where it is not one's yet, and amount
     *
     * @throws Refusal when the parts do not make the line
     */
    public function post(string $key, int $lineId, array $parts): void
    {
        $line = $this->lines->find($lineId);
        $line->refuseQuestion();
        if ($line->origin->batchId !== null) {
            throw new Refusal('This receipt belongs to a batch and is posted with it. Take it out of the batch first.');
        }
        $left = $line->amount->minus(Money::sum(array_column($parts, 1), $line->amount->currency));
        foreach ($parts as [, $amount]) {
            if (! $amount->isPositive()) {
                throw new Refusal('Each part is above zero.');
            }
        }
        if (count($parts) < 2 || ! $left->isZero()) {
            $still = "{$left->grouped()} {$left->currency->code} of {$line->amount->grouped()}";
            throw new Refusal("{$still} is still to be placed. Two parts or more together make the line.");
        }
        DB::transaction(function () use ($key, $line, $parts): void {
            $this->posting->post($key, static fn () => PlaceElsewhere::placed($line, PlacementKind::Divided, '', 'divide receipt'));
            $placement = $this->lines->standingPlacement($line->id);
            if ($placement !== null && $this->lines->partsOf($placement) === []) {
                $this->store($line, $placement, $parts);
            }
        });
    }

    /** @param  list<array{int, Money}>  $parts */
    private function store(StatementLine $line, int $placement, array $parts): void
    {
        $statement = DB::table('money_lines')->where('id', $line->id)->value('statement_id');
        foreach ($parts as $place => [$customerId, $amount]) {
            DB::table('money_lines')->insert([
                'statement_id' => $statement,
                'divided_by' => $placement,
                'place' => $place + 1,
                'way' => $line->origin->way,
                'account_id' => $line->accountId,
                'booking_date' => $line->dates->booking,
                'value_date' => $line->dates->value,
                'currency' => $amount->currency->code,
                'amount' => $amount->minor,
                'charges' => $place === 0 ? $line->charges->minor : 0,
                'reference' => $line->reference === '' ? '' : "{$line->reference}/".($place + 1),
                'end_to_end' => $line->origin->endToEnd,
                'party' => $line->payer->name,
                'party_account' => $line->payer->bankAccount,
                'remittance' => $line->payer->remittance,
                'customer_id' => $customerId === 0 ? null : $customerId,
            ]);
        }
        $sum = implode(' + ', array_map(static fn (array $part): string => $part[1]->decimal(), $parts));
        $this->audit->record('parts of a receipt', "statement line {$line->id}", '', ['parts' => $sum]);
    }
}
