import { expect, test } from '@playwright/test';
import { ajuste, grouped, proofLine, signIn } from './helpers.js';

test('a carried cause is opened again, and what time mends is offered no voucher', async ({ page }) => {
    await signIn(page, 'reviewer');
    await page.goto('/proof');
    const before = ajuste('proof');
    expect(before.unexplained).toBe('0.00');
    await page.locator('table[data-list] tbody tr', { hasText: 'CN269002' }).getByRole('link').click();
    await expect(page.getByRole('button', { name: 'Open it again' })).toBeVisible();
    await page.getByRole('button', { name: 'Open it again' }).click();
    await expect(page.getByRole('status').first()).toContainText('Open again.');
    const opened = ajuste('proof');
    expect(opened.unexplained).toBe('242.00');
    await expect(proofLine(page)).toContainText(grouped(opened.difference));
    await expect(page.locator('.rail')).toContainText('1 cause');
    // A cut-off is mended by time, so no voucher is offered.
    await page.locator('table[data-list] tbody tr', { hasText: 'choose' }).getByRole('link').click();
    await expect(page.locator('#worktop')).toContainText('Carry it, because');
    await expect(page.locator('#worktop')).not.toContainText('Correct the ledger');
});
