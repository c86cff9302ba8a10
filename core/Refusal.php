<?php

declare(strict_types=1);

namespace Ajuste\Core;

use DomainException;

/**
 * A rule of the job said no. The message is written for the person at the screen: what was found, where, what was
 * expected and what to do; the kind is for programs.
 */
class Refusal extends DomainException
{
    public function __construct(string $message, public readonly RefusalKind $kind = RefusalKind::Input)
    {
        parent::__construct($message);
    }

    public static function changed(string $message): self
    {
        return new self($message, RefusalKind::Changed);
    }

    public static function done(string $message): self
    {
        return new self($message, RefusalKind::Done);
    }

    public static function notFound(string $message): self
    {
        return new self($message, RefusalKind::NotFound);
    }

    public static function setup(string $message): self
    {
        return new self($message, RefusalKind::Setup);
    }

    /** The same refusal, its words behind others. */
    public function behind(string $words): self
    {
        return new self("{$words} {$this->getMessage()}", $this->kind);
    }
}
