<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\RestPlace;
use App\Queries\StatementLine;
use App\Values\DeductionEntry;
use App\Values\MatchRequest;
use App\Values\ReceiptRequest;
use App\Values\Reductions;

/**
 * Reads a worktop's form: what is ticked, how much of it, and what comes off beside money. Here, and only here, its texts become amounts
 * and days.
 */
final readonly class WorktopForm
{
    /** @param  array<array-key, mixed>  $input what was sent */
    public function __construct(private array $input) {}

    /**
     * @param Currency $currency in which the ticked items settle each other
     *
     * @throws Refusal when an amount or a day cannot be read
     */
    public function match(int $customerId, Currency $currency): MatchRequest
    {
        $date = $this->text('date');
        $takes = $this->takes($currency);
        $worth = [];
        foreach (array_intersect_key($this->texts('worth'), $takes) as $id => $typed) {
            $amount = self::amount($typed, $currency);
            if ($amount !== null) {
                $worth[(int) $id] = $amount;
            }
        }

        return new MatchRequest($customerId, $takes, $date === '' ? null : Day::of($date), $this->reductions($currency), $worth);
    }

    /** @throws Refusal when an amount cannot be read */
    public function receipt(StatementLine $line): ReceiptRequest
    {
        $own = $line->amount->currency;
        $code = $this->text('currency');
        $currency = $code === '' ? $own : Currency::of($code);
        $worth = $currency->is($own) ? null : self::amount($this->text('worth'), $currency) ?? Money::zero($currency);

        return new ReceiptRequest(
            $line->id,
            (int) $this->text('customer'),
            $this->takes($currency),
            $this->reductions($currency),
            self::amount($this->text('kept_back'), $own),
            RestPlace::tryFrom($this->text('rest')),
            $worth,
            $this->text('deposit_tax'),
        );
    }

    /** @return list<int> the items that are ticked, in the order of the list */
    public function ticked(): array
    {
        return array_keys($this->typed());
    }

    /** @return array<int, string> amount as typed, by item id, in the order of the list */
    public function typed(): array
    {
        $amounts = $this->texts('amount');
        $typed = [];
        foreach (array_keys((array) ($this->input['tick'] ?? [])) as $id) {
            $typed[(int) $id] = $amounts[$id] ?? '';
        }

        return $typed;
    }

    /** @return list<int> items whose discount is taken */
    public function discounts(): array
    {
        return array_map(intval(...), array_keys((array) ($this->input['discount'] ?? [])));
    }

    /** @return array<int, list<string>> lines of an invoice that are meant, by item id */
    public function lines(): array
    {
        $lines = [];
        foreach ((array) ($this->input['lines'] ?? []) as $id => $of) {
            $lines[(int) $id] = array_map(strval(...), array_keys((array) $of));
        }

        return $lines;
    }

    /** @return array<int, string> due date of the instalment that is meant, by item id */
    public function instalments(): array
    {
        $meant = [];
        foreach (array_filter($this->texts('instalment')) as $id => $dueDate) {
            $meant[(int) $id] = $dueDate;
        }

        return $meant;
    }

    /** @return list<array{code: string, item: int, amount: string}> */
    public function deductionTexts(): array
    {
        [$codes, $invoices, $sums] = [$this->texts('kept_code'), $this->texts('kept_of'), $this->texts('kept')];
        $deductions = [];
        foreach ($sums as $place => $sum) {
            if (trim($sum) !== '' || ($codes[$place] ?? '') !== '') {
                $deductions[] = ['code' => $codes[$place] ?? '', 'item' => (int) ($invoices[$place] ?? 0), 'amount' => $sum];
            }
        }

        return $deductions;
    }

    /** @return array<array-key, string> */
    public function texts(string $name): array
    {
        return array_map(static fn (mixed $value): string => is_string($value) ? $value : '', (array) ($this->input[$name] ?? []));
    }

    public function text(string $name): string
    {
        return is_scalar($this->input[$name] ?? null) ? (string) $this->input[$name] : '';
    }

    /** An amount as typed; null where nothing is. */
    public static function amount(string $typed, Currency $currency): ?Money
    {
        return trim($typed) === '' ? null : TypedAmount::read($typed, $currency);
    }

    /** @return array<int, ?Money> */
    private function takes(Currency $currency): array
    {
        return array_map(static fn (string $typed): ?Money => self::amount($typed, $currency), $this->typed());
    }

    private function reductions(Currency $currency): Reductions
    {
        $deductions = array_map(
            static fn (array $of): DeductionEntry => new DeductionEntry($of['code'], $of['item'], self::amount($of['amount'], $currency)),
            $this->deductionTexts(),
        );

        return new Reductions($this->discounts(), $deductions, $this->lines(), $this->instalments());
    }
}
