<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Exchange\Mapping;

/** How a file that was handed in is read, for a person to check. */
final readonly class Reading
{
    /**
     * @param list<list<string>> $head its first lines
     * @param bool $needsAPerson it cannot be read before someone says how
     */
    public function __construct(public string $name, public array $head, public Mapping $mapping, public bool $needsAPerson) {}

    /** @return list<string> */
    public function headings(): array
    {
        return $this->head[$this->mapping->headerRow - 1] ?? [];
    }

    /** @return list<list<string>> some rows below the headings */
    public function sample(): array
    {
        return array_slice($this->head, $this->mapping->headerRow, 4);
    }
}
