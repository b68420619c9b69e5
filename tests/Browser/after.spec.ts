import { readFileSync } from 'node:fs';
import { expect, test, type Download, type Page } from '@playwright/test';
import { RdfXmlParser } from 'rdfxml-streaming-parser';
import { openDemonstration } from './demonstration';
import { withExif } from './exif';

const entries = (page: Page) =>
    page
        .getByRole('region', { name: 'Written down' })
        .getByRole('listitem')
        .filter({ has: page.getByRole('heading') });
const row = (page: Page, text: string | RegExp) => entries(page).filter({ hasText: text });
const figures = (page: Page, name: string | RegExp) => page.getByRole('table', { name });

async function openDone(page: Page): Promise<void> {
    await openDemonstration(page);
    await page.getByRole('link', { name: 'Outings' }).click();
    await page.getByRole('link', { name: /^Seeds, moss and clock teeth/ }).click();
    await expect(entries(page).first()).toBeVisible();
}

async function saved(download: Promise<Download>): Promise<Buffer> {
    return readFileSync(await (await download).path());
}

test('the whole day: planned, packed, shot, written down, a lens settled, the rig set up again', async ({ page }) => {
    test.setTimeout(180_000);
    await openDemonstration(page);
    await page.goto('/outings');
    await page.getByRole('button', { name: 'New outing' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Seed morning');
    await page.getByRole('button', { name: 'Make it' }).click();
    await page.waitForURL(/outings\/\d+$/);
    const address = page.url();
    await page.getByRole('button', { name: 'Add a subject' }).click();
    const subject = page.getByRole('dialog');
    await subject.getByLabel('Subject').fill('Sedge seed');
    await subject.getByLabel('Frame width, mm').fill('6');
    await subject.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(subject).toHaveCount(0);
    await page.getByRole('button', { name: 'What to do with Sedge seed' }).click();
    await page.getByRole('menuitem', { name: 'With a rig of mine…' }).click();
    await page
        .getByRole('dialog')
        .getByRole('button', { name: /^Sedge seed, coat pattern/ })
        .click();
    await expect(page.getByRole('dialog')).toHaveCount(0);

    // Pack.
    const bag = page.getByRole('region', { name: 'In the bag' });
    await expect(bag.getByRole('checkbox', { name: 'Fell 35' })).toBeVisible();
    const boxes = bag.getByRole('checkbox');
    const all = await boxes.count();
    for (let n = 0; n < all; n++) await boxes.nth(n).check();
    await expect(bag.getByText(new RegExp(`^(\\d+) of \\1$`))).toBeVisible();

    // Shoot, and read a ruler across the frame: 23.6 mm of sensor over 5.86 mm are 4.03×.
    await page.getByRole('link', { name: 'Take it outside' }).click();
    await page.getByRole('button', { name: 'It was different' }).click();
    await page.getByLabel('Ruler across the frame, mm').fill('5.86');
    await page.getByLabel('Front to subject, measured, mm').fill('49.3');
    await page.getByLabel('Note').fill('Larger than it was said');
    await page.getByRole('button', { name: 'Write it down', exact: true }).click();
    await expect(page.getByText('Written down.')).toBeVisible();
    await expect(page.getByRole('banner').getByRole('status')).toHaveText('all of it is home');

    // After: measured beside said.
    await page.goto(`${address}/after`);
    const mine = row(page, 'Larger than it was said');
    await expect(mine.getByRole('heading')).toContainText('Sedge seed');
    await expect(mine).toContainText('draw 84\u2009mm');
    const magnification = mine.getByRole('row', { name: /^Magnification/ });
    await expect(magnification).toContainText('4.027 ± 0.069×');
    await expect(magnification).toContainText('3.83 ± 0.12×');
    await expect(magnification).toContainText('not as said');

    // The ruler becomes a shot with one press.
    await mine.getByRole('button', { name: /^What to do with/ }).click();
    await page.getByRole('menuitem', { name: 'Make it a shot of its lens' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'The lens has the shot' })).toBeVisible();
    await expect(page.getByRole('dialog').getByRole('row', { name: /Focal length/ })).toBeVisible();
    await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();

    // Set it up again: what has been settled since, and what that changes.
    await mine.getByRole('button', { name: /^Set it up again/ }).click();
    const again = page.getByRole('dialog');
    await expect(again.getByRole('region', { name: 'Since then' })).toContainText('Fell 35 was settled by shots');
    const gives = figures(page, 'It gives').getByRole('row', { name: /^Magnification/ });
    await expect(gives).toContainText('3.83 ± 0.12×');
    const today = Number((await gives.getByRole('cell').last().innerText()).match(/^[\d.]+/)?.[0]);
    expect(Math.abs(today - 4.027)).toBeLessThan(0.08);
    await again.getByRole('button', { name: 'On the Bench' }).click();
    await page.waitForURL(/\/bench\/\d+$/);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Sedge seed, Seed morning');
    await expect(page.getByRole('button', { name: 'Undo' })).toBeVisible();
    const shown = await page.evaluate(async () => {
        const rig = (await (await fetch(`/api/rigs/${location.pathname.split('/').pop()}`)).json()) as {
            readings: { magnification: number };
        };
        return rig.readings.magnification;
    });
    expect(Math.abs(shown - today)).toBeLessThan(0.005);

    // And its sheet.
    await page.goto(`${address}/after`);
    await row(page, 'Larger than it was said')
        .getByRole('button', { name: /^What to do with/ })
        .click();
    await page.getByRole('menuitem', { name: 'Its sheet' }).click();
    await expect(page.getByRole('article')).toContainText('Fell 35');
    await page.getByRole('link', { name: 'Back to the outing' }).click();
    await expect(row(page, 'Larger than it was said')).toBeVisible();
});

test('when did I last reach 4×, and with what? Two touches', async ({ page }) => {
    await openDemonstration(page);
    await page.getByRole('link', { name: 'Outings' }).click();
    await page.getByRole('link', { name: 'Log' }).click();
    await page.getByRole('button', { name: 'Show 4× and more' }).click();
    const said = page.getByRole('main').getByRole('status');
    await expect(said).toHaveText(
        /^Last at 4× or more: \w{3} \d+ \w{3} \d{4}, 4.11×, with Body B · Rail bellows \+ Larch to objective thread \+ Objective 4 \/ 0.10\.$/,
    );
    await expect(entriesOfLog(page)).toHaveCount(3);
    // The address holds it.
    await page.reload();
    await expect(entriesOfLog(page)).toHaveCount(3);
    await page.getByRole('button', { name: 'Show 8× and more' }).click();
    await expect(said).toHaveText('Never at 8× or more yet.');
    await page.getByRole('button', { name: 'Show everything' }).click();
    await expect(said).toHaveText('12 entries');

    await page.getByRole('button', { name: /^Rig: / }).click();
    await page.getByRole('menuitemradio', { name: 'Rail bellows' }).click();
    await expect(entriesOfLog(page)).toHaveCount(4);
    await page.getByRole('textbox', { name: 'To magnification' }).fill('4');
    await page.keyboard.press('Enter');
    await expect(entriesOfLog(page)).toHaveCount(1);
    await page.getByRole('button', { name: 'Show everything' }).click();
    await page.getByRole('searchbox', { name: 'Words' }).fill('borrowed');
    await page.keyboard.press('Enter');
    await expect(entriesOfLog(page)).toHaveCount(1);
    await entriesOfLog(page)
        .getByRole('button', { name: /^Set it up again/ })
        .click();
    await expect(page.getByRole('region', { name: 'Since then' })).toContainText('Tube 20, borrowed is no longer in the kit');
});

const entriesOfLog = (page: Page) =>
    page
        .getByRole('list', { name: 'Written down' })
        .getByRole('listitem')
        .filter({ has: page.getByRole('heading') });

test('an entry is written down anew and taken back; another is written here, with a picture whose camera fills the blanks', async ({
    page,
}) => {
    await openDone(page);
    await expect(page.getByText('10 entries')).toBeVisible();
    await row(page, 'One row of cells')
        .getByRole('button', { name: /^What to do with/ })
        .click();
    await page.getByRole('menuitem', { name: 'Change…' }).click();
    let form = page.getByRole('dialog');
    await expect(form.getByLabel('Rail bellows stood at')).toHaveValue('draw 110\u2009mm');
    await form.getByLabel('Rail bellows stood at').fill('draw 100 mm');
    await form.getByLabel('Frames').fill('x');
    await form.getByRole('button', { name: 'Keep it' }).click();
    await expect(form.getByRole('alert')).toHaveText('Frames: a number, please.');
    await form.getByLabel('Frames').fill('61');
    await form.getByRole('button', { name: 'Keep it' }).click();
    await expect(form).toHaveCount(0);
    const changed = row(page, 'One row of cells');
    await expect(changed).toContainText('corrected');
    await expect(changed).toContainText('61 frames');
    // At another draw other figures are said, worked out from the scale.
    await expect(changed.getByRole('row', { name: /^Magnification/ })).toContainText('4.29 ±');
    await expect(page.getByText('10 entries')).toBeVisible();

    await changed.getByRole('button', { name: /^What to do with/ }).click();
    await page.getByRole('menuitem', { name: 'Take it back' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Take it back' }).click();
    await expect(page.getByText('9 entries')).toBeVisible();
    await expect(row(page, 'One row of cells')).toHaveCount(0);

    // A picture of 1600 × 1000 pixels: the browser makes it, a camera would have written the rest.
    const jpeg = await page.evaluate(async () => {
        const canvas = new OffscreenCanvas(1600, 1000);
        const pen = canvas.getContext('2d');
        if (!pen) return [];
        for (let n = 0; n < 300; n++) {
            pen.fillStyle = `hsl(${(n * 37) % 360} 60% 50%)`;
            pen.fillRect((n * 97) % 1600, (n * 61) % 1000, 40, 30);
        }
        return [...new Uint8Array(await (await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.95 })).arrayBuffer())];
    });
    const picture = withExif(Buffer.from(jpeg), {
        takenAt: '2026:11:19 16:20:30',
        aperture: 11,
        exposure: [1, 60],
        iso: 320,
        focal: 105,
        camera: 'Body B',
    });
    await page.getByRole('button', { name: 'Write it down' }).click();
    await page
        .getByRole('dialog')
        .getByRole('button', { name: /^Herbarium label/ })
        .click();
    form = page.getByRole('dialog', { name: 'Write it down' });
    await form.getByLabel('Subject', { exact: true }).fill('Second label');
    await form.getByLabel('ISO', { exact: true }).fill('400');
    await form.getByLabel('Name pictures…').setInputFiles({ name: 'fen 0601.JPG', mimeType: 'image/jpeg', buffer: picture });
    await expect(form.getByRole('img', { name: 'Small picture of fen 0601.JPG' })).toBeVisible();
    await expect(form.getByLabel('Stop on the ring, f/')).toHaveValue('11');
    await expect(form.getByLabel('Shutter, s')).toHaveValue('1/60');
    // What somebody wrote stands before what a camera wrote.
    await expect(form.getByLabel('ISO', { exact: true })).toHaveValue('400');
    await expect(form.getByLabel('Day', { exact: true })).toHaveValue('2026-11-19');
    await expect(form.getByLabel('Time', { exact: true })).toHaveValue('16:20');
    await expect(form.getByText('105 mm')).toBeVisible();
    await form.getByLabel('Ruler across the frame, mm', { exact: true }).fill('104');
    await form.getByRole('button', { name: 'Keep it' }).click();
    await expect(form).toHaveCount(0);
    const mine = row(page, 'Second label');
    await expect(mine).toContainText('16:20');
    await expect(mine).toContainText('f/11 · 1/60\u2009s · ISO 400');
    const small = mine.getByRole('img', { name: 'Small picture of fen 0601.JPG' });
    await expect.poll(() => small.evaluate((image: HTMLImageElement) => [image.naturalWidth, image.naturalHeight])).toEqual([480, 300]);

    // Its sidecar is RDF that an independent parser reads.
    const sidecar = page.waitForEvent('download');
    await mine.getByRole('button', { name: /^What to do with/ }).click();
    await page.getByRole('menuitem', { name: 'XMP for fen 0601.JPG' }).click();
    expect((await sidecar).suggestedFilename()).toBe('fen-0601.xmp');
    const told = await triples(await saved(sidecar));
    expect(told['Rig']).toBe('Body B · Fell 105 macro');
    expect(Number(told['Magnification'])).toBeCloseTo(36 / 104, 9);
    expect(Number(told['FieldWidthMm'])).toBeCloseTo(104, 9);
    expect(Number(told['WorkingDistanceMm'])).toBeGreaterThan(300);
    expect(Number(told['EffectiveAperture'])).toBeGreaterThan(5.6);
    const csv = page.waitForEvent('download');
    await page.getByRole('button', { name: 'As CSV' }).click();
    const lines = (await saved(csv)).toString().trim().split('\r\n');
    expect(lines).toHaveLength(11);
    expect(lines[0]).toContain('magnification,magnificationHalfWidth');
});

/** What a sidecar says of the picture beside it, by the last word of each property. */
async function triples(xmp: Buffer): Promise<Record<string, string>> {
    const told: Record<string, string> = {};
    const parser = new RdfXmlParser({ baseIRI: 'file:///fen-0601.jpg', validateUri: true });
    await new Promise<void>((done, fail) => {
        parser.on('data', ({ predicate, object }: { predicate: { value: string }; object: { value: string } }) => {
            told[predicate.value.replace(/^.*[:#/]1?/, '')] = object.value;
        });
        parser.on('error', fail);
        parser.on('end', done);
        parser.write(xmp.toString());
        parser.end();
    });
    return told;
}

test('the ledger names the lens, and its shot settles it', async ({ page }) => {
    await openDemonstration(page);
    await page.goto('/outings/ledger');
    const all = figures(page, 'All');
    await expect(all.getByRole('row', { name: /^Magnification/ })).toContainText('8 of 10');
    await expect(figures(page, 'By lens').getByRole('row').nth(1)).toContainText('Fell 35');
    await expect(page.getByRole('region', { name: 'What points at a lens' })).toContainText('Fell 35 may not be what the kit says');
    await page.getByRole('button', { name: 'Magnification', exact: false }).click();
    await page.getByRole('menuitemradio', { name: 'Front to subject' }).click();
    await expect(figures(page, 'By lens').getByRole('row')).not.toHaveCount(0);
    await page.getByRole('button', { name: 'Settle it with that shot' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'The lens has the shot' })).toBeVisible();
    await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
    await expect(page.getByRole('region', { name: 'What points at a lens' })).toHaveCount(0);
});

test('what stands on the bench is written down for an outing', async ({ page }) => {
    await openDemonstration(page);
    await page.getByRole('button', { name: 'This rig' }).click();
    await page.getByRole('menuitem', { name: 'Write it down…' }).click();
    await expect(page.getByText('Which outing is this written down for?')).toBeVisible();
    await page.getByRole('link', { name: /^In the clock room/ }).click();
    const form = page.getByRole('dialog', { name: 'Write it down' });
    await expect(form.getByLabel('Process 62 stood at')).toHaveValue('f/8');
    await form.getByLabel('Note').fill('From the bench');
    await form.getByRole('button', { name: 'Keep it' }).click();
    await expect(form).toHaveCount(0);
    await expect(page).toHaveURL(/after$/);
    const mine = row(page, 'From the bench');
    await expect(mine.getByRole('row', { name: /^Magnification/ })).toContainText('0.5161 ± 0.0082×');
});

test('what is offered to be written down is planned as it is now', async ({ page }) => {
    await openDemonstration(page);
    await page.getByRole('link', { name: 'Outings' }).click();
    await page.getByRole('link', { name: /^Fen edge, first frost/ }).click();
    await page.getByRole('link', { name: 'After' }).click();
    const offered = page.getByRole('dialog').getByRole('button', { name: /^as planned for Moss capsule/ });
    await page.getByRole('button', { name: 'Write it down' }).click();
    await expect(offered).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: 'Before' }).click();
    await page.getByRole('button', { name: 'What to do with Moss capsule, teeth' }).click();
    await page.getByRole('menuitem', { name: 'Take off the list' }).click();
    await expect(page.getByText('Moss capsule, teeth')).toHaveCount(0);
    await page.getByRole('link', { name: 'After' }).click();
    await page.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByRole('dialog').getByRole('button', { name: /^as planned for Lichen/ })).toBeVisible();
    await expect(offered).toHaveCount(0);
});
