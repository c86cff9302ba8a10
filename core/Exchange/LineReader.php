<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

/** Reads the lines of a file one after the other: a line may say something that holds for those below it. */
final class LineReader
{
    /** @var list<string> */
    private array $headings = [];

    /** The customer that the last line above names, or blank. */
    private string $above = '';

    public function __construct(private readonly Mapping $mapping) {}

    /** @param  list<string>  $cells the line of headings */
    public function head(array $cells): void
    {
        $this->headings = $cells;
    }

    /**
     * Why a line of the file is no row of it, or blank.
     *
     * @param list<string> $cells
     */
    public function skips(array $cells): string
    {
        $named = $this->mapping->above($cells, $this->headings);
        $this->above = $named ?? $this->above;

        return $named === null ? $this->mapping->skips($cells, $this->headings) : 'above';
    }

    /**
     * @param list<string> $cells
     * @return array<string, string> the row's fields in house format
     *
     * @throws RowFault when a cell is not what its field has to be
     */
    public function row(array $cells): array
    {
        return $this->mapping->row($cells, $this->above);
    }
}
