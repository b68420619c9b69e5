import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { openDemonstration } from './demonstration';

/** In another light only the colours differ: `only` says which rules are asked. */
async function nothingSerious(page: Page, only?: 'color-contrast'): Promise<void> {
    const axe = new AxeBuilder({ page });
    const { violations } = await (only ? axe.withRules(only) : axe).analyze();
    const found = violations
        .filter(({ impact }) => impact !== 'minor')
        .map(({ id, nodes }) => [
            id,
            // A menu or a popover that is open belongs to the button that opened it, and stands in no part of the page.
            nodes.map(({ html }) => html).filter((html) => id !== 'region' || !html.includes('data-radix-popper-co')),
        ])
        .filter(([, nodes]) => nodes?.length !== 0);
    expect(found).toEqual([]);
}

// Long walks with a full examination at every stop: on a busy machine they take most of a minute.
test.setTimeout(120_000);

test.describe('axe finds nothing serious and nothing moderate, and the console stays quiet', () => {
    let complaints: string[] = [];
    test.beforeEach(({ page }) => {
        complaints = [];
        page.on('console', (message) => {
            // Asking who is here, before anybody is, answers 401 by design.
            if (message.type() === 'error' && !message.text().includes('401')) complaints.push(message.text());
        });
        page.on('pageerror', (error) => complaints.push(error.message));
    });
    test.afterEach(() => expect(complaints).toEqual([]));

    test('the way in', async ({ page }) => {
        await page.goto('/');
        await expect(page.getByRole('button', { name: 'Open the demonstration' })).toBeVisible();
        await nothingSerious(page);
    });

    for (const light of ['light', 'dark', 'outdoors']) {
        test(`the bench, ${light}`, async ({ page }) => {
            await openDemonstration(page, 'Sedge seed, coat pattern');
            await page.getByRole('button', { name: 'Light', exact: true }).click();
            await page.getByRole('menuitemradio', { name: light, exact: true }).click();
            await nothingSerious(page, light === 'light' ? undefined : 'color-contrast');
        });
    }

    test('light and shots, also at 360 px', async ({ page }) => {
        await openDemonstration(page, 'Sedge seed, coat pattern');
        await page.getByRole('tab', { name: 'Light' }).click();
        await page.getByRole('button', { name: 'Plan with flash' }).click();
        await expect(page.locator('[data-flash]')).toHaveCount(1);
        await nothingSerious(page);
        await page.getByRole('tab', { name: 'Shots' }).click();
        await expect(page.getByRole('listitem', { name: 'By the rail' })).toBeVisible();
        await nothingSerious(page);
        await page.setViewportSize({ width: 360, height: 740 });
        for (const name of ['Shots', 'Light', 'Parts']) {
            const tab = page.getByRole('tab', { name });
            await tab.click();
            await expect(page.getByRole('tabpanel', { name })).toBeVisible();
            // A finger's width, and nothing runs out of the page.
            expect((await tab.boundingBox())?.height).toBeGreaterThanOrEqual(44);
            expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
        }
        await nothingSerious(page);
    });

    test('an empty rig, a menu, a dialog, a doubt', async ({ page }) => {
        await openDemonstration(page);
        await page
            .getByRole('button', { name: /Rests on an assumption/ })
            .first()
            .click();
        await expect(page.getByText(/: ±.+ to ±.+\.|No single measurement would halve it/).first()).toBeVisible();
        await nothingSerious(page);
        await page.keyboard.press('Escape');
        await page.getByRole('button', { name: 'Rigs' }).click();
        await nothingSerious(page);
        await page.getByRole('menuitem', { name: 'New rig' }).click();
        await expect(page.getByRole('heading', { level: 1 })).toHaveText('Unnamed rig');
        await nothingSerious(page);
        await page.getByRole('listbox', { name: /from camera to subject/ }).press('s');
        await expect(page.getByRole('dialog')).toBeVisible();
        await nothingSerious(page);
    });

    test('find: without a wish, with one, with one too many, and its cards', async ({ page }) => {
        await openDemonstration(page);
        await page.goto('/find');
        await expect(page.getByRole('heading', { name: 'What can your kit do at all?' })).toBeVisible();
        await nothingSerious(page);
        await page.getByRole('textbox', { name: /of subject/ }).fill('18');
        await expect(page.getByRole('status')).toContainText('of your kit do this');
        await nothingSerious(page);
        await page.getByRole('textbox', { name: /away/ }).fill('400');
        await expect(page.getByRole('heading', { name: 'No rig from your kit does this.' })).toBeVisible();
        await nothingSerious(page);
        await page.goto('/find/cards');
        await expect(page.getByRole('table')).toBeVisible();
        await nothingSerious(page);
    });

    for (const light of ['dark', 'outdoors']) {
        test(`find, ${light}`, async ({ page }) => {
            await openDemonstration(page);
            await page.getByRole('button', { name: 'Light', exact: true }).click();
            await page.getByRole('menuitemradio', { name: light, exact: true }).click();
            await page.goto('/find?fieldWidthMm=18&leastRoomMm=60');
            await expect(page.getByRole('status')).toContainText('of your kit do this');
            await nothingSerious(page, 'color-contrast');
        });
    }

    test('the sheet for the table', async ({ page }) => {
        await openDemonstration(page);
        await page.goto(page.url().replace('/bench/', '/sheet/'));
        await expect(page.getByRole('article')).toBeVisible();
        await nothingSerious(page);
    });

    test('outings: the list, one before it with its forms, and outside', async ({ page }) => {
        await openDemonstration(page);
        await page.goto('/outings');
        await page.getByRole('link', { name: /^Fen edge/ }).click();
        await expect(page.getByRole('heading', { name: /In this order/ })).toBeVisible();
        await nothingSerious(page);
        await page.getByRole('button', { name: 'Add a subject' }).click();
        await expect(page.getByRole('dialog')).toBeVisible();
        await nothingSerious(page);
        await page.keyboard.press('Escape');
        await page.setViewportSize({ width: 360, height: 640 });
        await page.getByRole('link', { name: 'Take it outside' }).click();
        await page.getByRole('button', { name: 'Write it down as shot' }).click();
        await expect(page.getByText('Written down.')).toBeVisible();
        await nothingSerious(page);
    });

    test('outings: what was written down with its forms, the log, the ledger', async ({ page }) => {
        await openDemonstration(page);
        await page.goto('/outings');
        await page.getByRole('link', { name: /^Seeds, moss/ }).click();
        await expect(page.getByRole('button', { name: /^Set it up again/ }).first()).toBeVisible();
        await nothingSerious(page);
        await page
            .getByRole('button', { name: /^Set it up again: Tower clock tooth/ })
            .first()
            .click();
        await expect(page.getByRole('table', { name: 'It gives' })).toBeVisible();
        await nothingSerious(page);
        await page.keyboard.press('Escape');
        await page
            .getByRole('button', { name: /^What to do with Sedge seed/ })
            .first()
            .click();
        await page.getByRole('menuitem', { name: 'Change…' }).click();
        await expect(page.getByRole('dialog').getByLabel('Frames')).toBeVisible();
        await nothingSerious(page);
        await page.goto('/outings/log?from=4');
        await expect(page.getByText(/^Last at 4×/)).toBeVisible();
        await nothingSerious(page);
        await page.goto('/outings/ledger');
        await expect(page.getByRole('table', { name: 'By lens' })).toBeVisible();
        await nothingSerious(page);
    });

    test('compare: empty, with three rigs brought to one width', async ({ page }) => {
        await openDemonstration(page);
        await page.goto('/compare');
        await expect(page.getByRole('button', { name: /^Lichen disc/ })).toBeVisible();
        await nothingSerious(page);
        await page.getByRole('button', { name: /^Lichen disc/ }).click();
        for (const name of [/^Tower clock tooth/, /^Sedge seed/]) {
            await page.getByRole('button', { name: 'Add a rig' }).click();
            await page.getByRole('menuitem', { name }).click();
        }
        await page.getByRole('combobox', { name: 'Bring each' }).selectOption({ label: 'to a width of' });
        await page.getByRole('textbox', { name: 'to a width of' }).fill('20');
        await expect(page.getByRole('region', { name: 'What it comes to' }).getByRole('columnheader')).toHaveCount(3);
        await nothingSerious(page);
    });

    test('the kit: shelf, a part, adding, measuring', async ({ page }) => {
        await openDemonstration(page);
        await page.getByRole('link', { name: 'Kit' }).click();
        await page.getByRole('button', { name: /^Moor 50/ }).click();
        await page.getByRole('button', { name: /^All fields/ }).click();
        await nothingSerious(page);
        await page.getByRole('button', { name: 'Measure it with a ruler' }).click();
        await nothingSerious(page);
        await page.keyboard.press('Escape');
        await page.getByRole('button', { name: 'Add a part' }).click();
        await nothingSerious(page);
    });

    test('the kit: table, map, joints, account', async ({ page }) => {
        await openDemonstration(page);
        await page.getByRole('link', { name: 'Kit' }).click();
        await page.getByRole('button', { name: 'Table' }).click();
        await nothingSerious(page);
        await page.getByRole('button', { name: 'Joint map' }).click();
        await expect(page.getByRole('heading', { name: /Where the cameras are/ })).toBeVisible();
        await nothingSerious(page);
        await page.getByRole('button', { name: 'Files and more' }).click();
        await page.getByRole('menuitem', { name: 'Joints…' }).click();
        await nothingSerious(page);
        await page.keyboard.press('Escape');
        await page.getByRole('button', { name: 'Guest' }).click();
        await page.getByRole('menuitem', { name: /Make an account/ }).click();
        await nothingSerious(page);
    });

    test('the bench: charts, subject, rigs, states, swapping, first rigs', async ({ page }) => {
        await openDemonstration(page, 'Sedge seed, coat pattern');
        await page.getByRole('button', { name: 'Charts' }).click();
        await expect(page.getByRole('img', { name: /^Magnification:/ })).toBeVisible();
        await nothingSerious(page);
        await page.keyboard.press('Escape');
        await page.getByRole('button', { name: 'Subject…' }).click();
        await nothingSerious(page);
        await page.keyboard.press('Escape');
        for (const [menu, name] of [
            ['Rigs', 'All rigs…'],
            ['This rig', 'Compare two states…'],
        ] as const) {
            await page.getByRole('button', { name: menu }).click();
            await nothingSerious(page);
            await page.getByRole('menuitem', { name }).click();
            await expect(page.getByRole('dialog')).toBeVisible();
            await nothingSerious(page);
            await page.keyboard.press('Escape');
        }
    });

    test('the kit on a phone, in the dark', async ({ page }) => {
        await page.setViewportSize({ width: 390, height: 844 });
        await page.emulateMedia({ colorScheme: 'dark' });
        await openDemonstration(page);
        await page.getByRole('link', { name: 'Kit' }).click();
        await expect(page.getByRole('button', { name: /^Tube 9/ })).toBeVisible();
        await nothingSerious(page);
        const overflow = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
        expect(overflow).toBeLessThanOrEqual(0);
    });

    test('a phone whose tray isn’t here yet', async ({ page }) => {
        // Asked for, and not answered.
        await page.route(/\/build\/assets\/TrayPanel-[^/]+\.js$/, () => undefined);
        await page.setViewportSize({ width: 390, height: 844 });
        await openDemonstration(page);
        await expect(page.getByRole('region', { name: 'Magnification', exact: true })).toContainText('×');
        await nothingSerious(page);
    });

    test('a phone', async ({ page }) => {
        await page.setViewportSize({ width: 390, height: 844 });
        await openDemonstration(page);
        await nothingSerious(page);
        const overflow = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
        expect(overflow).toBeLessThanOrEqual(0);
    });
});
