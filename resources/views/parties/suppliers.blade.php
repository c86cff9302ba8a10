@php use App\Http\Say; @endphp
<x-layout title="Suppliers" station="contra">
    <div class="pane" x-data="grid">
        <p><a href="{{ route('contra') }}">Contra</a> · <a href="{{ route('agreements') }}">Agreements</a></p>
        <h1>Suppliers as of {{ Say::day($asOf) }}</h1>
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
            <thead>
                <tr>
                    <th scope="col"><button type="button">Number</button></th>
                    <th scope="col"><button type="button">Name</button></th>
                    <th scope="col" class="n"><button type="button">Owed in {{ $base->code }}</button></th>
                </tr>
            </thead>
            <tbody>
                @forelse ($suppliers as ['supplier' => $supplier, 'owed' => $owed])
                    <tr data-minor="{{ $owed->minor }}">
                        <td>{{ $supplier->supplier }}</td>
                        <td><a href="{{ route('supplier', $supplier->id) }}">{{ $supplier->name }}</a></td>
                        <td class="n" data-sort="{{ $owed->minor }}">{{ Say::balance($owed->negated()) }}</td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="3">No supplier yet. Hand in suppliers.csv and supplier_items.csv.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        <x-table-foot name="suppliers" />
    </div>
</x-layout>
