<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Refusal;

/** The periods of books whose periods are not months: they follow one another without a gap. */
final class CalendarImporter extends Importer
{
    public function take(array $row, int $number): Outcome
    {
        try {
            $period = Period::between($row['period'], $row['from'], $row['to']);
        } catch (Refusal) {
            throw Period::isName($row['period'])
                ? new RowFault('to', $row['to'], "a day on or after {$row['from']} is expected")
                : new RowFault('period', $row['period'], 'year and number are expected, such as 2026-10');
        }
        $found = $this->books->rows('SELECT first, last FROM calendar_periods WHERE name = ?', [$period->name]);
        if ($found === [[$period->first, $period->last]]) {
            return Outcome::Same;
        }
        $over = $this->books->calendar()->over($period);
        if ($over !== null) {
            throw new RowFault('from', $row['from'], "a day outside of {$over->name} ({$over->first} to {$over->last}) is expected");
        }
        $this->books->open('to', $period->last);
        $this->books->settingsChanged();
        if ($found === []) {
            $this->books->write('INSERT INTO calendar_periods (name, first, last) VALUES (?, ?, ?)', [
                $period->name,
                $period->first,
                $period->last,
            ]);

            return Outcome::New;
        }
        $this->books->write('UPDATE calendar_periods SET first = ?, last = ? WHERE name = ?', [
            $period->first,
            $period->last,
            $period->name,
        ]);

        return $this->changed($period->name);
    }
}
