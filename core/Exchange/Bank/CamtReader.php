<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use DOMDocument;
use DOMElement;
use DOMNode;
use DOMXPath;

/**
 * ISO 20022 bank statements: camt.053 and notifications camt.054, versions 02 to 08. Elements are found by their names, whatever the
 * namespace of the version. Document types are refused, so that no entity, near or far, is ever opened.
 */
final class CamtReader
{
    private const LARGEST = 64 * 1024 * 1024;

    private DOMXPath $path;

    private function __construct(DOMDocument $document)
    {
        $this->path = new DOMXPath($document);
    }

    public static function recognises(string $head): bool
    {
        return preg_match('/camt\.05[34]\.001\.\d\d|<(\w+:)?(BkToCstmrStmt|BkToCstmrDbtCdtNtfctn)\b/', $head) === 1;
    }

    /**
     * @return non-empty-list<BankStatement>
     *
     * @throws Refusal when the text is no such message, or a statement does not add up
     */
    public static function read(string $xml): array
    {
        if (strlen($xml) > self::LARGEST) {
            throw new Refusal('The statement is larger than 64 MB. Ask the bank for shorter ones.');
        }
        if (preg_match('/<!DOCTYPE|<!ENTITY/i', $xml) === 1) {
            throw new Refusal('The statement declares a document type. Bank statements do not, and such files are not opened.');
        }
        $document = new DOMDocument;
        $before = libxml_use_internal_errors(true);
        $loaded = $xml !== '' && $document->loadXML($xml, LIBXML_NONET | LIBXML_COMPACT);
        $error = libxml_get_last_error();
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        if (! $loaded) {
            throw new Refusal('The statement is not well-formed XML'.($error === false ? '.' : " (line {$error->line}: ".trim($error->message).').').' Ask the bank for it again.');
        }
        $reader = new self($document);
        $statements = array_map($reader->statement(...), $reader->all('//*[local-name()="Stmt" or local-name()="Ntfctn"]'));

        return $statements !== [] ? $statements : throw new Refusal('The message holds no statement. camt.053 or camt.054 of ISO 20022 is expected.');
    }

    private function statement(DOMElement $statement): BankStatement
    {
        $account = $this->text($statement, 'Acct/Id/IBAN') ?: $this->text($statement, 'Acct/Id/Othr/Id');
        $number = $this->text($statement, 'Id');
        $balances = [];
        foreach ($this->all($this->query('Bal'), $statement) as $balance) {
            $code = $this->text($balance, 'Tp/CdOrPrtry/Cd') ?: $this->text($balance, 'Tp/Cd');
            $balances[$code] ??= [$this->signed($balance), substr($this->text($balance, 'Dt/Dt') ?: $this->text($balance, 'Dt/DtTm'), 0, 10)];
        }
        $opening = $balances['OPBD'] ?? $balances['PRCD'] ?? null;
        $closing = $balances['CLBD'] ?? null;
        if ($statement->localName === 'Stmt' && ($opening === null || $closing === null)) {
            throw new Refusal("Statement {$number} of {$account} has no opening or no closing booked balance; both are expected.");
        }
        $code = $this->text($statement, 'Acct/Ccy') ?: ($closing[0]->currency->code ?? $this->currencyOfEntries($statement));
        $lines = [];
        foreach ($this->all($this->query('Ntry'), $statement) as $entry) {
            $status = $this->text($entry, 'Sts/Cd') ?: $this->text($entry, 'Sts');
            if ($status === '' || $status === 'BOOK') {
                array_push($lines, ...$this->lines($entry, "{$number} of {$account}"));
            }
        }
        $last = $lines === [] ? '' : max(array_map(static fn (BankLine $line): string => $line->bookingDate, $lines));

        return new BankStatement($account, Currency::of($code), $number, $opening[0] ?? null, $closing[0] ?? null, $opening[1] ?? '', $closing[1] ?? $last, $lines);
    }

    private function currencyOfEntries(DOMElement $statement): string
    {
        $amount = $this->all($this->query('Ntry/Amt'), $statement)[0] ?? null;

        return $amount?->getAttribute('Ccy') ?: throw new Refusal('The statement names no currency.');
    }

    /**
     * An entry as one line; one that books several payments together as a line for each, where their amounts are given and add up.
     *
     * @return list<BankLine>
     */
    private function lines(DOMElement $entry, string $where): array
    {
        $amount = $this->signed($entry);
        $booking = $this->day($entry, 'BookgDt', $where);
        $value = $this->text($entry, 'ValDt/Dt') ?: $this->text($entry, 'ValDt/DtTm');
        $value = $value === '' ? $booking : Day::of(substr($value, 0, 10));
        $reversal = in_array($this->text($entry, 'RvslInd'), ['true', '1'], true);
        $details = $this->all($this->query('NtryDtls/TxDtls'), $entry);
        $amounts = array_map(fn (DOMElement $detail): ?Money => $this->detailAmount($detail, $amount), $details);
        $each = count($details) > 1 && ! in_array(null, $amounts, true) && array_sum(array_map(static fn (?Money $of): int => $of->minor ?? 0, $amounts)) === $amount->minor;
        $charges = $this->charges($entry);
        if (! $each) {
            $detail = count($details) === 1 ? $details[0] : null;

            return [$this->line($entry, $detail, $details, $booking, $value, $amount, $charges ?? ($detail === null ? null : $this->charges($detail)), $reversal)];
        }
        $lines = [];
        foreach ($details as $place => $detail) {
            $lines[] = $this->line($entry, $detail, [$detail], $booking, $value, $amounts[$place] ?? $amount, $this->charges($detail), $reversal);
        }

        return $lines;
    }

    /** @param  list<DOMElement>  $all the details whose texts belong to the line */
    private function line(DOMElement $entry, ?DOMElement $detail, array $all, string $booking, string $value, Money $amount, ?Money $charges, bool $reversal): BankLine
    {
        $side = $amount->minor < 0 ? 'Cdtr' : 'Dbtr';
        $party = $detail === null ? '' : ($this->text($detail, "RltdPties/Ultmt{$side}/Nm") ?: $this->text($detail, "RltdPties/Ultmt{$side}/Pty/Nm") ?: $this->text($detail, "RltdPties/{$side}/Nm") ?: $this->text($detail, "RltdPties/{$side}/Pty/Nm"));
        $account = $detail === null ? '' : ($this->text($detail, "RltdPties/{$side}Acct/Id/IBAN") ?: $this->text($detail, "RltdPties/{$side}Acct/Id/Othr/Id"));
        $texts = [];
        foreach ($all as $one) {
            foreach (['RmtInf/Ustrd', 'RmtInf/Strd/CdtrRefInf/Ref', 'RmtInf/Strd/RfrdDocInf/Nb', 'RmtInf/Strd/AddtlRmtInf', 'AddtlTxInf'] as $where) {
                foreach ($this->all($this->query($where), $one) as $text) {
                    $texts[] = trim($text->textContent);
                }
            }
        }
        $texts[] = $texts === [] ? $this->text($entry, 'AddtlNtryInf') : '';
        $endToEnd = $detail === null ? '' : $this->text($detail, 'Refs/EndToEndId');

        return new BankLine(
            $booking, $value, $amount, $charges,
            ($detail === null ? '' : $this->text($detail, 'Refs/AcctSvcrRef')) ?: $this->text($entry, 'AcctSvcrRef') ?: $this->text($entry, 'NtryRef'),
            $endToEnd === 'NOTPROVIDED' ? '' : $endToEnd, $party, $account, trim(implode(' ', array_unique(array_filter($texts)))),
            $reversal || ($detail !== null && $this->all($this->query('RtrInf'), $detail) !== []),
        );
    }

    private function detailAmount(DOMElement $detail, Money $entry): ?Money
    {
        foreach (['Amt', 'AmtDtls/TxAmt/Amt'] as $where) {
            $amount = $this->all($this->query($where), $detail)[0] ?? null;
            if ($amount !== null && $amount->getAttribute('Ccy') === $entry->currency->code) {
                $money = Money::parse(trim($amount->textContent), $entry->currency);
                $side = $this->text($detail, 'CdtDbtInd');
                $out = $side === '' ? $entry->minor < 0 : $side === 'DBIT';

                return $out ? $money->negated() : $money;
            }
        }

        return null;
    }

    private function charges(DOMElement $of): ?Money
    {
        $found = [...$this->all($this->query('Chrgs/TtlChrgsAndTaxAmt'), $of), ...$this->all($this->query('Chrgs/Rcrd/Amt'), $of), ...$this->all($this->query('Chrgs/Amt'), $of)];
        if ($found === []) {
            return null;
        }
        $charges = Money::parse(trim($found[0]->textContent), $found[0]->getAttribute('Ccy'));
        if ($found[0]->localName !== 'TtlChrgsAndTaxAmt') {
            foreach (array_slice($found, 1) as $more) {
                $charges = $charges->plus(Money::parse(trim($more->textContent), $more->getAttribute('Ccy')));
            }
        }

        return $charges->isZero() ? null : $charges->abs();
    }

    private function signed(DOMElement $of): Money
    {
        $amount = $this->all($this->query('Amt'), $of)[0] ?? throw new Refusal('An entry or balance of the statement has no amount.');
        $money = Money::parse(trim($amount->textContent), $amount->getAttribute('Ccy'));

        return match ($this->text($of, 'CdtDbtInd')) {
            'CRDT' => $money,
            'DBIT' => $money->negated(),
            default => throw new Refusal('An entry or balance of the statement does not say CRDT or DBIT.'),
        };
    }

    private function day(DOMElement $of, string $name, string $where): string
    {
        $text = $this->text($of, "{$name}/Dt") ?: $this->text($of, "{$name}/DtTm") ?: $this->text($of, 'ValDt/Dt');

        return $text === '' ? throw new Refusal("An entry of statement {$where} has no date.") : Day::of(substr($text, 0, 10));
    }

    private function text(DOMElement $of, string $where): string
    {
        return trim(($this->all($this->query($where), $of)[0] ?? null)->textContent ?? '');
    }

    private function query(string $where): string
    {
        return implode('/', array_map(static fn (string $name): string => "*[local-name()=\"{$name}\"]", explode('/', $where)));
    }

    /** @return list<DOMElement> */
    private function all(string $query, ?DOMNode $of = null): array
    {
        $found = $this->path->query($query, $of);
        $elements = [];
        foreach ($found === false ? [] : $found as $node) {
            if ($node instanceof DOMElement) {
                $elements[] = $node;
            }
        }

        return $elements;
    }
}
