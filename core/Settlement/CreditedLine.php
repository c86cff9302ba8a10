<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;
use Brick\Math\BigDecimal;
use Brick\Math\Exception\MathException;
use Brick\Math\RoundingMode;

/**
 * A line of a credit note: some of a line of an invoice, whose revenue account and tax it follows, or a line of its own. Amounts are minor units of the
 * document's currency, without tax.
 */
final readonly class CreditedLine
{
    /**
     * @param string $document the invoice; blank for a line of its own
     * @param int $net what is credited, above zero
     * @param ?int $rest what earlier credit notes left of the invoice's line; null for a line of its own
     * @param string $dimension a dimension of the books, such as a cost centre, or blank
     *
     * @throws Refusal when nothing is credited, or more than is left of the line
     */
    public function __construct(public string $document, public string $line, public string $description, public Account $account, public string $rate, public int $net, ?int $rest = null, public string $dimension = '')
    {
        if ($net <= 0 || ($rest !== null && $net > $rest)) {
            throw new Refusal(trim("{$document} line {$line}").", {$description}: an amount above zero".($rest === null ? '' : ' and not above what is left of the line').' is expected.');
        }
    }

    /**
     * So much of the quantity goes back: quantity × price.
     *
     * @param int $decimals of the currency
     * @return int minor units, rounded half away from zero
     *
     * @throws Refusal when one of them is no number above zero
     */
    public static function ofQuantity(string $quantity, string $price, int $decimals): int
    {
        return self::minor(self::number($quantity, 'quantity')->multipliedBy(self::number($price, 'price')), $decimals);
    }

    /**
     * The price was too high: quantity × (price − what it should have been).
     *
     * @return int minor units, rounded half away from zero; not above zero when the new price is not lower
     *
     * @throws Refusal when one of them is no number
     */
    public static function ofPrice(string $quantity, string $price, string $newPrice, int $decimals): int
    {
        return self::minor(self::number($quantity, 'quantity')->multipliedBy(self::number($price, 'price')->minus(self::number($newPrice, 'price'))), $decimals);
    }

    private static function number(string $typed, string $what): BigDecimal
    {
        $plain = preg_match('/^\d+(,\d+)?$/D', trim($typed)) === 1 ? str_replace(',', '.', trim($typed)) : trim($typed);
        try {
            $number = BigDecimal::of($plain);
        } catch (MathException) {
            throw new Refusal("“{$typed}” is not a {$what}; a number such as 12 or 3.50 is expected.");
        }

        return $number->isNegative() ? throw new Refusal("“{$typed}” is not a {$what}; type it without a minus.") : $number;
    }

    private static function minor(BigDecimal $amount, int $decimals): int
    {
        return $amount->withPointMovedRight($decimals)->toScale(0, RoundingMode::HALF_UP)->toInt();
    }
}
