import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { askedOf, openDemonstration, shown } from './demonstration';

const rigsOf = (page: Page) => page.getByRole('list', { name: 'Rigs to one scale, their planes of focus in line' }).getByRole('listitem');

/** Numbers of rigs by their names. */
const idsOf = (page: Page, ...names: string[]): Promise<number[]> =>
    page.evaluate(async (wanted) => {
        const rigs = (await (await fetch('/api/rigs')).json()) as { id: number; name: string }[];
        return wanted.map((name) => rigs.find((rig) => rig.name === name)?.id ?? 0);
    }, names);

/** How often a frame was painted. */
const painted = async (page: Page, at: number): Promise<number> =>
    Number((await page.locator('canvas').nth(at).getAttribute('data-painted')) ?? 0);

const out = async (page: Page, item: string) => {
    await page.getByRole('button', { name: 'Take it along' }).click();
    await page.getByRole('menuitem', { name: item }).click();
};

/** Until the page of the last one is gone: it has a place for files too. */
const begin = async (page: Page) => {
    await out(page, 'Begin another');
    await expect(page.getByRole('region', { name: 'Begin with one of your rigs' })).toBeVisible();
};

/** The seed's bellows and the moss, both at 3×, with the pointer on the bellows' draw and its sweep here. */
async function seedBesideMoss(page: Page) {
    await openDemonstration(page);
    const [seed, moss] = await idsOf(page, 'Sedge seed, coat pattern', 'Moss capsule, teeth');
    await page.goto(`/compare?rigs=${seed},${moss}&to=magnification&value=3&target=seed`);
    const rigs = rigsOf(page);
    await expect(rigs.first()).toContainText('3×');
    const draw = rigs.first().getByRole('slider', { name: /draw/ });
    await draw.hover();
    await page.waitForLoadState('networkidle');
    return { rigs, draw };
}

test('from the bench: two rigs brought to the same magnification, who is best in what, and back', async ({ page }) => {
    await openDemonstration(page, 'Sedge seed, coat pattern');
    await page.getByRole('button', { name: 'This rig' }).click();
    await page.getByRole('menuitem', { name: 'Compare with…' }).click();
    const rigs = rigsOf(page);
    await expect(rigs).toHaveCount(1);
    await page.getByRole('button', { name: 'Add a rig' }).click();
    await page.getByRole('menuitem', { name: /^Moss capsule, teeth/ }).click();
    await expect(rigs).toHaveCount(2);
    await page.getByRole('combobox', { name: 'Bring each' }).selectOption({ label: 'to a magnification of' });
    await page.getByRole('textbox', { name: 'to a magnification of' }).fill('4');
    await expect(page).toHaveURL(/rigs=\d+%2C\d+&to=magnification&value=4/);
    for (const rig of [0, 1]) await expect(rigs.nth(rig)).toContainText('4×');
    const verdict = page.getByRole('region', { name: 'What it comes to' });
    await expect(verdict.getByRole('columnheader')).toHaveText(['A', 'B']);
    const room = verdict.getByRole('row', { name: /^Most room/ });
    const figures = (await room.getByRole('cell').allInnerTexts()).map((text) => parseFloat(text));
    await expect(room.getByRole('cell').nth((figures[0] ?? 0) > (figures[1] ?? 0) ? 0 : 1)).toContainText('◂');

    // What can't be met says how near it gets, and is cropped.
    await page.getByRole('button', { name: 'Add a rig' }).click();
    await page.getByRole('menuitem', { name: /^Tower clock tooth/ }).click();
    await expect(rigs).toHaveCount(3);
    await expect(rigs.nth(2)).toContainText('as near as it gets');
    await expect(rigs.nth(2)).toContainText(/cropped to 5\.9\u2009mm, \d+ columns left/);

    const taken = page.waitForEvent('download');
    await out(page, 'As CSV');
    const csv = readFileSync(await (await taken).path(), 'utf8')
        .trim()
        .split('\r\n');
    expect(csv).toHaveLength(4);
    expect(csv[0]).toContain('letter,name,camera,parts,settings,met,magnification');
    expect(csv[1]).toMatch(/^A,"Sedge seed, coat pattern",Body A,/);

    // It is all in the address, and the rigs stay as they are.
    await page.reload();
    await expect(rigs).toHaveCount(3);
    await page.getByRole('button', { name: 'More about A' }).click();
    await page.getByRole('menuitem', { name: 'Leave out A' }).click();
    await expect(rigs).toHaveCount(2);

    // To the bench as it was brought, as one step; undone, it stands as it stood.
    await page.getByRole('button', { name: 'More about A' }).click();
    await page.getByRole('menuitem', { name: /^Put it on the bench/ }).click();
    await page.waitForURL(/\/bench\/\d+$/);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Moss capsule, teeth');
    expect(await shown(page, 'Magnification')).toBe('4');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => shown(page, 'Magnification')).not.toBe('4');
});

test('from Find: three rows ticked, the same numbers side by side, and one of them on the bench', async ({ page }) => {
    await openDemonstration(page);
    await page.goto('/find?fieldWidthMm=18&subjectDepthMm=1.5');
    const rows = page.getByRole('list', { name: 'Rigs that do it, the best first' }).getByRole('listitem');
    await expect(page.getByRole('status')).toContainText('rigs of your kit do this');
    await expect(page.getByRole('status')).not.toContainText('looking');
    const told: string[][] = [];
    for (const row of [0, 1, 2]) {
        const text = (await rows.nth(row).innerText()).replaceAll('\n', ' ');
        const [, room = '', m = ''] = /([\d.]+)\s*mm away\s*(?:±[\d.]+\s+)?([\d.]+)\s*×/.exec(text) ?? [];
        told.push([m, room]);
        await rows.nth(row).getByRole('checkbox').check();
    }
    await page.getByRole('button', { name: 'Compare in full' }).click();
    await page.waitForURL(/\/compare\?rigs=\d+,\d+,\d+$/);
    const rigs = rigsOf(page);
    await expect(rigs).toHaveCount(3);
    const room = page.getByRole('row', { name: /^Most room/ }).getByRole('cell');
    for (const [n, [m = '', mm = '']] of told.entries()) {
        await expect(rigs.nth(n)).toContainText(`${m}×`);
        await expect(room.nth(n)).toContainText(mm);
    }
    // Set up to be compared, they are on no list until one goes to the bench.
    const kept = () => page.evaluate(async () => ((await (await fetch('/api/rigs')).json()) as unknown[]).length);
    expect(await kept()).toBe(8);
    await page.keyboard.press('b');
    await page.keyboard.press('Enter');
    await page.waitForURL(/\/bench\/\d+$/);
    expect([await shown(page, 'Magnification'), await shown(page, 'Working distance')]).toEqual(told[1]);
    expect(await kept()).toBe(9);
});

test('a control is moved with nothing asked of the server, and where it is left is in the address', async ({ page }) => {
    const { rigs, draw } = await seedBesideMoss(page);
    const asked = askedOf(page);
    const box = await draw.boundingBox();
    if (!box) throw new Error('no slider');
    await page.mouse.move(box.x + box.width * 0.4, box.y + 8);
    await page.mouse.down();
    const before = await painted(page, 0);
    for (let k = 0; k <= 20; k++) await page.mouse.move(box.x + box.width * (0.4 + k * 0.02), box.y + 8);
    await expect(rigs.first()).not.toContainText('3×');
    await expect.poll(() => painted(page, 0)).toBeGreaterThan(before);
    expect(asked).toEqual([]);
    const moving = await rigs.first().getByRole('slider', { name: /draw/ }).getAttribute('aria-valuetext');
    const m = /[\d.]+×/.exec(await rigs.first().innerText())?.[0] ?? '';
    await page.mouse.up();
    await expect(page).toHaveURL(/set=A%3A1\.length%3A[\d.]+/);
    await expect(rigs.first()).toContainText('Set by hand.');
    // What the server says of it is what stood there in the hand.
    await expect(rigs.first()).toContainText(m);
    await expect(draw).toHaveAttribute('aria-valuetext', moving ?? '');
    await rigs.first().getByRole('button', { name: 'Bring it again' }).click();
    await expect(rigs.first()).toContainText('3×');
    await expect(page).not.toHaveURL(/set=/);
});

test('the edge of a painted step is as wide as the core says', async ({ page }) => {
    await openDemonstration(page);
    const [seed, moss] = await idsOf(page, 'Sedge seed, coat pattern', 'Moss capsule, teeth');
    const query = `rigs=${seed},${moss}&to=fieldWidthMm&value=9&target=tooth`;
    await page.goto(`/compare?${query}`);
    await page.getByRole('button', { name: 'Show A large, another beside it' }).click();
    const dialog = page.getByRole('dialog');
    await expect(dialog).toBeVisible();
    const told = await page.evaluate(async (address) => {
        interface Rig {
            layers: { atMm: number; magnification: number; discMm: number }[];
            gaussianMm: number;
            readings: { magnification: number; fieldWidthMm: number };
        }
        return ((await (await fetch(`/api/comparison?${address}`)).json()) as { rigs: Rig[] }).rigs;
    }, query);
    // On the left stands A, clipped over B.
    for (const [n, canvas] of [
        [0, dialog.locator('canvas').nth(1)],
        [1, dialog.locator('canvas').nth(0)],
    ] as const) {
        await expect(canvas).toHaveAttribute('data-painted', /\d/);
        const rig = told[n];
        const face = rig?.layers.at(-1);
        if (!rig || !face) throw new Error('nothing imaged');
        // The flank of the broken tooth, 0.96 mm from the middle, half-way up: brass on the left, the ground on the right.
        const { spread, width } = await canvas.evaluate(
            (element: HTMLCanvasElement, at: { x: number; y: number }) => {
                const brush = element.getContext('2d');
                if (!brush) throw new Error('no canvas');
                const { width: w, height: h } = element;
                const px = (mm: number) => (mm / 9) * w;
                const [middle, row] = [w / 2 + px(at.x), Math.round(h / 2 + px(at.y))];
                const half = Math.round(px(0.9));
                const line = brush.getImageData(Math.round(middle) - half, row, 2 * half, 1).data;
                const light = Array.from({ length: 2 * half }, (_, x) => {
                    const v = (line[4 * x] ?? 0) / 255;
                    return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
                });
                let [sum, mean, square] = [0, 0, 0];
                for (let x = 1; x < light.length; x++) {
                    const step = (light[x] ?? 0) - (light[x - 1] ?? 0);
                    sum += step;
                    mean += step * x;
                    square += step * x * x;
                }
                mean /= sum;
                return { spread: Math.sqrt(square / sum - mean * mean - 1 / 12), width: w };
            },
            { x: 0.96 * (face.magnification / rig.readings.magnification), y: 0.2 },
        );
        const perMm = width / (9 * rig.readings.magnification);
        const expected = Math.hypot((face.discMm * perMm) / 4, rig.gaussianMm * perMm);
        expect(expected).toBeGreaterThan(1.5);
        expect(spread / expected).toBeGreaterThan(0.9);
        expect(spread / expected).toBeLessThan(1.1);
    }
});

test('one is wiped over the other by mouse and by keys, and all are cropped to the smallest', async ({ page }) => {
    await openDemonstration(page);
    const [seed, disc] = await idsOf(page, 'Sedge seed, coat pattern', 'Lichen disc');
    await page.goto(`/compare?rigs=${seed},${disc}&target=seed`);
    await expect(rigsOf(page)).toHaveCount(2);
    await page.keyboard.press('w');
    const dialog = page.getByRole('dialog', { name: 'One beside the other' });
    await expect(dialog.getByRole('combobox', { name: 'Left' })).toHaveValue('A');
    await expect(dialog.getByRole('combobox', { name: 'Right' })).toHaveValue('B');
    const edge = dialog.getByRole('slider', { name: 'Edge' });
    await edge.focus();
    await page.keyboard.press('ArrowRight');
    await expect(edge).toHaveValue('51');
    const box = await dialog.locator('canvas').first().boundingBox();
    if (!box) throw new Error('no picture');
    await page.mouse.move(box.x + box.width * 0.25, box.y + 40);
    await expect(edge).toHaveValue(/^2[456]$/);
    await dialog.getByRole('combobox', { name: 'Left' }).selectOption('B');
    await expect(dialog.getByRole('combobox', { name: 'Right' })).toHaveValue('A');
    await page.keyboard.press('Escape');
    const frames = page.getByRole('region', { name: 'Their frames of the same target' });
    await expect(frames.getByRole('figure').nth(1)).toContainText(/B 6\d/);
    await page.keyboard.press('m');
    await expect(frames.getByRole('checkbox')).toBeChecked();
    const widths = (await frames.getByRole('figure').allInnerTexts()).map((text) => /[AB] ([\d.]+)/.exec(text)?.[1]);
    expect(widths[0]).toBe(widths[1]);
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
    await page.keyboard.press('Escape');
    await page.keyboard.press('b');
    await page.keyboard.press('Delete');
    await expect(rigsOf(page)).toHaveCount(1);
});

test('kept under a name, taken out as a file and in again, and forgotten', async ({ page }) => {
    await openDemonstration(page);
    const [seed, disc] = await idsOf(page, 'Sedge seed, coat pattern', 'Lichen disc');
    const address = `/compare?rigs=${seed},${disc}&to=magnification&value=1&target=grid`;
    await page.goto(address);
    await page.getByRole('button', { name: 'Keep this comparison' }).click();
    await page.getByRole('textbox', { name: 'Name' }).fill('Grid at life size');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    const taken = page.waitForEvent('download');
    await out(page, 'As an open file');
    const path = await (await taken).path();
    await begin(page);
    const kept = page.getByRole('region', { name: 'Comparisons you keep' });
    await kept.getByRole('link', { name: /^Grid at life size/ }).click();
    await expect(page).toHaveURL(new RegExp(`rigs=${seed}%2C${disc}&to=magnification&value=1&target=grid`));
    await expect(rigsOf(page)).toHaveCount(2);
    await begin(page);
    await page.locator('input[type=file]').setInputFiles(path);
    await page.waitForURL(/to=magnification&value=1&target=grid/);
    await expect(rigsOf(page)).toHaveCount(2);
    await expect(rigsOf(page).nth(1)).toContainText('Lichen disc');
    await begin(page);
    await page
        .locator('input[type=file]')
        .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"zinc-thimble/rig","version":1}') });
    await expect(page.getByRole('alert')).toContainText('needed');
    await kept.getByRole('button', { name: 'Forget Grid at life size' }).click();
    await expect(kept).toHaveCount(0);
});

test('each school’s question is asked with one’s own kit', async ({ page }) => {
    await openDemonstration(page);
    await page.goto('/compare');
    const questions = page.getByRole('region', { name: 'Questions your kit can answer' });
    for (const [question, said] of [
        [/^Tubes or a close-up lens/, 'With the close-up lens'],
        [/^The usual way round/, 'Turned round'],
        [/^Magnify, or crop/, 'Cropped'],
        [/^One stop or another/, 'At f/22'],
    ] as const) {
        await questions.getByRole('button', { name: question }).click();
        await expect(rigsOf(page)).toHaveCount(2);
        await expect(rigsOf(page).nth(1)).toContainText(said);
        if (said === 'Cropped') await expect(rigsOf(page).nth(1)).toContainText(/cropped to 20/);
        await page.goBack();
    }
});

test('a ladder of more than nine is a table, sorted by any column, and some of it drawn', async ({ page }) => {
    await openDemonstration(page);
    await page.goto('/find/cards');
    await page.getByRole('combobox', { name: 'With and without' }).selectOption('every');
    await expect(page.getByRole('row').nth(12)).toBeVisible();
    await page.getByRole('button', { name: 'Compare these rigs' }).click();
    const table = page.getByRole('table', { name: 'All of them, sorted by any column' });
    await expect(table).toBeVisible();
    const count = (await table.getByRole('row').count()) - 1;
    expect(count).toBeGreaterThan(9);
    const room = async () =>
        (await table.getByRole('row').allInnerTexts())
            .slice(1)
            .map((text) => /(\d[\d.]*)\smm\s+f\//.exec(text.replaceAll('\u2009', ' '))?.[1] ?? null);
    await table.getByRole('button', { name: 'Working distance' }).click();
    await expect(table.getByRole('columnheader', { name: /^Working distance/ })).toHaveAttribute('aria-sort', 'ascending');
    const rising = (await room()).filter((each) => each !== null).map(Number);
    expect(rising.length).toBeGreaterThan(9);
    expect(rising).toEqual([...rising].sort((a, b) => a - b));
    await table.getByRole('button', { name: 'Working distance' }).click();
    const falling = (await room()).filter((each) => each !== null).map(Number);
    expect(falling).toEqual([...rising].reverse());
    await expect(table.locator('canvas').first()).toHaveAttribute('data-painted', /\d/);
    for (const row of [2, 4, 6]) await table.getByRole('row').nth(row).getByRole('checkbox').check();
    await page.getByRole('button', { name: 'Lay 3 side by side' }).click();
    await expect(rigsOf(page)).toHaveCount(3);
});

test('begun empty it offers the rigs that are kept, and on a phone all of it is reached', async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    await openDemonstration(page);
    await page.getByRole('link', { name: 'Compare' }).click();
    await expect(page.getByRole('heading', { name: 'Which of these is better?' })).toBeVisible();
    await page.getByRole('button', { name: /^Lichen disc/ }).click();
    await page.getByRole('button', { name: 'Add a rig' }).click();
    await page.getByRole('menuitem', { name: /^Seed tray overview/ }).click();
    await expect(page.getByRole('region', { name: 'What it comes to' })).toBeVisible();
    // One rig at a time, the next one a swipe away; the strips are shared.
    const [first, second] = [await rigsOf(page).first().boundingBox(), await rigsOf(page).nth(1).boundingBox()];
    expect(first?.y).toBe(second?.y);
    expect(second?.x).toBeGreaterThan(300);
    await rigsOf(page).nth(1).scrollIntoViewIfNeeded();
    expect((await rigsOf(page).nth(1).boundingBox())?.x).toBeLessThan(60);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test('on a phone the strips below a held rig say what stands over them once the hand rests, of that rig and of no other', async ({
    page,
}) => {
    await page.setViewportSize({ width: 390, height: 700 });
    const { rigs, draw } = await seedBesideMoss(page);
    /** Letter and magnification of each rig, as the strips below say. */
    const strips = async () =>
        /A\s*([\d.]+)\s*B\s*([\d.]+)/.exec(await page.getByRole('region', { name: 'In figures' }).innerText())?.slice(1);
    const other = (await strips())?.[1];
    const box = await draw.boundingBox();
    if (!box) throw new Error('no slider');
    await page.mouse.move(box.x + box.width * 0.4, box.y + 8);
    await page.mouse.down();
    for (let k = 0; k <= 10; k++) await page.mouse.move(box.x + box.width * (0.4 + k * 0.03), box.y + 8);
    await expect(rigs.first()).not.toContainText('3×');
    const m = /([\d.]+)×/.exec(await rigs.first().innerText())?.[1];
    await expect.poll(strips).toEqual([m, other]);
    await page.mouse.up();
    await expect(page).toHaveURL(/set=A%3A1\.length%3A[\d.]+/);
    await expect.poll(strips).toEqual([m, other]);
});

test('a blank that is filled in while a rig is still being added loses no rig', async ({ page }) => {
    await openDemonstration(page);
    await page.getByRole('link', { name: 'Compare' }).click();
    await page.getByRole('button', { name: /^Lichen disc/ }).click();
    await expect(rigsOf(page)).toHaveCount(1);
    await page.getByRole('button', { name: 'Add a rig' }).click();
    const item = page.getByRole('menuitem', { name: /^Tower clock tooth/ });
    await expect(item).toBeVisible();
    // Both within one turn: nothing is drawn between them.
    await page.getByRole('combobox', { name: 'Bring each' }).evaluate((select: HTMLSelectElement) => {
        const items = [...document.querySelectorAll<HTMLElement>('[role=menuitem]')];
        items.find((each) => each.textContent.startsWith('Tower clock tooth'))?.click();
        Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value')?.set?.call(select, 'closest');
        select.dispatchEvent(new Event('change', { bubbles: true }));
    });
    await expect(rigsOf(page)).toHaveCount(2);
    await expect(page.getByRole('combobox', { name: 'Bring each' })).toHaveValue('closest');
});
