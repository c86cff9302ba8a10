<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;
use App\Actions\CreditEntry;
use App\Actions\CreditNoteRequest;
use App\Actions\FreeCredit;
use App\Actions\IssueCreditNote;
use App\Http\FormKey;
use App\Http\Paper;
use App\Http\ViewPoint;
use App\Models\Customer;
use App\Queries\CreditableLines;
use App\Queries\Positions;
use App\Queries\Settings;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response;

/** Credit notes over lines of invoices, or lines of their own. */
final class CreditNotesController
{
    public function create(Request $request, Customer $customer, Settings $settings, Positions $positions, CreditableLines $lines, IssueCreditNote $credit, ViewPoint $at): View
    {
        $invoices = [];
        foreach (array_unique(array_map(intval(...), array_filter((array) $request->input('ids', []), is_numeric(...)))) as $id) {
            $invoice = $positions->find($id);
            if ($invoice->customerId !== $customer->id) {
                throw new Refusal("{$invoice->title()} belongs to another customer.");
            }
            $invoices[$id] = [$invoice, $lines->of($id, $invoice->document)];
        }
        $old = $request->old() === [] ? null : $this->read((array) $request->old(), $customer, false);
        $first = array_values($invoices)[0][0] ?? null;

        return view('credit-notes.new', [
            'customer' => $customer, 'invoices' => $invoices, 'old' => $old, 'key' => bin2hex(random_bytes(16)), 'currency' => $first->amount->currency ?? $settings->base(), 'base' => $settings->base(),
            'date' => $settings->locked()->firstOpenFrom(max($at->asOf, ...array_map(static fn (array $of): string => $of[0]->date, $invoices), ...[''])),
            'accounts' => array_values(array_filter($settings->accounts()->all(), static fn (Account $account): bool => $account->role?->carriesCustomers() !== true)), 'rehearsal' => $old === null ? null : $credit->rehearse($old),
            'others' => DB::table('items as i')->join('item_positions as p', 'p.item_id', '=', 'i.root_id')->where('i.customer_id', $customer->id)->whereIn('i.kind', ['invoice', 'debit_note'])->whereNull('i.superseded_at')->whereNotIn('i.root_id', array_keys($invoices))
                ->when($first !== null, static fn ($query) => $query->where('i.currency', $first?->amount->currency->code)->where('i.control_account_id', $first?->controlAccountId))->orderByRaw('p.matched < p.amount DESC')->orderByDesc('i.date')->limit(60)->get(['i.root_id', 'i.document', 'i.date', 'i.amount', 'i.currency', 'p.matched']),
        ]);
    }

    public function rehearse(Request $request, Customer $customer, IssueCreditNote $credit, Settings $settings): View
    {
        try {
            $rehearsal = $credit->rehearse($this->read($request->all(), $customer, true));
        } catch (Refusal $refusal) {
            return view('credit-notes.rehearsal', ['rehearsal' => null, 'refusal' => $refusal->getMessage(), 'base' => $settings->base()]);
        }

        return view('credit-notes.rehearsal', ['rehearsal' => $rehearsal, 'base' => $settings->base()]);
    }

    public function post(Request $request, Customer $customer, IssueCreditNote $credit): RedirectResponse
    {
        $note = $credit->post(FormKey::of($request, 'credit-note'), $this->read($request->all(), $customer, true));

        return redirect()->route('document', $note)->with('done', ['text' => 'Posted.', 'url' => route('customer', $customer->id), 'link' => $customer->name]);
    }

    public function clearRest(Request $request, int $item, IssueCreditNote $credit): RedirectResponse
    {
        $note = $credit->clearRest(FormKey::of($request, 'clear-rest'), $item, Day::of($request->string('date')->toString()), $request->string('reason')->toString());

        return redirect()->route('document', $item)->with('done', ['text' => 'Posted. Nothing of it is left open.', 'url' => route('document', $note), 'link' => 'Open the credit note']);
    }

    public function paper(int $item, Positions $positions, Settings $settings): Response
    {
        $note = DB::table('credit_notes')->where('item_id', $item)->first() ?? abort(404);
        $open = $positions->find($item);

        return Paper::pdf('credit-notes.paper', [
            'item' => $open, 'note' => $note, 'customer' => Customer::query()->findOrFail($open->customerId), 'booksName' => $settings->text(Setting::BooksName),
            'lines' => DB::table('credit_note_lines as l')->leftJoin('items as i', static fn ($join) => $join->on('i.root_id', '=', 'l.invoice_item_id')->whereNull('i.superseded_at'))->where('credit_note_id', $note->id)->orderBy('place')->get(['l.*', 'i.document as invoice', 'i.date as invoice_date']),
        ], "credit-note-{$open->document}");
    }

    /**
     * @param array<array-key, mixed> $input
     * @param bool $strict a bad date is refused; else today's stands in
     */
    private function read(array $input, Customer $customer, bool $strict): CreditNoteRequest
    {
        $text = static fn (mixed $value): string => is_string($value) ? trim($value) : '';
        $lines = [];
        foreach (['quantity', 'price', 'net'] as $field) {
            foreach ((array) ($input[$field] ?? []) as $invoice => $of) {
                foreach ((array) $of as $line => $typed) {
                    $lines[(int) $invoice][(string) $line][$field] = $text($typed);
                }
            }
        }
        $entries = array_map(static fn (array $of): array => array_map(static fn (array $typed): CreditEntry => new CreditEntry(...$typed), $of), $lines);
        $free = [];
        $column = static fn (string $name): array => (array) ($input["free_{$name}"] ?? []);
        foreach ($column('net') as $place => $typed) {
            if ($text($typed) !== '') {
                $free[] = new FreeCredit($text($column('text')[$place] ?? ''), $text($column('account')[$place] ?? ''), $text($column('rate')[$place] ?? ''), $text($typed), $text($column('dimension')[$place] ?? ''));
            }
        }
        $date = $text($input['date'] ?? '');

        return new CreditNoteRequest($customer->id, $entries, $free, $strict || Day::isDay($date) ? Day::of($date) : '', $text($input['reason'] ?? ''), ($input['match'] ?? '') === '1', $text($input['currency'] ?? ''));
    }
}
