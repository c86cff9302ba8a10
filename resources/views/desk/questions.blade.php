@use('App\Http\NoteSubject')
@use('App\Http\Say')
@if ($questions !== [])
    <h2>Questions</h2>
    <table class="grid-table">
        <tbody>
            @foreach ($questions as $question)
                <tr>
                    <td><a href="{{ NoteSubject::page($question->subject) }}">{{ $question->text }}</a></td>
                    <td>{{ $question->to_whom }}</td>
                    <td class="nowrap">by {{ Say::day($question->by_day) }}
                        @if ($question->by_day < $today)
                            <span class="tag ochre">late</span>
                        @endif
                    </td>
                    <td class="slate">{{ $question->who }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
@endif
