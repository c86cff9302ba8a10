<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Aging\AgedBy;
use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Aging\AgedRow;
use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;
use App\Values\AgedReport;
use App\Values\AgedShown;
use App\Values\AgedTerms;
use App\Values\AgedTie;

/** The aged list as page, paper, file and command show it: in any of its forms, tied to its control account. */
final readonly class AgedReports
{
    public function __construct(
        private Settings $settings,
        private Reports $reports,
        private AgedRows $rows,
        private ControlFigures $figures,
    ) {}

    /**
     * @param ?string $compared an earlier day
     *
     * @throws Refusal when it is compared with a later day, or the terms are none
     */
    public function of(
        Account $account,
        string $asOf,
        AgedTerms $terms,
        AgedBy $by,
        ?string $compared = null,
        ?string $knownAt = null,
    ): AgedReport {
        $accounts = $by === AgedBy::Account ? $this->settings->accounts()->carryingCustomers() : [$account];
        [$together, $shown, $ties] = [null, [], []];
        foreach ($accounts as $of) {
            $list = $this->reports->aged($of, $asOf, $terms, $knownAt);
            $before = $compared === null ? null : $this->reports->aged($of, Day::of($compared), $terms, $knownAt);
            $together = $together?->plus($list) ?? $list;
            $ties[] = new AgedTie($of, $this->figures->at($of, $asOf, $knownAt)->control, $list);
            $rows = $by === AgedBy::Account ? [self::whole($of, $list, $before)] : $this->rows->of($list, $by, $of, $knownAt, $before);
            array_push($shown, ...$rows);
        }

        return new AgedReport($together ?? throw new Refusal('No account carries customers.'), $shown, $terms->in === null ? $ties : []);
    }

    /** A control account's list as one row. */
    private static function whole(Account $account, AgedList $list, ?AgedList $before): AgedShown
    {
        $row = static fn (AgedList $of): AgedRow => new AgedRow('', $account->title(), '', $of->totals->amounts, $of->totals->unapplied);

        return new AgedShown($row($list), $before === null ? null : $row($list)->less($row($before)), account: $account);
    }
}
