import { expect, test } from '@playwright/test';
import { openDemonstration, shown } from './demonstration';

test('from the bench: two rigs brought to the same magnification, who is best in what, and back', async ({ page }) => {
    await openDemonstration(page, 'Sedge seed, coat pattern');
    await page.getByRole('button', { name: 'This rig' }).click();
    await page.getByRole('menuitem', { name: 'Compare with…' }).click();
    const rigs = page.getByRole('list', { name: 'Rigs to one scale, their planes of focus in line' }).getByRole('listitem');
    await expect(rigs).toHaveCount(1);
    await page.getByRole('button', { name: 'Add a rig' }).click();
    await page.getByRole('menuitem', { name: /^Moss capsule, teeth/ }).click();
    await expect(rigs).toHaveCount(2);
    await page.getByRole('combobox', { name: 'Bring each' }).selectOption({ label: 'to a magnification of' });
    await page.getByRole('textbox', { name: 'to a magnification of' }).fill('4');
    await expect(page).toHaveURL(/rigs=\d+%2C\d+&to=magnification&value=4/);
    for (const rig of [0, 1]) await expect(rigs.nth(rig)).toContainText('4×');
    const verdict = page.getByRole('region', { name: 'What it comes to' });
    await expect(verdict.getByRole('columnheader')).toHaveText(['A', 'B']);
    const room = verdict.getByRole('row', { name: /^Most room/ });
    const figures = (await room.getByRole('cell').allInnerTexts()).map((text) => parseFloat(text));
    await expect(room.getByRole('cell').nth((figures[0] ?? 0) > (figures[1] ?? 0) ? 0 : 1)).toContainText('◂');

    // What can't be met says how near it gets, and is cropped.
    await page.getByRole('button', { name: 'Add a rig' }).click();
    await page.getByRole('menuitem', { name: /^Tower clock tooth/ }).click();
    await expect(rigs).toHaveCount(3);
    await expect(rigs.nth(2)).toContainText('as near as it gets');
    await expect(rigs.nth(2)).toContainText(/cropped to 5\.9\u2009mm, \d+ columns left/);

    const taken = page.waitForEvent('download');
    await page.getByRole('button', { name: 'As CSV' }).click();
    expect((await taken).suggestedFilename()).toBe('comparison.csv');

    // It is all in the address, and the rigs stay as they are.
    await page.reload();
    await expect(rigs).toHaveCount(3);
    await page.getByRole('button', { name: 'Leave out A' }).click();
    await expect(rigs).toHaveCount(2);
    await page.getByRole('link', { name: 'Tower clock tooth' }).click();
    await page.waitForURL(/\/bench\/\d+$/);
    expect(await shown(page, 'Magnification')).toBe('0.52');
});

test('begun empty it offers the rigs that are kept, and on a phone all of it is reached', async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    await openDemonstration(page);
    await page.getByRole('link', { name: 'Compare' }).click();
    await expect(page.getByRole('heading', { name: 'Which of these is better?' })).toBeVisible();
    await page.getByRole('button', { name: /^Lichen disc/ }).click();
    await page.getByRole('button', { name: 'Add a rig' }).click();
    await page.getByRole('menuitem', { name: /^Seed tray overview/ }).click();
    await expect(page.getByRole('region', { name: 'What it comes to' })).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
