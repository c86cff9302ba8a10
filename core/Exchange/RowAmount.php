<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;

/** What a row of a file comes to, whether or not it can be taken in: control totals count every row. */
final class RowAmount
{
    /**
     * @param array<string, string> $row in the house format
     * @param Currency $base of the books
     * @return ?Money base currency, debit-positive; null of a list whose rows are not summed; nil where no amount in base can be read
     */
    public static function of(FileKind $kind, array $row, Currency $base): ?Money
    {
        return match ($kind) {
            FileKind::Items => self::item($row, $base),
            FileKind::Ledger => self::amount($row['debit'] ?? '', $base)->minus(self::amount($row['credit'] ?? '', $base)),
            default => null,
        };
    }

    /** @param  array<string, string>  $row */
    private static function item(array $row, Currency $base): Money
    {
        $side = Kind::tryFrom($row['kind'] ?? '')?->side() ?? Side::tryFrom($row['side'] ?? '') ?? Side::Debit;
        $isBase = in_array($row['currency'] ?? '', ['', $base->code], true);
        $inBase = $row['base_amount'] ?? '';

        return $side->signed(self::amount($inBase !== '' || ! $isBase ? $inBase : ($row['amount'] ?? ''), $base));
    }

    /** What cannot be read counts nothing; the row is refused when it is taken in. */
    private static function amount(string $text, Currency $base): Money
    {
        try {
            return $text === '' ? Money::zero($base) : Money::parse($text, $base);
        } catch (Refusal) {
            return Money::zero($base);
        }
    }
}
