<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\Proof;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Settlement\CreditedLine;
use Ajuste\Core\Settlement\CreditNoteUse;
use Ajuste\Core\Settlement\FeeBearer;
use Ajuste\Core\Settlement\PaymentWay;
use Ajuste\Core\Settlement\RestPlace;
use App\Actions\IssueCreditNote;
use App\Actions\PayBack;
use App\Actions\Receipts\Decide;
use App\Actions\Receipts\PlaceReceipt;
use App\Actions\Receipts\ReverseReceipt;
use App\Actions\ReverseDocument;
use App\Actions\ReverseRun;
use App\Actions\ReverseSettlement;
use App\Actions\Runs\PostRun;
use App\Actions\Runs\RunPlans;
use App\Actions\Runs\TakePairBack;
use App\Actions\SettleItems;
use App\Queries\ProofLines;
use App\Queries\Reports;
use App\Queries\Settings;
use App\Queries\SupplierBills;
use App\Values\CreditNoteRequest;
use App\Values\DeductionEntry;
use App\Values\MatchRequest;
use App\Values\ReceiptRequest;
use App\Values\Reductions;
use App\Values\RefundRequest;
use Closure;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/** Whatever people do in whatever order: both sides stay equal, nothing is overdrawn, and taking everything back brings everything back. */
final class RandomWorkTest extends BooksTestCase
{
    private int $keys = 0;

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach ([1, 2, 3, 4, 13] as $seed) {
            yield "seed {$seed}" => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function test_random_work_keeps_both_sides_equal_and_can_be_taken_back(int $seed): void
    {
        mt_srand($seed);
        $this->books();
        $before = $this->state();
        $done = 0;
        for ($step = 0; $step < 140; $step++) {
            $done += $this->attempt(fn () => $this->something()) ? 1 : 0;
            app(Reports::class)->proof($this->control(), '2026-10-31'); // each step is added to what was known
            if ($step % 20 === 19) {
                $this->holds("seed {$seed}, step {$step}");
            }
        }
        self::assertGreaterThan(30, $done);
        $this->takeEverythingBack();
        $this->holds("seed {$seed}, taken back");
        self::assertSame($before, $this->state());
    }

    private function books(): void
    {
        $items = $ledger = $lines = $entries = [];
        for ($n = 1; $n <= 24; $n++) {
            $customer = 'C'.(1 + ($n % 3));
            [$currency, $rate] = $customer === 'C3' ? ['GBP', 1.154] : ['EUR', 1];
            $net = mt_rand(2_000, 60_000);
            $gross = $currency === 'EUR' ? $net + (int) round($net * 0.21) : $net;
            $base = (int) round($gross * $rate);
            $items[] = sprintf(
                'F%d,invoice,%s,2026-09-%02d,2026-10-%02d,%s,%.2f,%.2f,,,E%d,',
                $n,
                $customer,
                $n,
                $n,
                $currency,
                $gross / 100,
                $base / 100,
                $n,
            );
            $ledger[] = sprintf('E%d,2026-09-%02d,1100,s,%.2f,,F%d,', $n, $n, $base / 100, $n);
            $lines[] = sprintf('F%d,1,Goods,1,%2$.2f,%2$.2f,%3$s,4000', $n, $net / 100, $currency === 'EUR' ? '21' : '0');
        }
        $opening = 100_000;
        $sum = 0;
        for ($n = 1; $n <= 30; $n++) {
            $amount = mt_rand(1_000, 90_000);
            $sum += $amount;
            $entries[] = sprintf(
                '<Ntry><Amt Ccy="EUR">%.2f</Amt><CdtDbtInd>CRDT</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts><BookgDt><Dt>2026-10-%02d</Dt>'.
                    '</BookgDt><ValDt><Dt>2026-10-05</Dt></ValDt><AcctSvcrRef>B%d</AcctSvcrRef><NtryDtls><TxDtls><RltdPties><Dbtr>'.
                    '<Nm>Payer %d</Nm></Dbtr></RltdPties></TxDtls></NtryDtls></Ntry>',
                $amount / 100,
                1 + ($n % 28),
                $n,
                $n % 4,
            );
        }
        $balance = static fn (string $code, int $of): string => sprintf(
            '<Bal><Tp><CdOrPrtry><Cd>%s</Cd></CdOrPrtry></Tp><Amt '.
                'Ccy="EUR">%.2f</Amt><CdtDbtInd>CRDT</CdtDbtInd><Dt><Dt>2026-10-30</Dt></Dt></Bal>',
            $code,
            $of / 100,
        );
        $this->importBasics([
            'accounts.csv' => self::ACCOUNTS.
                "1510,Till,asset,till\n1530,Payments in transit,asset,payments_in_transit\n2100,Payables,liability,payables_control\n".
                "2300,Output tax,liability,output_tax\n6100,Charges,expense,bank_charges\n6200,Discounts,expense,discounts_allowed\n".
                "6300,Residues,expense,residues_written_off\n4810,Unrealised gains,income,exchange_unrealised_gain\n".
                "6810,Unrealised losses,expense,exchange_unrealised_loss\n",
            'items.csv' => self::items($items),
            'ledger.csv' => self::ledger($ledger),
            'item_lines.csv' => "document,line,description,quantity,unit_price,net,tax_rate,account\n".implode("\n", $lines)."\n",
            'suppliers.csv' => "supplier,name,currency\n701,Uno,EUR\n703,Tres,GBP\n",
            'agreements.csv' => "customer,supplier,reference,from,to,currency,scope\nC1,701,AG-1,2026-01-01,,EUR,all\n"
                ."C3,703,AG-3,2026-01-01,,GBP,due\n",
            'supplier_items.csv' => "document,kind,supplier,date,due_date,currency,amount,base_amount,carrying\n"
                ."B1,bill,701,2026-09-01,2026-10-01,EUR,300.00,300.00,\nB2,bill,701,2026-09-30,2026-10-30,EUR,500.00,500.00,\n"
                ."B3,bill,703,2026-09-30,2026-10-30,GBP,150.00,172.50,175.80\n",
            'rates.csv' => "date,currency,rate\n2026-09-30,GBP,1.16\n2026-10-15,GBP,1.15\n2026-10-28,GBP,1.17\n",
            'statement.xml' => '<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08"><BkToCstmrStmt><Stmt><Id>1</Id><Acct>'.
                '<Id><Othr><Id>M</Id></Othr></Id><Ccy>EUR</Ccy></Acct>'.
                $balance('OPBD', $opening).
                $balance('CLBD', $opening + $sum).
                implode('', $entries).
                '</Stmt></BkToCstmrStmt></Document>',
        ]);
        app(Decide::class)->keepReason('r1', 'SHORT', 'Short', '6200', true, '21', false);
        app(Decide::class)->keepReason('r2', 'PRICE', 'Price', '', false, '', false);
        $policy = ['rate_days' => '60', 'residue_days' => '0', 'residue_percent' => '100', 'residue_limit' => '250.00',
            'residue_limit.GBP' => '100.00', 'tax_relief_write_offs' => 'yes', 'approval_limit' => '100000.00'];
        foreach ($policy as $name => $value) {
            DB::table('settings')->insert(['name' => $name, 'value' => $value, 'recorded_at' => 'now']);
        }
        app(Settings::class)->forget();
    }

    private function something(): void
    {
        match (mt_rand(0, 22)) {
            0, 1, 2, 3 => $this->placeALine(),
            4, 5 => $this->matchSome(),
            6 => $this->credit(),
            14 => app(PayBack::class)->ahead(
                $this->key(),
                $this->customerId('C'.mt_rand(1, 2)),
                self::money('12.34'),
                new RefundRequest(PaymentWay::Cheque, '2026-10-31', 'x'),
            ),
            7 => $this->payBack(),
            17, 18 => $this->runSome(mt_rand(0, 1) === 0 ? RunKind::Contra : RunKind::Residues),
            21 => $this->runSome(RunKind::Currency),
            22 => $this->runSome(RunKind::Currency, '2026-10-1'.mt_rand(0, 9)),
            20 => app(TakePairBack::class)->post($this->key(), $this->one('contra'), 'x'),
            19 => $this->takeARunBack($this->pick(DB::table('runs')->orderBy('id')->pluck('id')->all())),
            8, 16 => $this->settle(),
            9 => app(ReverseSettlement::class)->post(
                $this->key(),
                $this->pick(DB::table('settlements')->orderBy('id')->pluck('id')->all()),
                '2026-10-31',
                'x',
            ),
            11 => app(ReverseReceipt::class)->move(
                $this->key(),
                $this->one('receipt', 'deposit'),
                $this->customerId('C'.mt_rand(1, 3)),
                '2026-10-31',
                'x',
            ),
            12 => app(ReverseDocument::class)->post($this->key(), $this->one('refund', 'credit_note', 'charge'), '2026-10-31', 'x'),
            13 => app(ReverseSettlement::class)->oneLine(
                $this->key(),
                $this->pick(DB::table('matches')->orderBy('id')->pluck('id')->all()),
                '2026-10-31',
                'x',
            ),
            10 => app(ReverseReceipt::class)->mistaken($this->key(), $this->one('receipt', 'deposit'), '2026-10-31', 'x'),
            default => app(ReverseReceipt::class)->byHand($this->key(), $this->one('receipt'), '2026-10-31', null, FeeBearer::Us, 'x'),
        };
    }

    private function runSome(RunKind $kind, string $asOf = '2026-10-31'): void
    {
        $this->postSeen(
            fn (): string => app(PostRun::class)->posting(app(RunPlans::class)->of($kind, $this->control(), $asOf))->digest(),
            fn (string $seen): int => app(PostRun::class)->post($this->key(), $kind, $this->control(), $asOf, $seen),
        );
    }

    private function takeARunBack(int $run): void
    {
        $kind = RunKind::from((string) DB::table('runs')->where('id', $run)->value('kind'));
        app(ReverseRun::class)->post($this->key(), $kind, $run, 'x');
    }

    /** A credit of any kind against an invoice, with something kept back now and then. */
    private function settle(): void
    {
        $invoice = $this->one('invoice');
        $customer = (int) DB::table('items')->where('root_id', $invoice)->value('customer_id');
        $credit = $this->pick(
            DB::table('items')
                ->where('customer_id', $customer)
                ->whereIn('kind', ['deposit', 'receipt', 'credit_note'])
                ->whereNull('superseded_at')
                ->orderBy('id')
                ->pluck('root_id')
                ->all(),
        );
        $kept = [new DeductionEntry(mt_rand(0, 1) === 0 ? 'SHORT' : 'PRICE', $invoice, $this->inCurrencyOf($invoice, '1.21'))];
        $part = ['', '3.63', '12.10'][mt_rand(0, 2)];
        $takes = [$credit => $part === '' ? null : $this->inCurrencyOf($invoice, $part), $invoice => null];
        $less = new Reductions([], mt_rand(0, 2) === 0 ? $kept : []);
        $request = new MatchRequest(
            $customer,
            $takes,
            null,
            $less,
            mt_rand(0, 3) === 0 ? [$credit => $this->inCurrencyOf($invoice, '50.00')] : [],
        );
        $this->postSeen(
            fn () => app(SettleItems::class)->rehearse($request, $this->control())->digest(),
            fn (string $seen) => app(SettleItems::class)->post($this->key(), $request, $this->control(), $seen),
        );
    }

    private function credit(): void
    {
        $invoice = $this->one('invoice');
        if (mt_rand(0, 3) === 0) {
            app(IssueCreditNote::class)->clearRest($this->key(), $invoice, '2026-10-31', 'x');

            return;
        }
        $customer = (int) DB::table('items')->where('root_id', $invoice)->value('customer_id');
        $lines = [$this->creditedLine($invoice, '1', mt_rand(100, 9_000))];
        $invoices = [$invoice];
        if (mt_rand(0, 2) === 0) {
            $invoices[] = $other = $this->pick(
                DB::table('items')->where('kind', 'invoice')->where('customer_id', $customer)->pluck('root_id')->all(),
            );
            $lines[] = $this->creditedLine($other, '1', mt_rand(100, 900));
        }
        if (mt_rand(0, 3) === 0) {
            $lines[] = CreditedLine::free(
                'Bonus',
                app(Settings::class)->accounts()->numbered('6200'),
                mt_rand(0, 1) === 0 ? '' : '10',
                333,
                '',
            );
        }
        $currency = Currency::of((string) DB::table('items')->where('root_id', $invoice)->value('currency'));
        $use = mt_rand(0, 1) === 1 ? CreditNoteUse::Settles : CreditNoteUse::StaysUnapplied;
        $request = new CreditNoteRequest($customer, array_values(array_unique($invoices)), $lines, $currency, '2026-10-31', 'x', $use);
        $this->postSeen(
            fn () => app(IssueCreditNote::class)->rehearse($request)->digest(),
            fn (string $seen) => app(IssueCreditNote::class)->post($this->key(), $request, $seen)->result,
        );
    }

    private function placeALine(): void
    {
        $line = DB::table('money_lines as l')
            ->whereNotExists(
                static fn ($query) => $query
                    ->from('placements as p')
                    ->whereColumn('p.line_id', 'l.id')
                    ->whereNotIn('p.id', DB::table('placement_reversals')->select('placement_id')),
            )
            ->orderBy('id')
            ->skip(mt_rand(0, 3))
            ->first();
        $customer = $this->customerId('C'.mt_rand(1, 3));
        $foreign = $customer === $this->customerId('C3');
        $open = $this->openDebits($customer);
        $takes = array_fill_keys(array_slice($open, 0, mt_rand(0, 4)), null);
        $currency = $foreign ? 'GBP' : 'EUR';
        $deductions =
            $takes !== [] && mt_rand(0, 2) === 0
                ? [
                    new DeductionEntry(
                        mt_rand(0, 1) === 0 ? 'SHORT' : 'PRICE',
                        mt_rand(0, 1) === 0 ? 0 : (int) array_key_first($takes),
                        Money::ofMinor(mt_rand(50, 900), $currency),
                    ),
                ]
                : [];
        $request = new ReceiptRequest(
            $line->id ?? 0,
            $customer,
            $takes,
            new Reductions([], $deductions),
            mt_rand(0, 3) === 0 ? self::money('1.50') : null,
            RestPlace::cases()[mt_rand(0, 2)],
            $foreign ? Money::ofMinor((int) round(($line->amount ?? 0) / 1.16), 'GBP') : null,
            $foreign || mt_rand(0, 2) > 0 ? '' : '21',
        );
        $this->postSeen(
            fn () => app(PlaceReceipt::class)->rehearse($request, $this->control())->digest(),
            fn (string $seen) => app(PlaceReceipt::class)->post($this->key(), $request, $this->control(), $seen),
        );
    }

    private function matchSome(): void
    {
        $customer = $this->customerId('C'.mt_rand(1, 3));
        $all = DB::table('item_positions as p')
            ->join('items as i', 'i.id', '=', 'p.row_id')
            ->where('p.customer_id', $customer)
            ->where('p.control_account_id', $this->control()->id)
            ->whereColumn('p.matched', '<', 'p.amount')
            ->orderBy('p.item_id')
            ->pluck('p.item_id')
            ->all();
        shuffle($all);
        $all = array_slice($all, 0, 4);
        app(SettleItems::class)->post($this->key(), new MatchRequest($customer, array_fill_keys($all, null)), $this->control());
    }

    private function payBack(): int
    {
        $credit = $this->one('receipt', 'credit_note', 'deposit');
        $sum = mt_rand(0, 1) === 1 ? null : $this->inCurrencyOf($credit, '5.00');
        $way = mt_rand(0, 1) === 1 ? PaymentWay::Cash : PaymentWay::Cheque;

        return app(PayBack::class)->credit($this->key(), $credit, $sum, new RefundRequest($way, '2026-10-31', 'x'));
    }

    private function inCurrencyOf(int $itemId, string $typed): Money
    {
        return self::money($typed, (string) DB::table('items')->where('root_id', $itemId)->value('currency'));
    }

    /**
     * What is rehearsed is what is posted, for everything postable: posting refuses when its plan is not the one that was seen.
     *
     * @param Closure(): string $rehearse the digest of its plan
     * @param Closure(string): mixed $post
     */
    private function postSeen(Closure $rehearse, Closure $post): void
    {
        $vouchers = DB::table('vouchers')->count();
        $seen = $rehearse();
        self::assertSame($vouchers, DB::table('vouchers')->count(), 'a rehearsal writes nothing');
        $post($seen);
        self::assertNotSame('', $seen, 'what could be posted could be rehearsed');
    }

    /** @return list<int> open debits of a customer, the oldest first */
    private function openDebits(int $customer): array
    {
        return DB::table('item_positions as p')
            ->join('items as i', 'i.id', '=', 'p.row_id')
            ->where('p.customer_id', $customer)
            ->where('i.side', 'debit')
            ->where('p.control_account_id', $this->control()->id)
            ->whereColumn('p.matched', '<', 'p.amount')
            ->orderBy('i.due_date')
            ->pluck('p.item_id')
            ->all();
    }

    private function one(string ...$kinds): int
    {
        return $this->pick(DB::table('items')->whereIn('kind', $kinds)->whereNull('superseded_at')->orderBy('id')->pluck('root_id')->all());
    }

    /** @param  list<int>  $ids */
    private function pick(array $ids): int
    {
        return $ids !== [] ? $ids[mt_rand(0, count($ids) - 1)] : throw new Refusal('There is none yet.');
    }

    private function key(): string
    {
        return 'k'.++$this->keys;
    }

    private function attempt(callable $work): bool
    {
        try {
            $work();

            return true;
        } catch (Refusal) {
            return false;
        }
    }

    private function holds(string $when): void
    {
        $kept = app(Reports::class)->proof($this->control(), '2026-10-31');
        $whole = app(Reports::class)->proofOf(ProofLines::all($this->control()->id), '2026-10-31');
        // By which test a pair was found may differ: lines that came together pair with each other before others are looked at.
        $says = static fn (Proof $of): array => [
            $of->ledgerAsImported,
            $of->ownVouchers,
            $of->customers,
            $of->difference,
            $of->lines,
            $of->totals->postings,
            $of->totals->items,
            array_sum($of->pairs),
        ];
        self::assertEquals($says($whole), $says($kept), "{$when}: what was added to a known proof");
        foreach (['1100', '2170'] as $account) {
            self::assertSame('0.00', $this->report('proof', ['--account' => $account])['difference'], "{$when}, {$account}");
        }
        self::assertSame(0, DB::table('item_positions')->whereRaw('matched < 0 OR matched > amount')->count(), $when);
        $settled = DB::table('items as d')
            ->join('item_positions as p', 'p.row_id', '=', 'd.id')
            ->join('item_positions as s', 's.item_id', '=', 'd.source_item_id')
            ->whereNull('d.superseded_at')
            ->whereColumn('s.matched', 's.amount')
            ->groupBy('d.source_item_id')
            ->havingRaw("sum(CASE d.side WHEN 'debit' THEN d.base - p.moved ELSE p.moved - d.base END) <> 0")
            ->pluck('d.source_item_id');
        self::assertSame([], $settled->all(), "{$when}: a settled item carries nothing (R1)");
        foreach ($this->bills() as $bill => [$open, $amount]) {
            self::assertTrue($open >= 0 && $open <= $amount, "{$when}, bill {$bill}");
        }
        $this->assertBooksHold();
    }

    /** @return array<string, array{int, int}> open and whole by bill */
    private function bills(): array
    {
        $bills = [];
        $suppliers = DB::table('suppliers')->pluck('id')->all();
        foreach (array_merge(...app(SupplierBills::class)->asOf('2026-10-31', $suppliers)) as $bill) {
            $amount = (int) DB::table('supplier_items')->where('id', $bill->id)->value('amount');
            $bills[$bill->document] = [$bill->open->minor, $amount];
        }

        return $bills;
    }

    /** @return array<string, int> what is open of each imported item, and the balance of each account */
    private function state(): array
    {
        $open = DB::table('item_positions as p')
            ->join('items as i', 'i.id', '=', 'p.row_id')
            ->whereNotNull('i.import_file_id')
            ->orderBy('i.id')
            ->selectRaw('i.document, p.amount - p.matched AS open')
            ->pluck('open', 'document')
            ->all();
        $balances = DB::table('postings')
            ->join('accounts', 'accounts.id', '=', 'account_id')
            ->whereNull('superseded_at')
            ->groupBy('account')
            ->havingRaw('sum(base) <> 0')
            ->orderBy('account')
            ->selectRaw("'account ' || account AS name, sum(base) AS base")
            ->pluck('base', 'name')
            ->all();

        return [...$open, ...array_map(static fn (array $bill): int => $bill[0], $this->bills()), ...$balances];
    }

    private function takeEverythingBack(): void
    {
        foreach (DB::table('runs')->orderByDesc('id')->pluck('id') as $run) {
            $this->attempt(fn () => $this->takeARunBack((int) $run));
        }
        foreach (DB::table('settlements')->orderByDesc('id')->pluck('id') as $settlement) {
            $this->attempt(fn () => app(ReverseSettlement::class)->post($this->key(), (int) $settlement, '2026-10-31', 'all back'));
        }
        foreach (DB::table('refunds')->orderByDesc('id')->pluck('item_id') as $refund) {
            $this->attempt(fn () => app(ReverseDocument::class)->post($this->key(), (int) $refund, '2026-10-31', 'all back'));
        }
        foreach (DB::table('credit_notes')->orderByDesc('id')->pluck('item_id') as $note) {
            $this->attempt(fn () => app(ReverseDocument::class)->post($this->key(), (int) $note, '2026-10-31', 'all back'));
        }
        foreach (
            DB::table('placements')
                ->where('kind', 'receipt')
                ->whereNotIn('id', DB::table('placement_reversals')->select('placement_id'))
                ->pluck('item_id') as $receipt
        ) {
            $this->attempt(fn () => app(ReverseReceipt::class)->mistaken($this->key(), (int) $receipt, '2026-10-31', 'all back'));
        }
    }
}
