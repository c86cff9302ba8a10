/* The list keeps its place when one of its rows is opened and when one comes back to it; what is chosen is in sight. */
const list = () => document.querySelector('main.page > .pane:not(.worktop)');
const place = () => `list at ${location.pathname}`;

function comeBack() {
    const pane = list();
    if (!pane) {
        return;
    }
    pane.scrollTop = Number(sessionStorage.getItem(place()) ?? 0);
    pane.querySelector('tr.current')?.scrollIntoView({ block: 'nearest' });
}

export function keepPlaces() {
    comeBack();
    document.addEventListener(
        'scroll',
        ({ target }) => {
            if (target === list()) {
                sessionStorage.setItem(place(), String(target.scrollTop));
            }
        },
        { capture: true, passive: true },
    );
    document.addEventListener('htmx:afterSettle', ({ target }) => target === document.body && comeBack());
    document.addEventListener('htmx:historyRestore', comeBack);
}
