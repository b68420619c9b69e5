import { expect, test } from '@playwright/test';
import { byKeys, chainOf, digits, exported, newRigByKeys, openDemonstration, shown } from './demonstration';

test('a rig built by keyboard alone reads what rig:read prints for its exported file', async ({ page }) => {
    await openDemonstration(page);
    const chain = chainOf(page);
    const selected = chain.locator('[aria-selected=true]');

    // A new rig from the menu, without a mouse.
    await newRigByKeys(page);
    const putIn = byKeys(page);
    await putIn('Tern to Larch', 4);
    await putIn('Tube 31', 6);
    await putIn('Tube 9', 8);
    await putIn('Moor 50', 10);
    await expect(page.getByRole('status').first()).toHaveText('saved');

    // Walk to the longer tube and take it off; undo; take off the shorter one instead.
    await chain.focus();
    await page.keyboard.press('Home');
    for (let n = 0; n < 4; n++) await page.keyboard.press('ArrowRight');
    await expect(selected).toHaveAccessibleName(/^Tube 31/);
    await page.keyboard.press('Backspace');
    await expect(chain.getByRole('option')).toHaveCount(8);
    await page.keyboard.press('Control+z');
    await expect(chain.getByRole('option')).toHaveCount(10);
    await chain.focus();
    await page.keyboard.press('End');
    for (let n = 0; n < 3; n++) await page.keyboard.press('ArrowLeft');
    await expect(selected).toHaveAccessibleName(/^Tube 9/);
    await page.keyboard.press('Backspace');
    await expect(chain.getByRole('option')).toHaveCount(8);

    // The focus ring, by its own arrows.
    const ring = page.getByRole('slider', { name: /Moor 50 · focus ring/ });
    await ring.focus();
    await page.keyboard.press('End');
    await expect(ring).toHaveAttribute('aria-valuenow', '1');
    await expect(page.getByRole('status').first()).toHaveText('saved');
    await page.getByRole('slider', { name: /Moor 50 · aperture/ }).focus();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('status').first()).toHaveText('saved');
    await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', /Undo set Moor 50 to f\//);

    const told = await exported(page);
    expect(told.magnification).toBeGreaterThan(0.6);
    expect(await shown(page, 'Magnification')).toBe(digits(told.magnification));
    expect(await shown(page, 'Working distance')).toBe(digits(told.workingDistanceMm));
    expect(await shown(page, 'Effective aperture')).toBe(`f/${told.effectiveAperture.toFixed(told.effectiveAperture >= 10 ? 0 : 1)}`);
});
