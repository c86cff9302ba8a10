<?php

declare(strict_types=1);

namespace Ajuste\Core\Currency;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\RunPosted;
use Ajuste\Core\Posting\MatchedAmounts;
use Ajuste\Core\Posting\NewItem;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Run\LeftOut;
use Ajuste\Core\Run\PlannedLine;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunPlan;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;

/**
 * Unrealised gains and losses, gross by currency, each an item with amount zero that is tied to its source (R9). What was settled since the
 * day gives its share back at once; where the policy takes all back on day one, its mirror is posted together with it.
 */
final readonly class CurrencyPlan implements RunPlan
{
    /**
     * @param list<Revalued> $revalued those that change
     * @param list<LeftOut> $left
     * @param array<string, CurrencySum> $sums by currency code, items without change too
     * @param ?string $dayOne on which all goes back; null: carried until settled
     */
    public function __construct(
        private ChartOfAccounts $accounts,
        private Account $control,
        private string $asOf,
        private Currency $base,
        public array $revalued,
        private array $left,
        private array $sums,
        private ?string $dayOne,
    ) {}

    /** @return list<CurrencySum> by currency code */
    public function byCurrency(): array
    {
        $sums = $this->sums;
        ksort($sums);

        return array_values($sums);
    }

    /** @return list<Revalued> unapplied receipts: those that are advances are to be held as deposits before the run (R9) */
    public function receipts(): array
    {
        return array_values(array_filter($this->revalued, static fn (Revalued $of): bool => $of->of->item->kind === Kind::Receipt));
    }

    public function kind(): RunKind
    {
        return RunKind::Currency;
    }

    public function control(): Account
    {
        return $this->control;
    }

    public function asOf(): string
    {
        return $this->asOf;
    }

    public function policy(): string
    {
        return ($this->dayOne === null ? CurrencyPolicy::Carry : CurrencyPolicy::Reverse)->words();
    }

    public function lines(): array
    {
        return array_map(static fn (Revalued $of): PlannedLine => new PlannedLine(
            $of->of->customer, $of->of->item->id, $of->of->item->document, $of->of->open(), $of->change, $of->why(),
        ), $this->revalued);
    }

    public function isEmpty(): bool
    {
        return $this->revalued === [];
    }

    public function leftOut(): array
    {
        return $this->left;
    }

    public function total(): Money
    {
        return Money::sum(array_map(static fn (Revalued $of): Money => $of->change, $this->revalued), $this->base);
    }

    public function addTo(PlanBuilder $plan): void
    {
        $plan->fact(RunPosted::of($this));
        $voucher = $this->voucher();
        $place = $plan->voucher($voucher);
        $mirror = $this->dayOne === null ? null : $plan->voucher(
            $voucher->mirrored($this->dayOne, "{$voucher->text}, taken back on day one"),
        );
        foreach ($this->revalued as $of) {
            $difference = $this->difference($plan, $of, $this->asOf, $of->change, $place);
            if ($mirror !== null) {
                $back = $this->difference($plan, $of, $this->dayOne, $of->change->negated(), $mirror);
                self::useUp($plan, $this->dayOne, $difference, $back, $of->change->abs());
            } else {
                $this->giveBack($plan, $of, $difference);
            }
        }
        $plan->trail(RunKind::Currency->words(), Subject::run(), '', [
            'as_of' => $this->asOf, 'lines' => (string) count($this->revalued), 'total' => $this->total()->decimal(),
        ]);
    }

    /** What later days have settled of the item already takes its share of the difference with it. */
    private function giveBack(PlanBuilder $plan, Revalued $of, OpenItem $difference): void
    {
        $share = $of->change->share($of->of->settledSince(), $of->of->item->open);
        if ($share->isZero()) {
            return;
        }
        $day = max($this->asOf, $of->of->lastSettled);
        $text = "Unrealised exchange difference on {$of->of->item->document}";
        $voucher = $plan->voucher(new Voucher($day, "{$text}, settled since", [
            new VoucherLine($this->control, $share->negated(), $text, $of->of->item->document, $of->of->customer->number),
            new VoucherLine($this->result($of->change), $share, $text, $of->of->item->document, $of->of->customer->number),
        ]));
        $back = $this->difference($plan, $of, $day, $share->negated(), $voucher);
        self::useUp($plan, $day, $difference, $back, $share->abs());
    }

    /** @param  Money  $change debit-positive */
    private function difference(PlanBuilder $plan, Revalued $of, string $date, Money $change, int $voucher): OpenItem
    {
        $item = $of->of->item;
        $head = new ItemHead(
            $item->document,
            Kind::ExchangeDifference,
            Side::ofSign($change->minor),
            $item->head->account,
            $date,
            $date,
            $item->document,
        );

        return $plan->item(new NewItem($head, Money::zero($item->open->currency), $change->abs(), $voucher, corrects: $item->ref));
    }

    private static function useUp(PlanBuilder $plan, string $date, OpenItem $one, OpenItem $other, Money $base): void
    {
        [$debit, $credit] = $one->isDebit() ? [$one, $other] : [$other, $one];
        $plan->match($date, $debit, $credit, MatchedAmounts::even(Money::zero($one->amount->currency), $base));
    }

    private function voucher(): Voucher
    {
        $lines = $sums = [];
        foreach ($this->revalued as $of) {
            [$document, $customer] = [$of->of->item->document, $of->of->customer->number];
            $lines[] = new VoucherLine($this->control, $of->change, "At closing rate: {$of->rate->words()}", $document, $customer);
            $code = $of->rate->now->rate->currency->code;
            $of->change->isPositive()
                ? $sums['gains'][$code] = ($sums['gains'][$code] ?? Money::zero($this->base))->plus($of->change)
                : $sums['losses'][$code] = ($sums['losses'][$code] ?? Money::zero($this->base))->plus($of->change);
        }
        foreach ($sums as $what => $byCurrency) {
            foreach ($byCurrency as $code => $sum) {
                $lines[] = new VoucherLine($this->result($sum), $sum->negated(), "Unrealised exchange {$what}, {$code}");
            }
        }
        assert($lines !== []);

        return new Voucher($this->asOf, "Open foreign items at closing rate as of {$this->asOf}", $lines);
    }

    private function result(Money $change): Account
    {
        return $this->accounts->withRole($change->isPositive() ? AccountRole::ExchangeUnrealisedGain : AccountRole::ExchangeUnrealisedLoss);
    }
}
