<?php

declare(strict_types=1);

namespace Tests\Core\Run;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PlannedMatch;
use Ajuste\Core\Posting\StandingMatch;
use Ajuste\Core\Posting\StandingSettlement;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Proposal\Way;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\ChosenMatches;
use Ajuste\Core\Run\MatchRun;
use Ajuste\Core\Run\ProposedMatch;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunReversal;
use Ajuste\Core\Run\StandingRun;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sample;

/** Many matches posted as one run, and a run taken back as one (R10, R13). */
final class RunsTest extends TestCase
{
    private static function match(OpenItem $credit, OpenItem ...$settles): ProposedMatch
    {
        return new ProposedMatch(Sample::customer(), $credit, array_values($settles), Way::Exact, true);
    }

    private static function rule(): MatchRun
    {
        return new MatchRun(Sample::accounts(), new LockedDays(null), Currency::of('EUR'));
    }

    private static function control(): Account
    {
        return Sample::accounts()->numbered('1100');
    }

    public function test_each_match_is_a_settlement_of_its_own(): void
    {
        $plan = self::rule()->plan(self::control(), '2026-10-31', [
            self::match(Sample::item(1, Kind::Receipt, '50.00', '2026-10-02'), Sample::item(2, Kind::Invoice, '50.00', '2026-10-05')),
            self::match(
                Sample::item(3, Kind::CreditNote, '30.00'),
                Sample::item(4, Kind::Invoice, '20.00'),
                Sample::item(5, Kind::Invoice, '40.00'),
            ),
        ]);
        self::assertCount(2, $plan->settlements);
        self::assertSame(
            ['2/1 50.00 2026-10-05', '4/3 20.00 2026-10-01', '5/3 10.00 2026-10-01'],
            array_map(
                static fn (PlannedMatch $of): string => "{$of->debit->id}/{$of->credit->id} {$of->amount->decimal()} {$of->date}",
                $plan->matches,
            ),
        );
    }

    public function test_nothing_chosen_and_what_is_not_open_any_more_are_refused(): void
    {
        $refusal = static function (array $matches): string {
            try {
                self::rule()->plan(self::control(), '2026-10-31', $matches);
            } catch (Refusal $refusal) {
                return $refusal->getMessage();
            }

            return 'not refused';
        };
        self::assertStringContainsString('Nothing is chosen', $refusal([]));
        $said = $refusal([
            self::match(Sample::item(1, Kind::Receipt, '50.00', open: '0.00'), Sample::item(2, Kind::Invoice, '50.00', open: '0.00')),
        ]);
        self::assertStringContainsString('Nothing is posted. Customer 1', $said);
        self::assertStringContainsString('nothing open any more', $said);
    }

    public function test_whether_the_last_item_keeps_a_part(): void
    {
        $credit = Sample::item(1, Kind::Receipt, '50.00');
        self::assertTrue(self::match($credit, Sample::item(2, Kind::Invoice, '50.01'))->leavesAPart());
        self::assertFalse(self::match($credit, Sample::item(2, Kind::Invoice, '50.00'))->leavesAPart());
        self::assertFalse(self::match($credit, Sample::item(2, Kind::Invoice, '49.99'))->leavesAPart());
    }

    public function test_settlements_go_back_on_the_chosen_day_or_on_their_own(): void
    {
        $settlement = static fn (int $id, string $date): StandingSettlement => new StandingSettlement(
            $id,
            $date,
            [new StandingMatch($id, $date, 1, 2)],
            [],
            [],
        );
        // One that hangs on another comes before it; the last of each chain is the run's own.
        $run = new StandingRun(1, RunKind::MatchUnapplied, [], [
            [$settlement(8, '2026-10-03'), $settlement(7, '2026-10-05')],
            [$settlement(9, '2026-09-10')],
        ]);
        $days = static function (?string $date) use ($run): array {
            $plan = new PlanBuilder();
            (new RunReversal(new LockedDays('2026-09-30')))->add($plan, $run, $date, 'x');

            return array_map(static fn ($of): string => "{$of->matchId} {$of->date}", $plan->build(Subject::run())->undone);
        };
        self::assertSame(['8 2026-10-05', '7 2026-10-05', '9 2026-10-01'], $days(null));
        self::assertSame(['8 2026-10-31', '7 2026-10-31', '9 2026-10-31'], $days('2026-10-31'));
    }

    public function test_what_a_run_would_post_and_what_that_comes_to(): void
    {
        $possible = new ProposedMatch(
            Sample::customer(),
            Sample::item(5, Kind::Receipt, '7.00', currency: 'GBP', base: '8.00'),
            [],
            Way::ByOrder,
            false,
        );
        $proposed = [self::match(Sample::item(1, Kind::Receipt, '50.00')), self::match(Sample::item(3, Kind::Receipt, '5.00')), $possible];
        $said = static fn (array $leave, array $take): string => implode(
            ' + ',
            array_map(
                static fn ($sum): string => "{$sum->currency->code} {$sum->decimal()}",
                ChosenMatches::of($proposed, $leave, $take)->sums(),
            ),
        );
        self::assertSame('EUR 55.00', $said([], []));
        self::assertSame('EUR 5.00 + GBP 7.00', $said([1], [5]));
        self::assertSame('EUR 55.00', $said([5], [1]), 'what is certain is not taken along, what is not is not left out');
        self::assertSame('', $said([1, 3], []));
    }
}
