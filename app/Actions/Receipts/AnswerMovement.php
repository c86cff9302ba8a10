<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Bank\MovementAnswer;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Queries\StatementLines;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** A person says whether a movement is one that the books know already. The answer can be changed until the line is placed. */
final readonly class AnswerMovement
{
    public function __construct(private StatementLines $lines, private Actor $actor, private AuditTrail $audit) {}

    /** @throws Refusal when nothing was asked of the line, or it is placed already */
    public function post(string $key, int $lineId, MovementAnswer $answer): void
    {
        Once::for($key, function () use ($lineId, $answer): int {
            if (DB::table('movement_questions')->where('line_id', $lineId)->doesntExist()) {
                throw Refusal::notFound('Nothing was asked about this line. Load the page again.');
            }
            if ($this->lines->standingPlacement($lineId) !== null) {
                throw Refusal::done('This line is placed already. Take that back first.');
            }
            DB::table('movement_answers')->insert([
                'line_id' => $lineId,
                'answer' => $answer->value,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record($answer->words(), "statement line {$lineId}");

            return $lineId;
        });
    }
}
