@use('Ajuste\Core\Exchange\FieldType')
@use('App\Http\Say')
<h2 class="title">{{ $row === null ? 'Another' : trim($row[$rowKey] . ' ' . ($row['name'] ?? '')) }}</h2>
@if ($writes)
    <p class="lead">Kept as a file of this one row, with who typed it. A later file that says otherwise shows it as a change before it is taken in.</p>
    <form method="post" action="{{ route('list.store', $kind->value) }}" class="grid gap-3 mt-3" id="list-row">@csrf
        <input type="hidden" name="key" value="{{ $key }}">
        @foreach ($fields as $name => $field)
            <label class="grid grid-cols-[10rem_1fr] gap-3 items-center">
                <span>{{ $say($name) }}@if (!$field->mayBeBlank)
                        <span class="slate"> needed</span>
                    @endif
                </span>
                @php $value = old("field.{$name}", $row[$name] ?? ''); @endphp
                @if ($field->type === FieldType::Choice)
                    <select name="field[{{ $name }}]">
                        @if ($field->mayBeBlank || $value === '')
                            <option value=""></option>
                        @endif
                        @foreach ($field->choices as $choice)
                            <option value="{{ $choice }}" @selected($value === $choice)>{{ str_replace('_', ' ', $choice) }}</option>
                        @endforeach
                    </select>
                @elseif ($name === $rowKey && $row !== null)
                    <input type="text" name="field[{{ $name }}]" value="{{ $row[$name] }}" readonly>
                @else
                    <input type="text" name="field[{{ $name }}]" value="{{ $value }}" maxlength="400" @required(!$field->mayBeBlank)
                        @if ($field->type === FieldType::Amount) inputmode="decimal" @endif>
                @endif
            </label>
        @endforeach
        <p><button class="button main" data-main>Keep <kbd>Ctrl ↵</kbd></button></p>
    </form>
@else
    <dl class="facts mt-3">
        @foreach ($row ?? [] as $name => $value)
            <dt>{{ $say($name) }}</dt>
            <dd>{{ $value }}</dd>
        @endforeach
    </dl>
@endif
@if ($versions !== [])
    <h2>Group and limit, by day</h2>
    <table class="grid-table">
        <thead>
            <tr>
                <th scope="col">Holds from</th>
                <th scope="col">Group</th>
                <th scope="col">Related</th>
                <th scope="col" class="n">Credit limit</th>
                <th scope="col">Said</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($versions as $version)
                <tr>
                    <td class="nowrap">{{ $version->from_day === '' ? 'the beginning' : Say::day($version->from_day) }}</td>
                    <td>{{ $version->customer_group }}</td>
                    <td>{{ $version->related ? 'yes' : 'no' }}</td>
                    <td class="n">{{ $version->limit?->grouped() }}</td>
                    <td class="soft">{{ $version->from_day === '' ? '' : Say::moment($version->recorded_at) . ', ' . $version->who }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
@endif
