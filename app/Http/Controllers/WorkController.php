<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Support\LongWork;
use App\Values\WorkState;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\View\View;

/** How far long work is. One can go elsewhere meanwhile and come back. */
final class WorkController
{
    public function show(Request $request, int $id): View|RedirectResponse|Response
    {
        $work = LongWork::find($id);
        if ($work->state() !== WorkState::Done) {
            return view($request->boolean('part') ? 'work.progress' : 'work.show', ['work' => $work]);
        }
        if ($request->boolean('part')) {
            return response('', 204, ['HX-Location' => route('work', $id)]);
        }

        return redirect()->to($work->result())->with('done', ['text' => $work->says()]);
    }

    public function cancel(int $id): RedirectResponse
    {
        $work = LongWork::find($id);
        $work->cancel();

        return redirect()->route('work', $id);
    }
}
