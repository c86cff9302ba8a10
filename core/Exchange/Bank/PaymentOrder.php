<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;

/** A customer credit transfer initiation of ISO 20022, pain.001 version 09, and the bank's answer, pain.002. */
final class PaymentOrder
{
    /**
     * @param non-empty-list<Payment> $payments in one currency
     * @param string $account the number of the account that pays
     */
    public static function written(string $message, string $day, string $name, string $account, array $payments): string
    {
        $sum = array_reduce(
            $payments,
            static fn (Money $sum, Payment $payment): Money => $sum->plus($payment->amount),
            Money::zero($payments[0]->amount->currency),
        );
        $count = count($payments);
        $own = Iban::isValid($account)
            ? self::element('IBAN', Iban::plain($account))
            : '<Othr>'.self::element('Id', $account).'</Othr>';
        $transfers = implode(
            '',
            array_map(
                static fn (Payment $payment): string => '<CdtTrfTxInf><PmtId>'.
                    self::element('EndToEndId', SwiftText::of($payment->endToEnd, 35)).
                    "</PmtId><Amt><InstdAmt Ccy=\"{$payment->amount->currency->code}\">{$payment->amount->decimal()}</InstdAmt></Amt>".
                    '<Cdtr>'.
                    self::element('Nm', SwiftText::of($payment->payee, 140)).
                    '</Cdtr><CdtrAcct><Id>'.
                    self::element('IBAN', Iban::plain($payment->iban)).
                    '</Id></CdtrAcct><RmtInf>'.
                    self::element('Ustrd', SwiftText::of($payment->text, 140)).
                    "</RmtInf></CdtTrfTxInf>\n",
                $payments,
            ),
        );

        return "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<Document ".
            'xmlns="urn:iso:std:iso:20022:tech:xsd:pain.001.001.09"><CstmrCdtTrfInitn><GrpHdr>'.
            self::element('MsgId', $message).
            self::element('CreDtTm', "{$day}T08:00:00Z").
            self::element('NbOfTxs', (string) $count).
            self::element('CtrlSum', $sum->decimal()).
            '<InitgPty>'.
            self::element('Nm', SwiftText::of($name, 140)).
            '</InitgPty></GrpHdr><PmtInf>'.
            self::element('PmtInfId', "{$message}-1").
            self::element('PmtMtd', 'TRF').
            self::element('NbOfTxs', (string) $count).
            self::element('CtrlSum', $sum->decimal()).
            '<ReqdExctnDt>'.
            self::element('Dt', $day).
            '</ReqdExctnDt>'.
            '<Dbtr>'.
            self::element('Nm', SwiftText::of($name, 140)).
            "</Dbtr><DbtrAcct><Id>{$own}</Id></DbtrAcct><DbtrAgt><FinInstnId><Othr><Id>NOTPROVIDED</Id></Othr></FinInstnId>".
            "</DbtrAgt>\n{$transfers}</PmtInf></CstmrCdtTrfInitn></Document>\n";
    }

    /**
     * What the bank says of each transfer.
     *
     * @return array<string, array{bool, string}> whether it is accepted, and why not, by end-to-end reference
     *
     * @throws Refusal when the text is no such answer
     */
    public static function answered(string $xml): array
    {
        $answer = XmlMessage::load($xml, 'answer');
        $found = $answer->all('//*[local-name()="TxInfAndSts"]');
        if ($found === []) {
            throw new Refusal('This is no answer to a payment order; pain.002 of ISO 20022 is expected.');
        }
        $answers = [];
        foreach ($found as $transaction) {
            $answers[$answer->text($transaction, 'OrgnlEndToEndId')] = [
                $answer->text($transaction, 'TxSts') !== 'RJCT',
                $answer->text($transaction, 'StsRsnInf/AddtlInf') ?: $answer->text($transaction, 'StsRsnInf/Rsn/Cd'),
            ];
        }

        return $answers;
    }

    private static function element(string $name, string $text): string
    {
        return "<{$name}>".htmlspecialchars($text, ENT_XML1 | ENT_QUOTES)."</{$name}>";
    }
}
