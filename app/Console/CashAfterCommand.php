<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\CashAfter\LaterReceipt;
use Ajuste\Core\CashAfter\PaidSince;
use App\Queries\CashAfterDate;
use App\Queries\Settings;

final class CashAfterCommand extends BooksCommand
{
    protected $signature = 'ajuste:cash-after {--account=} {--as-of=} {--until=} {--json}';

    protected $description = 'What was open on a day, and the receipts since';

    public function handle(Settings $settings, CashAfterDate $cash): int
    {
        $asOf = $this->asOf($settings);
        $until = $this->text('until') === null ? max($asOf, $cash->latest()) : Day::of((string) $this->text('until'));
        $found = $cash->of($settings->controlAccount($this->text('account')), $asOf, $until);
        $share = static fn (int $tenths): string => sprintf('%d.%d', intdiv($tenths, 10), $tenths % 10);
        $lines = array_map(static fn (PaidSince $of): array => [
            'customer' => $of->customer->number,
            'document' => $of->item->document,
            'due_date' => $of->item->dueDate,
            'open' => $of->open->decimal(),
            'paid' => $of->paid->decimal(),
            'share' => $share($of->share()),
        ], $found->lines);
        $sums = ['open' => $found->open->decimal(), 'paid' => $found->paid->decimal(), 'share' => $share($found->share())];
        if ($this->option('json')) {
            $receipts = array_map(static fn (PaidSince $of): array => ['receipts' => array_map(
                static fn (LaterReceipt $receipt): array => [
                    'date' => $receipt->date, 'document' => $receipt->document, 'amount' => $receipt->base->decimal(),
                ],
                $of->receipts,
            )], $found->lines);
            $this->json(['as_of' => $asOf, 'until' => $until, 'lines' => array_map(array_merge(...), $lines, $receipts), ...$sums]);

            return self::SUCCESS;
        }
        $this->table(['customer', 'document', 'due', 'open', 'paid since', '%'], $lines);
        $this->line("Open as of {$asOf} {$sums['open']}, paid through {$until} {$sums['paid']}: {$sums['share']} %.");

        return self::SUCCESS;
    }
}
