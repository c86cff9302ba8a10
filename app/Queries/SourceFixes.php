<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Proof\CauseLine;
use Illuminate\Support\Facades\DB;

/** What others were asked to mend at the source, and whether the books show it done. */
final readonly class SourceFixes
{
    public function __construct(private Reports $reports) {}

    /** @return list<SourceFix> open ones first, the oldest first */
    public function of(Account $account, string $asOf): array
    {
        $standing = [];
        foreach ($this->reports->proof($account, $asOf)->lines as $line) {
            $standing[$line->key()] = $line->amount;
        }
        $fixes = [];
        foreach (DB::table('source_fixes')->where('account_id', $account->id)->orderBy('id')->get() as $row) {
            $fixes[] = new SourceFix($row, ($standing[$row->cause_key] ?? null) !== $row->amount);
        }
        usort($fixes, static fn (SourceFix $one, SourceFix $other): int => $one->done <=> $other->done);

        return $fixes;
    }

    /** The line to send, as the cause tells it. */
    public static function suggested(CauseLine $line): string
    {
        return match ($line->cause->value) {
            'not_in_ledger' => 'Post it: ',
            'not_in_subledger' => 'Say which document it is, or take it back: ',
            'duplicate_in_ledger', 'duplicate_in_subledger' => 'Take the second one back: ',
            'wrong_account' => 'Put it onto the control account: ',
            default => 'Put it right: ',
        }.$line->note;
    }
}
