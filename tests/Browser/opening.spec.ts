import { expect, test } from '@playwright/test';
import { openDemonstration } from './demonstration';

test('the bench opens with under 200 kB of script; what isn’t seen at first comes after the figures', async ({ page }) => {
    await openDemonstration(page, 'Tower clock tooth');
    await page.addInitScript(() => {
        const look = () => {
            if (/\d\s*×/.test(document.querySelector('main aside')?.textContent ?? '')) performance.mark('figures');
            else requestAnimationFrame(look);
        };
        requestAnimationFrame(look);
    });
    await page.reload();
    await expect(page.getByRole('region', { name: 'Magnification', exact: true })).toContainText('×');
    const scripts = await page.evaluate(() => {
        const stood = performance.getEntriesByName('figures')[0]?.startTime ?? 0;
        return (performance.getEntriesByType('resource') as PerformanceResourceTiming[])
            .filter(({ name, startTime }) => name.endsWith('.js') && startTime < stood)
            .map(({ name, encodedBodySize }) => [name.replace(/^.*\/|-[^-]+\.js$/g, ''), encodedBodySize] as const);
    });
    expect(scripts.length).toBeGreaterThan(3);
    expect(scripts.reduce((sum, [, bytes]) => sum + bytes, 0)).toBeLessThan(200_000);
    expect(scripts.map(([name]) => name)).not.toContain('Light');
    await page.getByRole('button', { name: 'Charts' }).click();
    await expect(page.getByRole('dialog', { name: 'Charts' }).getByRole('img').first()).toBeVisible();
});

for (const [where, width, height] of [
    ['a desk', 1280, 800],
    ['a phone', 390, 844],
] as const) {
    test(`on ${where} the bench has its first answers in its page, asks for none of them, and nothing jumps when the rest comes`, async ({
        page,
    }) => {
        await page.setViewportSize({ width, height });
        await openDemonstration(page, 'Tower clock tooth');
        const asked: string[] = [];
        page.on('request', (request) => asked.push(new URL(request.url()).pathname));
        await page.addInitScript(() => {
            const moved: string[] = [];
            Object.assign(window, { moved });
            new PerformanceObserver((list) => {
                for (const entry of list.getEntries() as (PerformanceEntry & { value: number; sources: { node: Node | null }[] })[])
                    moved.push(`${entry.value.toFixed(3)} ${entry.sources.map(({ node }) => node?.nodeName).join(' ')}`);
            }).observe({ type: 'layout-shift', buffered: true });
        });
        await page.reload();
        await expect(page.getByRole('region', { name: 'Magnification', exact: true })).toContainText('×');
        await expect(page.locator('[cmdk-item]').first()).toBeAttached();
        await page.waitForLoadState('networkidle');
        const rig = new URL(page.url()).pathname.replace('/bench', '/api/rigs');
        expect(asked).toContain(`${rig}/tray`);
        expect(asked.filter((each) => ['/api/me', '/api/rigs', rig].includes(each))).toEqual([]);
        // Taken in, they don't stay behind in the page.
        await expect(page.locator('#answers')).toHaveCount(0);
        expect(await page.evaluate(() => (window as unknown as { moved: string[] }).moved)).toEqual([]);
    });
}

test('what can’t be fetched when it is asked for says so, and comes by a press', async ({ page }) => {
    let isAway = true;
    await page.route(/\/build\/assets\/Light-[^/]+\.js$/, (route) => (isAway ? route.abort() : route.continue()));
    await openDemonstration(page, 'Tower clock tooth');
    await page.getByRole('tab', { name: 'Light' }).click();
    const panel = page.getByRole('tabpanel', { name: 'Light' });
    await expect(panel.getByRole('alert')).toHaveText(/couldn’t be fetched/);
    // What is fetched ahead has been tried too, to the last piece: from here on nothing comes but by the press.
    await page.waitForFunction(() => performance.getEntriesByType('resource').some(({ name }) => /\/FirstRigs-[^/]+\.js$/.test(name)));
    isAway = false;
    await panel.getByRole('button', { name: 'Try again' }).click();
    await expect(panel.getByRole('button', { name: 'Plan with flash' })).toBeVisible();
    await expect(panel.getByRole('alert')).toHaveCount(0);
});

test('once the bench stands everything else comes by itself: dialogs and tabs open without a connection', async ({ page, context }) => {
    await openDemonstration(page, 'Tower clock tooth');
    await page.waitForFunction(() =>
        ['ConflictDialog', 'DescribeDialog', 'Light', 'Shots', 'Charts', 'StatesDialog', 'RigsDialog', 'LookThrough'].every((piece) =>
            performance.getEntriesByType('resource').some(({ name }) => name.includes(`/${piece}-`) && name.endsWith('.js')),
        ),
    );
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Subject…' }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await expect(page.getByText('couldn’t be fetched')).toHaveCount(0);
    await context.setOffline(false);
});

test('places that one goes to next come by themselves', async ({ page }) => {
    await openDemonstration(page, 'Tower clock tooth');
    await page.waitForFunction(() =>
        ['KitPage', 'FindPage', 'OutingsPage', 'ComparePage', 'LedgerPage'].every((piece) =>
            performance.getEntriesByType('resource').some(({ name }) => name.includes(`/${piece}-`) && name.endsWith('.js')),
        ),
    );
});

test('a place that can’t be fetched says so, and comes by a press', async ({ page }) => {
    let isAway = true;
    await page.route(/\/build\/assets\/KitPage-[^/]+\.js$/, (route) => (isAway ? route.abort() : route.continue()));
    await openDemonstration(page, 'Tower clock tooth');
    await page.getByRole('link', { name: 'Kit', exact: true }).click();
    const alert = page.getByRole('main').getByRole('alert');
    await expect(alert).toHaveText(/couldn’t be fetched/);
    await expect(alert.getByRole('button', { name: 'Load the page anew' })).toBeVisible();
    isAway = false;
    await alert.getByRole('button', { name: 'Try again' }).click();
    await expect(page.getByRole('button', { name: /Rail bellows/ }).first()).toBeVisible();
    await expect(page.getByText('couldn’t be fetched')).toHaveCount(0);
});

test('a place that was renewed meanwhile comes with the page, loaded anew', async ({ page }) => {
    let isOld = true;
    await page.route(/\/build\/assets\/KitPage-[^/]+\.js$/, (route) => (isOld ? route.fulfill({ status: 404 }) : route.continue()));
    await openDemonstration(page, 'Tower clock tooth');
    await page.getByRole('link', { name: 'Kit', exact: true }).click();
    isOld = false;
    await page.getByRole('main').getByRole('button', { name: 'Load the page anew' }).click();
    await expect(page.getByRole('button', { name: /Rail bellows/ }).first()).toBeVisible();
});

test('what comes ahead waits while a hand is at work', async ({ page }) => {
    // Pieces come one after the other: what comes after this one hasn't been asked for before the hand is down.
    let arrives: () => void = () => undefined;
    const isDown = new Promise<void>((then) => (arrives = then));
    await page.route(/\/build\/assets\/ConflictDialog-[^/]+\.js$/, async (route) => {
        await isDown;
        await route.continue();
    });
    await openDemonstration(page, 'Tower clock tooth');
    const ring = page.getByRole('slider', { name: /aperture ring/ });
    const box = await ring.boundingBox();
    if (!box) throw new Error('no ring');
    const came: string[] = [];
    page.on('request', (request) => /\/(DescribeDialog|Light|Shots|Charts)-[^/]+\.js$/.test(request.url()) && came.push(request.url()));
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    arrives();
    for (let n = 0; n < 30; n++) {
        await page.mouse.move(box.x + box.width * (0.3 + 0.01 * n), box.y + box.height / 2);
        await page.waitForTimeout(100);
    }
    expect(came).toEqual([]);
    await page.mouse.up();
    await expect.poll(() => came.length).toBeGreaterThan(0);
});
