<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\StandIn\Outbox;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** Asks somebody about an item, a customer or a cause, and keeps the answer; open questions stand on the desk. */
final readonly class KeepQuestion
{
    public function __construct(private Actor $actor, private AuditTrail $audit, private Outbox $outbox) {}

    /**
     * @param string $subject such as `item 12`
     * @param string $toWhom name, or an address to which it is sent as a message
     * @param string $byDay ISO
     *
     * @throws Refusal when it says nothing, or names nobody
     */
    public function ask(string $key, string $subject, string $text, string $toWhom, string $byDay): int
    {
        return (int) Once::for($key, function () use ($subject, $text, $toWhom, $byDay): int {
            $id = DB::table('questions')->insertGetId([
                'subject' => $subject,
                'text' => Reason::of($text, 'Type the question.'),
                'to_whom' => Reason::of($toWhom, 'Say whom you ask.'),
                'by_day' => $byDay,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('question', $subject, $text, ['to' => $toWhom, 'by' => $byDay]);
            if (filter_var(trim($toWhom), FILTER_VALIDATE_EMAIL) !== false) {
                $this->outbox->keep(trim($toWhom), "Question {$id}, by {$byDay}", trim($text)."\n\n{$this->actor->who}\n", $subject);
            }

            return $id;
        });
    }

    /** @throws Refusal when there is no such question, it is answered, or the answer is blank */
    public function answer(string $key, int $questionId, string $answer): void
    {
        Once::for($key, function () use ($questionId, $answer): int {
            $question = DB::table('questions')->where('id', $questionId)->first()
                ?? throw Refusal::notFound('There is no such question. Load the page again.');
            if (DB::table('question_answers')->where('question_id', $questionId)->exists()) {
                throw Refusal::done('This question is answered already.');
            }
            DB::table('question_answers')->insert([
                'question_id' => $questionId,
                'answer' => Reason::of($answer, 'Type the answer.'),
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('answer', $question->subject, $answer, ['question' => (string) $questionId]);

            return $questionId;
        });
    }
}
