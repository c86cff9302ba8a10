@use('App\Http\Say')
<h2>On days away</h2>
@foreach ($deputies as $of)
    <form method="post" action="{{ route('me.deputy.end', $of->id) }}" class="flex gap-3 items-baseline">@csrf
        <input type="hidden" name="key" value="{{ $key }}-e{{ $of->id }}">
        <span>{{ $of->name }}, {{ Say::day($of->from_day) }} to {{ Say::day($of->to_day) }}: {{ $of->reason }}</span>
        <button class="underline cursor-pointer slate">take it back</button>
    </form>
@endforeach
<form method="post" action="{{ route('me.deputy') }}" class="flex flex-wrap gap-3 items-end mt-2">@csrf
    <input type="hidden" name="key" value="{{ $key }}-d">
    <label class="grid">Deputy <select name="deputy" required data-hotkey="b">
            <option value="">choose</option>
            @foreach ($others as $other)
                <option value="{{ $other->id }}" @selected(old('deputy') === (string) $other->id)>{{ $other->name }}</option>
            @endforeach
        </select></label>
    <label class="grid">From <x-day name="from" :value="old('from')" required /></label>
    <label class="grid">To <x-day name="to" :value="old('to')" required /></label>
    <label class="grid">Because <input type="text" name="reason" value="{{ old('reason') }}" required class="w-40"></label>
    <button class="button">Name the deputy</button>
</form>
<p class="slate mt-1">The deputy approves and signs in your place, but never what the same person asked for.</p>
