<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

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
            Element::of('MsgId', $statement->number).
            Element::of('CreDtTm', "{$statement->lastDay()}T20:00:00Z").
            '</GrpHdr>'.
            '<Stmt>'.
            Element::of('Id', $statement->number).
            '<Acct>'.
            Element::account($statement->account).
            Element::of('Ccy', $statement->currency->code).
            "</Acct>\n".
            $balances.
            $entries.
            "</Stmt></BkToCstmrStmt></Document>\n";
    }

    private static function entry(BankEntry $entry): string
    {
        $whole = $entry->whole;

        return '<Ntry>'.
            Element::amount($whole->amount).
            Element::of('CdtDbtInd', self::side($whole)).
            ($whole->isReversal ? Element::of('RvslInd', 'true') : '').
            '<Sts><Cd>BOOK</Cd></Sts>'.
            '<BookgDt>'.
            Element::of('Dt', $whole->bookingDate).
            '</BookgDt><ValDt>'.
            Element::of('Dt', $whole->valueDate).
            '</ValDt>'.
            Element::of('AcctSvcrRef', $whole->references->bank).
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
            ($payer->name === '' ? '' : "<{$party}><Pty>".Element::of('Nm', $payer->name)."</Pty></{$party}>").
            ($payer->bankAccount === '' ? '' : "<{$party}Acct>".Element::account($payer->bankAccount)."</{$party}Acct>");
        $texts = array_filter(explode("\n", $payer->remittance), static fn (string $text): bool => $text !== '');

        return '<TxDtls><Refs>'.
            Element::of('EndToEndId', $line->references->endToEnd === '' ? 'NOTPROVIDED' : $line->references->endToEnd).
            '</Refs>'.
            Element::amount($line->amount).
            Element::of('CdtDbtInd', self::side($line)).
            self::charges($line).
            ($parties === '' ? '' : "<RltdPties>{$parties}</RltdPties>").
            ($texts === [] ? '' : '<RmtInf>'.implode('', array_map(self::ustrd(...), $texts)).'</RmtInf>').
            ($line->returnReason === '' ? '' : '<RtrInf><Rsn>'.Element::of('Cd', $line->returnReason).'</Rsn></RtrInf>').
            '</TxDtls>';
    }

    private static function ustrd(string $text): string
    {
        return Element::of('Ustrd', $text);
    }

    private static function charges(BankLine $line): string
    {
        return $line->charges === null
            ? ''
            : '<Chrgs><Rcrd>'.
                    Element::amount($line->charges).
                    Element::of('CdtDbtInd', 'DBIT').
                    Element::of('ChrgInclInd', 'true').
                    '</Rcrd></Chrgs>';
    }

    /**
     * Bank transaction codes of ISO 20022: credit transfers received and issued, debits that came back, and charges (external code
     * set, from memory).
     */
    private static function transactionCode(BankLine $line): string
    {
        [$domain, $family, $sub] = match (true) {
            $line->payer->name === '' && $line->payer->bankAccount === '' && $line->amount->isNegative() => ['ACMT', 'MDOP', 'CHRG'],
            $line->returnReason !== '' && $line->amount->isNegative() => ['PMNT', 'IDDT', 'UPDD'],
            $line->isReversal => ['PMNT', $line->amount->isNegative() ? 'RCDT' : 'ICDT', 'RRTN'],
            default => ['PMNT', $line->amount->isNegative() ? 'ICDT' : 'RCDT', 'ESCT'],
        };

        return "<BkTxCd><Domn><Cd>{$domain}</Cd><Fmly><Cd>{$family}</Cd><SubFmlyCd>{$sub}</SubFmlyCd></Fmly></Domn></BkTxCd>";
    }

    private static function side(BankLine $line): string
    {
        return $line->amount->isNegative() ? 'DBIT' : 'CRDT';
    }

    private static function balance(string $code, BankBalance $balance): string
    {
        return "<Bal><Tp><CdOrPrtry><Cd>{$code}</Cd></CdOrPrtry></Tp>".
            Element::amount($balance->amount).
            Element::of('CdtDbtInd', $balance->amount->isNegative() ? 'DBIT' : 'CRDT').
            '<Dt>'.
            Element::of('Dt', $balance->day).
            "</Dt></Bal>\n";
    }
}
