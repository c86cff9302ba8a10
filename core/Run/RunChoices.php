<?php

declare(strict_types=1);

namespace Ajuste\Core\Run;

/** What persons decided about single items of a run, each with a reason. */
final readonly class RunChoices
{
    /**
     * @param array<int, string> $left reason by item that is left out
     * @param array<int, string> $taken reason by item that is taken along
     */
    public function __construct(public array $left = [], public array $taken = []) {}
}
