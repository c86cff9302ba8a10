<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\Foreign\ForeignQuestions;
use Ajuste\Core\Exchange\Habit;
use Ajuste\Core\Exchange\Mapping;
use Ajuste\Core\Exchange\MappingGuess;
use Ajuste\Core\Refusal;
use App\Files\SourceFile;
use App\Files\Table;
use Illuminate\Support\Facades\DB;

/** How a file is read. */
final class FileMapping
{
    /** Lines from which it is guessed how a file is written. */
    private const LOOKED_AT = 2_000;

    /**
     * How a file is read: as a person decided for files of its shape, else as its own lines suggest.
     *
     * @throws Refusal when nothing suggests it, or its dates can be read in two ways
     */
    public static function of(SourceFile $file): Mapping
    {
        $head = Table::head($file, self::LOOKED_AT);
        if ($head === []) {
            throw new Refusal("“{$file->name}” is empty. A row of headings and rows below it are expected.");
        }
        foreach (array_slice($head, 0, 15) as $line => $cells) {
            $stored = DB::table('mappings')->where('shape', MappingGuess::shape($cells))->value('mapping');
            if (is_string($stored)) {
                /**
                 * @var array{
                 *     kind: string, header_row: int, columns: array<string, int>, dates: string, decimal_mark: string,
                 *     fixed: array<string, string>, words?: array<string, string>
                 * } $remembered
                 */
                $remembered = json_decode($stored, true, flags: JSON_THROW_ON_ERROR);

                return Mapping::fromArray([...$remembered, 'header_row' => $line + 1]);
            }
        }
        $guess =
            MappingGuess::of($head, $file->kind) ??
            throw new Refusal(
                "“{$file->name}” has no headings that are known here. Say on the Intake page what its columns are; found are: ".
                    mb_substr(implode(', ', $head[0]), 0, 200).
                    '.',
            );
        self::refuseOpen($file, $guess, $head);

        return $guess;
    }

    /**
     * @param list<list<string>> $head
     *
     * @throws UnclearDates when a person has to say how it is written
     */
    private static function refuseOpen(SourceFile $file, Mapping $guess, array $head): void
    {
        $open = $guess->habit === Habit::Foreign ? ForeignQuestions::of($guess, $head) : [];
        if ($open !== []) {
            $says = implode(' ', $open);
            throw new UnclearDates(
                "“{$file->name}” leaves something open. {$says} Say which on the Intake page; it is remembered.",
                $guess,
            );
        }
        if (
            $guess->habit === Habit::House &&
            ! $guess->isHouseFormat() &&
            count(
                array_filter(
                    MappingGuess::datesThatFit($guess, array_slice($head, $guess->headerRow)),
                    static fn ($order): bool => $order->value !== 'ymd',
                ),
            ) > 1
        ) {
            throw new UnclearDates(
                "The dates of “{$file->name}” can be read as day and month or as month and day. Say which on the Intake page; it is ".
                    'remembered.',
                $guess,
            );
        }
    }
}
