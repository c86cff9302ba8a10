import { expect, test } from '@playwright/test';
import { createHmac } from 'node:crypto';
import { become, byKeyboard, signIn, watch } from './helpers.js';

/** A code of RFC 6238, worked out here a second time. */
function codeOf(secret, steps = 0) {
    const letters = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';
    const bits = [...secret].map((letter) => letters.indexOf(letter).toString(2).padStart(5, '0')).join('');
    const key = Buffer.from(bits.match(/.{8}/g).map((eight) => parseInt(eight, 2)));
    const time = Buffer.alloc(8);
    time.writeBigUInt64BE(BigInt(Math.floor(Date.now() / 30_000) + steps));
    const hash = createHmac('sha1', key).update(time).digest();
    const number = hash.readUInt32BE(hash[19] & 15) & 0x7fffffff;
    return String(number % 1_000_000).padStart(6, '0');
}

test('a person is invited, sets password and second factor, and can do what the role says', async ({ page, browser }) => {
    const problems = watch(page);
    const { press, done, tabTo } = byKeyboard(page, 80);
    let link;
    await test.step('who looks after the people invites a reader', async () => {
        await signIn(page, 'reviewer');
        await page.goto('/people');
        await press('e');
        await page.keyboard.type('Dorotea Almazara');
        await press('Tab');
        await page.keyboard.type('dorotea@example.invalid');
        await press('Tab');
        await page.keyboard.type('reader');
        await press('Control+Enter');
        await done('Give Dorotea Almazara the link');
        link = await page.locator('#worktop code').textContent();
        await expect(page.locator('tr.current')).toContainText('never');
    });

    await test.step('the list is found without accents, and keeps its order and columns', async () => {
        await page.locator('[data-filter]').fill('CASTANAR');
        await expect(page.locator('table[data-list] tbody tr:visible')).toHaveCount(1);
        await page.locator('[data-filter]').fill('');
        const name = page.locator('table[data-list] thead button', { hasText: 'Name' });
        await name.focus();
        await press('Enter');
        await press('Enter');
        await expect(page.locator('table[data-list] tbody tr').first()).toContainText('Dorotea');
        await page.locator('summary', { hasText: 'Columns' }).focus();
        await press('Enter');
        await tabTo(page.getByLabel('Address', { exact: true }));
        await press('Space');
        await page.reload();
        await expect(page.locator('table[data-list] tbody tr').first()).toContainText('Dorotea');
        await expect(page.getByText('dorotea@example.invalid')).toBeHidden();
        await expect(page.getByText('reader', { exact: true }).first()).toBeVisible();
    });

    const hers = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const her = await hers.newPage();
    const keys = byKeyboard(her, 80);
    let secret;
    await test.step('she sets a password, and a second factor', async () => {
        await her.goto(link);
        await her.keyboard.type('one green olive tree');
        await her.keyboard.press('Enter');
        await expect(her.getByRole('status')).toContainText('The password is set');
        await her.getByLabel('E-mail address').fill('dorotea@example.invalid');
        await her.getByLabel('Password').fill('one green olive tree');
        await her.keyboard.press('Enter');
        await expect(her.getByRole('heading', { level: 1 })).toContainText('Left to do');
        await her.goto('/me');
        secret = (await her.locator('#worktop code').textContent()).replace(/\s/g, '');
        await keys.tabTo(her.getByLabel('Code'));
        await her.keyboard.type(codeOf(secret, -1));
        await her.keyboard.press('Enter');
        await keys.done('a code is asked for');
        await expect(her.locator('.note li')).toHaveCount(10);
        await her.reload();
        await expect(her.locator('.note li')).toHaveCount(0);
    });

    await test.step('the password alone opens nothing any more, and a reader posts nothing', async () => {
        await become(her, 'dorotea', 'one green olive tree', async () => {
            await expect(her.getByRole('heading', { level: 1 })).not.toContainText('Left to do');
            await her.keyboard.type(codeOf(secret));
            await her.keyboard.press('Enter');
        });
        await her.goto('/statements');
        await expect(her.getByRole('button', { name: /Send/ })).toHaveCount(0);
        await her.goto('/people');
        await expect(her.locator('#worktop')).not.toContainText('Invite a person');
    });

    await test.step('whoever is disabled is out with the next request', async () => {
        await page.reload();
        await tabTo(page.getByRole('button', { name: 'Disable' }));
        await press('Enter');
        await done('opens these books no more');
        await her.goto('/aged');
        await expect(her.getByLabel('Password')).toBeVisible();
        await hers.close();
    });
    expect(problems).toEqual([]);
});
