<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Proposal\Confirmation;
use Ajuste\Core\Proposal\PayerGuess;
use Ajuste\Core\Proposal\Proposal;
use Ajuste\Core\Proposal\Way;
use Ajuste\Core\Settlement\RestPlace;
use App\Actions\Receipts\ReceiptRequest;

/** A line of money with whose it may be, the surest first, and what it may confirm or settle where that is sure. */
final readonly class LineGuess
{
    /** @param  list<PayerGuess>  $payers */
    public function __construct(public MoneyLine $line, public array $payers, public bool $sure, public ?Proposal $proposal, public ?Confirmation $confirmation = null) {}

    /** Whether one keystroke may post it: it confirms what is posted, or its payer is sure, quoted or of the same amount, the only such. */
    public function isCertain(): bool
    {
        return $this->confirmation->sure ?? $this->proposal?->isSure() ?? false;
    }

    /** What accepting a proposal asks for. */
    public static function requestFor(MoneyLine $line, int $customerId, ?Proposal $proposal): ReceiptRequest
    {
        $typed = $discounts = [];
        foreach ($proposal->settles ?? [] as $settles) {
            // A part is proposed where the order of age fills the last item; what is quoted short is to be explained.
            $part = $proposal?->how !== Way::QuotedShort && $settles->amount !== $settles->item->open;
            $typed[$settles->item->id] = $part ? Money::ofMinor($settles->amount, $line->amount->currency)->decimal() : '';
            if ($settles->discount > 0) {
                $discounts[] = $settles->item->id;
            }
        }

        return new ReceiptRequest($line->id, $customerId, $typed, $discounts, rest: RestPlace::Unapplied);
    }

    public function rank(): int
    {
        return match (true) {
            $this->confirmation !== null => $this->confirmation->sure ? 0 : 50,
            $this->isCertain() => 1,
            $this->sure => 2 + (int) array_search($this->proposal?->how, Way::cases(), true),
            default => 99,
        };
    }

    /** What kind of work it is: lines of a kind can be looked at and accepted together. */
    public function kind(): string
    {
        return match (true) {
            $this->confirmation !== null => $this->confirmation->sure ? 'posted already' : 'posted already?',
            $this->line->amount->minor < 0 => 'came back',
            ! $this->sure => $this->payers === [] ? 'payer unknown' : 'payer not sure',
            $this->proposal === null => 'to place',
            default => $this->proposal->how->words().($this->proposal->only || $this->proposal->how === Way::ByOrder ? '' : ', not the only way'),
        };
    }
}
