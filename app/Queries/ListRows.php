<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Lists of the books that persons may change on a page, as rows of the house format. */
final class ListRows
{
    public const KINDS = [FileKind::Accounts, FileKind::Customers, FileKind::Suppliers, FileKind::Calendar];

    /**
     * @return list<array<string, string>> by field
     *
     * @throws Refusal when it is no such list
     */
    public function of(FileKind $kind): array
    {
        $rows = match ($kind) {
            FileKind::Accounts => DB::table('accounts')
                ->orderBy('account')
                ->select(['account', 'name', 'type', 'role', 'currency', 'iban']),
            FileKind::Calendar => DB::table('calendar_periods')
                ->orderBy('first')
                ->select(['name as period', 'first as from', 'last as to']),
            FileKind::Customers => self::parties('customers')
                ->leftJoin('suppliers as s', 's.id', '=', 'p.supplier_id')
                ->orderBy('p.customer')
                ->select([
                    'p.customer', 'p.name', 'p.trading_name', 'p.currency', 'p.terms', 'a.account as control_account', 's.supplier',
                    'p.customer_group as group', 'p.iban', 'p.email', 'p.tax_id', 'p.country', 'p.credit_limit', 'p.related', 'p.region',
                    'p.salesperson',
                ]),
            FileKind::Suppliers => self::parties('suppliers')->orderBy('p.supplier')->select([
                'p.supplier', 'p.name', 'p.currency', 'a.account as control_account', 'p.iban',
            ]),
            default => throw Refusal::notFound('There is no such list.'),
        };

        return array_values($rows->get()->map(self::row(...))->all());
    }

    private static function parties(string $table): Builder
    {
        return DB::table("{$table} as p")->leftJoin('accounts as a', 'a.id', '=', 'p.control_account_id');
    }

    /** @return array<string, string> */
    private static function row(stdClass $row): array
    {
        if (isset($row->credit_limit)) {
            $row->credit_limit = Money::ofMinor((int) $row->credit_limit, $row->currency)->decimal();
        }

        if (isset($row->related)) {
            $row->related = $row->related ? 'yes' : 'no';
        }

        return array_map(static fn (mixed $value): string => is_scalar($value) ? (string) $value : '', (array) $row);
    }
}
