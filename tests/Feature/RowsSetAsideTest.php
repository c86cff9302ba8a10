<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\DB;

/** A row that was refused is corrected on the page and taken in, or closed; what came stays as it came. */
final class RowsSetAsideTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([]);
        $this->actingAs($this->person());
    }

    public function test_a_row_is_corrected_and_both_versions_are_kept(): void
    {
        $this->import(['items.csv' => self::items([
            'A1,invoice,C1,2026-10-02,2026-11-01,EUR,10.00,10.00,,,,',
            'A2,invoice,C77,2026-10-02,2026-11-01,EUR,20.00,20.00,,,,',
        ])], setAside: true);
        $this->get('/intake')->assertSee('/intake/rows/1');
        $this->get('/intake/rows/1')->assertOk()->assertSee('It was refused: customer “C77”')->assertSee('value="C77"', false);
        $column = (int) array_search('customer', explode(',', explode("\n", self::items([]))[0]), true);
        $post = fn (array $cells, string $key = 'k1') => $this->post('/intake/rows/1/correct', ['key' => $key, 'cells' => $cells]);
        $post([$column => 'C77']);
        self::assertStringContainsString('Nothing was corrected yet', (string) session('refusal'));
        $post([$column => 'C78']);
        self::assertStringContainsString('still refused: customer “C78”', (string) session('refusal'));
        self::assertSame([1, 0], [DB::table('items')->count(), DB::table('rows_closed')->count()]);
        $post([$column => 'C2'])->assertRedirect('/intake');
        $post([$column => 'C2'])->assertRedirect();
        self::assertSame(['A1', 'A2'], DB::table('items')->orderBy('document')->pluck('document')->all());
        self::assertSame('corrected: customer “C77” is “C2” (import 3)', DB::table('rows_closed')->value('reason'));
        self::assertStringContainsString('C77', (string) DB::table('rows_set_aside')->value('line'));
        $this->get('/intake/imports/3')->assertOk()->assertSee('items-row-3.csv');
        $this->get('/intake/imports/2')->assertSee('is “C2”');
        $this->get('/intake/rows/1')->assertStatus(422)->assertSee('does not wait any more');
        $this->assertBooksHold();
    }

    public function test_a_row_of_another_system_is_corrected_in_its_own_way_of_writing(): void
    {
        $list = "Debitor;Belegart;Belegnummer;Belegdatum;Fälligkeit;Betrag\nC1;RE;R1;16.10.2026;31.10.2026;1.210,00\n"
            ."C1;GS;R3;17.10.2026;;-10,00\nC99;RE;R2;18.10.2026;31.10.2026;1.500,50\n";
        $report = $this->import(['offene-posten.csv' => $list], setAside: true);
        self::assertSame(['C99'], array_column($report->refused, 'value'));
        self::assertSame(2, DB::table('items')->count());
        $this->get('/intake/rows/1')->assertOk()->assertSee('value="C99"', false)->assertSee('1.500,50');
        $this->post('/intake/rows/1/correct', ['key' => 'k1', 'cells' => [0 => 'C1', 5 => '1.500,60']])->assertRedirect('/intake');
        self::assertSame(
            ['2026-10-18', 150_060],
            [DB::table('items')->where('document', 'R2')->value('date'), DB::table('items')->where('document', 'R2')->value('amount')],
        );
    }

    public function test_a_row_is_closed_with_a_reason_once(): void
    {
        $this->import(['items.csv' => self::items([
            'A1,invoice,C1,2026-10-02,2026-11-01,EUR,10.00,10.00,,,,',
            'A2,invoice,C77,2026-10-02,2026-11-01,EUR,20.00,20.00,,,,',
        ])], setAside: true);
        $this->post('/intake/rows/1/close', ['reason' => ' ']);
        self::assertSame(0, DB::table('rows_closed')->count());
        $this->post('/intake/rows/1/close', ['reason' => 'Not ours'])->assertRedirect('/intake');
        $this->post('/intake/rows/1/correct', ['key' => 'k', 'cells' => [2 => 'C1']]);
        self::assertStringContainsString('does not wait any more', (string) session('refusal'));
        self::assertSame(1, DB::table('items')->count());
    }
}
