import { expect, test } from '@playwright/test';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ajuste, become, folder, grouped, handInChosen, proofLine, signIn, watch } from './helpers.js';

const items =
    'document,kind,customer,date,due_date,currency,amount,base_amount\nZ1,invoice,3001,2026-10-20,2026-11-20,EUR,121.34,121.34\n' +
    'Z3,invoice,3002,2026-10-21,2026-11-21,EUR,480.77,480.77\n' +
    'Z5,invoice,3003,2026-10-22,2026-11-22,EUR,70.19,70.19\n';
const ledger = (z3) =>
    `entry,date,account,description,debit,credit,document,customer\n` +
    `99-1,2026-10-20,1100,Sales,1213.40,,Z1,3001\n99-2,2026-10-20,1100,Sales,250.61,,Z2,3004\n` +
    `99-3,2026-10-21,1100,Sales,${z3},,Z3,3002\n99-4,2026-10-12,1100,Collective entry,70.19,,,\n`;

async function handIn(page, files) {
    for (const [name, content] of Object.entries(files)) {
        writeFileSync(join(folder, name), content);
    }
    await page.goto('/intake');
    await page.locator('input[type=file]').setInputFiles(Object.keys(files).map((name) => join(folder, name)));
    await handInChosen(page);
    await page.keyboard.press('Control+Enter');
    await expect(page.getByRole('heading', { name: /^Import \d+$/ })).toBeVisible();
}

test('from a difference to 0.00 by each kind of remedy', async ({ page }) => {
    test.setTimeout(240_000);
    const problems = watch(page);
    const row = (text) => page.locator('table[data-list] tbody tr', { hasText: text }).first();
    const open = async (text) => {
        await row(text).getByRole('link').first().click();
        await expect(page.locator('#worktop .pairbox')).toContainText(text);
    };
    await signIn(page);
    await handIn(page, { 'items.csv': items, 'ledger.csv': ledger('408.77') });
    const start = ajuste('proof');

    await test.step('the difference is found by its amount, and the cause opens from there', async () => {
        await page.goto('/proof');
        await page.keyboard.press('g');
        await expect(page.getByRole('heading', { level: 1 })).toHaveText('Find an amount');
        await page.getByLabel('Amount', { exact: true }).fill('1.092,06');
        await page.keyboard.press('Control+Enter');
        await expect(page.locator('main')).toContainText('1 cause of the proof is exactly that');
        await expect(page.locator('table[data-list]')).toContainText('The decimal point shifted');
        await page.getByRole('link', { name: 'Slide (decimal shifted)', exact: true }).click();
        await expect(page.locator('#worktop h2.title')).toHaveText('Slide (decimal shifted)');
    });

    await test.step('a correcting voucher, which is large: the reviewer approves what was seen', async () => {
        await page.locator('select[name=counter]').selectOption('4000');
        await expect(page.locator('[data-main]')).toContainText('Ask for approval of 1,092.06');
        await page.keyboard.press('Control+Enter');
        await expect(page.getByRole('status').first()).toContainText('Asked.');
        await become(page, 'reviewer');
        await page.locator('.note', { hasText: 'asks for approval to correct the ledger' }).getByRole('link').focus();
        await page.keyboard.press('Enter');
        await expect(page.locator('[data-main]')).toContainText('Approve and post 1,092.06');
        await page.keyboard.press('Control+Enter');
        await expect(page.getByRole('status').first()).toContainText('Approved and posted');
        await become(page);
        await page.goto('/proof');
        await expect(row('Z2')).toBeVisible();
        await expect(row('Z1')).toHaveCount(0);
    });

    await test.step("an entry on the customer's side", async () => {
        await open('Z2');
        await page.keyboard.press('c');
        await page.getByRole('button', { name: 'Post 250.61' }).last().click();
        await expect(page.getByRole('status').first()).toContainText('Posted with the customer');
        await expect(row('Z2')).toHaveCount(0);
    });

    await test.step('a pair by hand', async () => {
        await open('Z5');
        await page.keyboard.press('b');
        await page.locator('input[name="others[]"]').first().focus();
        await page.keyboard.press('Space');
        await page.locator('#worktop form', { hasText: 'Belongs to' }).getByLabel('Reason').fill('one collective entry');
        await page.getByRole('button', { name: 'Pair', exact: true }).click();
        await expect(page.getByRole('status').first()).toContainText('Paired by hand');
        await expect(row('Z5')).toHaveCount(0);
        await expect(page.locator('main')).toContainText('By hand');
    });

    await test.step('a fix at the source, ticked off by the next import', async () => {
        await open('Z3');
        await page.keyboard.press('s');
        await page.getByRole('button', { name: 'Put on the list' }).click();
        await expect(row('Z3')).toContainText('asked at the source');
        await handIn(page, { 'ledger.csv': ledger('480.77') });
        await page.goto('/proof/source');
        await expect(row('Z3')).toContainText('done');
    });

    await test.step('what is of another period is accrued, and October comes to 0.00', async () => {
        await page.goto('/proof');
        for (const line of ajuste('proof').causes.find((cause) => cause.cause === 'cut_off')?.lines ?? []) {
            const cutOff = row(line.document || line.entry);
            await cutOff.getByRole('link').first().focus();
            await page.keyboard.press('Enter');
            await expect(page.locator('#worktop h2.title')).toHaveText('Cut-off');
            if (/carried/.test(await cutOff.textContent())) {
                await page.getByRole('button', { name: 'Open it again' }).click();
                await expect(cutOff).not.toContainText('carried');
                await cutOff.getByRole('link').first().focus();
                await page.keyboard.press('Enter');
                await expect(page.getByRole('button', { name: 'Open it again' })).toHaveCount(0);
            }
            await expect(page.getByRole('button', { name: /^Accrue/ })).toBeVisible();
            await page.keyboard.press('Control+Enter');
            await expect(cutOff).toHaveCount(0);
            await expect(page.getByRole('status').first()).toContainText('Accrued at 2026-10-31');
        }
        const end = ajuste('proof');
        expect([end.unexplained, end.difference, end.causes]).toEqual(['0.00', '0.00', []]);
        expect(ajuste('aged').difference).toBe('0.00');
        expect(Number(start.unexplained)).toBeGreaterThan(1000);
        await expect(page.locator('.rail a', { hasText: 'Proof' })).toContainText('nothing left');
        // Once November's entries count, the two sides are the same.
        await page.goto('/proof?as_of=2026-11-03');
        await expect(proofLine(page)).toContainText(/Difference\s+0\.00/);
        await expect(proofLine(page)).toContainText(grouped(ajuste('proof', '--as-of=2026-11-03').control));
        await page.goto('/trial-balance');
        await expect(page.locator('.lead')).toContainText('The three agree.');
        await page.goto('/?as_of=');
    });
    expect(problems).toEqual([]);
});
