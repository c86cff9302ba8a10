<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Ledger\VoucherSums;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PlannedVoucher;
use Ajuste\Core\Run\LeftOut;
use Ajuste\Core\Run\PlannedLine;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunPlan;
use App\Actions\Runs\PostRun;
use App\Actions\Runs\RateCheck;
use App\Actions\Runs\RunPlans;
use App\Queries\Settings;

/** The plan that a closing run would post now. */
abstract class RunCommand extends BooksCommand
{
    protected const KIND = RunKind::Residues;

    public function handle(Settings $settings, RunPlans $plans, PostRun $post): int
    {
        $account = $settings->controlAccount($this->text('account'));
        $run = $plans->of(static::KIND, $account, $this->asOf($settings), $this->rateCheck());
        $vouchers = $run->isEmpty()
            ? []
            : array_map(static fn (PlannedVoucher $of): Voucher => $of->voucher, $post->posting($run)->vouchers);
        // A mirror of day one of the next period says the same the other way round.
        $own = array_values(array_filter($vouchers, static fn (Voucher $voucher): bool => $voucher->date <= $run->asOf()));
        $said = [
            'as_of' => $run->asOf(),
            'lines' => array_map($this->planned(...), $run->lines()),
            'left_out' => array_map($this->leftOut(...), $run->leftOut()),
            'total' => $run->total()->decimal(),
            ...$this->more($run),
            'voucher' => array_map(self::summed(...), VoucherSums::of($own)),
        ];
        if ($this->option('json')) {
            $this->json($said);

            return self::SUCCESS;
        }
        $this->table(['customer', 'document', 'currency', 'amount', 'base', 'why'], $said['lines']);
        $this->table(['left out', 'document', 'amount', 'why'], $said['left_out']);
        $this->line("Total {$said['total']} {$settings->base()->code}, as of {$run->asOf()}, {$run->policy()}.");

        return self::SUCCESS;
    }

    protected function rateCheck(): RateCheck
    {
        return RateCheck::Ask;
    }

    /** @return array<string, mixed> what else this run says */
    protected function more(RunPlan $run): array
    {
        return [];
    }

    protected function said(Money $amount): string
    {
        return $amount->decimal();
    }

    /** @return array<string, string> */
    private function planned(PlannedLine $line): array
    {
        return [
            'customer' => $line->customer->number,
            'document' => $line->document,
            'currency' => $line->amount->currency->code,
            'amount' => $this->said($line->amount),
            'base' => $this->said($line->base),
            'why' => $line->why,
        ];
    }

    /** @return array<string, string> */
    private function leftOut(LeftOut $line): array
    {
        return [
            'customer' => $line->customer->number,
            'document' => $line->document,
            'amount' => $this->said($line->base),
            'why' => $line->why,
        ];
    }

    /** @return array<string, string> */
    protected static function summed(VoucherLine $line): array
    {
        $nil = Money::zero($line->base->currency)->decimal();

        return [
            'account' => $line->account->number,
            'debit' => $line->debit()?->decimal() ?? $nil,
            'credit' => $line->credit()?->decimal() ?? $nil,
        ];
    }
}
