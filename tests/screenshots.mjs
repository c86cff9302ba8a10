// Takes the pictures of docs/screenshots from fresh demo books: node tests/screenshots.mjs http://127.0.0.1:PORT FOLDER-OF-HAND-IN
import { chromium } from '@playwright/test';

const [, , base, handIn] = process.argv;
const browser = await chromium.launch({
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
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const shot = async (name) => {
    await page.waitForLoadState('networkidle');
    await page.waitForTimeout(500);
    await page.evaluate(() => window.scrollTo(0, 0));
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
};

await page.goto(`${base}/sign-in`);
await page.getByLabel('E-mail address').fill('preparer@example.invalid');
await page.getByLabel('Password').fill('olive-press');
await page.keyboard.press('Enter');
await page.waitForURL(`${base}/`);

await page.goto(`${base}/receipts`);
await page.locator('table[data-list] tbody tr', { hasText: 'our ref 5518' }).getByRole('link').click();
await shot('receipts');
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
await page.goto(`${base}/contra`);
await page.locator('table[data-list] tbody tr', { hasText: '5010 =' }).getByRole('link').first().click();
await page.waitForTimeout(500);
await shot('contra');
await page.goto(`${base}/currency`);
await shot('currency');
await page.goto(`${base}/allowance`);
await shot('allowance');
await page.goto(`${base}/movement`);
await shot('movement');
await page.goto(`${base}/sign-off`);
await shot('sign-off');
await page.goto(`${base}/direct-debits?day=2026-11-04`);
await shot('direct-debits');
await page.goto(`${base}/customers/1/irrecoverable`);
await page.locator('main input[type=checkbox]').first().check();
await page.getByLabel('What proves it').fill('court order 12/26');
await page.waitForTimeout(900);
await shot('irrecoverable');
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
await page.locator('table[data-list] tbody tr', { hasText: 'Digits transposed' }).getByRole('link').click();
await shot('proof');
await page
    .locator('#worktop')
    .getByRole('link', { name: /^Invoice/ })
    .click();
await page.waitForTimeout(700);
await shot('document');
await page.goto(`${base}/bank`);
await shot('bank');
await page.goto(`${base}/aged`);
await page.locator('[data-opens]').first().click();
await shot('aged');
await page.goto(`${base}/customers/4`);
await page
    .locator('aside table a', { hasText: /^Invoice F26/ })
    .first()
    .click();
await page.waitForTimeout(700);
await page.keyboard.press('c');
await page.waitForTimeout(700);
await page
    .getByLabel(/^Amount of F26.* line/)
    .first()
    .fill('12.50');
await page.getByLabel('Reason').fill('one can was broken');
await page.waitForTimeout(900);
await shot('credit-note');
await page.goto(`${base}/batches`);
await page.getByLabel('Declared total').fill('1610.00');
await page.getByLabel('Name').fill('SLIP-44');
await page.getByRole('button', { name: /^Open/ }).click();
for (const [who, number, amount] of [
    ['3001', '000123', '400.00'],
    ['3002', '000124', '710.50'],
]) {
    const worktop = page.locator('#worktop');
    await worktop.getByLabel('Customer').fill(who);
    await worktop.getByLabel('Reference').fill(number);
    await worktop.getByLabel('Amount').fill(amount);
    await worktop.getByRole('button', { name: 'Add' }).click();
    await page.waitForTimeout(900);
}
await shot('batches');
await page.goto(`${base}/intake`);
await page.locator('input[type=file]').setInputFiles(`${handIn}/october-mended.zip`);
await page.keyboard.press('Control+Enter');
await page.waitForURL(/hand-in/);
await shot('intake');
await browser.close();
