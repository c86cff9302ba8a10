import { defineConfig } from '@playwright/test';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

// The first evaluation chooses; workers inherit the environment.
process.env.AJUSTE_TEST_PORT ??= String(20000 + (process.pid % 20000));
process.env.AJUSTE_TEST_FOLDER ??= mkdtempSync(join(tmpdir(), 'ajuste-browser-'));
const port = process.env.AJUSTE_TEST_PORT;
const books = join(process.env.AJUSTE_TEST_FOLDER, 'books.sqlite');
process.env.AJUSTE_BOOKS = books;

export default defineConfig({
    testDir: 'tests/Browser',
    workers: 1, // the stories post into the same books, one after the other
    fullyParallel: false,
    forbidOnly: true,
    retries: 0,
    timeout: 120_000,
    expect: { timeout: 15_000 }, // a busy machine is slow, not wrong
    reporter: [['list']],
    use: {
        baseURL: `http://127.0.0.1:${port}`,
        viewport: { width: 1280, height: 800 },
        permissions: ['clipboard-read', 'clipboard-write'],
        launchOptions: {
            executablePath: '/usr/bin/chromium',
            args: [
                '--no-sandbox',
                '--disable-gpu',
                '--disable-quic',
                '--disable-background-networking',
                '--disable-component-update',
                '--disable-sync',
                '--no-first-run',
            ],
        },
    },
    webServer: {
        command: `./ajuste demo --fresh --port=${port}`,
        env: { AJUSTE_BOOKS: books },
        url: `http://127.0.0.1:${port}/sign-in`,
        timeout: 180_000,
    },
});
