<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Subledger\Side;

/** An amount as other systems write it: with symbols, marks between thousands, and its sign before, behind, in brackets or in letters. */
final readonly class ForeignAmount
{
    public const SYMBOLS = [
        '€' => 'EUR', '£' => 'GBP', '¥' => 'JPY', '₹' => 'INR', '₺' => 'TRY', '₪' => 'ILS', '₩' => 'KRW', 'zł' => 'PLN',
    ];

    private const DEBITS = ['DR', 'D', 'S', 'SOLL', 'DEB', 'DEBE', 'DEBIT', 'DEBET', 'DARE'];

    private const CREDITS = ['CR', 'C', 'H', 'HABEN', 'HAB', 'HABER', 'CREDIT', 'AVERE', 'A'];

    /** What stands behind figures, or behind their currency. */
    private const LETTERS = '/^(.*[\d)]|.*[\d)].*[^\d\s](?=\s))\s*\.?\s*([A-Z]{1,6})\.?$/Di';

    /**
     * @param string $digits as written, with its marks and without sign, symbols and blanks
     * @param ?Side $side where letters say it
     * @param string $currency code where a symbol or code says it, else blank
     */
    private function __construct(public string $digits, public bool $negative, public ?Side $side, public string $currency) {}

    /** Null where the text is no amount. */
    public static function of(string $text): ?self
    {
        $rest = trim(str_replace(["\u{a0}", "\u{202f}", "\u{2009}", '−', '–', '’', "'"], [' ', ' ', ' ', '-', '-', '', ''], $text));
        $negative = $isSigned = $isInBrackets = false;
        $side = null;
        $currency = '';
        // What stands around the figures is taken off piece by piece, in whatever order it was put there.
        do {
            $before = $rest;
            if (! $isInBrackets && preg_match('/^\((.*)\)$/D', $rest, $inner) === 1) {
                [$rest, $negative, $isInBrackets] = [trim($inner[1]), true, true];
            }
            if ($side === null && preg_match(self::LETTERS, $rest, $part) === 1 && self::side($part[2]) !== null) {
                [$rest, $side] = [trim($part[1]), self::side($part[2])];
            }
            if ($currency === '') {
                [$rest, $currency] = self::withoutCurrency($rest);
            }
            if (! $isSigned && preg_match('/^([+-])\s*(.+)$|^(.+?)\s*([+-])$/D', $rest, $part) === 1) {
                $sign = $part[1] !== '' ? $part[1] : $part[4];
                [$rest, $negative, $isSigned] = [$part[1] !== '' ? $part[2] : $part[3], $sign === '-' ? ! $negative : $negative, true];
            }
        } while ($rest !== $before);
        $digits = str_replace(' ', '', $rest);

        return preg_match('/^\d+(?:[.,]\d+)*$/D', $digits) === 1 ? new self($digits, $negative, $side, $currency) : null;
    }

    /** @return array{string, string} what is left, and the code that a symbol or code said, or blank */
    private static function withoutCurrency(string $text): array
    {
        $currency = '';
        foreach (self::SYMBOLS as $symbol => $code) {
            if (str_contains($text, $symbol)) {
                [$text, $currency] = [trim(str_replace($symbol, '', $text)), $code];
            }
        }
        $text = trim(str_replace('$', '', $text));
        if ($currency === '' && preg_match('/^([A-Z]{3})\s*([-+(]*\d.*)$|^(.*\d[-+)]*)\s*([A-Z]{3})$/Di', $text, $part) === 1) {
            $code = strtoupper($part[1] !== '' ? $part[1] : $part[4]);
            if (Currency::isKnown($code)) {
                return [trim($part[1] !== '' ? $part[2] : $part[3]), $code];
            }
        }

        return [$text, $currency];
    }

    /** The side that letters beside an amount, or in a column of their own, say. */
    public static function side(string $letters): ?Side
    {
        $plain = strtoupper(trim($letters, " .\t"));

        return match (true) {
            in_array($plain, self::DEBITS, true) => Side::Debit,
            in_array($plain, self::CREDITS, true) => Side::Credit,
            default => null,
        };
    }

    /** Without sign, with a point before the decimals; null where the marks do not stand as they should. */
    public function plain(string $decimalMark): ?string
    {
        $group = $decimalMark === ',' ? '\.' : ',';
        $mark = $decimalMark === ',' ? ',' : '\.';
        $grouped = "\d{1,3}(?:{$group}\d{3})+|\d{1,2}(?:{$group}\d{2})+{$group}\d{3}";
        if (preg_match("/^(?:\d+|{$grouped})(?:{$mark}\d+)?$/D", $this->digits) !== 1) {
            return null;
        }

        return str_replace($decimalMark, '.', str_replace($decimalMark === ',' ? '.' : ',', '', $this->digits));
    }

    /**
     * Which mark it shows to stand before decimals; blank where it shows none, a question mark where it can be read in both ways.
     *
     * @param int $decimals of the currency, where it is known; else 2
     */
    public function shows(int $decimals): string
    {
        $marks = (string) preg_replace('/\d/', '', $this->digits);
        if ($marks === '') {
            return '';
        }
        $last = $marks[strlen($marks) - 1];
        $behind = strlen($this->digits) - 1 - (int) strrpos($this->digits, $last);
        if (count(array_unique(str_split($marks))) === 2) {
            return $last;
        }
        if (strlen($marks) > 1) {
            return $last === '.' ? ',' : '.';
        }
        $before = (int) strrpos($this->digits, $last);

        return match (true) {
            $behind !== 3, $before > 3, $this->digits[0] === '0', $decimals === 3 => $last,
            $decimals === 0 => $last === '.' ? ',' : '.',
            default => '?',
        };
    }
}
