import { execFileSync } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { ajuste, become, byKeyboard, grouped, signIn, watch } from './helpers.js';

/* Keyboard only: the preparer sets off and writes off, the reviewer approves, the preparer takes one run back after late news. */
test('contra and residues, approved and taken back', async ({ page }) => {
    test.setTimeout(240_000);
    const problems = watch(page);
    const { press, done, tabTo } = byKeyboard(page, 400);
    const left = page.locator('#left-rows');
    const before = ajuste('proof');
    await signIn(page);

    await test.step('contra: what the agreements allow is set off, on both sides', async () => {
        await press('5');
        await expect(page.getByRole('heading', { level: 1 })).toContainText('Contra as of');
        const plan = ajuste('contra');
        expect(plan.lines.length).toBeGreaterThan(10);
        await expect(page.locator('[data-main]')).toContainText(grouped(plan.total));
        await expect(page.locator('main')).toContainText('no agreement is on file');
        // One pair: both sides and what covers what; a bill is kept out, and taken in again.
        await press('j');
        await press('Enter');
        const worktop = page.locator('#worktop');
        await expect(worktop.getByText('What is owed to the supplier')).toBeVisible();
        await press('w');
        const bill = worktop.locator('input[name^="bill_tick"]').first();
        await tabTo(bill);
        await press('Space');
        await expect(page.locator('#rehearsal')).toContainText('Nothing would be set off');
        await tabTo(worktop.getByLabel('Because'));
        await page.keyboard.type('paid by cheque');
        await press('Control+Enter');
        await done('Kept.');
        expect(Number(ajuste('contra').total)).toBeLessThan(Number(plan.total));
        await tabTo(bill);
        await press('Space');
        await press('Control+Enter');
        await done('Kept.');
        expect(ajuste('contra').total).toBe(plan.total);
        await bill.blur();
        await press('b');
        await expect(page.locator('[data-main]')).toContainText('Set off');
        await press('Control+Enter');
        await done('Posted run');
        expect(ajuste('contra').lines).toEqual([]);
        await expect(page.locator('.rail a', { hasText: 'Contra' })).toContainText('nothing left');
    });

    await test.step('each party gets its letter, and the customers who are late their statements', async () => {
        await tabTo(page.getByRole('button', { name: 'Send the letters' }).first());
        await press('Enter');
        await done('sent.');
        await page.goto('/outbox');
        await expect(page.locator('main')).toContainText('Contra CT');
        await page.goto('/statements?overdue=1&least=9000');
        await expect(page.locator('#sending')).toContainText('0 statements sent');
        await press('Control+Enter');
        // The worker beside the pages sends them, and the page goes on by itself when it has.
        await expect(page.locator('#sending')).toContainText(/[1-9]\d* statements? sent, 0 wait/, { timeout: 60_000 });
        await expect(page.locator('#sending button')).toBeDisabled();
        await page.goto('/contra');
    });

    let document;
    await test.step('residues: a near miss is taken along with a reason, so that a second person is asked', async () => {
        await press('6');
        await expect(page.getByRole('heading', { level: 1 })).toContainText('Residues as of');
        const row = left.locator('tr', { hasText: 'is allowed' }).first();
        document = (await row.locator('td').nth(1).textContent()).trim();
        await tabTo(row.locator('summary'));
        await press('Enter');
        await press('Tab');
        await page.keyboard.type('agreed with sales');
        await press('Enter');
        await done('The run is counted again');
        await expect(page.locator('[data-main]')).toContainText('Ask for approval');
        await press('Control+Enter');
        await done('Asked.');
        await expect(page.locator('#worktop')).toContainText(`${document} is taken along`);
    });

    await test.step('the reviewer finds it on the desk, sees the same plan and approves', async () => {
        await become(page, 'reviewer');
        const asked = page.locator('.note', { hasText: 'asks for approval to write off residues' });
        await tabTo(asked.getByRole('link'));
        await press('Enter');
        const plan = ajuste('residues');
        await expect(page.locator('[data-main]')).toContainText(`Approve and post ${plan.lines.length} lines`);
        await press('Control+Enter');
        await done('Approved and posted');
        expect(ajuste('residues').lines).toEqual([]);
        expect(ajuste('proof').difference).toBe(before.difference);
    });

    await test.step('late news: one run is taken back as one', async () => {
        await press('5');
        await tabTo(page.getByLabel(/^Why run \d+ is taken back/).first());
        await page.keyboard.type('the agreement was withdrawn');
        await press('Enter');
        await done('is taken back as one');
        expect(ajuste('contra').lines.length).toBeGreaterThan(10);
        expect(ajuste('proof').difference).toBe(before.difference);
        execFileSync('./ajuste', ['verify']);
    });
    expect(problems).toEqual([]);
});
