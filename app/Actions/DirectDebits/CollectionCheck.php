<?php

declare(strict_types=1);

namespace App\Actions\DirectDebits;

use Ajuste\Core\DirectDebit\Collectible;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;
use App\Queries\CollectedDebit;
use App\Queries\CollectedItem;
use App\Queries\DebitCollection;
use App\Queries\DueDebits;
use App\Queries\Settings;
use App\Values\Notice;

/** Whether a collection can go to the bank as it was prepared. */
final readonly class CollectionCheck
{
    public function __construct(private Settings $settings, private DueDebits $due) {}

    /** @throws Refusal when a payer was not told in time, and no shorter notice is agreed */
    public function refuseLate(DebitCollection $collection, Notice $notice): void
    {
        $days = $this->settings->now()->whole(Setting::DebitNoticeDays);
        $late = $collection->toldLate($days);
        if ($late === [] || $notice === Notice::AgreedShorter) {
            return;
        }
        $names = array_map(static fn (CollectedDebit $debit): string => $debit->of->customer->name, array_slice($late, 0, 5));
        $more = count($late) > 5 ? ' and '.(count($late) - 5).' more' : '';
        throw new Refusal(
            "Payers are told {$days} days before {$collection->day} (debit_notice_days); not so ".implode(', ', $names)."{$more}. "
                .'Tell them and choose a later day, or say below that a shorter notice is agreed.',
        );
    }

    /** @throws Refusal when the day is locked, a mandate cannot be used, or an item is not what it was when the collection was prepared */
    public function refuseChanged(DebitCollection $collection, Account $control): void
    {
        $this->settings->locked()->refuse($collection->day, 'A collection');
        $due = array_column($this->due->of($control->id, $collection->day), null, 'mandateId');
        foreach ($collection->debits as $debit) {
            $mandate = $due[$debit->of->id] ?? null;
            $why = $mandate === null ? 'another one has taken its place' : $mandate->whyNot;
            foreach ($debit->items as $item) {
                $is = $why === ''
                    ? self::changed($item, $mandate?->collectible($item->itemId))
                    : "mandate {$debit->of->mandate->reference}: {$why}";
                if ($is !== '') {
                    throw Refusal::changed(
                        "{$debit->of->customer->name}, {$item->document}: {$is}, and the collection asks for {$item->amount->grouped()}. "
                            .'Discard the collection and prepare it again.',
                    );
                }
            }
        }
    }

    private static function changed(CollectedItem $item, ?Collectible $now): string
    {
        return match (true) {
            $now === null => 'it cannot be collected any more',
            $item->isStill($now->amount, $now->discount) => '',
            default => "now {$now->amount->grouped()} can be collected of it",
        };
    }
}
