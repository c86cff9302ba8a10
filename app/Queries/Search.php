<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use App\Models\Customer;
use App\Models\Item;
use App\Models\Posting;
use App\Models\Voucher;
use App\Support\PlainText;

/** Finds documents, customers, vouchers, entries, statement lines and amounts by what a person types. */
final readonly class Search
{
    private const MOST = 50;

    public function __construct(private Settings $settings, private StatementLines $money) {}

    public function for(string $asked): Found
    {
        if ($asked === '') {
            return new Found(collect(), collect(), collect(), collect(), []);
        }
        $within = PlainText::within($asked);
        $amount = $this->amount($asked);
        $items = Item::query()
            ->whereNull('superseded_at')
            ->where(
                static fn ($query) => $query
                    ->where('document', $asked)
                    ->orWhere('reference', $asked)
                    ->orWhereRaw("document LIKE ? ESCAPE '\\'", [substr($within, 1)])
                    ->when($amount !== null, static fn ($inner) => $inner->orWhere('amount', $amount)->orWhere('base', $amount)),
            )
            ->orderByDesc('date')
            ->limit(self::MOST)
            ->get();
        $customers = Customer::query()
            ->where('customer', $asked)
            ->orWhereRaw("plain_text(name) LIKE ? ESCAPE '\\'", [$within])
            ->orWhereRaw("plain_text(trading_name) LIKE ? ESCAPE '\\'", [$within])
            ->orderBy('customer')
            ->limit(self::MOST)
            ->get();
        if ($items->isEmpty() && $customers->isEmpty() && mb_strlen($asked) >= 3) {
            $items = Item::query()
                ->whereNull('superseded_at')
                ->whereRaw("document LIKE ? ESCAPE '\\'", [$within])
                ->orderByDesc('date')
                ->limit(self::MOST)
                ->get();
        }
        $vouchers = Voucher::query()->where('number', $asked)->limit(self::MOST)->get();
        $postings = Posting::query()
            ->whereNull('superseded_at')
            ->where(
                static fn ($query) => $query
                    ->where('entry', $asked)
                    ->orWhere('batch', $asked)
                    ->orWhere('document', $asked)
                    ->when($amount !== null, static fn ($inner) => $inner->orWhere('base', $amount)->orWhere('base', -(int) $amount)),
            )
            ->orderByDesc('date')
            ->limit(self::MOST)
            ->get();

        $money =
            $amount === null && $items->isEmpty() && $customers->isEmpty()
                ? $this->money->saying($asked, self::MOST)
                : $this->money->named($asked, $amount, self::MOST);

        $found = [$items->count(), $customers->count(), $postings->count(), count($money)];
        $known = array_column($money, 1);

        return new Found($items, $customers, $vouchers, $postings, $money, match (true) {
            $vouchers->count() === 1 => route('voucher', $vouchers->firstOrFail()->id),
            $found === [0, 1, 0, 0] => route('customer', $customers->firstOrFail()->id),
            $amount !== null => null,
            $found === [0, 0, 0, 1] => $known[0] !== null ? route('document', $known[0]) : route('receipts', ['line' => $money[0][0]->id]),
            $items->count() === 1 && $customers->isEmpty() && array_diff($known, [$items->firstOrFail()->root_id]) === [] => route(
                'document', $items->firstOrFail()->root_id,
            ),
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
