@if ($footer !== [])
    <div class="foot">
        @foreach ($footer as $line)
            {{ $line }}<br>
        @endforeach
    </div>
@endif
