<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Exchange\Bank\Iban;
use Ajuste\Core\Exchange\Bank\OrderAnswer;
use Ajuste\Core\Exchange\Bank\Payment;
use Ajuste\Core\Exchange\Bank\PaymentOrder;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use App\StandIn\Bank;

/**
 * Payment orders and their answers beside independent packages of the npm registry: ibantools, and iso20022.js, which reads what is made
 * here and the other way round.
 */
final class PaymentsTest extends BooksTestCase
{
    /** ISO 13616 numbers of the standard's own examples; any one digit changed is refused. */
    public function test_account_numbers_agree_with_an_independent_package(): void
    {
        $texts = ['GB29 NWBK 6016 1331 9268 19', 'DE89 3704 0044 0532 0130 00'];
        foreach ($texts as $valid) {
            foreach (str_split($valid) as $place => $character) {
                if (ctype_digit($character)) {
                    $texts[] = substr_replace($valid, (string) ((((int) $character) + 1) % 10), $place, 1);
                }
            }
        }
        /** @var list<bool> $theirs */
        $theirs = json_decode(
            self::node('ibans', json_encode(array_map(Iban::plain(...), $texts), JSON_THROW_ON_ERROR)),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        self::assertSame($theirs, array_map(Iban::isValid(...), $texts));
        self::assertSame(2, count(array_filter($theirs)));
        self::assertFalse(Iban::isValid('GB29'));
        self::assertFalse(Iban::isValid(''));
    }

    public function test_an_order_of_another_is_answered_and_the_answer_is_read_by_another(): void
    {
        $answer = app(Bank::class)->answer(self::node('order'));
        $file = "{$this->folder}/answer.xml";
        file_put_contents($file, $answer);
        /** @var list<array{originalEndToEndId: string, status: string}> $read */
        $read = json_decode(self::node('status', file: $file), true, flags: JSON_THROW_ON_ERROR);
        self::assertSame(['ACSP', 'RJCT'], array_column($read, 'status'));
        self::assertSame([true, false], array_values(array_map(static fn (array $of): bool => $of[0], OrderAnswer::read($answer))));
        self::assertSame(array_column($read, 'originalEndToEndId'), array_keys(OrderAnswer::read($answer)));
    }

    public function test_an_order_says_how_many_and_how_much_and_hostile_text_stays_text(): void
    {
        $payment = static fn (string $name, int $minor): Payment => new Payment(
            $name,
            Money::ofMinor($minor, 'EUR'),
            'A & B <x>',
            'DE89370400440532013000',
            '"quoted" '.str_repeat('y', 300),
        );
        $xml = PaymentOrder::written('AJ-1', '2026-11-25', "Growers' Mill", 'MILL-1', [
            $payment('RF-00001', 20_000),
            $payment('RF-00002', 105),
        ]);
        $document = simplexml_load_string($xml);
        self::assertNotFalse($document);
        self::assertSame(
            ['2', '201.05'],
            [(string) $document->CstmrCdtTrfInitn->GrpHdr->NbOfTxs, (string) $document->CstmrCdtTrfInitn->GrpHdr->CtrlSum],
        );
        self::assertSame('A B x', (string) $document->CstmrCdtTrfInitn->PmtInf->CdtTrfTxInf[0]->Cdtr->Nm);
        self::assertSame(140, mb_strlen((string) $document->CstmrCdtTrfInitn->PmtInf->CdtTrfTxInf[1]->RmtInf->Ustrd));
        foreach (['', 'x', '<a/>', '<!DOCTYPE a [<!ENTITY b "c">]><a>&b;</a>'] as $odd) {
            try {
                OrderAnswer::read($odd);
                self::fail("“{$odd}” was taken.");
            } catch (Refusal $refusal) {
                self::assertNotSame('', $refusal->getMessage());
            }
        }
    }
}
