<x-layout title="Desk">
    <div class="pane">
        <h1>These books are empty</h1>
        <p class="lead">Hand in the files of the period. At least accounts.csv is needed, with one account in the role receivables_control.</p>
        <p><a class="button main" href="{{ route('intake') }}">To Intake</a></p>
    </div>
</x-layout>
