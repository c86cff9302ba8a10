<?php

declare(strict_types=1);

namespace Tests\Core\Settlement;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Calendar\Terms;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\StandingItem;
use Ajuste\Core\Proposal\Candidate;
use Ajuste\Core\Proposal\Proposal;
use Ajuste\Core\Proposal\Searched;
use Ajuste\Core\Proposal\Settles;
use Ajuste\Core\Proposal\Way;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\LeftOut;
use Ajuste\Core\Settlement\AccountShare;
use Ajuste\Core\Settlement\AlikeReceipt;
use Ajuste\Core\Settlement\CreditedLine;
use Ajuste\Core\Settlement\DeductionReason;
use Ajuste\Core\Settlement\DepositShare;
use Ajuste\Core\Settlement\EarlyPaymentDiscount;
use Ajuste\Core\Settlement\EventVouchers;
use Ajuste\Core\Settlement\InvoiceLine;
use Ajuste\Core\Settlement\LinesLeft;
use Ajuste\Core\Settlement\OtherMoney;
use Ajuste\Core\Settlement\Payee;
use Ajuste\Core\Settlement\Payer;
use Ajuste\Core\Settlement\PaymentWay;
use Ajuste\Core\Settlement\PostedReceipt;
use Ajuste\Core\Settlement\Quantity;
use Ajuste\Core\Settlement\ReceivedMoney;
use Ajuste\Core\Settlement\Refund;
use Ajuste\Core\Settlement\RefundPlan;
use Ajuste\Core\Settlement\StandingPosting;
use Ajuste\Core\Settlement\TaxedLine;
use Ajuste\Core\Settlement\TaxRelief;
use Ajuste\Core\Subledger\BalanceHistory;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sample;

/** The small rules that settlements are made of, each at its edges. */
final class SmallRulesTest extends TestCase
{
    public function test_what_is_not_said_of_a_reason_is_no(): void
    {
        $reason = new DeductionReason('S', 'Shortage', null);
        self::assertSame([false, false, ''], [$reason->taxRelief, $reason->namesInvoice, $reason->rate]);
        $left = new LeftOut(new Customer(1, 'C1', 'One'), 1, 'D1', Money::ofMinor(1, 'EUR'), Money::ofMinor(1, 'EUR'), 'why');
        self::assertSame([false, false], [$left->mayBeTaken, $left->leftByHand]);
    }

    private static function refused(string $words, callable $does): void
    {
        try {
            $does();
        } catch (Refusal $refusal) {
            self::assertStringContainsString($words, $refusal->getMessage());

            return;
        }
        self::fail("It was not refused: {$words}");
    }

    public function test_lines_are_filled_in_their_order(): void
    {
        $lines = ['1' => 100, '2' => 50, 'a' => 30];
        self::assertSame($lines, LinesLeft::of($lines, []));
        self::assertSame(['1' => 0, '2' => 50, 'a' => 30], LinesLeft::of($lines, [[['1'], 100]]));
        self::assertSame(['1' => 0, '2' => 40, 'a' => 30], LinesLeft::of($lines, [[['1', '2'], 110]]));
        self::assertSame(['1' => 60, '2' => 50, 'a' => 30], LinesLeft::of($lines, [[['1'], 30], [['1'], 10]]));
        self::assertSame(['1' => 0, '2' => 50, 'a' => 30], LinesLeft::of($lines, [[['1'], 170]]), 'never below nothing');
        self::assertSame($lines, LinesLeft::of($lines, [[['9'], 20]]), 'a line that is gone');
        self::assertSame(['1' => 80, '2' => 50, 'a' => 30], LinesLeft::of($lines, [[['9', '1'], 20]]));
    }

    /** Half away from zero: 0.50 at 5 % is 0.525, of which 0.53 is gross. */
    public function test_tax_rounds_half_away_from_zero(): void
    {
        self::assertSame(
            [53, -53, 0],
            [(new TaxedLine(50, '5'))->gross(), (new TaxedLine(-50, '5'))->gross(), (new TaxedLine(0, '21'))->gross()],
        );
        self::assertSame(
            [21_000, -21_000, 0],
            [TaxRelief::atRate(121_000, '21'), TaxRelief::atRate(-121_000, '21'), TaxRelief::atRate(121_000, '0')],
        );
        self::assertSame([1, 1, 0], [TaxRelief::atRate(3, '20'), TaxRelief::atRate(4, '20'), TaxRelief::atRate(2, '20')]);
        self::assertSame(100, TaxRelief::atRate(200, '100'));
        self::refused('not a tax rate', static fn () => TaxRelief::atRate(100, '100.1'));
        self::refused('not a tax rate', static fn () => TaxRelief::atRate(100, '-5'));
    }

    public function test_the_tax_within_follows_the_invoices_mix(): void
    {
        $mix = [new TaxedLine(1_000, '21'), new TaxedLine(1_000, '10'), new TaxedLine(1_000, '21')];
        // 35.20 in all: 12.10 + 11.00 + 12.10
        self::assertSame((2_100 * 2) / 10 + 100, TaxRelief::within(3_520, $mix));
        self::assertSame(0, TaxRelief::within(3_520, []));
        self::assertSame(0, TaxRelief::within(3_520, [new TaxedLine(0, '21')]));
        self::assertSame(
            210,
            TaxRelief::within(1_210, [new TaxedLine(1_000, '21'), new TaxedLine(-500, '10')]),
            'a line below zero has none',
        );
        self::assertSame([210, -210 + 2_420], [TaxRelief::inDocument(1_210, 1_000), TaxRelief::inDocument(1_210, -1_000) + 2_000]);
    }

    public function test_quantities_at_their_price(): void
    {
        $eur = Currency::of('EUR');
        self::assertSame(13, (new Quantity('1', '0.25'))->returned('0.5', $eur)->minor, 'half a cent goes up');
        self::assertSame(
            [-13, 13],
            [(new Quantity('0.5', '0'))->repriced('0.25', $eur)->minor, (new Quantity('0,5', '0.25'))->repriced('0', $eur)->minor],
        );
        self::refused('without a minus', static fn () => (new Quantity('1', '1'))->returned('-1', $eur));
        self::refused('is not a quantity', static fn () => (new Quantity('1', '1'))->returned('some', $eur));
    }

    public function test_what_is_left_of_a_line_has_its_tax_and_is_never_below_nothing(): void
    {
        $line = static fn (int $rest): int => (new InvoiceLine(
            'I1',
            '1',
            'Oil',
            new Account(9, '4000', 'Sales'),
            '21',
            1_000,
            $rest,
            new Quantity('1', '10'),
        ))->restGross();
        self::assertSame([1_210, 1, 0, 0], [$line(1_000), $line(1), $line(0), $line(-5)]);
    }

    public function test_a_line_of_its_own_on_a_credit_note(): void
    {
        $account = new Account(9, '4000', 'Sales');
        $line = CreditedLine::free('', $account, '', 100, 'CC1');
        self::assertSame(['Credit', '0', 100, 100, 'CC1'], [$line->description, $line->rate, $line->net, $line->gross(), $line->dimension]);
        self::assertSame(121, CreditedLine::free('x', $account, '21', 100, '')->gross());
        self::refused('not a tax rate', static fn () => CreditedLine::free('x', $account, 'many', 100, ''));
        self::refused('above zero', static fn () => CreditedLine::free('x', $account, '', 0, ''));
        $control = new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl);
        self::refused('carries customers', static fn () => CreditedLine::free('x', $control, '', 100, ''));
        self::refused('not above what is left', static fn () => new CreditedLine('I1', '1', 'x', $account, '0', 11, 10));
        self::assertSame(10, (new CreditedLine('I1', '1', 'x', $account, '0', 10, 10))->net);
    }

    public function test_a_payee_whose_number_is_new(): void
    {
        $of = static fn (string $changed, string $today = '2026-10-31'): Payee => Payee::of(
            PaymentWay::Transfer,
            'Uno',
            'DE89 3704 0044 0532 0130 00',
            $changed,
            $today,
        );
        self::assertSame(['DE89370400440532013000', ''], [$of('')->iban, $of('')->newSince]);
        self::assertSame('2026-10-01T09:00:00Z', $of('2026-10-01T09:00:00Z')->newSince, 'thirty days');
        self::assertSame('', $of('2026-09-30T09:00:00Z')->newSince);
        self::assertSame('', Payee::of(PaymentWay::Cheque, 'Uno', 'DE89', '2026-10-30', '2026-10-31')->iban);
        self::refused('no account number', static fn () => Payee::of(PaymentWay::Transfer, 'Uno', '', '', ''));
        self::refused('does not hold', static fn () => Payee::of(PaymentWay::Transfer, 'Uno', 'DE88370400440532013000', '', ''));
    }

    public function test_two_receipts_of_one_amount_may_be_the_same_money(): void
    {
        $mayBe = AlikeReceipt::mayBe(...);
        self::assertTrue($mayBe('000123', '2026-10-01', ' 123', '2026-10-09'));
        self::assertFalse($mayBe('123', '2026-10-01', '124', '2026-10-01'));
        self::assertTrue($mayBe('123', '2026-10-01', '', '2026-10-01'));
        self::assertFalse($mayBe('', '2026-10-01', '', '2026-10-02'));
    }

    /** R4, at the edges of whole and part. */
    public function test_early_payment_discounts_at_their_edges(): void
    {
        $two = EarlyPaymentDiscount::of(Terms::parse('2/10 net 30'), '2026-10-01');
        self::assertNotNull($two);
        self::assertSame([1, 2, 2_420], [$two->whole(25), $two->whole(75), $two->whole(121_000)], 'half a cent goes up');
        self::assertSame([75, 73], [$two->settledBy(73, 75), $two->settledBy(72, 75)], 'the whole though 73 ÷ 0.98 is 74');
        self::assertSame([100, 100, 99], [$two->settledBy(98, 100), $two->settledBy(99, 100), $two->settledBy(97, 100)]);
        self::assertSame(
            [2_420, 0, 0, 420],
            [
                $two->onTheRest(121_000, 121_000, 0),
                $two->onTheRest(121_001, 121_000, 0),
                $two->onTheRest(500, 121_000, 0),
                $two->onTheRest(2_420, 121_000, 116_580),
            ],
        );
        self::assertSame([1, 0], [$two->onTheRest(1, 121_000, 118_580), $two->onTheRest(0, 121_000, 118_580)]);
        self::assertSame(
            [1_020, 2_420, 0, 0],
            [$two->onPart(51_020, 121_000, 0), $two->onPart(121_000, 121_000, 0), $two->onPart(0, 121_000, 0), $two->onPart(1, 121_000, 0)],
        );
        self::assertSame(['37.24', '44.59'], [$two->yearlyCostSimple(), $two->yearlyCostCompound()]);
        $same = EarlyPaymentDiscount::of(Terms::parse('2/30 net 30'), '2026-10-01');
        self::assertSame('744.90', $same?->yearlyCostSimple(), 'no day is gained: counted as one');
        $oneDay = EarlyPaymentDiscount::of(Terms::parse('2/29 net 30'), '2026-10-01');
        self::assertSame('744.90', $oneDay?->yearlyCostSimple());
    }

    private static function other(): OtherMoney
    {
        return new OtherMoney(
            new ChartOfAccounts([
                new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl),
                new Account(2, '1500', 'Bank', AccountRole::Bank),
                new Account(3, '1520', 'Transit', AccountRole::ReceiptsInTransit),
                new Account(4, '7600', 'Interest'),
                new Account(5, '7700', 'Rebates'),
            ]),
            new LockedDays('2026-09-30'),
        );
    }

    private static function money(int $minor = 100, string $day = '2026-10-10'): ReceivedMoney
    {
        $eur = Money::ofMinor($minor, 'EUR');
        $bank = new Account(2, '1500', 'Bank', AccountRole::Bank);

        return new ReceivedMoney(9, $bank, $day, $day, $eur, Money::zero('EUR'), new Payer('x', '', 'y'));
    }

    /** @return list<string> */
    private static function lines(PostingPlan $plan): array
    {
        return array_merge(
            ...array_map(
                static fn ($voucher): array => array_map(
                    static fn (VoucherLine $line): string => "{$line->account->number} {$line->base->minor}",
                    $voucher->lines,
                ),
                $plan->vouchers(),
            ),
        );
    }

    public function test_money_straight_to_accounts_makes_the_line(): void
    {
        $to = static fn (int $id, ?int $minor): AccountShare => new AccountShare(
            new Account($id, $id === 4 ? '7600' : '7700', 'x'),
            $minor === null ? null : Money::ofMinor($minor, 'EUR'),
        );
        $post = static fn (AccountShare ...$shares): PostingPlan => self::other()->onAccounts(
            self::money(),
            'REF',
            array_values($shares),
            'memo',
        );
        self::assertSame(['1500 100', '7600 -100'], self::lines($post($to(4, null))));
        self::assertSame(['1500 100', '7600 -60', '7700 -40'], self::lines($post($to(4, 60), $to(5, null))));
        self::refused('40', static fn () => $post($to(4, 60)));
        self::refused('still to be placed', static fn () => $post());
        self::assertSame(['1500 100', '7600 -123', '7700 23'], self::lines($post($to(4, 123), $to(5, -23))), 'interest less tax withheld');
        self::refused('an amount is expected', static fn () => $post($to(4, 0), $to(5, 100)));
        self::refused('an amount is expected', static fn () => $post($to(4, 100), $to(5, null)));
        self::refused('−23.00 is left', static fn () => $post($to(4, 2400), $to(5, null)));
        self::refused('still to be placed', static fn () => $post($to(4, 101)));
        self::refused('carries customers', static fn () => $post(new AccountShare(self::control(), null)));
        self::refused('locked', static fn () => self::other()->onAccounts(self::money(100, '2026-09-30'), 'REF', [$to(4, null)], 'memo'));
    }

    private static function control(): Account
    {
        return new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl);
    }

    public function test_a_line_confirms_a_posting_of_its_amount(): void
    {
        $posting = static fn (Account $account, int $minor = 100): StandingPosting => new StandingPosting(
            7,
            $account,
            Money::ofMinor($minor, 'EUR'),
            Money::ofMinor($minor, 'EUR'),
            'E1',
            'R1',
            'C1',
        );
        $confirm = static fn (StandingPosting $of): PostingPlan => self::other()->confirm(
            self::money(),
            Money::ofMinor(100, 'EUR'),
            'REF',
            $of,
        );
        $bank = new Account(2, '1500', 'Bank', AccountRole::Bank);
        self::assertSame([], $confirm($posting($bank))->vouchers(), 'it is on the bank account already');
        $transit = new Account(3, '1520', 'Transit', AccountRole::ReceiptsInTransit);
        self::assertEqualsCanonicalizing(['1500 100', '1520 -100'], self::lines($confirm($posting($transit))));
        $payments = new Account(3, '1530', 'Transit', AccountRole::PaymentsInTransit);
        self::assertCount(1, $confirm($posting($payments))->vouchers());
        self::refused('neither this bank account nor in transit', static fn () => $confirm($posting(new Account(4, '7600', 'Interest'))));
        self::refused('another amount', static fn () => $confirm($posting($bank, 101)));
    }

    public function test_only_a_credit_is_paid_back(): void
    {
        $payee = Payee::of(PaymentWay::Cheque, 'Uno', '', '', '2026-10-31');
        $refund = new Refund(Sample::customer(), self::control(), 'RF1', PaymentWay::Cheque, $payee, '2026-10-31', 'overpaid');
        $rule = new RefundPlan(Sample::accounts(), new LockedDays(null));
        $sum = Money::ofMinor(100, 'EUR');
        $difference = Sample::item(3, Kind::ExchangeDifference, '0.00', base: '1.00', side: Side::Credit);
        foreach ([Sample::item(2, Kind::Invoice, '1.00'), $difference] as $none) {
            self::refused('is no credit of the customer', static fn () => $rule->of($refund, $none, new DepositShare($none, 0), $sum));
        }
    }

    public function test_a_discount_of_the_least_unit_is_one(): void
    {
        $proposal = static fn (int $discount): Proposal => new Proposal(
            Way::Exact,
            [new Settles(new Candidate(1, 'F1', Side::Debit, '2026-10-01', '2026-10-31', 100, 1), 100, $discount)],
            true,
            Searched::All,
            0,
            0,
        );
        self::assertSame([true, false], [$proposal(1)->takesDiscount(), $proposal(0)->takesDiscount()]);
        self::assertSame(0, Terms::parse('net 30')->discountDays);
    }

    public function test_what_the_bank_took_over_says_which_way_it_went(): void
    {
        $text = static fn (int $minor): string => (new EventVouchers(Sample::accounts()))->cleared(
            new VoucherHead('2026-10-31', 'SLIP-44'),
            new Account(8, '1520', 'In transit'),
            new Account(9, '1500', 'Bank'),
            Money::ofMinor($minor, 'EUR'),
            'SLIP-44',
        )->text;
        self::assertSame(['Credited by the bank: SLIP-44', 'Paid by the bank: SLIP-44'], [$text(100), $text(-100)]);
    }

    public function test_ways_of_payment_and_their_accounts(): void
    {
        self::assertSame(
            [AccountRole::Till, AccountRole::PaymentsInTransit],
            [PaymentWay::Cash->paidFrom(), PaymentWay::Transfer->paidFrom()],
        );
    }

    public function test_the_span_of_a_balance_takes_in_nothing(): void
    {
        $history = static fn (int $before): BalanceHistory => new BalanceHistory('2026-10-01', '2026-10-31', $before, []);
        self::assertSame([0, 500], [$history(500)->lowest(), $history(500)->highest()]);
        self::assertSame([-500, 0], [$history(-500)->lowest(), $history(-500)->highest()]);
    }

    /** What the bank credited: the item and its tax, less what the bank took. */
    public function test_what_was_credited_by_a_receipt(): void
    {
        $eur = static fn (int $minor): Money => Money::ofMinor($minor, 'EUR');
        $item = new StandingItem(Sample::item(1, Kind::Receipt, '50.00'));
        self::assertSame(5_700, (new PostedReceipt($item, self::control(), $eur(1_000), '20', $eur(300), [], []))->credited()->minor);
    }
}
