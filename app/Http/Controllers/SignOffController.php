<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Refusal;
use App\Actions\CarryOut;
use App\Actions\CutPack;
use App\Actions\KeepOwnCheck;
use App\Actions\MakeBackup;
use App\Actions\SignPeriod;
use App\Http\FormKey;
use App\Http\SignOffDesk;
use App\Http\ViewPoint;
use App\Queries\Settings;
use App\Queries\SignOffs;
use App\Support\Actor;
use App\Support\LongWork;
use App\Values\WorkKind;
use App\Values\WorkState;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The end of a close: checks, two signatures, the lock. */
final class SignOffController
{
    public function index(ViewPoint $at, SignOffDesk $desk, SignOffs $signOffs, Settings $settings): View
    {
        return view('sign-off.index', [
            'signOff' => $desk->now($at),
            'signed' => $signOffs->signed(),
            'locked' => $settings->locked()->through,
            'key' => bin2hex(random_bytes(16)),
        ]);
    }

    /** The figures of a signed period as they were signed, and as they are known now. */
    public function period(string $period, SignOffs $signOffs, Settings $settings): View
    {
        $of = $settings->calendar()->named($period);
        $signature = $signOffs->second($of) ?? throw Refusal::notFound("{$period} is not signed by two.");
        $now = $signOffs->figures($of);

        return view('sign-off.period', [
            'period' => $of,
            'signature' => $signature,
            'stands' => $signOffs->latest($of, 'reviewer') !== null,
            'now' => $now,
            'names' => array_keys($signature->figures->byName + $now->byName),
            'changed' => $now->changedSince($signature->figures),
            'cut' => LongWork::lastDone(WorkKind::Pack, ['period' => $period]),
        ]);
    }

    /** The close pack of a signed period. */
    public function pack(string $period, CutPack $cut, Settings $settings, Actor $actor): BinaryFileResponse|RedirectResponse
    {
        if ($cut->isLong($settings->calendar()->named($period))) {
            $key = 'pack-'.bin2hex(random_bytes(8));

            return redirect()->route('work', CarryOut::begin(WorkKind::Pack, $key, ['period' => $period], $actor));
        }
        $file = sys_get_temp_dir().'/ajuste-pack-'.bin2hex(random_bytes(6)).'.zip';
        $cut->to($file, $settings->calendar()->named($period));

        return response()->download($file, "close-{$period}.zip")->deleteFileAfterSend();
    }

    /** A pack that was cut beside the pages. */
    public function cut(int $work): BinaryFileResponse
    {
        $of = LongWork::find($work);
        if ($of->kind() !== WorkKind::Pack || $of->state() !== WorkState::Done || ! is_file(CutPack::kept($work))) {
            throw Refusal::notFound('This pack is not there any more. Cut it again; it is the same to the byte.');
        }

        return response()->download(CutPack::kept($work), "close-{$of->content()['period']}.zip");
    }

    public function backup(MakeBackup $backup): RedirectResponse
    {
        return back()->with('done', ['text' => 'Written and read again: '.$backup->in().'.']);
    }

    public function explain(Request $request, SignPeriod $sign): RedirectResponse
    {
        $reason = $request->string('reason')->toString();
        $sign->explain(FormKey::of($request, 'explain'), $request->string('check')->toString(), $reason);

        return self::done('Explained.');
    }

    public function addCheck(Request $request, KeepOwnCheck $keep): RedirectResponse
    {
        $keep->add(FormKey::of($request, 'add-check'), $request->string('words')->toString());

        return self::done('It is checked from now on, before each signature.');
    }

    public function endCheck(Request $request, int $check, KeepOwnCheck $keep): RedirectResponse
    {
        $keep->end(FormKey::of($request, 'end-check'), $check, $request->string('reason')->toString());

        return self::done('It is not checked any more.');
    }

    public function sign(Request $request, ViewPoint $at, SignOffDesk $desk, SignPeriod $sign): RedirectResponse
    {
        [$signOff, $seen] = [$desk->now($at, signing: true), $request->string('seen')->toString()];
        if (! $signOff->isInReview()) {
            $sign->prepare(FormKey::of($request, 'sign'), $signOff, $seen);

            return self::done("Signed. {$signOff->period->name} is in review; the reviewer signs second.");
        }
        $sign->review(FormKey::of($request, 'sign'), $signOff, $seen, $request->string('outside')->toString());

        return self::done("Signed by two. {$signOff->period->name} is locked, and the next period is open.");
    }

    public function sendBack(Request $request, ViewPoint $at, SignOffDesk $desk, SignPeriod $sign): RedirectResponse
    {
        $sign->sendBack(FormKey::of($request, 'send-back-period'), $desk->now($at), $request->string('words')->toString());

        return self::done('Sent back with your words.');
    }

    public function reopen(Request $request, SignPeriod $sign): RedirectResponse
    {
        $sign->reopen(FormKey::of($request, 'reopen'), $request->string('reason')->toString());

        return self::done('Open again. Its signatures have fallen.');
    }

    private static function done(string $text): RedirectResponse
    {
        return redirect()->route('sign-off')->with('done', ['text' => $text]);
    }
}
