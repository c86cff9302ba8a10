@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
    $money = fn(int $minor) => Money::ofMinor($minor, $base);
    $at = app(App\Http\ViewPoint::class);
@endphp
<x-layout title="Account {{ $account->account }}">
    <div class="pane" x-data="grid">
        <h1>{{ $account->account }} {{ $account->name }}</h1>
        <p class="lead">{{ Say::count($count, 'posting') }} {{ $day === '' ? 'as of ' . Say::day($at->asOf) : 'on ' . Say::day($day) }}, <b
                class="text-ink">{{ Say::balance($money($sum)) }}</b>. Latest first.</p>
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
            <thead>
                <tr>
                    <th scope="col">
                        <button type="button">Entry</button>
                    </th>
                    <th scope="col">
                        <button type="button">Date</button>
                    </th>
                    <th scope="col">
                        <button type="button">Text</button>
                    </th>
                    <th scope="col">
                        <button type="button">Document</button>
                    </th>
                    <th scope="col">
                        <button type="button">Customer</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Debit</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Credit</button>
                    </th>
                </tr>
            </thead>
            <tbody>
                @forelse ($postings as $posting)
                    <tr data-minor="{{ $posting->base }}">
                        <td><a href="{{ route('posting', $posting->id) }}">{{ $posting->entry }}</a></td>
                        <td class="nowrap" data-sort="{{ $posting->date }}">{{ Say::day($posting->date) }}</td>
                        <td>{{ $posting->description }}</td>
                        <td>{{ $posting->document }}</td>
                        <td>{{ $posting->customer }}</td>
                        <td class="n" data-sort="{{ $posting->base }}">{{ $posting->base > 0 ? $money($posting->base)->grouped() : '' }}</td>
                        <td class="n" data-sort="{{ -$posting->base }}">{{ $posting->base < 0 ? $money(-$posting->base)->grouped() : '' }}</td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="7">No posting.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        <x-table-foot name="account" />
        {{ $postings->links('pager') }}
    </div>
</x-layout>
