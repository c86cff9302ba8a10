<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use App\Models\Customer;
use App\Models\Item;
use App\Models\Posting;
use App\Models\Voucher;

/** Finds documents, customers, vouchers, entries, lines of money and amounts by what a person types. */
final readonly class Search
{
    private const MOST = 50;

    public function __construct(private Settings $settings, private MoneyLines $money) {}

    public function for(string $asked): Found
    {
        if ($asked === '') {
            return new Found(collect(), collect(), collect(), collect(), []);
        }
        $starts = addcslashes($asked, '%_\\').'%';
        $amount = $this->amount($asked);
        $items = Item::query()->whereNull('superseded_at')
            ->where(static fn ($query) => $query->where('document', $asked)->orWhere('reference', $asked)->orWhereRaw("document LIKE ? ESCAPE '\\'", [$starts])->when($amount !== null, static fn ($inner) => $inner->orWhere('amount', $amount)->orWhere('base', $amount)))
            ->orderByDesc('date')->limit(self::MOST)->get();
        $customers = Customer::query()->where('customer', $asked)->orWhereRaw("name LIKE ? ESCAPE '\\'", ["%{$starts}"])->orWhereRaw("trading_name LIKE ? ESCAPE '\\'", ["%{$starts}"])->orderBy('customer')->limit(self::MOST)->get();
        $vouchers = Voucher::query()->where('number', $asked)->limit(self::MOST)->get();
        $postings = Posting::query()->whereNull('superseded_at')
            ->where(static fn ($query) => $query->where('entry', $asked)->orWhere('batch', $asked)->orWhere('document', $asked)->when($amount !== null, static fn ($inner) => $inner->orWhere('base', $amount)->orWhere('base', -(int) $amount)))
            ->orderByDesc('date')->limit(self::MOST)->get();

        $money = $this->money->search($asked, $amount, $amount === null && $items->isEmpty() && $customers->isEmpty(), self::MOST);

        return new Found($items, $customers, $vouchers, $postings, $money, match (true) {
            $vouchers->count() === 1 => route('voucher', $vouchers->firstOrFail()->id),
            $items->count() === 1 && $customers->isEmpty() && $amount === null && array_diff(array_column($money, 1), [$items->firstOrFail()->root_id]) === [] => route('document', $items->firstOrFail()->root_id),
            $customers->count() === 1 && $items->isEmpty() && $postings->isEmpty() && $money === [] => route('customer', $customers->firstOrFail()->id),
            count($money) === 1 && $amount === null && $items->isEmpty() && $customers->isEmpty() && $postings->isEmpty() => $money[0][1] !== null ? route('document', $money[0][1]) : route('receipts', ['line' => $money[0][0]->id]),
            default => null,
        });
    }

    private function amount(string $asked): ?int
    {
        if (preg_match('/^0\d/', $asked) === 1) {
            return null; // a number of a cheque or document
        }
        try {
            return TypedAmount::read($asked, $this->settings->base())->minor;
        } catch (Refusal) {
            return null;
        }
    }
}
