<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Refusal;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Requests for approval beside those of the closing runs. */
final class ApprovalRequests
{
    /** @throws Refusal when there is none, or it is answered */
    public function open(int $id): stdClass
    {
        $request = self::all()->where('r.id', $id)->first() ?? throw Refusal::notFound('There is no such request. Load the page again.');

        return $request->answer === null
            ? $request
            : throw Refusal::done("{$request->by} has answered this request already: ".str_replace('_', ' ', $request->answer).'.');
    }

    /** @return list<stdClass> those that wait for an answer, the oldest first */
    public function waiting(): array
    {
        return array_values(self::all()->whereNull('a.answer')->get()->all());
    }

    /** @return list<stdClass> the latest that were answered */
    public function answered(): array
    {
        return array_values(self::all()->whereNotNull('a.answer')->reorder('r.id', 'desc')->limit(20)->get()->all());
    }

    private static function all(): Builder
    {
        return DB::table('approval_requests as r')
            ->leftJoin('approval_answers as a', 'a.request_id', '=', 'r.id')
            ->orderBy('r.id')
            ->select(['r.*', 'a.answer', 'a.words', 'a.who as by', 'a.recorded_at as answered_at', 'a.result']);
    }
}
