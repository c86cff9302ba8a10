<?php

declare(strict_types=1);

namespace App\Console;

use App\Queries\Verification;

final class VerifyCommand extends BooksCommand
{
    protected $signature = 'ajuste:verify';

    protected $description = 'Checks the audit chain and everything derived against the posted rows';

    public function handle(Verification $verification): int
    {
        $faults = $verification->faults();
        if ($faults !== []) {
            return $this->refuse(implode("\n", $faults));
        }
        $this->line('The books hold together: audit chain, vouchers, day sums, positions and source files.');

        return self::SUCCESS;
    }
}
