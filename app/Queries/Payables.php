<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Illuminate\Support\Facades\DB;

/** The suppliers' open items beside their control accounts, so that nobody sets off against bills that are not there. */
final readonly class Payables
{
    public function __construct(private Settings $settings, private SupplierBills $bills) {}

    /**
     * @return list<PayablesFigure> by account
     *
     * @throws Refusal when the suppliers' file is of a later day and does not have the payments since
     */
    public function figures(string $asOf): array
    {
        $accounts = $this->settings->accounts()->allWithRole(AccountRole::PayablesControl);
        $own = DB::table('suppliers')->pluck('control_account_id', 'id')->all();
        $sums = [];
        foreach ($this->bills->asOf($asOf, array_keys($own)) as $supplierId => $bills) {
            $account = $own[$supplierId] ?? ($accounts[0]->id ?? 0);
            foreach ($bills as $bill) {
                $sums[$account] = ($sums[$account] ?? 0) + $bill->owedOn($asOf)->minor;
            }
        }
        $money = fn (int $minor): Money => Money::ofMinor($minor, $this->settings->base());

        return array_map(fn (Account $account): PayablesFigure => new PayablesFigure(
            $account, $this->ledger($account, $asOf), $money($sums[$account->id] ?? 0),
        ), $accounts);
    }

    private function ledger(Account $account, string $asOf): ?Money
    {
        $lines = DB::table('postings')->where('account_id', $account->id)->where('date', '<=', $asOf)->whereNull('superseded_at');

        return (clone $lines)->whereNotNull('import_file_id')->exists()
            ? Money::ofMinor(-(int) $lines->sum('base'), $this->settings->base())
            : null;
    }
}
