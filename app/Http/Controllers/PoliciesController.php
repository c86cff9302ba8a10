<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Refusal;
use App\Actions\KeepPolicy;
use App\Http\FormKey;
use App\Http\Policies;
use App\Queries\Settings;
use App\Support\KeptFiles;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\View\View;

/** The policies of the books, in versions. */
final class PoliciesController
{
    private const LARGEST_LOGO = 512 * 1024;

    public function index(Request $request, Policies $policies, Settings $settings): View
    {
        $all = $policies->all();
        $of = $request->string('of')->toString();
        $chosen = array_column(array_merge(...array_values($all)), null, 'name')[$of] ?? null;
        $several = [Setting::ResidueLimit, Setting::WriteBackLimit, Setting::OwnBank, Setting::MoneyAccount, Setting::ApprovalLimit];

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
        $value = $name === Setting::PaperLogo->value ? self::logo($request) : $text('value');
        $keep->post(FormKey::of($request, 'policy'), $name, $value, $text('reason'), $text('from'));

        return redirect()->route('policies', ['of' => $name])->with(
            'done',
            ['text' => 'Changed. What held before stays among the versions.'],
        );
    }

    /**
     * @return string what the picture is kept as; blank: none was handed in
     *
     * @throws Refusal when it is no picture that papers can have
     */
    private static function logo(Request $request): string
    {
        $file = $request->file('logo');
        if (! $file instanceof UploadedFile) {
            return '';
        }
        $kind = $file->isValid() ? (@getimagesize($file->getPathname()) ?: [])['mime'] ?? '' : '';
        if (! in_array($kind, ['image/png', 'image/jpeg'], true) || $file->getSize() > self::LARGEST_LOGO) {
            throw new Refusal('The picture is expected as PNG or JPEG of at most 512 KB. Save it as such and hand it in again.');
        }

        return KeptFiles::keep($file->getPathname());
    }
}
