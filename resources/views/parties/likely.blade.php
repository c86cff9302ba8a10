@if ($likely !== [])
    <h2>May be the same party</h2>
    <table class="grid-table">
        <tbody>
            @foreach ($likely as $of)
                <tr>
                    <td><a href="{{ route('customer', $of->customer_id) }}">{{ $of->customer }} {{ $of->name }}</a> and
                        <a href="{{ route('supplier', $of->supplier_id) }}">{{ $of->supplier }} {{ $of->supplier_name }}</a><br>
                        <span class="slate">{{ $of->why }}</span></td>
                    <td class="nowrap">
                        <form method="post" action="{{ route('parties.link') }}" class="flex gap-2">@csrf
                            <input type="hidden" name="key" value="{{ $key }}-l{{ $of->customer_id }}-{{ $of->supplier_id }}">
                            <input type="hidden" name="customer" value="{{ $of->customer }}">
                            <input type="hidden" name="supplier" value="{{ $of->supplier }}">
                            <input type="hidden" name="reason" value="{{ $of->why }}">
                            <button class="button py-0.5!">Link {{ $of->customer }}</button>
                            <button class="button py-0.5!" formaction="{{ route('parties.part') }}">Not the same</button>
                        </form>
                    </td>
                </tr>
            @endforeach
        </tbody>
    </table>
@endif
