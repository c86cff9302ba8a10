<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Run\RunKind;
use App\Actions\Runs\RateCheck;

final class CurrencyCommand extends RunCommand
{
    protected const KIND = RunKind::Currency;

    protected $signature = 'ajuste:currency {--account=} {--as-of=} {--accept-rates} {--json}';

    protected $description = 'Open foreign items that would stand at the closing rate';

    protected function rateCheck(): RateCheck
    {
        return $this->option('accept-rates') === true ? RateCheck::Accept : RateCheck::Ask;
    }
}
