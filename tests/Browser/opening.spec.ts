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
