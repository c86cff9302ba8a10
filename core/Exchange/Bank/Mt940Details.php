<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Settlement\Payer;

/**
 * What field 86 of MT940 says of an entry. Banks write it as sub-fields of two figures (`?20` to `?29` and `?60` to `?63` text, `?31`
 * account,
 * `?32` and `?33` name, as the German banking industry describes it), with words such as `EREF+` and `SVWZ+` in the text (SEPA), as words
 * between slashes (`/REMI/`, `/NAME/`, `/IBAN/`, as SWIFT and the Dutch banks describe it), or plainly. From memory of those descriptions.
 */
final readonly class Mt940Details
{
    private const WORDS = 'EREF|KREF|MREF|CRED|DEBT|COAM|OAMT|SVWZ|ABWA|ABWE|IBAN|BIC|PURP';

    private const CODES =
        'EREF|REMI|NAME|IBAN|BIC|TRTP|CSID|MARF|ORDP|BENM|CNTP|PREF|RTRN|ISDT|SVCL|ADDR|ID|PURP|ULTD|ULTC|ULTB|EXCH|CHGS|'.
        'OCMT|OAMT|INIT|KREF|ACCW|FEES|SUBID|BUSP';

    /** @param  ?string  $returned why a payment came back, a code of ISO 20022 or blank; null: it did not */
    private function __construct(public Payer $payer, public string $endToEnd = '', public ?string $returned = null) {}

    public static function read(string $field): self
    {
        $text = trim((string) preg_replace('/[ \t]*\n[ \t]*/', "\n", $field));
        if (preg_match('/^(?:\d{3})?([?>])\d\d/', $text, $mark) === 1 || preg_match('/([?>])(?:20|00)/', $text, $mark) === 1) {
            return self::subFields($text, $mark[1]);
        }

        return preg_match('~(?:^|\n|\s)/(?:'.self::CODES.')/~', $text) === 1 ? self::codes($text) : self::words($text, '', '');
    }

    private static function subFields(string $text, string $mark): self
    {
        $sub = [];
        foreach (array_slice((array) preg_split('/'.preg_quote($mark, '/').'(?=\d\d)/', str_replace("\n", '', $text)), 1) as $part) {
            $sub[(int) substr((string) $part, 0, 2)] = substr((string) $part, 2);
        }
        $said = [];
        foreach ($sub as $code => $value) {
            if (($code >= 20 && $code <= 29) || ($code >= 60 && $code <= 63)) {
                $said[] = $value;
            }
        }

        return self::words(implode("\n", $said), ($sub[32] ?? '').($sub[33] ?? ''), $sub[31] ?? '');
    }

    /** Text with the words of SEPA in it, each with what follows up to the next. */
    private static function words(string $text, string $name, string $account): self
    {
        $parts = (array) preg_split('/('.self::WORDS.')\+/', $text, -1, PREG_SPLIT_DELIM_CAPTURE);
        $said = [];
        for ($at = 1; $at + 1 < count($parts); $at += 2) {
            $said[(string) $parts[$at]] = trim((string) $parts[$at + 1]);
        }
        $unbroken = static fn (string $word): string => (string) preg_replace('/\s+/', '', $said[$word] ?? '');
        $iban = $unbroken('IBAN');
        $originator = str_replace("\n", '', $said['ABWA'] ?? '');

        return new self(
            new Payer(
                trim($originator !== '' ? $originator : $name),
                trim($iban !== '' ? $iban : $account),
                $said['SVWZ'] ?? trim((string) $parts[0]),
            ),
            $unbroken('EREF'),
        );
    }

    /** Words between slashes, each with what follows up to the next. */
    private static function codes(string $text): self
    {
        $parts = (array) preg_split('~/('.self::CODES.')/~', $text, -1, PREG_SPLIT_DELIM_CAPTURE);
        $said = [];
        for ($at = 1; $at + 1 < count($parts); $at += 2) {
            $said[(string) $parts[$at]] ??= trim((string) $parts[$at + 1], "/ \n");
        }
        $unbroken = static fn (string $code): string => str_replace("\n", '', $said[$code] ?? '');
        // The other side in one: account, bank, name and town.
        [$account, , $name] = [...explode('/', $unbroken('CNTP')), '', '', ''];
        $remittance = (string) preg_replace('~^(USTD//|STRD/(CUR/|ISO/)?)~', '', $said['REMI'] ?? '');

        return new self(
            new Payer(
                trim($unbroken('NAME') !== '' ? $unbroken('NAME') : $name),
                trim($unbroken('IBAN') !== '' ? $unbroken('IBAN') : $account),
                trim($remittance !== '' ? $remittance : (string) $parts[0]),
            ),
            trim($unbroken('EREF')),
            isset($said['RTRN']) ? trim($unbroken('RTRN')) : null,
        );
    }
}
