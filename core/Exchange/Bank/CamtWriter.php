<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Money\Money;

/** ISO 20022 bank statements, camt.053 version 08. */
final class CamtWriter
{
    public static function statement(BankStatement $statement): string
    {
        $entries = implode('', array_map(self::entry(...), $statement->entries));
        $balances =
            ($statement->opening === null ? '' : self::balance('OPBD', $statement->opening)).
            ($statement->closing === null ? '' : self::balance('CLBD', $statement->closing));

        return "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<Document ".
            'xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08"><BkToCstmrStmt>'.
            '<GrpHdr>'.
            self::element('MsgId', $statement->number).
            self::element('CreDtTm', "{$statement->lastDay()}T20:00:00Z").
            '</GrpHdr>'.
            '<Stmt>'.
            self::element('Id', $statement->number).
            '<Acct>'.
            self::account($statement->account).
            self::element('Ccy', $statement->currency->code).
            "</Acct>\n".
            $balances.
            $entries.
            "</Stmt></BkToCstmrStmt></Document>\n";
    }

    private static function entry(BankEntry $entry): string
    {
        $whole = $entry->whole;

        return '<Ntry>'.
            self::amount($whole->amount->abs()).
            self::element('CdtDbtInd', self::side($whole)).
            ($whole->isReversal ? self::element('RvslInd', 'true') : '').
            '<Sts><Cd>BOOK</Cd></Sts>'.
            '<BookgDt>'.
            self::element('Dt', $whole->bookingDate).
            '</BookgDt><ValDt>'.
            self::element('Dt', $whole->valueDate).
            '</ValDt>'.
            self::element('AcctSvcrRef', $whole->references->bank).
            self::transactionCode($whole).
            '<NtryDtls>'.
            implode('', array_map(self::transaction(...), $entry->movements())).
            "</NtryDtls></Ntry>\n";
    }

    private static function transaction(BankLine $line): string
    {
        $party = $line->amount->isNegative() ? 'Cdtr' : 'Dbtr';
        $payer = $line->payer;
        $parties =
            ($payer->name === '' ? '' : "<{$party}><Pty>".self::element('Nm', $payer->name)."</Pty></{$party}>").
            ($payer->bankAccount === '' ? '' : "<{$party}Acct>".self::account($payer->bankAccount)."</{$party}Acct>");
        $texts = array_filter(explode("\n", $payer->remittance), static fn (string $text): bool => $text !== '');

        return '<TxDtls><Refs>'.
            self::element('EndToEndId', $line->references->endToEnd === '' ? 'NOTPROVIDED' : $line->references->endToEnd).
            '</Refs>'.
            self::amount($line->amount->abs()).
            self::element('CdtDbtInd', self::side($line)).
            self::charges($line).
            ($parties === '' ? '' : "<RltdPties>{$parties}</RltdPties>").
            ($texts === [] ? '' : '<RmtInf>'.implode('', array_map(self::ustrd(...), $texts)).'</RmtInf>').
            '</TxDtls>';
    }

    private static function ustrd(string $text): string
    {
        return self::element('Ustrd', $text);
    }

    private static function charges(BankLine $line): string
    {
        return $line->charges === null
            ? ''
            : '<Chrgs><Rcrd>'.
                    self::amount($line->charges).
                    self::element('CdtDbtInd', 'DBIT').
                    self::element('ChrgInclInd', 'true').
                    '</Rcrd></Chrgs>';
    }

    /** Bank transaction codes of ISO 20022: credit transfers received and issued, and charges (external code set, from memory). */
    private static function transactionCode(BankLine $line): string
    {
        [$domain, $family, $sub] = match (true) {
            $line->payer->name === '' && $line->payer->bankAccount === '' && $line->amount->isNegative() => ['ACMT', 'MDOP', 'CHRG'],
            $line->isReversal => ['PMNT', $line->amount->isNegative() ? 'RCDT' : 'ICDT', 'RRTN'],
            default => ['PMNT', $line->amount->isNegative() ? 'ICDT' : 'RCDT', 'ESCT'],
        };

        return "<BkTxCd><Domn><Cd>{$domain}</Cd><Fmly><Cd>{$family}</Cd><SubFmlyCd>{$sub}</SubFmlyCd></Fmly></Domn></BkTxCd>";
    }

    private static function side(BankLine $line): string
    {
        return $line->amount->isNegative() ? 'DBIT' : 'CRDT';
    }

    private static function account(string $number): string
    {
        return '<Id>'.
            (Iban::isValid($number) ? self::element('IBAN', Iban::plain($number)) : '<Othr>'.self::element('Id', $number).'</Othr>').
            '</Id>';
    }

    private static function balance(string $code, BankBalance $balance): string
    {
        return "<Bal><Tp><CdOrPrtry><Cd>{$code}</Cd></CdOrPrtry></Tp>".
            self::amount($balance->amount->abs()).
            self::element('CdtDbtInd', $balance->amount->isNegative() ? 'DBIT' : 'CRDT').
            '<Dt>'.
            self::element('Dt', $balance->day).
            "</Dt></Bal>\n";
    }

    private static function amount(Money $amount): string
    {
        return "<Amt Ccy=\"{$amount->currency->code}\">{$amount->decimal()}</Amt>";
    }

    private static function element(string $name, string $text): string
    {
        return "<{$name}>".htmlspecialchars($text, ENT_XML1 | ENT_QUOTES)."</{$name}>";
    }
}
