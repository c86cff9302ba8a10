import Alpine from '@alpinejs/csp';
import htmx from 'htmx.org';
import { warnBeforeTheEnd } from './away';
import { grid } from './grid';
import { listenForKeys } from './keys';
import { keepPlaces } from './panes';

window.htmx = htmx;
htmx.config.allowEval = false;
htmx.config.includeIndicatorStyles = false;
htmx.config.scrollBehavior = 'instant';
// What is on the screen works at once: with a delay, a key pressed just after a page came would be lost.
htmx.config.defaultSettleDelay = 0;
// A refusal of the server is a page like any other: show it.
htmx.config.responseHandling = [
    { code: '204', swap: false },
    { code: '...', swap: true },
];

// What answers a page that is gone meanwhile is dropped. The answer's own events no longer reach the document, so its target listens.
document.addEventListener('htmx:beforeRequest', ({ detail }) => {
    detail.target.addEventListener(
        'htmx:beforeSwap',
        (answer) => {
            answer.detail.shouldSwap &&= detail.target.isConnected;
        },
        { once: true },
    );
});

Alpine.data('grid', grid);
Alpine.start();
document.addEventListener('DOMContentLoaded', () => {
    listenForKeys(htmx);
    keepPlaces();
    warnBeforeTheEnd();
});
