// Takes the pictures of docs/screenshots from fresh demo books: node tests/screenshots.mjs http://127.0.0.1:PORT FOLDER-OF-HAND-IN
import { chromium } from '@playwright/test';

const [, , base, handIn] = process.argv;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--disable-background-networking', '--disable-component-update', '--disable-sync', '--no-first-run'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const shot = async (name) => {
    await page.waitForTimeout(500);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
};

await page.goto(`${base}/sign-in`);
await shot('sign-in');
await page.getByLabel('E-mail address').fill('preparer@example.invalid');
await page.getByLabel('Password').fill('olive-press');
await page.keyboard.press('Enter');
await page.waitForURL(`${base}/`);

await page.goto(`${base}/unapplied`);
await page.locator('table[data-list] tbody tr', { hasText: 'Aozora' }).getByRole('link').click();
await page.waitForTimeout(500);
await page.getByRole('button', { name: 'Tick all' }).click();
await page.waitForTimeout(500);
await page.keyboard.press('Control+Enter');
await page.waitForTimeout(1000);
await page.goto(`${base}/unapplied`);
await page.locator('table[data-list] tbody tr', { hasText: 'Lonja del Cierzo' }).getByRole('link').click();
await page.waitForTimeout(500);
await page.getByRole('button', { name: 'Tick all' }).click();
await shot('unapplied');
await page.goto(`${base}/credit-balances`);
await shot('credit-balances');
await page.keyboard.press('Control+Enter');
await page.waitForTimeout(1000);
await page.goto(`${base}/journals`);
await shot('journals');
await page.goto(`${base}/`);
await shot('desk');
await page.goto(`${base}/proof?cause=amount_transposed`);
await page.locator('table[data-list] tbody a').first().click();
await page.goto(`${base}/proof`);
await page.locator('table[data-list] tbody tr', { hasText: 'Two digits exchanged' }).getByRole('link').click();
await shot('proof');
await page.locator('#worktop').getByRole('link', { name: /^Invoice/ }).click();
await page.waitForTimeout(700);
await shot('document');
await page.goto(`${base}/aged`);
await shot('aged');
await page.goto(`${base}/aged/4`);
await shot('aged-items');
await page.goto(`${base}/customers/4`);
await shot('customer');
await page.goto(`${base}/intake`);
await page.locator('input[type=file]').setInputFiles(`${handIn}/october-mended.zip`);
await page.keyboard.press('Control+Enter');
await page.waitForURL(/hand-in/);
await shot('intake');
await browser.close();
