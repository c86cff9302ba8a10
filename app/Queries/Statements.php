<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Aging\AgedItem;
use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Statement\Statement;
use Ajuste\Core\Statement\StatementLine;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use App\Support\Pdf;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Statements of customers, one for each currency. */
final readonly class Statements
{
    public function __construct(
        private Positions $positions,
        private Reports $reports,
        private InstalmentPlans $plans,
        private Customers $customers,
        private Contested $contested,
        private MoneyAccounts $money,
    ) {}

    /**
     * @param string $from first day
     * @param string $to last day, as of which open amounts and age are said
     * @return list<Statement> by currency; none where nothing happened and nothing is owed
     *
     * @throws Refusal when there is no such customer
     */
    public function of(Account $account, int $customerId, string $from, string $to): array
    {
        $customer = $this->customers->find($customerId);
        $open = [];
        foreach ($this->positions->openOf($account->id, $customerId, $to) as $item) {
            $open[$item->id] = $item;
        }
        $contested = $this->contested->amounts($account->id, $to, null, [$customerId]);
        $rows = DB::table('items')
            ->where('customer_id', $customerId)
            ->where('control_account_id', $account->id)
            ->where('date', '<=', $to)
            ->where('amount', '>', 0)
            ->whereNull('superseded_at')
            ->orderBy('date')
            ->orderBy('id')
            ->get(['root_id', 'date', 'due_date', 'document', 'kind', 'side', 'currency', 'amount']);
        $statements = [];
        foreach ($rows->groupBy('currency') as $code => $ofCurrency) {
            $currency = Currency::of((string) $code);
            $before = $ofCurrency->filter(static fn (stdClass $row): bool => $row->date < $from);
            $lines = $ofCurrency->filter(static fn (stdClass $row): bool => $row->date >= $from);
            $own = array_values(array_filter($open, static fn (OpenItem $item): bool => $item->open->isIn($currency)));
            $statements[] = new Statement(
                $customer,
                $from,
                $to,
                Money::ofMinor((int) $before->sum(self::signed(...)), $currency),
                array_values(
                    $lines
                        ->map(static fn (stdClass $row): StatementLine => self::line($row, $open[$row->root_id] ?? null, $contested))
                        ->all(),
                ),
                $this->aged($account, $customer, $to, $own, $contested),
                Money::ofMinor(
                    array_sum(array_map(static fn (OpenItem $item): int => self::contestedOf($item, $contested), $own)),
                    $currency,
                ),
                $this->money->known($currency)->number ?? '',
            );
        }

        return array_values(array_filter($statements, static fn (Statement $of): bool => ! $of->isBlank()));
    }

    /** @param  list<Statement>  $statements of one customer */
    public function pdf(array $statements): string
    {
        return Pdf::of('customers.statement', [
            'statements' => $statements,
        ]);
    }

    /**
     * In the items' own currency.
     *
     * @param list<OpenItem> $open
     * @param array<int, int> $contested by item
     */
    private function aged(Account $account, Customer $customer, string $asOf, array $open, array $contested): AgedList
    {
        $plans = $this->plans->of($account->id, $asOf, null, [$customer->id]);
        $items = [];
        foreach ($open as $item) {
            $parts = isset($plans[$item->id]) ? $plans[$item->id]->open($item->position->matched, 0, 0) : [];
            $due = $parts === [] ? [[$item->dueDate, $item->open->minor]] : array_map(
                static fn ($part): array => [$part->dueDate, $part->open],
                $parts,
            );
            $disputed = self::contestedOf($item, $contested);
            foreach ($due as [$dueDate, $amount]) {
                $ofThis = min($disputed, $amount);
                $disputed -= $ofThis;
                $items[] = new AgedItem(
                    $customer->number,
                    $customer->name,
                    $item->open->currency->code,
                    $item->head->side->sign() * $amount,
                    $item->head->side,
                    $item->date,
                    $dueDate,
                    $item->head->side->sign() * $ofThis,
                );
            }
        }

        return AgedList::of($asOf, $this->reports->buckets($asOf), $this->reports->credits($asOf), $items);
    }

    /**
     * @param array<int, int> $contested by item
     * @return int minor units of the item's currency, never more than it has open
     */
    private static function contestedOf(OpenItem $item, array $contested): int
    {
        return min($item->open->minor, $contested[$item->id] ?? 0);
    }

    /** @param  array<int, int>  $contested by item */
    private static function line(stdClass $row, ?OpenItem $open, array $contested): StatementLine
    {
        return new StatementLine(
            $row->date,
            $row->document,
            Kind::from($row->kind),
            $row->due_date,
            Money::ofMinor(self::signed($row), $row->currency),
            $open === null ? Money::zero($row->currency) : $open->signed($open->open),
            Money::ofMinor($open === null ? 0 : self::contestedOf($open, $contested), $row->currency),
        );
    }

    private static function signed(stdClass $row): int
    {
        return $row->side === 'debit' ? $row->amount : -$row->amount;
    }
}
