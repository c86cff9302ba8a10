<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Aging\AgedBy;
use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Subledger\Kind;
use App\Queries\AgedReports;
use App\Queries\CarriedCauses;
use App\Queries\Movements;
use App\Queries\PackRows;
use App\Queries\Reports;
use App\Queries\Settings;
use App\StandIn\Outbox;
use App\Support\Pdf;
use App\Values\AgedReport;
use App\Values\AgedTerms;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/** What a close pack has on paper: of each control account its proof, aged list and movement; unapplied credits, runs and letters. */
final readonly class PackPapers
{
    /** So many rows go on paper; above them the aged list is printed by group. */
    private const ROWS = 1_500;

    public function __construct(
        private Settings $settings,
        private Reports $reports,
        private AgedReports $aged,
        private CarriedCauses $carried,
        private Movements $movements,
        private PackRows $packed,
    ) {}

    /**
     * As known at a moment; made again, each is the same to the byte.
     *
     * @return array<string, string> by file
     */
    public function of(Period $period, string $known): array
    {
        $accounts = $this->settings->accounts()->carryingCustomers();
        $unapplied = iterator_to_array($this->packed->unapplied($accounts, $period->last, $known), false);
        $runs = iterator_to_array($this->packed->runs($period, $known), false);
        $papers = [
            'papers/unapplied.pdf' => $this->paper('sign-off.unapplied-paper', $period, ['rows' => array_slice($unapplied, 0, self::ROWS)]),
            'papers/runs.pdf' => $this->paper('sign-off.runs-paper', $period, ['rows' => array_slice($runs, 0, self::ROWS)]),
        ];
        foreach ($accounts as $account) {
            $papers["papers/proof-{$account->number}.pdf"] = $this->proof($account, $period, $known);
            if ($account->role === AccountRole::ReceivablesControl) {
                $papers["papers/aged-{$account->number}.pdf"] = $this->aged($account, $period, $known);
                $papers["papers/movement-{$account->number}.pdf"] = $this->paper('aged.movement-paper', $period, [
                    'movement' => $this->movements->of($account, $period->first, $period->last, $known), 'account' => $account,
                ]);
            }
        }

        return [...$papers, ...self::letters($period, $known)];
    }

    private function proof(Account $account, Period $period, string $known): string
    {
        return $this->paper('proof.paper', $period, [
            'proof' => $this->reports->proof($account, $period->last, $known),
            'account' => $account,
            'carried' => $this->carried->of($account, $known),
            'notes' => [],
        ]);
    }

    private function aged(Account $account, Period $period, string $known): string
    {
        $by = fn (AgedBy $by): AgedReport => $this->aged->of($account, $period->last, new AgedTerms, $by, knownAt: $known);
        $report = $by(AgedBy::Customer);
        $tooLong = count($report->keys) > self::ROWS;

        return $this->paper('aged.paper', $period, [
            'report' => $tooLong ? $by(AgedBy::Group) : $report,
            'by' => $tooLong ? 'Group' : 'Customer',
            'says' => $report->says($this->settings->base()),
        ]);
    }

    /**
     * The letters as they were sent to the parties of a contra of the period.
     *
     * @return array<string, string> by file
     */
    private static function letters(Period $period, string $known): array
    {
        $sent = DB::table('outbox as o')
            ->join('items as i', static fn ($join) => $join->on('o.about', '=', DB::raw("'item ' || i.id")))
            ->where('i.kind', Kind::Contra->value)
            ->whereBetween('i.date', [$period->first, $period->last])
            ->where('o.recorded_at', '<=', $known)
            ->orderBy('o.id')
            ->pluck('o.file', 'i.document');
        $letters = [];
        foreach ($sent as $document => $file) {
            $letters["papers/letter-{$document}.eml"] = File::get(Outbox::folder()."/{$file}");
        }

        return $letters;
    }

    /**
     * @param view-string $view
     * @param array<string, mixed> $data
     */
    private function paper(string $view, Period $period, array $data): string
    {
        return Pdf::of($view, [
            ...$data,
            'period' => $period,
            'base' => $this->settings->base(),
        ], $period->last);
    }
}
