@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
@endphp
<x-layout title="Approval">
    <div class="pane">
        <p><a href="{{ route('approvals') }}">Approvals</a></p>
        <h1>{{ ucfirst($request->title) }}</h1>
        <p class="lead">{{ $request->who }} asked on {{ Say::moment($request->recorded_at) }}:
            {{ Money::ofMinor($request->total, $base)->grouped() }} {{ $base->code }}, {{ $request->why }}.</p>
        @if ($refusal !== '')
            <div class="note" role="alert">{{ $refusal }}</div>
        @elseif (!$unchanged)
            <div class="note"><b>What would be posted has changed since. It has to be looked at and asked for again.</b></div>
        @endif
        @foreach ($plan?->vouchers() ?? [] as $voucher)
            <x-voucher :text="$voucher->text" :lines="$voucher->lines" />
        @endforeach
        @if ($plan !== null && $plan->items !== [])
            <h2>With the customers</h2>
            <table class="grid-table">
                <tbody>
                    @foreach ($plan->items as $item)
                        <tr>
                            <td>{{ $customers[$item->head->account->customerId]->name }}</td>
                            <td>{{ $item->head->title() }}</td>
                            <td>{{ Say::day($item->head->date) }}</td>
                            <td class="n">{{ Say::balance($item->effect()) }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endif
        @include('approvals.answer', ['what' => Money::ofMinor($request->total, $base)->grouped()])
    </div>
</x-layout>
