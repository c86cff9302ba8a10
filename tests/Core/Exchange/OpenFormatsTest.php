<?php

declare(strict_types=1);

namespace Tests\Core\Exchange;

use Ajuste\Core\Exchange\EInvoice\EInvoice;
use Ajuste\Core\Exchange\EInvoice\EInvoiceLine;
use Ajuste\Core\Exchange\EInvoice\EInvoiceReader;
use Ajuste\Core\Exchange\RateXml;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use PHPUnit\Framework\TestCase;

/** Open formats beside those of banks: invoices of EN 16931, reference rates. */
final class OpenFormatsTest extends TestCase
{
    /** @param  array<string, string>  $with what stands in place of what */
    private static function xml(string $name, array $with = []): string
    {
        return strtr((string) file_get_contents(dirname(__DIR__, 2)."/fixtures/e-invoices/{$name}.xml"), $with);
    }

    /** @return list<string> */
    private static function said(string $xml): array
    {
        self::assertTrue(EInvoiceReader::recognises($xml));
        $of = EInvoiceReader::read($xml);
        $lines = array_map(
            static fn (EInvoiceLine $line): string => implode(' ', [
                $line->name, $line->quantity, $line->unitPrice, $line->net->decimal(), $line->taxRate,
            ]),
            $of->lines,
        );

        return ["{$of->head->number} {$of->head->kind->value} {$of->gross->decimal()} {$of->buyer->name}", ...$lines];
    }

    public function test_ubl(): void
    {
        $lines = ['1 2 50.00 100.00 21', '2 4 5.00 20.00 16', 'allowance-1 1  -10.00 21'];
        self::assertSame(['E-1 invoice 132.10 Tienda Uno', ...$lines], self::said(self::xml('ubl')));
        self::assertSame(['E-1 credit_note 132.10 Tienda Uno', ...$lines], self::said(self::xml('ubl', ['>380<' => '>381<'])));
        $charge = ['>false<' => '>true<', '>110.00<' => '>130.00<'];
        self::assertSame('charge-1 1  10.00 21', self::said(self::xml('ubl', $charge))[3]);
        self::assertSame(['ESB00000001'], EInvoiceReader::read(self::xml('ubl'))->buyer->taxNumbers);
        self::assertFalse(EInvoiceReader::recognises('<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08">'));
    }

    public function test_an_invoice_is_refused_where_its_lines_do_not_make_its_total(): void
    {
        $gross = Money::ofMinor(121_00, 'EUR');
        $of = EInvoiceReader::read(self::xml('ubl'));
        $with = static fn (array $lines, ?int $net): EInvoice => new EInvoice(
            $of->head, $of->buyer, $gross, $lines, $net === null ? null : Money::ofMinor($net, 'EUR'),
        );
        self::assertSame([], $with([], 100_00)->lines, 'an invoice without lines has nothing to make it of');
        self::assertCount(3, $with($of->lines, null)->lines);
        self::assertCount(3, $with($of->lines, 110_00)->lines);
        $this->expectExceptionMessage('Invoice E-1: its lines come to 110.00, and it says 110.01 without tax.');
        $with($of->lines, 110_01);
    }

    public function test_cross_industry_invoice(): void
    {
        self::assertSame(['E-9 invoice 127.05 DOS Y HIJOS', '1 10 10 100.00 21', 'charge-1 1  5.00 21'], self::said(self::xml('cii')));
        $below = ['>127.05<' => '>-127.05<', '>105.00<' => '>-105.00<', '>100.00<' => '>-100.00<', '>5.00<' => '>-5.00<'];
        self::assertSame(
            ['E-9 credit_note 127.05 DOS Y HIJOS', '1 10 10 100.00 21', 'charge-1 1  5.00 21'],
            self::said(self::xml('cii', $below)),
            'a total below zero lessens what is owed',
        );
        self::assertSame('E-9 invoice 127.05 DOS Y HIJOS', self::said(self::xml('cii', [...$below, '>380<' => '>381<']))[0]);
    }

    public function test_reference_rates(): void
    {
        $xml = '<Envelope xmlns="eurofxref"><Cube><Cube time="2026-10-30"><Cube currency="USD" rate="1.0615"/>'
            .'<Cube currency="ZZZ" rate="1"/></Cube>'
            .'<Cube time="2026-10-29"><Cube currency="USD" rate="1.0601"/></Cube></Cube></Envelope>';
        self::assertTrue(RateXml::recognises($xml));
        self::assertFalse(RateXml::recognises('date,currency,rate'));
        self::assertSame([
            ['date', 'currency', 'rate', 'quoted'], [
                '2026-10-30',
                'USD',
                '1.0615',
                'unit_per_base',
            ], ['2026-10-29', 'USD', '1.0601', 'unit_per_base'],
        ], RateXml::rows($xml));
        $this->expectException(Refusal::class);
        RateXml::rows('<Envelope xmlns="eurofxref"><Cube><Cube currency="USD" rate="1"/></Cube></Envelope>');
    }
}
