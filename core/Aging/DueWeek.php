<?php

declare(strict_types=1);

namespace Ajuste\Core\Aging;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Subledger\Side;

/** What falls due within seven days. */
final readonly class DueWeek
{
    /** @param  int  $base minor units of base currency */
    private function __construct(public string $from, public string $to, public int $base) {}

    /**
     * The weeks after a day, the next first; what falls due later is in none.
     *
     * @param iterable<AgedItem> $items open as of the day; credits are left out
     * @return list<self>
     */
    public static function after(string $asOf, int $weeks, iterable $items): array
    {
        $sums = array_fill(0, $weeks, 0);
        foreach ($items as $item) {
            $days = Day::between($asOf, $item->dueDate);
            $week = intdiv($days - 1, 7);
            if ($item->standing === Side::Debit && $days > 0 && $week < $weeks) {
                $sums[$week] += $item->base;
            }
        }
        $of = [];
        foreach ($sums as $week => $base) {
            $of[] = new self(Day::plus($asOf, 7 * $week + 1), Day::plus($asOf, 7 * $week + 7), $base);
        }

        return $of;
    }
}
