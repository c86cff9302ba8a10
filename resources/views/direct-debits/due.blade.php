@use('App\Http\Say')
<table class="grid-table mt-2" id="collection-list" data-list data-decimals="2">
    <thead>
        <tr>
            <th scope="col"><span class="visually-hidden">Collect</span></th>
            <th scope="col">
                <button type="button">Customer</button>
            </th>
            <th scope="col">
                <button type="button">Item</button>
            </th>
            <th scope="col">
                <button type="button">Due</button>
            </th>
            <th scope="col" class="n">
                <button type="button">Open</button>
            </th>
            <th scope="col" class="n">
                <button type="button">Discount</button>
            </th>
            <th scope="col" class="n">
                <button type="button">Collected</button>
            </th>
        </tr>
    </thead>
    <tbody>
        @forelse ($due as $line)
            @php [$item, $collectible, $of] = [$line->item->item, $line->item, $line->of->of]; @endphp
            <tr data-minor="{{ $collectible->amount->minor }}">
                <td data-skip="1">
                    @if ($line->can)
                        <input type="checkbox" form="collection" name="tick[{{ $item->id }}]" value="1" @checked($line->ticked)
                            aria-label="Collect {{ $item->document }} of {{ $of->customer->name }}">
                    @endif
                </td>
                <td><a href="{{ route('customer', $of->customer->id) }}">{{ $of->customer->name }}</a><br><span
                        class="slate">{{ $of->mandate->reference }}, {{ $of->mandate->scheme->value }}</span>
                    @if ($line->of->unapplied->isPositive())
                        <span class="tag ochre">{{ $line->of->unapplied->grouped() }} unapplied</span>
                    @endif
                </td>
                <td><a href="{{ route('document', $item->id) }}">{{ $item->title() }}</a>
                    @if (!$line->can)
                        <br><span class="slate">{{ $line->why() }}</span>
                    @endif
                </td>
                <td class="nowrap" data-sort="{{ $item->dueDate }}">{{ Say::shortDay($item->dueDate) }}</td>
                <td class="n" data-sort="{{ $item->takeable->minor }}">{{ $item->takeable->grouped() }}</td>
                <td class="n" data-sort="{{ $collectible->discount->minor }}">
                    {{ $collectible->discount->isZero() ? '' : $collectible->discount->grouped() }}</td>
                <td class="n font-semibold" data-sort="{{ $collectible->amount->minor }}">
                    {{ $line->can ? $collectible->amount->grouped() : '' }}</td>
            </tr>
        @empty
            <tr>
                <td colspan="7">Nothing is open of a customer with a mandate. Keep the mandates that customers signed on the page Mandates.</td>
            </tr>
        @endforelse
    </tbody>
</table>
