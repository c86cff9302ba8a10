<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Aging\AgedBy;
use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Aging\AgedRow;
use Ajuste\Core\Aging\AgedSums;
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
        if ($by === AgedBy::Customer && $compared === null && $knownAt === null) {
            return $this->byCustomer($account, $asOf, $terms);
        }
        $accounts = $by === AgedBy::Account ? $this->settings->accounts()->carryingCustomers() : [$account];
        [$together, $shown, $ties] = [null, [], []];
        foreach ($accounts as $of) {
            $list = $this->reports->aged($of, $asOf, $terms, $knownAt);
            $before = $compared === null ? null : $this->reports->aged($of, Day::of($compared), $terms, $knownAt);
            $together = $together?->plus($list) ?? $list;
            $ties[] = $this->tie($of, AgedSums::of($list), $knownAt);
            $rows = $by === AgedBy::Account ? [self::whole($of, $list, $before)] : $this->rows->of($list, $by, $of, $knownAt, $before);
            array_push($shown, ...$rows);
        }
        $sums = AgedSums::of($together ?? throw new Refusal('No account carries customers.'));

        return AgedReport::of($sums, $shown, $terms->in === null ? $ties : []);
    }

    /**
     * The documents of some customers, as the list has them.
     *
     * @param list<int> $customerIds
     * @return list<AgedShown>
     *
     * @throws Refusal when the terms are none
     */
    public function documents(Account $account, string $asOf, AgedTerms $terms, array $customerIds, ?string $knownAt): array
    {
        return $this->rows->documents($this->reports->emptyList($asOf, $terms), $account, $knownAt, $customerIds);
    }

    /** The list itself, of which a page reads no more than it shows. */
    private function byCustomer(Account $account, string $asOf, AgedTerms $terms): AgedReport
    {
        $sums = $this->reports->agedSums($account, $asOf, $terms);
        $customers = $this->reports->agedKeys($account, $asOf, $terms);
        $fetch = function (array $keys) use ($account, $asOf, $terms, $customers): array {
            $asked = array_intersect_key($customers, array_flip($keys));
            $rows = $this->reports->agedOfSome($account, $asOf, $terms, array_values(array_unique($asked)))->byKey();

            $shown = array_map(static fn (AgedRow $row): AgedShown => new AgedShown($row, null), array_intersect_key($rows, $asked));

            return array_values($shown);
        };

        return new AgedReport($sums, array_keys($customers), $fetch, $terms->in === null ? [$this->tie($account, $sums)] : []);
    }

    private function tie(Account $account, AgedSums $sums, ?string $knownAt = null): AgedTie
    {
        return new AgedTie($account, $this->figures->at($account, $sums->asOf, $knownAt)->control, $sums);
    }

    /** A control account's list as one row. */
    private static function whole(Account $account, AgedList $list, ?AgedList $before): AgedShown
    {
        $row = static fn (AgedList $of): AgedRow => new AgedRow('', $account->title(), '', $of->totals->amounts, $of->totals->unapplied);

        return new AgedShown($row($list), $before === null ? null : $row($list)->less($row($before)), account: $account);
    }
}
