<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Import\RowSetAside;
use App\Actions\Import\RowsSetAside;
use App\Http\FormKey;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Rows that were refused and wait on Intake: corrected and taken in, or closed with a reason. */
final class RowsSetAsideController
{
    public function show(int $row): View
    {
        return view('intake.row', ['row' => RowSetAside::find($row), 'key' => bin2hex(random_bytes(16))]);
    }

    public function correct(Request $request, int $row, RowsSetAside $rows): RedirectResponse
    {
        $cells = array_map(
            static fn (mixed $cell): string => is_string($cell) ? $cell : '',
            (array) $request->input('cells', []),
        );
        $import = $rows->correct(FormKey::of($request, 'correct-row'), RowSetAside::find($row), $cells);

        return redirect()
            ->route('intake')
            ->with('done', [
                'text' => 'The row is in, as you corrected it.', 'url' => route('import', $import), 'link' => "Import {$import}",
            ]);
    }

    public function close(Request $request, int $row, RowsSetAside $rows): RedirectResponse
    {
        $rows->close($row, $request->string('reason')->toString());

        return redirect()
            ->route('intake')
            ->with('done', ['text' => 'Closed.']);
    }
}
