@php
    use Ajuste\Core\Money\Money;
    use Ajuste\Core\Proof\Cause;
    use App\Http\Say;
@endphp
<x-layout title="For the source" station="proof">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4">
            <h1>To be mended at the source</h1><a class="ml-auto" href="{{ route('proof') }}">Proof of {{ $account->title() }}</a>
        </div>
        <p class="lead">Send the list as CSV or XLSX. A line is ticked off when the next import shows its cause gone.</p>
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
            <thead>
                <tr>
                    <th scope="col">
                        <button type="button">State</button>
                    </th>
                    <th scope="col">
                        <button type="button">Cause</button>
                    </th>
                    <th scope="col">
                        <button type="button">Document</button>
                    </th>
                    <th scope="col">
                        <button type="button">Customer</button>
                    </th>
                    <th scope="col">
                        <button type="button">Entry</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Amount</button>
                    </th>
                    <th scope="col">
                        <button type="button">What is asked</button>
                    </th>
                    <th scope="col">
                        <button type="button">By</button>
                    </th>
                </tr>
            </thead>
            <tbody>
                @forelse ($fixes as $fix)
                    <tr data-minor="{{ $fix->amount }}">
                        <td><span @class(['tag', 'green' => $fix->done, 'ochre' => !$fix->done])>{{ $fix->done ? 'done' : 'asked' }}</span></td>
                        <td class="nowrap">
                            @if ($fix->done)
                                {{ $fix->cause->words() }}
                            @else
                                <a href="{{ route('proof', ['line' => $fix->causeKey]) }}">{{ $fix->cause->words() }}</a>
                            @endif
                        </td>
                        <td>{{ $fix->document }}</td>
                        <td>{{ $fix->customer }}</td>
                        <td>{{ $fix->entry }}</td>
                        <td class="n" data-sort="{{ $fix->amount }}">{{ Money::ofMinor($fix->amount, $base)->grouped() }}</td>
                        <td>{{ $fix->request }}</td>
                        <td class="nowrap slate">{{ $fix->who }}, {{ Say::moment($fix->recordedAt) }}</td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="8">Nothing was asked for. Choose a cause on the proof and have it mended at the source.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        <x-table-foot name="for-the-source" sum-of="Amount" />
    </div>
</x-layout>
