@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
    $money = fn(int $minor) => Say::balance(Money::ofMinor($minor, $base));
    $where = function ($row) use ($list) {
        $columns = array_filter([...array_combine($list->buckets->labels, $row->amounts), 'unapplied' => $row->unapplied]);
        return implode(', ', array_map(fn(string $label) => lcfirst(Say::bucket($label)), array_keys($columns)));
    };
@endphp
<h2>What moved since {{ Say::day($compared) }}</h2>
<table class="grid-table">
    <thead>
        <tr>
            <th scope="col">Document</th>
            <th scope="col">Then</th>
            <th scope="col" class="n"></th>
            <th scope="col">Now</th>
            <th scope="col" class="n"></th>
        </tr>
    </thead>
    <tbody>
        @forelse ($moved as [$id, $title, $then, $now])
            <tr>
                <td><a href="{{ route('document', $id) }}">{{ $title }}</a></td>
                <td class="soft">{{ $where($then) }}</td>
                <td class="n">{{ $then->total === 0 ? '' : $money($then->total) }}</td>
                <td class="soft">{{ $where($now) }}</td>
                <td class="n">{{ $now->total === 0 ? 'settled' : $money($now->total) }}</td>
            </tr>
        @empty
            <tr>
                <td colspan="5">Nothing moved.</td>
            </tr>
        @endforelse
    </tbody>
</table>
