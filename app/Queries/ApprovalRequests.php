<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Refusal;
use App\Values\ApprovalKind;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What a second person was asked to approve, and the answers (R13). */
final class ApprovalRequests
{
    /** @throws Refusal when there is none, or it is answered */
    public function open(int $id): stdClass
    {
        $request = $this->find($id);

        return $request->answer === null
            ? $request
            : throw Refusal::done("{$request->by} has answered this request already: ".str_replace('_', ' ', $request->answer).'.');
    }

    /** @throws Refusal when there is none */
    public function find(int $id): stdClass
    {
        return self::all()->where('r.id', $id)->first() ?? throw Refusal::notFound('There is no such request. Load the page again.');
    }

    /** The request about a subject that nobody answered yet; null where there is none. */
    public function waitingFor(ApprovalKind $kind, string $subject): ?stdClass
    {
        return self::all()->where(['r.kind' => $kind->value, 'r.subject' => $subject])->whereNull('a.answer')->first();
    }

    /** The last answer to a request about a subject; null where there is none. */
    public function lastAnswerTo(ApprovalKind $kind, string $subject): ?stdClass
    {
        return self::all()->where(
            ['r.kind' => $kind->value, 'r.subject' => $subject],
        )->whereNotNull('a.answer')->reorder('r.id', 'desc')->first();
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
