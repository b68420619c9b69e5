import { expect, test, type Page } from '@playwright/test';
import { chainOf, digits, exported, openDemonstration, shown } from './demonstration';

/** As if the server were away: nothing that is asked for gets there. */
const cut = (page: Page) => page.route('**/api/**', (route) => route.abort('connectionrefused'));
const mend = (page: Page) => page.unroute('**/api/**');
const saying = (page: Page) => page.getByRole('status').first();

async function bellows(page: Page) {
    await openDemonstration(page, 'Sedge seed, coat pattern');
    const draw = page.getByRole('slider', { name: /Rail bellows · draw/ });
    await draw.focus();
    await expect(draw).toHaveAttribute('aria-busy', 'false');
    await page.waitForLoadState('networkidle');
    return draw;
}

test('with the server away for twenty seconds the bench goes on, keeps the steps, and sends them in order when it is back', async ({
    page,
}) => {
    const draw = await bellows(page);
    const before = await shown(page, 'Magnification');
    await cut(page);
    const from = Date.now();
    // Moved again and again: every figure comes from the sweep that is here, and nothing springs back.
    for (const key of ['ArrowRight', 'ArrowRight', 'End', 'ArrowLeft']) {
        await draw.press(key);
        await page.keyboard.press('Tab');
        await draw.focus();
    }
    await expect(saying(page)).toHaveText(/steps? waits? on this device/);
    const left = await shown(page, 'Magnification');
    const at = await draw.getAttribute('aria-valuetext');
    expect(left).not.toBe(before);
    await page.waitForTimeout(Math.max(0, 20_000 - (Date.now() - from)));
    expect(await shown(page, 'Magnification')).toBe(left);
    expect(await draw.getAttribute('aria-valuetext')).toBe(at);
    await mend(page);
    await expect(saying(page)).toHaveText('saved', { timeout: 15_000 });
    const told = await exported(page);
    expect(digits(told.magnification)).toBe(left);
    expect(await shown(page, 'Magnification')).toBe(left);
});

test('what waits outlives the page, and a part that was taken off waits behind it', async ({ page }) => {
    const draw = await bellows(page);
    const rig = page.url();
    const chain = chainOf(page);
    const count = await chain.getByRole('option').count();
    await cut(page);
    await draw.press('End');
    await page.keyboard.press('Tab');
    await expect(saying(page)).toHaveText('1 step waits on this device');
    await chain.focus();
    await page.keyboard.press('Home');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Backspace');
    await expect(saying(page)).toHaveText('2 steps wait on this device');
    // What it comes to can't be known here: it is said that the figures are those of before.
    await expect(page.getByText('The figures are those before the waiting steps.')).toBeVisible();
    await page.goto('about:blank');
    await mend(page);
    await page.goto(rig);
    await expect(saying(page)).toHaveText('saved', { timeout: 15_000 });
    await expect(chain.getByRole('option')).toHaveCount(count - 2);
    const labels = await page.evaluate(
        async (of) => ((await (await fetch(`/api/rigs/${of}/states`)).json()) as { label: string }[]).map(({ label }) => label),
        new URL(rig).pathname.split('/').pop(),
    );
    expect(labels.slice(0, 2).map((label) => label.split(' ')[0])).toEqual(['take', 'set']);
});

test('an answer that is lost on the way makes no step twice', async ({ page }) => {
    const draw = await bellows(page);
    let lost = 0;
    await page.route('**/steps', async (route) => {
        if (lost > 0) return route.continue();
        lost++;
        // The server has taken it; nobody here hears of it.
        await route.fetch();
        await route.abort('connectionreset');
    });
    await draw.press('ArrowRight');
    await page.keyboard.press('Tab');
    await expect(saying(page)).toHaveText('saved', { timeout: 15_000 });
    expect(lost).toBe(1);
    const id = new URL(page.url()).pathname.split('/').pop() ?? '';
    const states = await page.evaluate(async (of) => (await (await fetch(`/api/rigs/${of}/states`)).json()) as unknown[], id);
    expect(states).toHaveLength(2);
});

for (const choice of ['Put my steps on top', 'Take the server’s'] as const) {
    test(`changed in two places: both states are shown, and “${choice}” does as it says`, async ({ page, context, browser }) => {
        const draw = await bellows(page);
        await cut(page);
        await draw.press('End');
        await page.keyboard.press('Tab');
        await expect(saying(page)).toHaveText('1 step waits on this device');
        const mine = await shown(page, 'Magnification');
        // Meanwhile the same person is at another device.
        const elsewhere = await browser.newContext({ storageState: await context.storageState() });
        const other = await elsewhere.newPage();
        await other.goto(page.url());
        await other.getByRole('slider', { name: /Rail bellows · draw/ }).focus();
        await other.keyboard.press('Home');
        await other.keyboard.press('Tab');
        await expect(saying(other)).toHaveText('saved');
        await expect(other.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', /set Rail bellows/);
        const theirs = await shown(other, 'Magnification');
        await elsewhere.close();
        await mend(page);
        const dialog = page.getByRole('dialog', { name: 'Changed in two places' });
        await expect(dialog).toBeVisible({ timeout: 15_000 });
        await expect(dialog.getByRole('region', { name: 'As it is on the server' })).toContainText(`${theirs}×`);
        await expect(dialog.getByRole('region', { name: 'As you left it here' })).toContainText(`${mine}×`);
        await dialog.getByRole('button', { name: choice }).click();
        await expect(dialog).toBeHidden();
        await expect(saying(page)).toHaveText('saved');
        await expect(page.getByRole('region', { name: 'Magnification', exact: true }).locator('[data-figure]')).toHaveText(
            choice === 'Take the server’s' ? theirs : mine,
        );
    });
}

test('elsewhere an outage is told in our words, and what was typed stays', async ({ page }) => {
    await openDemonstration(page);
    await page.getByRole('link', { name: 'Kit' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.route('**/api/**', (route) => route.fulfill({ status: 502, contentType: 'text/html', body: '<h1>502 Bad Gateway</h1>' }));
    await page.getByRole('link', { name: 'Find' }).click();
    await expect(page.getByRole('alert').first()).toContainText('No answer from the server', { timeout: 20_000 });
    await expect(page.locator('body')).not.toContainText('Server Error');
    await expect(page.locator('body')).not.toContainText('Failed to fetch');
});
