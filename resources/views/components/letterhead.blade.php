{{-- Whose paper it is, as it holds on the paper's day. --}}
<div class="letterhead">
    @if ($logo !== '')
        <img src="{{ $logo }}" alt=""><br>
    @endif
    <span class="soft">{{ $firm }}
        @foreach ($address as $line)
            <br>{{ $line }}
        @endforeach
    </span>
</div>
