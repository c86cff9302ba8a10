@props(['item', 'lines', 'meant'])
@foreach ($lines as $of)
    <tr>
        <td colspan="5" class="pl-7!">
            <label class="inline-flex gap-2 items-center">
                <input type="checkbox" name="lines[{{ $item->id }}][{{ $of->line }}]" value="1" @checked(in_array((string) $of->line, $meant, true))
                    @disabled($of->left->isZero())>only line {{ $of->line }}, {{ $of->description }},
                {{ $of->left->isZero() ? 'paid' : $of->left->grouped() . ' left' }}</label>
        </td>
    </tr>
@endforeach
