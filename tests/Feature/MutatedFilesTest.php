<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\DB;

/** Files that were damaged on the way: each is taken in as a whole, or refused in words, and the books hold. */
final class MutatedFilesTest extends BooksTestCase
{
    public function test_a_thousand_mutated_files_leave_nothing_half_done(): void
    {
        $this->importBasics();
        $files = [
            'items.csv' => self::items([
                'A,invoice,C1,2026-10-01,2026-10-31,EUR,100.00,100.00,,,E1,',
                'R,receipt,C1,2026-10-05,,EUR,60.00,60.00,,A,E2,',
                'G,invoice,C3,2026-09-01,2026-10-01,GBP,80.00,92.32,,,,',
                'S,receipt,C3,2026-10-12,,GBP,80.00,92.88,,,,',
                'X,exchange_difference,C3,2026-10-12,,GBP,0,0.56,debit,G,,',
            ]),
            'matches.csv' => "date,debit_document,credit_document,amount\n2026-10-05,A,R,60.00\n2026-10-12,G,S,80.00\n",
            'ledger.csv' => self::ledger([
                'E1,2026-10-01,1100,s,100.00,,A,',
                'E1,2026-10-01,4000,s,,100.00,A,',
                'E2,2026-10-05,1100,"pay, ""cash""",,60.00,R,bank',
            ]),
            'bank.csv' => "Fecha;Concepto;Importe;Saldo\n30/10/2026;Tiendas Romeral;100,00;1.100,00\n29/10/2026;Caja;50,00;1.000,00\n",
            'movements.sta' => ":20:X\n:25:MILL-2\n:28C:1/1\n:60F:C261029EUR100,00\n:61:2610301030C50,00NTRFNONREF//B1\n:86:Tiendas "
                ."Romeral\n:62F:C261030EUR150,00\n",
            'statement.xml' => (string) file_get_contents(dirname(__DIR__).'/fixtures/camt053-08.xml'),
        ];
        mt_srand(1000);
        $taken = $refused = 0;
        for ($try = 0; $try < 1000; $try++) {
            $mutated = $files;
            for ($change = mt_rand(1, 3); $change > 0; $change--) {
                $name = (string) array_rand($mutated);
                $mutated[$name] = $this->mutate($mutated[$name]);
            }
            $before =
                DB::table('items')->count() +
                DB::table('postings')->count() +
                DB::table('matches')->count() +
                DB::table('money_lines')->count();
            $report = $this->import($mutated, setAside: mt_rand(0, 1) === 1, rehearse: $try % 10 !== 0);
            $after =
                DB::table('items')->count() +
                DB::table('postings')->count() +
                DB::table('matches')->count() +
                DB::table('money_lines')->count();
            if ($report->importId === null) {
                self::assertSame($before, $after, "try {$try}");
            } else {
                $taken++;
                $this->assertBooksHold();
            }
            $refused += $report->refusedCount > 0 ? 1 : 0;
            foreach ($report->refused as $row) {
                self::assertNotSame('', $row->expected);
            }
        }
        self::assertGreaterThan(200, $refused);
        self::assertGreaterThan(5, $taken);
        $proof = $this->report('proof');
        self::assertSame($proof['customers'], $this->report('aged')['totals']['total']);
    }

    private function mutate(string $text): string
    {
        $at = mt_rand(0, max(0, strlen($text) - 1));

        return match (mt_rand(0, 8)) {
            0 => substr_replace($text, chr(mt_rand(0, 255)), $at, 1),
            1 => substr($text, 0, $at),
            2 => substr($text, 0, $at).substr($text, $at, mt_rand(1, 60)).substr($text, $at),
            3 => (string) preg_replace('/\d+/', (string) mt_rand(0, 99999999), $text, 1),
            4 => str_replace([',', ';'], [';', '|'], $text),
            5 => str_replace("\n", "\r\n\r\n", $text),
            6 => mb_convert_encoding($text, 'UTF-16', 'UTF-8'),
            7 => str_replace(['2026-10', '.00'], ['10/2026', ',00'], $text),
            default => str_replace('100', '-100', $text),
        };
    }
}
