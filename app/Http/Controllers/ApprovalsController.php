<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Posting\NewItem;
use Ajuste\Core\Refusal;
use App\Actions\Approvals\Requests;
use App\Actions\CarryOut;
use App\Http\Answer;
use App\Http\FormKey;
use App\Queries\ApprovalRequests;
use App\Queries\Customers;
use App\Queries\Settings;
use App\Support\Actor;
use App\Values\WorkKind;
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

    public function show(int $id, ApprovalRequests $requests, Requests $action, Settings $settings, Customers $customers): View
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
            'customers' => $customers->several(array_map(
                static fn (NewItem $item): int => $item->head->account->customerId, $plan->items ?? [],
            )),
            'refusal' => $refusal,
            'unchanged' => $plan?->digest() === $request->digest,
            'base' => $settings->base(),
            'key' => bin2hex(random_bytes(16)),
        ]);
    }

    public function approve(Request $request, int $id, Requests $requests, ApprovalRequests $all, Actor $actor): RedirectResponse
    {
        $key = FormKey::of($request, 'approve-request');
        $outside = $request->string('outside')->toString();
        if (CarryOut::isLongRun($request->integer('lines'))) {
            return redirect()->route('work', CarryOut::begin(WorkKind::Approved, $key, [
                'key' => $key, 'request' => (string) $id, 'by' => $requests->approver($key, $id, $outside), 'outside' => $outside,
            ], $actor));
        }
        $requests->approve($key, $id, $outside);

        return Answer::given($all->find($id), 'Approved and posted.');
    }

    public function sendBack(Request $request, int $id, Requests $requests, ApprovalRequests $all): RedirectResponse
    {
        $requests->sendBack(FormKey::of($request, 'send-back-request'), $id, $request->string('words')->toString());

        return Answer::given($all->find($id), 'Sent back with your words.');
    }
}
