<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Refusal;

/** Puts the pages of statements together, in whatever order and files they come. */
final class StatementPages
{
    /** @var array<string, list<StatementPage>> that wait for others, by statement */
    private array $waiting = [];

    /**
     * @param list<BankStatement|StatementPage> $read what a file holds
     * @return list<BankStatement> what is whole with it, oldest first
     *
     * @throws Refusal when pages together do not add up
     */
    public function add(array $read): array
    {
        $whole = [];
        foreach ($read as $of) {
            if ($of instanceof BankStatement) {
                $whole[] = $of;

                continue;
            }
            $this->waiting[$of->name()][] = $of;
            $pages = $this->waiting[$of->name()];
            usort($pages, static fn (StatementPage $one, StatementPage $other): int => $one->page <=> $other->page);
            if (self::areWhole($pages)) {
                $whole[] = self::together($pages);
                unset($this->waiting[$of->name()]);
            }
        }
        usort(
            $whole,
            static fn (BankStatement $one, BankStatement $other): int => [$one->firstDay(), $one->lastDay()] <=> [
                $other->firstDay(),
                $other->lastDay(),
            ],
        );

        return $whole;
    }

    /**
     * Pages that are still without the others: each that has a balance at either end is a statement by itself.
     *
     * @return list<BankStatement>
     *
     * @throws Refusal when one has not
     */
    public function rest(): array
    {
        $rest = [];
        foreach (array_merge(...array_values($this->waiting)) as $page) {
            foreach ([['opening', $page->opening], ['closing', $page->closing]] as [$which, $balance]) {
                if ($balance === null) {
                    throw new Refusal(
                        "Statement {$page->number} of {$page->account} has no {$which} booked balance; both are expected. Where it has ".
                            'several pages, hand in all of them together.',
                    );
                }
            }
            $rest[] = self::together([$page]);
        }
        $this->waiting = [];

        return $rest;
    }

    /** @param  non-empty-list<StatementPage>  $pages in order */
    private static function areWhole(array $pages): bool
    {
        foreach ($pages as $place => $page) {
            if ($page->page !== $pages[0]->page + $place) {
                return false;
            }
        }

        return $pages[0]->isFirst() && $pages[count($pages) - 1]->isLast();
    }

    /** @param  non-empty-list<StatementPage>  $pages in order */
    private static function together(array $pages): BankStatement
    {
        $first = $pages[0];

        return new BankStatement(
            $first->account,
            $first->currency,
            count($pages) === 1 && ! ($first->isFirst() && $first->isLast()) ? "{$first->number}/{$first->page}" : $first->number,
            array_merge(...array_map(static fn (StatementPage $page): array => $page->entries, $pages)),
            $first->opening,
            $pages[count($pages) - 1]->closing,
        );
    }
}
