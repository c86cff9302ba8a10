<?php

declare(strict_types=1);

namespace Tests\Core\Exchange\Bank;

use Ajuste\Core\Exchange\Bank\OrderAnswer;
use Ajuste\Core\Exchange\Bank\Payment;
use Ajuste\Core\Exchange\Bank\PaymentOrder;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use PHPUnit\Framework\TestCase;
use SimpleXMLElement;

/** Names and lengths as the message definition of ISO 20022, pain.001.001.09, has them (Max35Text, Max140Text); from memory of it. */
final class PaymentOrderTest extends TestCase
{
    private static function order(string $account, Payment ...$payments): SimpleXMLElement
    {
        $xml = PaymentOrder::written('AJU-1', '2026-10-31', str_repeat('N', 150), $account, array_values($payments));

        self::assertDoesNotMatchRegularExpression('/[<>]=/', $xml);

        return new SimpleXMLElement(str_replace(' xmlns="urn:iso:std:iso:20022:tech:xsd:pain.001.001.09"', '', $xml));
    }

    public function test_an_order_and_what_its_fields_hold(): void
    {
        $order = self::order(
            'ES79 2100 0813 6101 2345 6789',
            new Payment(str_repeat('E', 40), Money::parse('1250.40', 'EUR'), str_repeat('P', 150), 'ES7921000813610123456789', 'a & b <c>'),
            new Payment('E2', Money::parse('0.60', 'EUR'), 'Obrador', 'NL91 ABNA 0417 1643 00', str_repeat('T', 150)),
        )->CstmrCdtTrfInitn;
        self::assertSame(['2', '1251.00'], [(string) $order->GrpHdr->NbOfTxs, (string) $order->GrpHdr->CtrlSum]);
        self::assertSame(['2', '1251.00'], [(string) $order->PmtInf->NbOfTxs, (string) $order->PmtInf->CtrlSum]);
        self::assertSame([140, 140], [strlen((string) $order->GrpHdr->InitgPty->Nm), strlen((string) $order->PmtInf->Dbtr->Nm)]);
        self::assertSame('ES7921000813610123456789', (string) $order->PmtInf->DbtrAcct->Id->IBAN);
        self::assertSame('2026-10-31', (string) $order->PmtInf->ReqdExctnDt->Dt);
        [$first, $second] = [$order->PmtInf->CdtTrfTxInf[0], $order->PmtInf->CdtTrfTxInf[1]];
        self::assertSame([35, 140], [strlen((string) $first->PmtId->EndToEndId), strlen((string) $first->Cdtr->Nm)]);
        self::assertSame(['EUR', '1250.40'], [(string) $first->Amt->InstdAmt['Ccy'], (string) $first->Amt->InstdAmt]);
        self::assertSame(140, strlen((string) $second->RmtInf->Ustrd));
        self::assertSame('NL91ABNA0417164300', (string) $second->CdtrAcct->Id->IBAN);
    }

    public function test_an_account_without_an_iban_is_named_otherwise(): void
    {
        $order = self::order('MILL-1', new Payment('E1', Money::parse('1.00', 'EUR'), 'P', 'NL91ABNA0417164300', 'T'));
        self::assertSame('MILL-1', (string) $order->CstmrCdtTrfInitn->PmtInf->DbtrAcct->Id->Othr->Id);
        self::assertCount(0, $order->CstmrCdtTrfInitn->PmtInf->DbtrAcct->Id->IBAN);
    }

    public function test_the_answer_says_of_each_transfer_whether_and_why_not(): void
    {
        $one = static fn (string $name, string $status, string $why): string => "<TxInfAndSts><OrgnlEndToEndId>{$name}</OrgnlEndToEndId>".
            "<TxSts>{$status}</TxSts>{$why}</TxInfAndSts>";
        $answer = static fn (string $body): string => '<Document xmlns="urn:iso:std:iso:20022:tech:xsd:pain.002.001.10"><CstmrPmtStsRpt>'.
            "<OrgnlPmtInfAndSts>{$body}</OrgnlPmtInfAndSts></CstmrPmtStsRpt></Document>";
        self::assertSame(
            ['E1' => [true, ''], 'E2' => [false, 'account closed'], 'E3' => [false, 'AC04']],
            OrderAnswer::read($answer(
                $one('E1', 'ACSC', '').
                $one('E2', 'RJCT', '<StsRsnInf><Rsn><Cd>AC04</Cd></Rsn><AddtlInf>account closed</AddtlInf></StsRsnInf>').
                $one('E3', 'RJCT', '<StsRsnInf><Rsn><Cd>AC04</Cd></Rsn></StsRsnInf>'),
            )),
        );
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('no answer to an order');
        OrderAnswer::read($answer(''));
    }
}
