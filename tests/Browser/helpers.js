import { expect } from '@playwright/test';
import { execFileSync, spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname } from 'node:path';

export const folder = process.env.AJUSTE_TEST_FOLDER;

/** What the command line says of the same books. */
export function ajuste(...args) {
    return JSON.parse(execFileSync('./ajuste', [...args, '--json'], { encoding: 'utf8' }));
}

const freePort = () =>
    new Promise((found) => {
        const server = createServer().listen(0, '127.0.0.1', () => {
            const { port } = server.address();
            server.close(() => found(port));
        });
    });

/** Serves other books than those of the demo, until the process group that it gives is ended. */
export async function serve(books, page) {
    mkdirSync(dirname(books), { recursive: true });
    const port = await freePort();
    const address = `http://127.0.0.1:${port}`;
    const env = { ...process.env, AJUSTE_BOOKS: books };
    const served = spawn('./ajuste', ['serve', `--port=${port}`], { detached: true, stdio: 'ignore', env });
    await expect(async () => expect((await fetch(address + page)).ok).toBe(true)).toPass({ timeout: 60_000 });
    return { served, address };
}

/** `-1234.50` as the screen writes it. */
export function grouped(decimal) {
    const [whole, fraction] = decimal.replace('-', '').split('.');
    return (decimal.startsWith('-') ? '−' : '') + whole.replace(/\B(?=(\d{3})+$)/g, ',') + (fraction ? `.${fraction}` : '');
}

export async function signIn(page, who = 'preparer', password = 'olive-press', beside = async () => {}, address = '') {
    await page.goto(`${address}/sign-in`);
    await page.getByLabel('E-mail address').fill(`${who}@example.invalid`);
    await page.getByLabel('Password').fill(password);
    await page.keyboard.press('Enter');
    await beside();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Left to do');
    // A key pressed while a browser still loads a whole page is nobody's.
    await page.waitForLoadState('load');
}

/** Another person takes the seat. */
export async function become(page, who, password, beside) {
    await page.getByRole('button', { name: 'Sign out' }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByLabel('Password')).toBeVisible();
    await signIn(page, who, password, beside);
}

/** Pressing keys, what the page says was done, and reaching a place with at most so many tabs. */
export function byKeyboard(page, most) {
    const press = (key) => page.keyboard.press(key);
    const done = (text) => expect(page.getByRole('status').first()).toContainText(text);
    const tabTo = async (locator) => {
        for (let step = 0; step < most && !(await locator.evaluate((element) => element === document.activeElement)); step++) {
            await press('Tab');
        }
        await expect(locator).toBeFocused();
    };
    return { press, done, tabTo };
}

/** The chosen files are handed in, and what they would do is shown. */
export async function handInChosen(page) {
    await page.keyboard.press('Control+Enter');
    await expect(page.getByRole('heading', { name: 'What would happen' })).toBeVisible();
    await page.waitForLoadState('load');
}

/** Fails the test when the page logs an error or breaks the content security policy. */
export function watch(page) {
    const problems = [];
    page.on('pageerror', (error) => problems.push(error.message));
    page.on('console', (message) => message.type() === 'error' && problems.push(message.text()));
    return problems;
}

export const proofLine = (page) => page.locator('#proofline');

/** What the proof line says, without the form behind it. */
export const figures = async (page) => (await proofLine(page).textContent()).replace(/\s+/g, ' ').split(' as of ')[0];
