import AxeBuilder from '@axe-core/playwright';
import { mkdirSync, writeFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { openDemonstration } from './demonstration';

/** Every place there is, with something in it. */
async function places(page: Page): Promise<readonly (readonly [name: string, address: string])[]> {
    const rigs = await page.evaluate(async () => (await (await fetch('/api/rigs')).json()) as { id: number }[]);
    const kits = await page.evaluate(async () => (await (await fetch('/api/kits')).json()) as { id: number }[]);
    const parts = await page.evaluate(
        async (id) => ((await (await fetch(`/api/kits/${id}`)).json()) as { parts: { part: { id: number; kind: string } }[] }).parts,
        kits[0]?.id ?? 0,
    );
    const ids = rigs.map(({ id }) => id);
    const outings = await page.evaluate(async () => (await (await fetch('/api/outings')).json()) as { id: number }[]);
    const lens = parts.find(({ part }) => part.kind === 'lens')?.part.id;
    return [
        ['first', '/first?body=mirrorless-23&focalMm=50&tubes=20,10'],
        ['bench', `/bench/${ids[3]}`],
        ['kit', '/kit'],
        ['part', `/kit?part=${lens}`],
        ['add', '/kit?add=1'],
        ['table', '/kit?view=table'],
        ['map', '/kit?view=map'],
        ['find', '/find?fieldWidthMm=18'],
        ['cards', '/find/cards'],
        ['compare', `/compare?rigs=${ids.slice(0, 3).join(',')}&to=fieldWidthMm&value=20`],
        ['outings', '/outings'],
        ['outing', `/outings/${outings[0]?.id}`],
        ['outside', `/outings/${outings[0]?.id}/outside`],
        ['after', `/outings/${outings.at(-1)?.id}/after`],
        ['log', '/outings/log?from=0.5'],
        ['ledger', '/outings/ledger'],
        ['practice', '/practice'],
        ['sheet', `/sheet/${ids[0]}`],
    ];
}

const settled = async (page: Page) => {
    await expect(page.getByRole('main')).not.toHaveAttribute('aria-busy', 'true');
    await page.waitForLoadState('networkidle');
};

test.setTimeout(300_000);

test.describe('at 360 px, with a finger', () => {
    test.use({ viewport: { width: 360, height: 740 }, hasTouch: true, isMobile: true });

    test('every place is usable: nothing runs out of the page, columns stand under each other, and what moves is a finger wide', async ({
        page,
    }) => {
        await openDemonstration(page);
        mkdirSync('.run/walk', { recursive: true });
        for (const [name, address] of await places(page)) {
            await page.goto(address);
            await settled(page);
            const told = await page.evaluate(() => {
                const seen = (element: Element) => element.getClientRects().length > 0;
                const scrolls = [...document.querySelectorAll('*')].filter(
                    (each) =>
                        seen(each) &&
                        ['auto', 'scroll'].includes(getComputedStyle(each).overflowX) &&
                        each.scrollWidth > each.clientWidth + 2,
                );
                const high = (what: string) =>
                    [...document.querySelectorAll(what)]
                        .filter(seen)
                        .map((each) => [each.getAttribute('aria-label') ?? each.textContent, each.getBoundingClientRect().height] as const);
                return {
                    wide: document.documentElement.scrollWidth,
                    // What is drawn to scale scrolls along its axis, and so do the parts in their order; no table does.
                    sideways: scrolls
                        .filter((each) => each.querySelector('table') !== null || each.tagName === 'TABLE')
                        .map((each) => String(each.getAttribute('class'))),
                    moves: high('[role=slider], input[type=range]'),
                    pressed: high('header button, [role=tab], main > div > div > button'),
                };
            });
            expect(told.wide, name).toBeLessThanOrEqual(360);
            expect(told.sideways, name).toEqual([]);
            for (const [label, height] of told.moves) expect(height, `${name}: ${label}`).toBeGreaterThanOrEqual(44);
            for (const [label, height] of told.pressed) expect(height, `${name}: ${label}`).toBeGreaterThanOrEqual(44);
            await page.screenshot({ path: `.run/walk/${name}.png`, fullPage: false });
        }
    });
});

test('at twice the size every place holds: nothing is cut off sideways', async ({ page }) => {
    // A window of 1280 × 800 at 200 % is one of 640 × 400.
    await page.setViewportSize({ width: 640, height: 400 });
    await openDemonstration(page);
    for (const [name, address] of await places(page)) {
        await page.goto(address);
        await settled(page);
        expect(await page.evaluate(() => document.documentElement.scrollWidth), name).toBeLessThanOrEqual(640);
        // What has the page's heading is in sight, and the first thing to press isn’t covered.
        await expect(page.getByRole('heading', { level: 1 }).first(), name).toBeVisible();
    }
});

test('where less motion is wanted nothing moves by itself', async ({ page }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await page.goto('/');
    await expect(page.getByRole('img', { name: /A rig on the Bench/ })).toBeVisible();
    const source = await page.getByRole('img', { name: /A rig on the Bench/ }).evaluate((image: HTMLImageElement) => image.currentSrc);
    expect(source).toContain('still');
    await openDemonstration(page);
    for (const [name, address] of await places(page)) {
        await page.goto(address);
        await settled(page);
        const moving = await page.evaluate(() =>
            document
                .getAnimations()
                .filter((each) => each.playState === 'running')
                .map((each) => each.id + each.playState),
        );
        expect(moving, name).toEqual([]);
    }
});

test('by keyboard alone through every place: every stop is in sight, named, and the way comes round', async ({ page }) => {
    await openDemonstration(page);
    const told: string[] = [];
    for (const [name, address] of await places(page)) {
        await page.goto(address);
        await settled(page);
        await page.evaluate(() => document.activeElement instanceof HTMLElement && document.activeElement.blur());
        told.push(`\n# ${name}`);
        let stops = 0;
        let lost = 0;
        for (let n = 0; n < 400; n++) {
            await page.keyboard.press('Tab');
            const stop = await page.evaluate(() => {
                const at = document.activeElement;
                if (!at || at === document.body) return null;
                const box = at.getBoundingClientRect();
                const style = getComputedStyle(at);
                const first = at.hasAttribute('data-seen-by-test');
                at.setAttribute('data-seen-by-test', '');
                return {
                    inSight: box.bottom > 0 && box.top < innerHeight && box.width > 0 && box.height > 0,
                    marked: style.outlineStyle !== 'none' || style.boxShadow !== 'none' || style.borderBottomWidth !== '0px',
                    first,
                };
            });
            // Past the last stop the browser has it for one: the way has come round.
            if (stop === null || stop.first) break;
            stops++;
            // As it is read aloud.
            const aloud = (await page.locator(':focus').ariaSnapshot()).split('\n')[0] ?? '';
            told.push(aloud);
            expect(aloud, `${name}, stop ${stops}: without a name`).toMatch(/^- \S+ .*\S/);
            expect(stop.marked, `${name}: ${aloud} has the keyboard and doesn’t show it`).toBe(true);
            if (!stop.inSight) lost++;
        }
        // Outside there are four things to press, and no more.
        expect(stops, name).toBeGreaterThan(name === 'outside' ? 3 : 5);
        expect(stops, `${name}: the way never comes round`).toBeLessThan(400);
        expect(lost, `${name}: stops out of sight`).toBe(0);
    }
    mkdirSync('.run/walk', { recursive: true });
    writeFileSync('.run/walk/names.txt', told.join('\n'));
});

test('axe finds nothing serious and nothing moderate at the first visit', async ({ page }) => {
    await openDemonstration(page);
    // The other places, each in several states and lights: axe.spec.ts.
    for (const [name, address] of [
        ['first', '/first?body=mirrorless-23&focalMm=50&tubes=20,10'],
        ['list', '/kit?add=1'],
        ['stranger', '/'],
    ] as const) {
        if (name === 'stranger') await page.context().clearCookies();
        await page.goto(address);
        await settled(page);
        const { violations } = await new AxeBuilder({ page }).analyze();
        expect(
            violations
                .filter(({ impact }) => impact !== 'minor')
                .map(({ id, nodes }) => [id, nodes.slice(0, 4).map(({ html }) => html.slice(0, 160))]),
            name,
        ).toEqual([]);
    }
});
