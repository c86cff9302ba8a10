<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Ref;
use Ajuste\Core\Proposal\Confirmation;
use Ajuste\Core\Proposal\PayerGuess;
use Ajuste\Core\Proposal\PayerRecognition;
use Ajuste\Core\Proposal\Proposal;
use Ajuste\Core\Proposal\Settles;
use Ajuste\Core\Proposal\Way;
use Ajuste\Core\Settlement\RestPlace;
use Ajuste\Core\Subledger\CustomerAccount;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use App\Values\ReceiptRequest;
use App\Values\Reductions;

/** A statement line with whose it may be, the surest first, and what it may confirm or settle where that is sure. */
final readonly class LineGuess
{
    /** @param  list<PayerGuess>  $payers */
    public function __construct(
        public StatementLine $line,
        public array $payers,
        public ?Proposal $proposal,
        public ?Confirmation $confirmation = null,
    ) {}

    /** Whether it is sure whose money it is. */
    public function isSure(): bool
    {
        return PayerRecognition::isSure($this->payers);
    }

    /** Whether one keystroke may post it: it confirms what is posted, or its payer is sure, quoted or of the same amount, the only such. */
    public function isCertain(): bool
    {
        return $this->confirmation->sure ?? ($this->proposal?->isSure() ?? false);
    }

    /** Names what a person sees of the line, so that accepting it accepts just that. */
    public function digest(): string
    {
        $settles = array_map(
            static fn (Settles $of): string => "{$of->item->id} {$of->item->document} {$of->amount} {$of->discount}",
            $this->proposal->settles ?? [],
        );

        return hash(
            'xxh3',
            implode('|', [
                $this->line->digest(),
                $this->payers[0]->customerId ?? 0,
                $this->proposal->how->value ?? '',
                ...$settles,
                $this->confirmation->postingId ?? '',
            ]),
        );
    }

    /** The line as the unapplied credit that it will be, for proposals. */
    public static function asCredit(StatementLine $line, Account $control, Currency $base): OpenItem
    {
        $amount = $line->amount->abs()->plus($line->charges);
        $account = new CustomerAccount($line->origin->customerId ?? 0, $control->id);
        $head = ItemHead::credit($line->reference, Kind::Receipt, $account, $line->dates->value, $line->payer->remittance);

        return OpenItem::planned(Ref::planned(0), $head, $amount, Money::zero($base));
    }

    /** What accepting a proposal asks for. */
    public static function requestFor(StatementLine $line, int $customerId, ?Proposal $proposal): ReceiptRequest
    {
        $takes = $discounts = [];
        foreach ($proposal->settles ?? [] as $settles) {
            // A part is proposed where the order of age fills the last item; what is quoted short is to be explained.
            $part = $proposal?->how !== Way::QuotedShort && $settles->amount !== $settles->item->open;
            $takes[$settles->item->id] = $part ? Money::ofMinor($settles->amount, $line->amount->currency) : null;
            if ($settles->discount > 0) {
                $discounts[] = $settles->item->id;
            }
        }

        return new ReceiptRequest($line->id, $customerId, $takes, new Reductions($discounts), rest: RestPlace::Unapplied);
    }

    public function rank(): int
    {
        return match (true) {
            $this->line->origin->mayBe !== null => 49,
            $this->confirmation !== null => $this->confirmation->sure ? 0 : 50,
            $this->isCertain() => 1,
            $this->isSure() => 2 + (int) array_search($this->proposal?->how, Way::cases(), true),
            default => 99,
        };
    }

    /** What kind of work it is: lines of a kind can be looked at and accepted together. */
    public function kind(): string
    {
        return match (true) {
            $this->line->origin->mayBe !== null => 'named twice?',
            $this->confirmation !== null => $this->confirmation->sure ? 'posted already' : 'posted already?',
            $this->line->amount->isNegative() => 'came back',
            ! $this->isSure() => $this->payers === [] ? 'payer unknown' : 'payer not sure',
            $this->proposal === null => 'to place',
            default => $this->proposal->how->words().
                ($this->proposal->only || $this->proposal->how === Way::ByOrder ? '' : ', not the only way'),
        };
    }
}
