<?php

declare(strict_types=1);

namespace App\Console;

use App\Support\Books;
use App\Support\LongWork;
use App\Support\Shelf;
use Illuminate\Queue\Events\Looping;
use Illuminate\Support\Facades\Event;
use Symfony\Component\Process\Process;

/** Carries out long work, one after the other, for as long as the server runs that started it. */
final class WorkCommand extends BooksCommand
{
    protected $signature = 'ajuste:work {--once : ends when nothing waits} {--alone : not for the other books of the shelf}';

    /** @var array<string, Process> workers for the other books, by file; they end with this one */
    private array $others = [];

    protected $description = 'Carries out long work beside the pages';

    public function handle(): int
    {
        $server = posix_getppid();
        // One worker at a time: another server's goes first.
        $turn = fopen((string) LongWork::file()->getDatabaseName().'.turn', 'c');
        while ($turn === false || ! flock($turn, LOCK_EX | LOCK_NB)) {
            if (posix_getppid() !== $server) {
                return self::SUCCESS;
            }
            sleep(1);
        }
        LongWork::release();
        Event::listen(Looping::class, static function () use ($server): void {
            $worker = app('queue.worker');
            $worker->shouldQuit = $worker->shouldQuit || posix_getppid() !== $server;
        });
        if ($this->option('once') !== true && $this->option('alone') !== true) {
            Event::listen(Looping::class, $this->workForOthers(...));
        }

        return $this->callSilently('queue:work', [
            'connection' => 'database',
            '--sleep' => 1,
            '--timeout' => 0,
            '--memory' => 2048,
            '--stop-when-empty' => $this->option('once') === true,
        ]);
    }

    /** Each books has a worker of its own, also those that are made meanwhile. */
    private function workForOthers(): void
    {
        foreach (Shelf::all() as $books) {
            if ($books->file !== Books::file() && is_file($books->file) && ! ($this->others[$books->file] ?? null)?->isRunning()) {
                $this->others[$books->file] = new Process(
                    [PHP_BINARY, '-d', 'memory_limit='.ini_get('memory_limit'), base_path('artisan'), 'ajuste:work', '--alone'],
                    null,
                    ['AJUSTE_BOOKS' => $books->file],
                    null,
                    null,
                );
                $this->others[$books->file]->start();
            }
        }
    }
}
