{{-- Lines that a run takes, or leaves out each with its reason. --}}
@use('App\Http\RunLines')
@php $writes = Auth::user()->role->mayWrite(); @endphp
<div class="mt-5" x-data="grid">
    <div class="flex items-baseline gap-4">
        <h2>{{ $title }}</h2>
        @unless ($window->isEmpty)
            <div class="ml-auto"><x-filter :list="$list" /></div>
        @endunless
    </div>
    <table class="grid-table" data-list data-decimals="{{ $base->decimals }}" @if ($window->isPart) data-window="{{ $list }}" @endif>
        <thead>
            <tr>
                <th scope="col" data-order="customer">
                    <button type="button">Customer</button>
                </th>
                <th scope="col" data-order="document">
                    <button type="button">Document</button>
                </th>
                <th scope="col" class="n" data-order="amount">
                    <button type="button">Amount</button>
                </th>
                <th scope="col" class="n" data-order="base">
                    <button type="button">In {{ $base->code }}</button>
                </th>
                <th scope="col" data-order="why">
                    <button type="button">Why</button>
                </th>
            </tr>
        </thead>
        <tbody id="{{ $list }}-rows">
            @fragment("{$list}-rows")
                @forelse ($window->rows as $line)
                    <tr data-minor="{{ $line->base->minor }}">
                        <td><a href="{{ route('customer', $line->customer->id) }}">{{ $line->customer->number }} {{ $line->customer->name }}</a></td>
                        <td>
                            @if ($line->itemId !== null)
                                <a href="{{ route('document', $line->itemId) }}">{{ $line->document }}</a>
                            @else
                                {{ $line->document }}
                            @endif
                        </td>
                        <td class="n" data-sort="{{ $line->amount->minor }}">{{ App\Http\Say::balance($line->amount) }} <span
                                class="slate">{{ $line->amount->currency->code }}</span></td>
                        <td class="n font-semibold" data-sort="{{ $line->base->minor }}">{{ App\Http\Say::balance($line->base) }}</td>
                        <td class="soft" data-copy="{{ $line->why }}">{{ $line->why }}
                            @if ($writes && ($choice = RunLines::choice($line, $kind)) !== '')
                                <x-run-choice :kind="$kind" :item="$line->itemId" :document="$line->document" :key="$key" :choice="$choice" />
                            @endif
                        </td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="5">{{ $none }}</td>
                    </tr>
                @endforelse
                <x-more-rows :from="$window->next" :total="$window->count" :list="$list" :scrolls="$list === 'left'" />
            @endfragment
        </tbody>
    </table>
    @unless ($window->isEmpty)
        <x-table-foot name="{{ $kind->value }}-{{ $list }}" sum-of="In {{ $base->code }}" />
    @endunless
</div>
