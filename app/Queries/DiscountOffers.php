<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Calendar\Terms;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\DiscountChoice;
use Ajuste\Core\Settlement\DiscountDecision;
use Ajuste\Core\Settlement\DiscountOffer;
use Ajuste\Core\Settlement\EarlyPaymentDiscount;
use Ajuste\Core\Settlement\PartPayments;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Paid;
use Ajuste\Core\Subledger\Timeline;
use Illuminate\Support\Facades\DB;

/** The early payment discounts that invoices offer by their terms, and what persons decided about them (R4). */
final readonly class DiscountOffers
{
    public function __construct(private Settings $settings, private Timelines $timelines) {}

    /**
     * @param list<OpenItem> $items
     * @return array<int, DiscountOffer> by item id; none for items without a discount
     */
    public function of(array $items): array
    {
        $discounts = [];
        $with = array_values(
            array_filter($items, static fn (OpenItem $item): bool => $item->kind->isInvoice() && $item->head->terms !== ''),
        );
        $decided = $this->decisions($with);
        foreach ($with as $item) {
            $discount = $this->discount($item, $decided[$item->id] ?? null);
            if ($discount !== null) {
                $discounts[$item->id] = [$item, $discount];
            }
        }
        $timelines = $this->timelines->of(array_keys($discounts));
        $policy = PartPayments::from($this->settings->now()->text(Setting::DiscountPartPayments));
        $offers = [];
        foreach ($discounts as $id => [$item, $discount]) {
            $offers[$id] = DiscountOffer::of($discount, $item, self::paid($timelines[$id] ?? null, $item), $policy);
        }

        return $offers;
    }

    /**
     * What settling each whole by money of one value date would take along.
     *
     * @param list<OpenItem> $items
     * @return array<int, Money> by item id; without those that offer nothing then
     */
    public function onTheRest(array $items, string $valueDate): array
    {
        $rest = array_map(static fn (DiscountOffer $offer): Money => $offer->onTheRest($valueDate), $this->of($items));

        return array_filter($rest, static fn (Money $discount): bool => $discount->isPositive());
    }

    /**
     * What persons decided; the last decision holds.
     *
     * @param list<OpenItem> $items
     * @return array<int, DiscountDecision> by item id
     */
    public function decisions(array $items): array
    {
        $decided = [];
        foreach (array_chunk(array_map(static fn (OpenItem $item): int => $item->id, $items), 500) as $some) {
            foreach (DB::table('discount_decisions')->whereIn('item_id', $some)->orderBy('id')->get() as $row) {
                $decided[(int) $row->item_id] = new DiscountDecision(DiscountChoice::from($row->choice), $row->until, $row->reason);
            }
        }

        return $decided;
    }

    /**
     * The day by which a discount is measured: the bank's value date of the money, never the day of the match.
     *
     * @param list<OpenItem> $credits
     * @return array<int, string> by item id
     */
    public function valueDates(array $credits): array
    {
        $dates = [];
        foreach ($credits as $credit) {
            $dates[$credit->id] = $credit->date;
        }
        foreach (array_chunk(array_keys($dates), 500) as $some) {
            $lines = DB::table('placements as p')
                ->join('money_lines as m', 'm.id', '=', 'p.line_id')
                ->where('p.kind', 'receipt')
                ->whereIn('p.item_id', $some);
            foreach ($lines->orderBy('p.id')->pluck('m.value_date', 'p.item_id') as $id => $date) {
                $dates[(int) $id] = (string) $date;
            }
        }

        return $dates;
    }

    private function discount(OpenItem $item, ?DiscountDecision $decision): ?EarlyPaymentDiscount
    {
        try {
            return EarlyPaymentDiscount::of(
                Terms::parse($item->head->terms),
                $item->date,
                $this->settings->now()->whole(Setting::DiscountGraceDays),
                $decision,
            );
        } catch (Refusal) {
            // terms that are none offer nothing
            return null;
        }
    }

    private static function paid(?Timeline $timeline, OpenItem $item): Paid
    {
        $nil = Money::zero($item->amount->currency);

        return $timeline === null ? new Paid($nil, $nil, $nil) : $timeline->paid($timeline->lastDay(), $nil);
    }
}
