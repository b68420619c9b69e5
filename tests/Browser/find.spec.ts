import { expect, test, type Page } from '@playwright/test';
import { digits, exported, openDemonstration, shown } from './demonstration';

const rowsOf = (page: Page) => page.getByRole('list', { name: 'Rigs that do it, the best first' }).getByRole('listitem');
const status = (page: Page) => page.getByRole('status');

/** The figures of a row: working distance, magnification, stops. */
async function figuresOf(page: Page, row: number): Promise<string[]> {
    const text = await rowsOf(page).nth(row).innerText();
    const [, room = '', , m = ''] = /([\d.]+)\s*mm away\s*((?:±[\d.]+\s+)?([\d.]+)\s*×)/.exec(text.replaceAll('\n', ' ')) ?? [];
    return [room, m];
}

test('from a wish to the bench: the same numbers in both, and back again', async ({ page }) => {
    await openDemonstration(page);
    await page.getByRole('link', { name: 'Find' }).click();
    await expect(page.getByRole('heading', { name: 'What can your kit do at all?' })).toBeVisible();

    // By keyboard alone: the blanks, the pick, the list, and onto the bench.
    await page.getByRole('textbox', { name: /of subject/ }).focus();
    await page.keyboard.type('18');
    await page.keyboard.press('Tab');
    await page.keyboard.type('60');
    await expect(status(page)).toContainText(/[\d,]+ of 3,\d+ rigs of your kit do this/);
    const all = await rowsOf(page).count();
    await page.keyboard.press('Tab');
    await page.keyboard.type('2');
    await page.getByRole('button', { name: 'with or without' }).press('Enter');
    await page.getByRole('menuitemradio', { name: 'with', exact: true }).press('Enter');
    await expect(page).toHaveURL(/fieldWidthMm=18&leastRoomMm=60&mostStopsLost=2&automatic=1/);
    await expect(status(page)).not.toContainText('looking');
    await expect.poll(() => rowsOf(page).count()).toBeLessThan(all);
    const first = rowsOf(page).first().getByRole('button');
    await first.focus();
    await page.keyboard.press('ArrowDown');
    await expect(rowsOf(page).nth(1).getByRole('button')).toBeFocused();
    const [room, m] = await figuresOf(page, 1);
    await page.keyboard.press('Enter');

    await page.waitForURL(/\/bench\/\d+$/);
    expect(await shown(page, 'Working distance')).toBe(room);
    expect(await shown(page, 'Magnification')).toBe(m);
    const told = await exported(page);
    expect(digits(told.workingDistanceMm)).toBe(room);
    expect(digits(told.magnification)).toBe(m);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('listbox', { name: /from camera to subject/ }).getByRole('option')).toHaveCount(2);

    // The wish is in the address: the way back comes to the same answer.
    await page.goBack();
    await expect(status(page)).toContainText(/rigs of your kit do this/);
    expect(await figuresOf(page, 1)).toEqual([room, m]);
});

test('a wish grows by clauses, is kept under a name, and comes back', async ({ page }) => {
    await openDemonstration(page);
    await page.goto('/find?magnification=2');
    await expect(page.getByRole('button', { name: 'Magnify' })).toBeVisible();
    await expect(status(page)).toContainText('of your kit do this');
    const before = await status(page).innerText();
    await page.getByRole('button', { name: 'and …' }).click();
    await page.getByRole('menuitem', { name: 'mass' }).click();
    await page.getByRole('textbox', { name: /weighing at most/ }).fill('1200');
    await expect(page).toHaveURL(/mostMassG=1200/);
    await expect.poll(() => status(page).innerText()).not.toBe(before);

    await page.getByRole('button', { name: 'Wishes' }).click();
    await page.getByRole('menuitem', { name: 'Keep this wish as…' }).click();
    await page.getByLabel('Name').fill('Light and twice life size');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await page.getByRole('button', { name: 'Leave out: mass' }).click();
    await expect(page).not.toHaveURL(/mostMassG/);
    await page.getByRole('button', { name: 'Wishes' }).click();
    await page.getByRole('menuitem', { name: 'Light and twice life size' }).click();
    await expect(page).toHaveURL(/magnification=2&mostMassG=1200/);
    await expect(page.getByRole('textbox', { name: /weighing at most/ })).toHaveValue('1200');
});

test('what can’t be done says how near the kit comes and which part would do it', async ({ page }) => {
    await openDemonstration(page);
    await page.goto('/find?fieldWidthMm=18&leastRoomMm=400');
    await expect(page.getByRole('heading', { name: 'No rig from your kit does this.' })).toBeVisible();
    await expect(page.getByText('a lens of 200 mm, larch', { exact: true })).toBeVisible();
    await expect(page.getByRole('list', { name: 'How near your kit comes' }).getByRole('listitem').first()).toContainText('mm away');
    // A blank that can't be so is said where it stands, and what was found goes.
    await page.getByRole('textbox', { name: /of subject/ }).fill('0');
    await expect(page.getByRole('alert')).toContainText('between 0.01 and 100000');
});

test('the map makes one route stand out, and stays quick with all its dots', async ({ page }) => {
    await openDemonstration(page);
    await page.goto('/find?magnification=1');
    const coupled = page.getByRole('button', { name: 'coupled' });
    await coupled.click();
    await expect(coupled).toHaveAttribute('aria-pressed', 'true');
    await expect(page.getByRole('img', { name: /Everything your kit can do/ })).toBeVisible();
    await expect(page.getByText(/Shaded: all 3,\d+ rigs\. Dots: \d,\d+ of them\./)).toBeVisible();
    await coupled.click();
    await expect(coupled).toHaveAttribute('aria-pressed', 'false');
});

test('cards: a ladder to print and to take along', async ({ page }) => {
    await openDemonstration(page);
    await page.goto('/find');
    await page.getByRole('link', { name: 'Cards' }).click();
    await page.getByRole('combobox', { name: 'Lens', exact: true }).selectOption({ label: 'Moor 50' });
    await page.getByRole('combobox', { name: 'With and without' }).selectOption({ label: 'Close-up +4' });
    await expect(page.getByRole('heading', { name: 'Ladder of Moor 50' })).toBeVisible();
    await expect(page.getByRole('row')).toHaveCount(17);
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'As CSV' }).click();
    expect((await download).suggestedFilename()).toBe('ladder-of-moor-50.csv');
    await page.getByRole('combobox', { name: 'Card', exact: true }).selectOption({ label: 'Close-up lenses and zoom settings' });
    await page.getByRole('combobox', { name: 'Lens', exact: true }).selectOption({ label: 'Sedge 24–70' });
    await expect(page.getByRole('heading', { name: 'Sedge 24–70 with close-up lenses' })).toBeVisible();
    await page.emulateMedia({ media: 'print' });
    await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
});

test('on a phone the sentence, the map and the rows stand under each other', async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    await openDemonstration(page);
    await page.goto('/find?fieldWidthMm=18');
    await expect(status(page)).toContainText('of your kit do this');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await rowsOf(page).first().getByRole('button').click();
    await page.waitForURL(/\/bench\/\d+$/);
});

test('what must be in it, what must not, what just misses, and ticked rigs side by side', async ({ page }) => {
    await openDemonstration(page);
    await page.goto('/find?fieldWidthMm=18&leastRoomMm=60');
    await expect(status(page)).toContainText('of your kit do this');
    await page.getByRole('button', { name: 'and …' }).click();
    await page.getByRole('menuitem', { name: 'with certain parts' }).click();
    await page.getByRole('menuitemcheckbox', { name: 'Fell 105 macro' }).click();
    await page.keyboard.press('Escape');
    await expect(page).toHaveURL(/with/);
    await expect(status(page)).not.toContainText('looking');
    const rows = rowsOf(page);
    await expect
        .poll(async () => (await rows.count()) > 1 && (await rows.allInnerTexts()).every((text) => text.includes('Fell 105 macro')))
        .toBe(true);

    const list = page.getByRole('list', { name: /^Just missed/ });
    await expect(list.getByRole('listitem').first()).toBeVisible();

    await rows.nth(0).getByRole('checkbox').check();
    await rows.nth(1).getByRole('checkbox').check();
    const table = page.getByRole('table', { name: /side by side/i });
    await expect(table.getByRole('columnheader')).toHaveCount(2);
    // In full they stand in Compare, each a rig that can be opened.
    await page.getByRole('button', { name: 'Compare in full' }).click();
    await page.waitForURL(/\/compare\?rigs=\d+,\d+/);
    await expect(page.getByRole('region', { name: 'What it comes to' }).getByRole('columnheader')).toHaveText(['A', 'B']);
});

test('cards: every close-up lens, all lenses with one part, and a row opens on the bench as it stands', async ({ page }) => {
    await openDemonstration(page);
    await page.goto('/find/cards?card=ladder&closeUp=every');
    await expect(page.getByRole('heading', { name: /^Ladder of/ })).toBeVisible();
    await expect(page.getByRole('rowheader', { name: /Close-up \+4/ }).first()).toBeVisible();
    await page.getByRole('combobox', { name: 'Card', exact: true }).selectOption({ label: 'All lenses with one part' });
    await page.getByRole('combobox', { name: 'With', exact: true }).selectOption({ label: 'Tube 31' });
    await expect(page.getByRole('heading', { name: 'Lenses with Tube 31' })).toBeVisible();
    const row = page.getByRole('row').filter({ has: page.getByRole('rowheader', { name: 'Fell 35', exact: true }) });
    const [m = ''] = /[\d.]+(?=×)/.exec(await row.innerText()) ?? [];
    await row.getByRole('button').click();
    await page.waitForURL(/\/bench\/\d+$/);
    expect(await shown(page, 'Magnification')).toBe(m);
});

test('on a phone every column of a card is reached, and what a row is stays in sight', async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    await openDemonstration(page);
    await page.goto('/find/cards?card=ladder');
    const last = page.getByRole('columnheader').last();
    await last.scrollIntoViewIfNeeded();
    await expect(last).toBeInViewport();
    await expect(page.getByRole('rowheader').first()).toBeInViewport();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
