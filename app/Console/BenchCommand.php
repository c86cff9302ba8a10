<?php

declare(strict_types=1);

namespace App\Console;

use App\Actions\Import\ImportFiles;
use App\Actions\Import\SourceFiles;
use App\Queries\Reports;
use App\Queries\Settings;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use PDO;
use RuntimeException;
use Symfony\Component\Process\Process;

/**
 * Speed and memory as ratios: each job beside the plain SQL that only fetches (or, for the import, only inserts) the same rows, measured in
 * the same run. Every job has a process of its own, so that its peak memory is its own.
 */
final class BenchCommand extends Command
{
    protected $signature = 'ajuste:bench {--sizes=100000,1000000 : numbers of items} {--job= : one job, in this process} {--folder=}';

    protected $description = 'Benchmarks, as ratios to plain SQL on the same rows';

    private const JOBS = ['import', 'import-sql', 'proof', 'proof-sql', 'aged', 'aged-sql'];

    public function handle(): int
    {
        $job = $this->option('job');
        if (is_string($job)) {
            return $this->job($job, (string) $this->option('folder'));
        }
        $rows = [];
        foreach (explode(',', (string) $this->option('sizes')) as $size) {
            $folder = sys_get_temp_dir().'/ajuste-bench-'.bin2hex(random_bytes(4));
            try {
                File::ensureDirectoryExists("{$folder}/in");
                $this->write("{$folder}/in", (int) $size);
                $measured = [];
                foreach (self::JOBS as $name) {
                    $measured[$name] = $this->measure($name, $folder);
                }
                foreach (['import', 'proof', 'aged'] as $name) {
                    [$seconds, $peak] = $measured[$name];
                    [$plain, $plainPeak] = $measured["{$name}-sql"];
                    $rows[] = [
                        number_format((int) $size), $name, number_format($seconds / max(0.001, $plain), 2), sprintf('%.2f s', $seconds),
                        sprintf('%.2f s', $plain), sprintf('%d MB', $peak / 1048576), sprintf('%d MB', $plainPeak / 1048576),
                    ];
                }
            } finally {
                File::deleteDirectory($folder);
            }
        }
        $this->table(['items', 'job', 'ratio', 'Ajuste', 'plain SQL', 'peak', 'peak of SQL'], $rows);

        return self::SUCCESS;
    }

    /** @return array{float, int} seconds and peak bytes */
    private function measure(string $job, string $folder): array
    {
        $process = new Process([
            PHP_BINARY, '-d', 'memory_limit=8G', base_path('artisan'), 'ajuste:bench', "--job={$job}", "--folder={$folder}",
        ], null, ['AJUSTE_BOOKS' => "{$folder}/books.sqlite"], null, 3600);
        $process->mustRun();
        /** @var array{float, int} $result */
        $result = json_decode($process->getOutput(), true, flags: JSON_THROW_ON_ERROR);

        return $result;
    }

    private function job(string $job, string $folder): int
    {
        if ($job === 'import') {
            Artisan::call('ajuste:books');
        }
        $start = hrtime(true);
        match ($job) {
            'import' => $this->import($folder),
            'import-sql' => $this->plainInsert($folder),
            'proof' => app(Reports::class)->proof(app(Settings::class)->controlAccount(), '2026-10-31'),
            'proof-sql' => $this->fetch('SELECT id, date, base, document, customer, entry, batch, source, description FROM postings WHERE account_id = 1 UNION ALL SELECT root_id, date, base, document, customer_id, entry, batch, kind, side FROM items WHERE control_account_id = 1 ORDER BY 4'),
            'aged' => app(Reports::class)->aged(app(Settings::class)->controlAccount(), '2026-10-31'),
            default => $this->fetch('SELECT i.customer_id, i.currency, i.due_date, i.side, i.base - p.moved FROM item_positions p JOIN items i ON i.id = p.row_id WHERE p.control_account_id = 1 AND p.settled_on IS NULL'),
        };
        $this->line((string) json_encode([(hrtime(true) - $start) / 1e9, memory_get_peak_usage(true)]));

        return self::SUCCESS;
    }

    private function import(string $folder): void
    {
        $report = app(ImportFiles::class)->post(SourceFiles::at("{$folder}/in", $folder), false, 'bench');
        if ($report->importId === null) {
            $this->fail('The benchmark files were refused: '.json_encode(array_slice($report->refused, 0, 3)));
        }
    }

    /** The same rows into tables with the same keys and indexes, without a look at what they say. */
    private function plainInsert(string $folder): void
    {
        $pdo = new PDO("sqlite:{$folder}/plain.sqlite");
        $pdo->exec((string) file_get_contents(database_path('books.sql')));
        $pdo->exec('PRAGMA journal_mode = WAL; PRAGMA foreign_keys = OFF; BEGIN IMMEDIATE');
        foreach (['items' => 'INSERT INTO items (root_id, document, kind, customer_id, occurrence, side, date, due_date, currency, amount, base, control_account_id, entry, import_file_id, recorded_at) VALUES (1, ?, ?, 1, ?, ?, ?, ?, ?, ?, ?, 1, ?, 1, 1)', 'ledger' => 'INSERT INTO postings (entry, date, account_id, base, document, occurrence, import_file_id, recorded_at) VALUES (?, ?, 1, ?, ?, ?, 1, 1)', 'matches' => 'INSERT INTO matches (date, debit_item_id, credit_item_id, amount, debit_base, credit_base, recorded_at) VALUES (?, ?, ?, ?, 1, 1, 1)'] as $file => $sql) {
            $insert = $pdo->prepare($sql);
            $stream = fopen("{$folder}/in/{$file}.csv", 'rb');
            for ($place = 0; $stream !== false && ($row = fgetcsv($stream, escape: '')) !== false; $place++) {
                $insert->execute(match ($file) {
                    'items' => [$row[0], $row[1], $place, $row[1] === 'invoice' ? 'debit' : 'credit', $row[3], $row[4], $row[5], 1, 1, $row[8]],
                    'ledger' => [$row[0], $row[1], 1, $row[6], $place],
                    default => [$row[0], $place, $place, 1],
                });
            }
        }
        $pdo->exec('COMMIT');
    }

    private function fetch(string $sql): void
    {
        $statement = DB::connection()->getPdo()->query($sql);
        while ($statement !== false && $statement->fetch(PDO::FETCH_NUM) !== false);
    }

    /** Invoices and their receipts over ten years; one in twenty items is open. */
    private function write(string $folder, int $items): void
    {
        File::put("{$folder}/accounts.csv", "account,name,type,role\n1100,Receivables,asset,receivables_control\n1500,Bank,asset,bank\n4000,Sales,income,revenue\n");
        File::put("{$folder}/settings.csv", "name,value\nperiod,2026-10\n");
        $customers = "customer,name,currency\n";
        for ($customer = 0; $customer < 2000; $customer++) {
            $customers .= "C{$customer},Customer {$customer},EUR\n";
        }
        File::put("{$folder}/customers.csv", $customers);
        $files = array_map(static fn (string $name) => fopen("{$folder}/{$name}.csv", 'wb') ?: throw new RuntimeException($name), ['items' => 'items', 'ledger' => 'ledger', 'matches' => 'matches']);
        fwrite($files['items'], "document,kind,customer,date,due_date,currency,amount,base_amount,entry\n");
        fwrite($files['ledger'], "entry,date,account,description,debit,credit,document\n");
        fwrite($files['matches'], "date,debit_document,credit_document,amount\n");
        mt_srand(1);
        $pairs = intdiv($items, 2);
        $start = (int) strtotime('2016-11-01 UTC');
        for ($n = 0; $n < $pairs; $n++) {
            $customer = 'C'.mt_rand(0, 1999);
            $day = $start + intdiv($n * 3600, $pairs) * 86400;
            [$date, $due, $paid] = [gmdate('Y-m-d', $day), gmdate('Y-m-d', $day + 30 * 86400), gmdate('Y-m-d', $day + 40 * 86400)];
            $amount = sprintf('%d.%02d', mt_rand(10, 9000), mt_rand(0, 99));
            fwrite($files['items'], "I{$n},invoice,{$customer},{$date},{$due},EUR,{$amount},{$amount},E{$n}\nR{$n},receipt,{$customer},{$paid},{$paid},EUR,{$amount},{$amount},F{$n}\n");
            fwrite($files['ledger'], "E{$n},{$date},1100,sale,{$amount},,I{$n}\nF{$n},{$paid},1100,receipt,,{$amount},R{$n}\n");
            if ($n % 20 !== 0) {
                fwrite($files['matches'], "{$paid},I{$n},R{$n},{$amount}\n");
            }
        }
        array_map(fclose(...), $files);
    }
}
