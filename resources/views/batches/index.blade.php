@php
    use Ajuste\Core\Settlement\PaymentWay;
    use App\Http\Say;
    $writes = Auth::user()->role->mayWrite();
@endphp
<x-layout title="Batches" station="receipts" class="halves even">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4">
            <h1>Batches and typed receipts</h1><a class="ml-auto" href="{{ route('receipts') }}">Receipts</a>
        </div>
        <p class="lead">What is paid in together, against the total on the slip.</p>
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
            <thead>
                <tr>
                    <th scope="col">
                        <button type="button">Batch</button>
                    </th>
                    <th scope="col">
                        <button type="button">Dated</button>
                    </th>
                    <th scope="col">
                        <button type="button">Paid by</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Declared</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Remaining</button>
                    </th>
                </tr>
            </thead>
            <tbody>
                @forelse ($batches as $batch)
                    <tr data-minor="{{ $batch->declared->minor }}" @class(['current' => $chosen?->id === $batch->id])>
                        <td><a href="{{ route('batches', ['batch' => $batch->id]) }}">{{ $batch->reference }}</a></td>
                        <td class="nowrap" data-sort="{{ $batch->date }}">{{ Say::shortDay($batch->date) }}</td>
                        <td>{{ $batch->way->value }}, {{ count($batch->lines) }}</td>
                        <td class="n font-semibold" data-sort="{{ $batch->declared->minor }}">{{ $batch->declared->grouped() }}</td>
                        <td class="n">
                            @if ($batch->postedAt)
                                <span class="tag green">posted</span>
                            @else
                                {{ $batch->remaining()->grouped() }}
                            @endif
                        </td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="5">No batch yet. Open one with the total of the paying-in slip.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        <x-table-foot name="batches" sum-of="Declared" />
        @if ($writes)
            @include('batches.type')
        @endif
        <datalist id="customers"></datalist>
    </div>
    <aside class="pane worktop" id="worktop" aria-label="The chosen batch">
        @if ($chosen)
            @include('batches.chosen')
        @else
            <h2 class="title">Choose a batch, or open one</h2>
            <p class="lead">Each receipt is typed with its customer and what it pays. It settles what is quoted or of the same amount, if that is the only
                one; the rest stays unapplied. Nothing is posted until nothing remains of the declared total.</p>
        @endif
    </aside>
</x-layout>
