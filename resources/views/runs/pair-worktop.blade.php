<aside class="pane worktop" id="worktop" aria-label="The chosen pair">
    @include('runs.pair')
</aside>
