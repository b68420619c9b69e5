import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { openDemonstration } from './demonstration';
import { withExif } from './exif';

test.setTimeout(180_000);

const finder = (page: Page) => page.getByTestId('finder');
const painted = async (page: Page) => Number((await finder(page).getAttribute('data-painted')) ?? 0);

async function lookThrough(page: Page, rig: string, target?: string): Promise<void> {
    await openDemonstration(page, rig);
    await page.getByRole('tab', { name: 'Look through' }).click();
    await expect.poll(() => painted(page)).toBeGreaterThan(0);
    if (target === undefined) return;
    const before = await painted(page);
    await page.getByRole('button', { name: /^Before it/ }).click();
    await page.getByRole('menuitemradio', { name: target, exact: true }).click();
    await expect(page.getByRole('button', { name: `Before it: ${target}` })).toBeVisible();
    await expect.poll(() => painted(page)).toBeGreaterThan(before);
}

/** A box over a share of the picture in the dialog, from corner to corner. */
async function drawBox(page: Page, from: readonly [number, number], to: readonly [number, number]): Promise<void> {
    const at = await page
        .getByRole('dialog')
        .getByRole('img', { name: /draw a box/ })
        .boundingBox();
    if (!at) throw new Error('There is no picture.');
    const place = ([x, y]: readonly [number, number]) => [at.x + x * at.width, at.y + y * at.height] as const;
    await page.mouse.move(...place(from));
    await page.mouse.down();
    await page.mouse.move(...place([(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]), { steps: 4 });
    await page.mouse.move(...place(to), { steps: 4 });
    await page.mouse.up();
}

const numberIn = (text: string | null) => Number(/[\d.]+/.exec(text ?? '')?.[0]);

test('a ruler is measured on the screen, on the command line the same, and kept as a shot of the lens', async ({ page }) => {
    await lookThrough(page, 'Lichen disc');
    // The lesson: a lens that isn’t what is engraved.
    await expect(page.getByRole('checkbox', { name: /not quite what is engraved/ })).toBeChecked();
    await page.getByRole('button', { name: 'One frame' }).click();
    // How sure its magnification is, before and after.
    const predicted = page.getByRole('region', { name: 'Magnification', exact: true });
    const before = await predicted.textContent();
    const frame = page.getByRole('link', { name: /^Download lichen-disc-ruler/ });
    const downloading = page.waitForEvent('download');
    await frame.click();
    const file = await (await downloading).path();
    await page.getByRole('button', { name: 'Measure it' }).click();
    const dialog = page.getByRole('dialog', { name: 'Measure a picture' });
    await drawBox(page, [0.15, 0.42], [0.85, 0.58]);
    const found = dialog.getByTestId('found');
    await expect(found).toHaveText(/^\d\.\d+ ± 0\.0\d+/);
    await expect(dialog.getByText(/\d+ lines · [\d.]+ pixels a division/)).toBeVisible();
    await expect(dialog.getByRole('combobox', { name: 'Taken by' })).toContainText('by its size');
    const [x, y, width, height] = await Promise.all(
        ['from the left', 'from the top', 'wide', 'high'].map(async (side) => dialog.getByLabel(side).inputValue()),
    );
    const told = JSON.parse(/\{"madeUp".*?"key":"[^"]*"\}/.exec(readFileSync(file, 'latin1'))?.[0] ?? '{}') as {
        pitchMm: number;
        divisionMm: number;
    };
    const line = JSON.parse(
        execFileSync('php', [
            'artisan',
            'picture:ruler',
            file,
            `--division=${told.divisionMm}`,
            `--pitch=${told.pitchMm}`,
            `--box=${x},${y},${width},${height}`,
            '--json',
        ]).toString(),
    ) as { magnification: number };
    expect(numberIn(await found.textContent())).toBeCloseTo(line.magnification, 3);

    // To the keyboard a box is four numbers.
    await dialog.getByLabel('high').fill('120');
    await expect(found).toHaveText(/^\d\.\d+ ± 0\.0\d+/);
    await dialog.getByRole('button', { name: 'A shot of Moor 50' }).click();
    await expect(page.getByText('Kept as a shot of Moor 50')).toBeVisible();
    await expect.poll(async () => predicted.textContent()).not.toBe(before);
});

test('a picture of one’s own, two marks, and what can’t be measured', async ({ page }) => {
    await lookThrough(page, 'Lichen disc');
    await page.getByRole('button', { name: 'One frame' }).click();
    const downloading = page.waitForEvent('download');
    await page.getByRole('link', { name: /^Download lichen-disc-ruler/ }).click();
    const file = await (await downloading).path();
    await page.getByRole('button', { name: 'Measure a picture of yours…' }).click();
    const dialog = page.getByRole('dialog', { name: 'Measure a picture' });
    await dialog
        .getByLabel('Open a picture…')
        .setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
    await expect(dialog.getByRole('alert')).toContainText('no picture that this browser can read');
    await dialog.getByLabel('Open a picture…').setInputFiles({ name: 'ruler.png', mimeType: 'image/png', buffer: readFileSync(file) });
    await drawBox(page, [0.3, 0.45], [0.34, 0.5]);
    await expect(dialog.getByRole('alert')).toContainText(/pixels|divisions/);
    await dialog.getByRole('button', { name: 'Set two marks instead' }).click();
    await dialog.getByLabel('Divisions between the two marks').fill('4');
    const picture = dialog.getByRole('img', { name: /draw a box/ });
    const at = await picture.boundingBox();
    if (!at) throw new Error('There is no picture.');
    await picture.click({ position: { x: 0.25 * at.width, y: 0.5 * at.height } });
    await picture.click({ position: { x: 0.75 * at.width, y: 0.5 * at.height } });
    await expect(dialog.getByTestId('found')).toHaveText(/^[\d.]+ ± [\d.]+/);
});

test('a trial finds the sharpest stop, is kept with its lens, and advice says so', async ({ page }) => {
    await lookThrough(page, 'Tower clock tooth', 'a slanted edge');
    await page.getByRole('checkbox', { name: /not quite what is engraved/ }).click();
    await expect(page.getByText('Find them out')).toBeVisible();
    await page.getByRole('button', { name: 'A trial of all stops' }).click();
    const dialog = page.getByRole('dialog', { name: 'A trial of stops' });
    // Eight frames, by workers that give way to everybody else.
    await expect(dialog.getByRole('row')).toHaveCount(8, { timeout: 60_000 });
    // Sorted by their stops, whatever order they came in.
    await expect(dialog.getByRole('textbox').first()).toHaveValue('4');
    await expect(dialog.getByRole('textbox').last()).toHaveValue('32');
    await drawBox(page, [0.4, 0.2], [0.6, 0.8]);
    await dialog.getByRole('button', { name: 'Measure them' }).click();
    await expect(dialog.getByTestId('sharpest')).toHaveText(/^Process 62 is sharpest at f\/\d+(\.\d)?, at 0\.52×\.$/);
    const stop = /f\/[\d.]+/.exec((await dialog.getByTestId('sharpest').textContent()) ?? '')?.[0] ?? '';
    await dialog.getByRole('button', { name: 'Keep with the lens' }).click();
    await expect(dialog.getByText('Kept with the lens.')).toBeVisible();
    await dialog.getByRole('button', { name: 'Close' }).click();
    await page.getByRole('tab', { name: 'Shots' }).click();
    await expect(page.getByText(`By its trial at 0.52× the lens is sharpest at ${stop}.`)).toBeVisible();
    await page.getByRole('link', { name: 'Kit', exact: true }).click();
    await page.getByRole('button', { name: /^Process 62/ }).click();
    await expect(page.getByText(`1 trial of its stops: sharpest at ${stop} at 0.52×.`)).toBeVisible();
});

test('pictures of a trial sort themselves by what their camera wrote, on a phone as well', async ({ browser }) => {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
    const page = await context.newPage();
    await lookThrough(page, 'Tower clock tooth');
    // As a phone’s camera makes them: JPEGs whose names tell nothing of the stop.
    const jpeg = Buffer.from(
        await page.evaluate(() => {
            const canvas = document.createElement('canvas');
            [canvas.width, canvas.height] = [300, 200];
            canvas.getContext('2d')?.fillRect(0, 0, 150, 200);
            return canvas.toDataURL('image/jpeg').split(',')[1] ?? '';
        }),
        'base64',
    );
    const taken = (name: string, aperture: number) => ({
        name,
        mimeType: 'image/jpeg',
        buffer: withExif(jpeg, { takenAt: '2026:11:19 16:20:30', aperture, exposure: [1, 60], iso: 200, focal: 62, camera: 'Body A' }),
    });
    await page.getByRole('button', { name: 'A trial from your pictures…' }).tap();
    const dialog = page.getByRole('dialog', { name: 'A trial of stops' });
    const input = dialog.getByLabel('Open pictures…');
    // Whatever the phone has is offered: its camera roll.
    await expect(input).toHaveAttribute('accept', /image\/jpeg/);
    await input.setInputFiles([taken('IMG_1.jpg', 11), taken('IMG_2.jpg', 4), taken('IMG_3.jpg', 8)]);
    await expect(dialog.getByRole('textbox')).toHaveCount(3);
    const stops = await dialog.getByRole('textbox').evaluateAll((all) => all.map((each) => (each as HTMLInputElement).value));
    expect(stops).toEqual(['4', '8', '11']);
    const at = await dialog.getByRole('img', { name: /draw a box/ }).boundingBox();
    if (!at) throw new Error('There is no picture.');
    await page.mouse.move(at.x + 0.4 * at.width, at.y + 0.3 * at.height);
    await page.mouse.down();
    await page.mouse.move(at.x + 0.6 * at.width, at.y + 0.7 * at.height, { steps: 4 });
    await page.mouse.up();
    await expect(dialog.getByRole('button', { name: 'Measure them' })).toBeEnabled();
    await context.close();
});

test('the rail is moved by keys and by hand, the diaphragm closed, and what is sharp is said', async ({ page }) => {
    await lookThrough(page, 'Tower clock tooth', 'a clock tooth, a step');
    const slider = page.getByRole('slider', { name: /What the finder shows/ });
    const rail = page.getByRole('textbox', { name: 'Where the rail stands, mm' });
    const stands = async () => Number(await rail.inputValue());
    const from = await stands();
    await slider.focus();
    await page.keyboard.press('Shift+ArrowRight');
    await expect.poll(stands).toBeCloseTo(from + 0.125, 2);
    await page.keyboard.press('ArrowLeft');
    await expect.poll(stands).toBeCloseTo(from + 0.1125, 2);
    const sharp = page.getByTestId('sharp');
    const open = await sharp.textContent();
    await page.getByRole('button', { name: /open at f\/4/ }).click();
    await expect(page.getByRole('button', { name: /closed to f\/8/ })).toBeVisible();
    await expect(sharp).not.toHaveText(open ?? '');
    await rail.fill('50');
    await rail.press('Enter');
    await expect.poll(stands).toBe(50);
    await expect(sharp).toHaveText('nothing of it');
});

test('a stack loses no frame when its worker is killed, its connection lost, or somebody pauses it', async ({ page }) => {
    await lookThrough(page, 'Sedge seed, coat pattern', 'a moss capsule');
    await page.getByRole('button', { name: /^Run the stack/ }).click();
    const stack = page.getByTestId('stack');
    const taken = async () => numberIn(await stack.textContent());
    await expect.poll(taken).toBeGreaterThan(1);
    // Its worker ends in the middle of it.
    const loop = '.run/test/stacks.pid';
    expect(existsSync(loop), 'the instance that bin/test runs').toBe(true);
    execFileSync('pkill', ['-KILL', '-g', readFileSync(loop, 'utf8').trim(), '-f', '^php .*queue:work stacks']);
    const killedAt = await taken();
    await expect.poll(taken, { timeout: 60_000 }).toBeGreaterThan(killedAt + 1);
    await page.getByRole('button', { name: 'Pause the stack' }).click();
    await expect(page.getByRole('button', { name: 'Go on' })).toBeVisible();
    const paused = await taken();
    await page.getByRole('checkbox', { name: 'Lose the connection' }).click();
    await page.getByRole('button', { name: 'Go on' }).click();
    await expect(page.getByText(/doesn’t answer\./).first()).toBeVisible();
    await page.getByRole('checkbox', { name: 'Lose the connection' }).click();
    const goOn = page.getByRole('button', { name: 'Go on' });
    await expect(
        goOn
            .or(stack.filter({ hasText: /done$/ }))
            .or(page.getByRole('button', { name: 'Pause the stack' }))
            .first(),
    ).toBeVisible();
    expect(await taken()).toBeGreaterThanOrEqual(paused);
    await expect
        .poll(
            async () => {
                if (await goOn.isVisible()) await goOn.click().catch(() => undefined);
                return stack.textContent();
            },
            { timeout: 120_000, intervals: [1000] },
        )
        .toMatch(/done$/);
    const all = numberIn(
        await page
            .getByText(/^\d+ frames/)
            .first()
            .textContent(),
    );
    const names = await page.getByRole('link', { name: /^Download sedge-seed.*-capsule-/ }).allTextContents();
    expect(names.map((name) => Number(/-(\d{3})\.png$/.exec(name)?.[1])).sort((a, b) => a - b)).toEqual(
        Array.from({ length: all }, (_, n) => n + 1),
    );
});

test('nothing serious for axe, and at 360 px nothing runs out of the page', async ({ page }) => {
    await lookThrough(page, 'Lichen disc');
    const serious = async () =>
        (await new AxeBuilder({ page }).analyze()).violations
            .filter(({ impact }) => impact !== 'minor')
            .map(({ id, nodes }) => [id, nodes.map(({ html }) => html)]);
    expect(await serious()).toEqual([]);
    await page.getByRole('button', { name: 'One frame' }).click();
    await page.getByRole('button', { name: 'Measure it' }).click();
    await expect(page.getByRole('dialog').getByRole('img', { name: /draw a box/ })).toBeVisible();
    await drawBox(page, [0.15, 0.42], [0.85, 0.58]);
    await expect(page.getByTestId('found')).toBeVisible();
    expect(await serious()).toEqual([]);
    await page.keyboard.press('Escape');
    await page.setViewportSize({ width: 360, height: 740 });
    await expect(finder(page)).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
});
