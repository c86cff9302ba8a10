<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Proposal\PayerGuess;
use Ajuste\Core\Proposal\Proposal;
use Ajuste\Core\Proposal\Way;
use App\Actions\ReceiptRequest;

/** A bank line with whose money it may be, the surest first, and what it may settle where that is sure. */
final readonly class PlacedGuess
{
    /** @param  list<PayerGuess>  $payers */
    public function __construct(public BankLine $line, public array $payers, public bool $sure, public ?Proposal $proposal) {}

    /** Whether one keystroke may post it: payer sure, quoted or exact, the only such. */
    public function isCertain(): bool
    {
        return $this->proposal !== null && $this->proposal->only && in_array($this->proposal->how, [Way::Quoted, Way::Exact, Way::ExactNet], true);
    }

    /** What accepting the proposal asks for. */
    public function request(): ReceiptRequest
    {
        $typed = $discounts = [];
        foreach ($this->proposal->settles ?? [] as $settles) {
            $typed[$settles->item->id] = $settles->amount === $settles->item->open ? '' : Money::ofMinor($settles->amount, $this->line->amount->currency)->decimal();
            if ($settles->discount > 0) {
                $discounts[] = $settles->item->id;
            }
        }

        return new ReceiptRequest($this->line->id, $this->payers[0]->customerId ?? 0, $typed, $discounts);
    }

    public function rank(): int
    {
        return $this->isCertain() ? 0 : ($this->sure ? 1 + (int) array_search($this->proposal?->how, Way::cases(), true) : 99);
    }

    public function words(): string
    {
        return match (true) {
            ! $this->sure => $this->payers === [] ? 'payer unknown' : 'payer not sure',
            $this->proposal === null => '',
            default => $this->proposal->how->words().($this->proposal->only || $this->proposal->how === Way::ByOrder ? '' : ', not the only way'),
        };
    }
}
