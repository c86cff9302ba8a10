<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Settlement\RestPlace;
use App\Actions\Receipts\DeductionEntry;
use App\Actions\Receipts\ReceiptRequest;
use Illuminate\Support\Facades\DB;

/** What was put together for a line and kept without posting. It holds nothing and blocks nothing. */
final class Drafts
{
    public function of(int $lineId): ?ReceiptRequest
    {
        $json = DB::table('receipt_drafts')->where('line_id', $lineId)->value('request');
        if (! is_string($json)) {
            return null;
        }
        /** @var array{customer: int, typed: array<int, string>, discounts: list<int>, deductions: list<array{string, int, string}>, kept_back: string, rest: string, currency: string, amount: string, deposit_tax: string, lines: array<int, list<string>>} $kept */
        $kept = json_decode($json, true, flags: JSON_THROW_ON_ERROR);

        return new ReceiptRequest(
            $lineId, $kept['customer'], $kept['typed'], $kept['discounts'], array_map(static fn (array $of): DeductionEntry => new DeductionEntry(...$of), $kept['deductions']), $kept['kept_back'],
            RestPlace::tryFrom($kept['rest']), $kept['currency'], $kept['amount'], $kept['deposit_tax'], $kept['lines'],
        );
    }

    /** @return array<int, true> the lines that have one */
    public function lines(): array
    {
        return array_fill_keys(array_map(intval(...), DB::table('receipt_drafts')->pluck('line_id')->all()), true);
    }

    public static function written(ReceiptRequest $request): string
    {
        return json_encode([
            'customer' => $request->customerId, 'typed' => $request->typed, 'discounts' => $request->discounts, 'deductions' => array_map(static fn (DeductionEntry $of): array => [$of->code, $of->itemId, $of->amount], $request->deductions),
            'kept_back' => $request->keptBack, 'rest' => $request->rest->value ?? '', 'currency' => $request->currency, 'amount' => $request->amount, 'deposit_tax' => $request->depositTax, 'lines' => $request->lines,
        ], JSON_THROW_ON_ERROR);
    }
}
