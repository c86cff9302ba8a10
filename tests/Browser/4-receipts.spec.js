import { expect, test } from '@playwright/test';
import { ajuste, byKeyboard, grouped, proofLine, signIn, watch } from './helpers.js';

/** Keyboard only: no click in this story. Tab and typing where a form is filled. */
test('a day of receipts by keyboard: statement, sure ones, three hard ones, a batch of cheques', async ({ page }) => {
    test.setTimeout(240_000);
    const problems = watch(page);
    const { press, done, tabTo } = byKeyboard(page, 120);
    /** What was said of the line before still stands, so that it is the list that tells. */
    const post = async (text) => {
        const rows = page.locator('table[data-list] tbody tr', { hasText: text });
        const before = await rows.count();
        await press('Control+Enter');
        await expect(rows).toHaveCount(before - 1);
    };
    const open = async (text) => {
        await press('f');
        await page.keyboard.type(text);
        await press('Escape');
        await press('j');
        await press('Enter');
        await expect(page.locator('#worktop .lead').first()).toContainText(text);
    };

    await test.step('the bank sends the statement of the next business day', async () => {
        await signIn(page);
        await page.goto('/receipts');
        await tabTo(page.getByRole('button', { name: "Fetch the bank's next statement" }));
        await press('Enter');
        await done('The statement of 2026-11-02 is in.');
        await expect(page.locator('#as-of')).toHaveValue('2026-11-02');
    });

    const before = ajuste('proof', '--as-of=2026-11-02');

    await test.step('the sure ones, kind by kind, after they were seen', async () => {
        for (let kind = 0; kind < 6 && (await page.locator('[data-hotkey="g"]').count()) > 0; kind++) {
            await press('g');
            await expect(page.getByRole('button', { name: /^Accept \d+/ })).toBeVisible();
            await press('g');
            await done(/Accepted \d+ line/);
        }
        await expect(page.locator('.tag.green', { hasText: 'posted already' })).toHaveCount(0);
    });

    await test.step('hard one: a short payment with two reasons, to the cent', async () => {
        await open('less shortage and promotion');
        const short = Number((await page.locator('#remainder').textContent()).replace(',', ''));
        expect(short).toBeGreaterThan(10);
        await expect(page.getByRole('button', { name: /Post and next/ })).toBeDisabled();
        await press('h');
        await page.keyboard.type('Short');
        await press('Tab');
        await press('ArrowDown');
        await press('Tab');
        await page.keyboard.type('10,00');
        await expect(page.locator('#remainder')).toHaveText(grouped((short - 10).toFixed(2)));
        await press('Tab');
        await page.keyboard.type('Shop');
        await press('Tab');
        await press('Tab');
        await page.keyboard.type((short - 10).toFixed(2));
        await expect(page.locator('#remainder')).toHaveText('0.00');
        await expect(page.locator('#ribbons svg text', { hasText: 'Deduction' })).toHaveCount(2);
        await post('less shortage');
    });

    await test.step('hard one: more than owed, the rest is a deposit', async () => {
        await open('with our thanks');
        const name = await page.locator('#worktop h2.title').textContent();
        await expect(page.locator('#rehearsal')).toContainText('stays unapplied');
        await tabTo(page.getByLabel('What is left over'));
        await page.keyboard.type('is a deposit');
        await expect(page.locator('#rehearsal')).toContainText('deposit');
        await expect(page.locator('#rehearsal summary')).toContainText('voucher');
        const held = (await page.locator('#rehearsal b').nth(1).textContent()).trim();
        await post('with our thanks');
        await page.goto('/deposits');
        await expect(page.locator('table[data-list] tbody tr', { hasText: name })).toContainText(held);
        await expect(page.locator('.lead').first()).toContainText('difference 0.00');
        await page.goBack();
    });

    await test.step('hard one: an unknown payer, found by a part of the name', async () => {
        await page.goto('/receipts');
        await open('PAYMENT');
        await expect(page.locator('#worktop h2.title')).toHaveText('Whose money is it?');
        await press('b');
        await page.keyboard.type('al Cardencha');
        await expect(page.locator('#payer-hits a')).toHaveText(/Hostal Cardencha, by\s+name/);
        await press('Enter');
        await expect(page.locator('#worktop h2.title')).toHaveText('Hostal Cardencha');
        await expect(page.locator('#remainder')).toHaveText('0.00');
        await post('PAYMENT');
    });

    await test.step('a batch of cheques, posted when nothing remains', async () => {
        await page.goto('/batches');
        await press('b');
        await page.keyboard.type('300,00');
        await press('Enter');
        await expect(page.locator('#worktop h2.title')).toHaveText('Batch B1');
        for (const [who, reference, amount] of [
            ['3203', '000123', '120.50'],
            ['3204', '000124', '179.50'],
        ]) {
            await expect(page.getByRole('button', { name: /^Post/ })).toBeDisabled();
            await expect(page.locator('#worktop input[name=who]')).toBeFocused();
            await page.keyboard.type(who);
            await press('Tab');
            await page.keyboard.type(reference);
            await press('Tab');
            await page.keyboard.type(amount);
            await press('Enter');
            await expect(page.locator('#worktop table')).toContainText(reference);
        }
        await expect(page.locator('#remainder')).toHaveText('0.00');
        await press('Control+Enter');
        await done('The batch is posted.');
    });

    await test.step('proof line, customer and command line agree; the difference is what it was', async () => {
        const after = ajuste('proof', '--as-of=2026-11-02');
        expect(after.difference).toBe(before.difference);
        expect(Number(after.control)).toBeLessThan(Number(before.control));
        await expect(proofLine(page)).toContainText(grouped(after.control));
        await expect(proofLine(page)).toContainText(grouped(after.customers));
        const row = ajuste('aged', '--as-of=2026-11-02').customers.find(({ customer }) => customer === '3203');
        await press('/');
        await page.keyboard.type(row.name);
        await press('Enter');
        await expect(page.getByRole('heading', { level: 1 })).toHaveText(row.name);
        await expect(page.locator('.lead').first()).toContainText(grouped(row.total.replace('-', '')));
        await expect(page.locator('main')).toContainText('000123');
    });

    await page.goto('/?as_of=');
    expect(problems).toEqual([]);
});
