<?php

declare(strict_types=1);

namespace App\Files;

use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\Mapping;

/** A file that was handed in, on disk, with the name that it came under. */
final readonly class SourceFile
{
    public function __construct(public string $name, public string $path, public ?FileKind $kind = null, public ?Mapping $mapping = null) {}

    public function extension(): string
    {
        return strtolower(pathinfo($this->name, PATHINFO_EXTENSION));
    }
}
