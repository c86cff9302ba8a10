@use('App\Http\Say')
<x-layout title="Statements" station="aged" class="halves">
    <div class="pane" x-data="grid">
        <p><a href="{{ route('aged') }}">Aged receivables</a></p>
        <h1>Statements of {{ Say::day($asOf) }}</h1>
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}" @if ($window->isPart) data-window @endif>
            <thead>
                <tr>
                    <th scope="col" data-order="customer"><button type="button">Customer</button></th>
                    <th scope="col" data-order="address"><button type="button">Address</button></th>
                    <th scope="col" class="n" data-order="balance"><button type="button">Balance</button></th>
                    <th scope="col" class="n" data-order="overdue"><button type="button">Overdue</button></th>
                    <th scope="col" data-order="sent"><button type="button">Sent</button></th>
                </tr>
            </thead>
            <tbody id="statement-rows">
                @fragment('rows')
                    @forelse ($window->rows as $of)
                        <tr data-minor="{{ $of->total->minor }}">
                            <td><a href="{{ route('customer', $of->customerId) }}">{{ $of->title }}</a></td>
                            <td class="soft">{{ $of->email === '' ? 'none' : $of->email }}</td>
                            <td class="n" data-sort="{{ $of->total->minor }}">{{ Say::balance($of->total) }}</td>
                            <td class="n" data-sort="{{ $of->late->minor }}">{{ $of->late->isZero() ? '·' : $of->late->grouped() }}</td>
                            <td class="nowrap slate">{{ $of->sentAt === '' ? '' : Say::moment($of->sentAt) }}</td>
                        </tr>
                    @empty
                        <tr>
                            <td colspan="5">Nobody fits.</td>
                        </tr>
                    @endforelse
                    <x-more-rows :from="$window->next" :total="$window->count" />
                @endfragment
            </tbody>
        </table>
        <x-table-foot name="statements" sum-of="Balance" />
    </div>
    <aside class="pane worktop" id="worktop" aria-label="Who gets one, and sending">
        <h2 class="title">Who gets one</h2>
        <form action="{{ route('statements') }}" class="flex flex-wrap gap-3 items-end">
            <label><input type="checkbox" name="overdue" value="1" @checked(isset($asked['overdue']))> only who is overdue</label>
            <label class="grid">Balance from <input type="text" inputmode="decimal" name="least" value="{{ $asked['least'] ?? '' }}" class="w-28 text-right"
                    data-hotkey="b"></label>
            <label class="grid">Group <select name="group">
                    <option value="">all</option>
                    @foreach ($groups as $group)
                        <option @selected(($asked['group'] ?? '') === $group)>{{ $group }}</option>
                    @endforeach
                </select></label>
            <label class="grid">Movements from <x-day name="from" :value="$asked['from'] ?? ''" /></label>
            <button class="button">Show</button>
        </form>
        <p class="mt-3">Each goes to the outbox as a message with its PDF; nobody gets the same day's twice. <a hx-boost="false"
                href="{{ route('statements.print', $asked) }}">All in one file for print, PDF</a></p>
        <form id="sending" method="post" action="{{ route('statements.send', $asked) }}" class="foot">@csrf
            <input type="hidden" name="key" value="{{ bin2hex(random_bytes(16)) }}">
            <span>
                {{ Say::count($sent, 'statement') . ' sent, ' . number_format($waiting) . ' wait' }}{{ $without === 0 ? '' : ',' }}
                {{ $without === 0 ? '' : Say::count($without, 'customer') . ' without an address' }}
            </span>
            @if (Auth::user()->role->mayWrite())
                <button class="button main ml-auto" data-main @disabled($waiting === 0)>Send {{ Say::count($waiting, 'statement') }} <kbd>Ctrl ↵</kbd></button>
            @endif
        </form>
    </aside>
</x-layout>
