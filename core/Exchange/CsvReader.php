<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

use Ajuste\Core\Refusal;

/** Reads separated text line by line: UTF-8 (a byte order mark is tolerated), UTF-16 or Windows-1252; comma, semicolon, tab or bar. */
final class CsvReader
{
    /** A line longer than this is not a row of a table: a thousand columns of as many signs as a text may have. */
    private const LONGEST_LINE = 400_000;

    /** So much is read for a line. Room for two million and more would be asked of the system for each row, which takes longer. */
    private const READ = 2 * self::LONGEST_LINE;

    /** A table with more is none that anybody keeps. */
    public const MOST_COLUMNS = 1_000;

    /**
     * @param resource $stream readable and seekable, at its start
     * @return iterable<int, list<string>> cells by the number of the row as a spreadsheet counts, 1 the first; empty rows are left out
     *
     * @throws Refusal when the stream is not text, or no table
     */
    public static function rows($stream): iterable
    {
        $head = (string) fread($stream, 65_536);
        rewind($stream);
        if (str_starts_with($head, "\xEF\xBB\xBF")) {
            fseek($stream, 3);
        } elseif (str_starts_with($head, "\xFF\xFE") || str_starts_with($head, "\xFE\xFF")) {
            self::refuseCut($stream, $head[0] === "\xFE");
            stream_filter_append($stream, 'convert.iconv.UTF-16/UTF-8', STREAM_FILTER_READ);
            $head = (string) mb_convert_encoding(substr($head, 0, 65_534), 'UTF-8', 'UTF-16');
        } elseif (str_contains($head, "\0")) {
            throw new Refusal('This is not a text file: it holds zero bytes. CSV in UTF-8 is expected.');
        }
        $separator = self::separator($head);
        $number = 0;
        while (($cells = fgetcsv($stream, self::READ, $separator, '"', '')) !== false) {
            $number++;
            if ($cells === [null]) {
                continue;
            }
            /** @var list<string> $cells only of an empty line one is null */
            $line = implode('', $cells);
            self::refuseEndless($number, count($cells), $line);
            if ($line !== '') {
                yield $number => preg_match('//u', $line) === 1 ? $cells : array_map(self::utf8(...), $cells);
            }
        }
    }

    /** @throws Refusal when a row has more columns or is longer than any table's */
    private static function refuseEndless(int $number, int $columns, string $line): void
    {
        if ($columns > self::MOST_COLUMNS) {
            $most = self::MOST_COLUMNS;
            throw new Refusal("Row {$number} has {$columns} columns; a table of at most {$most} columns is expected.");
        }
        if (strlen($line) > self::LONGEST_LINE) {
            throw new Refusal(
                "Row {$number} is longer than a row of a table can be, as if a quote that begins in it did not end. Close the quote, or "
                    .'take it out.',
            );
        }
    }

    /** A cell by itself, since one file may hold cells of both. */
    private static function utf8(string $cell): string
    {
        return preg_match('//u', $cell) === 1 ? $cell : (string) mb_convert_encoding($cell, 'UTF-8', 'Windows-1252');
    }

    /**
     * @param resource $stream of UTF-16
     * @param bool $bigEndian whether the high byte of a unit comes first
     *
     * @throws Refusal when it ends within a sign
     */
    private static function refuseCut($stream, bool $bigEndian): void
    {
        fseek($stream, -2, SEEK_END);
        $last = (string) fread($stream, 2);
        $isOdd = ftell($stream) % 2 !== 0;
        rewind($stream);
        if ($isOdd || (ord($last[$bigEndian ? 0 : 1]) & 0xFC) === 0xD8) {
            throw new Refusal('This file is cut: it ends within a sign of UTF-16. Fetch it again, whole.');
        }
    }

    private static function separator(string $head): string
    {
        $lines = array_slice((array) preg_split('/\r\n|\n|\r/', $head), 0, 12);
        $best = ',';
        $most = 0;
        foreach ([',', ';', "\t", '|'] as $separator) {
            $score = 0;
            foreach ($lines as $line) {
                $score = max($score, substr_count((string) preg_replace('/"[^"]*"/', '', (string) $line), $separator));
            }
            // The headings decide where a later line has more of another separator, as amounts with commas do.
            $score += 3 * substr_count((string) preg_replace('/"[^"]*"/', '', (string) ($lines[0] ?? '')), $separator);
            if ($score > $most) {
                $most = $score;
                $best = $separator;
            }
        }

        return $best;
    }
}
