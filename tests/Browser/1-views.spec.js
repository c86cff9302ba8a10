import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { ajuste, grouped, proofLine, signIn, watch } from './helpers.js';

const views = [
    '/',
    '/intake',
    '/intake/imports/1',
    '/receipts',
    '/receipts/placed',
    '/batches',
    '/deposits',
    '/bank',
    '/settings',
    '/outbox',
    '/proof',
    '/proof/source',
    '/find?amount=900.00',
    '/pair-check',
    '/trial-balance',
    '/clearing',
    '/refunds',
    '/unapplied/run',
    '/proof/unseen',
    '/proof/pairs?by=entry',
    '/unapplied',
    '/contra',
    '/residues',
    '/currency',
    '/currency/results',
    '/aged?by=document&compare=2026-09-30',
    '/aged?compare=2026-09-30',
    '/late-news',
    '/statements',
    '/people',
    '/me',
    '/aged/cash-after',
    '/policies?of=residue_limit',
    '/agreements',
    '/suppliers',
    '/suppliers/1',
    '/rates',
    '/confirmations',
    '/aged/months',
    '/allowance/history',
    '/allowance',
    '/movement',
    '/measures',
    '/approvals',
    '/sign-off',
    '/customers/9/irrecoverable',
    '/direct-debits',
    '/mandates',
    '/credit-balances',
    '/aged',
    '/journals',
    '/trail',
    '/documents/40',
    '/customers/9',
    '/accounts/1100',
    '/postings/10',
    '/search?q=F26',
];

test('every main view opens without an error and axe finds no serious fault', async ({ page }) => {
    test.setTimeout(400_000);
    await page.setViewportSize({ width: 1280, height: 6000 }); // a row half under the proof line would count as too small to hit
    const problems = watch(page);
    await page.goto('/sign-in');
    const faults = [];
    const look = async (name) => {
        // Rows of one list are made alike: its first ones tell of all.
        const found = await new AxeBuilder({ page })
            .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
            .exclude('tbody tr:nth-child(n+25)')
            .analyze();
        found.violations
            .filter((v) => ['serious', 'critical'].includes(v.impact))
            .forEach((v) => faults.push(`${name}: ${v.id} ${v.nodes[0].html.slice(0, 160)}`));
    };
    await look('/sign-in');
    await signIn(page);
    for (const view of views) {
        const response = await page.goto(view);
        expect(response.status(), view).toBe(200);
        await look(view);
    }
    expect(faults).toEqual([]);
    expect(problems).toEqual([]);
});

test('nothing but tables and the rail scroll sideways, from 1024 wide and at 200 % of 1280 (WCAG 2.2, 1.4.10)', async ({ page }) => {
    await signIn(page);
    for (const width of [1024, 640]) {
        await page.setViewportSize({ width, height: 768 });
        for (const view of views) {
            await page.goto(view);
            expect(await page.evaluate(() => document.documentElement.scrollWidth), `${view} at ${width}`).toBeLessThanOrEqual(width);
        }
    }
});

test('a row below the first screen: its worktop is in sight from its beginning, and Back returns to the row', async ({ page }) => {
    await signIn(page);
    await page.goto('/unapplied');
    const row = page.locator('#unapplied-rows tr').nth(25);
    await row.scrollIntoViewIfNeeded();
    const name = (await row.getByRole('link').first().textContent()).trim();
    await row.getByRole('link').first().focus();
    await page.keyboard.press('Enter');
    await expect(page.locator('#worktop h2').first()).toContainText(name);
    await expect(page.locator('#worktop h2').first()).toBeInViewport();
    await expect(page.locator('#unapplied-rows tr.current')).toBeInViewport();
    await expect(page.locator('table[data-list] thead th').first()).toBeInViewport();
    await page.keyboard.press('2');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Receipts');
    await page.goBack();
    await expect(page.locator('#unapplied-rows tr.current')).toContainText(name);
    await expect(page.locator('#unapplied-rows tr.current')).toBeInViewport();
});

test('a long list is filtered, sorted and chosen from where it is whole, not from the rows that are here', async ({ page }) => {
    await signIn(page);
    const { rows } = ajuste('aged', '--by=document');
    await page.goto('/aged?by=document');
    const shown = page.locator('#aged-rows tr[data-minor]');
    await expect(shown).toHaveCount(150);
    const last = rows.at(-1);
    await page.keyboard.press('f');
    await page.keyboard.type(last.document.split(' ').at(-1));
    await expect(shown).toHaveCount(1);
    await expect(shown).toContainText(last.name);
    await page.reload();
    await expect(shown).toHaveCount(1);
    await page.keyboard.press('f');
    await page.getByLabel('Filter').fill('');
    await expect(shown).toHaveCount(150);
    const total = page.getByRole('button', { name: 'Total' });
    await total.focus();
    await page.keyboard.press('Enter');
    const smallest = Math.min(...rows.map((row) => Math.round(Number(row.total) * 100)));
    await expect(shown.first()).toHaveAttribute('data-minor', String(smallest));
    await total.blur();
    await page.keyboard.press('a');
    await expect(page.locator('.table-foot')).toContainText(`${rows.length} chosen`);
    const sum = rows.reduce((all, row) => all + Math.round(Number(row.total) * 100), 0);
    await expect(page.locator('.table-foot')).toContainText(`Total ${grouped((sum / 100).toFixed(2))}`);
});

test('keys for rows that are on their way act when they are there', async ({ page }) => {
    await signIn(page);
    const { rows } = ajuste('aged', '--by=document');
    const last = rows.at(-1);
    const document = last.document.split(' ').at(-1);
    await page.route('**/aged?*words*', async (route) => {
        await new Promise((on) => setTimeout(on, 800));
        await route.continue();
    });
    await page.goto('/aged?by=document');
    await expect(page.locator('#aged-rows tr[data-minor]')).toHaveCount(150);
    await page.keyboard.press('f');
    await page.keyboard.type(document.slice(0, 3));
    await page.waitForTimeout(400); // the first answer is asked for before the rest is typed
    for (const key of [...document.slice(3), 'Escape', 'j', 'x']) {
        await page.keyboard.press(key);
    }
    await expect(page.locator('#aged-rows tr[data-minor]')).toHaveCount(1);
    await expect(page.locator('.table-foot')).toContainText('1 chosen');
    await expect(page.locator('#aged-rows tr[data-minor] a').first()).toBeFocused();
});

test('page and command line show the same figures', async ({ page }) => {
    await signIn(page);
    const proof = ajuste('proof');
    await page.goto('/proof');
    await expect(proofLine(page)).toContainText(grouped(proof.control));
    await expect(proofLine(page)).toContainText(grouped(proof.customers));
    await expect(proofLine(page)).toContainText(grouped(proof.difference));
    const rows = page.locator('table[data-list] tbody tr');
    await expect(rows).toHaveCount(proof.causes.reduce((sum, cause) => sum + cause.count, 0));
    expect(new Set(proof.causes.map((cause) => cause.cause)).size).toBe(11);

    const aged = ajuste('aged', '--credits=own_date');
    await page.goto('/aged?credits=own_date');
    await expect(page.locator('table[data-list] tfoot')).toContainText(grouped(aged.totals.amounts[4]));
    await expect(page.locator('table[data-list] tbody tr')).toHaveCount(aged.customers.length);
});

test('any date: lists and proof line follow, and the address alone is enough', async ({ page }) => {
    await signIn(page);
    await page.keyboard.press('d');
    await page.keyboard.press('Control+a');
    await page.keyboard.type('2026-09-30');
    await page.keyboard.press('Enter');
    const then = ajuste('proof', '--as-of=2026-09-30');
    await expect(proofLine(page)).toContainText(grouped(then.control));
    await page.goto('/aged?as_of=2026-06-30');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Aged receivables, 30 Jun 2026');
    await page.goto('/?as_of=');
    await expect(proofLine(page)).toContainText(grouped(ajuste('proof').control));
});

test('a reader is offered nothing to post', async ({ page }) => {
    await signIn(page, 'reader');
    await page.goto('/intake');
    await expect(page.getByText('A reader can look at everything and post nothing.')).toBeVisible();
    await expect(page.locator('input[type=file]')).toHaveCount(0);
    for (const view of ['/receipts', '/unapplied', '/credit-balances']) {
        await page.goto(view);
        await expect(page.locator('main form button.button')).toHaveCount(0);
    }
});

test('tables: sort, filter, choose with click, Ctrl and Shift, sum, copy as tab-separated text', async ({ page }) => {
    await signIn(page);
    await page.goto('/aged');
    const table = page.locator('table[data-list]');
    const total = (row) => row.locator('td').last().getAttribute('data-sort');
    await page.getByRole('button', { name: 'Total' }).click();
    await page.getByRole('button', { name: 'Total' }).click();
    await page.locator('[data-opens]').nth(1).click();
    await expect(table.locator('tr[data-of]').first()).toBeVisible();
    await page.getByRole('button', { name: 'Total' }).click();
    await page.getByRole('button', { name: 'Total' }).click();
    const opened = table.locator('[aria-expanded=true]');
    const under = await opened.evaluate((button) => button.closest('tr').nextElementSibling.dataset.of);
    expect(await opened.getAttribute('aria-label')).toBe(`Documents of ${under.split(' ')[0]}`);
    await opened.focus();
    await page.keyboard.press('Enter');
    await expect(table.locator('tr[data-of]')).toHaveCount(0);
    const rows = table.locator('tbody tr');
    const [first, second, third] = [Number(await total(rows.nth(0))), Number(await total(rows.nth(1))), Number(await total(rows.nth(2)))];
    expect(first).toBeGreaterThanOrEqual(second);

    await rows.nth(0).locator('td').nth(1).click();
    await rows
        .nth(2)
        .locator('td')
        .nth(1)
        .click({ modifiers: ['Shift'] });
    await expect(page.locator('.table-foot')).toContainText('3 chosen');
    await expect(page.locator('.table-foot')).toContainText(grouped(((first + second + third) / 100).toFixed(2)));
    await rows
        .nth(1)
        .locator('td')
        .nth(1)
        .click({ modifiers: ['Control'] });
    await expect(page.locator('.table-foot')).toContainText('2 chosen');

    await page.keyboard.press('y');
    await expect(page.locator('.table-foot')).toContainText('2 rows copied');
    const copied = (await page.evaluate(() => navigator.clipboard.readText())).split('\n');
    expect(copied).toHaveLength(3);
    expect(copied[0].split('\t').slice(0, 3)).toEqual(['Customer', 'Not due', '1–30']);
    expect(copied[1].split('\t').at(-1)).toBe((first / 100).toFixed(2));

    // A block of cells, by keys and by dragging.
    const link = rows.nth(0).locator('td').nth(0).locator('a').first();
    await link.focus();
    await page.keyboard.press('Control+ArrowRight');
    await page.keyboard.press('Shift+ArrowRight');
    await page.keyboard.press('Shift+ArrowDown');
    await expect(page.locator('.table-foot')).toContainText('2 × 2 cells');
    await page.keyboard.press('y');
    await expect(page.locator('.table-foot')).toContainText('2 × 2 cells copied');
    const cellsOf = async (row) =>
        Promise.all([3, 2].map((at) => rows.nth(row).locator('td').nth(at).getAttribute('data-copy'))).then((two) => two.reverse());
    const block = await page.evaluate(() => navigator.clipboard.readText());
    expect(block).toBe([await cellsOf(0), await cellsOf(1)].map((two) => two.join('\t')).join('\n'));
    await page.keyboard.press('Escape');
    await rows.nth(1).locator('td').nth(3).hover();
    await page.mouse.down();
    await rows.nth(3).locator('td').nth(4).hover();
    await page.mouse.up();
    await expect(page.locator('.table-foot')).toContainText('3 × 2 cells');
    await expect(page.locator('.table-foot')).toContainText('2 chosen');
    await rows.nth(0).locator('td').nth(1).click();
    await expect(page.locator('td.in-block')).toHaveCount(0);

    await page.keyboard.press('f');
    await page.keyboard.type('member');
    await expect(page.locator('.table-foot')).toContainText('shown');
    await page.keyboard.press('Escape');
    await page.keyboard.press('a');
    expect(Number((await page.locator('.table-foot').textContent()).match(/(\d+) chosen/)[1])).toBeLessThan(41);
});

test('an answer that comes when its page is gone is dropped', async ({ page }) => {
    const problems = watch(page);
    await signIn(page);
    await page.route('**/rehearse', async (route) => {
        const response = await route.fetch();
        await new Promise((late) => setTimeout(late, 1_000));
        await route.fulfill({ response });
    });
    const answered = page.waitForResponse('**/rehearse');
    await page.goto('/receipts');
    await page.locator('table[data-list] tbody tr', { hasText: 'our ref 5518' }).getByRole('link').click();
    await expect(page.locator('#worktop #rehearsal')).toBeAttached();
    await page.keyboard.press('5');
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Contra as of');
    await answered;
    await page.waitForTimeout(300);
    expect(problems).toEqual([]);
});
