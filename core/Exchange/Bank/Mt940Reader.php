<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;

/**
 * Messages of SWIFT in lines with tags: customer statements MT940, and interim reports MT942, whose entries are pending. Several in one
 * file,
 * with or without the blocks of the network around them, in UTF-8 or Latin-1.
 */
final class Mt940Reader
{
    private const ENTRY =
        '~^(\d{6})(\d{4})?(R?[DC])([A-Z])?([\d,]+)([NFS][A-Z0-9]{3})([^\n/]*(?:/(?!/)[^\n/]*)*)(?://([^\n]*))?(?:\n'.'(.*))?$~sD';

    public static function recognises(string $head): bool
    {
        $head = self::plain($head);

        return preg_match('/^\s*(\{1:|:20:)/', $head) === 1 && preg_match('/:(60[FM]|34F|13D?):/', $head) === 1;
    }

    /**
     * @return non-empty-list<BankStatement|StatementPage>
     *
     * @throws Refusal when the text is no such message
     */
    public static function read(string $text): array
    {
        $messages = [];
        foreach (self::fields(self::plain($text)) as $field) {
            if ($field[0] === '20' || $messages === []) {
                $messages[] = [];
            }
            $messages[count($messages) - 1][] = $field;
        }

        return $messages !== []
            ? array_map(self::message(...), $messages)
            : throw new Refusal('The file holds no MT940 statement; fields such as :20:, :25:, :60F:, :61: and :62F: are expected.');
    }

    private static function plain(string $text): string
    {
        $text = str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text;

        return preg_match('//u', $text) === 1 ? $text : (string) mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
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
                $fields[] = [$tag, "{$value}\n{$line}"];
            }
        }

        return $fields;
    }

    /** @param  non-empty-list<array{string, string}>  $fields */
    private static function message(array $fields): BankStatement|StatementPage
    {
        $given = [];
        foreach ($fields as [$tag, $value]) {
            $given[":{$tag}"] ??= trim($value);
        }
        $account = strtok($given[':25'] ?? ($given[':25P'] ?? ''), "\n") ?: '';
        $account = preg_replace('~^.*/~', '', $account) ?: $account;
        $number = $given[':28C'] ?? ($given[':28'] ?? ($given[':20'] ?? ''));
        $opening = self::balanceIn($given, '60');
        $closing = self::balanceIn($given, '62');
        $pending = $opening === null && (isset($given[':34F']) || isset($given[':13']) || isset($given[':13D']));
        if (! $pending && ($opening === null || $closing === null)) {
            throw new Refusal("Statement {$number} of {$account} has no opening balance (:60F:) or no closing balance (:62F:).");
        }
        $currency = $opening->amount->currency ?? self::currencyOf($given[':34F'] ?? ($given[':90C'] ?? ($given[':90D'] ?? '')), $number);
        $lines = self::lines($fields, $currency);
        [$statement, $page] = [...explode('/', $number, 2), '1'];

        return $pending
            ? new BankStatement($account, $currency, $number, [], pending: $lines)
            : new StatementPage(
                $account,
                $currency,
                trim($statement),
                max(1, (int) $page),
                array_map(static fn (BankLine $line): BankEntry => new BankEntry($line), $lines),
                $opening,
                $closing,
            );
    }

    /**
     * @param non-empty-list<array{string, string}> $fields
     * @return list<BankLine>
     */
    private static function lines(array $fields, Currency $currency): array
    {
        $lines = [];
        foreach ($fields as $place => [$tag, $value]) {
            if ($tag === '61') {
                $lines[] = self::line($value, ($fields[$place + 1][0] ?? '') === '86' ? $fields[$place + 1][1] : '', $currency);
            }
        }

        return $lines;
    }

    /** @param  array<string, string>  $given  values by tag, such as `:60F` */
    private static function balanceIn(array $given, string $tag): ?BankBalance
    {
        $last = isset($given[":{$tag}F"]);
        $value = $given[":{$tag}F"] ?? ($given[":{$tag}M"] ?? null);
        if ($value === null) {
            return null;
        }
        if (preg_match('/^([DC])(\d{6})([A-Z]{3})([\d,]+)$/D', $value, $part) !== 1) {
            throw new Refusal('“'.substr($value, 0, 40).'” is not a balance of MT940; C261031EUR1234,56 is expected.');
        }
        $money = self::amount($part[4], Currency::of($part[3]));

        return new BankBalance(self::day($part[2]), $part[1] === 'D' ? $money->negated() : $money, ! $last);
    }

    private static function currencyOf(string $value, string $number): Currency
    {
        return preg_match('/^\d*([A-Z]{3})/', $value, $part) === 1
            ? Currency::of($part[1])
            : throw new Refusal("Report {$number} names no currency; a field :34F: such as EUR0, is expected.");
    }

    private static function line(string $value, string $details, Currency $currency): BankLine
    {
        if (preg_match(self::ENTRY, $value, $part) !== 1) {
            throw new Refusal('“'.substr($value, 0, 60).'” is not an entry of MT940; 2610291029C987,15NTRFNONREF is expected.');
        }
        $valueDate = self::day($part[1]);
        // RD takes a debit back, so it brings money; RC takes a credit back.
        $amount = self::amount($part[5], $currency);
        $said = Mt940Details::read($details);
        $text = $said->payer->remittance !== '' ? $said->payer : $said->payer->saying(trim($part[9] ?? ''));

        return new BankLine(
            self::entryDate($part[2], $valueDate),
            $valueDate,
            in_array($part[3], ['C', 'RD'], true) ? $amount : $amount->negated(),
            new BankReferences($part[8] ?? '', $said->endToEnd !== '' ? $said->endToEnd : $part[7]),
            $text,
            null,
            $part[3][0] === 'R' || $said->returned !== null,
            $said->returned ?? '',
        );
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
