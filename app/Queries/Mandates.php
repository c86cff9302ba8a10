<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\DirectDebit\Mandate;
use Ajuste\Core\DirectDebit\MandateHistory;
use Ajuste\Core\DirectDebit\MandateUse;
use Ajuste\Core\DirectDebit\Scheme;
use Ajuste\Core\Exchange\Bank\ReturnReason;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Customer;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The mandates of customers to collect from their accounts. */
final class Mandates
{
    /** @return list<KeptMandate> by customer, the latest first */
    public function all(): array
    {
        return $this->read($this->rows());
    }

    /** @return list<KeptMandate> the latest first */
    public function ofCustomer(int $customerId): array
    {
        return $this->read($this->rows()->where('m.customer_id', $customerId));
    }

    /**
     * @param list<int> $ids
     * @return array<int, KeptMandate> by id
     */
    public function several(array $ids): array
    {
        return array_column($this->read($this->rows()->whereIn('m.id', $ids)), null, 'id');
    }

    /** @throws Refusal when there is no such mandate */
    public function find(int $id): KeptMandate
    {
        return $this->several([$id])[$id] ?? throw Refusal::notFound('There is no such mandate. Load the page again.');
    }

    private function rows(): Builder
    {
        return DB::table('mandates as m')
            ->join('customers as c', 'c.id', '=', 'm.customer_id')
            ->leftJoin('mandate_ends as e', 'e.mandate_id', '=', 'm.id')
            ->orderBy('c.customer')
            ->orderByDesc('m.id')
            ->select(['m.*', 'c.customer', 'c.name', 'c.email', 'e.date as ended']);
    }

    /** @return list<KeptMandate> */
    private function read(Builder $query): array
    {
        $rows = array_values($query->get()->all());
        $last = $this->lastDebits(array_map(static fn (stdClass $row): int => $row->id, $rows));

        return array_map(static fn (stdClass $row): KeptMandate => new KeptMandate(
            $row->id,
            new Customer($row->customer_id, $row->customer, $row->name),
            $row->email,
            new Mandate(
                $row->reference,
                $row->holder,
                $row->iban,
                $row->signed_on,
                Scheme::from($row->scheme),
                MandateUse::from($row->use),
            ),
            new MandateHistory(
                $last[$row->id]->collected_on ?? null,
                ReturnReason::tryFrom($last[$row->id]->return_reason ?? ''),
                $row->ended ?? '',
            ),
        ), $rows);
    }

    /**
     * The latest debit of each mandate that the bank accepted, with why it came back, where it did.
     *
     * @param list<int> $ids
     * @return array<int, stdClass> by mandate
     */
    private function lastDebits(array $ids): array
    {
        $found = [];
        foreach (array_chunk($ids, 500) as $some) {
            $rows = DB::table('collection_debits as d')
                ->join('collections as c', 'c.id', '=', 'd.collection_id')
                ->join('collection_answers as a', 'a.debit_id', '=', 'd.id')
                ->leftJoin('money_lines as back', static fn ($join) => $join
                    ->on('back.end_to_end', '=', 'd.end_to_end')
                    ->where('back.amount', '<', 0)
                    ->where('back.is_reversal', 1))
                ->whereIn('d.mandate_id', $some)
                ->whereNotNull('a.line_id')
                ->orderBy('c.collected_on')
                ->orderBy('d.id')
                ->get(['d.mandate_id', 'c.collected_on', 'back.return_reason']);
            foreach ($rows as $row) {
                $found[(int) $row->mandate_id] = $row;
            }
        }

        return $found;
    }
}
