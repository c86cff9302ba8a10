<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Exchange\Setting;
use App\Actions\KeepPolicy;
use App\Http\FormKey;
use App\Http\Policies;
use App\Queries\Settings;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** The policies of the books, in versions. */
final class PoliciesController
{
    public function index(Request $request, Policies $policies, Settings $settings): View
    {
        $all = $policies->all();
        $of = $request->string('of')->toString();
        $chosen = array_column(array_merge(...array_values($all)), null, 'name')[$of] ?? null;
        $several = [Setting::ResidueLimit, Setting::WriteBackLimit, Setting::OwnBank, Setting::ApprovalLimit];

        return view('settings.policies', [
            'policies' => $all,
            'chosen' => $chosen,
            'mayBeFor' => in_array($chosen?->setting, $several, true),
            'closing' => $settings->period(),
            'key' => bin2hex(random_bytes(16)),
        ]);
    }

    public function post(Request $request, KeepPolicy $keep): RedirectResponse
    {
        $text = static fn (string $name): string => $request->string($name)->trim()->toString();
        $name = $text('for') === '' ? $text('of') : "{$text('of')}.{$text('for')}";
        $keep->post(FormKey::of($request, 'policy'), $name, $text('value'), $text('reason'), $text('from'));

        return redirect()->route('policies', ['of' => $name])->with(
            'done',
            ['text' => 'Changed. What held before stays among the versions.'],
        );
    }
}
