<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

/** What a record of the audit trail is about. */
final readonly class Subject
{
    private function __construct(public SubjectKind $kind, public Ref $ref) {}

    public static function of(SubjectKind $kind, int $id): self
    {
        return new self($kind, Ref::existing($id));
    }

    public static function item(Ref $ref): self
    {
        return new self(SubjectKind::Item, $ref);
    }

    /** @param  int  $place of the settlement in the plan */
    public static function settlement(int $place): self
    {
        return new self(SubjectKind::Settlement, Ref::planned($place));
    }

    /** @param  int  $place of the voucher in the plan */
    public static function voucher(int $place): self
    {
        return new self(SubjectKind::Voucher, Ref::planned($place));
    }

    /** The run that the plan posts. */
    public static function run(): self
    {
        return new self(SubjectKind::Run, Ref::planned(0));
    }
}
