<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\LineReader;
use Ajuste\Core\Exchange\Mapping;
use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Refusal;
use App\Files\SourceFile;
use App\Files\Table;
use Generator;

/** Customers that a list of items names and the books do not know. */
final readonly class NamedCustomers
{
    /** The file in which they are taken in. */
    public const FILE = 'customers named.csv';

    public function __construct(private Books $books) {}

    /**
     * @param list<SourceFile> $files
     * @return list<list<string>> rows of the house format, headings first
     *
     * @throws Refusal when the files name none that is not known
     */
    public function in(array $files): array
    {
        $rows = $brought = [];
        foreach ($files as $file) {
            $mapping = $file->mapping ?? FileMapping::of($file);
            if ($mapping->kind === FileKind::Customers && $file->name !== self::FILE) {
                foreach ($this->rows($file, $mapping) as [$row]) {
                    $brought[$row['customer']] = true;
                }
            }
            foreach ($mapping->kind === FileKind::Items ? $this->rows($file, $mapping) : [] as [$row, $name]) {
                if (! $this->isKnown($row['customer'])) {
                    $currency = $row['currency'] !== '' ? $row['currency'] : $this->books->base()->code;
                    $customer = self::parted($row['customer'], $name, $currency);
                    $rows[$customer[0]] ??= $customer;
                }
            }
        }
        $rows = array_diff_key($rows, $brought);
        if ($rows === []) {
            throw new Refusal('The lists name no customer that the books do not know.');
        }

        return [['customer', 'name', 'currency'], ...array_values($rows)];
    }

    /** @return Generator<int, array{array<string, string>, string}> each row that can be read, and the name beside it */
    private function rows(SourceFile $file, Mapping $mapping): Generator
    {
        $reader = new LineReader($mapping);
        foreach (Table::rows($file) as $number => $cells) {
            if ($number <= $mapping->headerRow) {
                $reader->head($cells);
            } elseif ($reader->skips($cells) === '') {
                try {
                    $row = $reader->row($cells);
                } catch (RowFault) {
                    continue; // it is refused for something else
                }
                yield [$row, trim($cells[$mapping->columns['name'] ?? -1] ?? '')];
            }
        }
    }

    private function isKnown(string $customer): bool
    {
        try {
            $this->books->customer($customer);

            return true;
        } catch (RowFault) {
            return false;
        }
    }

    /** @return list<string> number, name and currency: a cell that begins with a number and goes on has both */
    private static function parted(string $customer, string $name, string $currency): array
    {
        if ($name === '' && preg_match('/^(\S*\d\S*?)\s*[-–—:,;|]?\s+(\S.*)$/u', $customer, $parts) === 1) {
            return [$parts[1], $parts[2], $currency];
        }

        return [$customer, $name === '' ? $customer : $name, $currency];
    }
}
