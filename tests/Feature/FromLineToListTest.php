<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Settlement\PaymentWay;
use Ajuste\Core\Settlement\RestPlace;
use Ajuste\Core\Subledger\OpenItem;
use App\Actions\PayBack;
use App\Actions\Receipts\KeepBatch;
use App\Actions\Receipts\PlaceReceipt;
use App\Actions\ReverseSettlement;
use App\Actions\SettleItems;
use App\Queries\LineGuess;
use App\Queries\Positions;
use App\Queries\ReceiptWorklist;
use App\Queries\Settings;
use App\Values\MatchRequest;
use App\Values\ReceiptRequest;
use App\Values\Reductions;
use App\Values\RefundRequest;
use App\Values\TypedReceipt;
use Illuminate\Support\Facades\DB;
use PDO;
use PDOException;

/** Money on its whole way, from the line that brings it to the aged list: what one place knows, no other works out again. */
final class FromLineToListTest extends BooksTestCase
{
    private function books(string ...$items): void
    {
        $ledger = [];
        foreach ($items as $place => $item) {
            [$document, $kind, , $date, , , , $base] = explode(',', $item);
            $ledger[] = "E{$place},{$date},1100,s,".($kind === 'invoice' ? "{$base}," : ",{$base}").",{$document},";
        }
        $this->importBasics([
            'accounts.csv' => self::ACCOUNTS.
                "1510,Till,asset,till\n1520,Cheques,asset,receipts_in_transit\n1530,In transit,asset,payments_in_transit\n2300,Output ".
                "tax,liability,output_tax\n6200,Discounts,expense,discounts_allowed\n",
            'customers.csv' => "customer,name,currency\nC1,Almadraba Foods,EUR\nC2,Tiendas Romeral,EUR\nC3,Dhow Trading,KWD\n",
            'items.csv' => "document,kind,customer,date,due_date,currency,amount,base_amount,terms\n".implode("\n", $items)."\n",
            'ledger.csv' => self::ledger($ledger),
        ]);
        DB::table('settings')->insert(['name' => 'discount_part_payments', 'value' => 'yes', 'recorded_at' => 'now']);
        app(Settings::class)->forget();
    }

    private function type(string $customer, string $amount, string $pays): int
    {
        $typed = new TypedReceipt(PaymentWay::Cash, null, '2026-10-20', $this->customerId($customer), self::money($amount), '', $pays);

        return app(KeepBatch::class)->type(bin2hex(random_bytes(6)), null, $typed);
    }

    private function guess(int $line): LineGuess
    {
        foreach (app(ReceiptWorklist::class)->guesses($this->control(), '2026-10-31') as $guess) {
            if ($guess->line->id === $line) {
                return $guess;
            }
        }
        self::fail("Line {$line} is not on the list.");
    }

    /** @return array<string, string> total by customer */
    private function aged(): array
    {
        return array_column($this->report('aged')['customers'], 'total', 'customer');
    }

    /**
     * A receipt is taken out, and another one gets its number: what was proposed for the first is never proposed, accepted or posted for
     * the second.
     */
    public function test_a_line_that_takes_the_place_of_another_is_another_line(): void
    {
        $this->books('I1,invoice,C1,2026-10-01,2026-10-31,EUR,100.00,100.00,', 'I2,invoice,C2,2026-10-01,2026-10-31,EUR,200.00,200.00,');
        $this->actingAs($this->person());
        $first = $this->type('C1', '100.00', 'I1');
        $this->get('/receipts')->assertOk()->assertSee('Almadraba Foods');
        $seen = $this->guess($first);
        self::assertSame(['I1'], array_map(static fn ($settles): string => $settles->item->document, $seen->proposal->settles ?? []));
        app(KeepBatch::class)->remove('out', $first);
        $second = $this->type('C2', '200.00', '');
        self::assertSame($first, $second, 'the books give the number again');
        $now = $this->guess($second);
        self::assertSame($this->customerId('C2'), $now->payers[0]->customerId);
        self::assertSame(['I2'], array_map(static fn ($settles): string => $settles->item->document, $now->proposal->settles ?? []));

        $this->post('/receipts/accept', ['kind' => $now->kind(), 'looked' => [$second => $seen->digest()]])->assertSessionHas(
            'done',
            static fn (array $told): bool => str_contains($told['text'], 'not what it was'),
        );
        $form = [
            'key' => 'p',
            'customer' => $this->customerId('C1'),
            'tick' => [$this->itemId('I1') => '1'],
            'rest' => 'unapplied',
            'line_seen' => $seen->line->digest(),
        ];
        $this->post("/receipts/{$second}", $form)->assertSessionHas(
            'refusal',
            static fn (string $says): bool => str_contains($says, 'another line'),
        );
        self::assertSame(0, DB::table('placements')->count());

        $this->post('/receipts/accept', ['kind' => $now->kind(), 'looked' => [$second => $now->digest()]])->assertSessionHas('done');
        self::assertSame(['C1' => '100.00'], $this->aged());
        $this->level();
    }

    /** R4's example: 100.00 at 2 %, cash 32.67, 32.67 and 32.66 is 98.00 in all and settles the invoice to the cent. */
    public function test_part_payments_at_a_discount_settle_exactly(): void
    {
        $this->books(
            'I1,invoice,C1,2026-10-01,2026-10-31,EUR,100.00,100.00,2/14 net 30',
            'R1,receipt,C1,2026-10-05,2026-10-05,EUR,32.67,32.67,',
            'R2,receipt,C1,2026-10-06,2026-10-06,EUR,32.67,32.67,',
            'R3,receipt,C1,2026-10-07,2026-10-07,EUR,32.66,32.66,',
        );
        $left = [];
        foreach (['R1', 'R2', 'R3'] as $receipt) {
            $request = new MatchRequest(
                $this->customerId('C1'),
                [$this->itemId($receipt) => null, $this->itemId('I1') => null],
                null,
                new Reductions([$this->itemId('I1')]),
            );
            app(SettleItems::class)->post($receipt, $request, $this->control());
            $left[] = $this->open('I1');
        }
        // Settled so far: 32.67 / 0.98 = 33.34, 65.34 / 0.98 = 66.67, and all of it.
        self::assertSame([6_666, 3_333, 0], $left);
        self::assertSame([0, 0, 0], array_map($this->open(...), ['R1', 'R2', 'R3']));
        self::assertSame([], $this->aged());
        self::assertSame(
            '-2.00',
            number_format(
                -DB::table('postings')->join('accounts', 'accounts.id', '=', 'account_id')->where('account', '6200')->sum('base') / 100,
                2,
            ),
        );
        $this->level();
    }

    /** KWD has three decimals: `123.450` can be nothing but an amount of it. */
    public function test_money_with_three_decimals_is_received_and_paid_back(): void
    {
        $this->books('K1,invoice,C3,2026-10-01,2026-10-31,KWD,123.450,370.35,', 'K2,receipt,C3,2026-10-05,2026-10-05,KWD,150.000,450.00,');
        $this->actingAs($this->person());
        $this->post('/batches/type', [
            'key' => 'k',
            'who' => 'C3',
            'amount' => '370.00',
            'way' => 'cash',
            'date' => '2026-10-20',
            'pays' => 'K1',
        ])->assertSessionHasNoErrors();
        $line = (int) DB::table('money_lines')->max('id');
        $request = new ReceiptRequest(
            $line,
            $this->customerId('C3'),
            [$this->itemId('K1') => null],
            rest: RestPlace::Unapplied,
            worth: self::money('123.450', 'KWD'),
        );
        app(PlaceReceipt::class)->post('p', $request, $this->control());
        self::assertSame(0, $this->open('K1'));
        $form = ['key' => 'r', 'amount' => '150.000', 'way' => 'cheque', 'date' => '2026-10-31', 'reason' => 'order cancelled'];
        $this->post('/documents/'.$this->itemId('K2').'/refund', $form)->assertSessionHas('done');
        self::assertSame(0, $this->open('K2'));
        DB::transaction(fn () => DB::table('rates')->insert([
            'date' => '2026-10-30', 'currency' => 'KWD', 'rate' => '3.0', 'quoted' => 'base_per_unit',
        ]));
        app(PayBack::class)->ahead(
            'a',
            $this->customerId('C3'),
            self::money('1.005', 'KWD'),
            new RefundRequest(PaymentWay::Cheque, '2026-10-31', 'agreed'),
        );
        self::assertSame(1_005, (int) DB::table('items')->where('kind', 'refund')->orderByDesc('id')->value('amount'));
        $this->level();
    }

    /** What is offered as of a day is what the posting takes on that day, also where it was used and given back since. */
    public function test_one_day_serves_offer_and_posting(): void
    {
        $this->books('I1,invoice,C1,2026-10-01,2026-10-31,EUR,100.00,100.00,', 'R1,receipt,C1,2026-10-05,2026-10-05,EUR,100.00,100.00,');
        $used = $this->match('C1', ['I1' => '', 'R1' => ''], '2026-10-20');
        app(ReverseSettlement::class)->post('back', $used, '2026-10-25', 'another invoice');
        self::assertSame([0, 10_000], [$this->takeable('2026-10-10'), $this->takeable('2026-10-25')]);
        $takes = [$this->itemId('I1') => null, $this->itemId('R1') => null];
        foreach (['2026-10-10', '2026-10-22'] as $day) {
            $early = new MatchRequest($this->customerId('C1'), $takes, $day);
            self::assertNotNull(app(SettleItems::class)->rehearse($early, $this->control())->refusal);
        }
        $request = new MatchRequest($this->customerId('C1'), $takes);
        $rehearsal = app(SettleItems::class)->rehearse($request, $this->control());
        self::assertSame([null, '100.00'], [$rehearsal->refusal, $rehearsal->settled()?->decimal()]);
        $settlement = app(SettleItems::class)->post('k', $request, $this->control(), $rehearsal->digest());
        self::assertSame(['2026-10-25'], DB::table('matches')->where('settlement_id', $settlement)->pluck('date')->all());
        self::assertSame([0, 0], [$this->open('I1'), $this->open('R1')]);
        $this->level();
    }

    private function takeable(string $day): int
    {
        return array_sum(
            array_map(
                static fn (OpenItem $item): int => $item->isDebit() ? 0 : $item->takeable->minor,
                app(Positions::class)->takeableOf($this->control()->id, $this->customerId('C1'), $day),
            ),
        );
    }

    /**
     * Each credit earns the discount of its own day: money of the 5th is within the 14 days, money of the 20th is not, and both settle one
     * invoice.
     */
    public function test_a_discount_is_earned_by_each_credit_on_its_own_day(): void
    {
        $this->books(
            'I1,invoice,C1,2026-10-01,2026-10-31,EUR,100.00,100.00,2/14 net 30',
            'R1,receipt,C1,2026-10-05,2026-10-05,EUR,49.00,49.00,',
            'R2,receipt,C1,2026-10-20,2026-10-20,EUR,50.00,50.00,',
        );
        $takes = [$this->itemId('R1') => null, $this->itemId('R2') => null, $this->itemId('I1') => null];
        $request = new MatchRequest($this->customerId('C1'), $takes, null, new Reductions([$this->itemId('I1')]));
        $rehearsal = app(SettleItems::class)->rehearse($request, $this->control());
        self::assertNull($rehearsal->refusal);
        app(SettleItems::class)->post('k', $request, $this->control(), $rehearsal->digest());
        // 49.00 / 0.98 = 50.00, and 50.00 without a discount.
        self::assertSame([0, 0, 0], array_map($this->open(...), ['R1', 'R2', 'I1']));
        self::assertSame(
            100,
            (int) DB::table('postings')->join('accounts', 'accounts.id', '=', 'account_id')->where('account', '6200')->sum('base'),
        );
        $this->level();
    }

    /** While another holds the lock for writing, everything can be rehearsed and every list be read; only posting waits. */
    public function test_a_rehearsal_needs_no_write_lock(): void
    {
        $this->books(
            'I1,invoice,C1,2026-10-01,2026-10-31,EUR,100.00,100.00,2/14 net 30',
            'R1,receipt,C1,2026-10-05,2026-10-05,EUR,98.00,98.00,',
        );
        $line = $this->type('C1', '100.00', 'I1');
        $control = $this->control();
        $other = new PDO("sqlite:{$this->folder}/books.sqlite");
        $other->exec('BEGIN IMMEDIATE');
        DB::statement('PRAGMA busy_timeout = 0');
        $takes = [$this->itemId('R1') => null, $this->itemId('I1') => null];
        $match = new MatchRequest($this->customerId('C1'), $takes, null, new Reductions([$this->itemId('I1')]));
        $receipt = new ReceiptRequest($line, $this->customerId('C1'), [$this->itemId('I1') => null]);
        self::assertNotNull(app(SettleItems::class)->rehearse($match, $control)->plan);
        self::assertNotNull(app(PlaceReceipt::class)->rehearse($receipt, $control)->plan);
        self::assertNotNull($this->guess($line)->proposal);
        self::assertCount(1, $this->aged());
        try {
            app(SettleItems::class)->post('k', $match, $control);
            self::fail('Posting waits for the lock.');
        } catch (PDOException $locked) {
            self::assertStringContainsString('locked', $locked->getMessage());
        }
        $other->exec('ROLLBACK');
        app(SettleItems::class)->post('k', $match, $control);
        self::assertSame(0, $this->open('I1'));
        $this->level();
    }

    private function open(string $document): int
    {
        $position = DB::table('item_positions')->where('item_id', $this->itemId($document))->first();

        return ($position->amount ?? 0) - ($position->matched ?? 0);
    }
}
