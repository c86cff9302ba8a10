@php use App\Http\Say; @endphp
<x-layout title="Suppliers" station="contra">
    <div class="pane" x-data="grid">
        <p><a href="{{ route('contra') }}">Contra</a> · <a href="{{ route('agreements') }}">Agreements</a></p>
        <h1>Suppliers as of {{ Say::day($asOf) }}</h1>
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}" @if ($window->isPart) data-window @endif>
            <thead>
                <tr>
                    <th scope="col" data-order="number"><button type="button">Number</button></th>
                    <th scope="col" data-order="name"><button type="button">Name</button></th>
                    <th scope="col" class="n" data-order="owed"><button type="button">Owed in {{ $base->code }}</button></th>
                </tr>
            </thead>
            <tbody id="supplier-rows">
                @fragment('rows')
                    @forelse ($window->rows as $of)
                        <tr data-minor="{{ $of->owed->minor }}">
                            <td>{{ $of->supplier }}</td>
                            <td><a href="{{ route('supplier', $of->id) }}">{{ $of->name }}</a></td>
                            <td class="n" data-sort="{{ $of->owed->minor }}">{{ Say::balance($of->owed->negated()) }}</td>
                        </tr>
                    @empty
                        <tr>
                            <td colspan="3">{{ $none }}</td>
                        </tr>
                    @endforelse
                    <x-more-rows :from="$window->next" :total="$window->count" />
                @endfragment
            </tbody>
        </table>
        <x-table-foot name="suppliers" />
    </div>
</x-layout>
