<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Money\Money;

/** A station of the close with what remains in it. */
final readonly class Station
{
    /**
     * @param string $remains in words, blank when there is nothing left
     * @param string $task what is to be done, for the desk
     * @param string $worthKnowing likewise
     */
    public function __construct(
        public string $name,
        public string $route,
        public string $remains,
        public ?Money $amount,
        public bool $done,
        public string $task = '',
        public string $worthKnowing = '',
        public string $oldest = '',
    ) {}
}
