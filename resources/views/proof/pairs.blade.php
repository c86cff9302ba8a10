@php
    use Ajuste\Core\Money\Money;
    use Ajuste\Core\Proof\PairedBy;
    use App\Http\Say;
    $money = fn(array $lines) => Money::ofMinor(array_sum(array_map(fn($line) => $line->amount, $lines)), $base);
    $writes = Auth::user()->role->mayWrite();
@endphp
<x-layout title="Pairs" station="proof">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4">
            <h1>Paired by {{ $by->words() }}</h1><a class="ml-auto" href="{{ route('proof') }}">Proof of {{ $account->title() }}</a>
        </div>
        <div class="flex flex-wrap gap-2 my-3">
            @foreach ($counts as $test => $count)
                <a class="tag" href="{{ route('proof.pairs', array_filter(['by' => $test, 'all' => $all])) }}"
                    @if ($test === $by->value) aria-current="true" @endif>{{ PairedBy::from($test)->words() }} {{ number_format($count) }}</a>
            @endforeach
        </div>
        @if ($agreed->through !== '')
            <p class="mb-2">{{ number_format($agreed->postings) }} postings and {{ number_format($agreed->items) }} items agreed when the period to
                {{ Say::day($agreed->through) }} was signed, and are not paired anew. <a
                    href="{{ route('proof.pairs', ['by' => $by->value, 'all' => 1]) }}">Pair from the beginning</a></p>
        @elseif ($all)
            <p class="mb-2">Paired from the beginning of the books. <a href="{{ route('proof.pairs', ['by' => $by->value]) }}">Only on top of the signed
                    period</a></p>
        @endif
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
            <thead>
                <tr>
                    <th scope="col">
                        <button type="button">Postings</button>
                    </th>
                    <th scope="col">
                        <button type="button">Posted</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">In the ledger</button>
                    </th>
                    <th scope="col">
                        <button type="button">Items</button>
                    </th>
                    <th scope="col">
                        <button type="button">Dated</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">With the customer</button>
                    </th>
                    <th scope="col">Apart</th>
                </tr>
            </thead>
            <tbody>
                @forelse ($pairs as $pair)
                    @php $ids = fn (array $lines) => implode('.', array_map(fn ($line) => $line->id, $lines)); @endphp
                    <tr data-minor="{{ $money($pair->postings)->minor }}">
                        <td>
                            @foreach (array_slice($pair->postings, 0, 3) as $line)
                                <a href="{{ route('posting', $line->id) }}">{{ $line->entry }}</a> <span class="slate">{{ $line->document }}</span>
                            @endforeach{{ count($pair->postings) > 3 ? '…' : '' }}
                        </td>
                        <td class="nowrap">{{ $pair->postings === [] ? '' : Say::shortDay($pair->postings[0]->date) }}</td>
                        <td class="n">{{ Say::balance($money($pair->postings)) }}</td>
                        <td>
                            @foreach (array_slice($pair->items, 0, 3) as $line)
                                <a href="{{ route('document', $line->id) }}">{{ $line->document }}</a> <span class="slate">{{ $line->customer }}</span>
                            @endforeach{{ count($pair->items) > 3 ? '… ' . count($pair->items) : '' }}
                        </td>
                        <td class="nowrap">{{ $pair->items === [] ? '' : Say::shortDay($pair->items[0]->date) }}</td>
                        <td class="n">{{ Say::balance($money($pair->items)) }}</td>
                        <td class="nowrap">
                            @if ($writes && $by !== PairedBy::Hand)
                                <form method="post" action="{{ route('proof.pair') }}" class="flex gap-2">@csrf
                                    <input type="hidden" name="key" value="{{ $key }}-{{ $loop->index }}">
                                    <input type="hidden" name="line" value="pair-{{ $ids($pair->postings) }}-{{ $ids($pair->items) }}">
                                    <input type="text" name="reason" required placeholder="reason" aria-label="Reason to part them" class="w-28 h-6!">
                                    <button class="slate underline cursor-pointer">part</button>
                                </form>
                            @endif
                        </td>
                    </tr>
                    @empty
                        <tr>
                            <td colspan="7">This test made no pair.</td>
                        </tr>
                    @endforelse
                </tbody>
            </table>
            @if (count($pairs) === 1000)
                <p class="slate">The first 1,000 are shown.</p>
            @endif
            <x-table-foot name="pairs" />
        </div>
    </x-layout>
