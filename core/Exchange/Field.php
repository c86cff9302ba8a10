<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

/** A column of the house format. */
final readonly class Field
{
    /** @param  list<string>  $choices where the type is Choice */
    public function __construct(
        public string $name,
        public FieldType $type = FieldType::Text,
        public bool $required = true,
        public bool $mayBeBlank = false,
        public array $choices = [],
    ) {}
}
