import { expect, test } from '@playwright/test';
import { openDemonstration } from './demonstration';

test('the bench opens with under 200 kB of script, and what isn’t seen at first comes when it is asked for', async ({ page }) => {
    await openDemonstration(page, 'Tower clock tooth');
    const scripts = () =>
        page.evaluate(() =>
            (performance.getEntriesByType('resource') as PerformanceResourceTiming[])
                .filter(({ name }) => name.endsWith('.js'))
                .map(({ name, encodedBodySize }) => [name.replace(/^.*\/|-[^-]+\.js$/g, ''), encodedBodySize] as const),
        );
    await page.reload();
    await expect(page.getByRole('region', { name: 'Magnification', exact: true })).toContainText('×');
    const first = await scripts();
    expect(first.length).toBeGreaterThan(3);
    expect(first.reduce((sum, [, bytes]) => sum + bytes, 0)).toBeLessThan(200_000);
    expect(first.map(([name]) => name)).not.toContain('Light');
    await page.getByRole('tab', { name: 'Light' }).click();
    await expect(page.getByRole('tabpanel', { name: 'Light' })).not.toBeEmpty();
    expect((await scripts()).map(([name]) => name)).toContain('Light');
    await page.getByRole('button', { name: 'Charts' }).click();
    await expect(page.getByRole('dialog', { name: 'Charts' }).getByRole('img').first()).toBeVisible();
});
