@use('App\Http\Say')
<table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
    <thead>
        <tr>
            <th scope="col">
                <button type="button">Value date</button>
            </th>
            <th scope="col">
                <button type="button">From the bank</button>
            </th>
            <th scope="col" class="n">
                <button type="button">Amount</button>
            </th>
            <th scope="col">
                <button type="button">Proposal</button>
            </th>
        </tr>
    </thead>
    <tbody>
        @forelse (array_slice($guesses, 0, 400) as $guess)
            <tr data-minor="{{ $guess->line->amount->minor }}" @class(['current' => $chosen?->line->id === $guess->line->id])>
                <td class="nowrap" data-sort="{{ $guess->line->dates->value }}">{{ Say::shortDay($guess->line->dates->value) }}</td>
                <td class="clip" title="{{ $guess->line->text() }}"><a
                        href="{{ route('receipts', array_filter(['line' => $guess->line->id, 'kind' => $kind])) }}"
                        hx-get="{{ route('receipts', array_filter(['line' => $guess->line->id, 'kind' => $kind])) }}" hx-target="#worktop" hx-swap="outerHTML"
                        hx-push-url="true">{{ $guess->line->title() }}</a></td>
                <td class="n font-semibold"
                    data-sort="{{ $guess->line->amount->minor }}">{{ $guess->line->amount->grouped() }}@if ($guess->line->amount->currency->code !== $base->code)
                        <span class="slate">{{ $guess->line->amount->currency->code }}</span>
                    @endif
                </td>
                <td class="nowrap"><span @class([
                    'tag',
                    'green' => $guess->isCertain(),
                    'ochre' => !$guess->isSure() && !$guess->isCertain(),
                ])>{{ $guess->kind() }}</span></td>
            </tr>
            @empty
                <tr>
                    <td colspan="4">Every statement line has its place. Hand in the next statement on Intake, or have the bank send it.</td>
                </tr>
            @endforelse
        </tbody>
    </table>
