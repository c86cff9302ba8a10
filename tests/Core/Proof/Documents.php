<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use Ajuste\Core\Proof\Book;
use Ajuste\Core\Proof\ProofLine;

/** Lines put together as a source of a proof hands them on. */
final class Documents
{
    /**
     * @param list<ProofLine> $lines
     * @return list<non-empty-list<ProofLine>> of copies, since pairing marks them
     */
    public static function of(array $lines): array
    {
        $namedBy = [];
        foreach ($lines as $line) {
            if ($line->book === Book::Subledger && $line->entry !== '') {
                $namedBy[$line->entry][] = $line;
            }
        }
        $documents = [];
        foreach ($lines as $place => $line) {
            $only =
                $line->document === '' && count($namedBy[$line->entry] ?? []) === 1 ? $namedBy[$line->entry][0]->document : $line->document;
            $documents[$only === '' ? "alone {$place}" : "document {$only}"][] = clone $line;
        }

        return array_values($documents);
    }
}
