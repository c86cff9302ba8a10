@php
    use Ajuste\Core\BadDebt\Ground;
    use App\Http\Say;
@endphp
<x-layout title="Irrecoverable" class="halves">
    <form method="post" action="{{ route('irrecoverable.post', $customer->id) }}" class="contents">@csrf
        <input type="hidden" name="key" value="{{ $key }}">
        <div class="pane" hx-post="{{ route('irrecoverable.rehearse', $customer->id) }}" hx-trigger="change, input changed delay:350ms" hx-target="#rehearsal"
            hx-swap="outerHTML" hx-include="closest form" hx-disinherit="hx-target hx-swap hx-include hx-trigger" hx-push-url="false">
            <p><a href="{{ route('customer', $customer->id) }}">{{ $customer->name }}</a></p>
            <h1>What {{ $customer->name }} will never pay</h1>
            <p class="lead">Tick the documents. A blank amount is all that is open.
                @if ($allowance->isPositive())
                    {{ $allowance->grouped() }} {{ $base->code }} is set aside for this customer and is used first.
                @endif
            </p>
            <table class="grid-table">
                <thead>
                    <tr>
                        <th scope="col"><span class="visually-hidden">Tick</span></th>
                        <th scope="col">Document</th>
                        <th scope="col">Due</th>
                        <th scope="col" class="n">Open</th>
                        <th scope="col" class="n">Lost</th>
                    </tr>
                </thead>
                <tbody>
                    @forelse ($items as $item)
                        <tr>
                            <td><input type="checkbox" name="tick[]" value="{{ $item->id }}" aria-label="{{ $item->title() }}"
                                    @checked(in_array($item->id, $old->ticked(), true))></td>
                            <td><a href="{{ route('document', $item->id) }}">{{ $item->title() }}</a></td>
                            <td class="nowrap">{{ Say::shortDay($item->dueDate) }}</td>
                            <td class="n">{{ $item->takeable->grouped() }} {{ $item->takeable->currency->code }}</td>
                            <td class="n"><input type="text" inputmode="decimal" name="amount[{{ $item->id }}]" value="{{ $old->amount($item->id) }}"
                                    aria-label="Lost of {{ $item->document }}" class="w-28 text-right h-6!"></td>
                        </tr>
                    @empty
                        <tr>
                            <td colspan="5">Nothing is open.</td>
                        </tr>
                    @endforelse
                </tbody>
            </table>
            @include('debts.written-off')
        </div>
        <aside class="pane worktop" aria-label="What it posts">
            <h2 class="title">What it posts</h2>
            <div class="flex flex-wrap gap-3 items-end mb-3" hx-post="{{ route('irrecoverable.rehearse', $customer->id) }}"
                hx-trigger="change, input changed delay:350ms" hx-target="#rehearsal" hx-swap="outerHTML" hx-include="closest form"
                hx-disinherit="hx-target hx-swap hx-include hx-trigger" hx-push-url="false">
                <label class="grid">Dated <x-day name="date" :value="$old->text('date') ?: $date" /></label>
                <label class="grid">Ground <select name="ground">
                        @foreach (Ground::cases() as $ground)
                            <option value="{{ $ground->value }}" @selected($old->text('ground') === $ground->value)>{{ $ground->words() }}</option>
                        @endforeach
                    </select></label>
                <label class="grid">Paid of the claim, % <input type="text" inputmode="decimal" name="paid_percent" value="{{ $old->text('paid_percent') }}"
                        placeholder="none" class="w-24 text-right"></label>
                <label class="grid basis-full">What proves it <input type="text" name="evidence" value="{{ $old->text('evidence') }}" required
                        placeholder="the court's decision, a letter" class="w-full"></label>
                <label><input type="checkbox" name="tax" value="1" @checked($old->text('tax') !== '')> the conditions for the tax are met,</label>
                <label>on <x-day name="tax_on" :value="$old->text('tax_on') ?: $date" /></label>
            </div>
            @include('debts.rehearsal')
        </aside>
    </form>
</x-layout>
