<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Subledger\Side;

/**
 * Finds the posting that a statement line confirms, so that money is never posted twice: same account and amount, days within the
 * window. Sure if the line names the posting, or if both are of one payer, or the posting of none, and nothing else on either side fits
 * (common practice of bank reconciliation). Else it is offered and left to the person.
 */
final class BankConfirmation
{
    /**
     * @param list<StatementMovement> $lines of one money account
     * @param list<PostedMovement> $postings on the same account
     * @param int $window days between the two, at most
     * @return array<int, Confirmation> by line
     */
    public static function find(array $lines, array $postings, int $window): array
    {
        /** @var array<int, list<PostedMovement>> $byAmount */
        $byAmount = [];
        foreach ($postings as $posting) {
            $byAmount[$posting->amount][] = $posting;
        }
        /** @var array<int, list<StatementMovement>> $rivals by amount */
        $rivals = [];
        /** @var array<int, list<PostedMovement>> $fit by line */
        $fit = [];
        foreach ($lines as $line) {
            $rivals[$line->amount][] = $line;
            $fit[$line->id] = array_values(
                array_filter(
                    $byAmount[$line->amount] ?? [],
                    static fn (PostedMovement $posting): bool => abs(Day::between($posting->day, $line->day)) <= $window &&
                        self::mayBe($line, $posting),
                ),
            );
        }
        $found = $taken = [];
        foreach ([self::names(...), self::sameDay(...), self::anyDay(...)] as $test) {
            foreach ($lines as $line) {
                if (! isset($found[$line->id])) {
                    $posting = self::only($line, $rivals[$line->amount], $fit, $taken, $found, $test);
                    if ($posting !== null) {
                        $why = self::names($line, $posting)
                            ? 'named by the statement'
                            : ($posting->customer !== ''
                                ? 'same payer and amount'
                                : 'same amount, nothing else fits');
                        $found[$line->id] = new Confirmation(
                            $posting->id,
                            $posting->customer === '' || $line->customer === $posting->customer || self::names($line, $posting),
                            $why,
                        );
                        $taken[$posting->id] = true;
                    }
                }
            }
        }

        return $found + self::possible(array_diff_key($fit, $found), $taken);
    }

    /**
     * What could be it, for a person to say.
     *
     * @param array<int, list<PostedMovement>> $fit by line
     * @param array<int, true> $taken
     * @return array<int, Confirmation> by line
     */
    private static function possible(array $fit, array $taken): array
    {
        $possible = [];
        foreach ($fit as $line => $postings) {
            $left = array_values(array_filter($postings, static fn (PostedMovement $posting): bool => ! isset($taken[$posting->id])));
            if ($left !== []) {
                $why = count($left) === 1 ? 'same amount' : 'same amount, '.count($left).' of them';
                $possible[$line] = new Confirmation($left[0]->id, false, $why);
            }
        }

        return $possible;
    }

    /**
     * The one posting that passes the test for this line and for no other line.
     *
     * @param list<StatementMovement> $rivals lines of the same amount, this one among them
     * @param array<int, list<PostedMovement>> $fit
     * @param array<int, true> $taken
     * @param array<int, Confirmation> $found
     * @param callable(StatementMovement, PostedMovement): bool $test
     */
    private static function only(
        StatementMovement $line,
        array $rivals,
        array $fit,
        array $taken,
        array $found,
        callable $test,
    ): ?PostedMovement {
        $passes = static fn (StatementMovement $one): array => array_values(
            array_filter($fit[$one->id], static fn (PostedMovement $of): bool => ! isset($taken[$of->id]) && $test($one, $of)),
        );
        $mine = $passes($line);
        if (count($mine) !== 1) {
            return null;
        }
        foreach ($rivals as $other) {
            if ($other->id !== $line->id && ! isset($found[$other->id]) && in_array($mine[0], $passes($other), true)) {
                return null;
            }
        }

        return $mine[0];
    }

    /** Two payers that are both known and differ exclude each other. */
    private static function mayBe(StatementMovement $line, PostedMovement $posting): bool
    {
        return $line->customer === '' || $posting->customer === '' || $line->customer === $posting->customer;
    }

    private static function names(StatementMovement $line, PostedMovement $posting): bool
    {
        $names = array_values(array_filter($posting->names, static fn (string $name): bool => strlen($name) >= 4));
        $candidates = array_map(
            static fn (string $name, int $place): Candidate => new Candidate($place, $name, Side::Debit, $posting->day, $posting->day, 1),
            $names,
            array_keys($names),
        );

        return $candidates !== [] && $line->text !== '' && ReferenceReader::quoted($line->text, $candidates) !== [];
    }

    private static function sameDay(StatementMovement $line, PostedMovement $posting): bool
    {
        return $line->day === $posting->day;
    }

    private static function anyDay(StatementMovement $line, PostedMovement $posting): bool
    {
        return true;
    }
}
