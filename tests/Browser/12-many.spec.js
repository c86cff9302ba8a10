import { execFileSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { byKeyboard, folder, serve, signIn, watch } from './helpers.js';

/* Keyboard only. A run of many lines: each of its lists by itself, posted and taken back as work beside the pages. */

const books = `${folder}/many/books.sqlite`;
const ajuste = (args, options = {}) =>
    execFileSync('./ajuste', args, { encoding: 'utf8', env: { ...process.env, AJUSTE_BOOKS: books }, ...options });
let served;
let address;

/** 520 invoices with 1.00 to 2.00 left of them, and 160 with 9.00, which is more than the policy lets go. */
function files() {
    const lines = {
        settings: ['name,value', 'period,2026-10', 'approval_limit,100000.00'],
        accounts: ['account,name,type,role', '1100,Receivables,asset,receivables_control', '6300,Residues,expense,residues_written_off'],
        customers: ['customer,name,currency', 'C1,Almazara de Muestra,EUR'],
        items: ['document,kind,customer,date,due_date,currency,amount,base_amount'],
        matches: ['date,debit_document,credit_document,amount'],
    };
    for (let n = 1; n <= 680; n++) {
        const rest = n <= 520 ? 100 + (n % 100) : 900;
        const paid = ((100_000 - rest) / 100).toFixed(2);
        lines.items.push(`L${n},invoice,C1,2026-07-01,2026-08-01,EUR,1000.00,1000.00`);
        lines.items.push(`P${n},receipt,C1,2026-08-05,2026-08-05,EUR,${paid},${paid}`);
        lines.matches.push(`2026-08-05,L${n},P${n},${paid}`);
    }
    return lines;
}

test.beforeAll(async () => {
    test.setTimeout(180_000);
    mkdirSync(`${folder}/many/in`, { recursive: true });
    for (const [name, lines] of Object.entries(files())) {
        writeFileSync(`${folder}/many/in/${name}.csv`, lines.join('\n') + '\n');
    }
    ajuste(['books']);
    ajuste(['import', `${folder}/many/in`]);
    ajuste(['people', 'add', 'preparer@example.invalid', '--name=Nieves Molina', '--role=preparer'], { input: 'olive-press-12\n' });
    ({ served, address } = await serve(books, '/sign-in'));
});

test.afterAll(() => process.kill(-served.pid));

test('a run of many lines is looked at list by list, posted and taken back', async ({ page }) => {
    test.setTimeout(180_000);
    const problems = watch(page);
    const { press, done, tabTo } = byKeyboard(page, 600);
    const rows = (list) => page.locator(`#${list}-rows tr[data-minor]`);
    const foot = (list) => page.locator(`[x-data="grid"]:has(#${list}-rows) .table-foot`);
    await signIn(page, 'preparer', 'olive-press-12', undefined, address);
    await press('6');
    await expect(page.getByText('520 items inside the policy')).toBeVisible();
    await expect(rows('taken')).toHaveCount(150);

    await test.step('the list that one is in is filtered, sorted and chosen, and the other stays', async () => {
        await press('f');
        await page.keyboard.type('l51');
        await expect(rows('taken')).toHaveCount(11);
        await press('Escape');
        await press('a');
        await expect(foot('taken')).toContainText('11 chosen');
        await press('y');
        await expect(foot('taken')).toContainText('11 rows copied');
        const copied = (await page.evaluate(() => navigator.clipboard.readText())).split('\n');
        expect(copied[0]).toBe('Customer\tDocument\tAmount\tIn EUR\tWhy');
        expect(copied[11]).toMatch(/\tL519\t1\.19 Dr EUR\t1\.19 Dr\tinside the policy$/);
        await tabTo(rows('left').first().getByRole('link').first());
        await press('f');
        await page.keyboard.type('l66');
        await expect(rows('left')).toHaveCount(10);
        await expect(rows('taken')).toHaveCount(11);
        expect(new URL(page.url()).search).toBe('?taken-words=l51&left-words=l66');
        await page.reload();
        await expect(rows('left')).toHaveCount(10);
        await expect(rows('taken')).toHaveCount(11);
    });

    await test.step('more of a list that another follows comes when it is asked for, all of it when it is chosen', async () => {
        await page.goto(`${address}/residues`);
        const more = page.locator('#taken-rows [data-more]');
        await more.focus(); // past 450 links
        await press('Enter');
        await expect(rows('taken')).toHaveCount(300);
        await expect(more).toHaveText('220 more');
        await expect(rows('taken').nth(150).getByRole('link').first()).toBeFocused();
        await press('a');
        await expect(rows('taken')).toHaveCount(520);
        await expect(foot('taken')).toContainText('520 chosen');
    });

    await test.step('posted and taken back beside the pages', async () => {
        await press('Control+Enter');
        await expect(page).toHaveURL(/\/runs\/1$/, { timeout: 60_000 });
        await done('Posted run 1.');
        expect(JSON.parse(ajuste(['residues', '--json'])).lines).toEqual([]);
        await press('6');
        await tabTo(page.getByLabel('Why run 1 is taken back'));
        await page.keyboard.type('late news');
        await press('Enter');
        await expect(page).toHaveURL(/\/runs\/1$/, { timeout: 60_000 });
        await done('Run 1 is taken back as one.');
        expect(JSON.parse(ajuste(['residues', '--json'])).lines.length).toBe(520);
    });
    expect(problems).toEqual([]);
});
