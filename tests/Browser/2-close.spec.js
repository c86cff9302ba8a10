import { expect, test } from '@playwright/test';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ajuste, figures, folder, grouped, handInChosen, proofLine, signIn, watch } from './helpers.js';

test('the first close, end to end', async ({ page }) => {
    test.setTimeout(400_000);
    const problems = watch(page);

    await test.step('the desk says what is left', async () => {
        await signIn(page);
        const before = ajuste('proof');
        await expect(page.locator('.rail')).toContainText(grouped(before.unexplained));
        await expect(page.locator('main')).toContainText(`Explain ${before.causes.reduce((sum, cause) => sum + cause.count, 0)} causes`);
    });

    await test.step('intake: a broken file is named and leaves the books as they were', async () => {
        const broken = join(folder, 'items.csv');
        writeFileSync(
            broken,
            'document,kind,customer,date,due_date,currency,amount,base_amount\nZ1,invoice,3001,2026-10-20,2026-11-20,EUR,10.00,10.00\n' +
                'Z2,invoice,9999,2026-10-20,2026-11-20,EUR,-4.00,4.00\n',
        );
        const before = ajuste('proof');
        await page.keyboard.press('1');
        await expect(page.getByRole('heading', { name: 'Hand in files' })).toBeVisible();
        await page.locator('input[type=file]').setInputFiles(broken);
        await page.keyboard.press('Control+Enter');
        await expect(page.getByRole('heading', { name: '1 row refused' })).toBeVisible();
        await expect(page.locator('main')).toContainText('a customer of customers.csv is expected');
        await page.getByRole('button', { name: 'Discard the files' }).click();
        await expect(page.getByRole('status').first()).toContainText('the books are as they were');
        expect(ajuste('proof')).toEqual(before);
    });

    await test.step('intake: the mended files come in as one, and their source is kept', async () => {
        await page.locator('input[type=file]').setInputFiles(join(folder, 'hand-in/october-mended.zip'));
        await handInChosen(page);
        await expect(page.locator('main')).toContainText('Changed:');
        await page.keyboard.press('Control+Enter');
        await expect(page.getByRole('heading', { name: 'Import 2' })).toBeVisible();
        const [download] = await Promise.all([
            page.waitForEvent('download'),
            page.getByRole('link', { name: 'ledger.csv', exact: true }).click(),
        ]);
        expect(readFileSync(await download.path(), 'utf8')).toBe(readFileSync(join(folder, 'hand-in/october-mended/ledger.csv'), 'utf8'));
    });

    await test.step('receipts: the sure ones at once, a short payment, an unknown payer', async () => {
        await page.keyboard.press('2');
        await expect(page.getByRole('heading', { level: 1, name: 'Receipts' })).toBeVisible();
        const before = ajuste('proof');
        for (const [kind, says] of [
            ['posted already', /Accepted 5\d lines/],
            ['quoted', /Accepted 3 lines/],
            ['same amount', /Accepted 1 line/],
        ]) {
            await page.keyboard.press('g');
            await expect(page.getByRole('button', { name: new RegExp(`^Accept \\d+ ${kind}`) })).toBeVisible();
            await page.keyboard.press('g');
            await expect(page.getByRole('status').first()).toContainText(says);
        }
        await page.locator('table[data-list] tbody tr', { hasText: 'our ref 5518' }).getByRole('link').click();
        await expect(page.locator('#worktop .note').first()).toContainText('64.90 was not paid');
        await expect(page.locator('#remainder')).toHaveText('64.90');
        await expect(page.getByRole('button', { name: /Post and next/ })).toBeDisabled();
        await page.getByLabel('What is left over').selectOption('stays_open');
        await expect(page.locator('#remainder')).toHaveText('0.00');
        await page.keyboard.press('Control+Enter');
        await expect(page.locator('table[data-list] tbody tr', { hasText: 'our ref 5518' })).toHaveCount(0);
        await page.locator('table[data-list] tbody tr', { hasText: 'PEDIDO HARINA' }).getByRole('link').click();
        await expect(page.locator('#worktop h2.title')).toHaveText('Whose money is it?');
        await page.keyboard.press('b');
        await page.keyboard.type('Hostal Barbecho');
        await page.keyboard.press('Enter');
        await expect(page.locator('#worktop h2.title')).toHaveText('Hostal Barbecho');
        await expect(page.locator('#remainder')).toHaveText('0.00');
        await page.keyboard.press('Control+Enter');
        await expect(page.locator('table[data-list] tbody tr', { hasText: 'PEDIDO HARINA' })).toHaveCount(0);
        await page.locator('table[data-list] tbody tr', { hasText: 'Interest July' }).getByRole('link').click();
        await expect(page.locator('#worktop .lead').first()).toContainText('Interest July');
        await page.keyboard.press('u');
        await page.keyboard.type('interest');
        await page.keyboard.press('Enter');
        await expect(page.getByRole('status').first()).toContainText('Out of the way');
        const after = ajuste('proof');
        expect([after.difference, after.causes.length]).toEqual([before.difference, before.causes.length]);
        expect(Number(after.control)).toBeLessThan(Number(before.control));
    });

    await test.step('proof: what is left is of another period; each line opens to both sides and the document', async () => {
        await page.keyboard.press('3');
        await expect(page.getByRole('heading', { level: 1, name: /^Proof of 1100/ })).toBeVisible();
        const proof = ajuste('proof');
        expect(proof.causes.map((cause) => cause.cause)).toEqual(['cut_off']);
        await expect(page.locator('main')).toContainText('2 causes');
        await page.keyboard.press('j');
        await page.keyboard.press('j');
        await page.keyboard.press('Enter');
        await expect(page.locator('#worktop')).toContainText('R26CUT1');
        await expect(page.locator('#worktop')).toContainText('In the ledger');
        await page
            .locator('#worktop')
            .getByRole('link', { name: /R26CUT1/ })
            .click();
        await expect(page.getByRole('heading', { level: 1 })).toHaveText('Receipt R26CUT1');
        await expect(page.locator('main')).toContainText('Row ');
        await page.goBack();
        await expect(page.locator('#worktop')).toContainText('R26CUT1');
        await page.locator('#worktop svg a').first().click();
        await expect(page.locator('main')).toContainText('show all');
    });

    await test.step('proof: what settles itself is carried with a reason, and the station is done', async () => {
        await page.goto('/proof');
        for (const reason of ['posted on 2 November', 'posted on 3 November']) {
            await page.locator('table[data-list] tbody tr', { hasText: 'choose' }).first().getByRole('link').click();
            const carry = page.getByLabel('Carry it, because');
            await expect(page.locator('[data-list] a.htmx-request')).toHaveCount(0);
            await carry.fill(reason);
            await page.getByRole('button', { name: 'Carry', exact: true }).click();
            await expect(page.getByRole('status').first()).toContainText('Carried.');
        }
        await expect(page.locator('table[data-list] .tag.green')).toHaveCount(2);
        await expect(page.locator('.rail a', { hasText: 'Proof' })).toContainText('nothing left');
        expect(ajuste('proof').unexplained).toBe('0.00');
    });

    const line = await figures(page);

    await test.step('unapplied: tick, part amount, remainder, ribbons, post', async () => {
        await page.keyboard.press('4');
        await expect(page.getByRole('heading', { level: 1, name: 'Unapplied receipts and credits' })).toBeVisible();
        const before = ajuste('aged');
        const row = page.locator('table[data-list] tbody tr', { hasText: 'Valle Hondo Hotels' });
        await row.getByRole('link').click();
        const worktop = page.locator('#worktop');
        await expect(worktop.locator('h2.title')).toHaveText('Valle Hondo Hotels');
        const tables = worktop.locator('table');
        await tables.nth(0).getByRole('checkbox').first().check();
        await expect(worktop.locator('#remainder')).toHaveText(/[1-9]/);
        await expect(worktop.getByRole('button', { name: /Post/ })).toBeDisabled();

        const debit = tables.nth(1).locator('tbody tr').first();
        await debit.getByRole('textbox').fill('-5');
        await expect(worktop.getByRole('alert')).toContainText('Amounts are typed positive');
        await debit.getByRole('textbox').fill('12,50');
        await expect(debit.getByRole('checkbox')).toBeChecked();
        await expect(worktop.locator('#remainder')).toHaveText('0.00');
        await expect(worktop.locator('svg path title').first()).toContainText('12.50 of Receipt');
        await page.keyboard.press('Control+Enter');
        await expect(page.getByRole('status').first()).toContainText(/Posted match \d+ of Valle Hondo Hotels\./);
        expect(ajuste('aged').totals.total).toBe(before.totals.total);
        expect(await figures(page)).toBe(line);
    });

    await test.step('it stands in the history of both documents and is reversed with a reason', async () => {
        await page.getByRole('link', { name: 'Open it' }).click();
        await expect(page.getByRole('heading', { level: 1 })).toContainText(/Match \d+ of Valle Hondo Hotels/);
        for (const place of [0, 1]) {
            await page.locator('table').getByRole('link').nth(place).click();
            await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^(Invoice|Receipt) /);
            await expect(page.locator('main')).toContainText(/match \d+, Ainhoa Peralejo/);
            await page.goBack();
            await expect(page.getByRole('heading', { level: 1 })).toContainText(/Match \d+ of Valle Hondo Hotels/);
        }
        await page.getByLabel('Reason').fill('meant for another invoice');
        await page.getByRole('button', { name: /^Reverse match/ }).click();
        await expect(page.locator('main')).toContainText('meant for another invoice');
    });

    await test.step('a match in foreign money posts its exchange difference', async () => {
        await page.goto('/unapplied');
        await page.locator('table[data-list] tbody tr', { hasText: 'Aozora Olive House' }).getByRole('link').click();
        await expect(page.locator('#worktop h2.title')).toHaveText('Aozora Olive House');
        await page.getByRole('button', { name: 'Tick all' }).click();
        await expect(page.locator('#rehearsal')).toContainText(/Exchange (gains|losses), realised/);
        await page.keyboard.press('Control+Enter');
        await expect(page.getByRole('status').first()).toContainText(/Posted match \d+ of Aozora/);
        const proof = ajuste('proof');
        expect(Number(proof.own_vouchers)).not.toBe(0);
        await expect(proofLine(page)).toContainText('own vouchers');
        expect(proof.causes.map((cause) => cause.cause)).toEqual(['cut_off']);
    });

    await test.step('credit balances: rehearsed, posted with the day-one reversal, reversible as a run', async () => {
        await page.keyboard.press('8');
        const plan = ajuste('credit-balances');
        await expect(page.locator('[data-main]')).toContainText(`Post ${plan.lines.length} credits, ${grouped(plan.total)}`);
        await expect(page.locator('main')).toContainText('And its mirror on 1 Nov 2026');
        const before = await figures(page);
        await page.keyboard.press('Control+Enter');
        await expect(page.getByRole('status').first()).toContainText('Posted run 1.');
        expect(await figures(page)).toBe(before);
        await expect(page.locator('.rail')).toContainText('Credit balances');
        expect(ajuste('credit-balances').total).toBe('0.00');
        await page.getByPlaceholder('reason').fill('limit to be raised first');
        await page.getByRole('button', { name: 'Take back run 1' }).click();
        await expect(page.locator('main')).toContainText('taken back: limit to be raised first');
        await page.keyboard.press('Control+Enter');
        await expect(page.getByRole('status').first()).toContainText('Posted run 2');
    });

    await test.step('aged: both bases, three treatments, drill to the items, exports', async () => {
        await page.keyboard.press('9');
        for (const [name, option] of [
            ['By document date', '--basis=document'],
            ['Credits against the oldest', '--credits=oldest_first'],
            ['Credits by their own date', '--credits=own_date'],
        ]) {
            await page.goto('/aged');
            await page.getByRole('link', { name }).click();
            await expect(page.getByRole('link', { name })).toHaveAttribute('aria-current', 'true');
            const aged = ajuste('aged', option);
            await expect(page.locator('table[data-list] tfoot')).toContainText(grouped(aged.totals.amounts[0]));
            await expect(page.locator('main')).toContainText(grouped(aged.control));
        }
        await page.goto('/aged');
        const cell = page.locator('table[data-list] tbody tr').first().locator('td.n a').first();
        const figure = await cell.textContent();
        await cell.click();
        await expect(page.locator('.lead')).toContainText(figure);
        await page.locator('table[data-list] tbody a').first().click();
        await expect(page.locator('main')).toContainText('Where it came from');
        await page.goto('/aged');
        for (const format of ['CSV', 'XLSX']) {
            const [download] = await Promise.all([
                page.waitForEvent('download'),
                page.getByRole('link', { name: format, exact: true }).click(),
            ]);
            const content = readFileSync(await download.path());
            format === 'CSV'
                ? expect(content.toString()).toContain(ajuste('aged').totals.total)
                : expect(content.subarray(0, 2).toString()).toBe('PK');
        }
    });

    await test.step('journals: exported, brought back by the next files, confirmed and counted once', async () => {
        const before = ajuste('proof');
        await page.getByRole('link', { name: 'Journals' }).click();
        await page.getByRole('link', { name: 'AJ-00001' }).click();
        await expect(page.getByRole('heading', { level: 1 })).toHaveText('Voucher AJ-00001');
        await page.goBack();
        const files = {};
        for (const [place, name] of ['journals', 'items', 'matches'].entries()) {
            const [download] = await Promise.all([
                page.waitForEvent('download'),
                page.locator('aside form').nth(place).getByRole('button').click(),
            ]);
            files[name] = readFileSync(await download.path(), 'utf8');
        }
        // The accounting system takes the vouchers over under their own numbers.
        const ledger = files.journals
            .trim()
            .split('\n')
            .map((row, place) => {
                const [voucher, date, account, , debit, credit, , , customer, document] = row.split(/,(?=(?:[^"]*"[^"]*")*[^"]*$)/);
                return place === 0
                    ? 'entry,date,account,description,debit,credit,customer,document'
                    : [voucher, date, account, 'taken over', debit, credit, customer, document].join(',');
            });
        writeFileSync(join(folder, 'ledger.csv'), ledger.join('\n') + '\n');
        writeFileSync(join(folder, 'items.csv'), files.items);
        writeFileSync(join(folder, 'matches.csv'), files.matches);
        await page.goto('/intake');
        await page.locator('input[type=file]').setInputFiles(['ledger.csv', 'items.csv', 'matches.csv'].map((name) => join(folder, name)));
        await handInChosen(page);
        await page.keyboard.press('Control+Enter');
        await expect(page.getByRole('heading', { name: 'Import 3' })).toBeVisible();
        const after = ajuste('proof');
        expect([after.own_vouchers, after.control, after.customers]).toEqual(['0.00', before.control, before.customers]);
        await page.getByRole('link', { name: 'Journals' }).click();
        await expect(page.locator('table[data-list]')).not.toContainText('to export');
        await expect(page.locator('table[data-list]')).toContainText('taken over');
    });

    expect(problems).toEqual([]);
});

test('by keyboard only: from signing in to a posted match', async ({ page }) => {
    await page.goto('/sign-in');
    await page.keyboard.type('preparer@example.invalid');
    await page.keyboard.press('Tab');
    await page.keyboard.type('olive-press');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Left to do');
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog')).toContainText('into the worktop');
    await page.keyboard.press('Escape');
    await page.keyboard.press('4');
    await expect(page.getByRole('heading', { level: 1, name: 'Unapplied receipts and credits' })).toBeVisible();
    await page.keyboard.press('j');
    const answer = page.waitForResponse(/customer=/);
    await page.keyboard.press('Enter');
    await answer;
    await expect(page.locator('[data-list] a.htmx-request')).toHaveCount(0);
    const name = await page.locator('#worktop h2.title').textContent();
    await page.keyboard.press('w');
    await page.keyboard.press('Space');
    await expect(page.locator('#remainder')).toBeVisible();
    for (let tab = 0; tab < 40 && (await page.getByRole('button', { name: /^Post .*next/ }).isDisabled()); tab++) {
        await page.keyboard.press('Tab');
        if (await page.evaluate(() => document.activeElement.type === 'checkbox')) {
            await page.keyboard.press('Space');
            await page.waitForResponse(/rehearse/);
            await page.waitForTimeout(50);
        }
    }
    await page.keyboard.press('Control+Enter');
    await expect(page.getByRole('status').first()).toContainText(`of ${name}.`);
    await page.keyboard.press('/');
    await page.keyboard.type('Almadraba');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Almadraba Foods');
});
