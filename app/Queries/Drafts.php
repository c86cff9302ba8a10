<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\RestPlace;
use App\Values\DeductionEntry;
use App\Values\ReceiptRequest;
use App\Values\Reductions;
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
        /**
         * @var array{customer: int, takes: array<int, ?array{int, string}>, discounts: list<int>, deductions: list<array{string, int,
         *     ?array{int, string}}>,
         *     lines: array<int, list<string>>, instalments?: array<int, string>, charges: ?array{int, string}, rest: string,
         *     worth: ?array{int, string}, deposit_tax: string}
         *     $kept
         */
        $kept = json_decode($json, true, flags: JSON_THROW_ON_ERROR);
        $money = static fn (?array $of): ?Money => $of === null ? null : Money::ofMinor($of[0], $of[1]);
        $deductions = array_map(
            static fn (array $of): DeductionEntry => new DeductionEntry($of[0], $of[1], $money($of[2])),
            $kept['deductions'],
        );

        return new ReceiptRequest(
            $lineId,
            $kept['customer'],
            array_map($money, $kept['takes']),
            new Reductions($kept['discounts'], $deductions, $kept['lines'], $kept['instalments'] ?? []),
            $money($kept['charges']),
            RestPlace::tryFrom($kept['rest']),
            $money($kept['worth']),
            $kept['deposit_tax'],
        );
    }

    /** @return array<int, true> the lines that have one */
    public function lines(): array
    {
        return array_fill_keys(array_map(intval(...), DB::table('receipt_drafts')->pluck('line_id')->all()), true);
    }

    /** A request as it is kept: amounts as minor units with their currency. */
    public static function written(ReceiptRequest $request): string
    {
        $money = static fn (?Money $of): ?array => $of === null ? null : [$of->minor, $of->currency->code];

        return json_encode(
            [
                'customer' => $request->customerId,
                'takes' => array_map($money, $request->takes),
                'discounts' => $request->less->discounts,
                'deductions' => array_map(
                    static fn (DeductionEntry $of): array => [$of->code, $of->itemId, $money($of->amount)],
                    $request->less->deductions,
                ),
                'lines' => $request->less->lines,
                'instalments' => $request->less->instalments,
                'charges' => $money($request->charges),
                'rest' => $request->rest->value ?? '',
                'worth' => $money($request->worth),
                'deposit_tax' => $request->depositTax,
            ],
            JSON_THROW_ON_ERROR,
        );
    }
}
