@php
    $writes = Auth::user()->role->mayWrite();
    $say = fn(string $field) => $field === 'iban' ? 'IBAN' : ucfirst(str_replace('_', ' ', $field));
    $shown = array_slice(array_keys($fields), 0, 5);
    $at = fn(string $row) => route('list', ['list' => $kind->value, 'row' => $row]);
@endphp
<x-layout title="{{ $say($kind->value) }}" class="halves even">
    <div class="pane" x-data="grid">
        @include('settings.places', ['here' => $kind->value])
        <h1 class="mt-2">{{ $say($kind->value) }}</h1>
        @if ($proposed !== [] && $writes)
            <div class="note">
                <p>Roles say what an account is used for. The names speak for these:
                    @foreach ($proposed as $account => $role)
                        <b>{{ $account }}</b> {{ str_replace('_', ' ', $role->value) }}{{ $loop->last ? '.' : ',' }}
                    @endforeach
                </p>
                <form method="post" action="{{ route('list.roles') }}" class="mt-2">@csrf
                    <input type="hidden" name="key" value="{{ $key }}-roles">
                    <button class="button" data-hotkey="r">Take {{ count($proposed) === 1 ? 'this role' : 'these ' . count($proposed) . ' roles' }}
                        <kbd>R</kbd></button>
                </form>
            </div>
        @endif
        <div class="flex items-center gap-4"><x-filter />
            @if ($writes)
                <a class="button py-0.5!" href="{{ $at('') }}" data-hotkey="c">Another <kbd>C</kbd></a>
            @endif
        </div>
        <table class="grid-table mt-2" data-list @if ($window->isPart) data-window @endif>
            <thead>
                <tr>
                    @foreach ($shown as $field)
                        <th scope="col" data-order="{{ $field === $rowKey ? 'key' : $field }}">
                            <button type="button">{{ $say($field) }}</button>
                        </th>
                    @endforeach
                </tr>
            </thead>
            <tbody id="list-rows">
                @fragment('rows')
                    @forelse ($window->rows as $of)
                        <tr @class(['current' => $row !== null && $row[$rowKey] === $of[$rowKey]])>
                            @foreach ($shown as $field)
                                <td>
                                    @if ($field === $rowKey)
                                        <a href="{{ $at($of[$field]) }}" hx-get="{{ $at($of[$field]) }}" hx-target="#worktop" hx-swap="outerHTML"
                                            hx-push-url="true">{{ $of[$field] }}</a>
                                    @else
                                        {{ str_replace('_', ' ', $of[$field]) }}
                                    @endif
                                </td>
                            @endforeach
                        </tr>
                    @empty
                        <tr>
                            <td colspan="{{ count($shown) }}">None yet.</td>
                        </tr>
                    @endforelse
                    <x-more-rows :from="$window->next" :total="$window->count" />
                @endfragment
            </tbody>
        </table>
        <x-table-foot name="{{ $kind->value }}" />
    </div>
    @fragment('worktop')
        <aside class="pane worktop" id="worktop" aria-label="{{ $row === null ? 'Another' : $row[$rowKey] }}">
            @include('lists.row')
        </aside>
    @endfragment
</x-layout>
