<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Import\LateNews;
use App\Http\FormKey;
use App\Queries\LateNewsList;
use App\Queries\Settings;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** What came after the lock with a date before it (IAS 10): adjusting, or of the next month. */
final class LateNewsController
{
    public function index(LateNewsList $news, Settings $settings): View
    {
        $waiting = $news->waiting();
        $locked = $settings->locked();
        $together = $news->together($waiting);
        $signed = $locked->through === null ? null : $news->signed($locked->through);

        return view('intake.late', [
            'waiting' => $waiting,
            'together' => $together,
            'signed' => $signed,
            'known' => $signed?->plus($together),
            'decided' => $news->decided(),
            'firstOpen' => $locked->firstOpenFrom(
                $waiting === [] ? '' : min(array_map(static fn ($of): string => $of->row->date, $waiting)),
            ),
            'locked' => $locked,
            'key' => bin2hex(random_bytes(16)),
        ]);
    }

    public function take(Request $request, LateNews $news): RedirectResponse
    {
        $text = static fn (string $name): string => $request->string($name)->trim()->toString();
        $news->take(FormKey::of($request, 'late'), $text('kind'), $text('name'), $text('date'), $text('reason'));

        return redirect()->route('late-news')->with(
            'done',
            ['text' => 'Taken in on that day.', 'url' => route('proof'), 'link' => 'Proof'],
        );
    }

    public function leave(Request $request, LateNews $news): RedirectResponse
    {
        $text = static fn (string $name): string => $request->string($name)->trim()->toString();
        $news->leave(FormKey::of($request, 'late'), $text('kind'), $text('name'), $text('reason'));

        return redirect()->route('late-news')->with('done', ['text' => 'Left out, with your reason.']);
    }
}
