<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\RestPlace;
use App\Actions\CreditEntry;
use App\Actions\CreditNoteRequest;
use App\Actions\FreeCredit;
use App\Actions\IssueCreditNote;
use App\Actions\MatchItems;
use App\Actions\MatchRequest;
use App\Actions\Receipts\Decide;
use App\Actions\Receipts\DeductionEntry;
use App\Actions\Receipts\PlaceReceipt;
use App\Actions\Receipts\ReceiptRequest;
use App\Actions\Receipts\ReverseReceipt;
use App\Actions\Receipts\Way;
use App\Actions\Refunds;
use App\Actions\ReverseDocument;
use App\Actions\ReverseSettlement;
use App\Actions\SettleItems;
use App\Queries\Settings;
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
            $customer = 'C'.(1 + $n % 3);
            [$currency, $rate] = $customer === 'C3' ? ['GBP', 1.154] : ['EUR', 1];
            $net = mt_rand(2_000, 60_000);
            $gross = $currency === 'EUR' ? $net + (int) round($net * 0.21) : $net;
            $base = (int) round($gross * $rate);
            $items[] = sprintf('F%d,invoice,%s,2026-09-%02d,2026-10-%02d,%s,%.2f,%.2f,,,E%d,', $n, $customer, $n, $n, $currency, $gross / 100, $base / 100, $n);
            $ledger[] = sprintf('E%d,2026-09-%02d,1100,s,%.2f,,F%d,', $n, $n, $base / 100, $n);
            $lines[] = sprintf('F%d,1,Goods,1,%2$.2f,%2$.2f,%3$s,4000', $n, $net / 100, $currency === 'EUR' ? '21' : '0');
        }
        $opening = 100_000;
        $sum = 0;
        for ($n = 1; $n <= 30; $n++) {
            $amount = mt_rand(1_000, 90_000);
            $sum += $amount;
            $entries[] = sprintf('<Ntry><Amt Ccy="EUR">%.2f</Amt><CdtDbtInd>CRDT</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts><BookgDt><Dt>2026-10-%02d</Dt></BookgDt><ValDt><Dt>2026-10-05</Dt></ValDt><AcctSvcrRef>B%d</AcctSvcrRef><NtryDtls><TxDtls><RltdPties><Dbtr><Nm>Payer %d</Nm></Dbtr></RltdPties></TxDtls></NtryDtls></Ntry>', $amount / 100, 1 + $n % 28, $n, $n % 4);
        }
        $balance = static fn (string $code, int $of): string => sprintf('<Bal><Tp><CdOrPrtry><Cd>%s</Cd></CdOrPrtry></Tp><Amt Ccy="EUR">%.2f</Amt><CdtDbtInd>CRDT</CdtDbtInd><Dt><Dt>2026-10-30</Dt></Dt></Bal>', $code, $of / 100);
        $this->importBasics([
            'accounts.csv' => self::ACCOUNTS."1510,Till,asset,till\n1530,Payments in transit,asset,payments_in_transit\n2300,Output tax,liability,output_tax\n6100,Charges,expense,bank_charges\n6200,Discounts,expense,discounts_allowed\n",
            'items.csv' => self::items($items), 'ledger.csv' => self::ledger($ledger), 'item_lines.csv' => "document,line,description,quantity,unit_price,net,tax_rate,account\n".implode("\n", $lines)."\n", 'rates.csv' => "date,currency,rate\n2026-09-30,GBP,1.16\n2026-10-15,GBP,1.15\n2026-10-28,GBP,1.17\n",
            'statement.xml' => '<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08"><BkToCstmrStmt><Stmt><Id>1</Id><Acct><Id><Othr><Id>M</Id></Othr></Id><Ccy>EUR</Ccy></Acct>'.$balance('OPBD', $opening).$balance('CLBD', $opening + $sum).implode('', $entries).'</Stmt></BkToCstmrStmt></Document>',
        ]);
        app(Decide::class)->keepReason('r1', 'SHORT', 'Short', '6200', true, '21', false);
        app(Decide::class)->keepReason('r2', 'PRICE', 'Price', '', false, '', false);
        DB::table('settings')->insert(['name' => 'rate_days', 'value' => '60', 'recorded_at' => 'now']);
        app(Settings::class)->forget();
    }

    private function something(): void
    {
        match (mt_rand(0, 16)) {
            0, 1, 2, 3 => $this->placeALine(),
            4, 5 => $this->matchSome(),
            6 => $this->credit(),
            14 => app(Refunds::class)->ahead($this->key(), $this->customerId('C'.mt_rand(1, 2)), '12.34', 'EUR', Way::Cheque, '2026-10-31', 'x'),
            7 => app(Refunds::class)->post($this->key(), $this->one('receipt', 'credit_note', 'deposit'), mt_rand(0, 1) === 1 ? '' : '5.00', mt_rand(0, 1) === 1 ? Way::Cash : Way::Cheque, '2026-10-31', 'x'),
            8, 16 => $this->settle(),
            9 => app(ReverseSettlement::class)->post($this->key(), $this->pick(DB::table('settlements')->orderBy('id')->pluck('id')->all()), '2026-10-31', 'x'),
            11 => app(ReverseReceipt::class)->move($this->key(), $this->one('receipt', 'deposit'), $this->customerId('C'.mt_rand(1, 3)), '2026-10-31', 'x'),
            12 => app(ReverseDocument::class)->post($this->key(), $this->one('refund', 'credit_note', 'charge'), '2026-10-31', 'x'),
            13 => app(ReverseSettlement::class)->oneLine($this->key(), $this->pick(DB::table('matches')->orderBy('id')->pluck('id')->all()), '2026-10-31', 'x'),
            10 => app(ReverseReceipt::class)->mistaken($this->key(), $this->one('receipt', 'deposit'), '2026-10-31', 'x'),
            default => app(ReverseReceipt::class)->returned($this->key(), $this->one('receipt'), null, '2026-10-31', '', false, 'x'),
        };
    }

    /** A credit of any kind against an invoice, with something kept back now and then. */
    private function settle(): void
    {
        $invoice = $this->one('invoice');
        $customer = (int) DB::table('items')->where('root_id', $invoice)->value('customer_id');
        $credit = $this->pick(DB::table('items')->where('customer_id', $customer)->whereIn('kind', ['deposit', 'receipt', 'credit_note'])->whereNull('superseded_at')->orderBy('id')->pluck('root_id')->all());
        $kept = [new DeductionEntry(mt_rand(0, 1) === 0 ? 'SHORT' : 'PRICE', $invoice, '1.21')];
        app(SettleItems::class)->post($this->key(), new MatchRequest(
            $customer, [$credit => ['', '3.63', '12.10'][mt_rand(0, 2)], $invoice => ''], deductions: mt_rand(0, 2) === 0 ? $kept : [], worth: mt_rand(0, 3) === 0 ? [$credit => '50.00'] : [],
        ), app(Settings::class)->controlAccount());
    }

    private function credit(): void
    {
        $invoice = $this->one('invoice');
        if (mt_rand(0, 3) === 0) {
            app(IssueCreditNote::class)->clearRest($this->key(), $invoice, '2026-10-31', 'x');

            return;
        }
        $customer = (int) DB::table('items')->where('root_id', $invoice)->value('customer_id');
        $lines = [$invoice => ['1' => new CreditEntry(net: sprintf('%.2f', mt_rand(100, 9_000) / 100))]];
        if (mt_rand(0, 2) === 0) {
            $lines[$this->pick(DB::table('items')->where('kind', 'invoice')->where('customer_id', $customer)->pluck('root_id')->all())] = ['1' => new CreditEntry(quantity: '0.25')];
        }
        $free = mt_rand(0, 3) === 0 ? [new FreeCredit('Bonus', '6200', mt_rand(0, 1) === 0 ? '' : '10', '3.33')] : [];
        app(IssueCreditNote::class)->post($this->key(), new CreditNoteRequest($customer, $lines, $free, '2026-10-31', 'x', mt_rand(0, 1) === 1));
    }

    private function placeALine(): void
    {
        $line = DB::table('money_lines as l')->whereNotExists(static fn ($query) => $query->from('placements as p')->whereColumn('p.line_id', 'l.id')->whereNotIn('p.id', DB::table('placement_reversals')->select('placement_id')))->orderBy('id')->skip(mt_rand(0, 3))->first();
        $customer = $this->customerId('C'.mt_rand(1, 3));
        $foreign = $customer === $this->customerId('C3');
        $open = $this->openOf($customer);
        $typed = array_fill_keys(array_slice($open, 0, mt_rand(0, 4)), '');
        $deductions = $typed !== [] && mt_rand(0, 2) === 0 ? [new DeductionEntry(mt_rand(0, 1) === 0 ? 'SHORT' : 'PRICE', mt_rand(0, 1) === 0 ? 0 : (int) array_key_first($typed), sprintf('%.2f', mt_rand(50, 900) / 100))] : [];
        app(PlaceReceipt::class)->post($this->key(), new ReceiptRequest(
            $line->id ?? 0, $customer, $typed, [], $deductions, mt_rand(0, 3) === 0 ? '1.50' : '', RestPlace::cases()[mt_rand(0, 2)], $foreign ? 'GBP' : '', $foreign ? sprintf('%.2f', ($line->amount ?? 0) / 116) : '', $foreign || mt_rand(0, 2) > 0 ? '' : '21',
        ), app(Settings::class)->controlAccount());
    }

    private function matchSome(): void
    {
        $customer = $this->customerId('C'.mt_rand(1, 3));
        $all = DB::table('item_positions as p')->join('items as i', 'i.id', '=', 'p.row_id')->where('p.customer_id', $customer)->where('p.control_account_id', app(Settings::class)->controlAccount()->id)->whereColumn('p.matched', '<', 'p.amount')->orderBy('p.item_id')->pluck('p.item_id')->all();
        shuffle($all);
        $all = array_slice($all, 0, 4);
        app(MatchItems::class)->post($this->key(), new MatchRequest($customer, array_fill_keys($all, '')));
    }

    /** @return list<int> open debits of a customer, the oldest first */
    private function openOf(int $customer): array
    {
        return DB::table('item_positions as p')->join('items as i', 'i.id', '=', 'p.row_id')->where('p.customer_id', $customer)->where('i.side', 'debit')->where('p.control_account_id', app(Settings::class)->controlAccount()->id)->whereColumn('p.matched', '<', 'p.amount')->orderBy('i.due_date')->pluck('p.item_id')->all();
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
        foreach (['1100', '2170'] as $account) {
            self::assertSame('0.00', $this->report('proof', ['--account' => $account])['difference'], "{$when}, {$account}");
        }
        self::assertSame(0, DB::table('item_positions')->whereRaw('matched < 0 OR matched > amount')->count(), $when);
        $this->assertBooksHold();
    }

    /** @return array<string, int> what is open of each imported item, and the balance of each account */
    private function state(): array
    {
        $open = DB::table('item_positions as p')->join('items as i', 'i.id', '=', 'p.row_id')->whereNotNull('i.import_file_id')->orderBy('i.id')->selectRaw('i.document, p.amount - p.matched AS open')->pluck('open', 'document')->all();
        $balances = DB::table('postings')->join('accounts', 'accounts.id', '=', 'account_id')->whereNull('superseded_at')->groupBy('account')->havingRaw('sum(base) <> 0')->orderBy('account')->selectRaw("'account ' || account AS name, sum(base) AS base")->pluck('base', 'name')->all();

        return [...$open, ...$balances];
    }

    private function takeEverythingBack(): void
    {
        foreach (DB::table('settlements')->orderByDesc('id')->pluck('id') as $settlement) {
            $this->attempt(fn () => app(ReverseSettlement::class)->post($this->key(), (int) $settlement, '2026-10-31', 'all back'));
        }
        foreach (DB::table('refunds')->orderByDesc('id')->pluck('item_id') as $refund) {
            $this->attempt(fn () => app(ReverseDocument::class)->post($this->key(), (int) $refund, '2026-10-31', 'all back'));
        }
        foreach (DB::table('credit_notes')->orderByDesc('id')->pluck('item_id') as $note) {
            $this->attempt(fn () => app(ReverseDocument::class)->post($this->key(), (int) $note, '2026-10-31', 'all back'));
        }
        foreach (DB::table('placements')->where('kind', 'receipt')->whereNotIn('id', DB::table('placement_reversals')->select('placement_id'))->pluck('item_id') as $receipt) {
            $this->attempt(fn () => app(ReverseReceipt::class)->mistaken($this->key(), (int) $receipt, '2026-10-31', 'all back'));
        }
    }
}
