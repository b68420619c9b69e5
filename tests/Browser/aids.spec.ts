import { expect, test, type Page } from '@playwright/test';
import { chainOf, openDemonstration, shown } from './demonstration';

const saved = (page: Page) => expect(page.getByRole('status').first()).toHaveText('saved');

test('the camera is changed by its button, and the finder’s share drawn on the frame', async ({ page }) => {
    await openDemonstration(page, 'Lichen disc');
    await expect(page.locator('[data-finder]')).toBeVisible();
    await expect(page.getByText('the finder shows 97\u2009%')).toBeVisible();
    await chainOf(page).getByRole('option', { name: 'Camera Body B' }).click();
    await page.getByRole('button', { name: 'Change camera' }).click();
    await page.getByRole('menuitem', { name: /^Body C/ }).click();
    await expect(chainOf(page).getByRole('option', { name: 'Camera Body C' })).toBeVisible();
    await expect(page.locator('[data-code=joint-mismatch]')).toBeVisible();
    await expect(page.locator('[data-finder]')).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(chainOf(page).getByRole('option', { name: 'Camera Body B' })).toBeVisible();
});

test('what “Set to…” can’t reach says how near it gets, and is set only when that is wanted', async ({ page }) => {
    await openDemonstration(page, 'Lichen disc');
    const before = await shown(page, 'Magnification');
    await page.getByRole('button', { name: 'Set to…' }).click();
    await page.getByLabel('Magnify').fill('7');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toHaveText(/^This rig doesn’t reach 7×: the nearest it gets is 0\.\d+×\.$/);
    expect(await shown(page, 'Magnification')).toBe(before);
    const nearest = /gets is ([\d.]+)×/.exec(await page.getByRole('alert').innerText())?.[1] ?? '';
    await page.getByRole('button', { name: 'Set it as near as it gets' }).click();
    await saved(page);
    expect(await shown(page, 'Magnification')).toBe(nearest);
});

test('a part taken off says how far the rig moves, and a lens what it would magnify turned round', async ({ page }) => {
    await openDemonstration(page, 'Lichen disc');
    await chainOf(page)
        .getByRole('option', { name: /^Tube 9,/ })
        .click();
    await page.getByRole('button', { name: 'Take off', exact: true }).click();
    await expect(page.getByText(/^To be sharp where it was, move the rig [\d.]+\u2009mm back/)).toBeVisible();
    await chainOf(page)
        .getByRole('option', { name: /^Moor 50,/ })
        .click();
    const turn = page.getByRole('button', { name: /^Turn round/ });
    const told = /([\d.]+)×/.exec(await turn.innerText())?.[1] ?? 'none';
    await turn.click();
    await expect(chainOf(page).getByRole('option', { name: /^Moor 50, reversed/ })).toBeVisible();
    expect(await shown(page, 'Magnification')).toBe(told);
    await page.reload();
    await expect(chainOf(page).getByRole('option', { name: /^Moor 50, reversed/ })).toBeVisible();
    await expect(page.getByText(/^To be sharp where it was/)).toHaveCount(0);
});

test('swing leans the plane of focus in the drawing while the hand moves, and has its readings', async ({ page }) => {
    await openDemonstration(page, 'Sedge seed, coat pattern');
    const plane = page.locator('[data-plane]');
    await expect(plane).not.toHaveAttribute('transform', /./);
    await page.getByText('All readings').click();
    await expect(page.getByText('Plane of focus tilts by')).toHaveCount(0);
    // Resting at nought among many scales, it waits behind a word.
    await expect(page.getByRole('slider', { name: /swing/ })).toHaveCount(0);
    await page.getByRole('button', { name: 'swing and shift …' }).click();
    await page.getByRole('slider', { name: /swing/ }).focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await expect(plane).toHaveAttribute('transform', /rotate\(-1\.\d+ /);
    await saved(page);
    await expect(plane).toHaveAttribute('transform', /rotate\(-1\.\d+ /);
    await expect(page.getByText('Plane of focus tilts by')).toBeVisible();
    await expect(page.getByText('Field moves by')).toBeVisible();
    await expect(page.getByText('As on a full 36 × 24 frame')).toBeVisible();
    await expect(page.getByText('Focal length, all glass together')).toBeVisible();
});

test('numbers in the drawing and on its scales touch nothing', async ({ page }) => {
    await openDemonstration(page, 'Sedge seed, coat pattern');
    for (const width of [1280, 1024, 390]) {
        await page.setViewportSize({ width, height: 844 });
        await expect(page.locator('[data-dimension]')).toBeVisible();
        const met = await page.getByRole('region', { name: 'Settings' }).evaluate((section) => {
            const boxes = [...section.querySelectorAll('svg text')].map((text) => ({
                text: text.textContent,
                box: text.getBoundingClientRect(),
            }));
            return boxes.flatMap((one, i) =>
                boxes
                    .slice(i + 1)
                    .filter(
                        ({ box }) =>
                            box.left < one.box.right && box.right > one.box.left && box.top < one.box.bottom && box.bottom > one.box.top,
                    )
                    .map((other) => `${one.text} and ${other.text}`),
            );
        });
        expect(met, `${width}`).toEqual([]);
    }
});
