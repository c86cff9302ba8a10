<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Contra\LikelyParties;
use Ajuste\Core\Contra\LikelyParty;
use Ajuste\Core\Proposal\PayerProfile;
use App\Support\Remembered;
use Generator;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\LazyCollection;
use stdClass;

/** Customers who are suppliers too: linked by their master data, by an agreement or by hand; and those that may be. */
final class Parties
{
    /** @return Builder customer_id and supplier_id of each pair that is linked */
    public static function linked(): Builder
    {
        $pairs = DB::table('customers')
            ->whereNotNull('supplier_id')
            ->select(['id as customer_id', 'supplier_id'])
            ->union(DB::table('agreements')->whereNull('superseded_at')->select(['customer_id', 'supplier_id']))
            ->union(self::said(1));

        return DB::query()
            ->fromSub($pairs, 'p')
            ->whereNotExists(static fn (Builder $query) => $query
                ->fromSub(self::said(0), 'n')
                ->whereColumn('n.customer_id', 'p.customer_id')
                ->whereColumn('n.supplier_id', 'p.supplier_id'));
    }

    /** @return LazyCollection<int, stdClass> the pairs of a supplier or of all, with numbers and names, by customer and supplier number */
    public function pairs(?int $supplierId = null): LazyCollection
    {
        return self::linked()
            ->join('customers as c', 'c.id', '=', 'p.customer_id')
            ->join('suppliers as s', 's.id', '=', 'p.supplier_id')
            ->when($supplierId !== null, static fn (Builder $query) => $query->where('p.supplier_id', $supplierId))
            ->orderBy('c.customer')
            ->orderBy('s.supplier')
            ->select(['p.*', 'c.customer', 'c.name', 's.supplier', 's.name as supplier_name', 's.control_account_id'])
            ->cursor();
    }

    /**
     * A pair with all that may take of the same items or bills: of its customer, its supplier, and so on.
     *
     * @return LazyCollection<int, stdClass>
     */
    public function around(int $customerId, int $supplierId): LazyCollection
    {
        $all = $this->pairs()->collect();
        [$customers, $suppliers] = [[$customerId => true], [$supplierId => true]];
        do {
            $known = count($customers) + count($suppliers);
            foreach ($all as $pair) {
                if (isset($customers[$pair->customer_id]) || isset($suppliers[$pair->supplier_id])) {
                    $customers[$pair->customer_id] = $suppliers[$pair->supplier_id] = true;
                }
            }
        } while (count($customers) + count($suppliers) > $known);

        return $all->filter(static fn (stdClass $pair): bool => isset($customers[$pair->customer_id]))->values()->lazy();
    }

    /** @return list<stdClass> pairs that may be the same party and of which nobody has said anything, with `why` */
    public function likely(): array
    {
        $tables = ['customers', 'suppliers', 'supplier_items', 'agreements', 'party_links'];
        $likely = Remembered::while('likely parties', $tables, fn (): array => $this->alike());
        $ids = static fn (string $of): array => array_values(array_unique(array_column($likely, $of)));
        $customers = DB::table('customers')->whereIn('id', $ids('customerId'))->get(['id', 'customer', 'name'])->keyBy('id')->all();
        $suppliers = DB::table('suppliers')->whereIn('id', $ids('supplierId'))->get(['id', 'supplier', 'name'])->keyBy('id')->all();

        return array_map(static fn (LikelyParty $of): stdClass => (object) [
            'customer_id' => $of->customerId,
            'customer' => $customers[$of->customerId]->customer,
            'name' => $customers[$of->customerId]->name,
            'supplier_id' => $of->supplierId,
            'supplier' => $suppliers[$of->supplierId]->supplier,
            'supplier_name' => $suppliers[$of->supplierId]->name,
            'why' => $of->why,
        ], $likely);
    }

    /** @return list<LikelyParty> */
    private function alike(): array
    {
        $known = [];
        foreach ([...self::linked()->get(['p.customer_id', 'p.supplier_id'])->all(), ...self::said(0)->get()->all()] as $pair) {
            $known["{$pair->customer_id} {$pair->supplier_id}"] = true;
        }
        $suppliers = DB::table('suppliers as s')
            ->whereExists(static fn (Builder $query) => $query
                ->from('supplier_items as i')
                ->whereColumn('i.supplier_id', 's.id')
                ->where('i.open', '>', 0))
            ->orderBy('s.supplier');
        $rule = new LikelyParties($this->profiles());
        $likely = [];
        foreach ($suppliers->get(['s.id', 's.name', 's.iban']) as $supplier) {
            foreach ($rule->of($supplier->id, $supplier->name, $supplier->iban) as $of) {
                if (! isset($known["{$of->customerId} {$of->supplierId}"])) {
                    $likely[] = $of;
                }
            }
        }

        return $likely;
    }

    /** @return Generator<int, PayerProfile> */
    private function profiles(): Generator
    {
        foreach (DB::table('customers')->orderBy('id')->cursor() as $row) {
            $names = array_values(array_unique(array_filter([$row->name, $row->trading_name], static fn (string $of): bool => $of !== '')));
            yield new PayerProfile($row->id, $names, $row->iban === '' ? [] : [$row->iban]);
        }
    }

    /** What persons said last of pairs: that they are the same party, or are not. */
    private static function said(int $same): Builder
    {
        return DB::table('party_links as l')
            ->whereIn('l.id', DB::table('party_links')->groupBy('customer_id', 'supplier_id')->selectRaw('max(id)'))
            ->where('l.same', $same)
            ->select(['l.customer_id', 'l.supplier_id']);
    }
}
