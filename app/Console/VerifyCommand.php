<?php

declare(strict_types=1);

namespace App\Console;

use App\Queries\Verification;
use App\Support\ClosePack;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

final class VerifyCommand extends BooksCommand
{
    protected $signature = 'ajuste:verify {pack? : a close pack, checked without the books}';

    protected $description = 'Checks the audit chain and everything derived against the posted rows, or a close pack by itself';

    public function handle(Verification $verification): int
    {
        $faults = $verification->faults();
        if ($faults !== []) {
            return $this->refuse(implode("\n", $faults));
        }
        $this->line('The books hold together: audit chain, vouchers, day sums, positions and source files.');

        return self::SUCCESS;
    }

    /** A pack needs no books, so that none are opened for it. */
    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $pack = $input->getArgument('pack');

        return is_string($pack) ? $this->guarded(fn (): int => $this->pack($pack)) : parent::execute($input, $output);
    }

    private function pack(string $file): int
    {
        $pack = ClosePack::open($file);
        $faults = $pack->faults();
        if ($faults !== []) {
            return $this->refuse(implode("\n", $faults));
        }
        foreach ($pack->figures() as $name => $figure) {
            $this->line("{$name}: {$figure}, agrees");
        }
        $this->line('The pack holds together: every file is as it was cut, and every figure comes out of its rows again.');

        return self::SUCCESS;
    }
}
