// Times a comparison of nine rigs, one of sixty-four, and a control dragged among nine, in headless Chromium against bin/start's
// application. Called by bin/bench compare; prints figures, fails nothing.
import { chromium } from '@playwright/test';

const [, , base] = process.argv;
const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const at = (times, share) => Math.round([...times].sort((a, b) => a - b)[Math.floor(times.length * share)] * 10) / 10;
const show = (name, value) => console.log(name.padEnd(26), String(value).padStart(8));

await page.goto(base);
await page.getByRole('button', { name: 'Open the demonstration' }).click();
await page.waitForURL(/\/bench\/\d+$/);
const { nine, many } = await page.evaluate(async () => {
    const ask = async (path, body) => {
        const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? '');
        const headers = { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token };
        return (await fetch(`/api${path}`, body ? { method: 'POST', headers, body: JSON.stringify(body) } : { headers })).json();
    };
    const rigs = await ask('/rigs');
    const [kit] = await ask('/kits');
    const parts = (await ask(`/kits/${kit.id}`)).parts.map(({ part }) => part);
    const named = (name) => parts.find((part) => part.name === name).id;
    const card = await ask(`/kits/${kit.id}/cards/ladder?camera=${named('Body B')}&lens=${named('Moor 50')}&every=1`);
    const rows = Array.from({ length: 64 }, (_, n) => card.rows[n % card.rows.length]);
    const ladder = await ask(`/kits/${kit.id}/comparison`, { rigs: rows.map(({ camera, parts: on }) => ({ camera, parts: on })) });
    const copy = await ask(`/rigs/${rigs[0].id}/copies`, {});
    return { nine: [...rigs.map(({ id }) => id), copy.id].slice(0, 9), many: ladder.rigs };
});
const timed = (address, count) =>
    page.evaluate(
        async ([path, times]) => {
            const took = [];
            for (let n = 0; n < times + 5; n++) {
                const from = performance.now();
                await (await fetch(path)).json();
                if (n >= 5) took.push(performance.now() - from);
            }
            return took;
        },
        [`/api/comparison?${address}`, count],
    );
for (const [name, address] of [
    ['nineAsSetMs', `rigs=${nine.join(',')}`],
    ['nineToAFieldMs', `rigs=${nine.join(',')}&to=fieldWidthMm&value=20&sharpest=1&target=seed`],
    ['sixtyFourAsSetMs', `rigs=${many.join(',')}`],
    ['sixtyFourToAFieldMs', `rigs=${many.join(',')}&to=fieldWidthMm&value=40&target=grid`],
]) {
    const took = await timed(address, 60);
    show(`${name}Median`, at(took, 0.5));
    show(`${name}P95`, at(took, 0.95));
}

await page.goto(`${base}/compare?rigs=${nine.join(',')}&target=seed`);
const rows = page.getByRole('list', { name: 'Rigs to one scale, their planes of focus in line' }).getByRole('listitem');
await rows.nth(8).waitFor();
const slid = rows.filter({ hasText: 'Rail bellows' }).first();
await slid.getByRole('button', { pressed: false }).first().click();
const draw = slid.getByRole('slider').first();
const sweep = page.waitForLoadState('networkidle');
await draw.hover();
await sweep;
await page.waitForTimeout(2500);
const requests = [];
page.on('request', (request) => requests.push(request.url()));
const box = await draw.boundingBox();
await page.mouse.move(box.x + 14, box.y + 18);
await page.mouse.down();
await page.evaluate(() => {
    window.painted = [];
    addEventListener(
        'pointermove',
        (event) => requestAnimationFrame(() => setTimeout(() => window.painted.push(performance.now() - event.timeStamp))),
        { capture: true },
    );
});
for (let step = 0; step < 300; step++) await page.mouse.move(box.x + 14 + ((box.width - 28) * step) / 300, box.y + 18);
show('dragRequests', requests.length);
const felt = await page.evaluate(() => window.painted);
show('dragMedianMs', at(felt, 0.5));
show('dragP95Ms', at(felt, 0.95));
await page.mouse.up();
await browser.close();
