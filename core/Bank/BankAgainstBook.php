<?php

declare(strict_types=1);

namespace Ajuste\Core\Bank;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Exchange\Bank\BankBalance;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proposal\Candidate;
use Ajuste\Core\Proposal\ReferenceReader;
use Ajuste\Core\Subledger\Side;

/**
 * What stands between a bank account's balance and the ledger's (R16): book + own vouchers + to place + undecided outflows −
 * unconfirmed + difference = closing. A posting is a movement where it is known to be, where both name a document or reference and the
 * amount agrees, however many days apart, or by amount within the window; never two.
 */
final readonly class BankAgainstBook
{
    /** @var list<BookedMovement> money that came in and that the book does not have */
    public array $toPlace;

    /** @var list<BookedMovement> money that went out and that the book does not have */
    public array $outflows;

    /** @var list<Unconfirmed> */
    public array $unconfirmed;

    public Money $difference;

    /** Days at the end of the statement within which a posting may be on its way. */
    private const TRANSIT = 7;

    /**
     * @param BankBalance $closing of the last statement
     * @param string $since the first day of which statements hold the movements; what was posted before is in the first opening balance
     * @param Money $book the ledger's balance at the closing day as imported
     * @param Money $own of own vouchers not taken over yet
     * @param list<BookedMovement> $movements from that day to the closing day
     * @param list<BookPosting> $postings likewise, and some days before
     * @param int $window days between a posting and its movement, at most, where nothing names it
     * @param list<int> $elsewhere amounts, minor units, of movements that other bank accounts have and no posting is
     */
    public function __construct(
        public BankBalance $closing,
        private string $since,
        public Money $book,
        public Money $own,
        array $movements,
        array $postings,
        private int $window,
        private array $elsewhere = [],
    ) {
        [$movements, $postings, $met] = $this->pair($movements, $postings);
        $this->toPlace = array_values(array_filter($movements, static fn (BookedMovement $of): bool => $of->amount->isPositive()));
        $this->outflows = array_values(array_filter($movements, static fn (BookedMovement $of): bool => ! $of->amount->isPositive()));
        $late = array_filter($postings, fn (BookPosting $of): bool => $of->day >= $this->since);
        $this->unconfirmed = array_values(
            array_map(fn (BookPosting $of): Unconfirmed => new Unconfirmed($of, $this->likely($of, $met)), $late),
        );
        $explained = $book->plus($own)->plus($this->sumToPlace())->plus($this->sumOfOutflows())->minus($this->sumUnconfirmed());
        $this->difference = $closing->amount->minus($explained);
    }

    public function sumToPlace(): Money
    {
        return $this->sum($this->toPlace);
    }

    public function sumOfOutflows(): Money
    {
        return $this->sum($this->outflows);
    }

    public function sumUnconfirmed(): Money
    {
        return $this->sum(array_map(static fn (Unconfirmed $of): BookPosting => $of->posting, $this->unconfirmed));
    }

    /** Whether nothing is left between the two. */
    public function ties(): bool
    {
        return $this->toPlace === [] && $this->outflows === [] && $this->unconfirmed === [] && $this->difference->isZero();
    }

    /**
     * @param list<BookedMovement> $movements
     * @param list<BookPosting> $postings
     * @return array{list<BookedMovement>, array<int, BookPosting>, list<BookPosting>} left on either side, and postings that met
     */
    private function pair(array $movements, array $postings): array
    {
        $free = array_column(array_map(static fn (BookPosting $of): array => [$of->id, $of], $postings), 1, 0);
        $met = $left = [];
        foreach ($movements as $movement) {
            $known = array_intersect_key($free, array_flip($movement->postings));
            array_push($met, ...array_values($known));
            $free = array_diff_key($free, $known);
            $known === [] && ($left[] = $movement);
        }
        $byAmount = [];
        foreach ($free as $posting) {
            $byAmount[$posting->amount->minor][$posting->id] = $posting;
        }
        foreach ([$this->names(...), $this->isNear(...)] as $test) {
            $still = [];
            foreach ($left as $movement) {
                $same = $byAmount[$movement->amount->minor] ?? [];
                $posting = self::nearest($movement, array_filter($same, static fn (BookPosting $of): bool => $test($movement, $of)));
                if ($posting === null) {
                    $still[] = $movement;
                } else {
                    $met[] = $posting;
                    unset($free[$posting->id], $byAmount[$posting->amount->minor][$posting->id]);
                }
            }
            $left = $still;
        }

        return [$left, $free, $met];
    }

    /** @param  array<int, BookPosting>  $postings */
    private static function nearest(BookedMovement $movement, array $postings): ?BookPosting
    {
        $away = static fn (BookPosting $of): int => abs(Day::between($of->day, $movement->day));
        usort($postings, static fn (BookPosting $one, BookPosting $other): int => [$away($one), $one->id] <=> [$away($other), $other->id]);

        return $postings[0] ?? null;
    }

    private function names(BookedMovement $movement, BookPosting $posting): bool
    {
        $names = array_values(array_filter($posting->names, static fn (string $name): bool => strlen($name) >= 4));
        $candidates = array_map(
            static fn (string $name, int $place): Candidate => new Candidate($place, $name, Side::Debit, '', '', 1),
            $names,
            array_keys($names),
        );

        return $candidates !== [] && ReferenceReader::quoted($movement->text, $candidates) !== [];
    }

    private function isNear(BookedMovement $movement, BookPosting $posting): bool
    {
        return abs(Day::between($movement->day, $posting->day)) <= $this->window;
    }

    /** @param  list<BookPosting>  $met */
    private function likely(BookPosting $posting, array $met): Likely
    {
        $twin = array_filter(
            $met,
            fn (BookPosting $of): bool => $of->amount->equals($posting->amount) &&
                (array_intersect(array_filter($of->names), $posting->names) !== [] ||
                    abs(Day::between($of->day, $posting->day)) <= $this->window),
        );

        return match (true) {
            $twin !== [] => Likely::Twice,
            in_array($posting->amount->minor, $this->elsewhere, true) => Likely::WrongAccount,
            Day::between($posting->day, $this->closing->day) < self::TRANSIT => Likely::InTransit,
            default => Likely::Unknown,
        };
    }

    /** @param  list<BookedMovement|BookPosting>  $of */
    private function sum(array $of): Money
    {
        return Money::sum(
            array_map(static fn (BookedMovement|BookPosting $one): Money => $one->amount, $of),
            $this->closing->amount->currency,
        );
    }
}
