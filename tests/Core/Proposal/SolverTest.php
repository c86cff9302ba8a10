<?php

declare(strict_types=1);

namespace Tests\Core\Proposal;

use Ajuste\Core\Proposal\Candidate;
use Ajuste\Core\Proposal\CombinationSearch;
use Ajuste\Core\Proposal\Searched;
use Ajuste\Core\Proposal\Settles;
use Ajuste\Core\Subledger\Side;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** The combination search against HiGHS, an integer-programming solver of the npm registry, on random cases. */
#[Group('slow')]
final class SolverTest extends TestCase
{
    public function test_the_fewest_items_agree_with_an_integer_programming_solver(): void
    {
        mt_srand(300);
        $cases = $ours = [];
        // A sample at every save; all of them where the run may be long.
        $tries = getenv('LONG') === false ? 32 : 320;
        for ($try = 0; $try < $tries; $try++) {
            $items = [];
            $count = mt_rand(3, $try % 4 === 0 ? 18 : 12);
            for ($n = 0; $n < $count; $n++) {
                $open = mt_rand(500, 60_000);
                $items[] = new Candidate(
                    $n,
                    "D{$n}",
                    mt_rand(0, 6) === 0 ? Side::Credit : Side::Debit,
                    '2026-01-01',
                    sprintf('2026-10-%02d', mt_rand(1, 28)),
                    $open,
                    0,
                );
            }
            $items = array_map(
                static fn (Candidate $item): Candidate => $item->side === Side::Debit && mt_rand(0, 4) === 0
                    ? new Candidate(
                        $item->id,
                        $item->document,
                        $item->side,
                        $item->date,
                        $item->dueDate,
                        $item->open,
                        intdiv($item->open, 50),
                    )
                    : $item,
                $items,
            );
            $target = mt_rand(1, 100_000);
            if ($try % 3 !== 0) {
                $some = array_rand($items, min($count, mt_rand(2, 6)));
                $target = max(
                    1,
                    array_sum(
                        array_map(
                            static fn (int $place): int => mt_rand(0, 1) === 0 ? $items[$place]->gross() : $items[$place]->net(),
                            (array) $some,
                        ),
                    ),
                );
            }
            $cases[] = [
                'target' => $target,
                'items' => array_map(
                    static fn (Candidate $item): array => $item->discount > 0 ? [$item->gross(), $item->net()] : [$item->gross()],
                    $items,
                ),
            ];
            $ours[] = CombinationSearch::find($items, $target, 400_000);
        }
        $solver = new Process(['node', dirname(__DIR__, 2).'/solver.mjs'], dirname(__DIR__, 3), timeout: 300);
        $solver->setInput(json_encode($cases, JSON_THROW_ON_ERROR))->mustRun();
        /** @var list<int|string|null> $answers */
        $answers = json_decode($solver->getOutput(), true, flags: JSON_THROW_ON_ERROR);
        $compared = $solved = 0;
        foreach ($answers as $try => $answer) {
            $sum = array_sum(array_map(static fn (Settles $of): int => $of->cash(), $ours[$try]->settles));
            self::assertSame($ours[$try]->settles === [] ? 0 : $cases[$try]['target'], $sum);
            if ($answer === 'inexact' || ($ours[$try]->searched === Searched::Limit && $ours[$try]->settles === [])) {
                continue; // the solver's floating point, or our limit, honestly said
            }
            self::assertSame($answer, $ours[$try]->settles === [] ? null : count($ours[$try]->settles), "case {$try}");
            $compared++;
            $solved += $answer === null ? 0 : 1;
        }
        self::assertGreaterThanOrEqual(0.9 * $tries, $compared);
        self::assertGreaterThan(0.45 * $tries, $solved);
    }
}
