<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

use LogicException;

/** A row that a plan speaks of: one of the books, or one that the plan itself makes, by its place there. */
final readonly class Ref
{
    /** @param  int  $id  tells rows apart within one plan: the key in the books, below zero for planned ones */
    private function __construct(public int $id) {}

    public static function existing(int $id): self
    {
        return $id > 0 ? new self($id) : throw new LogicException("There is no row with the key {$id}.");
    }

    /** @param  int  $place  among the plan's rows of its kind, 0 the first */
    public static function planned(int $place): self
    {
        return new self(-1 - $place);
    }

    /** The key of the row in the books; null while it is only planned. */
    public function inBooks(): ?int
    {
        return $this->id > 0 ? $this->id : null;
    }

    /** The place in the plan; asked of planned rows only. */
    public function place(): int
    {
        return $this->id < 0 ? -1 - $this->id : throw new LogicException('A row of the books has no place in a plan.');
    }
}
