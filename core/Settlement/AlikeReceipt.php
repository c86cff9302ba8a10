<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

/** Whether a receipt of the same customer and amount may be the same money, typed a second time (common practice). */
final class AlikeReceipt
{
    /**
     * Numbers of cheques or slips tell them apart where both have one, else the day does.
     *
     * @param string $number of the cheque or slip, or blank
     */
    public static function mayBe(string $number, string $day, string $otherNumber, string $otherDay): bool
    {
        $plain = static fn (string $of): string => ltrim((string) preg_replace('/[^A-Z0-9]/', '', strtoupper($of)), '0');
        [$one, $other] = [$plain($number), $plain($otherNumber)];

        return $one !== '' && $other !== '' ? $one === $other : $day === $otherDay;
    }
}
