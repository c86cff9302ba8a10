<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\SignOff\Check;
use Illuminate\Support\Facades\DB;

/** A firm's own checks. They are done by hand: what was done is the reason by which one stands. */
final readonly class OwnChecks
{
    private const NAME = 'own ';

    /** @return list<Check> */
    public function all(): array
    {
        $rows = DB::table('own_checks')
            ->whereNotIn('id', DB::table('own_checks_ended')->select('check_id'))
            ->orderBy('id')
            ->get();

        return array_values($rows->map(static fn (object $row): Check => new Check(
            self::NAME."{$row->id}: {$row->words}", $row->words, false, "a check of your own, by {$row->who}: say what was done and found",
        ))->all());
    }

    /** The number of a check of one's own; null: the books work it out. */
    public static function number(Check $check): ?int
    {
        return str_starts_with($check->name, self::NAME) ? (int) substr($check->name, strlen(self::NAME)) : null;
    }
}
