<?php

declare(strict_types=1);

namespace Tests\Core\Exchange\Bank;

use Ajuste\Core\DirectDebit\Debit;
use Ajuste\Core\DirectDebit\Mandate;
use Ajuste\Core\DirectDebit\MandateUse;
use Ajuste\Core\DirectDebit\Scheme;
use Ajuste\Core\Exchange\Bank\CollectionOrder;
use Ajuste\Core\Exchange\Bank\Creditor;
use Ajuste\Core\Money\Money;
use PHPUnit\Framework\TestCase;
use SimpleXMLElement;

/** Names and lengths as the message definition of ISO 20022, pain.008.001.08, has them; from memory of it. */
final class CollectionOrderTest extends TestCase
{
    private static function debit(string $name, Scheme $scheme, string $sequence, string $amount): Debit
    {
        $account = 'DE89 3704 0044 0532 0130 00';
        $mandate = new Mandate('M-1', str_repeat('H', 75), $account, '2026-01-15', $scheme, MandateUse::Recurrent);

        return new Debit($name, $mandate, $sequence, Money::parse($amount, 'EUR'), str_repeat('T', 150));
    }

    public function test_debits_of_one_scheme_and_sequence_are_credited_as_one_sum(): void
    {
        $debits = [
            self::debit('D1', Scheme::Core, 'RCUR', '10.00'),
            self::debit('D2', Scheme::Core, 'FRST', '2.50'),
            self::debit('D3', Scheme::Business, 'RCUR', '0.25'),
            self::debit(str_repeat('D', 40), Scheme::Core, 'RCUR', '0.01'),
        ];
        $creditor = new Creditor(str_repeat('N', 75), 'ES79 2100 0813 6101 2345 6789', 'DE98ZZZ09999999999');
        $xml = CollectionOrder::written('AJU-7', '2026-10-31', '2026-11-05', $creditor, $debits);
        $plain = str_replace(' xmlns="urn:iso:std:iso:20022:tech:xsd:pain.008.001.08"', '', $xml);
        $order = (new SimpleXMLElement($plain))->CstmrDrctDbtInitn;
        self::assertSame(
            ['AJU-7', '4', '12.76', 70],
            [
                (string) $order->GrpHdr->MsgId,
                (string) $order->GrpHdr->NbOfTxs,
                (string) $order->GrpHdr->CtrlSum,
                strlen((string) $order->GrpHdr->InitgPty->Nm),
            ],
        );
        $said = [];
        foreach ($order->PmtInf as $group) {
            $said[] = implode(' ', [
                $group->PmtInfId, $group->NbOfTxs, $group->CtrlSum, $group->PmtTpInf->LclInstrm->Cd, $group->PmtTpInf->SeqTp,
                $group->ReqdColltnDt, $group->CdtrAcct->Id->IBAN, $group->CdtrSchmeId->Id->PrvtId->Othr->Id,
            ]);
        }
        $rest = '2026-11-05 ES7921000813610123456789 DE98ZZZ09999999999';
        self::assertSame(
            ["AJU-7-A 1 0.25 B2B RCUR {$rest}", "AJU-7-B 1 2.50 CORE FRST {$rest}", "AJU-7-C 2 10.01 CORE RCUR {$rest}"],
            $said,
        );
        self::assertSame([1, 2, 3], array_keys(CollectionOrder::groups($debits)));
        $last = $order->PmtInf[2]->DrctDbtTxInf[1];
        self::assertSame(
            [35, 70, 140, 'EUR', '0.01', '2026-01-15', 'DE89370400440532013000'],
            [
                strlen((string) $last->PmtId->EndToEndId), strlen((string) $last->Dbtr->Nm), strlen((string) $last->RmtInf->Ustrd),
                (string) $last->InstdAmt['Ccy'], (string) $last->InstdAmt, (string) $last->DrctDbtTx->MndtRltdInf->DtOfSgntr,
                (string) $last->DbtrAcct->Id->IBAN,
            ],
        );
    }
}
