<?php

declare(strict_types=1);

namespace App\Actions\Posting;

use Ajuste\Core\Posting\Ref;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Posting\SubjectKind;
use LogicException;

/** The keys that a plan's rows got in the books, by their places in the plan. */
final class PlanKeys
{
    /** @var list<int> */
    public array $settlements = [];

    /** @var list<PostedVoucher> */
    public array $vouchers = [];

    /** @var list<int> */
    public array $items = [];

    public ?int $run = null;

    public function item(Ref $ref): int
    {
        return $ref->inBooks() ?? $this->items[$ref->place()];
    }

    public function of(Subject $subject): int
    {
        $key = $subject->ref->inBooks() ?? match ($subject->kind) {
            SubjectKind::Item => $this->items[$subject->ref->place()],
            SubjectKind::Settlement => $this->settlements[$subject->ref->place()],
            SubjectKind::Voucher => $this->vouchers[$subject->ref->place()]->id,
            SubjectKind::Run => $this->run,
            default => null,
        };

        return $key ?? throw new LogicException("The plan makes no {$subject->kind->value}.");
    }
}
