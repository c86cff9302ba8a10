<?php

declare(strict_types=1);

namespace Tests\Core\DirectDebit;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\DirectDebit\Collectible;
use Ajuste\Core\DirectDebit\Debit;
use Ajuste\Core\DirectDebit\DirectDebits;
use Ajuste\Core\DirectDebit\Mandate;
use Ajuste\Core\DirectDebit\MandateHistory;
use Ajuste\Core\DirectDebit\MandateUse;
use Ajuste\Core\DirectDebit\Scheme;
use Ajuste\Core\Exchange\Bank\Creditor;
use Ajuste\Core\Exchange\Bank\CreditorIdentifier;
use Ajuste\Core\Exchange\Bank\ReturnReason;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\CustomerAccount;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Position;
use Ajuste\Core\Subledger\Side;
use InvalidArgumentException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DirectDebitTest extends TestCase
{
    private static function mandate(MandateUse $use = MandateUse::Recurrent, string $signed = '2023-01-31'): Mandate
    {
        return new Mandate('M-1', 'Olive Shop', 'DE89 3704 0044 0532 0130 00', $signed, Scheme::Core, $use);
    }

    /** @return iterable<string, array{MandateHistory, string, string}> */
    public static function histories(): iterable
    {
        yield 'never used' => [new MandateHistory, '2026-01-31', ''];
        yield 'a day after it lapsed' => [new MandateHistory, '2026-02-01', 'it was not used for 36 months'];
        yield 'used since' => [new MandateHistory('2025-06-30'), '2026-10-31', ''];
        yield 'before it is signed' => [new MandateHistory, '2023-01-30', 'it is signed on 2023-01-31 only'];
        yield 'ended on the day' => [new MandateHistory('2025-06-30', ended: '2026-10-31'), '2026-10-31', 'it ended on 2026-10-31'];
        yield 'ends later' => [new MandateHistory('2025-06-30', ended: '2026-11-01'), '2026-10-31', ''];
        yield 'came back for want of funds' => [new MandateHistory('2025-06-30', ReturnReason::NoFunds), '2026-10-31', ''];
        yield 'came back for want of a mandate' => [
            new MandateHistory('2025-06-30', ReturnReason::NoMandate),
            '2026-10-31',
            'the last debit came back: there is no mandate; a new mandate is needed',
        ];
    }

    #[DataProvider('histories')]
    public function test_a_mandate_says_why_it_cannot_be_used(MandateHistory $history, string $day, string $why): void
    {
        self::assertSame($why, self::mandate()->whyNot($day, $history));
    }

    public function test_a_mandate_for_one_debit_is_used_once_and_the_sequence_follows_its_use(): void
    {
        $once = self::mandate(MandateUse::Once);
        self::assertSame('', $once->whyNot('2024-01-01', new MandateHistory));
        self::assertSame('it was for one debit, of 2024-01-01', $once->whyNot('2024-02-01', new MandateHistory('2024-01-01')));
        self::assertSame(
            ['OOFF', 'FRST', 'RCUR'],
            [MandateUse::Once->sequence(null), MandateUse::Recurrent->sequence(null), MandateUse::Recurrent->sequence('2024-01-01')],
        );
    }

    public function test_a_mandate_is_refused_where_a_bank_would_refuse_it(): void
    {
        self::assertSame('DE89370400440532013000', self::mandate()->iban);
        $odd = [['', 'Shop', 'DE89370400440532013000'], [str_repeat('M', 36), 'Shop', 'DE89370400440532013000'],
            ['Señal', 'Shop', 'DE89370400440532013000'], ['M-1', ' ', 'DE89370400440532013000'],
            ['M-1', 'Shop', 'DE89370400440532013001']];
        foreach ($odd as [$reference, $holder, $iban]) {
            try {
                new Mandate($reference, $holder, $iban, '2026-01-01', Scheme::Business, MandateUse::Once);
                self::fail("“{$reference}”, “{$holder}”, {$iban} was taken.");
            } catch (Refusal $refusal) {
                self::assertNotSame('', $refusal->getMessage());
            }
        }
    }

    private static function item(string $due, int $taken = 0, string $currency = 'EUR', Kind $kind = Kind::Invoice): OpenItem
    {
        $amount = 10_000;
        $money = Money::ofMinor($amount, $currency);
        $head = new ItemHead('I1', $kind, $kind->side() ?? Side::Debit, new CustomerAccount(1, 1), '2026-09-01', $due);

        return OpenItem::of(1, $head, $money, Money::ofMinor($amount, 'EUR'), Position::resting($taken, $taken));
    }

    /** @return iterable<string, array{OpenItem, int, int, int, int, string}> contested, discount; collected, discount taken, why not */
    public static function items(): iterable
    {
        yield 'due on the day' => [self::item('2026-10-31'), 0, 0, 10_000, 0, ''];
        yield 'less the discount that holds' => [self::item('2026-10-31'), 0, 200, 9_800, 200, ''];
        yield 'a part was paid' => [self::item('2026-10-30', taken: 4_000), 0, 0, 6_000, 0, ''];
        yield 'the contested part stays, without discount' => [self::item('2026-10-01'), 2_500, 200, 7_500, 0, ''];
        yield 'wholly contested' => [self::item('2026-10-01'), 10_000, 0, 0, 0, 'contested'];
        yield 'settled' => [self::item('2026-10-01', taken: 10_000), 0, 0, 0, 0, 'nothing is open'];
        yield 'not due yet' => [self::item('2026-11-02'), 0, 200, 0, 0, 'due in 2 days'];
        yield 'another currency' => [self::item('2026-10-01', currency: 'GBP'), 0, 0, 0, 0, 'debits are collected in EUR only'];
        yield 'a credit' => [self::item('2026-10-01', kind: Kind::CreditNote), 0, 0, 0, 0, 'it is a credit'];
    }

    #[DataProvider('items')]
    public function test_what_is_due_is_collected(OpenItem $item, int $contested, int $discount, int $amount, int $taken, string $why): void
    {
        $currency = $item->amount->currency->code;
        $money = static fn (int $minor): Money => Money::ofMinor($minor, $currency);
        $found = Collectible::of($item, $money($contested), $money($discount), '2026-10-31');
        self::assertSame([$amount, $taken, $why], [$found->amount->minor, $found->discount->minor, $found->why]);
        self::assertSame($amount + $taken, $found->settles()->minor);
        self::assertSame($why === '', $found->isTaken());
    }

    public function test_a_debit_is_above_zero_in_euro_and_debits_of_a_kind_go_together(): void
    {
        $debit = static fn (int $minor, string $currency): Debit => new Debit(
            'D-1', self::mandate(), 'RCUR', Money::ofMinor($minor, $currency), 'I1',
        );
        self::assertSame('CORE-RCUR', $debit(1, 'EUR')->group());
        foreach ([[0, 'EUR'], [100, 'GBP']] as [$minor, $currency]) {
            try {
                $debit($minor, $currency);
                self::fail("{$minor} {$currency} was taken.");
            } catch (InvalidArgumentException $exception) {
                self::assertStringContainsString($currency, $exception->getMessage());
            }
        }
    }

    public function test_the_payer_is_told_in_time(): void
    {
        self::assertTrue(DirectDebits::isInTime('2026-10-17', '2026-10-31', DirectDebits::NOTICE_DAYS));
        self::assertFalse(DirectDebits::isInTime('2026-10-18', '2026-10-31', DirectDebits::NOTICE_DAYS));
        self::assertTrue(DirectDebits::isInTime('2026-10-30', '2026-10-31', 1));
    }

    /** The identifier that a central bank prints as its example (from memory); any one figure changed is refused. */
    public function test_a_creditor_identifier_holds_or_is_refused(): void
    {
        self::assertTrue(CreditorIdentifier::isValid('DE98 ZZZ0 9999 9999 99'));
        self::assertTrue(CreditorIdentifier::isValid('DE98ABC09999999999'), 'the business code is the creditor\'s own');
        self::assertFalse(CreditorIdentifier::isValid('DE97ZZZ09999999999'));
        self::assertFalse(CreditorIdentifier::isValid('DE98ZZZ09999999998'));
        self::assertFalse(CreditorIdentifier::isValid('DE98ZZZ'));
        self::assertSame('DE98ZZZ09999999999', (new Creditor('Mill', 'X', 'de98 zzz0 9999 9999 99'))->identifier);
        foreach (['', 'DE97ZZZ09999999999'] as $odd) {
            try {
                new Creditor('Mill', 'X', $odd);
                self::fail("“{$odd}” was taken.");
            } catch (Refusal $refusal) {
                self::assertStringContainsString('creditor_identifier', $refusal->getMessage());
            }
        }
    }

    public function test_months_end_with_their_last_day(): void
    {
        self::assertSame('2026-02-28', Day::plusMonths('2026-01-31', 1));
        self::assertSame('2028-02-29', Day::plusMonths('2026-01-30', 25));
        self::assertSame('2025-12-15', Day::plusMonths('2026-01-15', -1));
    }

    public function test_a_return_says_why(): void
    {
        self::assertSame('not enough funds (AM04)', ReturnReason::said('AM04'));
        self::assertSame('XX99', ReturnReason::said('XX99'));
        self::assertSame(
            ['AC01', 'AC04', 'AC06', 'AC13', 'AG01', 'MD01', 'MD02', 'MD07'],
            array_values(array_map(
                static fn (ReturnReason $reason): string => $reason->value,
                array_filter(ReturnReason::cases(), static fn (ReturnReason $reason): bool => $reason->endsMandate()),
            )),
        );
    }
}
