<?php

declare(strict_types=1);

namespace Ajuste\Core\SignOff;

/** One thing that has to be so before a period is signed, or has a reason. */
final readonly class Check
{
    /**
     * @param string $name by which a reason is kept
     * @param string $finding what was found, with its figure
     * @param string $page the name of the page that shows it
     */
    public function __construct(
        public string $name,
        public string $words,
        public bool $isGreen,
        public string $finding,
        public string $page = '',
    ) {}
}
