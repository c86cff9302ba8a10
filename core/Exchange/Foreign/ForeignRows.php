<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

/** The rows of a foreign list, without what stands above, between and below them. */
final class ForeignRows
{
    /**
     * The rows of the list, without what is only printed.
     *
     * @param list<list<string>> $below
     * @param list<string> $headings
     * @param array<string, int> $columns
     * @return list<list<string>>
     */
    public static function of(array $below, array $headings, array $columns): array
    {
        $needed = array_values(array_intersect_key($columns, array_flip(['document', 'date', 'account', 'customer'])));

        $found = [];
        foreach ($below as $cells) {
            $isAbove = isset($columns['+above']) && LineAbove::of($cells, $headings, $columns) !== null;
            if (! $isAbove && ! PrintLine::is($cells, $headings, $needed)) {
                $found[] = $cells;
            }
        }

        return $found;
    }
}
