@props(['files', 'base'])
@php
    use Ajuste\Core\Money\Money;
    $money = fn(?int $minor) => $minor === null ? '' : Money::ofMinor($minor, $base)->grouped();
@endphp
<table class="grid-table" data-list>
    <thead>
        <tr>
            <th scope="col">File</th>
            <th scope="col" class="n">Rows</th>
            <th scope="col" class="n">New</th>
            <th scope="col" class="n">Same</th>
            <th scope="col" class="n">Changed</th>
            <th scope="col" class="n">Confirmed</th>
            <th scope="col" class="n">Vanished</th>
            <th scope="col" class="n">Refused</th>
            <th scope="col" class="n">Debits, file and books</th>
            <th scope="col" class="n">Credits, file and books</th>
        </tr>
    </thead>
    <tbody>
        @foreach ($files as $file)
            <tr>
                <td>
                    @isset($file['link'])
                        <a href="{{ $file['link'] }}" hx-boost="false">{{ $file['name'] }}</a>
                    @else
                        {{ $file['name'] }}
                    @endisset
                    @php
                        $some = fn(array $names, int $of) => implode(', ', array_slice($names, 0, 8)) . ($of > 8 ? ' …' : '');
                        $notices = [
                            ...$file['notices'],
                            ...($file['late'] ?? 0) === 0
                                ? []
                                : [App\Http\Say::count($file['late'], 'row') . ' dated in a locked period: kept as late news, not in effect'],
                            ...$file['unused'] === [] ? [] : ['Kept, not used: ' . implode(', ', $file['unused'])],
                            ...$file['changedNames'] === [] ? [] : ['Changed: ' . $some($file['changedNames'], $file['changed'])],
                            ...$file['vanishedNames'] === [] ? [] : ['Not in the file: ' . $some($file['vanishedNames'], $file['vanished'])],
                        ];
                    @endphp
                    @foreach ($notices as $says)
                        <br><span class="slate">{{ $says }}</span>
                    @endforeach
                </td>
                @foreach (['rows', 'new', 'same', 'changed', 'confirms', 'vanished'] as $count)
                    <td class="n">{{ number_format($file[$count]) }}</td>
                @endforeach
                <td class="n {{ $file['refused'] > 0 ? 'text-madder font-semibold' : '' }}">{{ number_format($file['refused']) }}</td>
                @foreach (['debits' => 'bookDebits', 'credits' => 'bookCredits'] as $mine => $books)
                    <td class="n">
                        @if ($file[$books] !== null)
                            {{ $money($file[$mine]) }}
                            <br><span class="{{ $file[$mine] === $file[$books] ? 'slate' : 'text-madder' }}">{{ $money($file[$books]) }}</span>
                        @endif
                    </td>
                @endforeach
            </tr>
        @endforeach
    </tbody>
</table>
