import { expect, test } from '@playwright/test';
import { openDemonstration } from './demonstration';

test('a second kit is made, chosen, looked through and deleted again', async ({ page }) => {
    await openDemonstration(page);
    await page.getByRole('link', { name: 'Kit' }).click();
    const title = page.getByRole('heading', { level: 1 });
    await expect(title).toHaveText('Fen herbarium kit');
    await title.getByRole('button').click();
    await page.getByRole('menuitem', { name: 'New kit…' }).click();
    await page.getByRole('dialog', { name: 'A new kit' }).getByLabel('Name').fill('Fen herbarium kit');
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByRole('alert')).toHaveText('You have a kit of that name already.');
    await page.getByRole('dialog').getByLabel('Name').fill('Bag');
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(title).toHaveText('Bag');
    await expect(page.getByText('An empty shelf')).toBeVisible();

    // It stays chosen, in Find too, where the other one can be looked through instead.
    await page.getByRole('link', { name: 'Find' }).click();
    const looking = page.getByLabel('Looking through');
    await expect(looking.getByRole('option', { selected: true })).toHaveText('Bag');
    await expect(page.getByText('A rig needs a camera and a lens')).toBeVisible();
    await looking.selectOption('Fen herbarium kit');
    await expect(page.getByText('What can your kit do at all?')).toBeVisible();
    await looking.selectOption('Bag');

    await page.getByRole('link', { name: 'Kit' }).click();
    await expect(title).toHaveText('Bag');
    await title.getByRole('button').click();
    await page.getByRole('menuitem', { name: 'Delete this kit' }).click();
    await expect(title).toHaveText('Fen herbarium kit');
    // The last one stays; it cannot even be asked.
    await title.getByRole('button').click();
    await expect(page.getByRole('menuitem', { name: 'Delete this kit' })).toBeDisabled();
});
