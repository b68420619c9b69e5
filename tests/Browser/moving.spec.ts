import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import gifenc from 'gifenc';
import { PNG } from 'pngjs';
import { expect, test, type Page } from '@playwright/test';
import { byKeys, chainOf, openDemonstration } from './demonstration';

const { GIFEncoder, applyPalette, quantize } = gifenc;

/** What the picture may weigh. */
const most = 1024 * 1024;
const area = { x: 0, y: 44, width: 1040, height: 520 };

test.use({ viewport: { width: 1040, height: 800 }, deviceScaleFactor: 0.8 });

interface Shot {
    png: PNG;
    /** How long it stays, ms. */
    stays: number;
}

async function shot(page: Page, stays: number): Promise<Shot> {
    return { png: PNG.sync.read(await page.screenshot({ clip: area, animations: 'disabled' })), stays };
}

/** One palette for all, its first colour for what stays as it was; each frame has only what changed. */
function gifOf(shots: readonly Shot[]): Uint8Array {
    const first = shots[0];
    if (!first) throw new Error('nothing was taken');
    const { width, height } = first.png;
    const palette = [
        [255, 0, 255],
        ...quantize(new Uint8Array(Buffer.concat([first.png.data, shots.at(-1)?.png.data ?? first.png.data])), 127, { format: 'rgb565' }),
    ];
    const gif = GIFEncoder();
    let before: Uint8Array | null = null;
    for (const { png, stays } of shots) {
        const now = applyPalette(new Uint8Array(png.data), palette.slice(1), 'rgb565').map((index) => index + 1);
        const frame: Uint8Array = before === null ? now : now.map((index, at) => (index === before?.[at] ? 0 : index));
        gif.writeFrame(frame, width, height, {
            palette,
            delay: stays,
            transparent: before !== null,
            transparentIndex: 0,
            dispose: 1,
            repeat: 0,
        });
        before = now;
    }
    gif.finish();
    return gif.bytes();
}

test('a moving picture shows what it does in under a megabyte', async ({ page }) => {
    test.setTimeout(120_000);
    await openDemonstration(page, 'Lichen disc');
    await page.mouse.move(0, 0);
    const shots = [await shot(page, 1400)];
    const before = await page.getByRole('region', { name: 'Magnification', exact: true }).locator('[data-figure]').innerText();
    // A tube goes in.
    const chain = chainOf(page);
    await chain.focus();
    await page.keyboard.press('Home');
    await page.keyboard.press('ArrowRight');
    shots.push(await shot(page, 700));
    await byKeys(page)('Tube 31', 10);
    await expect(page.getByRole('status').first()).toHaveText('saved');
    shots.push(await shot(page, 1600));
    // The ring is turned, step by step, and every figure follows.
    const ring = page.getByRole('slider', { name: /Moor 50 · focus ring/ });
    const box = await ring.boundingBox();
    if (!box) throw new Error('the ring has no scale');
    const at = (share: number) => box.x + 10 + (box.width - 20) * share;
    await page.mouse.move(at(0), box.y + 17);
    await expect(ring).not.toHaveAttribute('aria-busy', 'true');
    await page.mouse.down();
    for (let n = 1; n <= 18; n++) {
        await page.mouse.move(at(n / 18), box.y + 17);
        shots.push(await shot(page, 90));
    }
    await page.mouse.up();
    await expect(page.getByRole('status').first()).toHaveText('saved');
    shots.push(await shot(page, 2200));
    const after = await page.getByRole('region', { name: 'Magnification', exact: true }).locator('[data-figure]').innerText();
    expect(Number(after)).toBeGreaterThan(Number(before));

    const gif = gifOf(shots);
    console.log(`moving picture: ${shots.length} frames, ${(gif.length / 1024).toFixed(0)} kB`);
    expect(gif.length).toBeLessThan(most);
    expect(gif.length).toBeGreaterThan(20 * 1024);
    expect(Buffer.from(gif.slice(0, 6)).toString()).toBe('GIF89a');
    mkdirSync('.run/moving', { recursive: true });
    writeFileSync('.run/moving/moving.gif', gif);
    writeFileSync('.run/moving/moving-still.png', await page.screenshot({ clip: area, animations: 'disabled' }));
    // What ships was made so, and is as small.
    if (process.env['KEEP_MOVING'] === '1')
        for (const name of ['moving.gif', 'moving-still.png']) writeFileSync(`public/${name}`, readFileSync(`.run/moving/${name}`));
    expect(readFileSync('public/moving.gif').length).toBeLessThan(most);
});
