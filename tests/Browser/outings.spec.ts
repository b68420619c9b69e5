import { expect, test, type Page } from '@playwright/test';
import { openDemonstration } from './demonstration';

const bag = (page: Page) => page.getByRole('region', { name: 'In the bag' });
const order = (page: Page) => page.getByRole('region', { name: /In this order/ });
const wanted = (page: Page) => page.getByRole('region', { name: 'What you want' });
const head = (page: Page) => page.getByRole('status').filter({ hasText: /parts,/ });

async function openPlanned(page: Page): Promise<void> {
    await openDemonstration(page);
    await page.getByRole('link', { name: 'Outings' }).click();
    await page.getByRole('link', { name: /^Fen edge, first frost/ }).click();
    await expect(bag(page).getByRole('listitem').first()).toBeVisible();
}

test('a day is made from nothing: subjects, and the bag packs itself', async ({ page }) => {
    await openDemonstration(page);
    await page.goto('/outings');
    await page.getByRole('button', { name: 'New outing' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Willow bank');
    await page.getByLabel('Day', { exact: true }).fill('2031-05-04');
    await page.getByLabel('You leave at').fill('06:50');
    await page.getByRole('button', { name: 'Make it' }).click();
    await page.waitForURL(/outings\/\d+$/);
    await expect(page.getByText('Sunday 4 May')).toBeVisible();

    for (const [name, width, support, time] of [
        ['Willow catkin', '20', 'table', ''],
        ['Early bee', '35', 'hand', '11:30'],
    ] as const) {
        await page.getByRole('button', { name: 'Add a subject' }).click();
        const dialog = page.getByRole('dialog');
        await dialog.getByLabel('Subject').fill(name);
        await dialog.getByLabel('Frame width, mm').fill(width);
        await dialog.getByLabel('Support').selectOption(support);
        await dialog.getByLabel('At a fixed time').fill(time);
        if (support === 'hand') await dialog.getByLabel('flees').check();
        await dialog.getByRole('button', { name: 'Keep', exact: true }).click();
        await expect(dialog).toHaveCount(0);
        await expect(wanted(page).getByText(name, { exact: true })).toBeVisible();
    }
    // Who flees wants a flash, who lies on the table something that carries the rig.
    await expect(bag(page).getByRole('checkbox', { name: 'Small flash' })).toBeVisible();
    await expect(bag(page).getByRole('checkbox', { name: /tripod|stand/i })).toBeVisible();
    await expect(order(page).getByRole('img').first()).toBeVisible();
    await expect(page.getByRole('list', { name: 'What must be ready when' })).toContainText('11:30');

    await page.getByRole('button', { name: 'Ready by…' }).click();
    const ready = page.getByRole('dialog');
    await ready.getByLabel('What', { exact: true }).fill('Sugar water out');
    await ready.getByRole('textbox', { name: 'How long before' }).fill('90');
    await ready.getByRole('combobox', { name: 'How long before' }).selectOption('minutes');
    await ready.getByRole('combobox', { name: 'For', exact: true }).selectOption('Early bee');
    await ready.getByRole('button', { name: 'Add it' }).click();
    await expect(ready.getByText('10:00')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('list', { name: 'What must be ready when' })).toContainText('Sugar water out');
});

test('every choice is overruled by hand, and the rest is worked out again', async ({ page }) => {
    await openPlanned(page);
    const before = await head(page).innerText();
    const tripod = bag(page).getByRole('checkbox', { name: 'Low tripod' });
    await expect(tripod).toBeVisible();
    await bag(page).getByRole('button', { name: 'Leave Low tripod at home' }).click({ force: true });
    await expect(tripod).toHaveCount(0);
    await expect(head(page)).not.toHaveText(before);
    await bag(page).getByRole('button', { name: 'Low tripod may come along again' }).click();
    await expect(tripod).toBeVisible();
    await expect(head(page)).toHaveText(before);

    // A pin stands whatever else changes.
    await wanted(page).getByRole('button', { name: 'What to do with Moss capsule, teeth' }).click();
    await page.getByRole('menuitem', { name: 'Pin this rig' }).click();
    await expect(wanted(page).getByText(/rig pinned/)).toBeVisible();
    await wanted(page).getByRole('button', { name: 'What to do with Lichen disc on bark' }).click();
    await page.getByRole('menuitem', { name: 'With a rig of mine…' }).click();
    await page
        .getByRole('dialog')
        .getByRole('button', { name: /^Lichen disc/ })
        .click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await expect(wanted(page).getByText(/rig pinned/)).toHaveCount(2);
    await wanted(page).getByRole('button', { name: 'What to do with Lichen disc on bark' }).click();
    await page.getByRole('menuitem', { name: 'Take off the list' }).click();
    await expect(wanted(page).getByText('Lichen disc on bark')).toHaveCount(0);

    await page.getByRole('button', { name: 'Day and bag…' }).click();
    await page.getByLabel('The bag is to be').selectOption('lightest');
    await page.getByRole('dialog').getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(wanted(page).getByText(/Nothing lighter covers all 4/)).toBeVisible();
});

test('what is ticked on one device is ticked on the other; what has no rig says what would do', async ({ page }) => {
    await openPlanned(page);
    const other = await page.context().newPage();
    await other.goto(page.url());
    await expect(bag(other).getByRole('checkbox', { name: 'Small flash' })).not.toBeChecked();
    const [ticked = 0, all = 0] = (
        (
            await bag(page)
                .getByText(/^\d+ of \d+$/)
                .innerText()
        ).match(/\d+/g) ?? []
    ).map(Number);
    await bag(page).getByRole('checkbox', { name: 'Small flash' }).check();
    await expect(bag(page).getByText(`${ticked + 1} of ${all}`)).toBeVisible();
    await expect(bag(other).getByRole('checkbox', { name: 'Small flash' })).toBeChecked();
    await other.close();

    await page.getByRole('button', { name: 'Add a subject' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Subject').fill('Far frog');
    await dialog.getByLabel('Frame width, mm').fill('18');
    await dialog.getByLabel('At least this far away, mm').fill('400');
    await dialog.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(wanted(page).getByText('No rig from your kit does this.')).toBeVisible();
    await expect(
        wanted(page)
            .getByText(/Would do it: a lens of/)
            .first(),
    ).toBeVisible();
    await wanted(page).getByRole('link', { name: 'Ask Find' }).click();
    await expect(page.getByRole('textbox', { name: /of subject/ })).toHaveValue('18');
});

test('what is ticked stays ticked while the answer to another is on its way', async ({ page }) => {
    await openPlanned(page);
    await page.route('**/ticks', async (route) => {
        await new Promise((done) => setTimeout(done, 900));
        await route.continue();
    });
    const names = ['Small flash', 'Low tripod', 'Rail bellows'];
    for (const name of names) await bag(page).getByRole('checkbox', { name }).check();
    const looked = page.waitForResponse((answer) => answer.url().endsWith('/ticks'));
    await looked;
    // The first answer knows nothing of the others.
    for (let n = 0; n < 12; n++) {
        for (const name of names) expect(await bag(page).getByRole('checkbox', { name }).isChecked()).toBe(true);
        await page.waitForTimeout(150);
    }
    await page.reload();
    for (const name of names) await expect(bag(page).getByRole('checkbox', { name })).toBeChecked();
});

test('all sheets in one print, the file, the calendar', async ({ page }) => {
    await openPlanned(page);
    const calendar = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Calendar' }).click();
    expect((await calendar).suggestedFilename()).toBe('fen-edge-first-frost.ics');
    await page.getByRole('button', { name: 'More' }).click();
    const file = page.waitForEvent('download');
    await page.getByRole('menuitem', { name: 'As a file' }).click();
    const path = await (await file).path();
    await page.getByRole('link', { name: 'Print all sheets' }).click();
    await expect(page.getByRole('article')).toHaveCount(5);
    await page.goto('/outings');
    await page.getByLabel('From a file…').setInputFiles({
        name: 'day.outing.json',
        mimeType: 'application/json',
        buffer: await import('node:fs').then(({ readFileSync }) => readFileSync(path)),
    });
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Fen edge, first frost (2)');
});
