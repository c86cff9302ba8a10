<div class="mt-5" x-data="grid">
    <div class="flex items-baseline gap-4">
        <h2>Payers who are known</h2>
        @if (!$payers->isEmpty)
            <div class="ml-auto"><x-filter /></div>
        @endif
    </div>
    <table class="grid-table" data-list @if ($payers->isPart) data-window @endif>
        <thead>
            <tr>
                <th scope="col" data-order="payer"><button type="button">From the bank</button></th>
                <th scope="col" data-order="customer"><button type="button">Is</button></th>
                <th scope="col"><span class="visually-hidden">Forget</span></th>
            </tr>
        </thead>
        <tbody id="payer-rows">
            @fragment('rows')
                @forelse ($payers->rows as $payer)
                    <tr>
                        <td>{{ $payer->name }} <span class="slate">{{ $payer->bank_account }}</span></td>
                        <td><a href="{{ route('customer', $payer->customer_id) }}">{{ $payer->customer }} {{ $payer->customer_name }}</a></td>
                        <td data-skip="1">
                            @if ($writes)
                                <form method="post" action="{{ route('settings.forget') }}">@csrf
                                    <input type="hidden" name="key" value="{{ $key }}-p{{ substr(sha1("{$payer->name} {$payer->bank_account}"), 0, 12) }}">
                                    <input type="hidden" name="name" value="{{ $payer->name }}">
                                    <input type="hidden" name="account" value="{{ $payer->bank_account }}">
                                    <button class="slate underline cursor-pointer" aria-label="Forget {{ $payer->name }}">forget</button>
                                </form>
                            @endif
                        </td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="3">{{ $noPayer }}</td>
                    </tr>
                @endforelse
                <x-more-rows :from="$payers->next" :total="$payers->count" />
            @endfragment
        </tbody>
    </table>
    @if (!$payers->isEmpty)
        <x-table-foot name="payers" />
    @endif
</div>
