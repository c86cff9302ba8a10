<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Presentation\PresentedCredit;
use App\Actions\PresentCreditBalances;
use App\Queries\Settings;

final class CreditBalancesCommand extends BooksCommand
{
    protected $signature = 'ajuste:credit-balances {--account=} {--as-of=} {--json}';

    protected $description = 'Credit balances that would be shown as a liability';

    public function handle(Settings $settings, PresentCreditBalances $action): int
    {
        $account = $settings->controlAccount($this->text('account'));
        $asOf = $this->asOf($settings);
        $plan = $action->plan($account, $asOf);
        $standing = $action->standing($account, $asOf);
        $presentedBy = $standing !== null && $action->isCurrent($standing, $plan) ? $standing->id : null;
        $done = $presentedBy !== null;
        $line = static fn (PresentedCredit $credit, string $why): array => [
            'customer' => $credit->customer->number,
            'document' => $credit->document,
            'currency' => $credit->amount->currency->code,
            'amount' => $credit->amount->decimal(),
            'base' => $credit->base->decimal(),
            'why' => $why,
        ];
        $lines = $done ? [] : array_map(static fn (PresentedCredit $credit): array => $line($credit, $credit->why), $plan->lines);
        $leftOut = static fn (PresentedCredit $credit, string $why): array => [
            'customer' => $credit->customer->number,
            'document' => $credit->document,
            'amount' => $credit->base->decimal(),
            'why' => $why,
        ];
        $left = array_map(static fn (PresentedCredit $credit): array => $leftOut($credit, $credit->why), $plan->left);
        foreach ($done ? $plan->lines : [] as $credit) {
            $left[] = $leftOut($credit, "presented already by run {$presentedBy}");
        }
        $voucher = array_map(
            static fn (VoucherLine $posted): array => [
                'account' => $posted->account->number,
                'debit' => $posted->debit()?->decimal() ?? '0.00',
                'credit' => $posted->credit()?->decimal() ?? '0.00',
            ],
            $done ? [] : $plan->voucher->lines ?? [],
        );
        $total = $done ? '0.00' : $plan->total()->decimal();
        if ($this->option('json')) {
            $this->json(['as_of' => $asOf, 'lines' => $lines, 'left_out' => $left, 'total' => $total, 'voucher' => $voucher]);

            return self::SUCCESS;
        }
        $this->table(['customer', 'document', 'currency', 'amount', 'base', 'why'], $lines);
        $this->table(['left out', 'document', 'amount', 'why'], $left);
        $this->line("Total {$total} {$settings->base()->code}, as of {$asOf}, ".$plan->policy->words().'.');

        return self::SUCCESS;
    }
}
