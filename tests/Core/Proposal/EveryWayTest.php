<?php

declare(strict_types=1);

namespace Tests\Core\Proposal;

use Ajuste\Core\Proposal\Candidate;
use Ajuste\Core\Proposal\FillOrder;
use Ajuste\Core\Proposal\Proposal;
use Ajuste\Core\Proposal\ProposalPolicy;
use Ajuste\Core\Proposal\Proposer;
use Ajuste\Core\Proposal\Searched;
use Ajuste\Core\Proposal\Settles;
use Ajuste\Core\Proposal\Way;
use Ajuste\Core\Subledger\Side;
use PHPUnit\Framework\TestCase;

/** Every way of R6 on random items, beside the plainest reading of the rule: all sets tried, the first way that fits taken. */
final class EveryWayTest extends TestCase
{
    private const DAY = '2026-10-15';

    public function test_the_first_way_that_fits_is_the_proposal(): void
    {
        mt_srand(11);
        $seen = [];
        for ($try = 0; $try < 1_500; $try++) {
            $items = self::items();
            [$amount, $text] = self::receipt($items);
            $proposal = (new Proposer(new ProposalPolicy()))->propose($amount, self::DAY, $text, $items);
            $expected = self::plainly($amount, $text, $items);
            self::assertSame($expected, self::told($proposal), "try {$try}: {$amount} “{$text}”");
            $key = "{$expected[0]} ".($expected[2] ? 'only' : 'of several');
            $seen[$key] = ($seen[$key] ?? 0) + 1;
            $others = (new Proposer(new ProposalPolicy()))->alternatives($amount, self::DAY, $text, $items, $proposal);
            self::assertDifferent([$proposal, ...$others]);
        }
        foreach (['quoted', 'exact', 'exact_net', 'within_tolerance', 'combination'] as $way) {
            self::assertGreaterThan(5, $seen["{$way} only"] ?? 0, $way);
        }
        foreach (['exact', 'within_tolerance', 'combination', 'quoted'] as $way) {
            self::assertGreaterThan(0, $seen["{$way} of several"] ?? 0, $way);
        }
        foreach (['quoted_short', 'all_due', 'whole_balance', 'by_order', 'none'] as $way) {
            self::assertGreaterThan(5, $seen["{$way} only"] ?? 0, $way);
        }
    }

    /** @return list<Candidate> */
    private static function items(): array
    {
        $items = [];
        foreach (range(1, mt_rand(0, 3) === 0 ? mt_rand(1, 2) : mt_rand(2, 6)) as $id) {
            $open = mt_rand(0, 30) === 0 ? 0 : mt_rand(1, 30) * 50;
            $credit = mt_rand(0, 5) === 0;
            $items[] = new Candidate(
                $id,
                (string) (20_000 + $id * 7),
                $credit ? Side::Credit : Side::Debit,
                ['2026-09-01', self::DAY, '2026-10-16'][mt_rand(0, 9) < 8 ? 0 : mt_rand(1, 2)],
                sprintf('2026-10-%02d', mt_rand(12, 17)),
                $open,
                $credit || mt_rand(0, 1) === 0 ? 0 : min($open, mt_rand(1, 9)),
            );
        }

        return $items;
    }

    /**
     * @param list<Candidate> $items
     * @return array{int, string} amount and text
     */
    private static function receipt(array $items): array
    {
        $open = array_values(array_filter($items, static fn (Candidate $item): bool => $item->open > 0));
        shuffle($open);
        $some = array_slice($open, 0, mt_rand(1, 3));
        $amount = 0;
        foreach ($some as $item) {
            $amount += mt_rand(0, 2) === 0 ? $item->net() : $item->gross();
        }
        $amount += [0, 0, 0, mt_rand(-7, 7), mt_rand(-900, 900)][mt_rand(0, 4)];
        if (mt_rand(0, 3) === 0) {
            $due = array_filter($open, static fn (Candidate $item): bool => $item->dueDate <= self::DAY || mt_rand(0, 1) === 0);
            $amount = array_sum(array_map(static fn (Candidate $item): int => $item->gross(), $due));
        }
        $quoted = array_map(static fn (Candidate $item): string => $item->document, $some);

        return [$amount > 0 ? $amount : mt_rand(1, 2_000), mt_rand(0, 3) === 0 ? 'pays '.implode(', ', $quoted) : ''];
    }

    /**
     * @param list<Candidate> $items
     * @return array{string, list<string>, bool, int, int} way, what it settles, whether the only one, difference, unapplied
     */
    private static function plainly(int $amount, string $text, array $items): array
    {
        $items = array_values(array_filter($items, static fn (Candidate $item): bool => $item->open > 0 && $item->date <= self::DAY));
        usort($items, static fn (Candidate $a, Candidate $b): int => [$a->dueDate, $a->document] <=> [$b->dueDate, $b->document]);
        if ($items === []) {
            return ['none', [], true, 0, $amount];
        }
        $quoted = array_values(
            array_filter($items, static fn (Candidate $item): bool => in_array($item->document, preg_split('/\D+/', $text) ?: [], true)),
        );
        if ($quoted !== []) {
            return self::quoted($amount, $quoted);
        }
        $due = array_values(array_filter($items, static fn (Candidate $item): bool => $item->dueDate <= self::DAY));
        foreach ([0, 1] as $tolerance) {
            foreach (self::simple($items, $due) as [$way, $sets]) {
                $fit = array_values(
                    array_filter($sets, static function (array $set) use ($amount, $tolerance): bool {
                        $off = abs($amount - self::cash($set));

                        return $tolerance === 0 ? $off === 0 : $off <= 100 && $off * 200 <= $amount;
                    }),
                );
                if ($fit !== []) {
                    $off = $amount - self::cash($fit[0]);

                    return [$tolerance === 0 ? $way : 'within_tolerance', self::said($fit[0]), count($fit) === 1, $off, max(0, $off)];
                }
            }
        }
        $sets = array_values(array_filter(self::sets($items), static fn (array $set): bool => self::cash($set) === $amount));
        usort($sets, static fn (array $one, array $other): int => self::rank($one) <=> self::rank($other));
        if ($sets !== []) {
            return ['combination', self::said($sets[0]), count($sets) === 1, 0, 0];
        }
        $taken = [];
        $left = $amount;
        foreach ($items as $item) {
            if ($item->side === Side::Debit && $left > 0) {
                $taken[] = "{$item->document} ".min($left, $item->open);
                $left -= min($left, $item->open);
            }
        }

        return [$taken === [] ? 'none' : 'by_order', $taken, true, 0, $left];
    }

    /**
     * @param non-empty-list<Candidate> $quoted
     * @return array{string, list<string>, bool, int, int}
     */
    private static function quoted(int $amount, array $quoted): array
    {
        $all = array_values(
            array_filter(
                self::sets($quoted),
                static fn (array $set): bool => count($set) === count($quoted) && self::cash($set) === $amount,
            ),
        );
        $nets = static fn (array $set): array => [array_sum(array_column($set, 1)), array_map(static fn (array $of): int => -$of[1], $set)];
        usort($all, static fn (array $one, array $other): int => $nets($one) <=> $nets($other));
        if ($all !== []) {
            return ['quoted', self::said($all[0]), count($all) === 1, 0, 0];
        }
        $credits = array_sum(array_map(static fn (Candidate $of): int => $of->side === Side::Credit ? $of->open : 0, $quoted));
        $left = $amount + $credits;
        $said = [];
        foreach ($quoted as $item) {
            $takes = $item->side === Side::Credit ? $item->open : min($left, $item->open);
            $left -= $item->side === Side::Credit ? 0 : $takes;
            $said[] = "{$item->document} {$takes}";
        }
        $difference = $amount - array_sum(array_map(static fn (Candidate $of): int => $of->gross(), $quoted));

        return ['quoted_short', $said, true, $difference, max(0, $difference)];
    }

    /**
     * @param list<Candidate> $items
     * @param list<Candidate> $due
     * @return list<array{string, list<list<array{Candidate, int}>>}>
     */
    private static function simple(array $items, array $due): array
    {
        $one = static fn (bool $net): array => array_map(
            static fn (Candidate $item): array => [[$item, $net ? 1 : 0]],
            array_values(array_filter($items, static fn (Candidate $of): bool => $net ? $of->discount > 0 : $of->side === Side::Debit)),
        );
        $whole = static fn (array $of): array => $of === [] ? [] : [array_map(static fn (Candidate $item): array => [$item, 0], $of)];

        return [['exact', $one(false)], ['exact_net', $one(true)], ['all_due', $whole($due)], ['whole_balance', $whole($items)]];
    }

    /**
     * @param list<Candidate> $items
     * @return list<non-empty-list<array{Candidate, int}>> every set, each item gross (0) or net (1)
     */
    private static function sets(array $items): array
    {
        $sets = [[]];
        foreach ($items as $item) {
            foreach ($sets as $set) {
                $sets[] = [...$set, [$item, 0]];
                $item->discount > 0 && ($sets[] = [...$set, [$item, 1]]);
            }
        }

        return array_values(array_filter($sets, static fn (array $set): bool => $set !== []));
    }

    /** @param  list<array{Candidate, int}>  $set */
    private static function cash(array $set): int
    {
        return array_sum(array_map(static fn (array $of): int => $of[1] === 1 ? $of[0]->net() : $of[0]->gross(), $set));
    }

    /**
     * @param list<array{Candidate, int}> $set
     * @return list<mixed>
     */
    private static function rank(array $set): array
    {
        return [
            count($set),
            array_map(static fn (array $of): string => $of[0]->dueDate, $set),
            array_map(static fn (array $of): string => $of[0]->document, $set),
            array_column($set, 1),
        ];
    }

    /**
     * @param list<array{Candidate, int}> $set
     * @return list<string>
     */
    private static function said(array $set): array
    {
        return array_map(
            static fn (array $of): string => "{$of[0]->document} {$of[0]->open}".($of[1] === 1 ? " less {$of[0]->discount}" : ''),
            $set,
        );
    }

    /** @return array{string, list<string>, bool, int, int} */
    private static function told(Proposal $proposal): array
    {
        $settles = array_map(
            static fn (Settles $of): string => "{$of->item->document} {$of->amount}".($of->discount > 0 ? " less {$of->discount}" : ''),
            $proposal->settles,
        );

        return [$proposal->how->value, $settles, $proposal->only, $proposal->difference, $proposal->unapplied];
    }

    /** @param  list<Proposal>  $proposals */
    private static function assertDifferent(array $proposals): void
    {
        $keys = array_map(static function (Proposal $of): string {
            $settles = self::told($of)[1];
            sort($settles);

            return implode(', ', $settles);
        }, $proposals);
        self::assertSame($keys, array_values(array_unique($keys)));
        self::assertNotContains('', array_slice($keys, 1));
    }

    public function test_what_a_proposal_says_of_itself(): void
    {
        $item = new Candidate(1, 'A', Side::Debit, '2026-09-01', '2026-10-01', 300, 6);
        $settles = [[], [Settles::inFull($item)], [Settles::inFull($item), Settles::lessDiscount($item)]];
        $says = static function (Way $how, int $which, bool $only, int $difference, int $unapplied) use ($settles): string {
            $proposal = new Proposal($how, $settles[$which], $only, Searched::All, $difference, $unapplied);

            return implode(
                ' ',
                array_keys(
                    array_filter([
                        'sure' => $proposal->isSure(),
                        'whole' => $proposal->usesUpTheWhole(),
                        'discount' => $proposal->takesDiscount(),
                    ]),
                ),
            );
        };
        self::assertSame('sure whole', $says(Way::Quoted, 1, true, 0, 0));
        self::assertSame('sure whole', $says(Way::Exact, 1, true, 0, 0));
        self::assertSame('sure discount', $says(Way::ExactNet, 2, true, 0, 0));
        self::assertSame('whole', $says(Way::Exact, 1, false, 0, 0));
        self::assertSame('whole', $says(Way::Combination, 1, true, 0, 0));
        self::assertSame('', $says(Way::QuotedShort, 1, true, -1, 0));
        self::assertSame('', $says(Way::QuotedShort, 1, true, 1, 1));
        self::assertSame('', $says(Way::ByOrder, 1, true, 0, 1));
        self::assertSame('', $says(Way::None, 0, true, 0, 0));
    }

    public function test_pro_rata_of_all_that_is_open_takes_all(): void
    {
        $items = [
            new Candidate(1, 'A', Side::Debit, '2026-09-01', '2026-10-01', 300),
            new Candidate(2, 'B', Side::Debit, '2026-09-01', '2026-10-02', 200),
        ];
        $inOrder = static fn (int $amount): array => self::told(
            (new Proposer(new ProposalPolicy()))->inOrder(FillOrder::ProRata, $amount, self::DAY, $items),
        );
        self::assertSame(['by_order', ['A 300', 'B 200'], true, 0, 0], $inOrder(500));
        self::assertSame(['by_order', ['A 299', 'B 200'], true, 0, 0], $inOrder(499));
        self::assertSame(['by_order', ['A 1'], true, 0, 0], $inOrder(1));
        self::assertSame(['by_order', ['A 300', 'B 200'], true, 0, 7], $inOrder(507));
    }
}
