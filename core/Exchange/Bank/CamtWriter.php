<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Money\Money;

/** ISO 20022 bank statements, camt.053 version 08. */
final class CamtWriter
{
    public static function statement(BankStatement $statement): string
    {
        $entries = implode('', array_map(self::entry(...), $statement->lines));
        $balances = ($statement->opening === null ? '' : self::balance('OPBD', $statement->opening, $statement->openingDate)).($statement->closing === null ? '' : self::balance('CLBD', $statement->closing, $statement->closingDate));

        return "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<Document xmlns=\"urn:iso:std:iso:20022:tech:xsd:camt.053.001.08\"><BkToCstmrStmt>"
            .'<GrpHdr>'.self::element('MsgId', $statement->number).self::element('CreDtTm', "{$statement->closingDate}T20:00:00Z").'</GrpHdr>'
            .'<Stmt>'.self::element('Id', $statement->number).'<Acct><Id><Othr>'.self::element('Id', $statement->account).'</Othr></Id>'.self::element('Ccy', $statement->currency->code)."</Acct>\n"
            .$balances.$entries."</Stmt></BkToCstmrStmt></Document>\n";
    }

    private static function entry(BankLine $line): string
    {
        [$side, $party] = $line->amount->minor < 0 ? ['DBIT', 'Cdtr'] : ['CRDT', 'Dbtr'];
        $amount = self::amount($line->amount->abs());
        $parties = ($line->party === '' ? '' : "<{$party}><Pty>".self::element('Nm', $line->party)."</Pty></{$party}>")
            .($line->partyAccount === '' ? '' : "<{$party}Acct><Id>".(preg_match('/^[A-Z]{2}\d{2}[A-Z0-9]{10,30}$/D', $line->partyAccount) === 1 ? self::element('IBAN', $line->partyAccount) : '<Othr>'.self::element('Id', $line->partyAccount).'</Othr>')."</Id></{$party}Acct>");

        return '<Ntry>'.self::element('NtryRef', $line->reference).$amount.self::element('CdtDbtInd', $side).($line->isReversal ? self::element('RvslInd', 'true') : '').'<Sts><Cd>BOOK</Cd></Sts>'
            .'<BookgDt>'.self::element('Dt', $line->bookingDate).'</BookgDt><ValDt>'.self::element('Dt', $line->valueDate).'</ValDt>'.self::element('AcctSvcrRef', $line->reference)
            .'<NtryDtls><TxDtls><Refs>'.self::element('EndToEndId', $line->endToEnd === '' ? 'NOTPROVIDED' : $line->endToEnd).'</Refs>'.$amount.self::element('CdtDbtInd', $side)
            .($line->charges === null ? '' : '<Chrgs><Rcrd>'.self::amount($line->charges).'</Rcrd></Chrgs>').($parties === '' ? '' : "<RltdPties>{$parties}</RltdPties>")
            .($line->remittance === '' ? '' : '<RmtInf>'.self::element('Ustrd', $line->remittance).'</RmtInf>')."</TxDtls></NtryDtls></Ntry>\n";
    }

    private static function balance(string $code, Money $amount, string $day): string
    {
        return "<Bal><Tp><CdOrPrtry><Cd>{$code}</Cd></CdOrPrtry></Tp>".self::amount($amount->abs()).self::element('CdtDbtInd', $amount->minor < 0 ? 'DBIT' : 'CRDT').'<Dt>'.self::element('Dt', $day)."</Dt></Bal>\n";
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
