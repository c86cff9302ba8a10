<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Movement\MovementFigures;
use App\Http\Download;
use App\Http\SheetHead;
use App\Http\ViewPoint;
use App\Queries\Movements;
use App\Queries\Settings;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\View\View;

/** The roll-forward of the control account. */
final class MovementController
{
    public function index(Request $request, ViewPoint $at, Settings $settings, Movements $movements): View
    {
        return view('aged.movement', [
            'movement' => $movements->of($at->account, $at->since($request), $at->asOf, $at->knownAt),
            'account' => $at->account,
            'base' => $settings->base(),
        ]);
    }

    public function export(string $format, Request $request, ViewPoint $at, Settings $settings, Movements $movements): Response
    {
        $movement = $movements->of($at->account, $at->since($request), $at->asOf, $at->knownAt);
        $rows = [
            ['line', 'ledger', 'customers', 'difference'],
            ...array_map(static fn (MovementFigures $of): array => [
                $of->line->value, $of->ledger->decimal(), $of->customers->decimal(), $of->difference()->decimal(),
            ], $movement->lines),
        ];

        $head = new SheetHead(
            "Movement of {$at->account->title()}, {$movement->from} to {$movement->to}",
            "In {$settings->base()->code}, debit positive",
        );

        return Download::table($rows, "movement-{$at->account->number}-{$movement->from}-{$movement->to}", $format, [1, 2, 3], $head);
    }
}
