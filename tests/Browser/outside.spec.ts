import { expect, test, type Page } from '@playwright/test';
import { openDemonstration } from './demonstration';

test.use({ viewport: { width: 360, height: 640 }, hasTouch: true });

const state = (page: Page) => page.getByRole('banner').getByRole('status');
const log = (page: Page) => page.getByRole('region', { name: 'Written down' });

async function openOutside(page: Page): Promise<string> {
    await openDemonstration(page);
    await page.goto('/outings');
    await page.getByRole('link', { name: /^Fen edge, first frost/ }).click();
    await page.getByRole('link', { name: 'Take it outside' }).click();
    await expect(state(page)).toHaveText('all of it is home');
    // The page and what it is made of are on the device once the worker has it.
    await page.evaluate(async () => {
        await navigator.serviceWorker.ready;
        for (let n = 0; n < 100 && !(await caches.match(location.pathname)); n++) await new Promise((done) => setTimeout(done, 100));
    });
    return page.url();
}

/** Entries of the outing on the server, in the order in which they were written. */
const kept = (page: Page, address: string) =>
    page.evaluate(
        async (id) =>
            (await (await fetch(`/api/outings/${id}/entries`)).json()) as {
                id: string;
                entry: { note?: string; subject: string; replaces?: string[] };
            }[],
        address.match(/outings\/(\d+)/)?.[1] ?? '',
    );

async function different(page: Page, fill: Readonly<Record<string, string>>): Promise<void> {
    for (const [label, value] of Object.entries(fill)) await page.getByLabel(label).fill(value);
    await page.getByRole('button', { name: 'Write it down', exact: true }).click();
    await expect(page.getByText('Written down.')).toBeVisible();
}

test('without a network: twelve entries, two changed, the browser closed and opened again; with one, all are home once', async ({
    page,
    context,
}) => {
    test.setTimeout(180_000);
    const address = await openOutside(page);
    await context.setOffline(true);
    await page.reload();
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expect(state(page)).toHaveText(/^no network/);

    // Step through the subjects: four as shot, eight otherwise.
    let number = 0;
    for (let subject = 0; subject < 4; subject++) {
        await page.getByRole('button', { name: 'Write it down as shot' }).click();
        await expect(state(page)).toHaveText(new RegExp(`${++number} entr(y|ies) waits? on this device`));
        for (let more = 0; more < 2; more++) {
            await page.getByRole('button', { name: 'It was different' }).click();
            await different(page, { 'Front to subject, measured': String(40 + number), Note: `note ${number + 1}` });
            await expect(state(page)).toHaveText(new RegExp(`${++number} entries wait`));
        }
        await page.getByRole('button', { name: 'Next subject' }).click();
    }
    await page.getByRole('button', { name: 'Next subject' }).click();
    // Two are changed: each is another entry that takes the place of the first.
    for (const note of ['note 2', 'note 3']) {
        await log(page).getByRole('listitem').filter({ hasText: note }).getByRole('button', { name: 'Change' }).click();
        await different(page, { Note: `${note}, corrected` });
    }
    await expect(log(page).getByRole('listitem')).toHaveCount(3);
    await expect(state(page)).toHaveText('no network; 14 entries wait on this device');

    // The browser is closed and opened again: all of it is there.
    await page.close();
    const again = await context.newPage();
    await again.goto(address);
    await expect(state(again)).toHaveText('no network; 14 entries wait on this device');
    await expect(log(again).getByText('note 2, corrected')).toBeVisible();

    // The connection breaks in the middle of sending, after the server has taken some: those are sent again.
    let through = 0;
    await again.route('**/api/outings/*/entries/*', async (route) => {
        through++;
        if (through === 4) {
            await route.fetch();
            await route.abort('connectionreset');
        } else await route.continue();
    });
    await context.setOffline(false);
    await expect(state(again)).toHaveText('all of it is home', { timeout: 60_000 });
    const home = await kept(again, address);
    expect(home).toHaveLength(14);
    expect(new Set(home.map(({ id }) => id)).size).toBe(14);
    expect(home.map(({ entry }) => entry.note ?? '')).toEqual([
        ...['', 'note 2', 'note 3', '', 'note 5', 'note 6', '', 'note 8', 'note 9', '', 'note 11', 'note 12'],
        'note 2, corrected',
        'note 3, corrected',
    ]);
    expect(home[12]?.entry.replaces).toEqual([home[1]?.id]);
    expect(through).toBeGreaterThan(14);
});

test('the same entry changed on two devices: both are kept, shown side by side, and somebody says which it is', async ({
    page,
    browser,
}) => {
    const address = await openOutside(page);
    await page.getByRole('button', { name: 'Write it down as shot' }).click();
    await expect(state(page)).toHaveText('all of it is home');

    const other = await (await browser.newContext({ storageState: await page.context().storageState() })).newPage();
    await other.goto(address);
    await expect(log(other).getByRole('listitem')).toHaveCount(1);
    for (const [device, note] of [
        [page, 'said here'],
        [other, 'said there'],
    ] as const) {
        await device.context().setOffline(true);
        await log(device).getByRole('button', { name: 'Change' }).click();
        await different(device, { Note: note });
        await expect(state(device)).toHaveText('no network; 1 entry waits on this device');
    }
    for (const device of [page, other]) {
        await device.context().setOffline(false);
        await expect(state(device)).toHaveText('all of it is home', { timeout: 60_000 });
    }
    await page.reload();
    await expect(log(page).getByText('Changed on two devices. Which is it?')).toBeVisible();
    await expect(log(page).getByText('said here')).toBeVisible();
    await expect(log(page).getByText('said there')).toBeVisible();
    await log(page)
        .getByRole('button', { name: /^This one: .*said there/ })
        .click();
    await expect(log(page).getByText('Changed on two devices. Which is it?')).toHaveCount(0);
    await expect(log(page).getByRole('listitem')).toHaveCount(1);
    await expect(log(page).getByRole('listitem')).toContainText('said there');
    await expect(state(page)).toHaveText('all of it is home');
    // Nothing was lost: the first, both changes, and the last word.
    expect(await kept(page, address)).toHaveLength(4);
    await other.context().close();
});

test('fits 360 by 640 with targets of 48 px, and in the sun', async ({ page }) => {
    await openOutside(page);
    for (const light of ['light', 'outdoors']) {
        await page.evaluate((on) => document.documentElement.toggleAttribute('data-outdoors', on === 'outdoors'), light);
        expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
        for (const button of await page.getByRole('button').all()) expect((await button.boundingBox())?.height).toBeGreaterThanOrEqual(48);
    }
});

test('a server that is busy is asked again, and never says that there is no such outing', async ({ page }) => {
    await openDemonstration(page);
    const outings = await page.evaluate(async () => (await (await fetch('/api/outings')).json()) as { id: number; name: string }[]);
    const id = outings.find(({ name }) => name.startsWith('Fen edge'))?.id;
    // Somebody planned in another window meanwhile, and then the machine was full.
    const refusals = [409, 503];
    await page.route('**/plan', (route) => {
        const status = refusals.shift();
        return status === undefined ? route.continue() : route.fulfill({ status, json: { message: 'Later.', busy: true } });
    });
    const told: (string | null)[] = [];
    await page.exposeFunction('told', (text: string) => told.push(text));
    await page.addInitScript(() =>
        new MutationObserver(() => {
            const alert = document.querySelector('[role=alert]');
            if (alert) (globalThis as unknown as { told: (text: string) => void }).told(alert.textContent);
        }).observe(document, { childList: true, subtree: true }),
    );
    await page.goto(`/outings/${id}/outside`);
    await expect(page.getByRole('button', { name: 'Write it down as shot' })).toBeVisible({ timeout: 25_000 });
    expect(refusals).toEqual([]);
    expect(told).toEqual([]);
});

test('whoever else uses the device sees and sends nothing of what another wrote there', async ({ page, context }) => {
    const address = await openOutside(page);
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Write it down as shot' }).click();
    await expect(state(page)).toHaveText(/1 entry waits/);
    // Gone without signing out, as from a shared table: the next one opens a demonstration of their own.
    await page.goto('about:blank');
    await context.clearCookies();
    await context.setOffline(false);
    const sent: string[] = [];
    page.on('request', (request) => request.method() === 'PUT' && sent.push(request.url()));
    await openDemonstration(page);
    await page.goto(address);
    await expect(page.getByRole('alert')).toHaveText('There is no such outing of yours.');
    const mine = await page.evaluate(async () => (await (await fetch('/api/outings')).json()) as { id: number; name: string }[]);
    await page.goto(address.replace(/outings\/\d+/, `outings/${mine.find(({ name }) => name.startsWith('Fen edge'))?.id}`));
    await expect(state(page)).toHaveText('all of it is home');
    await expect(log(page).getByText('Nothing yet.')).toBeVisible();
    // Longer than it takes to try again.
    await page.waitForTimeout(6_000);
    expect(sent).toEqual([]);
});
