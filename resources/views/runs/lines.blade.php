@php $writes = Auth::user()->role->mayWrite(); @endphp
<x-filter />
<h2>{{ $taken }}</h2>
<table class="grid-table" data-list data-decimals="{{ $base->decimals }}">
    <thead>
        <tr>
            <th scope="col">
                <button type="button">Customer</button>
            </th>
            <th scope="col">
                <button type="button">Document</button>
            </th>
            <th scope="col" class="n">
                <button type="button">Amount</button>
            </th>
            <th scope="col" class="n">
                <button type="button">In {{ $base->code }}</button>
            </th>
            <th scope="col">
                <button type="button">Why</button>
            </th>
        </tr>
    </thead>
    <tbody>
        @forelse ($run->lines() as $line)
            <tr data-minor="{{ $line->base->minor }}">
                @include('runs.line')
                <td class="soft">{{ $line->why }}
                    @if ($writes && $kind->takesChoices())
                        <x-run-choice :kind="$kind" :item="$line->itemId" :document="$line->document" :key="$key"
                            choice="{{ $line->takenAlong ? 'policy' : 'leave' }}" />
                    @endif
                </td>
            </tr>
        @empty
            <tr>
                <td colspan="5">Nothing.</td>
            </tr>
        @endforelse
    </tbody>
</table>
<x-table-foot name="{{ $kind->value }}" sum-of="In {{ $base->code }}" />
<h2>{{ $leftOut }}</h2>
<table class="grid-table" data-decimals="{{ $base->decimals }}">
    <tbody>
        @forelse ($run->leftOut() as $line)
            <tr>
                @include('runs.line')
                <td class="soft">{{ $line->why }}
                    @if ($writes && ($line->mayBeTaken || $line->leftByHand))
                        <x-run-choice :kind="$kind" :item="$line->itemId" :document="$line->document" :key="$key"
                            choice="{{ $line->mayBeTaken ? 'take' : 'policy' }}" />
                    @endif
                </td>
            </tr>
        @empty
            <tr>
                <td>Nothing.</td>
            </tr>
        @endforelse
    </tbody>
</table>
