<?php

declare(strict_types=1);

namespace App\Queries;

use App\Support\Backup;
use Illuminate\Support\Facades\DB;

/** When the last backup was taken, and whether all that was posted is in it. */
final readonly class LastBackup
{
    /** @param  ?string  $at moment; null: there was none yet */
    private function __construct(public ?string $at, public bool $hasAll) {}

    public static function find(): self
    {
        $at = DB::table('audit_records')->where('what', Backup::IN_TRAIL)->orderByDesc('id')->value('recorded_at');
        $posted = max(array_map(
            static fn (string $table): string => (string) DB::table($table)->orderByDesc('id')->value('recorded_at'),
            ['vouchers', 'matches', 'imports'],
        ));

        return new self($at, $at !== null && $at >= $posted);
    }
}
