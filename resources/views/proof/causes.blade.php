@use('App\Http\Say')
<div x-data="grid">
    <div class="flex items-center gap-4 mt-2 flex-wrap">
        <x-filter />
        @if ($day !== '' || $cause !== '')
            <a class="tag ochre" href="{{ route('proof') }}">only {{ $day !== '' ? Say::day($day) : Ajuste\Core\Proof\Cause::from($cause)->words() }}:
                show all</a>
        @endif
        <span class="ml-auto flex gap-2"><a class="tag" href="{{ route('find', ['amount' => $difference->abs()->decimal()]) }}" data-hotkey="g">Find
                an amount <kbd>G</kbd></a>
            @if ($fixes > 0)
                <a class="tag" href="{{ route('proof.source') }}">For the source {{ $fixes }}</a>
            @endif
            <a class="tag" hx-boost="false" href="{{ route('proof.paper') }}">
                PDF</a><a class="tag" hx-boost="false" href="{{ route('proof.export', 'csv') }}">CSV</a><a class="tag" hx-boost="false"
                href="{{ route('proof.export', 'xlsx') }}">XLSX</a>
        </span>
    </div>
    <table class="grid-table" data-list data-decimals="{{ $base->decimals }}" @if ($window->isPart) data-window @endif>
        <thead>
            <tr>
                <th scope="col" data-order="cause">
                    <button type="button">Cause</button>
                </th>
                <th scope="col" data-order="what">
                    <button type="button">What was found</button>
                </th>
                <th scope="col" data-order="date">
                    <button type="button">Since</button>
                </th>
                <th scope="col" class="n" data-sum data-order="amount">
                    <button type="button">Amount</button>
                </th>
                <th scope="col">Remedy</th>
            </tr>
        </thead>
        <tbody id="cause-rows">
            @fragment('rows')
                @forelse ($window->rows as $line)
                    <tr data-minor="{{ $line->amount }}" data-part="cause-{{ $line->cause->value }}" @class(['current' => $chosen && $chosen->key() === $line->key()])>
                        <td class="nowrap"><a href="{{ route('proof', array_filter(['line' => $line->key(), 'day' => $day, 'cause' => $cause])) }}"
                                hx-get="{{ route('proof', array_filter(['line' => $line->key(), 'day' => $day, 'cause' => $cause])) }}" hx-target="#worktop"
                                hx-swap="outerHTML" hx-push-url="true">{{ $line->cause->words() }}</a></td>
                        <td class="clip" title="{{ $line->note }}">{{ trim($line->document() . ' ' . ($customers[$line->customer()] ?? '')) }}
                            {{ $line->note }}</td>
                        <td class="nowrap" data-sort="{{ $line->date() }}">{{ Say::shortDay($line->date()) }}</td>
                        <td class="n font-semibold" data-sort="{{ $line->amount }}">{{ $money($line->amount)->grouped() }}</td>
                        <td>@php
                            $kept = $carried[$line->key()] ?? null;
                            $isCarried = $kept?->explains($line, $proof->asOf) ?? false;
                            $from = !$isCarried && $kept?->isOf($line) ? $kept->through : null;
                        @endphp<span
                                @class(['tag', 'green' => $isCarried, 'ochre' => !$isCarried])>{{ $isCarried ? 'carried' : (isset($asked[$line->key()]) ? 'asked at the source'
                                    : ($from ? 'from ' . Say::shortDay($from) : 'choose')) }}</span>
                        </td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="5">
                            {{ $proof->lines === [] ? 'Every posting has its item, and every item its posting.' : 'No cause touches this day.' }}</td>
                    </tr>
                @endforelse
                <x-more-rows :from="$window->next" :total="$window->count" />
            @endfragment
        </tbody>
    </table>
    <x-table-foot name="proof" />
</div>
