import { expect, test } from '@playwright/test';
import { newcomer } from './demonstration';

test('every empty place shows what will stand there, and its button leads on', async ({ page }) => {
    await newcomer(page);
    for (const [place, heading, button] of [
        ['/bench', 'An empty bench', 'Put in your camera'],
        ['/kit', 'An empty shelf', 'Add a part'],
        ['/find', 'No rig yet', 'Put in your camera'],
        ['/find/cards', 'An empty card', 'Put in your camera'],
        ['/compare', 'Nothing to lay side by side yet', 'Put in your camera'],
    ] as const) {
        await page.goto(place);
        const empty = page.locator('[data-empty]');
        await expect(empty.getByRole('heading', { name: heading })).toBeVisible();
        // One drawn example, with what it is.
        await expect(empty.getByRole('figure')).toContainText(/^So /);
        await expect(empty.locator('svg path').first()).toBeAttached();
        await empty
            .getByRole('link', { name: button })
            .or(empty.getByRole('button', { name: button }))
            .click();
        await page.waitForURL(/\/kit/);
        await expect(page.getByRole('complementary', { name: 'Add a part' })).toBeVisible();
    }
});

test('from nothing to a rig by the buttons alone: a camera, then a lens, then the bench', async ({ page }) => {
    await newcomer(page);
    const put = async (parts: object[]) => {
        const status = await page.evaluate(async (all) => {
            const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? '');
            const headers = { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token };
            const kits = (await (await fetch('/api/kits', { headers })).json()) as { id: number }[];
            return (await fetch(`/api/kits/${kits[0]?.id}/parts`, { method: 'POST', headers, body: JSON.stringify({ parts: all }) }))
                .status;
        }, parts);
        expect(status).toBe(201);
    };
    await put([
        {
            kind: 'camera',
            name: 'Body',
            joint: 'larch',
            registerMm: 44.5,
            sensor: { widthMm: 36, heightMm: 24, columns: 6000, rows: 4000 },
        },
    ]);
    await page.goto('/find');
    await expect(page.locator('[data-empty]').getByRole('link', { name: 'Put in a lens' })).toBeVisible();
    await page.goto('/compare');
    await expect(page.locator('[data-empty]').getByRole('link', { name: 'Put in a lens' })).toBeVisible();
    await put([
        {
            kind: 'lens',
            name: 'Fifty',
            rear: 'larch',
            front: 'thread:52x0.75',
            focalLengthMm: 50,
            registerMm: 44.5,
            frontRimMm: 40,
            aperture: { widest: 2, smallest: 16, control: 'ring' },
        },
        { kind: 'tube', name: 'Tube 20', rear: 'larch', front: 'larch', lengthMm: 20 },
    ]);
    await page.goto('/compare');
    await page.locator('[data-empty]').getByRole('link', { name: 'Build a rig' }).click();
    await page.waitForURL(/\/bench$/);
    await page.getByRole('button', { name: 'New rig' }).click();
    await page.waitForURL(/\/bench\/\d+$/);
    await page.getByRole('button', { name: /^A tube behind a lens/ }).click();
    await expect(page.getByRole('listbox', { name: /from camera to subject/ }).getByRole('option')).toHaveCount(6);
    await page.goto('/find');
    await expect(page.getByRole('heading', { name: 'What can your kit do at all?' })).toBeVisible();
});
