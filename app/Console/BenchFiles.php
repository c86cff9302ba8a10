<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Support\Facades\File;
use PhpOffice\PhpSpreadsheet\Spreadsheet;
use PhpOffice\PhpSpreadsheet\Writer\Xlsx;
use RuntimeException;
use ZipArchive;

/** Files that the benchmarks take in. */
final class BenchFiles
{
    /** Invoices and their receipts over some years to October 2026; one in twenty items is open. */
    public static function history(string $folder, int $items, int $years = 10): void
    {
        File::put(
            "{$folder}/accounts.csv",
            "account,name,type,role\n1100,Receivables,asset,receivables_control\n1500,Bank,asset,bank\n4000,Sales,income,revenue\n",
        );
        File::put("{$folder}/settings.csv", "name,value\nperiod,2026-10\n");
        $customers = "customer,name,currency\n";
        for ($customer = 0; $customer < 2000; $customer++) {
            $customers .= "C{$customer},Customer {$customer},EUR\n";
        }
        File::put("{$folder}/customers.csv", $customers);
        $files = array_map(static fn (string $name) => fopen("{$folder}/{$name}.csv", 'wb') ?: throw new RuntimeException($name), [
            'items' => 'items',
            'ledger' => 'ledger',
            'matches' => 'matches',
        ]);
        fwrite($files['items'], "document,kind,customer,date,due_date,currency,amount,base_amount,entry\n");
        fwrite($files['ledger'], "entry,date,account,description,debit,credit,document\n");
        fwrite($files['matches'], "date,debit_document,credit_document,amount\n");
        mt_srand(1);
        $pairs = intdiv($items, 2);
        $start = (int) strtotime(2026 - $years.'-11-01 UTC');
        for ($n = 0; $n < $pairs; $n++) {
            $customer = 'C'.mt_rand(0, 1999);
            $day = $start + intdiv($n * 360 * $years, $pairs) * 86400;
            [$date, $due, $paid] = [gmdate('Y-m-d', $day), gmdate('Y-m-d', $day + 30 * 86400), gmdate('Y-m-d', $day + 40 * 86400)];
            $amount = sprintf('%d.%02d', mt_rand(10, 9000), mt_rand(0, 99));
            fwrite(
                $files['items'],
                "I{$n},invoice,{$customer},{$date},{$due},EUR,{$amount},{$amount},E{$n}\nR{$n},receipt,{$customer},{$paid},{$paid},".
                    "EUR,{$amount},{$amount},F{$n}\n",
            );
            fwrite($files['ledger'], "E{$n},{$date},1100,sale,{$amount},,I{$n}\nF{$n},{$paid},1100,receipt,,{$amount},R{$n}\n");
            if ($n % 20 !== 0) {
                fwrite($files['matches'], "{$paid},I{$n},R{$n},{$amount}\n");
            }
        }
        array_map(fclose(...), $files);
    }

    /**
     * Customers with so many open invoices each, and so many receipts each that quote them, are of the same amount, or are of any
     * amount. The ledger has each of them.
     */
    public static function open(string $folder, int $items, int $receipts = 4, int $each = 40): void
    {
        $ledger = fopen("{$folder}/ledger.csv", 'wb') ?: throw new RuntimeException('ledger');
        fwrite($ledger, "entry,date,account,debit,credit,document\n");
        File::put(
            "{$folder}/accounts.csv",
            "account,name,type,role\n1100,Receivables,asset,receivables_control\n1150,Presentation,asset,presentation\n".
                "2150,Customers in credit,liability,customers_in_credit\n1510,Till,asset,till\n",
        );
        File::put("{$folder}/settings.csv", "name,value\nperiod,2026-10\n");
        $customers = "customer,name,currency\n";
        $file = fopen("{$folder}/items.csv", 'wb') ?: throw new RuntimeException('items');
        fwrite($file, "document,kind,customer,date,due_date,currency,amount,base_amount,reference\n");
        mt_srand(7);
        $say = static fn (int $minor): string => sprintf('%d.%02d', intdiv($minor, 100), $minor % 100);
        for ($n = 0; $n < $items; $n++) {
            $customer = 'C'.intdiv($n, $each);
            $customers .= $n % $each === 0 ? "{$customer},Customer {$customer},EUR\n" : '';
            $amounts = $n % $each === 0 ? [] : $amounts ?? [];
            $amounts["F{$n}"] = mt_rand(1000, 900_000);
            $day = gmdate('Y-m-d', (int) strtotime('2026-05-01 UTC') + mt_rand(0, 150) * 86400);
            fwrite($file, "F{$n},invoice,{$customer},{$day},{$day},EUR,{$say($amounts["F{$n}"])},{$say($amounts["F{$n}"])},\n");
            fwrite($ledger, "E{$n},{$day},1100,{$say($amounts["F{$n}"])},,F{$n}\n");
            for ($place = 0; $n % $each === $each - 1 && $place < $receipts; $place++) {
                $quoted = (array) array_rand($amounts, mt_rand(2, 4));
                [$sum, $reference] = match (mt_rand(0, 9)) {
                    0, 1, 2, 3 => [array_sum(array_map(static fn (int|string $of): int => $amounts[$of], $quoted)), implode(' ', $quoted)],
                    4, 5, 6 => [$amounts[$quoted[0]], ''],
                    default => [mt_rand(1000, 900_000), ''],
                };
                fwrite($file, "R{$n}-{$place},receipt,{$customer},2026-10-20,2026-10-20,EUR,{$say($sum)},{$say($sum)},{$reference}\n");
                fwrite($ledger, "E{$n}-{$place},2026-10-20,1100,,{$say($sum)},R{$n}-{$place}\n");
            }
        }
        fclose($file);
        fclose($ledger);
        File::put("{$folder}/customers.csv", $customers);
    }

    /** Open invoices in a foreign currency, each at a rate of its own. */
    public static function foreign(string $folder, int $count): void
    {
        mt_srand(11);
        $items = fopen("{$folder}/items.csv", 'w') ?: throw new RuntimeException('No place for the items.');
        fwrite($items, "document,kind,customer,date,due_date,currency,amount,base_amount\n");
        for ($n = 0; $n < $count; $n++) {
            [$cents, $day] = [mt_rand(1_000, 900_000), sprintf('2026-%02d-%02d', mt_rand(1, 9), mt_rand(1, 28))];
            $say = static fn (int $of): string => sprintf('%d.%02d', intdiv($of, 100), $of % 100);
            $base = $say((int) round($cents * mt_rand(8_500, 9_500) / 10_000));
            fwrite($items, "F{$n},invoice,C".$n % 5_000 .",{$day},{$day},USD,{$say($cents)},{$base}\n");
        }
        fclose($items);
        $customers = array_map(static fn (int $n): string => "C{$n},Buyer {$n},USD", range(0, 4_999));
        File::put("{$folder}/customers.csv", "customer,name,currency\n".implode("\n", $customers)."\n");
        File::put("{$folder}/accounts.csv", "account,name,type,role\n1100,Receivables,asset,receivables_control\n"
            ."4810,Gains,income,exchange_unrealised_gain\n6810,Losses,expense,exchange_unrealised_loss\n");
        File::put("{$folder}/settings.csv", "name,value\nperiod,2026-10\n");
        File::put("{$folder}/rates.csv", "date,currency,rate\n2026-10-30,USD,0.9421\n");
    }

    /** Customers who are suppliers too, each with open invoices, of which one is nearly paid, and bills; all under an agreement. */
    public static function bothSides(string $folder, int $pairs, int $each = 8): void
    {
        $rows = [
            'accounts' => ["account,name,type,role\n1100,Receivables,asset,receivables_control\n2100,Payables,liability,payables_control\n".
                '6300,Residues,expense,residues_written_off'],
            'settings' => ["name,value\nperiod,2026-10\napproval_limit,1000000.00"],
            'suppliers' => ['supplier,name,currency'],
            'customers' => ['customer,name,currency,supplier'],
            'agreements' => ['customer,supplier,reference,from,currency,scope'],
            'items' => ['document,kind,customer,date,due_date,currency,amount,base_amount'],
            'matches' => ['date,debit_document,credit_document,amount'],
            'supplier_items' => ['document,kind,supplier,date,due_date,currency,amount,base_amount'],
            'ledger' => ['entry,date,account,debit,credit,document'],
        ];
        mt_srand(5);
        for ($n = 0; $n < $pairs; $n++) {
            $rows['suppliers'][] = "S{$n},Party {$n},EUR";
            $rows['customers'][] = "C{$n},Party {$n},EUR,S{$n}";
            $rows['agreements'][] = "C{$n},S{$n},A{$n},2026-01-01,EUR,all";
            $amount = 0;
            for ($place = 0; $place < $each; $place++) {
                [$amount, $day] = [mt_rand(500, 9_000), sprintf('2026-08-%02d', mt_rand(1, 28))];
                $rows['items'][] = "F{$n}-{$place},invoice,C{$n},{$day},{$day},EUR,{$amount}.00,{$amount}.00";
                $rows['ledger'][] = "E{$n}-{$place},{$day},1100,{$amount}.00,,F{$n}-{$place}";
                $rows['supplier_items'][] = "B{$n}-{$place},bill,S{$n},{$day},{$day},EUR,{$amount}.00,{$amount}.00";
            }
            $paid = $amount - 2;
            $rows['items'][] = "R{$n},receipt,C{$n},2026-09-01,2026-09-01,EUR,{$paid}.00,{$paid}.00";
            $rows['ledger'][] = "E{$n},2026-09-01,1100,,{$paid}.00,R{$n}";
            $rows['matches'][] = "2026-09-01,F{$n}-".($each - 1).",R{$n},{$paid}.00";
        }
        foreach ($rows as $name => $lines) {
            File::put("{$folder}/{$name}.csv", implode("\n", $lines)."\n");
        }
    }

    /**
     * Files that are damaged or made to be hard to read.
     *
     * @return array<string, string> file by what is wrong with it
     */
    public static function hostile(string $folder): array
    {
        $head = "document,kind,customer,date,due_date,currency,amount\n";
        File::put("{$folder}/quote.csv", "{$head}\"I1".str_repeat(str_repeat('x', 99)."\n", 314_573));
        $wide = implode(',', array_map(static fn (int $n): string => "c{$n}", range(1, 60_000)))."\n";
        File::put("{$folder}/wide.csv", $wide.str_repeat(str_repeat('1,', 59_999)."1\n", 100));
        $signs = mb_convert_encoding($head.str_repeat("I1,invoice,C1,2026-10-01,2026-11-01,EUR,1.00\n", 200_000), 'UTF-16LE', 'UTF-8');
        File::put("{$folder}/cut.csv", "\xFF\xFE".substr($signs, 0, -1));
        $sheet = new Spreadsheet();
        $sheet->getActiveSheet()->setCellValue('A1', 'document');
        $sheet->getActiveSheet()->setCellValue('XFD1048576', 'far');
        (new Xlsx($sheet))->save("{$folder}/far.xlsx");
        (new Xlsx(new Spreadsheet()))->save("{$folder}/none.xlsx");
        $zip = new ZipArchive();
        $zip->open("{$folder}/none.xlsx");
        $book = (string) preg_replace('~<sheets>.*</sheets>~', '<sheets/>', (string) $zip->getFromName('xl/workbook.xml'));
        $zip->addFromString('xl/workbook.xml', $book);
        $zip->close();

        return [
            'a quote that never ends' => 'quote.csv',
            '60,000 columns' => 'wide.csv',
            'UTF-16 that is cut' => 'cut.csv',
            'a cell far out' => 'far.xlsx',
            'a workbook without sheets' => 'none.xlsx',
        ];
    }
}
