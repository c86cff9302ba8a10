import { expect, test } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { createServer } from 'node:net';
import { byKeyboard, folder, handInChosen, watch } from './helpers.js';

const freePort = () =>
    new Promise((found) => {
        const server = createServer().listen(0, '127.0.0.1', () => {
            const { port } = server.address();
            server.close(() => found(port));
        });
    });

const sheet = (name, text) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });

let served;
let address;

test.beforeAll(async () => {
    const books = `${folder}/own`;
    mkdirSync(books, { recursive: true });
    const port = await freePort();
    address = `http://127.0.0.1:${port}`;
    served = spawn('./ajuste', ['serve', `--port=${port}`], {
        detached: true,
        stdio: 'ignore',
        env: { ...process.env, AJUSTE_BOOKS: `${books}/books.sqlite` },
    });
    await expect(async () => expect((await fetch(`${address}/first-start`)).ok).toBe(true)).toPass({ timeout: 60_000 });
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
