import { expect, test } from '@playwright/test';
import { openDemonstration } from './demonstration';

test('a list in words is understood line by line, taken in at once, and a guess ends where somebody knows', async ({ page }) => {
    await openDemonstration(page);
    await page.goto('/kit?add=1');
    await page.getByRole('button', { name: 'Write or paste a list' }).click();
    const box = page.getByRole('textbox', { name: /One a line/ });
    await expect(box).toBeFocused();
    await page.keyboard.insertText('tube 10, tube 21, 58 mm f/2 M42\nsomething nice\n2x +4 52 mm');
    const understood = page.getByRole('list', { name: 'As it is understood' });
    await expect(understood.getByRole('listitem')).toHaveCount(5);
    await expect(page.getByRole('status')).toHaveText('4 understood, 1 not yet');
    await expect(understood.getByRole('listitem').nth(2)).toContainText('lens');
    await expect(understood.getByRole('listitem').nth(2)).toContainText(/mount to front rim \d+ ± .* mm.*sure to ±\d/);
    await expect(understood.getByRole('listitem').nth(3)).toContainText('isn’t said');
    // What was not understood is put right where it stands.
    await box.fill('tube 10, tube 21, 58 mm f/2 M42\nbellows 40-120\n2x +4 52 mm');
    await expect(page.getByRole('status')).toHaveText('5 understood');
    await page.getByRole('button', { name: 'Take these 5 in' }).click();
    const lens = page.getByRole('button', { name: /^58 mm f\/2 M42/ });
    await expect(lens).toContainText('2 figures guessed');
    await lens.click();
    const rim = page.getByLabel(/^Mount to front rim/).first();
    await expect(page.getByText(/a guess, ±/).first()).toBeVisible();
    await rim.fill('34');
    // However long the kit takes to be read anew, who undoes at once undoes what was just done.
    await page.route(/\/api\/kits\/\d+$/, async (route) => {
        await new Promise((ready) => setTimeout(ready, 1500));
        await route.continue();
    });
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(lens).toContainText('one figure guessed');
    // One undo takes the change back, one more the whole list.
    await page.getByRole('button', { name: /^Undo/ }).click();
    await expect(lens).toContainText('2 figures guessed');
    await page.getByRole('button', { name: /^Undo/ }).click();
    await expect(lens).toHaveCount(0);
});

test('rows of a spreadsheet, and sixty parts at once', async ({ page }) => {
    await openDemonstration(page);
    await page.goto('/kit?add=1');
    await page.getByRole('button', { name: 'Write or paste a list' }).click();
    const box = page.getByRole('textbox', { name: /One a line/ });
    await box.fill('Part\tLength\tMount\tWeight\tPrice\nTube\t12,5\tM42\t40\t15\nTube\t36\tM42\t80\t20');
    await expect(page.getByRole('status')).toHaveText('2 understood');
    await box.fill(Array.from({ length: 60 }, (_, n) => `tube ${n + 1} M42`).join('\n'));
    await expect(page.getByRole('status')).toHaveText('60 understood');
    await page.getByRole('button', { name: 'Take these 60 in' }).click();
    await expect(page.getByRole('button', { name: /Tube 60 M42/ }).first()).toBeVisible();
});
