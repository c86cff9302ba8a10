const WARNING = 2; // minutes before the session ends

let timer;

/** Whoever does nothing for long is told before the session ends, and stays with a key. Every answer of the server begins the time anew. */
export function warnBeforeTheEnd() {
    const note = () => document.getElementById('away');
    const wait = () => {
        clearTimeout(timer);
        if (note()) {
            note().hidden = true;
            timer = setTimeout(() => {
                note().hidden = false;
                note().querySelector('button').focus();
            }, (note().dataset.minutes - WARNING) * 60_000);
        }
    };
    document.addEventListener('htmx:afterRequest', wait);
    document.addEventListener('htmx:afterSettle', wait);
    document.addEventListener('click', async (event) => {
        if (event.target.closest('#away button')) {
            const answer = await fetch(note().dataset.stay, { redirect: 'manual' });
            answer.ok ? wait() : window.location.reload();
        }
    });
    wait();
}
