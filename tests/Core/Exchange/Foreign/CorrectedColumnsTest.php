<?php

declare(strict_types=1);

namespace Tests\Core\Exchange\Foreign;

use Ajuste\Core\Exchange\MappingGuess;
use PHPUnit\Framework\TestCase;

/** Where headings seem to say one thing and what stands below says another. */
final class CorrectedColumnsTest extends TestCase
{
    /**
     * @param list<list<string>> $rows
     * @return array<string, string> headings by field
     */
    private static function read(string $headings, array $rows): array
    {
        $heads = explode('|', $headings);
        $mapping = MappingGuess::of([$heads, ...$rows], null);

        return array_map(static fn (int $column): string => $heads[$column], $mapping->columns ?? []);
    }

    /**
     * @param callable(int): list<string> $row
     * @return list<list<string>>
     */
    private static function rows(callable $row, int $count = 12): array
    {
        return array_map($row, range(1, $count));
    }

    public function test_debits_without_credits_are_amounts_or_what_is_open_of_them(): void
    {
        $read = self::read('Comprobante|Fecha|Cliente|Vence|Importe inicial|Debe aún', self::rows(static fn (int $n): array => [
            "F{$n}", "2026-09-{$n}", 'C'.$n % 4, "2026-10-{$n}", "{$n}00,00", $n % 3 === 0 ? "{$n}0,00" : "{$n}00,00",
        ]));
        self::assertSame(['Importe inicial', 'Debe aún'], [$read['amount'] ?? '', $read['+open'] ?? '']);
        self::assertArrayNotHasKey('debit', $read);
        $alone = self::read('Comprobante|Fecha|Cliente|Vence|Debe aún', self::rows(static fn (int $n): array => [
            "F{$n}", "2026-09-{$n}", 'C'.$n % 4, "2026-10-{$n}", "{$n}00,00",
        ]));
        self::assertSame('Debe aún', $alone['amount'] ?? '');
        $sides = self::read('Comprobante|Fecha|Cliente|Vence|Debe|Haber', self::rows(static fn (int $n): array => [
            "F{$n}", "2026-09-{$n}", 'C'.$n % 4, "2026-10-{$n}", $n % 3 === 0 ? '' : "{$n}00,00", $n % 3 === 0 ? "{$n}00,00" : '',
        ]));
        self::assertSame(['Debe', 'Haber', ''], [$sides['debit'] ?? '', $sides['credit'] ?? '', $sides['amount'] ?? ''], 'both are sides');
    }

    public function test_nothing_has_more_open_than_it_is_of(): void
    {
        $read = self::read('Rechnung|Datum|Kunde|Forderung|Rechnungssumme', self::rows(static fn (int $n): array => [
            "R{$n}", "2026-09-{$n}", 'K'.$n % 4, "{$n}00,00", $n % 3 === 0 ? "{$n}0,00" : "{$n}00,00",
        ]));
        self::assertSame(['Forderung', 'Rechnungssumme'], [$read['amount'] ?? '', $read['+open'] ?? '']);
    }

    public function test_documents_stand_once_and_numbers_of_customers_several_times(): void
    {
        $read = self::read('Code|N° zwrbl|Date|Échéance|Montant', self::rows(static fn (int $n): array => [
            '100'.$n % 4, "FA-{$n}", "2026-09-{$n}", "2026-10-{$n}", "{$n}00,00",
        ]));
        self::assertSame(['N° zwrbl', 'Code'], [$read['document'] ?? '', $read['customer'] ?? '']);
    }

    public function test_the_number_that_goes_with_a_name_is_the_customers(): void
    {
        $rows = static fn (string ...$numbers): array => self::rows(static fn (int $n): array => [
            ['Retama Foods', 'Casa Ferrín', 'Redmill'][$n % 3], "F{$n}", "2026-09-{$n}", "2026-10-{$n}", "{$n}00.00",
            ...array_map(static fn (string $of): string => $of.$n % 3, $numbers),
        ]);
        $read = self::read('Customer|Invoice|Date|Due|Amount|Zwrbl', $rows('100'));
        self::assertSame(['Zwrbl', 'Customer'], [$read['customer'] ?? '', $read['name'] ?? '']);
        $two = self::read('Customer|Invoice|Date|Due|Amount|Zwrbl|Zwrbl 2', $rows('100', '200'));
        self::assertSame('Customer', $two['customer'] ?? '', 'of two numbers neither is taken');
        $tax = self::read('Customer|Invoice|Date|Due|Amount|VAT No.', $rows('ES'));
        self::assertSame('Customer', $tax['customer'] ?? '', 'a tax number is none of the books');
    }

    public function test_of_names_and_texts_the_names_are_those_of_parties(): void
    {
        $read = self::read('Datum|Naam/Omschrijving|Zwrbl|Bij|Saldo', self::rows(static fn (int $n): array => [
            "2026-10-{$n}", 'Shop '.'AB'[$n % 2], "payment of invoice {$n}", "{$n}0,00", '1,00',
        ]));
        self::assertSame(['Naam/Omschrijving', 'Zwrbl'], [$read['party'] ?? '', $read['text'] ?? '']);
    }

    public function test_an_entry_is_the_finest_number_of_which_the_amounts_come_to_nil(): void
    {
        $journal = static fn (string $headings): array => self::read($headings, self::rows(static fn (int $n): array => [
            'P'.intdiv($n - 1, 6), 'A-'.intdiv($n - 1, 2), "D{$n}", "2026-10-{$n}", $n % 2 === 0 ? '4000' : '1100', 'sale',
            $n % 2 === 0 ? '' : "{$n}0,00", $n % 2 === 0 ? ($n - 1).'0,00' : '',
        ]));
        $read = $journal('Periodo|Art.|Fattura|Data|Conto|Descrizione|Dare|Avere');
        self::assertSame(['Art.', 'Fattura'], [$read['entry'] ?? '', $read['document'] ?? ''], 'not the period, not the document');
        self::assertSame('Zwrbl', $journal('Periodo|Zwrbl|Registrazione|Data|Conto|Descrizione|Dare|Avere')['entry'] ?? '');
    }

    public function test_a_letter_is_a_side_only_beside_another_or_beside_amounts(): void
    {
        $read = self::read('C/Cliente|N. fattura|Data|Scadenza|Importo', self::rows(static fn (int $n): array => [
            '100'.$n % 4, "FT{$n}", "2026-09-{$n}", "2026-10-{$n}", "{$n}00,00",
        ]));
        self::assertSame('C/Cliente', $read['customer'] ?? '');
        $sides = self::read('Fattura|Data|Cliente|D|A', self::rows(static fn (int $n): array => [
            "FT{$n}", "2026-09-{$n}", '100'.$n % 4, $n % 3 === 0 ? '' : "{$n}00,00", $n % 3 === 0 ? "{$n}00,00" : '',
        ]));
        self::assertSame(['D', 'A'], [$sides['debit'] ?? '', $sides['credit'] ?? '']);
    }

    public function test_what_an_item_refers_to_may_be_the_document_itself(): void
    {
        $read = self::read('Référence|Date|Client|Échéance|Montant', self::rows(static fn (int $n): array => [
            "FA-{$n}", "2026-09-{$n}", '100'.$n % 4, "2026-10-{$n}", "{$n}00,00",
        ]));
        self::assertSame('Référence', $read['document'] ?? '');
    }
}
