<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Movement\MovementFigures;
use Ajuste\Core\Movement\MovementPart;
use App\Http\Download;
use App\Http\ListWindow;
use App\Http\Part;
use App\Http\SheetHead;
use App\Http\ViewPoint;
use App\Queries\Movements;
use App\Queries\Settings;
use App\Values\MovedItem;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\View\View;

/** The roll-forward of the control account. */
final class MovementController
{
    public function index(Request $request, ViewPoint $at, Settings $settings, Movements $movements): View
    {
        $from = $at->since($request);

        return view('aged.movement', [
            'movement' => $movements->of($at->account, $from, $at->asOf, $at->knownAt),
            'groups' => $movements->byGroup($at->account, $from, $at->asOf, $at->knownAt),
            'account' => $at->account,
            'base' => $settings->base(),
        ]);
    }

    /** What a figure is made of: the items of a line, of one kind or group of customers, and what the ledger has otherwise. */
    public function line(string $line, Request $request, ViewPoint $at, Settings $settings, Movements $movements): string
    {
        $from = $at->since($request);
        $figures = $movements->of($at->account, $from, $at->asOf, $at->knownAt)->line($line);
        $group = $request->has('group') ? $request->string('group')->toString() : null;
        $kind = $request->string('kind')->toString();
        $isAsked = static fn (MovementPart $of): bool => in_array($kind, ['', $of->name()], true);
        $parts = array_values(array_filter($figures->parts, $isAsked));
        $kinds = array_map(static fn (MovementPart $of): string => $of->name(), $parts);
        $items = $movements->moved($at->account, $from, $at->asOf, $kinds, $group, $at->knownAt);

        return Part::of(view('aged.movement-line', [
            'from' => $from,
            'asOf' => $at->asOf,
            'line' => $figures,
            'kind' => $kind,
            'group' => $group,
            'figures' => MovementFigures::moved($figures->line, $parts, $settings->base()),
            'window' => self::window($request, $items),
            'base' => $settings->base(),
        ]), $request);
    }

    /**
     * @param list<MovedItem> $items
     * @return ListWindow<MovedItem>
     */
    private static function window(Request $request, array $items): ListWindow
    {
        return ListWindow::of(
            $request,
            $items,
            static fn (MovedItem $of): string => "{$of->document} {$of->customer} {$of->kind->words()}",
            [
                'document' => static fn (MovedItem $of): string => $of->document,
                'customer' => static fn (MovedItem $of): string => $of->customer,
                'date' => static fn (MovedItem $of): string => $of->date,
                'amount' => static fn (MovedItem $of): int => $of->base->minor,
            ],
        );
    }

    public function export(string $format, Request $request, ViewPoint $at, Settings $settings, Movements $movements): Response
    {
        $movement = $movements->of($at->account, $at->since($request), $at->asOf, $at->knownAt);
        $rows = [['line', 'kind', 'ledger', 'customers', 'difference']];
        foreach ($movement->lines as $of) {
            $rows[] = [$of->line->value, '', $of->ledger->decimal(), $of->customers->decimal(), $of->difference()->decimal()];
            foreach ($of->parts as $part) {
                $rows[] = ['', $part->name(), $part->ledger->decimal(), $part->customers->decimal(), $part->difference()->decimal()];
            }
        }

        $head = new SheetHead(
            "Movement of {$at->account->title()}, {$movement->from} to {$movement->to}",
            "In {$settings->base()->code}, debit positive",
        );

        return Download::table($rows, "movement-{$at->account->number}-{$movement->from}-{$movement->to}", $format, [2, 3, 4], $head);
    }
}
