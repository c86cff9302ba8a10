<?php

declare(strict_types=1);

namespace Ajuste\Core\Bank;

/** What a person says of a movement that may be known already. */
enum MovementAnswer: string
{
    case Same = 'same';
    case Another = 'another';

    public function words(): string
    {
        return match ($this) {
            self::Same => 'the same movement once more',
            self::Another => 'another movement',
        };
    }
}
