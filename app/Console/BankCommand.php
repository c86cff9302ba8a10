<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Money\Money;
use App\Queries\BankAccount;
use App\Queries\BankAccounts;
use App\Queries\Settings;

final class BankCommand extends BooksCommand
{
    protected $signature = 'ajuste:bank {--as-of=} {--json}';

    protected $description = 'Each bank account beside its last statement';

    public function handle(Settings $settings, BankAccounts $accounts): int
    {
        $all = array_map(self::figures(...), $accounts->all($this->asOf($settings)));
        if ($this->option('json')) {
            $this->json($all);

            return self::SUCCESS;
        }
        $cells = static fn (array $of): array => array_map(
            static fn (mixed $cell): mixed => is_array($cell) ? "{$cell['count']}: {$cell['sum']}" : $cell,
            $of,
        );
        $this->table($all === [] ? ['account'] : array_keys($all[0]), array_map($cells, $all));

        return self::SUCCESS;
    }

    /** @return array<string, string|array{count: int, sum: string}|null> */
    private static function figures(BankAccount $of): array
    {
        $against = $of->against;
        $zero = Money::zero($of->currency);
        $part = static fn (int $count, ?Money $sum): array => ['count' => $count, 'sum' => ($sum ?? $zero)->decimal()];

        return [
            'account' => $of->account->number,
            'iban' => $of->number,
            'currency' => $of->currency->code,
            'statement' => $of->statement,
            'date' => $of->closing->day ?? '',
            'closing' => $of->closing?->amount->decimal(),
            'book' => $of->book?->decimal(),
            'own_vouchers' => $of->own->decimal(),
            'to_place' => $part(count($against->toPlace ?? []), $against?->sumToPlace()),
            'undecided_out' => $part(count($against->outflows ?? []), $against?->sumOfOutflows()),
            'unconfirmed' => $part(count($against->unconfirmed ?? []), $against?->sumUnconfirmed()),
            'difference' => $against?->difference->decimal() ?? $zero->decimal(),
        ];
    }
}
