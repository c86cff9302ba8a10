<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\SignOff\Check;
use Ajuste\Core\SignOff\SignOff;
use App\Queries\SignOffChecks;
use App\Queries\SignOffs;
use App\Queries\Verification;

/** The sign-off of the period that is being closed, as it stands: stations, checks, figures, the first signature. */
final readonly class SignOffDesk
{
    /** Stations that are no work by themselves. */
    private const NO_WORK = ['aged', 'sign-off'];

    public function __construct(
        private SignOffs $signOffs,
        private SignOffChecks $checks,
        private Rail $rail,
        private Verification $verification,
    ) {}

    public function now(ViewPoint $at): SignOff
    {
        $period = $this->signOffs->period();
        $checks = [];
        foreach ($this->rail->stations($at->account, $period->last) as $station) {
            if (! in_array($station->route, self::NO_WORK, true)) {
                $finding = $station->done ? '' : trim("{$station->remains} {$station->amount?->grouped()}");
                $checks[] = new Check("station {$station->route}", $station->name, $station->done, $finding, $station->route);
            }
        }
        $faults = $this->verification->faults();

        return new SignOff(
            $period,
            [
                ...$checks,
                ...$this->checks->of($at->account, $period->last),
                new Check('verify', 'The books hold together', $faults === [], implode(' ', array_slice($faults, 0, 3))),
            ],
            $this->signOffs->reasons($period),
            $this->signOffs->figures($period),
            $this->signOffs->latest($period, 'preparer'),
        );
    }
}
