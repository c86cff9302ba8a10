<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Refusal;
use App\Actions\Approvals\Requests;
use App\Http\FormKey;
use App\Queries\ApprovalRequests;
use App\Queries\Settings;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** What waits for a second person, and what was answered. */
final class ApprovalsController
{
    public function index(ApprovalRequests $requests, Settings $settings): View
    {
        return view('approvals.index', [
            'waiting' => $requests->waiting(), 'answered' => $requests->answered(), 'base' => $settings->base(),
        ]);
    }

    public function show(int $id, ApprovalRequests $requests, Requests $action, Settings $settings): View
    {
        $request = $requests->open($id);
        try {
            [$plan, $refusal] = [$action->plan($request), ''];
        } catch (Refusal $refused) {
            [$plan, $refusal] = [null, $refused->getMessage()];
        }

        return view('approvals.show', [
            'request' => $request,
            'plan' => $plan,
            'refusal' => $refusal,
            'unchanged' => $plan?->digest() === $request->digest,
            'base' => $settings->base(),
            'key' => bin2hex(random_bytes(16)),
        ]);
    }

    public function approve(Request $request, int $id, Requests $requests): RedirectResponse
    {
        $requests->approve(FormKey::of($request, 'approve-request'), $id, $request->string('outside')->toString());

        return redirect()
            ->route('approvals')
            ->with('done', ['text' => 'Approved and posted.', 'url' => route('journals'), 'link' => 'Journals']);
    }

    public function sendBack(Request $request, int $id, Requests $requests): RedirectResponse
    {
        $requests->sendBack(FormKey::of($request, 'send-back-request'), $id, $request->string('words')->toString());

        return redirect()->route('approvals')->with('done', ['text' => 'Sent back with your words.']);
    }
}
