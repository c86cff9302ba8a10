import { expect, test } from '@playwright/test';
import { ajuste, grouped, signIn, watch } from './helpers.js';

test('bank against book by keyboard: what nobody decided on, down to the same difference', async ({ page }) => {
    const problems = watch(page);
    await signIn(page);
    const before = ajuste('bank')[0];
    await page.goto('/bank');
    const figure = (name) => page.locator('tr', { has: page.getByRole('rowheader', { name }) }).locator('td').last();
    await expect(figure(/^Money out/)).toHaveText(grouped(before.undecided_out.sum));
    await expect(figure(/^Difference/)).toHaveText(grouped(before.difference));
    const outflow = page.locator('h2#out + table tbody tr', { hasText: 'nobody yet' }).first();
    const text = (await outflow.getByRole('link').textContent()).trim();
    await outflow.getByRole('link').focus();
    await page.keyboard.press('Enter');
    await expect(page.locator('#worktop .lead')).toContainText(text);
    await page.getByLabel('No matter of receivables: it is').focus();
    await page.keyboard.type('a supplier');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('status').first()).toContainText('Decided');
    await expect(page.locator('h2#out + table tbody tr', { hasText: text }).first()).toContainText('decided, not in the ledger yet');
    expect(ajuste('bank')[0]).toEqual(before);
    expect(problems).toEqual([]);
});

test('a session that ends while one types, and links within a form', async ({ page, context }) => {
    await signIn(page);
    await page.goto('/unapplied');
    await page.locator('table[data-list] tbody tr').first().getByRole('link').first().click();
    await expect(page.locator('#worktop form#settle')).toBeVisible();
    await page.goto(page.url());
    const reason = page.locator('#settle input[name^="amount["]').first();
    const name = await reason.getAttribute('name');
    const here = page.url();

    await test.step('a link in the table opens a page, not a page within the page', async () => {
        const lines = page.getByRole('link', { name: /Single lines/ });
        if ((await lines.count()) > 0) {
            await lines.click();
            await page.waitForLoadState('networkidle');
            await expect(page.locator('.masthead')).toHaveCount(1);
            expect(page.url()).not.toContain('_token');
            await page.goto(here);
        }
    });

    await test.step('what was typed is there again after signing in, on the same page', async () => {
        await context.clearCookies();
        await page.locator(`input[name="${name}"]`).fill('1,23');
        await page.waitForURL('**/sign-in');
        await page.getByLabel('E-mail address').fill('preparer@example.invalid');
        await page.getByLabel('Password').fill('olive-press');
        await page.keyboard.press('Enter');
        await page.waitForURL(here);
        await expect(page.getByRole('alert').first()).toContainText('what you typed is here again');
        await expect(page.locator('.masthead')).toHaveCount(1);
        await expect(page.locator(`input[name="${name}"]`)).toHaveValue('1,23');
    });
});
