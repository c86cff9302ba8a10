<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;

/** Customer statement messages MT940: several in one file, with or without the blocks of the network around them. */
final class Mt940Reader
{
    public static function recognises(string $head): bool
    {
        return preg_match('/^\s*(\{1:|:20:)/', $head) === 1 && (str_contains($head, ':60F:') || str_contains($head, ':60M:'));
    }

    /**
     * @return non-empty-list<BankStatement>
     *
     * @throws Refusal when the text is no such message, or a statement does not add up
     */
    public static function read(string $text): array
    {
        $statements = [];
        $fields = [];
        foreach (self::fields($text) as [$tag, $value]) {
            if ($tag === '20' && $fields !== []) {
                $statements[] = self::statement($fields);
                $fields = [];
            }
            $fields[] = [$tag, $value];
        }
        if ($fields !== []) {
            $statements[] = self::statement($fields);
        }

        return $statements !== [] ? $statements : throw new Refusal('The file holds no MT940 statement; fields such as :20:, :25:, :60F:, :61: and :62F: are expected.');
    }

    /** @return list<array{string, string}> tag and value, lines of one value kept apart by a line feed */
    private static function fields(string $text): array
    {
        $fields = [];
        foreach ((array) preg_split('/\r\n|\n|\r/', $text) as $line) {
            $line = rtrim((string) $line);
            if (preg_match('/^(?:\{[^:]*:.*\{4:)?:(\d\d[A-Z]?):(.*)$/D', $line, $part) === 1) {
                $fields[] = [$part[1], $part[2]];
            } elseif ($fields !== [] && $line !== '' && $line !== '-' && ! str_starts_with($line, '-}') && ! str_starts_with($line, '{')) {
                [$tag, $value] = array_pop($fields);
                $fields[] = [$tag, $value."\n".$line];
            }
        }

        return $fields;
    }

    /** @param  non-empty-list<array{string, string}>  $fields */
    private static function statement(array $fields): BankStatement
    {
        $account = $number = '';
        $opening = $closing = null;
        $lines = [];
        foreach ($fields as $place => [$tag, $value]) {
            switch ($tag) {
                case '25':
                    $account = trim($value);
                    break;
                case '28':
                case '28C':
                    $number = trim($value);
                    break;
                case '60F':
                case '60M':
                    $opening ??= self::balance($value);
                    break;
                case '62F':
                case '62M':
                    $closing = self::balance($value);
                    break;
                case '61':
                    $currency = $opening[1]->currency ?? throw new Refusal("Statement {$number} of {$account} has an entry before its opening balance.");
                    $lines[] = self::line($value, ($fields[$place + 1][0] ?? '') === '86' ? $fields[$place + 1][1] : '', $currency);
                    break;
            }
        }
        if ($opening === null || $closing === null) {
            throw new Refusal("Statement {$number} of {$account} has no opening balance (:60F:) or no closing balance (:62F:).");
        }

        return new BankStatement(preg_replace('~^.*/~', '', $account) ?: $account, $opening[1]->currency, $number, $opening[1], $closing[1], $opening[0], $closing[0], $lines);
    }

    /** @return array{string, Money} */
    private static function balance(string $value): array
    {
        if (preg_match('/^([DC])(\d{6})([A-Z]{3})([\d,]+)$/D', trim($value), $part) !== 1) {
            throw new Refusal('“'.substr($value, 0, 40).'” is not a balance of MT940; C261031EUR1234,56 is expected.');
        }
        $money = self::amount($part[4], Currency::of($part[3]));

        return [self::day($part[2]), $part[1] === 'D' ? $money->negated() : $money];
    }

    private static function line(string $value, string $details, Currency $currency): BankLine
    {
        if (preg_match('~^(\d{6})(\d{4})?(R?[DC])([A-Z])?([\d,]+)([NFS][A-Z0-9]{3})([^\n/]*(?:/(?!/)[^\n/]*)*)(?://([^\n]*))?(?:\n(.*))?$~sD', $value, $part) !== 1) {
            throw new Refusal('“'.substr($value, 0, 60).'” is not an entry of MT940; 2610291029C987,15NTRFNONREF is expected.');
        }
        $valueDate = self::day($part[1]);
        // RD takes a debit back, so it brings money; RC takes a credit back.
        $in = in_array($part[3], ['C', 'RD'], true);
        $amount = self::amount($part[5], $currency);
        [$party, $account, $remittance] = self::details($details);
        $reference = trim($part[7]);

        return new BankLine(
            self::entryDate($part[2], $valueDate), $valueDate, $in ? $amount : $amount->negated(), null,
            trim($part[8] ?? '') ?: ($reference === 'NONREF' ? '' : $reference), $reference === 'NONREF' ? '' : $reference,
            $party, $account, $remittance !== '' ? $remittance : trim($part[9] ?? ''), $part[3][0] === 'R',
        );
    }

    /**
     * Field 86: plain text, or the sub-fields ?20 to ?29 and ?60 to ?63 (text), ?31 (account), ?32 and ?33 (name).
     *
     * @return array{string, string, string} name, account and text
     */
    private static function details(string $details): array
    {
        if (preg_match('/\?\d\d/', $details) !== 1) {
            return ['', '', trim((string) preg_replace('/\s*\n\s*/', ' ', $details))];
        }
        /** @var array<int|string, string> $sub */
        $sub = [];
        foreach (array_slice((array) preg_split('/\?(?=\d\d)/', str_replace("\n", '', $details)), 1) as $field) {
            $sub[substr((string) $field, 0, 2)] = substr((string) $field, 2);
        }
        $text = [];
        foreach ($sub as $code => $value) {
            if (((int) $code >= 20 && (int) $code <= 29) || ((int) $code >= 60 && (int) $code <= 63)) {
                $text[] = preg_replace('/^(SVWZ|EREF|KREF|MREF|CRED|ABWA)\+/', '', $value);
            }
        }

        return [trim(($sub['32'] ?? '').($sub['33'] ?? '')), trim($sub['31'] ?? ''), trim(implode(' ', $text))];
    }

    private static function amount(string $text, Currency $currency): Money
    {
        return Money::parse(rtrim(str_replace(',', '.', $text), '.'), $currency);
    }

    private static function day(string $yymmdd): string
    {
        return Day::of('20'.substr($yymmdd, 0, 2).'-'.substr($yymmdd, 2, 2).'-'.substr($yymmdd, 4, 2));
    }

    /** The booking day has no year: the one nearest to the value date. */
    private static function entryDate(string $mmdd, string $valueDate): string
    {
        if ($mmdd === '') {
            return $valueDate;
        }
        $year = (int) substr($valueDate, 0, 4);
        $best = $valueDate;
        $nearest = 400;
        foreach ([$year - 1, $year, $year + 1] as $candidate) {
            $day = sprintf('%04d-%s-%s', $candidate, substr($mmdd, 0, 2), substr($mmdd, 2, 2));
            if (Day::isDay($day) && abs(Day::between($day, $valueDate)) < $nearest) {
                $nearest = abs(Day::between($day, $valueDate));
                $best = $day;
            }
        }

        return $best;
    }
}
