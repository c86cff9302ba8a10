<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Run\RunKind;
use App\Queries\Settings;
use App\Values\ApprovalKind;
use Illuminate\Http\RedirectResponse;
use stdClass;

/** Where a person is led after something was done. */
final class Answer
{
    /** To the request that a second person now finds. */
    public static function asked(int $request): RedirectResponse
    {
        return redirect()->route('approval', $request)->with('done', ['text' => 'Asked. The reviewer finds it on the desk.']);
    }

    /** Where a request for approval is looked at: a run with all its lines, anything else by itself. */
    public static function page(stdClass $request): string
    {
        if ($request->kind !== ApprovalKind::Run->value) {
            return route('approval', $request->id);
        }
        /** @var array{run: string, account: int, as_of: string} $of */
        $of = json_decode($request->payload, true, flags: JSON_THROW_ON_ERROR);
        $account = app(Settings::class)->accounts()->withId($of['account'])->number;

        return route(RunKind::from($of['run'])->path(), ['as_of' => $of['as_of'], 'account' => $account]);
    }

    /** Back to where an answered request was looked at: the run that it was about, else the list. */
    public static function given(stdClass $request, string $text): RedirectResponse
    {
        $to = $request->kind === ApprovalKind::Run->value ? self::page($request) : route('approvals');

        return redirect()->to($to)->with('done', ['text' => $text, 'url' => route('journals'), 'link' => 'Journals']);
    }
}
