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
    practice: async () => {
        // Some weeks of it first: about as far off as people are, and better with light than with rings.
        await page.evaluate(async () => {
            const token = () => decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? '');
            const post = async (path, body) => (await fetch(path, { method: 'POST', headers: { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token() }, body: JSON.stringify(body) })).json();
            const [kit] = await (await fetch('/api/kits')).json();
            const off = { tube: 0.09, room: 0.3, light: 0.12, turned: 0.4, 'close-up': 0.2, joins: 0, slice: 0.25 };
            for (let round = 0; round < 9; round++) {
                const { questions } = await post(`/api/kits/${kit.id}/practice`, {});
                for (const [n, { id, round: of, asked, truth }] of questions.entries()) {
                    const share = 1 + off[asked.skill] * [1, -0.6, 0.4, -0.9, 1.3][(n + round) % 5];
                    const guess = asked.options.length > 0 ? (n % 7 === 0 ? (truth.truth + 1) % asked.options.length : truth.truth) : Math.max(asked.least, truth.truth * share);
                    const wide = asked.options.length > 0 ? 1 : 1.2;
                    await post(`/api/practice/${id}/answer`, { round: of, guess, low: guess / wide, high: guess * wide });
                }
            }
        });
        await go('/practice');
        for (let n = 0; n < 40 && !/far from the subject is its front/.test(await page.getByRole('heading', { level: 1 }).innerText()); n++) {
            const more = page.getByRole('button', { name: 'Ten more' });
            if (await more.isVisible()) {
                await more.click();
                await still(page);
                continue;
            }
            await page.getByRole('button', { name: 'I don’t know' }).click();
            await page.getByRole('button', { name: 'Next' }).click();
        }
        await page.getByRole('textbox', { name: 'Your guess, typed' }).fill('64');
        await page.keyboard.press('Enter');
        await blurred();
    },
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
