<?php

declare(strict_types=1);

namespace Tests\Core\Exchange\Foreign;

use Ajuste\Core\Exchange\Foreign\ForeignQuestions;
use Ajuste\Core\Exchange\LineReader;
use Ajuste\Core\Exchange\MappingGuess;
use Ajuste\Core\Exchange\RowFault;
use PHPUnit\Framework\TestCase;

/** Lists as other systems export them: read whole, or asked about, never taken wrong. */
final class ForeignListsTest extends TestCase
{
    private const LISTS = 700;

    public function test_nine_of_ten_are_read_whole_and_none_is_taken_wrong(): void
    {
        $whole = 0;
        $wrong = $open = [];
        for ($seed = 1; $seed <= self::LISTS; $seed++) {
            $list = new ForeignList($seed);
            $read = self::read($list);
            if ($read === null) {
                $open[] = $seed;
            } elseif ($read === $list->says) {
                $whole++;
            } else {
                $wrong[] = $seed;
            }
        }
        self::assertSame([], $wrong, 'none is taken wrong');
        self::assertGreaterThanOrEqual(self::LISTS * 0.9, $whole, 'asked or refused: '.implode(' ', $open));
    }

    /** With a word above one of the columns that nobody knows, what stands below says what it is, or it is asked about. */
    public function test_a_heading_that_is_not_known_makes_no_list_wrong(): void
    {
        $whole = 0;
        $wrong = [];
        for ($seed = 1; $seed <= self::LISTS; $seed += 2) {
            $list = new ForeignList($seed);
            $list->forget($seed);
            $read = self::read($list);
            $whole += $read === $list->says ? 1 : 0;
            $wrong = $read === null || $read === $list->says ? $wrong : [...$wrong, $seed];
        }
        self::assertSame([], $wrong, 'none is taken wrong');
        self::assertGreaterThanOrEqual(self::LISTS / 2 * 0.75, $whole);
    }

    /** One slip among eleven does not change how a file writes its decimals; among ten it leaves it open. */
    public function test_decimals_are_as_a_clear_majority_writes_them(): void
    {
        $isOpen = static function (int $rows): bool {
            $lines = [['Invoice', 'Customer no', 'Invoice date', 'Due', 'Cur', 'Gross']];
            $lines[] = ['I0', 'C1', '13/10/2026', '31/10/2026', 'EUR', '7,50'];
            for ($n = 1; $n <= $rows; $n++) {
                $lines[] = ["I{$n}", 'C1', '13/10/2026', '31/10/2026', 'EUR', "1{$n}.25"];
            }
            $mapping = MappingGuess::of($lines, null);
            self::assertSame('.', $mapping?->decimalMark);

            return ForeignQuestions::of($mapping, $lines) !== [];
        };
        self::assertFalse($isOpen(11));
        self::assertTrue($isOpen(10));
    }

    /** @return ?list<array<string, string>> null where it is asked about or a row is refused */
    private static function read(ForeignList $list): ?array
    {
        $mapping = MappingGuess::of($list->lines, null);
        if ($mapping === null || $mapping->kind->value !== $list->kind || $mapping->missing() !== []) {
            return $mapping !== null && $mapping->kind->value !== $list->kind && $mapping->missing() === [] ? [] : null;
        }
        if (ForeignQuestions::of($mapping, $list->lines) !== []) {
            return null;
        }
        $rows = [];
        $reader = new LineReader($mapping);
        $reader->head($list->lines[$mapping->headerRow - 1]);
        foreach (array_slice($list->lines, $mapping->headerRow) as $cells) {
            if ($reader->skips($cells) !== '') {
                continue;
            }
            try {
                $row = $reader->row($cells);
            } catch (RowFault) {
                return null;
            }
            $rows[] = array_map(static fn (string $text): string => $text, array_intersect_key($row, $list->says[0]));
        }
        foreach ($rows as $place => $row) {
            // In the order in which the list says them.
            $rows[$place] = array_replace(array_intersect_key($list->says[$place] ?? [], $row), $row);
        }

        return $rows;
    }
}
