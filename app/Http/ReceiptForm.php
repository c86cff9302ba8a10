<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Settlement\RestPlace;
use App\Actions\Receipts\DeductionEntry;
use App\Actions\Receipts\ReceiptRequest;

/** The form of the receipts' worktop. */
final class ReceiptForm
{
    /** @param  array<array-key, mixed>  $input what was sent, or was sent before and refused */
    public static function read(array $input, int $lineId): ReceiptRequest
    {
        $amounts = self::texts($input['amount'] ?? []);
        $typed = $lines = $deductions = [];
        foreach (array_keys((array) ($input['tick'] ?? [])) as $id) {
            $typed[(int) $id] = $amounts[$id] ?? '';
        }
        foreach ((array) ($input['lines'] ?? []) as $id => $of) {
            $lines[(int) $id] = array_map(strval(...), array_keys((array) $of));
        }
        [$codes, $invoices, $sums] = [self::texts($input['kept_code'] ?? []), self::texts($input['kept_of'] ?? []), self::texts($input['kept'] ?? [])];
        foreach ($sums as $place => $sum) {
            if (trim($sum) !== '' || ($codes[$place] ?? '') !== '') {
                $deductions[] = new DeductionEntry($codes[$place] ?? '', (int) ($invoices[$place] ?? 0), $sum);
            }
        }
        $text = static fn (string $name): string => is_scalar($input[$name] ?? null) ? (string) $input[$name] : '';

        return new ReceiptRequest(
            $lineId, (int) $text('customer'), $typed, array_map(intval(...), array_keys((array) ($input['discount'] ?? []))), $deductions, $text('kept_back'), RestPlace::tryFrom($text('rest')), $text('currency'), $text('worth'), $text('deposit_tax'), $lines,
        );
    }

    /** @return array<array-key, string> */
    private static function texts(mixed $values): array
    {
        return array_map(static fn (mixed $value): string => is_string($value) ? $value : '', (array) $values);
    }
}
