<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\BalanceTakenOver;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Refusal;
use App\Actions\Import\TypeRow;
use App\Actions\Posting\Once;
use App\Queries\Reports;
use App\Queries\Settings;
use Illuminate\Support\Facades\DB;

/**
 * Where there are no ledger lines, only a balance: the items up to its day are taken as they stand, each with a line of its own, and what
 * the balance has beside them is brought forward as one sum, which the proof then names.
 */
final readonly class TakeBalanceOver
{
    public function __construct(
        private Reports $reports,
        private TypeRow $type,
        private Settings $settings,
    ) {}

    /**
     * @param Money $balance of the control account at the day's end, base currency, debit-positive
     * @return int the import
     *
     * @throws Refusal when the ledger has lines of the account already, or nothing is to be brought forward
     */
    public function post(string $key, Account $control, string $day, Money $balance): int
    {
        $done = Once::result($key);
        if ($done !== null) {
            return (int) $done;
        }
        if (DB::table('postings')->where('account_id', $control->id)->whereNull('superseded_at')->exists()) {
            throw new Refusal("The ledger has lines of {$control->number} already; its balance is what they come to.");
        }
        $taken = BalanceTakenOver::of($this->reports->proof($control, $day)->lines, $balance->minor);
        $rows = array_map(
            fn (CauseLine $of): array => $this->row(
                $control, $of->date(), $of->document(), $of->amount, 'taken over as it stands', 'taken over',
            ),
            $taken->items,
        );
        if ($taken->rest !== 0) {
            $rows[] = $this->row($control, $day, '', $taken->rest, 'Balance brought forward beside the open items', 'opening');
        }

        return $this->type->post($key, FileKind::Ledger, $rows);
    }

    /** @return array<string, string> */
    private function row(Account $control, string $date, string $document, int $minor, string $text, string $source): array
    {
        $amount = Money::ofMinor(abs($minor), $this->settings->base())->decimal();

        return [
            'entry' => "BF-{$control->number}-{$date}", 'date' => $date, 'account' => $control->number, 'description' => $text,
            'debit' => $minor > 0 ? $amount : '', 'credit' => $minor < 0 ? $amount : '', 'document' => $document, 'source' => $source,
        ];
    }
}
