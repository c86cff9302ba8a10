<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\BadDebt\Ground;
use Ajuste\Core\BadDebt\WriteOffRequest;
use Ajuste\Core\Calendar\Period;
use Ajuste\Core\DirectDebit\Mandate;
use Ajuste\Core\DirectDebit\MandateUse;
use Ajuste\Core\DirectDebit\Scheme;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use App\Actions\DirectDebits\KeepMandates;
use App\Actions\Import\ImportFiles;
use App\Actions\Import\RefusedRow;
use App\Actions\Import\RefusedRows;
use App\Actions\LockPeriod;
use App\Actions\Receipts\Decide;
use App\Actions\SettleItems;
use App\Actions\WriteOffDebts;
use App\Files\SourceFiles;
use App\Models\User;
use App\Queries\Settings;
use App\Support\Books;
use App\Support\DemoBooks;
use App\Values\DeductionEntry;
use App\Values\LossRequest;
use App\Values\MatchRequest;
use App\Values\Reductions;
use Database\Seeders\DemoFiles;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use LogicException;
use ZipArchive;

/** Makes the books of the demo, through the same import that a user has. */
final class DemoCommand extends Command
{
    protected $signature = 'ajuste:demo {--fresh : make them again}';

    protected $description = 'Makes the demo books';

    public function handle(ImportFiles $import, LockPeriod $lock, Decide $decide, KeepMandates $mandates): int
    {
        $file = DB::connection()->getDatabaseName();
        try {
            DemoBooks::refuseOthers();
        } catch (Refusal $refusal) {
            fwrite(STDERR, $refusal->getMessage()."\n");

            return self::FAILURE;
        }
        if ($this->option('fresh')) {
            File::delete([$file, "{$file}-wal", "{$file}-shm"]);
            DB::purge();
        }
        $known = is_file($file) && DB::getSchemaBuilder()->hasTable('users') && User::query()->exists();
        if (! $known) {
            $this->callSilently('ajuste:books');
            $this->seed($import, $lock, $decide, $mandates, dirname($file).'/hand-in');
        } else {
            app(Books::class)->open();
        }
        if ($this->output->isQuiet()) {
            return self::SUCCESS;
        }
        fwrite(
            STDERR,
            'Sign in as '.implode(', ', array_column(DemoBooks::PEOPLE, 1)).', each with the password '.DemoBooks::PASSWORD.".\n",
        );
        fwrite(STDERR, 'Files to hand in: '.dirname($file)."/hand-in\n");

        return self::SUCCESS;
    }

    private function seed(ImportFiles $import, LockPeriod $lock, Decide $decide, KeepMandates $mandates, string $folder): void
    {
        DemoBooks::mark();
        $demo = new DemoFiles();
        foreach (['october' => $demo->handedOver(), 'october-mended' => $demo->mended()] as $name => $files) {
            File::ensureDirectoryExists("{$folder}/{$name}");
            foreach ($files as $file => $csv) {
                File::put("{$folder}/{$name}/{$file}", $csv);
            }
        }
        $zip = new ZipArchive();
        $zip->open("{$folder}/october-mended.zip", ZipArchive::CREATE | ZipArchive::OVERWRITE);
        foreach ($demo->mended() as $file => $csv) {
            $zip->addFromString($file, $csv);
        }
        $zip->close();
        $report = $import->post(SourceFiles::at("{$folder}/october", sys_get_temp_dir()), RefusedRows::RefuseAll, 'october');
        if ($report->importId === null) {
            $says = static fn (RefusedRow $of): string => "{$of->file} row {$of->row} {$of->field} “{$of->value}” {$of->expected}";
            throw new Refusal('The demo files are refused: '.implode('; ', array_map($says, array_slice($report->refused, 0, 5))));
        }
        foreach (
            [
                ['SHORT', 'Short delivery', '4085', true, '10', true],
                ['PROMO', 'Shop promotion', '4080', true, '10', false],
                ['PRICE', 'Price not as agreed', '', false, '', true],
                ['QUALITY', 'Quality of the goods', '', false, '', true],
            ] as [$code, $words, $account, $relief, $rate, $names]
        ) {
            $decide->keepReason("demo-{$code}", $code, $words, $account, $relief, $rate, $names);
        }
        foreach (DemoFiles::MANDATES as [$number, $reference, $iban, $scheme, $use]) {
            $customer = DB::table('customers')->where('customer', $number)->first(['id', 'name']) ?? throw new LogicException($number);
            $mandate = new Mandate($reference, $customer->name, $iban, '2026-03-16', Scheme::from($scheme), MandateUse::from($use));
            $mandates->add("demo-{$reference}", $customer->id, $mandate, '2026-03-16');
        }
        $this->writeOff();
        $lock->post(Period::of('2026-09'));
        $this->contest();
        foreach (DemoBooks::PEOPLE as [$name, $email, $role]) {
            User::query()->create(['name' => $name, 'email' => $email, 'role' => $role, 'administers' => $role === 'reviewer'])
                ->person()
                ->update(['password' => DemoBooks::PASSWORD]);
        }
    }

    /** A shop became insolvent; what it owes was written off before September was locked. */
    private function writeOff(): void
    {
        [$document, $shop] = DemoFiles::LOST;
        $item = (int) DB::table('items')->where('document', $document)->value('root_id');
        $customer = (int) DB::table('customers')->where('customer', $shop)->value('id');
        $why = new WriteOffRequest('2026-09-25', Ground::Insolvency, 'letter of the insolvency administrator, 24 September', null);
        app(WriteOffDebts::class)->post('demo-lost', new LossRequest($customer, [$item => null], $why), '');
    }

    /** A member pays 3.40 less than was billed, and says that the price was another. */
    private function contest(): void
    {
        [$invoice, $receipt, $member] = DemoFiles::CONTESTED;
        $id = static fn (string $document): int => (int) DB::table('items')->where('document', $document)->value('root_id');
        $entry = new DeductionEntry('PRICE', $id($invoice), Money::parse('3.40', 'EUR'));
        $customer = (int) DB::table('customers')->where('customer', $member)->value('id');
        $request = new MatchRequest($customer, [$id($invoice) => null, $id($receipt) => null], '2026-10-01', new Reductions([], [$entry]));
        app(SettleItems::class)->post('demo-contested', $request, app(Settings::class)->controlAccount(), '');
    }
}
