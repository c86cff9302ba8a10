/** A block of a table's cells, chosen by dragging over them or with Shift and the arrows, to be copied as it stands. */

const IN = 'in-block';
const STEPS = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] };

const columnsOf = (row) => [...row.cells].filter((cell) => !cell.hidden && !cell.dataset.skip);
const textOf = (cell) => (cell.dataset.copy ?? cell.textContent).trim().replace(/\s+/g, ' ');

export class Block {
    /** @param rows gives the rows that are shown; @param say takes what is to be said of the block */
    constructor(table, rows, say) {
        Object.assign(this, { table, rows, say, from: null, to: null });
        let pressed = null;
        let dragged = false;
        table.addEventListener('mousedown', (event) => {
            pressed = event.button === 0 && !event.target.closest('button, input, select, label') ? event.target.closest('td') : null;
            dragged = false;
        });
        table.addEventListener('mouseover', (event) => {
            const cell = event.target.closest('td');
            if (pressed && event.buttons === 1 && cell && cell !== pressed) {
                dragged = true;
                getSelection().removeAllRanges();
                this.mark(this.placeOf(pressed), this.placeOf(cell));
            }
        });
        // A link is pulled along by the browser otherwise.
        table.addEventListener('dragstart', (event) => pressed && event.preventDefault());
        // The click that ends a drag chooses no row; any other ends the block.
        table.addEventListener(
            'click',
            (event) => {
                if (dragged) {
                    event.stopImmediatePropagation();
                    event.preventDefault();
                    dragged = false;
                } else {
                    this.clear();
                }
                pressed = null;
            },
            true,
        );
        table.addEventListener('keydown', (event) => this.key(event));
    }

    get isOne() {
        return this.from !== null;
    }

    placeOf(cell) {
        const place = [this.rows().indexOf(cell?.closest('tr')), cell ? columnsOf(cell.closest('tr')).indexOf(cell) : -1];
        return place.includes(-1) ? null : place;
    }

    /** Shift and an arrow stretch the block from where one is, Ctrl and an arrow move its beginning. */
    key(event) {
        const step = STEPS[event.key];
        if (event.key === 'Escape') {
            this.clear();
        }
        if (!step || !(event.shiftKey || event.ctrlKey) || event.altKey || event.target.closest('input, select, textarea')) {
            return;
        }
        const start = this.from ?? this.placeOf(event.target.closest('td'));
        if (!start) {
            return;
        }
        event.preventDefault();
        const rows = this.rows();
        const within = (place, most) => Math.max(0, Math.min(most, place));
        const moved = ([row, column]) => [
            within(row + step[0], rows.length - 1),
            within(column + step[1], columnsOf(rows[row]).length - 1),
        ];
        if (event.shiftKey) {
            this.mark(start, moved(this.to ?? start));
        } else {
            this.mark(moved(start), moved(start));
        }
    }

    mark(from, to) {
        if (!from || !to) {
            return;
        }
        this.clear();
        [this.from, this.to] = [from, to];
        const cells = this.cells();
        cells.flat().forEach((cell) => cell.classList.add(IN));
        this.say(`${cells.length} × ${cells[0].length} cells`);
        cells[to[0] > from[0] ? cells.length - 1 : 0][0].scrollIntoView({ block: 'nearest' });
    }

    clear() {
        this.table.querySelectorAll(`.${IN}`).forEach((cell) => cell.classList.remove(IN));
        if (this.from) {
            this.say('');
        }
        [this.from, this.to] = [null, null];
    }

    cells() {
        const [top, bottom] = [this.from[0], this.to[0]].sort((a, b) => a - b);
        const [left, right] = [this.from[1], this.to[1]].sort((a, b) => a - b);
        return this.rows()
            .slice(top, bottom + 1)
            .map((row) => columnsOf(row).slice(left, right + 1));
    }

    lines() {
        return this.cells().map((row) => row.map(textOf));
    }
}
