<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Exchange\FileKind;

/** A list that has the columns of a kind and yet is of another: it is asked about, never taken for the next best. */
final readonly class Misfit
{
    /** A heading says it by itself. */
    private const SURE = 0.9;

    /** A heading that says a number of an entry. */
    private const ENTRY = 0.7;

    /** In a list of customers each stands once; so does a document in a list of open items, but for a few. */
    private const OWN = 0.98;

    /** What a list of customers says of them beside number and name. */
    private const OF_CUSTOMERS = ['email', 'tax_id', 'country', 'terms', 'credit_limit', 'iban', 'group', 'currency', 'trading_name'];

    /** @param  array<string, int>  $columns by field */
    private function __construct(private ForeignColumns $list, private array $columns) {}

    /** @param  array<string, int>  $columns by field */
    public static function is(FileKind $kind, ForeignColumns $list, array $columns): bool
    {
        $misfit = new self($list, $columns);

        return match ($kind) {
            FileKind::Customers => $misfit->isNoListOfCustomers(),
            FileKind::Items => $misfit->hasLinesOfDocuments() || $misfit->hasEntries(),
            FileKind::BankLines => $misfit->isNoStatement() || $misfit->hasEntries(),
            default => false,
        };
    }

    /** A number in several rows is that of an account, or of a customer in a list of something else; a list of balances says no more. */
    private function isNoListOfCustomers(): bool
    {
        $isRepeated = isset($this->columns['customer']) && $this->list->cells($this->columns['customer'])->ownShare() < self::OWN;
        $others = array_diff(array_keys($this->list->headings), $this->columns);
        $isOfBalances = array_intersect_key($this->columns, array_flip(self::OF_CUSTOMERS)) === []
            && $this->list->isAny($others, static fn (ColumnCells $cells): bool => $cells->areWrittenAmounts());

        return $isRepeated || $isOfBalances;
    }

    /** Lines of invoices: quantities, and documents that stand several times. */
    private function hasLinesOfDocuments(): bool
    {
        return isset($this->columns['document']) && $this->list->speaksOf(Concept::Quantity)
            && $this->list->cells($this->columns['document'])->ownShare() < self::OWN;
    }

    /** Numbers of which the amounts come to nil: a journal. */
    private function hasEntries(): bool
    {
        $of = array_intersect_key($this->columns, array_flip(['debit', 'credit', 'money_out', 'money_in', 'amount']));
        $amounts = array_values(isset($of['amount']) ? ['amount' => $of['amount']] : $of);
        [$pairs, $marks] = [new ColumnPairs($this->list->rows), $this->columns['+marker'] ?? null];
        foreach (array_diff(array_keys($this->list->headings), $amounts) as $column) {
            $cells = $this->list->cells($column);
            if ($cells->areCodes() && ! $cells->areDays() && $pairs->areBalanced($column, $amounts, $marks)) {
                return true;
            }
        }

        return false;
    }

    /**
     * It speaks of entries of several lines, of customers, or of days when something is due, as no statement of a bank does; or nothing but
     * days and amounts speaks for one.
     */
    private function isNoStatement(): bool
    {
        $items = Headings::of(FileKind::Items, $this->list->headings);
        $bank = Headings::of(FileKind::BankLines, $this->list->headings);
        $entries = self::atLeast(self::ENTRY, Headings::of(FileKind::Ledger, $this->list->headings)['entry'] ?? []);
        $customers = self::atLeast(self::SURE, $items['customer'] ?? []);
        $isOfInvoices = static fn (ColumnCells $cells): bool => $cells->areKinds() && KindWords::saysInvoice($cells->all());

        $isEntry = static fn (ColumnCells $cells): bool => ! $cells->areDays() && $cells->ownShare() <= ForeignColumns::ENTRIES_OWN;

        return $this->list->isAny($entries, $isEntry)
            || $this->list->isAny($customers, static fn (ColumnCells $cells): bool => $cells->areCodes())
            || $this->list->isAny(array_keys($items['due_date'] ?? []), static fn (ColumnCells $cells): bool => $cells->areDays())
            || $this->list->isAny(array_keys($this->list->headings), $isOfInvoices)
            || $this->list->speaksOf(Concept::Days)
            || array_intersect_key($bank, array_flip(['text', 'balance', 'value_date', 'money_in', 'money_out'])) === [];
    }

    /**
     * @param array<int, float> $weights by column
     * @return list<int>
     */
    private static function atLeast(float $sure, array $weights): array
    {
        return array_keys(array_filter($weights, static fn (float $weight): bool => $weight >= $sure));
    }
}
