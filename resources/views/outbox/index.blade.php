@php use App\Http\Say; @endphp
<x-layout title="Outbox">
    <div class="pane" x-data="grid">
        <h1>Outbox</h1>
        <p class="lead">What was sent. Each message is kept as a file; nothing leaves this machine.</p>
        <x-filter />
        <table class="grid-table mt-2" data-list>
            <thead>
                <tr>
                    <th scope="col">
                        <button type="button">Sent</button>
                    </th>
                    <th scope="col">
                        <button type="button">To</button>
                    </th>
                    <th scope="col">
                        <button type="button">Subject</button>
                    </th>
                    <th scope="col">
                        <button type="button">By</button>
                    </th>
                    <th scope="col">Message</th>
                </tr>
            </thead>
            <tbody>
                @forelse ($messages as $message)
                    <tr data-minor="0">
                        <td class="nowrap">{{ Say::moment($message->recorded_at) }}</td>
                        <td>{{ $message->recipient }}</td>
                        <td>
                            <details>
                                <summary class="cursor-pointer">{{ $message->subject }}</summary>
                                <pre class="whitespace-pre-wrap font-sans soft">{{ $message->body }}</pre>
                            </details>
                        </td>
                        <td>{{ $message->who }}</td>
                        <td><a href="{{ route('outbox.message', $message->id) }}" hx-boost="false">.eml</a></td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="5">Nothing was sent yet.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        <x-table-foot name="outbox" />
        {{ $messages->links('pager') }}
    </div>
</x-layout>
