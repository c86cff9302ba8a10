<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\DB;

/** Electronic invoices of EN 16931 in both syntaxes become documents with lines and tax. Element names from memory, invented figures. */
final class EInvoicesTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $customers = "customer,name,currency,tax_id\nC1,Uno,EUR,ESB00000001\nC2,Dos y Hijos,EUR,\nC3,Tres,GBP,\n";
        $this->importBasics(['customers.csv' => $customers]);
    }

    /** @param  array<string, string>  $with what stands in place of what */
    private static function xml(string $name, array $with = []): string
    {
        return strtr((string) file_get_contents(dirname(__DIR__)."/fixtures/e-invoices/{$name}.xml"), $with);
    }

    /** @return list<list<mixed>> */
    private static function lines(string $document): array
    {
        $lines = DB::table('item_lines')->where('document', $document)->orderBy('id')->get(
            ['line', 'description', 'quantity', 'net', 'tax_rate'],
        );

        return $lines->map(static fn (object $of): array => array_values((array) $of))->all();
    }

    public function test_an_invoice_in_ubl_with_its_lines_its_allowance_and_its_tax(): void
    {
        $report = $this->import(['anything.xml' => self::xml('ubl')]);
        self::assertNotNull($report->importId);
        self::assertSame(1, $report->files[0]->new);
        $item = DB::table('items')->where('document', 'E-1')->first(
            ['kind', 'date', 'due_date', 'amount', 'base', 'reference', 'customer_id'],
        );
        self::assertSame(
            ['invoice', '2026-10-05', '2026-11-04', 13_210, 13_210, 'PO 7', $this->customerId('C1')],
            array_values((array) $item),
        );
        self::assertSame([
            ['1', 'Oil', '2', 10_000, '21'], ['2', 'Bread', '4', 2_000, '16'], ['allowance-1', 'Bulk', '1', -1_000, '21'],
        ], self::lines('E-1'));
        self::assertSame(1, $this->import(['again.xml' => self::xml('ubl')])->files[0]->same);
    }

    public function test_both_syntaxes_credit_notes_and_a_total_below_zero_in_one_go(): void
    {
        $credit = [
            '<Invoice' => '<CreditNote', '</Invoice>' => '</CreditNote>',
            'xsd:Invoice-2' => 'xsd:CreditNote-2', 'InvoiceLine>' => 'CreditNoteLine>',
            'InvoicedQuantity' => 'CreditedQuantity', '>E-1<' => '>K-1<',
            '<cac:AccountingCustomerParty>' => '<cac:BillingReference><cac:InvoiceDocumentReference><cbc:ID>E-1</cbc:ID>'
                .'</cac:InvoiceDocumentReference></cac:BillingReference><cac:AccountingCustomerParty>',
        ];
        $below = [
            '>127.05<' => '>-127.05<',
            '>105.00<' => '>-105.00<',
            '>100.00<' => '>-100.00<',
            '>5.00<' => '>-5.00<',
            '>E-9<' => '>K-9<',
        ];
        $report = $this->import([
            'a.xml' => self::xml('ubl'), 'b.xml' => self::xml('ubl', $credit),
            'c.xml' => self::xml('cii'), 'd.xml' => self::xml('cii', $below),
        ]);
        self::assertSame([], $report->refused);
        self::assertSame([
            'E-1 invoice E',
            'K-1 credit_note E-1',
            'E-9 invoice PO 8',
            'K-9 credit_note PO 8',
        ], DB::table('items')->orderBy('id')->get()->map(
            static fn (object $of): string => "{$of->document} {$of->kind} ".str_replace('PO 7', 'E', $of->reference),
        )->all());
        $cii = DB::table('items')->where('document', 'E-9')->first(['date', 'due_date', 'amount', 'customer_id']);
        self::assertSame(['2026-10-07', '2026-11-06', 12_705, $this->customerId('C2')], array_values((array) $cii));
        self::assertSame([['1', 'Flour', '10', 10_000, '21'], ['charge-1', 'Freight', '1', 500, '21']], self::lines('E-9'));
        self::assertSame([['1', 'Flour', '10', 10_000, '21'], ['charge-1', 'Freight', '1', 500, '21']], self::lines('K-9'));
        $this->assertBooksHold();
    }

    public function test_what_does_not_add_up_or_names_no_customer_is_refused_whole(): void
    {
        foreach ([
            'its lines come to 110.00, and it says 111.00' => self::xml('ubl', ['>110.00<' => '>111.00<']),
            'a customer of customers.csv is expected' => self::xml('ubl', ['ESB00000001' => 'ESB99999999']),
            'no number, no day or no total' => self::xml('ubl', ['>132.10<' => '><']),
            'A line of the invoice has no amount' => self::xml('ubl', ['>100.00<' => '><']),
            'is no currency of ISO 4217' => self::xml('ubl', ['>EUR<' => '>XX<']),
            'declares a document type' => self::xml('ubl', ['<Invoice ' => '<!DOCTYPE x><Invoice ']),
            'not well-formed' => self::xml('ubl', ['</Invoice>' => '']),
        ] as $says => $xml) {
            $report = $this->import(['x.xml' => $xml]);
            self::assertNull($report->importId);
            self::assertStringContainsString($says, implode(' ', array_column($report->refused, 'expected')));
        }
        self::assertSame(0, DB::table('items')->count());
    }
}
