<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\RunKind;
use App\Actions\Approvals\Requests;
use App\Actions\Import\HandIn;
use App\Actions\Import\ImportFiles;
use App\Actions\Import\RefusedRows;
use App\Actions\Posting\PreparedPosting;
use App\Actions\Runs\PostRun;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\Cancelled;
use App\Support\LongWork;
use App\Values\WorkKind;
use App\Values\WorkState;
use Closure;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;

/** Carries long work out, in the name of who began it. Safe to repeat: what it posts bears a key of its own. */
final class CarryOut implements ShouldQueue
{
    use Queueable;

    /** A worker that was killed counts as a try. */
    public int $tries = 5;

    public function __construct(public readonly int $workId) {}

    /**
     * Begins it where a worker finds it. The same work begins once.
     *
     * @param string $key names the work
     * @param array<string, string> $content what it is about
     * @return int the number of the work
     */
    public static function begin(WorkKind $kind, string $key, array $content, Actor $actor): int
    {
        $work = LongWork::begin($kind, $key, $content, $actor);
        if ($work->isNew) {
            dispatch(new self($work->id()));
        }

        return $work->id();
    }

    /** Whether a run of so many lines is long work. */
    public static function isLongRun(int $lines): bool
    {
        return $lines > config()->integer('ajuste.long_runs');
    }

    public function handle(): void
    {
        $work = LongWork::find($this->workId);
        if (! $work->start()) {
            return;
        }
        app()->instance(Actor::class, $work->actor());
        try {
            match ($work->kind()) {
                WorkKind::Preview => $this->preview($work),
                WorkKind::Import => $this->import($work),
                WorkKind::Statements => app(SendStatement::class)->all($work),
                WorkKind::Confirmations => app(Confirm::class)->sendAll($work),
                WorkKind::MatchUnapplied => $this->matchUnapplied($work),
                WorkKind::Run => $this->run($work),
                WorkKind::RunAgain => $this->runAgain($work),
                WorkKind::RunBack => $this->runBack($work),
                WorkKind::Approved => $this->approved($work),
                WorkKind::Pack => $this->pack($work),
            };
        } catch (Cancelled) {
            return; // it says so itself
        } catch (Refusal $refusal) {
            $work->end(WorkState::Refused, $refusal->getMessage());
        }
    }

    /** What a worker says when it has given up. */
    public function failed(): void
    {
        LongWork::find($this->workId)->end(
            WorkState::Refused,
            'It could not be carried out, and nothing was posted. The server’s log says why; try again, or use the command line.',
        );
    }

    private function preview(LongWork $work): void
    {
        $handIn = HandIn::find($work->content()['hand_in']);
        $handIn->keepReport(app(ImportFiles::class)->rehearse($handIn->files(), $work));
        $work->end(WorkState::Done, 'The files are read.', "/intake/hand-in/{$handIn->token}");
    }

    private function run(LongWork $work): void
    {
        $of = $work->content();
        [$kind, $control] = self::runOf($of);
        $run = self::prepared(static fn (): int => app(PostRun::class)->post($of['key'], $kind, $control, $of['as_of'], $of['seen']));
        $work->end(WorkState::Done, "Posted run {$run}.", self::page($kind, $run));
    }

    private function matchUnapplied(LongWork $work): void
    {
        $of = $work->content();
        [$kind, $control] = self::runOf($of);
        $ids = static fn (string $list): array => $list === '' ? [] : array_map(intval(...), explode(' ', $list));
        $run = self::prepared(static fn (): int => app(MatchUnapplied::class)->post(
            $of['key'], $control, $of['as_of'], $of['seen'], $ids($of['leave']), $ids($of['take']),
        ));
        $work->end(WorkState::Done, "Posted run {$run}.", self::page($kind, $run));
    }

    private function runAgain(LongWork $work): void
    {
        $of = $work->content();
        [$kind, $control] = self::runOf($of);
        $run = self::prepared(static fn (): int => app(PostRun::class)->again($of['key'], $kind, $control, (int) $of['run']));
        $work->end(WorkState::Done, "Run {$of['run']} is taken back, and run {$run} takes its place.", self::page($kind, $run));
    }

    private function runBack(LongWork $work): void
    {
        $of = $work->content();
        [$kind, $run] = [RunKind::from($of['kind']), (int) $of['run']];
        $date = $of['date'] === '' ? null : $of['date'];
        self::prepared(static fn () => app(ReverseRun::class)->post($of['key'], $kind, $run, $of['reason'], $date));
        $work->end(WorkState::Done, "Run {$run} is taken back as one.", self::page($kind, $run));
    }

    private function approved(LongWork $work): void
    {
        $of = $work->content();
        self::prepared(static fn () => app(Requests::class)->postApproved($of['key'], (int) $of['request'], $of['by'], $of['outside']));
        $work->end(WorkState::Done, 'Approved and posted.', '/approvals');
    }

    /** Where a posted run is looked at. */
    private static function page(RunKind $kind, int $run): string
    {
        return $kind === RunKind::MatchUnapplied ? "/unapplied/runs/{$run}" : "/runs/{$run}";
    }

    /**
     * @param array<string, string> $of
     * @return array{RunKind, Account}
     */
    private static function runOf(array $of): array
    {
        return [RunKind::from($of['kind']), app(Settings::class)->accounts()->withId((int) $of['account'])];
    }

    /**
     * @template T
     *
     * @param Closure(): T $post
     * @return T
     */
    private static function prepared(Closure $post): mixed
    {
        return app(PreparedPosting::class)->post($post);
    }

    private function pack(LongWork $work): void
    {
        $period = $work->content()['period'];
        app(CutPack::class)->to(CutPack::kept($work->id()), app(Settings::class)->calendar()->named($period));
        $work->end(WorkState::Done, 'The pack is cut.', "/sign-off/{$period}");
    }

    private function import(LongWork $work): void
    {
        $rows = $work->content()['set_aside'] === 'yes' ? RefusedRows::SetAside : RefusedRows::RefuseAll;
        $importId = HandIn::find($work->content()['hand_in'])->takeIn(app(ImportFiles::class), $rows, $work->actor(), $work);
        $work->end(WorkState::Done, "Taken in as import {$importId}.", "/intake/imports/{$importId}");
    }
}
