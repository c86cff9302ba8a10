<?php

declare(strict_types=1);

namespace App\Actions\DirectDebits;

use Ajuste\Core\DirectDebit\Collectible;
use Ajuste\Core\DirectDebit\DirectDebits;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Queries\CollectedDebit;
use App\Queries\DebitCollection;
use App\Queries\DebitCollections;
use App\Queries\DueDebits;
use App\Queries\DueMandate;
use App\Queries\MoneyAccounts;
use App\Queries\Settings;
use App\StandIn\Outbox;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use App\Support\Pdf;
use Illuminate\Support\Facades\DB;

/** Puts together what is to be collected on a day, and tells the payers. Nothing is posted; it can be discarded until it is sent. */
final readonly class PrepareCollection
{
    public function __construct(
        private Settings $settings,
        private DueDebits $due,
        private DebitCollections $collections,
        private MoneyAccounts $accounts,
        private Outbox $outbox,
        private Actor $actor,
        private AuditTrail $audit,
    ) {}

    /**
     * @param string $day on which the debits are due
     * @param list<int> $itemIds
     * @return int the collection
     *
     * @throws Refusal when nothing is chosen, one of the items cannot be collected on the day, or the day is locked
     */
    public function prepare(string $key, Account $control, string $day, array $itemIds): int
    {
        return (int) Once::for($key, function () use ($control, $day, $itemIds): int {
            $this->settings->locked()->refuse($day, 'A collection');
            $account = $this->accounts->own(Currency::of(DirectDebits::CURRENCY))->account;
            $debits = $this->chosen($this->due->of($control->id, $day), $itemIds);
            $id = DB::table('collections')->insertGetId([
                'collected_on' => $day, 'account_id' => $account->id, 'who' => $this->actor->who, 'recorded_at' => Moment::now(),
            ]);
            foreach ($debits as $place => [$due, $items]) {
                $debit = DB::table('collection_debits')->insertGetId([
                    'collection_id' => $id,
                    'mandate_id' => $due->of->id,
                    'end_to_end' => DebitCollection::named($id, $day).'-'.($place + 1),
                ]);
                DB::table('collection_items')->insert(array_map(static fn (Collectible $of): array => [
                    'debit_id' => $debit, 'item_id' => $of->item->id, 'amount' => $of->amount->minor, 'discount' => $of->discount->minor,
                ], $items));
            }
            $this->audit->record('prepare collection', "collection {$id}", '', ['day' => $day, 'debits' => (string) count($debits)]);

            return $id;
        });
    }

    /** @throws Refusal when it is sent */
    public function discard(string $key, int $collectionId): void
    {
        Once::for($key, function () use ($collectionId): int {
            $collection = $this->collections->find($collectionId);
            $collection->refuseSent();
            $debits = array_map(static fn (CollectedDebit $debit): int => $debit->id, $collection->debits);
            DB::table('collection_notices')->whereIn('debit_id', $debits)->delete();
            DB::table('collection_items')->whereIn('debit_id', $debits)->delete();
            DB::table('collection_debits')->where('collection_id', $collectionId)->delete();
            DB::table('collections')->where('id', $collectionId)->delete();
            $this->audit->record('discard collection', "collection {$collectionId}", '', ['day' => $collection->day]);

            return $collectionId;
        });
    }

    /**
     * Tells the payers what is collected when, each once.
     *
     * @param string $today by the clock
     * @return list<string> names of those who have no e-mail address and are to be told otherwise
     *
     * @throws Refusal when it is sent
     */
    public function tell(string $key, int $collectionId, string $today): array
    {
        $without = Once::for($key, function () use ($collectionId, $today): string {
            $collection = $this->collections->find($collectionId);
            $collection->refuseSent();
            $without = [];
            foreach ($collection->untold() as $debit) {
                if ($debit->of->email === '') {
                    $without[] = $debit->of->customer->name;

                    continue;
                }
                DB::table('collection_notices')->insert([
                    'debit_id' => $debit->id, 'outbox_id' => $this->notice($collection, $debit), 'told_on' => $today,
                ]);
            }

            return implode("\n", $without);
        });

        return $without === '' ? [] : explode("\n", $without);
    }

    private function notice(DebitCollection $collection, CollectedDebit $debit): int
    {
        $money = "{$debit->amount()->grouped()} {$debit->amount()->currency->code}";
        $creditor = $this->settings->now()->text(Setting::CreditorIdentifier);
        $text = "Dear {$debit->of->customer->name},\n\non {$collection->day} we collect {$money} from your account ending in "
            .substr($debit->of->mandate->iban, -4).", under mandate {$debit->of->mandate->reference}, for {$debit->text()}.\n";

        return $this->outbox->keep(
            $debit->of->email,
            "Direct debit of {$money} on {$collection->day}",
            $text,
            "collection {$collection->id}",
            Pdf::of('direct-debits.notice', [
                'collection' => $collection,
                'debit' => $debit,
                'creditor' => $creditor,
            ]),
            "direct-debit-{$debit->endToEnd}.pdf",
        );
    }

    /**
     * @param list<DueMandate> $due
     * @param list<int> $itemIds
     * @return non-empty-list<array{DueMandate, non-empty-list<Collectible>}>
     *
     * @throws Refusal
     */
    private function chosen(array $due, array $itemIds): array
    {
        $prepared = DueDebits::prepared();
        $left = array_fill_keys($itemIds, true);
        $debits = [];
        foreach ($due as $of) {
            $items = [];
            foreach ($of->taken() as $item) {
                if (! isset($left[$item->item->id])) {
                    continue;
                }
                if (isset($prepared[$item->item->id])) {
                    throw new Refusal("{$item->item->title()} is in another collection that is being prepared. Take its tick off.");
                }
                $items[] = $item;
                unset($left[$item->item->id]);
            }
            if ($items !== []) {
                $debits[] = [$of, $items];
            }
        }
        if ($left !== []) {
            throw Refusal::changed(count($left).' of the items that are ticked cannot be collected on that day. Look at the list again.');
        }

        return $debits === [] ? throw new Refusal('Tick what is to be collected.') : $debits;
    }
}
