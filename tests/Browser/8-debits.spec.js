import { expect, test } from '@playwright/test';
import { ajuste, byKeyboard, grouped, signIn, watch } from './helpers.js';

const LONG = Boolean(process.env.LONG);

/*
 * Keyboard only: due invoices are collected, the bank credits one sum, a debit comes back. With LONG every line of two weeks is placed
 * until nothing stands between bank and book.
 */
test('direct debits, and the weeks of the bank after them', async ({ page }) => {
    test.setTimeout(LONG ? 1_800_000 : 240_000);
    const problems = watch(page);
    const { press, done, tabTo } = byKeyboard(page, 150);
    const rows = page.locator('table[data-list] tbody tr');
    const fetchNext = async () => {
        await page.goto('/receipts');
        await tabTo(page.getByRole('button', { name: "Fetch the bank's next statement" }));
        await press('Enter');
        await done(/The statement of \d{4}-\d\d-\d\d is in/);

        return await page.locator('#as-of').inputValue();
    };
    const acceptSure = async () => {
        for (let kind = 0; kind < 8 && (await page.locator('[data-hotkey="g"]').count()) > 0; kind++) {
            await press('g');
            await expect(page.getByRole('button', { name: /^Accept \d+/ })).toBeVisible();
            await press('g');
            await done(/Accepted \d+ line/);
        }
    };
    await signIn(page);
    let collection;

    await test.step('a mandate is kept, and ended again', async () => {
        await page.goto('/mandates');
        await press('b');
        await page.keyboard.type('3204');
        for (const text of ['VGM-0099', 'ES33 9999 0006 0721 5432 1049', '', '2026-05-04']) {
            await press('Tab');
            await page.keyboard.type(text);
        }
        await press('Control+Enter');
        await done('Debits of Ultramarinos Espliego can be collected');
        const row = rows.filter({ hasText: 'VGM-0099' });
        await tabTo(row.locator('summary'));
        await press('Enter');
        await press('Tab');
        await press('Tab');
        await page.keyboard.type('withdrawn');
        await press('Enter');
        await done('Ended.');
        await expect(rows.filter({ hasText: 'VGM-0099' })).toContainText('it ended on');
    });

    await test.step('what is due is chosen, the payers are told, the bank is asked', async () => {
        await page.goto('/direct-debits?day=2026-11-04');
        const main = page.locator('[data-main]');
        const all = await main.textContent();
        await tabTo(page.locator('#collection-list input[type=checkbox]').first());
        await press('Space');
        await expect(main).not.toHaveText(all);
        await press('Space');
        await expect(main).toHaveText(all);
        await press('Control+Enter');
        await done('Prepared.');
        collection = page.url();
        await press('Control+Enter');
        await expect(page.getByRole('alert')).toContainText('Payers are told 14 days before');
        await press('t');
        await done('The payers are told');
        await tabTo(page.getByLabel('a shorter notice is agreed with them'));
        await press('Space');
        await press('Control+Enter');
        await done('Sent and posted');
        await expect(rows.first()).toContainText('collected');
    });

    let day;
    await test.step('the bank credits each sum, which confirms its batch', async () => {
        for (day = ''; day < '2026-11-04'; ) {
            day = await fetchNext();
        }
        await expect(rows.filter({ hasText: 'Direct debits DD-' }).first()).toContainText('posted already');
        await acceptSure();
        await expect(rows.filter({ hasText: 'Direct debits DD-' })).toHaveCount(0);
    });

    await test.step('a debit comes back, and its invoices are open again', async () => {
        await fetchNext();
        day = await fetchNext();
        await page.goto('/receipts?kind=came%20back');
        const back = rows.filter({ hasText: 'Direct debit returned' }).first();
        await tabTo(back.getByRole('link').first());
        await press('Enter');
        await expect(page.locator('#worktop')).toContainText('named by the bank');
        await press('Control+Enter');
        await done('The receipt came back');
        await page.goto(collection);
        await expect(rows.filter({ hasText: 'came back' }).first()).toContainText(/\([A-Z]{2}\d\d\)/);
        expect(ajuste('bank', `--as-of=${day}`)[0].difference).toBe('0.00');
    });

    if (LONG) {
        await test.step('two weeks, line by line', async () => {
            for (let fetched = 0; fetched < 7; fetched++) {
                day = await fetchNext();
                await acceptSure();
            }
            await page.goto('/receipts');
            for (let turn = 0; turn < 250 && (await rows.first().getByRole('link').count()) > 0; turn++) {
                await press('j');
                await press('Enter');
                await page.waitForLoadState('networkidle');
                const main = page.locator('#worktop [data-main]:not(:disabled)');
                if ((await main.count()) === 0 && (await page.getByLabel('What is left over').count()) > 0) {
                    await tabTo(page.getByLabel('What is left over'));
                    for (let place = 0; place < 4 && (await main.count()) === 0; place++) {
                        await press('ArrowDown');
                        await page.waitForTimeout(500);
                        await page.waitForLoadState('networkidle');
                    }
                }
                if ((await main.count()) > 0) {
                    await press('Control+Enter');
                } else {
                    await press('Escape');
                    const isCredit = (await page.locator('[data-hotkey="c"]').count()) > 0;
                    await press(isCredit ? 'c' : 'u');
                    await page.keyboard.type('looked into apart');
                    if (isCredit) {
                        await press('Tab');
                        await page.keyboard.type('6100');
                        await press('Tab');
                    }
                    await press('Enter');
                }
                await page.waitForLoadState('networkidle');
                await page.goto('/receipts');
            }
            await page.goto('/bank');
            const undecided = page.locator('h2#out + table tbody tr', { hasText: 'nobody yet' });
            while ((await undecided.count()) > 0) {
                await tabTo(undecided.first().getByRole('link'));
                await press('Enter');
                await tabTo(page.getByLabel('No matter of receivables: it is'));
                await page.keyboard.type('a supplier');
                await press('Enter');
                await done('Decided');
                await page.goto('/bank');
            }
            const bank = ajuste('bank', `--as-of=${day}`)[0];
            // Suppliers and salaries are decided here and posted by the accounting system, whose next file brings them.
            expect([bank.to_place.count, bank.difference]).toEqual([0, '0.00']);
            await expect(page.locator('h2#out + table tbody tr', { hasText: 'decided' })).toHaveCount(bank.undecided_out.count);
            await expect(page.locator('main')).toContainText(grouped(bank.closing));
        });
    }
    expect(problems).toEqual([]);
});
