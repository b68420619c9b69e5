import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { askedOf, openDemonstration } from './demonstration';

/** A tab below the drawing, open. */
async function work(page: Page, name: 'Parts' | 'Light' | 'Shots') {
    await page.getByRole('tab', { name }).click();
    const panel = page.getByRole('tabpanel', { name });
    await expect(panel).toBeVisible();
    return panel;
}

/** Figures are those of the rig as it stands now: older ones are dimmed. */
async function settled(page: Page): Promise<void> {
    await expect(page.getByRole('tabpanel').locator('[aria-busy=true]')).toHaveCount(0);
}

/** Fills a blank of a sentence and waits until it is saved. */
async function fill(page: Page, label: string, value: string): Promise<void> {
    await settled(page);
    const saved = page.waitForResponse((answer) => answer.url().endsWith('/steps') && answer.ok());
    await page.getByLabel(label, { exact: true }).fill(value);
    await page.keyboard.press('Enter');
    await saved;
    await expect(page.getByLabel(label, { exact: true })).toHaveValue(value);
    await settled(page);
}

async function press(page: Page, name: string): Promise<void> {
    const saved = page.waitForResponse((answer) => answer.url().endsWith('/steps') && answer.ok());
    await page.getByRole('button', { name, exact: true }).click();
    await saved;
    await settled(page);
}

test('a flash and a stack by the rail are planned, and the sheet has the same figures', async ({ page }) => {
    await openDemonstration(page, 'Sedge seed, coat pattern');
    const light = await work(page, 'Light');
    await expect(light).toContainText('by this light');
    await fill(page, 'It moves across, mm a second', '2');
    await expect(light).toContainText('too slow by');
    // Each way has its figure; the flash is drawn as soon as it is planned.
    for (const way of ['Flash', 'More light', 'Open up', 'Higher ISO', 'Calm it'])
        await expect(light.getByRole('listitem', { name: way, exact: true })).toBeVisible();
    await expect(page.locator('[data-flash]')).toHaveCount(0);
    await press(page, 'Plan with flash');
    await expect(page.locator('[data-flash]')).toHaveCount(1);
    await expect(page.locator('[data-flash]')).toContainText('Small flash 180');
    await fill(page, 'Flash to subject, mm', '150');
    await fill(page, 'Light that its diffuser takes, stops', '1');
    await fill(page, 'Angle over the plane of focus, degrees', '40');
    const card = light.getByRole('listitem', { name: 'Flash', exact: true });
    await expect(card).toContainText('at 150');
    await expect(card).toContainText('Planned');
    const power = (await card.locator('.figures').first().innerText()).replace(' power', '');
    expect(power).toMatch(/^1\/\d+( \+ [⅓⅔])?$/);

    const shots = await work(page, 'Shots');
    await fill(page, 'Overlap of slices, per cent', '30');
    await fill(page, 'Frames from a battery', '20');
    await press(page, 'Plan by the rail');
    const rail = shots.getByRole('listitem', { name: 'By the rail' });
    await expect(rail).toContainText('Planned');
    const turns = /([\d.]+) turns a frame/.exec(await rail.innerText())?.[1] ?? '';
    const frames = /(\d+) frames/.exec(await shots.getByRole('listitem', { name: 'A stack' }).innerText())?.[1] ?? '';
    expect(Number(frames)).toBeGreaterThan(20);
    await expect(rail).toContainText(`${Math.ceil(Number(frames) / 20)} batteries`);
    const program = page.waitForEvent('download');
    await rail.getByRole('link', { name: /G-code/ }).click();
    const code = readFileSync(await (await program).path(), 'utf8');
    expect(code.match(/^M3$/gm)).toHaveLength(Number(frames));
    await rail.getByText('Every position').click();
    await expect(rail.getByRole('row')).toHaveCount(Number(frames) + 1);

    await page.getByRole('button', { name: 'This rig' }).click();
    await page.getByRole('menuitem', { name: 'Sheet for the table' }).click();
    const sheet = page.getByRole('article', { name: 'Sedge seed, coat pattern' });
    await expect(sheet).toContainText('Small flash, 150\u2009mm from the subject');
    await expect(sheet).toContainText(power);
    await expect(sheet).toContainText('40°, below');
    await expect(sheet).toContainText(`${frames} frames`);
    await expect(sheet).toContainText(`${turns} turns of the rail`);
    await expect(sheet).toContainText('Batteries');
    await page.getByRole('link', { name: 'Back to the bench' }).click();

    // All of it is in the history, step by step.
    await expect(page.getByRole('button', { name: /^Undo/ })).toHaveAttribute('title', 'Undo plan a stack by the rail');
    await page.getByRole('button', { name: /^Undo/ }).click();
    await work(page, 'Shots');
    await expect(page.getByRole('button', { name: 'Plan by the rail' })).toBeVisible();
    await expect(page.getByLabel('Overlap of slices, per cent')).toHaveValue('30');
});

test('light follows the ring under the hand, from tables, without a request', async ({ page }) => {
    await openDemonstration(page, 'Dragonfly from the dyke path');
    const tables: string[] = [];
    page.on('response', (answer) => {
        if (answer.url().includes('/light/sweep')) tables.push(answer.url());
    });
    const light = await work(page, 'Light');
    await expect(light).toContainText('by this light');
    // Tables of all controls come ahead.
    const controls = await page.getByRole('region', { name: 'Settings' }).getByRole('slider').count();
    expect(controls).toBeGreaterThan(0);
    await expect.poll(() => tables.length).toBe(controls);
    await page.waitForLoadState('networkidle');
    const ring = page.getByRole('slider', { name: /aperture ring/ });
    const exposure = light.locator('[data-exposure] text').first();
    const seen = new Set<string>();
    const asked = askedOf(page);
    const box = await ring.boundingBox();
    if (!box) throw new Error('no ring');
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    for (const share of [0.3, 0.45, 0.6, 0.75, 0.9]) {
        await page.mouse.move(box.x + box.width * share, box.y + box.height / 2, { steps: 3 });
        seen.add((await exposure.textContent()) ?? '');
    }
    expect(asked).toEqual([]);
    expect(seen.size).toBeGreaterThan(3);
    const last = (await exposure.textContent()) ?? '';
    await page.mouse.up();
    await expect(page.getByRole('button', { name: /^Undo/ })).toHaveAttribute('title', /aperture|f\//);
    // Nothing springs back: the figure of the last row is the rig's.
    await expect(exposure).toHaveText(last);
});

test('a preset fills the blanks, tabs answer to keys, and each keeps what was done in it', async ({ page }) => {
    await openDemonstration(page, 'Sedge seed, coat pattern');
    await page.getByRole('group', { name: 'Drawing of the rig, to scale' }).first().focus();
    await page.keyboard.press('3');
    await expect(page.getByRole('tab', { name: 'Shots' })).toHaveAttribute('aria-selected', 'true');
    const saved = page.waitForResponse((answer) => answer.url().endsWith('/steps') && answer.ok());
    await page.getByRole('button', { name: 'choose…' }).click();
    await page.getByRole('menuitem', { name: 'an insect’s head' }).click();
    await saved;
    await expect(page.getByLabel('Width of the subject, mm')).toHaveValue('4');
    await expect(page.getByLabel('Depth of the subject, mm')).toHaveValue('2.5');
    await expect(page.locator('[data-subject]')).toHaveCount(1);
    await page.getByRole('group', { name: 'Drawing of the rig, to scale' }).first().focus();
    await page.keyboard.press('1');
    await page.getByPlaceholder('type to narrow').fill('tube');
    await page.getByRole('tab', { name: 'Light' }).click();
    await page.getByRole('tab', { name: 'Parts' }).click();
    await expect(page.getByPlaceholder('type to narrow')).toHaveValue('tube');
});

test('a focus step is measured once and plans the camera’s own bracketing', async ({ page }) => {
    await openDemonstration(page, 'Dragonfly from the dyke path');
    const shots = await work(page, 'Shots');
    const camera = shots.getByRole('listitem', { name: 'By the camera’s bracketing' });
    await expect(camera).toContainText('Measure it once');
    await camera.getByRole('button', { name: 'Measure its step…' }).click();
    await page.getByLabel('Step set in the camera, 1 to 10').fill('11');
    await page.getByLabel('Frames taken').fill('5');
    await page.getByLabel('Way from the first to the last, mm').fill('4');
    await page.getByRole('button', { name: 'Keep it with the lens' }).click();
    await expect(page.getByRole('dialog').getByRole('alert')).toBeVisible();
    await page.getByLabel('Step set in the camera, 1 to 10').fill('5');
    await page.getByRole('button', { name: 'Keep it with the lens' }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await expect(camera.getByRole('button', { name: 'Measure again…' })).toBeVisible();
    await expect(camera.getByRole('button', { name: 'Plan by the camera' }).or(camera.getByText('doesn’t reach'))).toBeVisible();
});
