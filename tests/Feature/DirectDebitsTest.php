<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\DirectDebit\Debit;
use Ajuste\Core\DirectDebit\Mandate;
use Ajuste\Core\DirectDebit\MandateUse;
use Ajuste\Core\DirectDebit\Scheme;
use Ajuste\Core\Exchange\Bank\BankBalance;
use Ajuste\Core\Exchange\Bank\BankEntry;
use Ajuste\Core\Exchange\Bank\BankLine;
use Ajuste\Core\Exchange\Bank\BankReferences;
use Ajuste\Core\Exchange\Bank\BankStatement;
use Ajuste\Core\Exchange\Bank\CamtWriter;
use Ajuste\Core\Exchange\Bank\CollectionOrder;
use Ajuste\Core\Exchange\Bank\Creditor;
use Ajuste\Core\Exchange\Bank\CreditorIdentifier;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\Payer;
use App\Actions\Receipts\PlaceElsewhere;
use App\Queries\LineGuess;
use App\Queries\Mandates;
use App\Queries\ReceiptWorklist;
use DOMElement;
use DOMXPath;
use Illuminate\Support\Facades\DB;

/** Mandates, collections, what the bank says and credits, and debits that come back. */
final class DirectDebitsTest extends BooksTestCase
{
    private const BANK = 'ES7921000813610123456789';

    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'accounts.csv' => "account,name,type,role,currency,iban\n1100,Receivables,asset,receivables_control,,\n1500,Bank,asset,bank,,"
                .self::BANK."\n4000,Sales,income,revenue,,\n6100,Charges,expense,bank_charges,,\n"
                ."6200,Discounts,expense,discounts_allowed,,\n",
            'customers.csv' => "customer,name,currency,email\nC1,Almadraba Foods,EUR,c1@example.invalid\nC2,Tiendas Romeral,EUR,\n",
            'settings.csv' => "name,value\nperiod,2026-10\ncreditor_identifier,DE98ZZZ09999999999\ntax_relief_discounts,no\n"
                ."books_name,Growers' Mill\n",
            'items.csv' => "document,kind,customer,date,due_date,currency,amount,base_amount,terms\n"
                ."I1,invoice,C1,2026-09-12,2026-10-12,EUR,400.00,400.00,\n"
                ."I2,invoice,C1,2026-10-20,2026-11-03,EUR,1210.00,1210.00,2/14 net 14\n"
                ."I3,invoice,C2,2026-09-20,2026-10-20,EUR,300.00,300.00,\nI4,invoice,C2,2026-10-20,2026-12-20,EUR,70.00,70.00,\n",
            'ledger.csv' => self::ledger([
                'E1,2026-09-12,1100,s,400.00,,I1,', 'E2,2026-10-20,1100,s,1210.00,,I2,',
                'E3,2026-09-20,1100,s,300.00,,I3,', 'E4,2026-10-20,1100,s,70.00,,I4,',
            ]),
        ]);
        $this->statement('2026-10-30', 0, []);
        $this->actingAs($this->person());
        $this->keep('C1', 'M-1', 'DE89370400440532013000');
        $this->keep('C2', 'M-2', 'GB29NWBK60161331926819');
    }

    private function keep(string $customer, string $reference, string $iban, string $use = 'recurrent'): void
    {
        $this->post('/mandates', [
            'key' => "m-{$reference}", 'who' => $customer, 'reference' => $reference, 'iban' => $iban, 'holder' => '',
            'signed' => '2026-01-15', 'scheme' => 'CORE', 'use' => $use,
        ])->assertSessionHas('done');
    }

    /** @param  list<BankLine>  $lines */
    private function statement(string $day, int $opening, array $lines): void
    {
        $currency = Currency::of('EUR');
        $sum = Money::sum(array_map(static fn (BankLine $line): Money => $line->amount, $lines), $currency);
        $statement = new BankStatement(
            self::BANK,
            $currency,
            "T-{$day}",
            array_map(static fn (BankLine $line): BankEntry => new BankEntry($line), $lines),
            new BankBalance($day, Money::ofMinor($opening, $currency)),
            new BankBalance($day, Money::ofMinor($opening, $currency)->plus($sum)),
        );
        self::assertSame([], $this->import(["statement-{$day}.xml" => CamtWriter::statement($statement)])->refused);
    }

    /** @param  list<string>  $documents */
    private function prepare(string $day, array $documents): int
    {
        $ticks = array_fill_keys(array_map(fn (string $document): int => $this->itemId($document), $documents), '1');
        $this->post('/direct-debits', ['key' => "p-{$day}", 'day' => $day, 'tick' => $ticks])->assertSessionHas('done');

        return (int) DB::table('collections')->max('id');
    }

    private function refuses(string $words): void
    {
        $says = session('refusal');
        self::assertStringContainsString($words, is_string($says) ? $says : '');
    }

    public function test_due_invoices_are_collected_matched_and_confirmed_by_one_sum(): void
    {
        $this->get('/direct-debits?day=2026-11-03')->assertOk()->assertSeeInOrder(['I1', '400.00', 'I3'])
            ->assertSee('due in 47 days')->assertSee('Prepare 2 debits, 1,885.80 EUR');
        $this->post('/direct-debits/rehearse', ['day' => '2026-11-03', 'tick' => [$this->itemId('I1') => '1']])
            ->assertSee('Prepare 1 debit, 400.00 EUR');
        $this->post('/direct-debits', ['key' => 'none', 'day' => '2026-11-03']);
        $this->refuses('Tick what is to be collected');
        $this->post('/direct-debits', ['key' => 'late', 'day' => '2026-11-03', 'tick' => [$this->itemId('I4') => '1']]);
        $this->refuses('cannot be collected on that day');

        $id = $this->prepare('2026-11-03', ['I1', 'I2', 'I3']);
        self::assertSame([1, 2], [DB::table('collections')->count(), DB::table('collection_debits')->count()]);
        $this->get('/direct-debits?day=2026-11-03')->assertSee('in a collection that is being prepared');
        $this->post("/direct-debits/{$id}/tell", ['key' => 't'])->assertSessionHas('done');
        $mail = DB::table('outbox')->get();
        self::assertSame(['c1@example.invalid', 'Direct debit of 1,585.80 EUR on 2026-11-03'], [$mail[0]->recipient, $mail[0]->subject]);
        self::assertStringContainsString('Tiendas Romeral', session('done')['text']);
        $this->post("/direct-debits/{$id}/send", ['key' => 's']);
        $this->refuses('Payers are told 14 days before 2026-11-03');
        self::assertSame(0, DB::table('collections_sent')->count());
        foreach ([1, 2] as $click) {
            $this->post("/direct-debits/{$id}/send", ['key' => 's', 'agreed' => '1'])->assertSessionHas('done');
        }
        $this->post("/direct-debits/{$id}/send", ['key' => 'again', 'agreed' => '1']);
        $this->refuses('with the bank already');

        self::assertSame([0, 0, 0], [$this->openOf('I1'), $this->openOf('I2'), $this->openOf('I3')]);
        $last = (int) DB::table('vouchers')->max('id');
        self::assertSame(['1500 188580', '1100 -158580', '1100 -30000'], $this->voucher($last - 1));
        self::assertSame(['6200 2420', '1100 -2420'], $this->voucher($last));
        $this->get("/direct-debits/{$id}")->assertOk()->assertSee('collected')->assertSee('pain.008');
        $this->get("/direct-debits/{$id}/answer.xml")->assertOk()->assertSee('pain.008.001.08', false);

        $this->post('/bank/next')->assertSessionHas('done');
        self::assertSame([], $this->said('Direct debits'), 'not before its day');
        $this->post('/bank/next')->assertSessionHas('done');
        $credit = $this->said('Direct debits')[0];
        self::assertSame([188_580, true], [$credit->line->amount->minor, $credit->isCertain()]);
        app(PlaceElsewhere::class)->confirm('c', $credit->line->id, (int) $credit->confirmation?->postingId);
        self::assertSame([], $this->said('Direct debits'));
    }

    public function test_a_debit_that_comes_back_opens_its_invoice_with_its_age_and_may_end_the_mandate(): void
    {
        $id = $this->prepare('2026-11-03', ['I1', 'I3']);
        $this->post("/direct-debits/{$id}/send", ['key' => 's', 'agreed' => '1'])->assertSessionHas('done');
        $names = DB::table('collection_debits')->orderBy('id')->pluck('end_to_end')->all();
        $back = static fn (string $name, int $minor, string $why): BankLine => new BankLine(
            '2026-11-05',
            '2026-11-05',
            Money::ofMinor(-$minor - 350, 'EUR'),
            new BankReferences("BACK-{$name}", $name),
            new Payer('Payer', '', ''),
            Money::ofMinor(350, 'EUR'),
            true,
            $why,
        );
        $this->statement('2026-11-05', 0, [$back($names[0], 40_000, 'AM04'), $back($names[1], 30_000, 'AC04')]);
        $lines = DB::table('money_lines')->where('is_reversal', 1)->orderBy('id')->get();
        self::assertSame(['AM04', 'AC04'], $lines->pluck('return_reason')->all());
        $this->get("/receipts?line={$lines[0]->id}&as_of=2026-11-05")->assertOk()
            ->assertSee('named by the bank')->assertSee('not enough funds (AM04)');
        $receipt = $this->itemId($names[0]);
        $this->post("/documents/{$receipt}/returned", [
            'key' => 'r', 'line' => $lines[0]->id, 'fee' => '3.50', 'reason' => 'not enough funds',
        ])->assertSessionHas('done');
        self::assertSame(40_000, $this->openOf('I1'));
        self::assertSame('2026-10-12', DB::table('items')->where('document', 'I1')->value('due_date'));
        self::assertSame(0, $this->openOf('I3'));
        $this->get("/direct-debits/{$id}")->assertSee('came back: not enough funds (AM04)');

        $again = $this->get('/direct-debits?day=2026-11-12')->assertOk();
        $again->assertSee('Prepare 1 debit, 1,610.00 EUR')->assertSee('the account is closed; a new mandate is needed');
        self::assertSame('RCUR', app(Mandates::class)->find(1)->sequence());
        $this->keep('C2', 'M-3', 'ES7921000813610123456789', 'once');
        self::assertSame('OOFF', app(Mandates::class)->find(3)->sequence());
        self::assertSame('', app(Mandates::class)->find(3)->whyNot('2026-11-12'));
    }

    public function test_what_has_changed_since_it_was_prepared_is_not_collected(): void
    {
        $id = $this->prepare('2026-11-03', ['I1', 'I2']);
        $this->import(['items.csv' => "document,kind,customer,date,due_date,currency,amount,base_amount\n"
            ."R1,receipt,C1,2026-10-29,,EUR,100.00,100.00\n"]);
        $this->get('/direct-debits?day=2026-11-03')->assertSee('100.00 unapplied');
        $this->match('C1', ['I1' => '100.00', 'R1' => '100.00']);
        $this->post("/direct-debits/{$id}/send", ['key' => 's', 'agreed' => '1']);
        $this->refuses('now 300.00 can be collected of it, and the collection asks for 400.00');
        self::assertSame([0, 0], [DB::table('collections_sent')->count(), DB::table('batches')->count()]);
        $this->post("/direct-debits/{$id}/discard", ['key' => 'd'])->assertSessionHas('done');
        self::assertSame(0, DB::table('collection_items')->count());
        $this->post("/direct-debits/{$id}/send", ['key' => 's2'])->assertStatus(302);
        $this->refuses('no such collection');

        $ended = $this->prepare('2026-11-04', ['I1']);
        $end = ['date' => '2026-11-01', 'reason' => 'withdrawn by letter'];
        foreach ([1, 2] as $click) {
            $this->post('/mandates/1/end', ['key' => 'e', ...$end]);
            $this->refuses('2026-11-01 is after 2026-10-31');
        }
        $this->post('/mandates/1/end', ['key' => 'e2', ...$end])->assertSessionHas('done');
        $this->post("/direct-debits/{$ended}/send", ['key' => 's3', 'agreed' => '1']);
        $this->refuses('mandate M-1: it ended on 2026-11-01');
        $this->get('/mandates?as_of=2026-11-03')->assertOk()->assertSee('it ended on 2026-11-01');
    }

    public function test_a_mandate_that_does_not_hold_is_refused_with_what_is_wrong(): void
    {
        $good = ['who' => 'C1', 'reference' => 'M-9', 'iban' => self::BANK, 'holder' => '', 'signed' => '2026-01-15'];
        $good += ['scheme' => 'B2B', 'use' => 'once'];
        $odd = [
            ['iban' => 'ES7921000813610123456780', 'does not hold'], ['reference' => 'M-1', 'There is a mandate M-1 already'],
            ['reference' => '', '1 to 35 characters'], ['signed' => '2100-01-01', 'still to come'], ['scheme' => 'x', 'Choose the scheme'],
            ['use' => 'x', 'Choose whether'], ['who' => 'nobody', 'nobody'],
        ];
        foreach ($odd as $place => $one) {
            $words = (string) array_pop($one);
            $this->post('/mandates', ['key' => "k{$place}", ...$good, ...$one]);
            $this->refuses($words);
        }
        self::assertSame(2, DB::table('mandates')->count());
        $this->actingAs($this->person('reader'))->post('/mandates', ['key' => 'r', ...$good])->assertForbidden();
        $this->get('/mandates')->assertOk()->assertDontSee('Keep the mandate');
    }

    /** The registry's own writer of direct debits (npm: sepa) makes the same message of the same debits. */
    public function test_an_order_is_what_an_independent_package_writes(): void
    {
        $debit = static fn (string $name, string $mandate, string $iban, int $minor): Debit => new Debit(
            $name, new Mandate($mandate, 'Olive Shop', $iban, '2026-01-15', Scheme::Core, MandateUse::Recurrent),
            'FRST', Money::ofMinor($minor, 'EUR'), "Invoice {$name}",
        );
        $debits = [$debit('D-1', 'M-1', 'DE89370400440532013000', 12_345), $debit('D-2', 'M-2', 'GB29NWBK60161331926819', 1)];
        $creditor = new Creditor('Mill', self::BANK, 'DE98ZZZ09999999999');
        $ours = CollectionOrder::written('AJ-1', '2026-11-25', '2026-12-01', $creditor, $debits);
        $theirs = self::node('debits');
        // Theirs has a name of its own for each debit, and says that no mandate was amended.
        $own = ['InstrId', 'AmdmntInd', 'CreDtTm'];
        self::assertSame(self::leaves($theirs, $own), self::leaves($ours, $own));
        self::assertCount(36, self::leaves($ours, []));
    }

    public function test_creditor_identifiers_agree_with_an_independent_package(): void
    {
        $texts = ['DE98ZZZ09999999999', 'DE98ABC09999999999'];
        foreach (str_split('98ZZZ09999999999') as $place => $character) {
            if (ctype_digit($character)) {
                $texts[] = substr_replace('DE98ZZZ09999999999', (string) ((((int) $character) + 1) % 10), $place + 2, 1);
            }
        }
        $input = json_encode($texts, JSON_THROW_ON_ERROR);
        $theirs = json_decode(self::node('creditors', $input), true, flags: JSON_THROW_ON_ERROR);
        self::assertSame($theirs, array_map(CreditorIdentifier::isValid(...), $texts));
        self::assertSame([true, true], array_slice($theirs, 0, 2));
        self::assertNotContains(true, array_slice($theirs, 2));
    }

    /**
     * @param list<string> $without names that do not count
     * @return list<string> each leaf of a message with where it stands, in order
     */
    private static function leaves(string $xml, array $without): array
    {
        $document = new \DOMDocument;
        $document->loadXML($xml, LIBXML_NOBLANKS);
        $said = [];
        foreach ((new DOMXPath($document))->query('//*[not(*)]') ?: [] as $leaf) {
            if (! $leaf instanceof DOMElement || in_array($leaf->localName, $without, true)) {
                continue;
            }
            $said[] = "{$leaf->parentNode?->localName}/{$leaf->localName} {$leaf->getAttribute('Ccy')} {$leaf->textContent}";
        }

        return $said;
    }

    /** @return list<LineGuess> statement lines to place whose text begins so */
    private function said(string $words): array
    {
        return array_values(array_filter(
            app(ReceiptWorklist::class)->guesses($this->control(), '2026-11-30'),
            static fn (LineGuess $guess): bool => str_starts_with($guess->line->payer->remittance, $words),
        ));
    }
}
