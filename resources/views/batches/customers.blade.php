@foreach ($hits as $hit)
    <option value="{{ $hit->customer }} · {{ $hit->name }}"></option>
@endforeach
