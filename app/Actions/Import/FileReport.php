<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\Mapping;
use Ajuste\Core\Money\Money;

/** What one file would do, or did. Sums are minor units of base currency. */
final class FileReport
{
    /** The key of the file's row in the books. */
    public int $fileId = 0;

    public int $rows = 0;

    public int $new = 0;

    public int $same = 0;

    public int $changed = 0;

    public int $confirms = 0;

    public int $refused = 0;

    /** Rows dated in a locked period. */
    public int $late = 0;

    public int $vanished = 0;

    /** @var list<string> the first of the documents or entries that vanished */
    public array $vanishedNames = [];

    /** @var list<string> the first of those that changed */
    public array $changedNames = [];

    public int $debits = 0;

    public int $credits = 0;

    /** Debits and credits of the books for the days of the file, after the import; null where sums mean nothing. */
    public ?int $bookDebits = null;

    public ?int $bookCredits = null;

    public ?string $firstDate = null;

    public ?string $lastDate = null;

    /** @var list<string> unknown headings, kept with the source file */
    public array $unused = [];

    /** @var list<string> */
    public array $notices = [];

    /** @var array<string, list<int>> rows that are none of the list, by why */
    public array $skipped = [];

    public function __construct(public readonly string $name, public readonly string $kind, public readonly ?Mapping $mapping = null) {}

    public function count(Outcome $outcome): void
    {
        $this->{$outcome->value}++;
    }

    /** @param  ?Money  $amount of a row, base currency, debit-positive; null: its rows are not summed */
    public function sum(?Money $amount): void
    {
        $this->debits += max(0, $amount->minor ?? 0);
        $this->credits -= min(0, $amount->minor ?? 0);
    }

    public function sawDate(string $date): void
    {
        $this->firstDate = $this->firstDate === null ? $date : min($this->firstDate, $date);
        $this->lastDate = $this->lastDate === null ? $date : max($this->lastDate, $date);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $all = get_object_vars($this);
        unset($all['mapping']);

        return $all;
    }
}
