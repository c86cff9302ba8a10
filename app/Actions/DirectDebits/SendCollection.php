<?php

declare(strict_types=1);

namespace App\Actions\DirectDebits;

use Ajuste\Core\DirectDebit\Debit;
use Ajuste\Core\DirectDebit\DirectDebits;
use Ajuste\Core\Exchange\Bank\CollectionOrder;
use Ajuste\Core\Exchange\Bank\Creditor;
use Ajuste\Core\Exchange\Bank\OrderAnswer;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Queries\CollectedDebit;
use App\Queries\DebitCollection;
use App\Queries\DebitCollections;
use App\Queries\MoneyAccounts;
use App\Queries\Settings;
use App\StandIn\Bank;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use App\Values\Notice;
use Illuminate\Support\Facades\DB;

/**
 * Asks the bank to collect. What it takes becomes receipts of the collection's day, matched with what they pay: a batch for each sum that
 * the bank will credit. What it refuses stays open.
 */
final readonly class SendCollection
{
    public function __construct(
        private Settings $settings,
        private DebitCollections $collections,
        private CollectionCheck $check,
        private MoneyAccounts $accounts,
        private Bank $bank,
        private PostCollected $receipts,
        private Actor $actor,
        private AuditTrail $audit,
    ) {}

    /**
     * @param string $today by the clock
     *
     * @throws Refusal when it is sent already, a payer was not told in time and no shorter notice is agreed, or one of its items is not
     *                 what it was when the collection was prepared
     */
    public function send(string $key, int $collectionId, Account $control, string $today, Notice $notice): void
    {
        Once::for($key, function () use ($key, $collectionId, $control, $today, $notice): int {
            $collection = $this->collections->find($collectionId);
            $collection->refuseSent();
            $this->check->refuseLate($collection, $notice);
            $this->check->refuseChanged($collection, $control);
            $asked = self::asked($collection);
            $file = CollectionOrder::written($collection->message(), $today, $collection->day, $this->creditor(), $asked);
            $answer = $this->bank->answer($file);
            DB::table('collections_sent')->insert([
                'collection_id' => $collectionId,
                'file' => $file,
                'answer' => $answer,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('send collection', "collection {$collectionId}", '', [
                'message' => $collection->message(), 'sum' => $collection->sum()->decimal(), 'notice' => $notice->value,
            ]);
            $this->take($key, $collection, OrderAnswer::read($answer), $control);

            return $collectionId;
        });
    }

    private function creditor(): Creditor
    {
        return new Creditor(
            $this->settings->booksName() ?: 'Receivables',
            $this->accounts->own(Currency::of(DirectDebits::CURRENCY))->number,
            $this->settings->now()->text(Setting::CreditorIdentifier),
        );
    }

    /** @return non-empty-list<Debit> */
    private static function asked(DebitCollection $collection): array
    {
        $asked = array_map(static fn (CollectedDebit $debit): Debit => $debit->asked(), $collection->debits);
        assert($asked !== []);

        return $asked;
    }

    /** @param  array<string, array{bool, string}>  $said whether the bank takes it, and why not, by end-to-end reference */
    private function take(string $key, DebitCollection $collection, array $said, Account $control): void
    {
        $byName = array_column($collection->debits, null, 'endToEnd');
        foreach (CollectionOrder::groups(self::asked($collection)) as $place => $group) {
            $taken = [];
            foreach ($group as $asked) {
                [$accepted, $why] = $said[$asked->endToEnd] ?? [false, 'the bank did not answer'];
                if ($accepted) {
                    $taken[] = $byName[$asked->endToEnd];

                    continue;
                }
                DB::table('collection_answers')->insert([
                    'debit_id' => $byName[$asked->endToEnd]->id, 'line_id' => null, 'why' => $why !== '' ? $why : 'no reason was given',
                ]);
            }
            if ($taken !== []) {
                $name = CollectionOrder::information($collection->message(), $place);
                $this->receipts->post("{$key}-{$place}", $name, $collection, $taken, $control);
            }
        }
    }
}
