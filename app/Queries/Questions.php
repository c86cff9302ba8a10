<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Questions with their answers. */
final class Questions
{
    /** @return list<stdClass> about one thing, the latest first */
    public static function about(string $subject): array
    {
        return array_values(self::all()->where('q.subject', $subject)->orderByDesc('q.id')->get()->all());
    }

    /** @return list<stdClass> those that nobody answered yet, the most urgent first */
    public function open(): array
    {
        return array_values(self::all()->whereNull('a.answer')->orderBy('q.by_day')->orderBy('q.id')->get()->all());
    }

    /** @return list<stdClass> asked through a moment, as it was known then */
    public static function knownAt(string $knownAt): array
    {
        $rows = self::all($knownAt)->where('q.recorded_at', '<=', $knownAt)->orderBy('q.id');

        return array_values($rows->get()->all());
    }

    private static function all(?string $knownAt = null): Builder
    {
        return DB::table('questions as q')
            ->leftJoin('question_answers as a', static fn ($join) => $knownAt === null
                ? $join->on('a.question_id', '=', 'q.id')
                : $join->on('a.question_id', '=', 'q.id')->where('a.recorded_at', '<=', $knownAt))
            ->select(['q.*', 'a.answer', 'a.who as answered_by', 'a.recorded_at as answered_at']);
    }
}
