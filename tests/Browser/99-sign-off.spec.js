import { execFileSync } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { ajuste, become, byKeyboard, grouped, signIn, watch } from './helpers.js';

/* Keyboard only: the last stations of the close, what a second person approves, two signatures, and the next month. */
test('from currency to a locked October', async ({ page }) => {
    test.setTimeout(300_000);
    const problems = watch(page);
    const { press, done, tabTo } = byKeyboard(page, 400);
    const difference = ajuste('proof').difference;
    await signIn(page);

    await test.step('currency: open foreign items stand at the closing rate', async () => {
        await press('7');
        await expect(page.getByRole('heading', { level: 1 })).toContainText('Currency as of');
        const plan = ajuste('currency');
        expect(plan.lines.length).toBeGreaterThan(10);
        await expect(page.locator('[data-main]')).toContainText(grouped(plan.total));
        await press('Control+Enter');
        await done('Posted run');
        expect(ajuste('currency').lines).toEqual([]);
        expect(ajuste('proof').difference).toBe(difference);
    });

    await test.step('the allowance is changed by what is expected to be lost', async () => {
        await page.goto('/allowance');
        await press('o');
        await page.keyboard.type('120,00');
        await press('Tab');
        await press('Tab');
        await page.keyboard.type('a bad harvest');
        await press('Enter');
        await done('Kept as a line of its own');
        const { after, change } = ajuste('allowance');
        await expect(page.locator('main')).toContainText(grouped(after));
        await expect(page.locator('[data-main]')).toContainText(grouped(change));
        await expect(page.locator('#worktop')).toContainText('what is allowed for by name comes to');
        await press('Control+Enter');
        await done('Asked.');
        await become(page, 'reviewer');
        await tabTo(page.locator('.note', { hasText: 'change the allowance' }).getByRole('link'));
        await press('Enter');
        await expect(page.locator('[data-main]')).toContainText(grouped(change));
        await press('Control+Enter');
        await done('Approved and posted');
        expect(ajuste('allowance').change).toBe('0.00');
        await become(page);
    });

    let customer;
    await test.step('what will never be paid is asked for, and a reviewer approves it', async () => {
        await page.goto('/customers/1/irrecoverable');
        customer = (await page.locator('main h1').textContent()).replace('What ', '').replace(' will never pay', '');
        await tabTo(page.locator('main input[type=checkbox]').first());
        await press('Space');
        await tabTo(page.getByLabel('What proves it'));
        await page.keyboard.type('court order 12/26');
        await expect(page.locator('#rehearsal')).toContainText('Allowance on receivables');
        await expect(page.locator('[data-main]')).toContainText('Ask for approval');
        await press('Control+Enter');
        await done('Asked.');
        await become(page, 'reviewer');
        await tabTo(page.locator('.note', { hasText: 'will never pay' }).getByRole('link'));
        await press('Enter');
        await expect(page.getByRole('heading', { level: 1 })).toContainText(`Write off what ${customer} will never pay`);
        await press('Control+Enter');
        await done('Approved and posted');
        expect(ajuste('proof').difference).toBe(difference);
    });

    await test.step('every check is green or explained, and two people sign', async () => {
        await become(page, 'preparer');
        await page.goto('/sign-off');
        const reasons = page.getByLabel(/^Why it may stand/);
        while ((await reasons.count()) > 0) {
            const left = await reasons.count();
            await tabTo(reasons.first());
            await page.keyboard.type('known and accepted');
            await press('Enter');
            await expect(reasons).toHaveCount(left - 1);
        }
        await press('Control+Enter');
        await done('is in review');
        await become(page, 'reviewer');
        await page.goto('/sign-off');
        await expect(page.locator('[data-main]')).toContainText('Sign second and lock 2026-10');
        await press('Control+Enter');
        await done('is locked, and the next period is open');
        await expect(page.locator('header').first()).toContainText('November 2026');
        await expect(page.locator('#as-of')).toHaveValue('2026-11-30');
    });

    await test.step('the close pack of October holds by itself', async () => {
        await page.goto('/sign-off');
        await tabTo(page.getByRole('link', { name: 'Close pack' }));
        const [download] = await Promise.all([page.waitForEvent('download'), press('Enter')]);
        expect(download.suggestedFilename()).toBe('close-2026-10.zip');
        const said = execFileSync('./ajuste', ['verify', await download.path()], { encoding: 'utf8' });
        expect(said).toContain('The pack holds together');
    });

    await test.step('nothing takes effect in October any more', async () => {
        await page.goto('/customers/1/irrecoverable?as_of=2026-10-31');
        await expect(page.getByLabel('Dated')).toHaveValue('2026-11-01');
        execFileSync('./ajuste', ['verify']);
    });
    expect(problems).toEqual([]);
});
