<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Customer;
use Illuminate\Support\Facades\DB;

/** Customers as the core names them. */
final class Customers
{
    /** @throws Refusal when there is none, so that a person chooses one */
    public function find(int $id, string $otherwise = 'Choose the customer, by number or name.'): Customer
    {
        $row = DB::table('customers')->where('id', $id)->first(['id', 'customer', 'name']) ?? throw Refusal::notFound($otherwise);

        return new Customer($row->id, $row->customer, $row->name);
    }

    /**
     * @param list<int> $ids
     * @return array<int, Customer> by id
     */
    public function several(array $ids): array
    {
        $customers = [];
        foreach (array_chunk(array_unique($ids), 500) as $some) {
            foreach (DB::table('customers')->whereIn('id', $some)->get(['id', 'customer', 'name']) as $row) {
                $customers[(int) $row->id] = new Customer($row->id, $row->customer, $row->name);
            }
        }

        return $customers;
    }
}
