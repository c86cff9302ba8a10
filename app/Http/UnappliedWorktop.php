<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proposal\Proposal;
use Ajuste\Core\Proposal\Settles;
use Ajuste\Core\Proposal\Way;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use App\Actions\MatchRequest;
use App\Actions\SettleItems;
use App\Http\Pictures\Ribbons;
use App\Models\Customer;
use App\Queries\Contested;
use App\Queries\DeductionReasons;
use App\Queries\DepositTaxes;
use App\Queries\FittingMatches;
use App\Queries\InvoiceLines;
use App\Queries\Proposals;
use App\Queries\Settings;
use App\Queries\Unapplied;
use Illuminate\Http\Request;

/** What the worktop of one customer's loose items shows. */
final readonly class UnappliedWorktop
{
    /** Credits for which a proposal is shown. */
    private const PROPOSALS = 12;

    public function __construct(private Settings $settings, private Unapplied $unapplied, private Proposals $proposals, private DepositTaxes $taxes, private SettleItems $settle, private InvoiceLines $invoiceLines, private Contested $contested, private DeductionReasons $reasons) {}

    /** @return array<string, mixed> */
    public function of(Request $request, ViewPoint $at, ?Customer $chosen): array
    {
        $items = $chosen === null ? [] : $this->unapplied->items($at->account, $chosen->id, $at->asOf);
        $filled = self::request((array) $request->old(), $chosen->id ?? 0);
        $credits = array_map($this->proposals->valueDate(...), array_filter($items, static fn (OpenItem $item): bool => $item->side === Side::Credit));
        $currencies = array_values(array_unique(array_map(static fn (OpenItem $item): string => $item->open->currency->code, array_filter($items, static fn (OpenItem $item): bool => $item->side === Side::Debit))));

        return [
            'chosen' => $chosen, 'items' => $items, 'filled' => $filled, 'key' => bin2hex(random_bytes(16)), 'lookAgain' => Day::plus($at->asOf, 30), 'currencies' => $currencies, 'control' => $at->account,
            'proposals' => $this->proposals($at, $items), 'reasons' => $this->reasons->all(), 'contested' => $this->contested->of($items, $at->asOf),
            'discounts' => $credits === [] ? [] : $this->proposals->discounts($items, min($credits)), 'decisions' => $this->proposals->decisions($items),
            'itemLines' => $request->boolean('with_lines') ? $this->invoiceLines->described($items) : null,
            ...$this->rehearsed($filled, $at),
        ];
    }

    /** @return array<string, mixed> */
    public function rehearsed(MatchRequest $request, ViewPoint $at): array
    {
        $rehearsal = $this->settle->rehearse($request, $at->account);
        $ticks = $rehearsal->plan->ticks ?? $rehearsal->ticks;

        return [
            'rehearsal' => $rehearsal, 'base' => $this->settings->base(),
            'ribbons' => $ticks === [] ? null : new Ribbons(array_values(array_filter($ticks, static fn (Tick $tick): bool => $tick->amount->minor > 0)), $rehearsal->plan->matches ?? []),
        ];
    }

    public function hasCertain(ViewPoint $at, int $customerId): bool
    {
        return array_filter($this->proposals($at, $this->unapplied->items($at->account, $customerId, $at->asOf)), static fn (array $found): bool => $found[3]) !== [];
    }

    /** @param  array<array-key, mixed>  $input */
    public static function request(array $input, int $customerId): MatchRequest
    {
        $form = new WorktopForm($input);
        $date = $form->text('date');
        $worth = array_filter(array_intersect_key($form->texts('worth'), $form->typed()), static fn (string $typed): bool => trim($typed) !== '');

        return new MatchRequest($customerId, $form->typed(), $date === '' ? null : Day::of($date), $form->discounts(), $form->deductions(), $form->lines(), $worth);
    }

    /**
     * What each loose credit could settle; what is kept back or left over is for a person to say.
     *
     * @param list<OpenItem> $items
     * @return list<array{OpenItem, Proposal, string, bool}> the surest first, each with what it ticks as JSON and whether it is certain
     */
    private function proposals(ViewPoint $at, array $items): array
    {
        $found = [];
        $own = array_values(array_filter($items, static fn (OpenItem $item): bool => $item->controlAccountId === $at->account->id));
        foreach (array_slice(array_filter($items, static fn (OpenItem $item): bool => $item->side === Side::Credit), 0, self::PROPOSALS) as $credit) {
            $credit = $credit->controlAccountId === $at->account->id ? $credit : $credit->countedAs($this->taxes->shareOf($credit)->openGross());
            $proposal = $this->proposals->forItem($credit, $own);
            $sure = FittingMatches::isCertain($proposal);
            // What was open on its own day comes first; what was only invoiced since is for a person to judge.
            $proposal = $proposal->settles !== [] ? $proposal : $this->proposals->forItem($credit, $own, max($credit->date, $at->asOf));
            if ($proposal->settles !== []) {
                $found[] = [$credit, $proposal, self::ticks($credit, $proposal), $sure];
            }
        }
        $order = array_flip(array_column(Way::cases(), 'value'));
        usort($found, static fn (array $one, array $other): int => [$other[3], $order[$one[1]->how->value], $other[1]->only] <=> [$one[3], $order[$other[1]->how->value], $one[1]->only]);

        return $found;
    }

    private static function ticks(OpenItem $credit, Proposal $proposal): string
    {
        $decimal = static fn (int $minor): string => Money::ofMinor($minor, $credit->open->currency)->decimal();
        $amounts = [$credit->id => $proposal->unapplied > 0 ? $decimal($credit->open->minor - $proposal->unapplied) : ''];
        foreach ($proposal->settles as $settles) {
            $amounts[$settles->item->id] = $settles->amount === $settles->item->open ? '' : $decimal($settles->amount);
        }
        $discounts = array_values(array_map(static fn (Settles $settles): int => $settles->item->id, array_filter($proposal->settles, static fn (Settles $settles): bool => $settles->discount > 0)));

        return json_encode(['amounts' => (object) $amounts, 'discounts' => $discounts], JSON_THROW_ON_ERROR);
    }
}
