<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\DirectDebit\Debit;
use Ajuste\Core\DirectDebit\DirectDebits;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;

/** A customer direct debit initiation of ISO 20022, pain.008 version 08, as the SEPA rulebooks use it. */
final class CollectionOrder
{
    /**
     * Debits of one scheme and sequence make one payment information, which the bank credits as one sum.
     *
     * @param string $message names the order
     * @param string $day on which it is asked
     * @param string $collected day on which the debits are due
     * @param non-empty-list<Debit> $debits
     */
    public static function written(string $message, string $day, string $collected, Creditor $creditor, array $debits): string
    {
        $informations = '';
        foreach (self::groups($debits) as $place => $group) {
            $informations .= self::group(self::information($message, $place), $collected, $creditor, $group);
        }

        return "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<Document ".
            'xmlns="urn:iso:std:iso:20022:tech:xsd:pain.008.001.08"><CstmrDrctDbtInitn><GrpHdr>'.
            Element::of('MsgId', $message).
            Element::of('CreDtTm', "{$day}T08:00:00Z").
            self::control($debits).
            '<InitgPty>'.
            Element::of('Nm', SwiftText::of($creditor->name, 70)).
            "</InitgPty></GrpHdr>\n{$informations}</CstmrDrctDbtInitn></Document>\n";
    }

    /**
     * What names a payment information, and the bank's credit of it.
     *
     * @param int $place of the group, from one
     */
    public static function information(string $message, int $place): string
    {
        return "{$message}-".chr(64 + $place);
    }

    /**
     * The debits that are credited together.
     *
     * @param list<Debit> $debits
     * @return array<int, non-empty-list<Debit>> by the number of the payment information, from one
     */
    public static function groups(array $debits): array
    {
        $groups = [];
        foreach ($debits as $debit) {
            $groups[$debit->group()][] = $debit;
        }
        ksort($groups);

        $numbered = [];
        foreach (array_values($groups) as $place => $group) {
            $numbered[$place + 1] = $group;
        }

        return $numbered;
    }

    /** @param  non-empty-list<Debit>  $debits of one scheme and sequence */
    private static function group(string $name, string $collected, Creditor $creditor, array $debits): string
    {
        $first = $debits[0];

        return '<PmtInf>'.
            Element::of('PmtInfId', $name).
            Element::of('PmtMtd', 'DD').
            Element::of('BtchBookg', 'true').
            self::control($debits).
            '<PmtTpInf><SvcLvl>'.
            Element::of('Cd', 'SEPA').
            '</SvcLvl><LclInstrm>'.
            Element::of('Cd', $first->mandate->scheme->value).
            '</LclInstrm>'.
            Element::of('SeqTp', $first->sequence).
            '</PmtTpInf>'.
            Element::of('ReqdColltnDt', $collected).
            '<Cdtr>'.
            Element::of('Nm', SwiftText::of($creditor->name, 70)).
            '</Cdtr><CdtrAcct>'.
            Element::account($creditor->account).
            '</CdtrAcct><CdtrAgt><FinInstnId><Othr>'.
            Element::of('Id', 'NOTPROVIDED').
            '</Othr></FinInstnId></CdtrAgt>'.
            Element::of('ChrgBr', 'SLEV').
            '<CdtrSchmeId><Id><PrvtId><Othr>'.
            Element::of('Id', $creditor->identifier).
            '<SchmeNm>'.
            Element::of('Prtry', 'SEPA').
            "</SchmeNm></Othr></PrvtId></Id></CdtrSchmeId>\n".
            implode('', array_map(self::debit(...), $debits)).
            "</PmtInf>\n";
    }

    private static function debit(Debit $debit): string
    {
        return '<DrctDbtTxInf><PmtId>'.
            Element::of('EndToEndId', SwiftText::of($debit->endToEnd, 35)).
            '</PmtId>'.
            Element::amount($debit->amount, 'InstdAmt').
            '<DrctDbtTx><MndtRltdInf>'.
            Element::of('MndtId', $debit->mandate->reference).
            Element::of('DtOfSgntr', $debit->mandate->signed).
            '</MndtRltdInf></DrctDbtTx><DbtrAgt><FinInstnId><Othr>'.
            Element::of('Id', 'NOTPROVIDED').
            '</Othr></FinInstnId></DbtrAgt><Dbtr>'.
            Element::of('Nm', SwiftText::of($debit->mandate->holder, 70)).
            '</Dbtr><DbtrAcct>'.
            Element::account($debit->mandate->iban).
            '</DbtrAcct><RmtInf>'.
            Element::of('Ustrd', SwiftText::of($debit->text, 140)).
            "</RmtInf></DrctDbtTxInf>\n";
    }

    /** @param  list<Debit>  $debits */
    private static function control(array $debits): string
    {
        $amounts = array_map(static fn (Debit $debit): Money => $debit->amount, $debits);

        return Element::of('NbOfTxs', (string) count($debits)).
            Element::of('CtrlSum', Money::sum($amounts, Currency::of(DirectDebits::CURRENCY))->decimal());
    }
}
