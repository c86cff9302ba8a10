<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Contra\ContraPlan;
use Ajuste\Core\Contra\Offset;
use Ajuste\Core\Run\LeftOut;
use Ajuste\Core\Run\PlannedLine;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunPlan;
use Illuminate\Http\Request;

/** The lists of a run that is looked at: what it takes, what it leaves out, and the pairs of a contra. */
final class RunLines
{
    public const LISTS = ['pairs', 'taken', 'left'];

    /**
     * @param list<PlannedLine> $lines of the run
     * @return array{taken: ListWindow<PlannedLine>, left: ListWindow<LeftOut>, pairs?: ListWindow<Offset>}
     */
    public static function of(RunPlan $run, array $lines, Request $request): array
    {
        $words = static fn (PlannedLine|LeftOut $of): string => "{$of->customer->number} {$of->customer->name} {$of->document} "
            .Say::balance($of->amount)." {$of->amount->currency->code} {$of->why}";
        $orders = [
            'customer' => static fn (PlannedLine|LeftOut $of): string => "{$of->customer->number} {$of->customer->name}",
            'document' => static fn (PlannedLine|LeftOut $of): string => $of->document,
            'amount' => static fn (PlannedLine|LeftOut $of): int => $of->amount->minor,
            'base' => static fn (PlannedLine|LeftOut $of): int => $of->base->minor,
            'why' => static fn (PlannedLine|LeftOut $of): string => $of->why,
        ];
        $windows = [
            'taken' => ListWindow::of($request, $lines, $words, $orders, 'taken'),
            'left' => ListWindow::of($request, $run->leftOut(), $words, $orders, 'left'),
        ];

        return $run instanceof ContraPlan ? [...$windows, 'pairs' => self::pairs($run, $request)] : $windows;
    }

    /** @return ListWindow<Offset> */
    private static function pairs(ContraPlan $run, Request $request): ListWindow
    {
        return ListWindow::of(
            $request,
            $run->offsets,
            static fn (Offset $of): string => self::party($of)." {$of->agreement->reference} {$of->amount()->grouped()} ".self::bills($of),
            [
                'party' => self::party(...),
                'agreement' => static fn (Offset $of): string => $of->agreement->reference,
                'amount' => static fn (Offset $of): int => $of->amount()->minor,
                'bills' => self::bills(...),
            ],
            'pairs',
        );
    }

    /** Which two sides a pair has. */
    public static function party(Offset $of): string
    {
        return "{$of->party->customer->number} = {$of->party->supplier->number} {$of->party->supplier->name}";
    }

    /** The bills of which a pair takes something. */
    public static function bills(Offset $of): string
    {
        return implode(', ', array_map(static fn ($part): string => $part->bill->document, $of->bills));
    }

    /** What a person may say instead of the policy: leave, take or policy; blank: nothing. */
    public static function choice(PlannedLine|LeftOut $of, RunKind $kind): string
    {
        return match (true) {
            $of instanceof PlannedLine && ! $kind->takesChoices() => '',
            $of instanceof PlannedLine => $of->takenAlong ? 'policy' : 'leave',
            $of->mayBeTaken => 'take',
            default => $of->leftByHand ? 'policy' : '',
        };
    }
}
