<?php

declare(strict_types=1);

namespace App\Console;

use App\Support\FirstCode;
use Illuminate\Console\Command;

final class FirstCodeCommand extends Command
{
    protected $signature = 'ajuste:first-code';

    protected $description = 'Says the code of the first person, where nobody can open the books yet';

    public function handle(): int
    {
        $code = FirstCode::current();
        if ($code !== null) {
            fwrite(STDERR, "Nobody can open these books yet. Open the page to be the first; from another machine it asks for {$code}.\n");
        }

        return self::SUCCESS;
    }
}
