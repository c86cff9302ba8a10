<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Proof\Book;
use Ajuste\Core\Proof\ProofLine;
use Ajuste\Core\Proof\ProofSource;
use Generator;
use Illuminate\Support\Facades\DB;
use PDO;

/** The lines of one control account, streamed for its proof. */
final readonly class ProofLines implements ProofSource
{
    /** @param  ?string  $knownAt only what was recorded by that moment; null for all that is known now */
    public function __construct(private int $accountId, private ?string $knownAt = null) {}

    public function lines(): Generator
    {
        $known = $this->knownAt === null ? 'superseded_at IS NULL' : '(recorded_at <= :k AND (superseded_at IS NULL OR superseded_at > :k))';
        $statement = DB::connection()->getPdo()->prepare(
            'SELECT 0, id, date, base, document, customer, entry, batch, source, description,
                    voucher_id IS NOT NULL AND NOT EXISTS (SELECT 1 FROM voucher_confirmations c WHERE c.voucher_id = postings.voucher_id'.($this->knownAt === null ? '' : ' AND c.recorded_at <= :k')."),
                    (SELECT r.number FROM vouchers v JOIN vouchers r ON r.id = v.reverses_id WHERE v.id = postings.voucher_id)
             FROM postings WHERE account_id = :a AND {$known}
             UNION ALL
             SELECT 1, root_id, date, CASE side WHEN 'debit' THEN base ELSE -base END, document, customer_id, entry, batch, kind, '', 0, NULL
             FROM items WHERE control_account_id = :a AND {$known}
             ORDER BY 5",
        );
        $statement->execute($this->knownAt === null ? ['a' => $this->accountId] : ['a' => $this->accountId, 'k' => $this->knownAt]);
        $customers = DB::table('customers')->pluck('customer', 'id')->all();
        while (($row = $statement->fetch(PDO::FETCH_NUM)) !== false) {
            yield $row[0] === 0
                ? new ProofLine(Book::Ledger, $row[1], $row[2], $row[3], $row[4], $row[5], $row[6], $row[7], $row[8], $row[9], (bool) $row[10], (string) $row[11])
                : new ProofLine(Book::Subledger, $row[1], $row[2], $row[3], $row[4], (string) $customers[$row[5]], $row[6], $row[7], $row[8]);
        }
    }

    public function itemsNameEntries(): bool
    {
        return DB::table('items')->where('control_account_id', $this->accountId)->whereNotNull('import_file_id')->where('entry', '<>', '')->exists();
    }

    public function elsewhere(array $items): Generator
    {
        foreach (array_chunk($items, 400) as $some) {
            $named = static fn (callable $of): array => array_values(array_filter(array_unique(array_map($of, $some)), static fn (string $name): bool => $name !== ''));
            $rows = DB::table('postings')->join('accounts', 'accounts.id', '=', 'postings.account_id')
                ->where('account_id', '<>', $this->accountId)->whereNull('superseded_at')->whereNull('voucher_id')
                ->where(static fn ($query) => $query
                    ->whereIn('document', $named(static fn (ProofLine $item): string => $item->document))->where('document', '<>', '')
                    ->orWhereIn('entry', $named(static fn (ProofLine $item): string => $item->entry)))
                // A document that has an item on that account belongs there.
                ->whereNotExists(static fn ($query) => $query->from('items')->whereColumn('items.control_account_id', 'postings.account_id')
                    ->whereColumn('items.document', 'postings.document')->where('postings.document', '<>', '')->whereNull('items.superseded_at'))
                ->orderBy('postings.id')
                ->get(['postings.*', 'accounts.account as number', 'accounts.name as account_name']);
            foreach ($rows as $row) {
                yield ["{$row->number} {$row->account_name}", new ProofLine(
                    Book::Ledger, $row->id, $row->date, $row->base, $row->document, $row->customer, $row->entry, $row->batch, $row->source,
                    $row->description,
                )];
            }
        }
    }

    public function tax(array $itemIds): array
    {
        $tax = [];
        foreach (array_chunk($itemIds, 500) as $some) {
            $rows = DB::table('items')->join('item_lines', 'item_lines.document', '=', 'items.document')
                ->whereIn('items.root_id', $some)->whereNull('items.superseded_at')->whereIn('kind', ['invoice', 'credit_note', 'debit_note'])
                ->groupBy('items.root_id', 'items.amount')
                ->selectRaw('items.root_id, items.amount - abs(sum(net)) AS tax')->get();
            foreach ($rows as $row) {
                $tax[(int) $row->root_id] = (int) $row->tax;
            }
        }

        return $tax;
    }
}
