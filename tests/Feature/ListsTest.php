<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Import\HandIn;
use App\Actions\Import\NamedCustomers;
use App\Queries\Settings;
use App\Queries\Verification;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;

/** Accounts, customers, suppliers and periods added and changed on pages. */
final class ListsTest extends BooksTestCase
{
    private const CUSTOMER = [
        'customer' => 'C9', 'name' => 'Nueve', 'currency' => 'EUR', 'terms' => 'net 30', 'credit_limit' => '1.234,50',
    ];

    private function refusedRow(string $list, array $field, string $says): void
    {
        $this->post("/lists/{$list}", ['key' => bin2hex(random_bytes(4)), 'field' => $field])->assertSessionMissing('done');
        $refusal = session('refusal');
        self::assertStringContainsString($says, is_string($refusal) ? $refusal : '');
    }

    public function test_a_customer_is_added_and_changed_and_a_later_file_shows_what_it_would_change(): void
    {
        $this->importBasics();
        $this->actingAs($this->person());
        foreach ([1, 2] as $click) {
            $this->post('/lists/customers', ['key' => 'a', 'field' => self::CUSTOMER])->assertSessionHas('done');
        }
        $limit = static fn (): mixed => DB::table('customers')->where('customer', 'C9')->value('credit_limit');
        self::assertSame([123450, 2], [$limit(), DB::table('imports')->count()]);
        $page = $this->get('/lists/customers?row=C9')->assertOk()->assertSee('1234.50')->assertSee('net 30');
        $page->assertSee('value="Nueve"', false);
        $this->post('/lists/customers', ['key' => 'b', 'field' => [...self::CUSTOMER, 'credit_limit' => '900']])->assertSessionHas('done');
        self::assertSame(90000, $limit());
        $this->refusedRow('customers', [...self::CUSTOMER, 'credit_limit' => '900'], 'The books have it so already');
        $this->refusedRow('customers', [...self::CUSTOMER, 'name' => ''], 'Name: a value is expected');
        $this->refusedRow('customers', [...self::CUSTOMER, 'control_account' => '9999'], '9999');
        $this->refusedRow('customers', [...self::CUSTOMER, 'credit_limit' => 'much'], 'much');
        $this->refusedRow('customers', [...self::CUSTOMER, 'currency' => 'XXY'], 'XXY');
        $this->refusedRow('moons', self::CUSTOMER, 'no such list');
        self::assertSame(90000, $limit());
        $file = ['customers.csv' => "customer,name,currency,credit_limit\nC9,Neun,EUR,900.00\n"];
        $report = $this->import($file, rehearse: true);
        self::assertSame(1, $report->files[0]->changed, 'the preview shows it as a change');
        self::assertSame('Nueve', DB::table('customers')->where('customer', 'C9')->value('name'));
        $this->get('/lists/customers?words=nueve')->assertOk()->assertSee('C9')->assertDontSee('C1');
        self::assertSame([], app(Verification::class)->faults());
    }

    public function test_a_reader_looks_and_changes_nothing(): void
    {
        $this->importBasics();
        $this->actingAs($this->person('reader'));
        $this->get('/lists/accounts?row=1100')->assertOk()->assertSee('Receivables')->assertDontSee('Keep');
        $this->post('/lists/accounts', ['key' => 'a', 'field' => ['account' => '1', 'name' => 'x', 'type' => 'asset']])->assertForbidden();
    }

    public function test_roles_are_proposed_by_the_names_of_accounts_and_taken_with_one_key(): void
    {
        $this->import(['accounts.csv' => "account,name,type\n4300,Clientes,asset\n4360,Clientes de dudoso cobro,asset\n"
            ."5720,Bancos c/c,asset\n"
            ."7000,Ventas de mercaderías,income\n4770,Hacienda Pública IVA repercutido,liability\n6000,Compras,expense\n"]);
        $this->actingAs($this->person());
        $this->get('/lists/accounts')->assertOk()->assertSee('Take these 4 roles');
        foreach ([1, 2] as $click) {
            $this->post('/lists/roles', ['key' => 'r'])->assertSessionHas('done');
        }
        self::assertSame(
            ['4300' => 'receivables_control', '4770' => 'output_tax', '5720' => 'bank', '7000' => 'revenue'],
            DB::table('accounts')->whereNotNull('role')->orderBy('account')->pluck('role', 'account')->all(),
        );
        app(Settings::class)->forget();
        self::assertSame('4300', app(Settings::class)->controlAccount()->number);
        $this->get('/lists/accounts')->assertOk()->assertDontSee('Take these')->assertDontSee('Take this');
    }

    public function test_periods_and_suppliers_alike(): void
    {
        $this->importBasics();
        $this->actingAs($this->person());
        $period = ['period' => '2026-13', 'from' => '2026-12-31', 'to' => '2026-12-31'];
        $this->post('/lists/calendar', ['key' => 'a', 'field' => $period])->assertSessionHas('done');
        $this->refusedRow('calendar', [...$period, 'period' => '2026-14'], 'a day outside of 2026-13');
        $this->post('/lists/suppliers', ['key' => 'b', 'field' => ['supplier' => 'S1', 'name' => 'Uno', 'currency' => 'EUR']])
            ->assertSessionHas('done');
        $this->get('/lists/calendar')->assertOk()->assertSee('2026-13');
        $this->get('/lists/suppliers?row=S1')->assertOk()->assertSee('value="Uno"', false);
    }

    /** As little as two sheets: an open list of another system, and the control account's balance. */
    public function test_from_an_open_list_and_a_balance_to_an_aged_list_that_ties(): void
    {
        $this->actingAs($this->person());
        $this->get('/')->assertOk()->assertSeeInOrder(['These books are empty', '1. Accounts', 'none yet', '4. The ledger']);
        $this->import(['settings.csv' => "name,value\nperiod,2026-10\n"]);
        $account = ['account' => '4300', 'name' => 'Trade receivables', 'type' => 'asset', 'role' => 'receivables_control'];
        $this->post('/lists/accounts', ['key' => 'a', 'field' => $account])->assertSessionHas('done');
        $list = "Customer;Invoice No;Invoice date;Due date;Amount\n10001 Shop One;F1;16/09/2026;16/10/2026;1.234,50\n"
            ."10002 Shop Two;F2;17/09/2026;17/10/2026;100,00\n10001 Shop One;F3;18/09/2026;18/10/2026;-20,00\n";
        $handIn = fn (array $files): string => (string) $this->post('/intake', ['files' => array_map(
            static fn (string $name): UploadedFile => UploadedFile::fake()->createWithContent($name, $files[$name]),
            array_keys($files),
        )])->headers->get('location');
        $at = $handIn(['open items.csv' => $list]);
        $this->get($at)->assertOk()->assertSee('Make the customers that the lists name');
        foreach ([1, 2] as $click) {
            $this->post("{$at}/customers")->assertRedirect();
        }
        $beside = $handIn(['open items.csv' => $list, 'customers.csv' => "customer,name,currency\n10001,Shop 1,EUR\n"]);
        $this->post("{$beside}/customers")->assertRedirect();
        $this->get($beside)->assertOk()->assertSee('customers named.csv')->assertDontSee('row refused');
        self::assertSame([['customer', 'name', 'currency'], ['10002', 'Shop Two', 'EUR']], app(NamedCustomers::class)->in(
            HandIn::find(basename($beside))->files(),
        ), 'a list of customers among the files is not spoken over');
        $this->get($at)->assertOk()->assertSee('customers named.csv')->assertDontSee('row refused');
        $this->post("{$at}/commit")->assertRedirect();
        self::assertSame(
            ['10001' => 'Shop One', '10002' => 'Shop Two'],
            DB::table('customers')->orderBy('customer')->pluck('name', 'customer')->all(),
        );
        $balance = ['key' => 'b', 'amount' => '1,344.50', 'side' => 'debit', 'day' => '2026-10-31'];
        $this->get('/')->assertOk()->assertSee('No line of the ledger is here yet');
        $this->get('/first-steps')->assertOk()->assertSee('Only a balance of 4300');
        foreach ([1, 2] as $click) {
            $this->post('/balance', $balance)->assertSessionHas('done');
        }
        $proof = $this->report('proof');
        self::assertSame(['1344.50', '1314.50', '30.00'], [$proof['control'], $proof['customers'], $proof['difference']]);
        self::assertSame([['opening_difference', '-30.00']], array_map(
            static fn (array $of): array => [$of['cause'], $of['amount']], (array) $proof['causes'],
        ), 'the sum that lies between, in one line');
        $this->post('/balance', [...$balance, 'key' => 'c'])->assertSessionMissing('done');
        $this->post('/balance', [...$balance, 'key' => 'd', 'amount' => 'much'])->assertSessionMissing('done');
        self::assertSame('30.00', $this->report('aged')['difference']);
        $this->get('/')->assertOk()->assertDontSee('No line of the ledger');
        self::assertSame([], app(Verification::class)->faults());
    }

    public function test_the_balance_is_what_was_typed_whatever_the_items_are(): void
    {
        $twice = 'I1,invoice,C1,2026-10-01,2026-11-01,EUR,100.00,100.00,,,,';
        $this->importBasics(['items.csv' => self::items([
            $twice, $twice, 'R1,receipt,C2,2026-10-02,,EUR,30.00,30.00,,,,', 'I9,invoice,C1,2026-11-03,2026-12-01,EUR,9.00,9.00,,,,',
        ])]);
        $this->actingAs($this->person());
        $this->post('/balance', ['key' => 'b', 'amount' => '70', 'side' => 'debit', 'day' => '2026-10-31'])->assertSessionHas('done');
        $proof = $this->report('proof');
        self::assertSame(['70.00', '170.00', '-100.00'], [$proof['control'], $proof['customers'], $proof['difference']]);
        self::assertSame(
            ['duplicate_in_subledger 100.00'],
            array_map(static fn (array $of): string => "{$of['cause']} {$of['amount']}", (array) $proof['causes']),
        );
    }

    public function test_a_balance_that_is_what_the_items_come_to_ties_at_once(): void
    {
        $this->importBasics(['items.csv' => self::items(['I1,invoice,C1,2026-10-01,2026-11-01,EUR,100.00,100.00,,,,'])]);
        $this->actingAs($this->person());
        $this->post('/balance', ['key' => 'b', 'amount' => '100', 'side' => 'debit', 'day' => '2026-10-31'])->assertSessionHas('done');
        self::assertSame(['0.00', [], '0.00'], [
            $this->report('proof')['difference'], $this->report('proof')['causes'], $this->report('aged')['difference'],
        ]);
    }

    /** Lists that may have thousands of rows: the page has a part, and filter and order are of all. */
    public function test_long_lists_come_in_parts_and_are_filtered_and_sorted_whole(): void
    {
        $files = ['customers' => ['customer,name,currency,supplier,email'], 'suppliers' => ['supplier,name,currency'],
            'agreements' => ['reference,customer,supplier,from,to,currency,scope'],
            'supplier_items' => ['document,kind,supplier,date,due_date,currency,amount,base_amount,open'],
            'items' => [trim(self::items([]))]];
        foreach (range(1, 160) as $n) {
            $files['customers'][] = "K{$n},Karla {$n},EUR,S{$n},k{$n}@example.invalid";
            $files['suppliers'][] = "S{$n},Karla {$n},EUR";
            $files['agreements'][] = "A{$n},K{$n},S{$n},2026-01-01,,EUR,all";
            $files['supplier_items'][] = "B{$n},bill,S{$n},2026-09-01,2026-09-30,EUR,{$n}.00,{$n}.00,{$n}.00";
            $files['items'][] = "F{$n},invoice,K{$n},2026-09-01,2026-09-30,EUR,{$n}.00,{$n}.00,,,,";
        }
        $this->importBasics(['settings.csv' => "name,value\nperiod,2026-10\n"]);
        $report = $this->import(array_combine(
            array_map(static fn (string $name): string => "{$name}.csv", array_keys($files)),
            array_map(static fn (array $lines): string => implode("\n", $lines)."\n", $files),
        ));
        self::assertSame(0, $report->refusedCount, json_encode($report->refused, JSON_THROW_ON_ERROR));
        $this->actingAs($this->person());
        $pages = ['/suppliers' => 'owed', '/agreements' => 'reference', '/statements' => 'balance', '/aged/cash-after' => 'open'];
        foreach ($pages as $page => $order) {
            $shown = (string) $this->get($page)->assertOk()->assertSee('data-window', false)->getContent();
            self::assertStringContainsString('data-more="160"', $shown, $page);
            $rows = fn (string $query): string => (string) $this
                ->get("{$page}?{$query}", ['HX-Request' => 'true', 'HX-Target' => 'list-rows'])->assertOk()->getContent();
            self::assertSame([10, 1], [substr_count($rows('from=150'), '<tr'), substr_count($rows('words=karla+144'), '<tr')], $page);
            $last = $rows("order={$order}&descending=1");
            self::assertSame(1, preg_match('/A\d+|160\.00/', $last, $found));
            self::assertSame($order === 'reference' ? 'A99' : '160.00', $found[0], $page);
            self::assertStringNotContainsString('<html', $last);
            self::assertStringContainsString('colspan', $rows('words=nobody'), $page);
        }
    }

    public function test_many_rows_that_were_set_aside_are_all_found(): void
    {
        $this->importBasics();
        $rows = array_map(static fn (int $n): string => "X{$n},invoice,NOBODY{$n},2026-10-01,,EUR,5.00,5.00,,,,", range(1, 620));
        $this->import(['items.csv' => self::items($rows)], setAside: true);
        $this->actingAs($this->person());
        $this->get('/intake')->assertOk()->assertSee('data-more="620"', false);
        $asked = fn (string $how): string => (string) $this
            ->get("/intake?{$how}", ['HX-Request' => 'true', 'HX-Target' => 'aside-rows'])->assertOk()->getContent();
        self::assertSame(1, substr_count($asked('words=nobody617'), 'name="reason"'));
        self::assertStringContainsString('items.csv, 621', substr($asked('order=file&descending=1'), 0, 400));
    }

    public function test_rates_of_years_are_found_whole(): void
    {
        $rates = "date,currency,rate,quoted\n";
        foreach (range(1, 500) as $n) {
            $rates .= date('Y-m-d', strtotime("2025-01-01 +{$n} days")).',GBP,1.'.sprintf('%03d', $n).",base_per_unit\n";
        }
        $this->importBasics(['rates.csv' => $rates]);
        $this->actingAs($this->person())->get('/rates')->assertOk()->assertSee('data-more="500"', false);
        $asked = fn (string $how): string => (string) $this
            ->get("/rates?{$how}", ['HX-Request' => 'true', 'HX-Target' => 'rate-rows'])->assertOk()->getContent();
        self::assertSame(1, substr_count($asked('words=2025-01-02'), '<tr'));
        self::assertStringContainsString('1.001', substr($asked('order=rate'), 0, 300));
        self::assertStringContainsString('1.500', substr($asked('order=rate&descending=1'), 0, 300));
    }
}
