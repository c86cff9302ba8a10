<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\CreditNote;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use App\Actions\IssueCreditNote;
use App\Http\Answer;
use App\Http\CreditNoteForm;
use App\Http\FormKey;
use App\Http\Paper;
use App\Http\ViewPoint;
use App\Models\Customer;
use App\Queries\InvoiceLines;
use App\Queries\Positions;
use App\Queries\Settings;
use App\Values\Rehearsal;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response;

/** Credit notes over lines of invoices, or lines of their own. */
final class CreditNotesController
{
    public function __construct(
        private readonly Settings $settings,
        private readonly Positions $positions,
        private readonly InvoiceLines $lines,
        private readonly IssueCreditNote $credit,
    ) {}

    public function create(Request $request, Customer $customer, ViewPoint $at): View
    {
        $invoices = [];
        $days = [$at->asOf];
        foreach (array_unique(array_map(intval(...), array_filter((array) $request->input('ids', []), is_numeric(...)))) as $id) {
            $invoice = $this->positions->find($id);
            if ($invoice->head->account->customerId !== $customer->id) {
                throw new Refusal("{$invoice->title()} belongs to another customer.");
            }
            $invoices[$id] = [$invoice, $this->lines->of($invoice)];
            $days[] = $invoice->date;
        }
        $form = new CreditNoteForm((array) $request->old());
        $first = array_values($invoices)[0][0] ?? null;
        $accounts = array_filter($this->settings->accounts()->all(), static fn (Account $account): bool => ! $account->carriesCustomers());

        return view('credit-notes.new', [
            'customer' => $customer,
            'invoices' => $invoices,
            'old' => $form,
            'key' => bin2hex(random_bytes(16)),
            'currency' => $first->amount->currency ?? $this->settings->base(),
            'date' => $this->settings->locked()->firstOpenFrom(max($days)),
            'accounts' => array_values($accounts),
            'others' => $this->others($customer, $first, array_keys($invoices)),
            ...$form->isBlank() ? ['rehearsal' => null, 'note' => null, 'refusal' => '', 'why' => ''] : $this->rehearsed($form, $customer),
        ]);
    }

    public function rehearse(Request $request, Customer $customer): View
    {
        return view('credit-notes.rehearsal', $this->rehearsed(new CreditNoteForm($request->all()), $customer));
    }

    public function post(Request $request, Customer $customer): RedirectResponse
    {
        $asked = (new CreditNoteForm($request->all()))->request($customer, $this->positions, $this->lines, $this->settings);
        $came = $this->credit->post(FormKey::of($request, 'credit-note'), $asked, $request->string('seen')->toString());
        if ($came->request !== null) {
            return Answer::asked($came->request);
        }

        return redirect()
            ->route('document', $came->result)
            ->with('done', ['text' => 'Posted.', 'url' => route('customer', $customer->id), 'link' => $customer->name]);
    }

    public function clearRest(Request $request, int $item): RedirectResponse
    {
        $note = $this->credit->clearRest(
            FormKey::of($request, 'clear-rest'),
            $item,
            Day::of($request->string('date')->toString()),
            $request->string('reason')->toString(),
        );

        return redirect()
            ->route('document', $item)
            ->with('done', [
                'text' => 'Posted. Nothing of it is left open.',
                'url' => route('document', $note),
                'link' => 'Open the credit note',
            ]);
    }

    public function paper(int $item): Response
    {
        $note = DB::table('credit_notes')->where('item_id', $item)->first() ?? abort(404);
        $open = $this->positions->find($item);

        return Paper::pdf(
            'credit-notes.paper',
            [
                'item' => $open,
                'note' => $note,
                'customer' => Customer::query()->findOrFail($open->head->account->customerId),
                'lines' => DB::table('credit_note_lines as l')
                    ->leftJoin(
                        'items as i',
                        static fn ($join) => $join->on('i.root_id', '=', 'l.invoice_item_id')->whereNull('i.superseded_at'),
                    )
                    ->where('credit_note_id', $note->id)
                    ->orderBy('place')
                    ->get(['l.*', 'i.document as invoice', 'i.date as invoice_date']),
            ],
            "credit-note-{$open->document}",
        );
    }

    /** @return array{rehearsal: ?Rehearsal, note: ?CreditNote, refusal: string, why: string} */
    private function rehearsed(CreditNoteForm $form, Customer $customer): array
    {
        try {
            $asked = $form->request($customer, $this->positions, $this->lines, $this->settings);
            $rehearsal = $this->credit->rehearse($asked);

            return [
                'rehearsal' => $rehearsal,
                'note' => $rehearsal->plan === null ? null : $this->credit->note($asked),
                'refusal' => $rehearsal->refusal ?? '',
                'why' => $rehearsal->plan === null ? '' : $this->credit->needsApproval($asked),
            ];
        } catch (Refusal $refusal) {
            return ['rehearsal' => null, 'note' => null, 'refusal' => $refusal->getMessage(), 'why' => ''];
        }
    }

    /**
     * Other invoices of the customer that the note could stand on, those that are open first.
     *
     * @param list<int> $but
     * @return Collection<int, \stdClass>
     */
    private function others(Customer $customer, ?OpenItem $first, array $but): Collection
    {
        return DB::table('items as i')
            ->join('item_positions as p', 'p.item_id', '=', 'i.root_id')
            ->where('i.customer_id', $customer->id)
            ->whereIn('i.kind', Kind::values(static fn (Kind $kind): bool => $kind->isInvoice()))
            ->whereNull('i.superseded_at')
            ->whereNotIn('i.root_id', $but)
            ->when(
                $first !== null,
                static fn ($query) => $query
                    ->where('i.currency', $first?->amount->currency->code)
                    ->where('i.control_account_id', $first?->head->account->controlAccountId),
            )
            ->orderByRaw('p.matched < p.amount DESC')
            ->orderByDesc('i.date')
            ->limit(60)
            ->get(['i.root_id', 'i.document', 'i.date', 'i.amount', 'i.currency', 'p.matched']);
    }
}
