<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\OpenItem;
use App\Actions\WriteOffDebts;
use App\Http\Answer;
use App\Http\FormKey;
use App\Http\LossForm;
use App\Http\ViewPoint;
use App\Http\WorktopForm;
use App\Models\Customer;
use App\Queries\ItemCurrencies;
use App\Queries\LostDebts;
use App\Queries\Positions;
use App\Queries\Settings;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Debts that will never be paid. */
final class LostDebtsController
{
    public function __construct(
        private readonly Settings $settings,
        private readonly Positions $positions,
        private readonly WriteOffDebts $action,
        private readonly LostDebts $debts,
    ) {}

    public function create(Request $request, Customer $customer, ViewPoint $at): View
    {
        $form = new LossForm((array) $request->old());

        return view('debts.new', [
            'customer' => $customer,
            'items' => $this->open($customer, $at),
            'old' => $form,
            'writtenOff' => $this->debts->writtenOff($customer->id),
            'allowance' => $this->debts->unused($customer->id)->ofCustomer(),
            'key' => bin2hex(random_bytes(16)),
            'date' => $this->settings->locked()->firstOpenFrom($at->asOf),
            'base' => $this->settings->base(),
            ...$form->isBlank() ? ['plan' => null, 'refusal' => '', 'why' => ''] : $this->rehearsed($form, $customer, $at),
        ]);
    }

    public function rehearse(Request $request, Customer $customer, ViewPoint $at): View
    {
        return view('debts.rehearsal', $this->rehearsed(new LossForm($request->all()), $customer, $at));
    }

    public function post(Request $request, Customer $customer, ViewPoint $at): RedirectResponse
    {
        $asked = (new LossForm($request->all()))->request($customer->id, $this->open($customer, $at));
        [$key, $seen] = [FormKey::of($request, 'loss'), $request->string('seen')->toString()];
        $came = $this->action->post($key, $asked, $seen);

        return $came->request !== null
            ? Answer::asked($came->request)
            : redirect()->route('customer', $customer->id)->with('done', ['text' => 'Written off.']);
    }

    public function recover(Request $request, int $item, ItemCurrencies $currencies): RedirectResponse
    {
        $amount = WorktopForm::amount($request->string('amount')->toString(), $currencies->settling([$item]));
        $back = $this->action->recover(FormKey::of($request, 'recover'), $item, $amount, Day::of($request->string('date')->toString()));
        $line = $request->integer('line');
        $to = $line > 0
            ? redirect()->route('receipts', ['line' => $line, 'customer' => $this->positions->find($back)->head->account->customerId])
            : redirect()->route('document', $back);

        return $to->with('done', [
            'text' => 'Written back on the customer. The receipt can be matched with it.',
            'url' => route('document', $back),
            'link' => 'Open it',
        ]);
    }

    /** @return list<OpenItem> */
    private function open(Customer $customer, ViewPoint $at): array
    {
        $open = $this->positions->takeableOf($this->settings->controlAccountOf($customer->id)->id, $customer->id, $at->asOf);

        return array_values(array_filter($open, static fn (OpenItem $item): bool => $item->isDebit() && ! $item->kind->correctsBaseOnly()));
    }

    /** @return array<string, mixed> */
    private function rehearsed(LossForm $form, Customer $customer, ViewPoint $at): array
    {
        try {
            $asked = $form->request($customer->id, $this->open($customer, $at));

            return ['plan' => $this->action->rehearse($asked), 'refusal' => '', 'why' => $this->action->needsApproval($asked)];
        } catch (Refusal $refusal) {
            return ['plan' => null, 'refusal' => $form->isBlank() ? '' : $refusal->getMessage(), 'why' => ''];
        }
    }
}
