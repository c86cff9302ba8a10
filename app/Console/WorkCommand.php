<?php

declare(strict_types=1);

namespace App\Console;

use App\Support\LongWork;
use Illuminate\Queue\Events\Looping;
use Illuminate\Support\Facades\Event;

/** Carries out long work, one after the other, for as long as the server runs that started it. */
final class WorkCommand extends BooksCommand
{
    protected $signature = 'ajuste:work {--once : ends when nothing waits}';

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

        return $this->callSilently('queue:work', [
            'connection' => 'database',
            '--sleep' => 1,
            '--timeout' => 0,
            '--memory' => 2048,
            '--stop-when-empty' => $this->option('once') === true,
        ]);
    }
}
