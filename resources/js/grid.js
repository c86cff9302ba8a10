import htmx from 'htmx.org';
import { Block } from './block.js';

/** A table as a spreadsheet's neighbour: sort, filter by typing, choose rows, see their count and sum, copy them. */

/** Exact: amounts come as whole minor units and are added as such. */
function grouped(minor, decimals) {
    const digits = (minor < 0n ? -minor : minor).toString().padStart(decimals + 1, '0');
    const whole = digits.slice(0, digits.length - decimals).replace(/\B(?=(\d{3})+$)/g, ',');
    return (minor < 0n ? '−' : '') + whole + (decimals ? '.' + digits.slice(-decimals) : '');
}

/** Where rows have a box to tick, a row is chosen by it; the page then works out what is ticked. */
const boxOf = (row) => row.querySelector('input[type=checkbox][id^="tick-"]');
const isChosen = (row) => boxOf(row)?.checked ?? row.getAttribute('aria-selected') === 'true';

function choose(row, on) {
    const box = boxOf(row);
    if (box) {
        box.checked = on;
    } else if (on) {
        row.setAttribute('aria-selected', 'true');
    } else {
        row.removeAttribute('aria-selected');
    }
}

/** Letters without their accents, so that one finds what the keyboard at hand cannot type. */
const plain = (text) =>
    text
        .normalize('NFD')
        .replace(/\p{M}/gu, '')
        .toLowerCase();

/** What a person chose for a list, on this machine: columns that are left out, and the order. Without storage nothing is remembered. */
const memory = {
    key: (root) => {
        const list = root.querySelector('input[name=name]')?.value;
        return list && `list ${document.body.dataset.person} ${list}`;
    },
    read(root) {
        try {
            return JSON.parse(localStorage.getItem(this.key(root)) ?? '{}');
        } catch {
            return {};
        }
    },
    keep(root, what) {
        try {
            localStorage.setItem(this.key(root), JSON.stringify({ ...this.read(root), ...what }));
        } catch {
            // the list is as it was, and works
        }
    },
};

export function grid() {
    return {
        chosen: 0,
        sum: '',
        sums: [],
        shown: '',
        anchor: null,

        init() {
            this.table = this.$root.querySelector('table');
            this.readRows();
            // Each row that came says so by itself; one look at all of them is enough.
            this.table.addEventListener('htmx:afterSettle', () => {
                clearTimeout(this.came);
                this.came = setTimeout(() => this.moreCame());
            });
            // Before any key: rows that came in the place of others are filtered as those were.
            this.table.addEventListener('htmx:afterSwap', () => this.moreCame());
            this.block = new Block(this.table, () => this.visible(), (words) => (this.shown = words));
            this.table.addEventListener('click', (event) => this.click(event));
            for (const [place, heading] of [...this.table.tHead.rows[0].cells].entries()) {
                heading.querySelector('button')?.addEventListener('click', () => this.sortBy(place, heading));
            }
            this.remember();
            this.offerColumns();
            this.$root.addEventListener('grid:all', () => this.all());
            this.$root.addEventListener('grid:none', () => this.none());
            this.$root.addEventListener('grid:copy', () => this.copy());
            this.$root.addEventListener('grid:toggle', (event) => this.toggle(event.target.closest('tr')));
        },

        /** The order that was chosen last; columns are left out by offerColumns(). */
        remember() {
            const { by, ascending } = memory.read(this.$root);
            const place = [...this.table.tHead.rows[0].cells].findIndex((cell) => cell.textContent.trim() === by);
            const heading = this.table.tHead.rows[0].cells[place];
            if (heading && this.table.dataset.window !== undefined && new URLSearchParams(location.search).has(this.parameter('order'))) {
                heading.setAttribute('aria-sort', ascending ? 'ascending' : 'descending');
            } else if (heading) {
                this.sort(place, heading, ascending);
            }
            const typed = this.$root.querySelector('[data-filter]');
            if (typed?.value && this.table.dataset.window === undefined) {
                this.filter({ target: typed });
            }
        },

        readRows() {
            const all = [...this.table.tBodies[0].rows];
            const withAmounts = all.filter((row) => row.dataset.minor !== undefined);
            const columns = this.table.tHead.rows[0].cells.length;
            // A list without amounts has rows all the same; what spans it is a word about it.
            this.rows = withAmounts.length ? withAmounts : all.filter((row) => row.cells.length === columns);
        },

        moreCame() {
            this.readRows();
            // Who asked for more by key goes on where it begins.
            if (this.lastHere && document.activeElement === document.body) {
                this.lastHere.nextElementSibling?.querySelector('a')?.focus();
            }
            this.lastHere = null;
            this.offerColumns();
            this.count();
            const typed = this.$root.querySelector('[data-filter]');
            const more = this.table.querySelector('[data-more]');
            if (this.table.dataset.window !== undefined) {
                this.shown = `${this.rows.length} of ${more?.dataset.more ?? this.rows.length} shown`;
            } else if (typed?.value) {
                this.narrow(typed.value);
            }
        },

        visible() {
            return this.rows.filter((row) => !row.hidden);
        },

        /** What a row is made of, under it; once more, and it is gone. */
        async open(button) {
            const row = button.closest('tr');
            const isOpen = button.getAttribute('aria-expanded') === 'true';
            button.setAttribute('aria-expanded', String(!isOpen));
            if (isOpen) {
                this.under(row).forEach((under) => under.remove());
            } else {
                await htmx.ajax('GET', button.dataset.opens, { target: row, swap: 'afterend' });
            }
        },

        /** The rows that stand under a row and are of it. */
        under(row) {
            const rows = [];
            for (let next = row.nextElementSibling; next?.dataset.of !== undefined; next = next.nextElementSibling) {
                rows.push(next);
            }
            return rows;
        },

        click(event) {
            const opens = event.target.closest('[data-opens]');
            if (opens) {
                this.open(opens);
                return;
            }
            const row = event.target.closest('tr');
            if (event.target.closest('[data-more]')) {
                this.lastHere = row.previousElementSibling;
            }
            if (!this.rows.includes(row) || event.target.closest('a, button, input, select, label, details')) {
                return;
            }
            if (event.shiftKey && this.anchor) {
                const rows = this.visible();
                const [from, to] = [rows.indexOf(this.anchor), rows.indexOf(row)].sort((a, b) => a - b);
                rows.slice(from, to + 1).forEach((between) => choose(between, true));
                this.count();
                return;
            }
            if (!event.ctrlKey && !event.metaKey && !boxOf(row)) {
                const only = isChosen(row) && this.chosen === 1;
                this.rows.forEach((other) => choose(other, false));
                if (only) {
                    this.count();
                    return;
                }
            }
            this.anchor = row;
            this.toggle(row);
        },

        toggle(row) {
            choose(row, !isChosen(row));
            this.count();
        },

        async all() {
            await this.whole();
            this.rows.forEach((row) => choose(row, false));
            this.visible().forEach((row) => choose(row, true));
            this.count();
        },

        none() {
            this.rows.forEach((row) => choose(row, false));
            this.count();
        },

        count() {
            const chosen = this.rows.filter(isChosen);
            if (this.rows.some(boxOf)) {
                this.table.dispatchEvent(new Event('change', { bubbles: true }));
            }
            this.chosen = chosen.length;
            this.sums = this.columnSums(chosen);
            this.sum =
                chosen.length === 0 || chosen.every((row) => row.dataset.minor === undefined)
                    ? ''
                    : grouped(
                          chosen.reduce((sum, row) => sum + BigInt(row.dataset.minor ?? 0), 0n),
                          Number(this.table.dataset.decimals ?? 2),
                      );
        },

        /** Of what is chosen, else of what the filter leaves, each column that adds up. */
        columnSums(chosen) {
            const rows = chosen.length ? chosen : this.visible();
            if (chosen.length === 0 && rows.length === this.rows.length) {
                return [];
            }
            const decimals = Number(this.table.dataset.decimals ?? 2);
            return [...this.table.tHead.rows[0].cells].flatMap((heading, place) => {
                if (heading.dataset.sum === undefined || heading.hidden) {
                    return [];
                }
                const sum = rows.reduce((all, row) => all + BigInt(row.cells[place]?.dataset.sort || 0), 0n);
                return [`${heading.textContent.trim()} ${grouped(sum, decimals)}`];
            });
        },

        filter(event) {
            if (this.table.dataset.window !== undefined) {
                this.ask({ words: event.target.value.trim() });
            } else {
                this.withAll(() => this.narrow(event.target.value));
            }
        },

        /** What is done to the rows that happen to be here would say less than there is. */
        withAll(does) {
            this.table.querySelector('[data-more]') ? this.whole().then(does) : does();
        },

        narrow(typed) {
            const wanted = plain(typed).split(/\s+/).filter(Boolean);
            this.rows.forEach((row) => {
                const text = plain(row.textContent);
                row.hidden = !wanted.every((word) => text.includes(word));
                this.under(row).forEach((under) => (under.hidden = row.hidden));
            });
            const visible = this.visible().length;
            this.shown = visible === this.rows.length ? '' : `${visible} of ${this.rows.length} shown`;
            this.count();
        },

        /** How the address says something of the list: where a page has several, with the name of the list before it. */
        parameter(what) {
            return this.table.dataset.window ? `${this.table.dataset.window}-${what}` : what;
        },

        /** A list of which the page has only a part is filtered and sorted where it is whole; the address keeps how. */
        ask(how) {
            const address = new URL(location.href);
            for (const [what, value] of Object.entries(how)) {
                value === '' ? address.searchParams.delete(this.parameter(what)) : address.searchParams.set(this.parameter(what), value);
            }
            address.searchParams.delete(this.parameter('from'));
            history.replaceState(history.state, '', address);
            clearTimeout(this.asked);
            const mine = (this.asked = setTimeout(async () => {
                // One after the other: of a second request that waits for the first htmx says at once that it is done.
                await this.coming;
                if (mine !== this.asked) {
                    return;
                }
                this.coming = htmx.ajax('GET', address.pathname + address.search, { target: this.table.tBodies[0] }).catch(() => {});
                await this.coming;
                if (mine === this.asked) {
                    delete this.table.dataset.asked;
                    document.dispatchEvent(new Event('rows-came'));
                }
            }, 250));
            this.table.dataset.asked = '';
        },

        /** The rows that are not here yet, asked for at once, and once. */
        async whole() {
            const link = this.table.querySelector('[data-more]');
            if (link && !this.rest) {
                const rest = { target: link.closest('tr'), swap: 'outerHTML' };
                this.rest = htmx.ajax('GET', `${link.href}&${this.parameter('all')}=1`, rest).finally(() => {
                    this.rest = null;
                    this.moreCame();
                });
            }
            await this.rest;
        },

        sortBy(place, heading) {
            const ascending = heading.getAttribute('aria-sort') !== 'ascending';
            memory.keep(this.$root, { by: heading.textContent.trim(), ascending });
            this.sort(place, heading, ascending);
        },

        sort(place, heading, ascending) {
            [...this.table.tHead.rows[0].cells].forEach((cell) => cell.removeAttribute('aria-sort'));
            heading.setAttribute('aria-sort', ascending ? 'ascending' : 'descending');
            if (this.table.dataset.window !== undefined) {
                this.ask({ order: heading.dataset.order ?? '', descending: !ascending && heading.dataset.order ? '1' : '' });
            } else {
                this.withAll(() => this.arrange(place, ascending));
            }
        },

        arrange(place, ascending) {
            const key = (row) => row.cells[place]?.dataset.sort ?? row.cells[place]?.textContent.trim() ?? '';
            const numeric = this.rows.every((row) => /^-?\d*$/.test(key(row)));
            const compare = numeric ? (a, b) => Number(key(a)) - Number(key(b)) : (a, b) => key(a).localeCompare(key(b));
            this.rows.sort((a, b) => (ascending ? compare(a, b) : compare(b, a)));
            this.rows.map((row) => [row, ...this.under(row)]).forEach((together) => together[0].parentNode.append(...together));
        },

        /** What is shown, or of it what is chosen, headings first. */
        lines() {
            const chosen = this.rows.filter(isChosen);
            const cells = (row) =>
                [...row.cells]
                    .filter((cell) => !cell.dataset.skip && !cell.hidden)
                    .map((cell) => (cell.dataset.copy ?? cell.textContent).trim().replace(/\s+/g, ' '));
            return [this.table.tHead.rows[0], ...(chosen.length ? chosen : this.visible())].map(cells);
        },

        async copy() {
            if (this.block.isOne) {
                await navigator.clipboard.writeText(this.block.lines().map((cells) => cells.join('\t')).join('\n'));
                this.shown += ' copied';
                return;
            }
            await this.whole();
            const lines = this.lines();
            await navigator.clipboard.writeText(lines.map((cells) => cells.join('\t')).join('\n'));
            this.shown = `${lines.length - 1} rows copied`;
        },

        /** Gives the form of an export what is shown. */
        async fill(event) {
            const form = event.target;
            event.preventDefault();
            await this.whole();
            form.elements.rows.value = JSON.stringify(this.lines());
            form.submit();
        },

        /** A box for each column. Made anew each time, since a page that one goes back to brings those of before along. */
        offerColumns() {
            const headings = [...this.table.tHead.rows[0].cells];
            const rows = [...this.table.tHead.rows, ...this.table.tBodies[0].rows, ...(this.table.tFoot?.rows ?? [])].filter(
                (row) => row.cells.length === headings.length,
            );
            const left = memory.read(this.$root).left ?? [];
            const show = (place, on) => rows.forEach((row) => (row.cells[place].hidden = !on));
            const boxes = headings.map((heading, place) => {
                const name = heading.textContent.trim();
                show(place, !left.includes(name));
                const label = document.createElement('label');
                const box = Object.assign(document.createElement('input'), { type: 'checkbox', checked: !heading.hidden });
                box.addEventListener('change', () => {
                    show(place, box.checked);
                    memory.keep(this.$root, { left: headings.filter((one) => one.hidden).map((one) => one.textContent.trim()) });
                });
                label.className = 'flex gap-2';
                label.append(box, name);
                return label;
            });
            this.$refs.columns?.replaceChildren(...boxes);
        },
    };
}
