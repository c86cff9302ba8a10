<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\SignOff\Check;
use Ajuste\Core\SignOff\ComparedFigure;
use Ajuste\Core\SignOff\SignOff;
use App\Queries\ComparedFigures;
use App\Queries\OwnChecks;
use App\Queries\Settings;
use App\Queries\SignOffChecks;
use App\Queries\SignOffs;
use App\Queries\Verification;
use App\Support\Remembered;

/** The sign-off of the period that is being closed, as it stands: stations, checks, figures, the first signature. */
final readonly class SignOffDesk
{
    /** Stations that are no work by themselves. */
    private const NO_WORK = ['aged', 'sign-off'];

    private const POSTED = ['postings', 'items', 'matches', 'match_reversals', 'imports', 'settings', 'period_locks', 'runs'];

    public function __construct(
        private SignOffs $signOffs,
        private SignOffChecks $checks,
        private Rail $rail,
        private Verification $verification,
        private ComparedFigures $compared,
        private OwnChecks $own,
        private Settings $settings,
    ) {}

    /** @param  bool  $signing then the books are verified once more; a page shows what was found since something was last posted */
    public function now(ViewPoint $at, bool $signing = false): SignOff
    {
        $period = $this->signOffs->period();
        $checks = [];
        foreach ($this->rail->stations($at->account, $period->last) as $station) {
            if (! in_array($station->route, self::NO_WORK, true)) {
                $finding = $station->done ? '' : trim("{$station->remains} {$station->amount?->grouped()}");
                $checks[] = new Check("station {$station->route}", $station->name, $station->done, $finding, $station->route);
            }
        }
        $faults = $signing
            ? $this->verification->faults()
            : Remembered::while('verification', self::POSTED, $this->verification->faults(...));

        $compared = $this->compared->of($period);

        return new SignOff(
            $period,
            [
                ...$checks,
                ...$this->checks->of($at->account, $period->last),
                ...$this->changes($compared),
                ...$this->own->all(),
                new Check('verify', 'The books hold together', $faults === [], implode(' ', array_slice($faults, 0, 3))),
            ],
            $this->signOffs->reasons($period),
            $this->signOffs->figures($period),
            $compared,
            $this->signOffs->latest($period, 'preparer'),
        );
    }

    /**
     * @param list<ComparedFigure> $compared
     * @return list<Check> what moved by so much that a sentence is asked for
     */
    private function changes(array $compared): array
    {
        $limit = $this->settings->now()->text(Setting::ChangeLimit);
        $moved = array_filter($compared, static fn (ComparedFigure $of): bool => $of->needsASentence($limit));

        return array_values(array_map(static fn (ComparedFigure $of): Check => $of->check($limit), $moved));
    }
}
