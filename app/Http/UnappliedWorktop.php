<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proposal\Proposal;
use Ajuste\Core\Proposal\Settles;
use Ajuste\Core\Proposal\Way;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\DiscountOffer;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\OpenItem;
use App\Actions\SettleItems;
use App\Http\Pictures\Ribbons;
use App\Models\Customer;
use App\Queries\DepositShares;
use App\Queries\DiscountOffers;
use App\Queries\FittingMatches;
use App\Queries\ItemCurrencies;
use App\Queries\Proposals;
use App\Queries\Settings;
use App\Queries\Unapplied;
use App\Values\MatchRequest;
use App\Values\Rehearsal;
use Illuminate\Http\Request;

/** What the worktop of one customer's unapplied items shows. */
final readonly class UnappliedWorktop
{
    /** Credits for which a proposal is shown. */
    private const PROPOSALS = 12;

    public function __construct(
        private Settings $settings,
        private Unapplied $unapplied,
        private Proposals $proposals,
        private DiscountOffers $offers,
        private DepositShares $shares,
        private SettleItems $settle,
        private ItemCurrencies $currencies,
        private ItemMarks $marks,
    ) {}

    /** @return array<string, mixed> */
    public function of(Request $request, ViewPoint $at, ?Customer $chosen): array
    {
        $items = $chosen === null ? [] : $this->unapplied->items($at->account, $chosen->id, $at->asOf);
        $debits = array_filter($items, static fn (OpenItem $item): bool => $item->isDebit());
        $currencies = array_values(array_unique(array_map(static fn (OpenItem $item): string => $item->takeable->currency->code, $debits)));
        $input = (array) $request->old();

        return [
            'chosen' => $chosen,
            'items' => $items,
            'filled' => FilledForm::ofInput($input),
            'key' => bin2hex(random_bytes(16)),
            'lookAgain' => Day::plus($at->asOf, 30),
            'currencies' => $currencies,
            'control' => $at->account,
            'proposals' => $this->proposals($at, $items),
            'discounts' => $this->discounts($items),
            ...$request->boolean('with_lines') ? $this->marks->withLines($items, $at->asOf) : $this->marks->of($items, $at->asOf),
            ...$this->rehearsed($input, $chosen->id ?? 0, $at),
        ];
    }

    /**
     * @param array<array-key, mixed> $input what was sent, or was sent before and refused
     * @return array<string, mixed>
     */
    public function rehearsed(array $input, int $customerId, ViewPoint $at): array
    {
        try {
            $rehearsal = $this->settle->rehearse($this->request($input, $customerId), $at->account);
        } catch (Refusal $refusal) {
            // an amount or a day that cannot be read
            $rehearsal = Rehearsal::refused($refusal->getMessage(), $refusal->kind);
        }
        $ticks = array_values(array_filter($rehearsal->ticks, static fn (Tick $tick): bool => $tick->amount->isPositive()));

        return [
            'rehearsal' => $rehearsal,
            'base' => $this->settings->base(),
            'ribbons' => $ticks === [] ? null : Ribbons::of($ticks, $rehearsal->plan),
        ];
    }

    public function hasCertain(ViewPoint $at, int $customerId): bool
    {
        $items = $this->unapplied->items($at->account, $customerId, $at->asOf);

        return array_filter($this->proposals($at, $items), static fn (ProposedTicks $found): bool => $found->certain) !== [];
    }

    /**
     * @param array<array-key, mixed> $input
     *
     * @throws Refusal when an amount or a day cannot be read
     */
    public function request(array $input, int $customerId): MatchRequest
    {
        $form = new WorktopForm($input);

        return $form->match($customerId, $this->currencies->settling($form->ticked()));
    }

    /**
     * What each invoice offers to the credit that came first; the others have less time.
     *
     * @param list<OpenItem> $items
     * @return array<int, Money> by item id
     */
    private function discounts(array $items): array
    {
        $credits = array_values(array_filter($items, static fn (OpenItem $item): bool => ! $item->isDebit()));
        $dates = $this->offers->valueDates($credits);

        return $dates === []
            ? []
            : array_map(static fn (DiscountOffer $offer): Money => $offer->onTheRest(min($dates)), $this->offers->of($items));
    }

    /**
     * What each unapplied credit could settle; what was deducted or is left over is for a person to say.
     *
     * @param list<OpenItem> $items
     * @return list<ProposedTicks> the surest first
     */
    private function proposals(ViewPoint $at, array $items): array
    {
        $found = [];
        $isOwn = static fn (OpenItem $item): bool => $item->head->account->controlAccountId === $at->account->id;
        $own = array_values(array_filter($items, $isOwn));
        foreach (array_slice(array_filter($items, static fn (OpenItem $item): bool => ! $item->isDebit()), 0, self::PROPOSALS) as $credit) {
            $credit = $isOwn($credit) ? $credit : $credit->countedAs($this->shares->of($credit)->openGross());
            $proposal = $this->proposals->forItem($credit, $own);
            $sure = FittingMatches::isCertain($proposal);
            // What was open on its own day comes first; what was only invoiced since is for a person to judge.
            $proposal = $proposal->settles !== [] ? $proposal : $this->proposals->forItem($credit, $own, max($credit->date, $at->asOf));
            if ($proposal->settles !== []) {
                $found[] = new ProposedTicks($credit, $proposal, self::ticks($credit, $proposal), $sure);
            }
        }
        $order = array_flip(array_column(Way::cases(), 'value'));
        $rank = static fn (ProposedTicks $of): array => [! $of->certain, $order[$of->proposal->how->value], ! $of->proposal->only];
        usort($found, static fn (ProposedTicks $one, ProposedTicks $other): int => $rank($one) <=> $rank($other));

        return $found;
    }

    /** What a proposal ticks, as JSON for the page. */
    private static function ticks(OpenItem $credit, Proposal $proposal): string
    {
        $decimal = static fn (int $minor): string => Money::ofMinor($minor, $credit->takeable->currency)->decimal();
        $amounts = [$credit->id => $proposal->unapplied > 0 ? $decimal($credit->takeable->minor - $proposal->unapplied) : ''];
        foreach ($proposal->settles as $settles) {
            $amounts[$settles->item->id] = $settles->amount === $settles->item->open ? '' : $decimal($settles->amount);
        }
        $taken = array_filter($proposal->settles, static fn (Settles $settles): bool => $settles->discount > 0);
        $discounts = array_values(array_map(static fn (Settles $settles): int => $settles->item->id, $taken));

        return json_encode(['amounts' => (object) $amounts, 'discounts' => $discounts], JSON_THROW_ON_ERROR);
    }
}
