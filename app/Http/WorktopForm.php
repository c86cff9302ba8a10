<?php

declare(strict_types=1);

namespace App\Http;

use App\Actions\Receipts\DeductionEntry;

/** What a worktop's form says of items: which are ticked, how much of them, and what comes off beside money. */
final readonly class WorktopForm
{
    /** @param  array<array-key, mixed>  $input what was sent, or was sent before and refused */
    public function __construct(private array $input) {}

    /** @return array<int, string> amount as typed, by item id, in the order of the list */
    public function typed(): array
    {
        $amounts = $this->texts('amount');
        $typed = [];
        foreach (array_keys((array) ($this->input['tick'] ?? [])) as $id) {
            $typed[(int) $id] = $amounts[$id] ?? '';
        }

        return $typed;
    }

    /** @return list<int> items whose discount is taken */
    public function discounts(): array
    {
        return array_map(intval(...), array_keys((array) ($this->input['discount'] ?? [])));
    }

    /** @return array<int, list<string>> lines of an invoice that are meant, by item id */
    public function lines(): array
    {
        $lines = [];
        foreach ((array) ($this->input['lines'] ?? []) as $id => $of) {
            $lines[(int) $id] = array_map(strval(...), array_keys((array) $of));
        }

        return $lines;
    }

    /** @return list<DeductionEntry> */
    public function deductions(): array
    {
        [$codes, $invoices, $sums] = [$this->texts('kept_code'), $this->texts('kept_of'), $this->texts('kept')];
        $deductions = [];
        foreach ($sums as $place => $sum) {
            if (trim($sum) !== '' || ($codes[$place] ?? '') !== '') {
                $deductions[] = new DeductionEntry($codes[$place] ?? '', (int) ($invoices[$place] ?? 0), $sum);
            }
        }

        return $deductions;
    }

    /** @return array<array-key, string> */
    public function texts(string $name): array
    {
        return array_map(static fn (mixed $value): string => is_string($value) ? $value : '', (array) ($this->input[$name] ?? []));
    }

    public function text(string $name): string
    {
        return is_scalar($this->input[$name] ?? null) ? (string) $this->input[$name] : '';
    }
}
