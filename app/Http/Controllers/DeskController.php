<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pictures\DayPicture;
use App\Http\Rail;
use App\Http\ViewPoint;
use App\Models\AuditRecord;
use App\Models\Import;
use App\Queries\ApprovalRequests;
use App\Queries\BankAccounts;
use App\Queries\ControlFigures;
use App\Queries\LastBackup;
use App\Queries\Questions;
use App\Queries\Settings;
use App\Queries\Unapplied;
use App\Support\AuditTrail;
use App\Support\LongWork;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;
use Illuminate\View\View;

final class DeskController
{
    public function __invoke(
        Settings $settings,
        Rail $rail,
        Unapplied $unapplied,
        ControlFigures $figures,
        BankAccounts $banks,
        ApprovalRequests $approvals,
        Questions $questions,
    ): View {
        if (! $settings->hasControlAccount() || ! DB::table('items')->exists()) {
            return $this->firstSteps($settings);
        }
        $at = app(ViewPoint::class);

        return view('desk.index', [
            'stations' => $rail->stations($at->account, $at->asOf),
            'banks' => $banks->all($at->asOf),
            'left' => $unapplied->leftWithReason($at->account, $at->asOf),
            'underWay' => LongWork::underWay(),
            'approvals' => $approvals->waiting(),
            'questions' => $questions->open(),
            'today' => substr(Moment::now(), 0, 10),
            'base' => $settings->base(),
            'of' => $at->period,
            'picture' => new DayPicture($figures->days($at->account, $at->period->first, $at->asOf), 770, $settings->base()),
            'latest' => AuditRecord::query()
                ->whereNotIn('what', AuditTrail::COMINGS_AND_GOINGS)
                ->orderByDesc('id')
                ->limit(9)
                ->get(),
            'backup' => LastBackup::find(),
            'imports' => Import::query()->count(),
            'hasLedger' => DB::table('postings')->exists(),
        ]);
    }

    /** What books that begin still need before there is anything to prove. */
    public function firstSteps(Settings $settings): View
    {
        return view('desk.first-steps', [
            'control' => $settings->hasControlAccount() ? $settings->controlAccount() : null,
            'accounts' => DB::table('accounts')->count(),
            'customers' => DB::table('customers')->count(),
            'items' => DB::table('items')->count(),
            'postings' => DB::table('postings')->count(),
            'asOf' => $settings->period()->last,
            'key' => bin2hex(random_bytes(16)),
        ]);
    }
}
