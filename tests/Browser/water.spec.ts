import { expect, test, type Page } from '@playwright/test';
import { byKeys, chainOf, newcomer } from './demonstration';

/** Takes a pattern in as it is, all its parts. */
async function pattern(page: Page, name: string): Promise<void> {
    await page.goto('/kit?add=1');
    await page.getByRole('textbox', { name: 'Search patterns' }).fill(name);
    await page
        .getByRole('button', { name: new RegExp(`^${name}`) })
        .first()
        .click();
    const next = page.getByRole('button', { name: 'Next part' });
    const add = page.getByRole('button', { name: /^Add (it|all)/ });
    while (!(await add.isVisible())) {
        await next.click();
        await expect(next.or(add)).toBeVisible();
    }
    await add.click();
    await expect(page).not.toHaveURL(/add=1/);
}

test('a built-in lens, a housing, wet glass on a ring: by patterns, above water and below, and in Find', async ({ page }) => {
    test.setTimeout(120_000);
    await newcomer(page);
    for (const each of ['Camera with a built-in lens', 'Flat port of a housing', 'Wet close-up lens', 'Wet wide converter'])
        await pattern(page, each);

    await page.goto('/bench');
    await page.getByRole('button', { name: 'New rig' }).click();
    // The lens that doesn't come off is there already.
    await expect(chainOf(page).getByRole('option')).toHaveCount(4);
    const put = byKeys(page);
    await chainOf(page).press('End');
    await put('Flat port', 6);
    const water = page.getByRole('region', { name: 'Above water and below' });
    await expect(water.getByRole('columnheader')).toHaveText(['in air', 'behind the port']);
    await chainOf(page).press('End');
    await put('Step ring 52 to 67', 8);
    await chainOf(page).press('End');
    await put('Wet lens', 10);
    await expect(water.getByRole('columnheader')).toHaveText(['in air', 'behind the port', 'with wet glass']);
    const row = async (name: string) =>
        (
            await water
                .getByRole('row', { name: new RegExp(`^${name}`) })
                .getByRole('cell')
                .allInnerTexts()
        ).map(Number);
    const [air = 0, port = 0, wet = 0] = await row('Nearest');
    expect(port).toBeGreaterThan(air);
    expect(wet).toBeLessThan(port);
    const large = await row('Largest');
    expect(large[2]).toBeGreaterThan(large[1] ?? 0);
    // Cautions of those who dive.
    await expect(page.getByText(/no bubbles stay between port and wet lens/)).toBeVisible();
    await expect(page.getByText(/don’t go together/)).toHaveCount(0);

    // Find asks of what stands behind the port.
    await page.goto('/find?fieldWidthMm=35&underWater=1');
    await expect(page.getByText('under water, through a port')).toBeVisible();
    const found = page.getByRole('list', { name: /that do it/ });
    await expect(found.getByRole('listitem').first()).toContainText('Wet lens +10');
    for (const text of await found.getByRole('listitem').allInnerTexts()) expect(text).toContain('Flat port');
});
