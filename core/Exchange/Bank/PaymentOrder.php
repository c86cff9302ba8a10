<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Money\Money;

/** A customer credit transfer initiation of ISO 20022, pain.001 version 09. */
final class PaymentOrder
{
    /**
     * @param non-empty-list<Payment> $payments in one currency
     * @param string $account the number of the account that pays
     */
    public static function written(string $message, string $day, string $name, string $account, array $payments): string
    {
        $amounts = array_map(static fn (Payment $payment): Money => $payment->amount, $payments);
        $sum = Money::sum($amounts, $payments[0]->amount->currency);
        $count = count($payments);
        $transfers = implode(
            '',
            array_map(
                static fn (Payment $payment): string => '<CdtTrfTxInf><PmtId>'.
                    Element::of('EndToEndId', SwiftText::of($payment->endToEnd, 35)).
                    '</PmtId><Amt>'.Element::amount($payment->amount, 'InstdAmt').'</Amt>'.
                    '<Cdtr>'.
                    Element::of('Nm', SwiftText::of($payment->payee, 140)).
                    '</Cdtr><CdtrAcct><Id>'.
                    Element::of('IBAN', Iban::plain($payment->iban)).
                    '</Id></CdtrAcct><RmtInf>'.
                    Element::of('Ustrd', SwiftText::of($payment->text, 140)).
                    "</RmtInf></CdtTrfTxInf>\n",
                $payments,
            ),
        );

        return "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<Document ".
            'xmlns="urn:iso:std:iso:20022:tech:xsd:pain.001.001.09"><CstmrCdtTrfInitn><GrpHdr>'.
            Element::of('MsgId', $message).
            Element::of('CreDtTm', "{$day}T08:00:00Z").
            Element::of('NbOfTxs', (string) $count).
            Element::of('CtrlSum', $sum->decimal()).
            '<InitgPty>'.
            Element::of('Nm', SwiftText::of($name, 140)).
            '</InitgPty></GrpHdr><PmtInf>'.
            Element::of('PmtInfId', "{$message}-1").
            Element::of('PmtMtd', 'TRF').
            Element::of('NbOfTxs', (string) $count).
            Element::of('CtrlSum', $sum->decimal()).
            '<ReqdExctnDt>'.
            Element::of('Dt', $day).
            '</ReqdExctnDt>'.
            '<Dbtr>'.
            Element::of('Nm', SwiftText::of($name, 140)).
            '</Dbtr><DbtrAcct>'.Element::account($account).'</DbtrAcct><DbtrAgt><FinInstnId><Othr><Id>NOTPROVIDED</Id></Othr></FinInstnId>'.
            "</DbtrAgt>\n{$transfers}</PmtInf></CstmrCdtTrfInitn></Document>\n";
    }
}
