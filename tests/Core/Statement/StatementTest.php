<?php

declare(strict_types=1);

namespace Tests\Core\Statement;

use Ajuste\Core\Aging\AgedItem;
use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Aging\Credits;
use Ajuste\Core\Calendar\AgeBuckets;
use Ajuste\Core\Calendar\AgedBasis;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proposal\CreditorReference;
use Ajuste\Core\Statement\Statement;
use Ajuste\Core\Statement\StatementLine;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;
use LogicException;
use PHPUnit\Framework\TestCase;

final class StatementTest extends TestCase
{
    /** @param  list<array{Kind, int, int}>  $lines */
    private static function of(int $forward, array $lines, int $late): Statement
    {
        $gbp = static fn (int $minor): Money => Money::ofMinor($minor, 'GBP');
        $item = new AgedItem('C1', 'Uno', 'GBP', $late, Side::Debit, '2026-09-01', '2026-10-01');
        $aged = AgedList::of('2026-10-31', AgeBuckets::parse('30,60', AgedBasis::DueDate), Credits::Separate, $late === 0 ? [] : [$item]);

        return new Statement(
            new Customer(1, 'C1', 'Uno'), '2026-10-01', '2026-10-31', $gbp($forward),
            array_map(static fn (array $of): StatementLine => new StatementLine(
                '2026-10-05', 'D', $of[0], '2026-11-05', $gbp($of[1]), $gbp($of[2]), $gbp(0),
            ), $lines),
            $aged,
            $gbp(0),
            '',
        );
    }

    public function test_forward_and_documents_make_the_balance_which_the_age_line_has_too(): void
    {
        $of = self::of(5_000, [[Kind::Invoice, 3_000, 3_000], [Kind::Receipt, -1_000, 0]], 7_000);
        self::assertSame(['70.00', false], [$of->balance->decimal(), $of->isBlank()]);
        self::assertSame(['GBP', true], [$of->currency->code, CreditorReference::isValid($of->reference)]);
        self::assertSame(['not_due', '1-30', '31-60', 'over_60', 'unapplied'], $of->buckets());
        self::assertSame([0, 7_000, 0, 0, 0], array_map(static fn (Money $amount): int => $amount->minor, $of->amounts()));
        self::assertTrue(self::of(0, [], 0)->isBlank());
        self::assertFalse(self::of(0, [[Kind::Invoice, 3_000, 0], [Kind::Receipt, -3_000, 0]], 0)->isBlank());
        $this->expectException(LogicException::class);
        self::of(5_000, [], 4_999);
    }
}
