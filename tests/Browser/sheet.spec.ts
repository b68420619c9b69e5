import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { openDemonstration, shown } from './demonstration';
import { readPdf } from './pdf';

test('from the bench: the same figures on the sheet, as text and as a file', async ({ page }) => {
    await openDemonstration(page, 'Sedge seed, coat pattern');
    const [m, room] = [await shown(page, 'Magnification'), await shown(page, 'Working distance')];
    await page.getByRole('button', { name: 'This rig' }).click();
    await page.getByRole('menuitem', { name: 'Sheet for the table' }).click();
    const sheet = page.getByRole('article', { name: 'Sedge seed, coat pattern' });
    await expect(sheet).toContainText(`${m}×`);
    await expect(sheet).toContainText(`${room}\u2009mm`);
    for (const words of ['Join, from the camera out', 'Rail bellows', 'draw 84', 'Close to f/5.6. Hands off.', 'Write down'])
        await expect(sheet).toContainText(words);
    const text = page.waitForEvent('download');
    await page.getByRole('button', { name: 'As text' }).click();
    const download = await text;
    expect(download.suggestedFilename()).toBe('sedge-seed-coat-pattern.sheet.txt');
    expect(readFileSync(await download.path(), 'utf8')).toContain(`${m}×`);
    const file = page.waitForEvent('download');
    await page.getByRole('button', { name: 'As an open file' }).click();
    expect((JSON.parse(readFileSync(await (await file).path(), 'utf8')) as { format: string }).format).toBe('zinc-thimble/sheet');
    await page.getByRole('link', { name: 'Back to the bench' }).click();
    await page.waitForURL(/\/bench\/\d+$/);
});

test('printed, the paper rule is as long as the distance, the check line 50 mm, and a plain rig is one page of A5', async ({ page }) => {
    await openDemonstration(page, 'Sedge seed, coat pattern');
    const id = page.url().split('/').at(-1) ?? '';
    const ruleMm = await page.evaluate(
        async (rig) => ((await (await fetch(`/api/rigs/${rig}/sheet`)).json()) as { ruleMm: number }).ruleMm,
        id,
    );
    for (const [paper, width, height] of [
        ['A5', 148, 210],
        ['A6', 105, 148],
        ['A4', 210, 297],
        ['letter', 215.9, 279.4],
    ] as const) {
        await page.goto(`/sheet/${id}?paper=${paper}`);
        await expect(page.getByRole('article')).toBeVisible();
        await page.evaluate(() => document.fonts.ready);
        const pdf = readPdf(await page.pdf({ preferCSSPageSize: true, printBackground: true }));
        for (const each of pdf.pages) {
            expect(Math.abs(each.width - width)).toBeLessThan(0.5);
            expect(Math.abs(each.height - height)).toBeLessThan(0.5);
        }
        expect(pdf.pages.length, paper).toBeLessThanOrEqual(paper === 'A6' ? 2 : 1);
        const check = pdf.filled.filter(({ colour }) => colour === '0 0 1');
        expect(check, paper).toHaveLength(1);
        expect(Math.abs((check[0]?.width ?? 0) - 50)).toBeLessThan(0.2);
        const rule = pdf.filled.filter(({ colour }) => colour === '0 0 2').reduce((sum, each) => sum + each.width, 0);
        expect(Math.abs(rule - ruleMm), paper).toBeLessThan(0.2);
    }
});
