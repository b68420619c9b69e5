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
/** A drag across shares of a box. */
const drag = async (box, [x1, y1], [x2, y2]) => {
    await page.mouse.move(box.x + x1 * box.width, box.y + y1 * box.height);
    await page.mouse.down();
    await page.mouse.move(box.x + x2 * box.width, box.y + y2 * box.height, { steps: 6 });
    await page.mouse.up();
};
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
    'look-through': async () => {
        await go(`/bench/${seed}`);
        await page.getByRole('tab', { name: 'Look through' }).click();
        await still(page);
        await page.getByRole('button', { name: /^Before it/ }).click();
        await page.getByRole('menuitemradio', { name: 'a seed', exact: true }).click();
        await still(page);
        await page.getByRole('button', { name: /^Run the stack/ }).click();
        await page.getByText(/^11 taken/).waitFor({ timeout: 240_000 });
        await blurred();
        await page.waitForTimeout(800);
    },
    measure: async () => {
        await go(`/bench/${rig('Lichen disc')}`);
        await page.getByRole('tab', { name: 'Look through' }).click();
        await still(page);
        await page.getByRole('button', { name: 'One frame' }).click();
        await page.getByRole('button', { name: 'Measure it' }).click();
        const picture = page.getByRole('dialog').getByRole('img', { name: /draw a box/ });
        await picture.waitFor();
        await page.waitForTimeout(800);
        await drag(await picture.boundingBox(), [0.16, 0.44], [0.84, 0.56]);
        await page.getByTestId('found').waitFor();
        await page.waitForTimeout(600);
    },
    trial: async () => {
        await go(`/bench/${rig('Tower clock tooth')}`);
        await page.getByRole('tab', { name: 'Look through' }).click();
        await still(page);
        await page.getByRole('button', { name: /^Before it/ }).click();
        await page.getByRole('menuitemradio', { name: 'a slanted edge', exact: true }).click();
        await page.getByRole('checkbox', { name: /not quite what is engraved/ }).click();
        await still(page);
        await page.getByRole('button', { name: 'A trial of all stops' }).click();
        const picture = page.getByRole('dialog').getByRole('img', { name: /draw a box/ });
        await picture.waitFor({ timeout: 60_000 });
        await page.waitForTimeout(800);
        await drag(await picture.boundingBox(), [0.4, 0.2], [0.6, 0.8]);
        await page.getByRole('button', { name: 'Measure them' }).click();
        await page.getByTestId('sharpest').waitFor({ timeout: 60_000 });
        await page.waitForTimeout(600);
    },
    'joint-map': () => go('/kit?view=map'),
    find: () => go('/find?fieldWidthMm=18&leastRoomMm=60'),
    card: () => go('/find/cards'),
    compare: () => go(`/compare?rigs=${[rig('Tower clock tooth'), seed, rig('Lichen disc')].join(',')}&to=fieldWidthMm&value=20`),
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
