<dialog id="keys" aria-labelledby="keys-title">
    <h2 id="keys-title">Keys of this page</h2>
    <dl class="facts mt-3">
        <dt><kbd>0</kbd></dt>
        <dd>the desk</dd>
        <dt><kbd>1</kbd> … <kbd>9</kbd> <kbd>-</kbd></dt>
        <dd>the stations, in the order of the rail</dd>
        <dt><kbd>Shift</kbd> <kbd>B</kbd></dt>
        <dd>the list of books, to change to others</dd>
        <dt><kbd>J</kbd> <kbd>K</kbd> or arrows</dt>
        <dd>next and previous row; <kbd>Enter</kbd> opens it</dd>
        <dt><kbd>W</kbd></dt>
        <dd>into the worktop</dd>
        <dt><kbd>P</kbd></dt>
        <dd>take the first proposal of the worktop</dd>
        <dt><kbd>Ctrl</kbd> <kbd>Enter</kbd></dt>
        <dd>the main action of the page: post and go to the next</dd>
        <dt><kbd>F</kbd></dt>
        <dd>filter the list by typing</dd>
        <dt><kbd>X</kbd> <kbd>A</kbd> <kbd>N</kbd></dt>
        <dd>choose the row, all rows, none</dd>
        <dt>letters beside a word</dt>
        <dd>what they stand beside: <kbd>G</kbd> accept a kind, <kbd>Q</kbd> another way, <kbd>S</kbd> draft, <kbd>H</kbd> deductions</dd>
        <dt><kbd>Y</kbd></dt>
        <dd>copy the chosen rows, or all that are shown; or a block of cells: <kbd>Shift</kbd> and arrows choose it, <kbd>Ctrl</kbd> and arrows
            move where it begins, dragging does both</dd>
        <dt><kbd>D</kbd></dt>
        <dd>the as-of date</dd>
        <dt><kbd>/</kbd></dt>
        <dd>search</dd>
        <dt><kbd>Esc</kbd></dt>
        <dd>leave a field, close this</dd>
    </dl>
    <p class="mt-4">
        <button class="button" data-close-dialog>Close</button>
    </p>
</dialog>
