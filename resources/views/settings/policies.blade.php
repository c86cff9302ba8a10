@use('Ajuste\Core\Exchange\Setting')
@use('App\Http\Say')
<x-layout title="Policies" class="halves">
    <div class="pane" x-data="grid">
        @include('settings.places', ['here' => 'policies'])
        <h1>Policies of the books</h1>
        <x-filter />
        <table class="grid-table mt-2" data-list>
            <thead>
                <tr>
                    <th scope="col"><button type="button">Station</button></th>
                    <th scope="col"><button type="button">Policy</button></th>
                    <th scope="col"><button type="button">In {{ $closing->name }}</button></th>
                    <th scope="col"><button type="button">What it does</button></th>
                </tr>
            </thead>
            <tbody>
                @foreach ($policies as $station => $of)
                    @foreach ($of as $policy)
                        <tr @class(['current' => $policy->name === $chosen?->name])>
                            <td class="slate">{{ $station }}</td>
                            <td class="nowrap"><a href="{{ route('policies', ['of' => $policy->name]) }}">{{ $policy->title() }}</a></td>
                            <td class="font-semibold">{{ $policy->says($policy->value) }}</td>
                            <td class="soft">{{ $policy->does }}</td>
                        </tr>
                    @endforeach
                @endforeach
            </tbody>
        </table>
        <x-table-foot name="policies" />
    </div>
    <aside class="pane worktop" id="worktop" aria-label="The chosen policy">
        @if ($chosen === null)
            <p class="soft">Choose a policy to change it, or to see what it was.</p>
        @else
            <h2 class="title">{{ $chosen->title() }}</h2>
            <p class="lead">{{ ucfirst($chosen->does) }}.</p>
            @if (Auth::user()->role->mayWrite())
                <form method="post" action="{{ route('policies.post') }}" class="grid gap-3" enctype="multipart/form-data">@csrf
                    <input type="hidden" name="key" value="{{ $key }}">
                    <input type="hidden" name="of" value="{{ $chosen->setting->value }}">
                    @if ($mayBeFor)
                        <label class="grid">For one currency, run or way of payment only <input type="text" name="for" value="{{ old('for', $chosen->for) }}" class="w-40"
                                placeholder="all"></label>
                    @endif
                    @if ($chosen->setting === Setting::PaperLogo)
                        <label class="grid">Picture, PNG or JPEG up to 512 KB; none takes it off
                            <input type="file" name="logo" accept="image/png,image/jpeg" data-hotkey="e"></label>
                    @else
                        <label class="grid">It shall be <input type="text" name="value" value="{{ old('value', $chosen->value) }}"
                                class="{{ in_array($chosen->setting, [Setting::FirmAddress, Setting::PaperFooter], true) ? 'w-full' : 'w-72' }}"
                                data-hotkey="e"></label>
                    @endif
                    <label class="grid">From the day <x-day name="from" :value="old('from', $closing->first)" class="w-40" /></label>
                    <label class="grid">Because <input type="text" name="reason" value="{{ old('reason') }}" required class="w-full"></label>
                    <span><button class="button main" data-main>Change it <kbd>Ctrl ↵</kbd></button></span>
                </form>
            @endif
            <h2>Versions</h2>
            <table class="grid-table">
                <thead>
                    <tr>
                        <th scope="col">Value</th>
                        <th scope="col">Holds from</th>
                        <th scope="col">Said</th>
                        <th scope="col">By and why</th>
                    </tr>
                </thead>
                <tbody>
                    @forelse ($chosen->versions as $version)
                        <tr>
                            <td class="font-semibold">{{ $chosen->says($version->value) }}</td>
                            <td class="nowrap">{{ $version->from_day === '' ? 'the beginning' : $version->from_day }}
                                {{ $version->from_day > $closing->last ? '(not yet)' : '' }}</td>
                            <td class="nowrap">{{ Say::moment($version->recorded_at) }}</td>
                            <td class="soft">{{ $version->who }}{{ $version->reason === '' ? '' : ": {$version->reason}" }}</td>
                        </tr>
                    @empty
                        <tr>
                            <td colspan="4">Never said: {{ $chosen->says($chosen->value) }} is what holds without being said.</td>
                        </tr>
                    @endforelse
                </tbody>
            </table>
        @endif
    </aside>
</x-layout>
