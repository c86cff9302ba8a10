<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

/** What is left of one instalment. Minor units, positive; `open` in the invoice's currency, `base` what that carries. */
final readonly class OpenInstalment
{
    public function __construct(public string $dueDate, public int $open, public int $base) {}
}
