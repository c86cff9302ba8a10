<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Pack\Manifest;
use Ajuste\Core\Pack\PackFigures;
use Ajuste\Core\Refusal;
use Ajuste\Core\SignOff\Signature;
use App\Queries\ControlFigures;
use App\Queries\PackRows;
use App\Queries\Questions;
use App\Queries\Reports;
use App\Queries\Settings;
use App\Queries\SignOffs;
use App\Support\Pdf;
use App\Support\Seals;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use stdClass;
use ZipArchive;

/**
 * The close pack of a signed period: its rows as known at the lock, its figures, signatures and reasons, and a manifest of digests. Cut
 * again, its data are the same to the byte.
 */
final readonly class CutPack
{
    public function __construct(
        private Settings $settings,
        private PackRows $rows,
        private Reports $reports,
        private ControlFigures $figures,
        private PackPapers $papers,
        private SignOffs $signOffs,
    ) {}

    /** Where the pack that a long work cut is kept until it is fetched. */
    public static function kept(int $work): string
    {
        return config()->string('ajuste.files')."/waiting/pack-{$work}.zip";
    }

    /** Whether it takes so long that it is work beside the pages. */
    public function isLong(Period $period): bool
    {
        $rows = static fn (string $table): int => DB::table($table)->where('date', '<=', $period->last)->count();

        return $rows('items') + $rows('postings') > config()->integer('ajuste.long_packs');
    }

    /**
     * @param string $file where the zip is written
     *
     * @throws Refusal when the period was not signed by two
     */
    public function to(string $file, Period $period): void
    {
        $signed = $this->signOffs->second($period)
            ?? throw new Refusal("{$period->name} is not signed by two yet. A pack is cut of what was signed.");
        $contents = $this->contents($period, $signed);
        $contents += $this->papers->of($period, $signed->recordedAt);
        $contents['cover.pdf'] = Pdf::of('sign-off.cover', [
            'period' => $period,
            'figures' => $signed->figures->byName,
            'base' => $this->settings->base(),
            'signatures' => self::signatures($period),
            // The last one of each check.
            'reasons' => DB::table('check_reasons')->where('period', $period->name)->orderBy('id')->get()->keyBy('name'),
        ], $period->last);
        $contents['manifest.json'] = self::json(Manifest::of($contents)->digests);
        File::ensureDirectoryExists(dirname($file));
        $zip = new ZipArchive;
        if ($zip->open($file, ZipArchive::CREATE | ZipArchive::OVERWRITE) !== true) {
            throw new Refusal("“{$file}” cannot be written. Name another file.");
        }
        foreach ($contents as $name => $content) {
            $zip->addFromString($name, $content);
            $zip->setMtimeName($name, (int) strtotime($period->last));
        }
        $zip->close();
    }

    /** @return array<string, string> by file */
    private function contents(Period $period, Signature $signed): array
    {
        [$last, $known] = [$period->last, $signed->recordedAt];
        $open = [];
        $buckets = $this->reports->buckets($last);
        foreach ($this->settings->accounts()->carryingCustomers() as $account) {
            array_push($open, ...iterator_to_array($this->rows->open($account->id, $account->number, $last, $known), false));
        }

        return [
            'data/ledger.csv' => self::csv($this->rows->ledger($last, $known)),
            'data/items.csv' => self::csv($this->rows->items($last, $known)),
            'data/matches.csv' => self::csv($this->rows->matches($last, $known)),
            'data/open.csv' => self::csv($open),
            'data/unapplied.csv' => self::csv($this->rows->unapplied($this->settings->accounts()->carryingCustomers(), $last, $known)),
            'data/runs.csv' => self::csv($this->rows->runs($period, $known)),
            'data/journals.csv' => self::csv($this->rows->journals($period, $known)),
            'approvals.json' => self::json($this->rows->approvals($known)),
            'figures.json' => self::json($this->signedFigures($last, $known)),
            'policy.json' => self::json([
                'period' => $period->name,
                'as_of' => $last,
                'known_at' => $known,
                'base' => $this->settings->base()->code,
                'basis' => $buckets->basis->value,
                'edges' => implode(',', array_map(strval(...), $buckets->edges)),
                'contested' => $buckets->contested->value,
                'credits' => $this->reports->credits($last)->value,
                'seal' => Seals::headAt($known),
            ]),
            'signatures.json' => self::json(self::signatures($period)),
            'reasons.json' => self::json(array_values(
                DB::table('check_reasons')->where('period', $period->name)->orderBy('id')->get(
                    ['name', 'reason', 'who', 'recorded_at'],
                )->all(),
            )),
            'questions.json' => self::json(Questions::knownAt($known)),
            'trail.json' => self::json(array_values(
                DB::table('audit_records')->where('recorded_at', '<=', $known)->orderBy('id')->get()->all(),
            )),
        ];
    }

    /** @return array<string, string> worked out by the books, as the pages show them */
    private function signedFigures(string $last, string $known): array
    {
        $figures = [];
        $sums = DB::table('postings as p')
            ->join('accounts as a', 'a.id', '=', 'p.account_id')
            ->where('p.date', '<=', $last)
            ->where('p.recorded_at', '<=', $known)
            ->where(static fn ($query) => $query->whereNull('p.superseded_at')->orWhere('p.superseded_at', '>', $known))
            ->groupBy('a.account')
            ->selectRaw('a.account, sum(p.base) AS base')
            ->pluck('base', 'account');
        foreach ($sums as $account => $sum) {
            $figures["balance of {$account}"] = (int) $sum;
        }
        foreach ($this->settings->accounts()->carryingCustomers() as $account) {
            $figures["customers on {$account->number}"] = $this->figures->at($account, $last, $known)->customers->minor;
            $aged = $this->reports->aged($account, $last, knownAt: $known);
            $columns = [...array_combine($aged->buckets->labels, $aged->totals->amounts), 'unapplied' => $aged->totals->unapplied];
            foreach ($columns as $label => $sum) {
                $figures["aged {$label} of {$account->number}"] = $sum;
            }
        }

        return PackFigures::named($figures, $this->settings->base());
    }

    /** @return list<stdClass> */
    private static function signatures(Period $period): array
    {
        $rows = DB::table('signatures')->where('period', $period->name)->orderBy('id');

        return array_values($rows->get(['role', 'who', 'evidence', 'recorded_at', 'digest', 'figures'])->all());
    }

    /** @param  iterable<array<string, string>>  $rows */
    private static function csv(iterable $rows): string
    {
        $stream = fopen('php://temp', 'w+b') ?: throw new Refusal('There is no room to write the pack.');
        $headings = null;
        foreach ($rows as $row) {
            if ($headings === null) {
                $headings = array_keys($row);
                fputcsv($stream, $headings, escape: '');
            }
            fputcsv($stream, array_values($row), escape: '');
        }
        rewind($stream);

        return (string) stream_get_contents($stream);
    }

    private static function json(mixed $data): string
    {
        return json_encode($data, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n";
    }
}
