/** The keys of every page. Where someone types, only Escape and Ctrl+Enter are ours. */

const typing = (target) => target.closest('input:not([type=checkbox]):not([type=radio]), textarea, select') !== null;

function rowsOfList() {
    return [...document.querySelectorAll('[data-list] tbody tr')].filter((row) => !row.hidden && row.querySelector('a'));
}

function move(step) {
    const rows = rowsOfList();
    if (rows.length === 0) {
        return;
    }
    const current = document.activeElement.closest('[data-list] tbody tr') ?? document.querySelector('[data-list] tr.current');
    const place = Math.min(rows.length - 1, Math.max(0, rows.indexOf(current) + step));
    rows[place].querySelector('a').focus();
}

/** A page may have several lists; the keys are for the one that one is in. */
const listInHand = () => document.activeElement.closest('[x-data="grid"]');

function send(name) {
    const from = listInHand() ?? document.querySelector('[x-data="grid"]');
    const target = name === 'grid:toggle' ? document.activeElement.closest('tr') : from;
    target?.dispatchEvent(new CustomEvent(name, { bubbles: true }));
}

// Asked for while the worktop of the chosen row was still on its way.
let waiting = false;

function enterWorktop() {
    (document.querySelector('#worktop input:not([type=hidden])') ?? document.querySelector('#worktop :is(button, a)'))?.focus();
}

const keys = {
    '/': () => document.getElementById('search')?.focus(),
    '?': () => document.getElementById('keys')?.showModal(),
    B: () => document.querySelector('[data-books]')?.click(),
    d: () => document.getElementById('as-of')?.focus(),
    f: () => (listInHand()?.querySelector('[data-filter]') ?? document.querySelector('[data-filter]'))?.focus(),
    j: () => move(1),
    k: () => move(-1),
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    x: () => send('grid:toggle'),
    a: () => send('grid:all'),
    n: () => send('grid:none'),
    y: () => send('grid:copy'),
    p: () => document.querySelector('[data-propose]')?.click(),
    w: () => {
        waiting = document.querySelector('[data-list] a.htmx-request') !== null;
        enterWorktop();
    },
};

// Keys for rows that are on their way act when they are there, not on those that go.
const ofRows = ['j', 'k', 'ArrowDown', 'ArrowUp', 'x', 'a', 'n', 'y', 'Enter'];
let held = [];

function act(key) {
    key === 'Enter' ? document.activeElement.click() : (hotkey(key) ?? keys[key])();
}

/** Some things of a page have a key of their own, written beside them: a link or button is clicked, a part that is folded up opens. */
function hotkey(key) {
    const target = /^[a-z]$/.test(key) ? document.querySelector(`[data-hotkey="${key}"]`) : null;
    if (target === null) {
        return null;
    }
    return () => {
        if (target.tagName === 'DETAILS') {
            target.open = true;
            target.querySelector('input:not([type=hidden]), select, textarea')?.focus();
        } else if (target.tagName === 'INPUT') {
            target.focus();
        } else {
            target.click();
        }
    };
}

export function listenForKeys(htmx) {
    document.addEventListener('keydown', (event) => {
        if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
            const main = document.querySelector('[data-main]:not(:disabled)');
            if (main) {
                event.preventDefault();
                main.click();
            }
            return;
        }
        if (event.key === 'Escape' && typing(event.target)) {
            event.preventDefault(); // a browser would empty a search field, and leave the list as it was filtered
            event.target.blur();
            return;
        }
        if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) {
            return;
        }
        if (ofRows.includes(event.key) && document.querySelector('[data-asked]')) {
            event.preventDefault();
            held.push(event.key);
            return;
        }
        const station = /^[0-9-]$/.test(event.key) ? document.querySelector(`[data-key="${event.key}"]`) : null;
        const action = station ? () => station.click() : (hotkey(event.key) ?? keys[event.key]);
        if (action) {
            event.preventDefault();
            action();
        }
    });
    document.addEventListener('rows-came', () => {
        const pressed = held;
        held = [];
        pressed.forEach(act);
    });
    document.addEventListener('click', (event) => {
        if (event.target.closest('[data-close-dialog]')) {
            event.target.closest('dialog').close();
        }
        if (event.target.closest('[data-open-keys]')) {
            document.getElementById('keys').showModal();
        }
        const all = event.target.closest('[data-tick-all], [data-tick-none]');
        if (all) {
            document
                .querySelectorAll('#worktop input[type=checkbox][id^="tick-"]')
                .forEach((box) => (box.checked = all.dataset.tickAll !== undefined));
            htmx.trigger(document.querySelector('#worktop [hx-trigger]'), 'change');
        }
        const proposal = event.target.closest('[data-propose]');
        if (proposal) {
            document.querySelectorAll('#worktop input[type=checkbox][id^="tick-"]').forEach((box) => (box.checked = false));
            document.querySelectorAll('#worktop [data-ticks]').forEach((input) => (input.value = ''));
            const { amounts, discounts } = JSON.parse(proposal.dataset.propose);
            document
                .querySelectorAll('#worktop [name^="discount["]')
                .forEach((box) => (box.checked = discounts.includes(Number(box.name.slice(9, -1)))));
            for (const [item, amount] of Object.entries(amounts)) {
                document.getElementById(`tick-${item}`).checked = true;
                document.querySelector(`[data-ticks="tick-${item}"]`).value = amount;
            }
            htmx.trigger(document.querySelector('#worktop [hx-trigger]'), 'change');
        }
        // The chosen row of a list stays marked while its worktop is fetched.
        const link = event.target.closest('[data-list] tbody a[hx-target]');
        if (link) {
            document.querySelectorAll('[data-list] tr.current').forEach((row) => row.classList.remove('current'));
            link.closest('tr').classList.add('current');
        }
    });
    // What is fetched again is fetched as the address says now, so that the chosen row stays the chosen one.
    document.addEventListener('htmx:configRequest', (event) => {
        if (event.detail.elt.dataset.asShown !== undefined) {
            new URLSearchParams(location.search).forEach((value, name) => (event.detail.parameters[name] = value));
        }
    });
    // What was found is worked on with keys; they would go on being typed into the search.
    document.addEventListener('submit', (event) => event.target.querySelector('#search')?.blur());
    // Typing an amount ticks its item.
    document.addEventListener('input', (event) => {
        const box = event.target.dataset?.ticks && document.getElementById(event.target.dataset.ticks);
        if (box) {
            box.checked = event.target.value.trim() !== '';
        }
    });
    // What the rehearsal says of each item stands beside it: what a blank amount would take, and what is left.
    document.addEventListener('htmx:afterSwap', () => {
        if (waiting) {
            waiting = false;
            enterWorktop();
        }
        const told = document.querySelectorAll('#rehearsal [data-item]');
        document.querySelectorAll('[data-ticks]').forEach((input) => (input.placeholder = ''));
        document.querySelectorAll('[id^="leaves-"]').forEach((place) => (place.textContent = '·'));
        told.forEach((item) => {
            // The receipt that is only being made has no row.
            const input = document.querySelector(`[data-ticks="tick-${item.dataset.item}"]`);
            if (input) {
                input.placeholder = item.dataset.settles;
                document.getElementById(`leaves-${item.dataset.item}`).textContent = item.dataset.leaves;
            }
        });
    });
    // A picture's parts and the rows of its table mark each other.
    for (const [type, on] of [
        ['mouseover', true],
        ['mouseout', false],
        ['focusin', true],
        ['focusout', false],
    ]) {
        document.addEventListener(type, (event) => {
            const name = event.target.closest?.('[data-part]')?.dataset.part;
            if (name) {
                document.querySelectorAll(`[data-part="${CSS.escape(name)}"]`).forEach((part) => part.classList.toggle('marked', on));
            }
        });
    }
}
