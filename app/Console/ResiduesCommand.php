<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Run\RunKind;

final class ResiduesCommand extends RunCommand
{
    protected const KIND = RunKind::Residues;

    protected $signature = 'ajuste:residues {--account=} {--as-of=} {--json}';

    protected $description = 'Small leftovers that would be written off';
}
