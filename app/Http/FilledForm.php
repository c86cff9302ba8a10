<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\RestPlace;
use App\Values\DeductionEntry;
use App\Values\MatchRequest;
use App\Values\ReceiptRequest;
use App\Values\Reductions;

/** The texts that stand in a worktop's form: what is proposed, kept or was typed before. */
final class FilledForm
{
    /** @var array<int, string> amount by item id, of those that are ticked; blank: as much as there is */
    public array $typed = [];

    /** @var list<int> items whose discount is taken */
    public array $discounts = [];

    /** @var list<array{code: string, item: int, amount: string}> */
    public array $deductions = [];

    /** @var array<int, string> due date of the instalment that is meant, by item id */
    public array $instalments = [];

    /** @var array<int, list<string>> lines of an invoice that are meant, by item id */
    public array $lines = [];

    /** @var array<int, string> what a credit in other money is worth, by item id */
    public array $worth = [];

    public string $charges = '';

    public ?RestPlace $rest = RestPlace::Unapplied;

    /** Currency of the invoices, where it is not the line's own. */
    public string $currency = '';

    /** What the receipt is worth in that. */
    public string $amount = '';

    public string $depositTax = '';

    public string $date = '';

    public static function ofReceipt(ReceiptRequest $request): self
    {
        $form = new self();
        $form->fill($request->takes, $request->less);
        $form->charges = self::text($request->charges);
        $form->rest = $request->rest;
        $form->currency = $request->worth->currency->code ?? '';
        $form->amount = $request->worth?->isZero() === true ? '' : self::text($request->worth);
        $form->depositTax = $request->depositTax;

        return $form;
    }

    public static function ofMatch(MatchRequest $request): self
    {
        $form = new self();
        $form->fill($request->takes, $request->less);
        $form->worth = array_map(self::text(...), $request->worth);
        $form->date = $request->date ?? '';

        return $form;
    }

    /** @param  array<array-key, mixed>  $input what was sent before and refused */
    public static function ofInput(array $input): self
    {
        $read = new WorktopForm($input);
        $form = new self();
        $form->typed = $read->typed();
        $form->discounts = $read->discounts();
        $form->deductions = $read->deductionTexts();
        $form->lines = $read->lines();
        $form->instalments = $read->instalments();
        $form->worth = array_filter($read->texts('worth'), is_string(...));
        $form->charges = $read->text('kept_back');
        $form->rest = RestPlace::tryFrom($read->text('rest'));
        $form->currency = $read->text('currency');
        $form->amount = $read->text('worth');
        $form->depositTax = $read->text('deposit_tax');
        $form->date = $read->text('date');

        return $form;
    }

    /** @param  array<int, ?Money>  $takes */
    private function fill(array $takes, Reductions $less): void
    {
        $this->typed = array_map(self::text(...), $takes);
        $this->discounts = $less->discounts;
        $this->lines = $less->lines;
        $this->instalments = $less->instalments;
        $this->deductions = array_map(
            static fn (DeductionEntry $of): array => ['code' => $of->code, 'item' => $of->itemId, 'amount' => self::text($of->amount)],
            $less->deductions,
        );
    }

    private static function text(?Money $amount): string
    {
        return $amount?->decimal() ?? '';
    }
}
