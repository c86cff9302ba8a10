<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\CauseLine;
use App\Queries\CarriedCauses;
use App\Queries\Reports;
use App\Queries\Settings;

/** The proof on the rail: the causes that nobody has explained yet. */
final readonly class ProofStation
{
    public function __construct(private Settings $settings, private Reports $reports, private CarriedCauses $carried) {}

    public function of(Account $account, string $asOf): Station
    {
        $proof = $this->reports->proof($account, $asOf);
        $carried = $this->carried->of($account);
        $open = $proof->open($carried);
        $count = count($open);
        $oldest = $count === 0 ? '' : min(array_map(static fn (CauseLine $line): string => $line->date(), $open));
        $kept = count($proof->lines) - $count;
        $causes = $count === 1 ? '1 cause' : "{$count} causes";
        $money = fn (int $minor): Money => Money::ofMinor($minor, $this->settings->base());

        return new Station(
            'Proof',
            'proof',
            $count === 0 ? '' : $causes,
            $money($proof->unexplained($carried)),
            $count === 0,
            "Explain {$causes}",
            'difference '.$money($proof->difference)->grouped().($kept === 0 ? '' : ", {$kept} carried"),
            $oldest,
        );
    }
}
