<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

/** What persons decided of single items and bills of pairs. */
final readonly class PairChoices
{
    /**
     * @param array<int, AtMost> $items of customers, by item id
     * @param array<int, AtMost> $bills and credits of suppliers, by id
     */
    public function __construct(public array $items = [], public array $bills = []) {}
}
