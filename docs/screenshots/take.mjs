// Takes every picture of this folder anew, from the demonstration of a running application:
//     node docs/screenshots/take.mjs [http://127.0.0.1:8200] [NAME …]
import { chromium } from '@playwright/test';

const [, , address = 'http://127.0.0.1:8200', ...only] = process.argv;
const folder = new URL('.', import.meta.url).pathname;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const desk = { viewport: { width: 1280, height: 800 } };
const context = await browser.newContext(desk);
const page = await context.newPage();

const still = async (on) => {
    await on.waitForLoadState('networkidle');
    await on.mouse.move(0, 0);
    await on.waitForTimeout(900);
};
const go = async (path, on = page) => {
    await on.goto(address + path);
    await still(on);
};
const blurred = (on = page) => on.evaluate(() => document.activeElement?.blur());
const fill = async (label, text) => {
    await page.getByLabel(label).fill(text);
    await page.keyboard.press('Enter');
    await still(page);
};

await page.goto(address);
await page.getByRole('button', { name: 'Open the demonstration' }).click();
await page.waitForURL(/\/bench\/\d+$/);
await still(page);
const json = (path) => page.evaluate(async (at) => (await fetch(at)).json(), path);
const rigs = await json('/api/rigs');
const rig = (name) => rigs.find((each) => each.name === name).id;
const [kit] = await json('/api/kits');
const { parts } = await json(`/api/kits/${kit.id}`);
const part = (name) => parts.find((each) => each.part.name === name).part.id;
const seed = rig('Sedge seed, coat pattern');

/** Each picture, and how one comes to it; what is returned is the page to take. */
const pictures = {
    'first-visit': async () => {
        const stranger = await (await browser.newContext(desk)).newPage();
        await go('/?body=mirrorless-23&focalMm=50&widest=1.8&closestMm=450&tubes=20,10', stranger);
        return stranger;
    },
    bench: () => go(`/bench/${rig('Tower clock tooth')}`),
    'bench-phone': async () => {
        const hand = await (await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, storageState: await context.storageState() })).newPage();
        await go(`/bench/${rig('Tower clock tooth')}`, hand);
        return hand;
    },
    derivation: async () => {
        await go(`/bench/${rig('Lichen disc')}`);
        await page.getByRole('button', { name: 'Working distance', exact: true }).click();
        await still(page);
    },
    'bench-light': async () => {
        await go(`/bench/${seed}`);
        await page.getByRole('tab', { name: 'Light' }).click();
        await fill('It moves across, mm a second', '0.05');
        await page.getByRole('button', { name: 'Plan with flash' }).click();
        await still(page);
        await fill('Angle over the plane of focus, degrees', '40');
        await blurred();
        await still(page);
    },
    'bench-shots': async () => {
        await go(`/bench/${seed}`);
        await page.getByRole('tab', { name: 'Shots' }).click();
        await still(page);
        await page.getByRole('button', { name: 'Plan by the rail' }).click();
        await still(page);
        await page.evaluate(() => {
            document.activeElement?.blur();
            document.querySelector('[role=tabpanel]:not([hidden])').scrollTop = 0;
        });
    },
    sheet: () => go(`/sheet/${seed}`),
    kit: () => go('/kit'),
    'kit-part': () => go(`/kit?part=${part('Moor 50')}`),
    measure: async () => {
        await go(`/kit?part=${part('Fell 35')}`);
        await page.getByRole('button', { name: 'Measure it with a ruler' }).click();
        await still(page);
        const row = page.getByRole('dialog').getByRole('textbox');
        for (const [at, text] of ['14', '2050', '20', '85.5', ''].entries()) if (text !== '') await row.nth(at).fill(text);
        await page.getByRole('button', { name: 'Preview' }).click();
        await still(page);
    },
    'joint-map': () => go('/kit?view=map'),
    find: () => go('/find?fieldWidthMm=18&leastRoomMm=60'),
    card: () => go('/find/cards'),
    compare: () => go(`/compare?rigs=${[rig('Tower clock tooth'), seed, rig('Lichen disc')].join(',')}&to=fieldWidthMm&value=20`),
    'compare-wipe': async () => {
        await go(`/compare?rigs=${[rig('Tower clock tooth'), seed, rig('Lichen disc')].join(',')}&to=fieldWidthMm&value=20`);
        await page.keyboard.press('b');
        await page.keyboard.press('w');
        await page.getByText('developing').first().waitFor({ state: 'hidden', timeout: 20_000 });
        await page.waitForTimeout(4000);
    },
    outing: async () => {
        const [{ id }] = (await json('/api/outings')).filter(({ name }) => name === 'Fen edge, first frost');
        await go(`/outings/${id}`);
        await page.getByRole('heading', { name: /In this order/ }).waitFor();
        await still(page);
    },
    after: async () => {
        const [{ id }] = (await json('/api/outings')).filter(({ name }) => name === 'Seeds, moss and clock teeth');
        await go(`/outings/${id}/after`);
        await still(page);
    },
    ledger: () => go('/outings/ledger'),
    outside: async () => {
        const [{ id }] = (await json('/api/outings')).filter(({ name }) => name === 'Fen edge, first frost');
        const hand = await (await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, storageState: await context.storageState() })).newPage();
        await go(`/outings/${id}/outside`, hand);
        await hand.getByRole('button', { name: 'Write it down as shot' }).click();
        await still(hand);
        return hand;
    },
};

for (const [name, come] of Object.entries(pictures)) {
    if (only.length > 0 && !only.includes(name)) continue;
    const at = (await come()) ?? page;
    await at.screenshot({ path: `${folder}${name}.png`, fullPage: name === 'sheet' });
    console.log(name);
}
await browser.close();
