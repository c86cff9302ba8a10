<?php

declare(strict_types=1);

namespace Ajuste\Core\SignOff;

/** Who signed a period, over which figures. */
final readonly class Signature
{
    public function __construct(
        public string $who,
        public string $recordedAt,
        public SignedFigures $figures,
        public string $evidence = '',
    ) {}
}
