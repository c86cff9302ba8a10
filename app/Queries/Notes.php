<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Notes that stand, by what they are about. */
final class Notes
{
    /** @return Collection<int, stdClass> the latest first */
    public static function of(string $subject): Collection
    {
        return DB::table('notes')
            ->where('subject', $subject)
            ->whereNotIn('id', DB::table('notes_struck')->select('note_id'))
            ->orderByDesc('id')
            ->get();
    }

    /** @return array<string, list<stdClass>> notes on causes of an account's proof, by the cause's key */
    public static function ofCauses(int $accountId): array
    {
        $notes = [];
        $prefix = "cause {$accountId} ";
        foreach (
            DB::table('notes')
                ->whereRaw('substr(subject, 1, ?) = ?', [strlen($prefix), $prefix])
                ->whereNotIn('id', DB::table('notes_struck')->select('note_id'))
                ->orderBy('id')
                ->get() as $note
        ) {
            $notes[substr($note->subject, strlen($prefix))][] = $note;
        }

        return $notes;
    }
}
