<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\User;
use App\Queries\ControlFigures;
use App\Queries\Settings;
use Illuminate\Support\Facades\Auth;
use Illuminate\View\View;

/** What every page shows around its own matter: books and period, the rail, the proof line. */
final readonly class LayoutComposer
{
    public function __construct(private Settings $settings, private Rail $rail, private ControlFigures $figures) {}

    public function compose(View $view): void
    {
        $user = Auth::user();
        $ready = $user instanceof User && $this->settings->hasControlAccount();
        $at = $ready ? app(ViewPoint::class) : null;
        $view->with([
            'user' => $user instanceof User ? $user : null,
            'at' => $at,
            'booksName' => $this->settings->booksName(),
            'period' => $this->settings->period(),
            'locked' => $this->settings->locked(),
            'stations' => $at === null ? [] : $this->rail->stations($at->account, $at->asOf),
            'figures' => $at === null ? null : $this->figures->at($at->account, $at->asOf, $at->knownAt),
            'controlAccounts' => $this->settings->accounts()->carryingCustomers(),
        ]);
    }
}
