@use('App\Http\Say')
<x-layout title="Books" class="halves">
    <div class="pane" x-data="grid">
        @include('settings.places', ['here' => 'shelf'])
        <h1>Books</h1>
        <p class="lead">The books that you may open, and how each close stands. <kbd>Enter</kbd> opens a row, with the role that you have there.</p>
        <x-filter />
        <table class="grid-table mt-2" data-list>
            <thead>
                <tr>
                    <th scope="col"><button type="button">Firm</button></th>
                    <th scope="col"><button type="button">Period</button></th>
                    <th scope="col" class="n"><button type="button">Difference</button></th>
                    <th scope="col" class="n"><button type="button">To approve</button></th>
                    <th scope="col"><button type="button">Your role</button></th>
                </tr>
            </thead>
            <tbody>
                @foreach ($all as $books)
                    <tr @class(['current' => $books->isHere])>
                        <td>
                            @if ($books->isHere)
                                <a href="{{ route('desk') }}">{{ $books->name }}</a> <span class="tag">open here</span>
                            @elseif ($books->close === null)
                                {{ $books->name }}
                            @else
                                <a href="{{ route('shelf.open', $books->slug) }}" hx-boost="false">{{ $books->name }}</a>
                            @endif
                        </td>
                        @if ($books->close === null)
                            <td colspan="4" class="bad">{{ $books->problem }}</td>
                        @else
                            <td class="nowrap">{{ Say::period($books->close->period) }}, {{ $books->close->isLocked ? 'locked' : 'open' }}</td>
                            @if ($books->close->figures === null)
                                <td class="n soft">no accounts yet</td>
                            @else
                                <td @class(['n', 'off' => !$books->close->figures->difference->isZero()])>
                                    {{ Say::balance($books->close->figures->difference) }} {{ $books->close->figures->difference->currency->code }}</td>
                            @endif
                            <td class="n">{{ $books->close->toApprove ?: '' }}</td>
                            <td>{{ $books->close->role }}</td>
                        @endif
                    </tr>
                @endforeach
            </tbody>
        </table>
        <x-table-foot name="books" />
    </div>
    <aside class="pane worktop" id="worktop" aria-label="Further books">
        <h2 class="title">Further books</h2>
        @if ($isDemo)
            <p class="soft">These are the books of the demo, which stand by themselves. Books of your own begin with
                <code>./ajuste serve</code>; further ones are then added here.</p>
        @elseif (!Auth::user()->administers)
            <p class="soft">Who looks after the people of these books can add further ones: another company of a group, another client.</p>
        @else
            <p class="lead">Another company of a group, another client: in a file of its own beside these, and opened with the same password. You are the
                first who may open them, and invite the others there.</p>
            <form method="post" action="{{ route('shelf.add') }}" class="grid gap-3" hx-boost="false">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <label class="grid">Firm <input type="text" name="books_name" value="{{ old('books_name') }}" required class="w-72" data-hotkey="e"></label>
                <label class="grid">Currency of the books <input type="text" name="base_currency" value="{{ old('base_currency', 'EUR') }}" required
                        maxlength="3" class="w-24"></label>
                <label class="grid">Period to close <input type="text" name="period" value="{{ old('period', $period) }}" required class="w-32"
                        placeholder="2026-10"></label>
                <span><button class="button main" data-main>Make these books <kbd>Ctrl ↵</kbd></button></span>
            </form>
        @endif
    </aside>
</x-layout>
