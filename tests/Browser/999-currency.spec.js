import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { ajuste, byKeyboard, folder, handInChosen, signIn, watch } from './helpers.js';

/* Keyboard only, in the month after a locked October: rates in, an advance made a deposit, an invoice paid in part, the run of November. */
test('foreign money in the next month', async ({ page }) => {
    test.setTimeout(240_000);
    const problems = watch(page);
    const { press, done, tabTo } = byKeyboard(page, 400);
    const before = ajuste('proof');
    const open = ajuste('aged', '--by=document').rows.filter((row) => row.currency === 'GBP' && row.document.startsWith('Invoice'));
    const invoice = open[0].document.replace('Invoice ', '');
    const customer = open[0].customer;
    await signIn(page);

    await test.step('a payment of 500.00 and an advance of 1,000.00 arrive in pounds', async () => {
        const file = (name, lines) => {
            writeFileSync(join(folder, name), `${lines.join('\n')}\n`);
            return join(folder, name);
        };
        const files = [
            file('items.csv', [
                'document,kind,customer,date,due_date,currency,amount,base_amount,reference',
                `NOV-1,receipt,${customer},2026-11-10,,GBP,500.00,580.00,`,
                `NOV-2,receipt,${customer},2026-11-12,,GBP,1000.00,1161.00,new season`,
            ]),
            file('ledger.csv', [
                'entry,date,account,description,debit,credit,document',
                'NB-1,2026-11-10,1100,payment,,580.00,NOV-1',
                'NB-2,2026-11-12,1100,payment,,1161.00,NOV-2',
            ]),
        ];
        await press('1');
        await expect(page.getByRole('heading', { name: 'Hand in files' })).toBeVisible();
        await page.locator('input[type=file]').setInputFiles(files);
        await handInChosen(page);
        await press('Control+Enter');
        await expect(page.getByRole('heading', { name: /^Import \d+/ })).toBeVisible();
        expect(ajuste('proof').difference).toBe(before.difference);
    });

    await test.step('rates: one of the day is fetched, and a typed one needs its source', async () => {
        await page.goto('/currency');
        await expect(page.locator('main')).toContainText('GBP');
        await expect(page.locator('[data-main]')).toHaveCount(0);
        await page.goto('/rates');
        await tabTo(page.getByRole('button', { name: 'Fetch the rates of the day' }));
        await press('Enter');
        await expect(page.getByRole('status').first()).toContainText('2026-11-30 are in');
        await expect(page.locator('main table')).toContainText('30 Nov 2026');
    });

    await test.step('the advance is held as a deposit, and is not revalued', async () => {
        await press('7');
        await expect(page.getByRole('heading', { level: 1 })).toContainText('Currency as of 30 Nov');
        const row = page.locator('tr', { hasText: 'NOV-2' }).filter({ has: page.getByRole('button') });
        await tabTo(row.getByRole('button'));
        await press('Enter');
        await done('deposit');
        await page.goto('/currency');
        await expect(page.locator('h2:text("Unapplied receipts") + p + table')).not.toContainText('NOV-2');
        expect(ajuste('proof').difference).toBe(before.difference);
    });

    await test.step('an invoice is paid in part: the part gives back its unrealised, and the difference is realised', async () => {
        const carried = ajuste('aged').customers.find((row) => row.customer === customer && row.currency === 'GBP');
        await press('4');
        await expect(page.getByRole('heading', { level: 1 })).toContainText('Unapplied');
        await press('f');
        await page.keyboard.type(open[0].name);
        await press('Escape');
        await press('j');
        await press('Enter');
        await expect(page.locator('#worktop h2').first()).toHaveText(open[0].name);
        const of = (document) => page.locator('#worktop tr', { has: page.getByRole('link', { name: document, exact: true }) });
        await tabTo(of('NOV-1').locator('input[type=checkbox]').first());
        await press('Space');
        await tabTo(of(invoice).locator('input[type=checkbox]').first());
        await press('Space');
        await expect(page.locator('#remainder')).toHaveText('0.00');
        await press('Control+Enter');
        await done('Posted match');
        expect(ajuste('proof').difference).toBe(before.difference);
        expect(ajuste('aged').customers.find((row) => row.customer === customer && row.currency === 'GBP')).not.toEqual(carried);
    });

    await test.step('the run of November, once', async () => {
        await press('7');
        const plan = ajuste('currency');
        expect(plan.lines.length).toBeGreaterThan(10);
        expect(plan.lines.map((line) => line.document)).not.toContain('NOV-2');
        await press('Control+Enter');
        await done('Posted run');
        expect(ajuste('currency').lines).toEqual([]);
        expect(ajuste('proof').difference).toBe(before.difference);
        // What is open in pounds is carried at the closing rate now.
        const cells = page.locator('main table').first().locator('tr', { hasText: 'GBP' }).locator('td');
        expect(await cells.nth(3).textContent()).toBe(await cells.nth(4).textContent());
        execFileSync('./ajuste', ['verify']);
    });
    expect(problems).toEqual([]);
});
