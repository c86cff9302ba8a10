<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;

/** Several processes on the same books, and processes killed in the middle of posting. */
final class CrashTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $items = $ledger = [];
        for ($n = 0; $n < 60; $n++) {
            array_push(
                $items,
                "I{$n},invoice,C3,2026-10-01,2026-10-31,GBP,10.00,11.50,,,,",
                "R{$n},receipt,C3,2026-10-02,2026-10-02,GBP,10.00,11.60,,,,",
            );
            array_push($ledger, "E{$n},2026-10-01,1100,s,11.50,,I{$n},", "F{$n},2026-10-02,1100,s,,11.60,R{$n},");
        }
        $this->importBasics(['items.csv' => self::items($items), 'ledger.csv' => self::ledger($ledger)]);
        DB::disconnect();
    }

    private function worker(int $seed, int $posts): Process
    {
        $process = new Process(
            [PHP_BINARY, dirname(__DIR__).'/poster.php', $this->folder, (string) $seed, (string) $posts],
            timeout: 240,
        );
        $process->start();

        return $process;
    }

    public function test_twenty_workers_settle_each_item_once(): void
    {
        $workers = array_map(fn (int $seed): Process => $this->worker($seed, 12), range(1, 20));
        foreach ($workers as $worker) {
            $worker->wait();
            self::assertSame(0, $worker->getExitCode(), $worker->getErrorOutput().$worker->getOutput());
            // Who came second was told what changed, in words.
            self::assertSame(
                '',
                trim(
                    (string) preg_replace(
                        '/^(ready|posted|told: .*(is open|changed|still to be placed|Nothing is ticked|reversed already|only one '
                            .'side).*)$/m',
                        '',
                        $worker->getOutput(),
                    ),
                ),
            );
        }
        self::assertSame(0, DB::table('item_positions')->whereRaw('matched > amount')->count());
        self::assertSame('0.00', $this->report('proof')['difference']);
        $this->assertBooksHold();
    }

    /** Two hundred kills, four processes at a time. */
    public function test_killed_in_the_middle_of_posting_nothing_is_half_done(): void
    {
        mt_srand(4);
        for ($round = 0; $round < 50; $round++) {
            $workers = array_map(fn (int $of): Process => $this->worker(100 + 4 * $round + $of, 200), range(0, 3));
            foreach ($workers as $worker) {
                $worker->waitUntil(static fn (string $type, string $output): bool => str_contains($output, 'ready'));
                usleep(mt_rand(0, 60_000));
                $worker->signal(SIGKILL);
            }
            foreach ($workers as $worker) {
                $worker->wait();
                self::assertTrue($worker->hasBeenSignaled());
            }
            DB::disconnect();
            if ($round % 10 === 9) {
                $this->assertBooksHold();
            }
        }
        self::assertGreaterThan(0, DB::table('settlements')->count());
        self::assertSame('0.00', $this->report('proof')['difference']);
        self::assertSame($this->report('proof')['customers'], $this->report('aged')['totals']['total']);
        $this->assertBooksHold();
    }
}
