<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\SignOff\Check;

/** The checks of a sign-off on what waits for somebody: a second person, a decision, an answer. */
final readonly class WaitingChecks
{
    public function __construct(private ApprovalRequests $approvals, private LateNewsList $news, private Questions $questions) {}

    /** @return list<Check> */
    public function checks(): array
    {
        return [$this->approvals(), $this->lateNews(), $this->questions()];
    }

    private function approvals(): Check
    {
        $count = count($this->approvals->waiting());

        return new Check('approvals', 'Nothing waits for a second person', $count === 0, $count === 0 ? '' : "{$count} wait", 'approvals');
    }

    private function questions(): Check
    {
        $count = count($this->questions->open());

        return new Check('questions', 'Every question is answered', $count === 0, $count === 0 ? '' : "{$count} open", 'desk');
    }

    private function lateNews(): Check
    {
        $count = $this->news->count();

        return new Check('late news', 'Late news is decided', $count === 0, $count === 0 ? '' : "{$count} rows wait", 'late-news');
    }
}
