import { expect, test } from '@playwright/test';
import { byKeyboard, folder, handInChosen, serve, watch } from './helpers.js';

const sheet = (name, text) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });

let served;
let address;

test.beforeAll(async () => {
    ({ served, address } = await serve(`${folder}/own/books.sqlite`, '/first-start'));
});

test.afterAll(() => process.kill(-served.pid));

test('from nothing and two sheets of another system to an aged list that ties', async ({ page }) => {
    test.setTimeout(180_000);
    const problems = watch(page);
    const { press, done, tabTo } = byKeyboard(page, 60);
    let keys = 0;
    const key = (name) => {
        keys++;
        return press(name);
    };
    const type = async (field, text) => {
        await tabTo(field);
        await page.keyboard.type(text);
        keys += text.length;
    };

    await test.step('whose the books are, and the first person', async () => {
        await page.goto(address);
        await expect(page.getByText('These books are empty. Say whose they are')).toBeVisible();
        for (const [name, text] of [
            ['books_name', 'Molino del Ejemplo'],
            ['name', 'Berta Encina'],
            ['email', 'berta@example.invalid'],
            ['password', 'three-olive-trees-9'],
        ]) {
            await type(page.locator(`[name=${name}]`), text);
        }
        await tabTo(page.locator('[name=period]'));
        await key('Control+a');
        await page.keyboard.type('2026-10');
        await key('Enter');
        await expect(page.getByText('Four steps lead to an aged list that ties')).toBeVisible();
    });

    await test.step('the chart as the other system has it, and the roles that its names speak for', async () => {
        await page.goto(`${address}/intake`);
        await page.setInputFiles('input[type=file]', sheet(
            'accounts.csv',
            'account,name,type\n4300,Clientes,asset\n5720,Bancos,asset\n7000,Ventas,income\n4770,IVA repercutido,liability\n',
        ));
        await handInChosen(page);
        await key('Control+Enter');
        await done('Taken in');
        await page.goto(`${address}/lists/accounts`);
        await key('r');
        await done('Taken.');
        await expect(page.getByRole('cell', { name: 'receivables control' })).toBeVisible();
    });

    await test.step('an open list, which makes its customers', async () => {
        await page.goto(`${address}/intake`);
        await page.setInputFiles('input[type=file]', sheet(
            'pendientes.csv',
            'Listado de vencimientos;;;;\nFactura;Fecha factura;Vencimiento;Tipo documento;Importe\n' +
                'Cliente: 10001 Tienda Primera;;;;\nF1;16/09/2026;16/10/2026;Factura;1.234,50\nF2;20/09/2026;20/09/2026;Abono;100,00\n' +
                'Cliente: 10002 Tienda Segunda;;;;\nF3;17/10/2026;17/11/2026;Factura;200,00\nTotal general;;;;1.334,50\n',
        ));
        await handInChosen(page);
        await tabTo(page.getByRole('button', { name: 'Make the customers that the lists name' }));
        await key('Enter');
        await expect(page.getByText('customers named.csv').first()).toBeVisible();
        await key('Control+Enter');
        await done('Taken in');
    });

    await test.step('the balance of the control account, and the list ties', async () => {
        await page.goto(address);
        await key('s');
        await expect(page.getByRole('heading', { name: 'First steps' })).toBeVisible();
        await page.waitForLoadState('load');
        await key('b');
        await page.keyboard.type('1.334,50');
        await tabTo(page.getByRole('button', { name: 'Take it over' }));
        await key('Enter');
        await done('Taken over');
        await page.goto(`${address}/aged`);
        await expect(page.getByRole('main').getByText('ties', { exact: true })).toBeVisible();
        await expect(page.locator('tfoot')).toContainText('1,334.50');
        await expect(page.locator('#aged-rows')).toContainText('Tienda Segunda');
    });

    // At a key a second, with a minute to look at each page, far below the twenty minutes.
    expect(keys).toBeLessThan(200);
    expect(problems).toEqual([]);
});

test('two books side by side: made, worked in and changed by keys, each with a session of its own', async ({ page, context }) => {
    test.setTimeout(180_000);
    const problems = watch(page);
    const { press, done, tabTo } = byKeyboard(page, 60);
    const books = /\/b\/almazara-del-ejemplo/;

    await test.step('further books beside those of the story before', async () => {
        await page.goto(address);
        await page.getByLabel('E-mail address').fill('berta@example.invalid');
        await page.getByLabel('Password').fill('three-olive-trees-9');
        await page.keyboard.press('Enter');
        await expect(page.getByRole('link', { name: 'Molino del Ejemplo' })).toBeVisible();
        await press('Shift+B');
        await expect(page.getByRole('heading', { name: 'Books', exact: true })).toBeVisible();
        await press('e');
        await page.keyboard.type('Almazara del Ejemplo');
        await tabTo(page.locator('[name=period]'));
        await press('Control+a');
        await page.keyboard.type('2026-10');
        await press('Control+Enter');
        await expect(page).toHaveURL(books);
        await expect(page.getByText('Four steps lead to an aged list that ties')).toBeVisible();
    });

    await test.step('what is handed in here is in these books alone', async () => {
        await page.goto(`${address}/b/almazara-del-ejemplo/intake`);
        await page.setInputFiles('input[type=file]', sheet(
            'accounts.csv',
            'account,name,type,role\n4300,Clientes,asset,receivables_control\n7000,Ventas,income,revenue\n',
        ));
        await handInChosen(page);
        await press('Control+Enter');
        await done('Taken in');
        await expect(page).toHaveURL(books);
        await expect(page.locator('#proofline')).toContainText('0.00');
    });

    await test.step('the list says how each close stands, and a key changes to the other', async () => {
        await press('Shift+B');
        const row = (name) => page.getByRole('row').filter({ hasText: name });
        await expect(row('Almazara del Ejemplo')).toContainText('open here');
        await expect(row('Molino del Ejemplo')).toContainText('October 2026, open');
        for (let step = 0; step < 2; step++) {
            await press('j');
        }
        await expect(row('Molino del Ejemplo').getByRole('link')).toBeFocused();
        await press('Enter');
        await expect(page).toHaveURL(`${address}/`);
        await expect(page.getByRole('link', { name: 'Molino del Ejemplo' })).toBeVisible();
        await page.goto(`${address}/aged`);
        await expect(page.locator('#aged-rows')).toContainText('Tienda Segunda');
    });

    await test.step('a session opens the books that it was opened on, and no others', async () => {
        const before = await context.cookies();
        const [own, other] = [/^ajuste_session$/, /^ajuste_session_almazara/].map((name) => before.find((of) => name.test(of.name)));
        await context.clearCookies();
        await context.addCookies([{ ...own, name: other.name, path: other.path }]);
        await page.goto(`${address}/b/almazara-del-ejemplo/aged`);
        await expect(page).toHaveURL(`${address}/b/almazara-del-ejemplo/sign-in`);
        await context.addCookies([other]);
        await page.goto(`${address}/b/almazara-del-ejemplo/aged`);
        await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
        await page.goto(`${address}/aged`);
        await expect(page).toHaveURL(`${address}/sign-in`);
    });

    expect(problems).toEqual([]);
});
