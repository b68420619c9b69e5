import { expect, test } from '@playwright/test';
import { openDemonstration, shown } from './demonstration';

test('a reading’s name tells what it means and how it comes about here, and is marked until it was asked', async ({ page }) => {
    await openDemonstration(page, 'Lichen disc');
    const name = page.getByRole('region', { name: 'Magnification', exact: true }).getByRole('button', { name: 'Magnification' });
    await expect(name).toHaveClass(/decoration-dotted/);
    await name.click();
    const told = page.getByRole('dialog', { name: 'What is Magnification?' });
    await expect(told).toContainText('over how large the subject is');
    await expect(told.locator('svg').first()).toBeVisible();
    // The two rays, and steps that end at the figure of the strip.
    await expect(told.getByRole('img', { name: /Two rays through this rig/ })).toBeVisible();
    const steps = told.getByRole('listitem');
    await expect(steps.first()).toContainText('slope 1');
    const figure = Number(await shown(page, 'Magnification'));
    const last = (await steps.last().innerText()).split('= ').at(-1) ?? '';
    expect(Number.parseFloat(last)).toBeCloseTo(figure, 1);
    await page.keyboard.press('Escape');
    await expect(told).toBeHidden();
    // It never stands in the way again, but can be asked.
    await expect(name).not.toHaveClass(/decoration-dotted/);
    await page.reload();
    await expect(name).not.toHaveClass(/decoration-dotted/);
    await expect(page.getByRole('button', { name: 'Working distance', exact: true })).toHaveClass(/decoration-dotted/);
    await page.getByRole('button', { name: 'Working distance', exact: true }).click();
    await expect(page.getByRole('dialog', { name: 'What is Working distance?' })).toContainText('falls to the axis');
});

test('`?` lists the keys of the place, everywhere, and letters can be switched off', async ({ page }) => {
    await openDemonstration(page);
    const keys = page.getByRole('dialog', { name: 'Keys' });
    for (const [place, holds] of [
        ['/bench', 'turn the lens or ring round'],
        ['/kit', 'close the part'],
        ['/find', 'walk along what was found'],
        ['/compare', 'the controls of that rig'],
    ] as const) {
        await page.goto(place);
        await expect(page.getByRole('heading', { level: 1 })).not.toBeEmpty();
        await page.keyboard.press('?');
        await expect(keys).toContainText(holds);
        await page.keyboard.press('Escape');
        await expect(keys).toBeHidden();
    }
    // In a blank it is a character like any other.
    await page.goto('/kit');
    await page.getByRole('textbox', { name: 'Narrow the kit' }).press('?');
    await expect(keys).toHaveCount(0);
    await page.getByRole('button', { name: 'Guest' }).click();
    await page.getByRole('menuitem', { name: 'Keys…' }).click();
    await keys.getByRole('checkbox').uncheck();
    await page.keyboard.press('Escape');
    await page.locator('body').press('?');
    await expect(keys).toHaveCount(0);
    await page.goto('/bench');
    await page.getByRole('listbox', { name: /from camera to subject/ }).press('s');
    await expect(page.getByRole('dialog')).toHaveCount(0);
});
