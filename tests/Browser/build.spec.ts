import { expect, test, type Page } from '@playwright/test';
import { byKeys, chainOf, digits, exported, newRigByKeys, openDemonstration, shown } from './demonstration';

async function newRig(page: Page): Promise<void> {
    await page.getByRole('button', { name: 'Rigs' }).click();
    await page.getByRole('menuitem', { name: 'New rig' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Unnamed rig');
    await expect(chainOf(page).getByRole('option')).toHaveCount(2);
}

/** The bench shows what `rig:read` prints for the exported file. */
async function readsTheSame(page: Page): Promise<{ magnification: number }> {
    await expect(page.getByRole('status').first()).toHaveText('saved');
    const told = await exported(page);
    expect(await shown(page, 'Magnification')).toBe(digits(told.magnification));
    expect(await shown(page, 'Working distance')).toBe(digits(told.workingDistanceMm));
    expect(await shown(page, 'Effective aperture')).toBe(
        `f/${told.effectiveAperture.toFixed(told.effectiveAperture >= 10 ? 0 : 1).replace(/\.0$/, '')}`,
    );
    return told;
}

test('by keyboard alone: a wide lens reversed on bellows behind two adapters, set to 6 : 1', async ({ page }) => {
    await openDemonstration(page);
    await newRigByKeys(page);
    const chain = chainOf(page);
    const putIn = byKeys(page);
    // The bellows bring the adapter along that leads to them; the lens goes on the ring backwards.
    await putIn('Rail bellows', 6);
    await putIn('Reversing ring', 8);
    await putIn('Fell 35', 10);
    await expect(chain.getByRole('option', { name: /^Fell 35, reversed/ })).toBeVisible();

    await page.getByRole('button', { name: 'Set to…' }).focus();
    await page.keyboard.press('Enter');
    await page.getByLabel(/^Magnify/).focus();
    await page.keyboard.type('6');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: /^Undo/ })).toHaveAttribute('title', /Undo set to 6.* with Rail bellows/);
    const told = await readsTheSame(page);
    expect(told.magnification).toBeCloseTo(6, 6);

    // A step of its own scale, and the part moved along the axis and back, all from the row of parts.
    await chain.focus();
    await page.keyboard.press('Home');
    for (let n = 0; n < 4; n++) await page.keyboard.press('ArrowRight');
    await expect(chain.locator('[aria-selected=true]')).toHaveAccessibleName(/^Rail bellows/);
    await page.keyboard.press('[');
    await expect(chain.getByRole('option').nth(2)).toHaveAccessibleName(/^Rail bellows/);
    await page.keyboard.press(']');
    await expect(chain.getByRole('option').nth(4)).toHaveAccessibleName(/^Rail bellows/);
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await expect(page.getByRole('button', { name: /^Undo/ })).toHaveAttribute('title', /set to 6/);
});

test('with the mouse: two lenses coupled face to face, one part carried from the tray to its joint', async ({ page }) => {
    await openDemonstration(page);
    let answer = () => {};
    const asked = new Promise<void>((resolve) => (answer = resolve));
    await page.route('**/api/rigs/proposals*', (route) => asked.then(() => route.continue()));
    await newRig(page);
    const chain = chainOf(page);
    const options = chain.getByRole('option');
    const tray = (name: string) => page.getByRole('option', { name: new RegExp(`^${name}`) }).last();

    // Carried by hand to the joint in the drawing. The room for the first rigs is kept while they are worked out: the tray stays where it is.
    const place = async () => (await tray('Tern to Larch').boundingBox()) ?? { x: NaN, y: NaN };
    const first = page.getByRole('region', { name: 'Start from what your kit makes' });
    await expect(first).toBeVisible();
    await expect(tray('Tern to Larch')).toBeVisible();
    const before = await place();
    answer();
    await expect(first.getByRole('button')).toHaveCount(3);
    const from = await place();
    expect(from.y).toBeCloseTo(before.y, 0);
    await page.mouse.move(from.x + 20, from.y + 20);
    await page.mouse.down();
    await page.mouse.move(from.x + 40, from.y - 20, { steps: 4 });
    const at = page.locator('svg[role=img] circle[fill=transparent]').first();
    const joint = await at.boundingBox();
    if (!joint) throw new Error('no joint to carry it to');
    await page.mouse.move(joint.x + joint.width / 2, joint.y + joint.height / 2, { steps: 8 });
    // It swells when it would take the part: a hand lets go then.
    await expect(at.locator('xpath=following-sibling::*[local-name()="circle"]')).toHaveAttribute('r', '11');
    await page.mouse.up();
    await expect(options).toHaveCount(4);

    await tray('Brae 180').click();
    await expect(options).toHaveCount(6);
    // The reversed lens needs two rings; they are offered with it and come along.
    await expect(tray('Moor 50')).toContainText('with Step ring 58 to 52 + Coupling ring 52–52');
    await tray('Moor 50').click();
    await expect(options).toHaveCount(12);
    await expect(chain.getByRole('option', { name: /^Moor 50, reversed/ })).toBeVisible();
    const told = await readsTheSame(page);
    expect(told.magnification).toBeCloseTo(180 / 50, 0);

    // Swapped for another, undone, and its working aperture typed.
    await chain.getByRole('option', { name: /^Brae 180/ }).click();
    await page.getByRole('button', { name: 'Swap…' }).click();
    await expect(page.getByRole('heading', { name: 'Instead of Brae 180' })).toBeVisible();
    await tray('Fell 105 macro').click();
    await expect(chain.getByRole('option', { name: /^Fell 105 macro/ })).toBeVisible();
    await page.getByRole('button', { name: /^Undo/ }).click();
    await expect(chain.getByRole('option', { name: /^Brae 180/ })).toBeVisible();
    await page.getByRole('button', { name: /^Brae 180 · aperture ring: .* Type a value/ }).click();
    await page.keyboard.type('f/11');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: /^Undo/ })).toHaveAttribute('title', 'Undo set Brae 180 to f/11');
    await readsTheSame(page);
});

test('by touch on a phone: built from the tray, moved on its own scale', async ({ browser }) => {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
    const page = await context.newPage();
    await page.goto('/');
    await page.getByRole('button', { name: 'Open the demonstration' }).tap();
    await page.waitForURL(/\/bench\/\d+$/);
    await page.getByRole('button', { name: 'Rigs' }).tap();
    await page.getByRole('menuitem', { name: 'New rig' }).tap();
    const options = chainOf(page).getByRole('option');
    await expect(options).toHaveCount(2);
    const tray = (name: string) => page.getByRole('option', { name: new RegExp(`^${name}`) }).last();
    await tray('Tube 31').tap();
    await expect(options).toHaveCount(6);
    await tray('Moor 50').tap();
    await expect(options).toHaveCount(8);
    const ring = page.getByRole('slider', { name: /Moor 50 · focus ring/ });
    await ring.scrollIntoViewIfNeeded();
    const box = await ring.boundingBox();
    if (!box) throw new Error('no ring');
    await page.touchscreen.tap(box.x + box.width - 4, box.y + 18);
    await expect(ring).toHaveAttribute('aria-valuenow', '1');
    const told = await readsTheSame(page);
    expect(told.magnification).toBeGreaterThan(0.6);
    // The two figures people look for stay in sight.
    await page.evaluate(() => scrollTo(0, 600));
    await expect(page.locator('.sticky').filter({ hasText: 'Working distance' })).toBeInViewport();
    const overflow = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect(overflow).toBeLessThanOrEqual(0);
    await context.close();
});

test('first rigs, subject, charts, the other school, states and tags', async ({ page }) => {
    await openDemonstration(page);
    await newRig(page);
    await page.getByRole('button', { name: /A lens turned round on bellows/ }).click();
    await expect(chainOf(page).getByRole('option')).toHaveCount(10);

    await page.getByRole('button', { name: 'Subject…' }).click();
    await page.getByLabel('What it is').fill('Moss capsule');
    await page.getByLabel('Width, mm').fill('3');
    await page.getByLabel('Depth, mm').fill('-1');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByRole('alert').first()).toContainText('should be from 0');
    await page.getByLabel('Depth, mm').fill('1.5');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByText('Moss capsule')).toBeVisible();

    await page.getByRole('region', { name: 'Working distance' }).hover();
    await expect(page.locator('[data-pointed=workingDistanceMm]')).toBeVisible();
    await page.getByRole('button', { name: 'by the rule N × (1 + m)' }).click();
    await expect(page.getByRole('region', { name: 'Effective aperture' })).toContainText(/f\/\d.*f\/\d/);

    await page.getByRole('button', { name: 'Charts' }).click();
    await expect(page.getByRole('img', { name: /^Magnification:/ })).toBeVisible();
    await expect(page.getByText(/Sharpest in one shot through this subject/)).toBeVisible();
    await page.keyboard.press('Escape');

    await page.getByRole('button', { name: 'This rig' }).click();
    await page.getByRole('menuitem', { name: 'Compare two states…' }).click();
    const states = page.getByRole('dialog', { name: 'Two states of this rig' });
    await states.getByLabel('One state').selectOption('0');
    await expect(states.getByRole('row', { name: /^Magnification/ })).toContainText('—');
    await page.keyboard.press('Escape');

    await page.getByRole('button', { name: 'Rigs' }).click();
    await page.getByRole('menuitem', { name: 'All rigs…' }).click();
    await page.getByLabel('new tag').fill('first try');
    await page.getByRole('button', { name: 'Tag it' }).click();
    await page.getByLabel('Search rigs').fill('first try bellows');
    await expect(page.getByRole('list', { name: 'Rigs' }).getByRole('button')).toHaveCount(1);
    await page.keyboard.press('Escape');

    await page.getByRole('button', { name: 'This rig' }).click();
    await page.getByRole('menuitem', { name: 'Duplicate' }).click();
    await expect(page.getByRole('button', { name: /^Undo/ })).toBeDisabled();

    const saved = page.waitForEvent('download');
    await page.getByRole('button', { name: 'This rig' }).click();
    await page.getByRole('menuitem', { name: 'Drawing as SVG' }).click();
    const file = await saved;
    expect(file.suggestedFilename()).toBe('unnamed-rig.svg');
    const stream = await file.createReadStream();
    let svg = '';
    for await (const piece of stream) svg += String(piece);
    expect(svg).toContain('Magnification');
    expect(svg).toContain('Rail bellows');
    expect(svg).not.toContain('var(--');
});
