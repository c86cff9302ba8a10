<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Voucher as CoreVoucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Kind;
use App\Models\Posting;
use App\Models\Voucher;
use App\Queries\Settings;
use Illuminate\Support\Facades\DB;

/** Writes the mirror of a posted voucher. */
final readonly class VoucherReversal
{
    public function __construct(private Settings $settings) {}

    /** Why a voucher cannot be reversed by itself; null when it can. */
    public function refusal(Voucher $voucher): ?string
    {
        return match (true) {
            $voucher->run_id !== null, $voucher->settlement_id !== null, self::carriesOthers($voucher), DB::table('placements')->where('voucher_id', $voucher->id)->exists() => "{$voucher->number} was caused by a match, a receipt or a run, and is reversed with it.",
            $voucher->reverses_id !== null, Voucher::query()->where('reverses_id', $voucher->id)->exists() => "{$voucher->number} is reversed already, or is itself a reversal.",
            default => null,
        };
    }

    /** Items that something else hangs on: all but an adjustment that is open in full, which goes back with its voucher. */
    private static function carriesOthers(Voucher $voucher): bool
    {
        return DB::table('items as i')->join('item_positions as p', 'p.item_id', '=', 'i.root_id')->where('i.voucher_id', $voucher->id)
            ->where(static fn ($query) => $query->where('i.kind', '<>', Kind::Adjustment->value)->orWhere('p.matched', '>', 0))->exists();
    }

    public function post(Recorder $record, Voucher $voucher, string $date): PostedVoucher
    {
        $mirror = $this->posted($voucher)->mirrored($date, "Reversal of {$voucher->number}");

        return $record->voucher($mirror, runId: $voucher->run_id, settlementId: $voucher->settlement_id, reversesId: $voucher->id);
    }

    /** A posted voucher as the core knows it. */
    public function posted(Voucher $voucher): CoreVoucher
    {
        $base = $this->settings->base();
        $lines = $voucher->postings->map(fn (Posting $posting): VoucherLine => new VoucherLine(
            $this->settings->accounts()->withId($posting->account_id), Money::ofMinor($posting->base, $base), $posting->description, $posting->document, $posting->customer,
            $posting->currency_amount === null ? null : Money::ofMinor($posting->currency_amount, $posting->currency), $posting->reference,
        ))->all();
        assert($lines !== []);

        return new CoreVoucher($voucher->date, $voucher->text, array_values($lines));
    }
}
