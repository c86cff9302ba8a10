<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Proof\Proof;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Proofs as they stood when their periods were locked: where the next proof starts (R12). */
final class SignedProofs
{
    /** @return ?stdClass the row of the latest that was signed on or before the day */
    public static function before(int $accountId, string $asOf): ?stdClass
    {
        return DB::table('signed_proofs')
            ->where('account_id', $accountId)
            ->where('through', '<=', $asOf)
            ->orderByDesc('through')
            ->orderByDesc('id')
            ->first();
    }

    /** Keeps which lines a proof leaves open. To be called in the transaction that locks its period. */
    public static function keep(int $accountId, Proof $proof, bool $itemsNameEntries): void
    {
        $id = DB::table('signed_proofs')->insertGetId([
            'account_id' => $accountId,
            'through' => $proof->asOf,
            'last_posting' => (int) DB::table('postings')->max('id'),
            'last_item' => (int) DB::table('items')->max('id'),
            'items_name_entries' => (int) $itemsNameEntries,
            'recorded_at' => Moment::now(),
            'postings' => DB::table('postings')
                ->where('account_id', $accountId)
                ->where('date', '<=', $proof->asOf)
                ->whereNull('superseded_at')
                ->count(),
            'items' => DB::table('items')
                ->where('control_account_id', $accountId)
                ->where('date', '<=', $proof->asOf)
                ->whereNull('superseded_at')
                ->count(),
        ]);
        foreach ($proof->lines as $line) {
            foreach ($line->postings as $posting) {
                DB::table('signed_proof_open')->insert(['signed_proof_id' => $id, 'posting_id' => $posting->id]);
            }
            foreach ($line->items as $item) {
                DB::table('signed_proof_open')->insert(['signed_proof_id' => $id, 'item_id' => $item->id]);
            }
        }
    }
}
