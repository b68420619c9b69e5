// Times what people feel, in headless Chromium against bin/start's application. Called by bench/web.php; prints JSON.
import { execFileSync } from 'node:child_process';
import { chromium } from '@playwright/test';

const [, , base] = process.argv;
const flags = [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
];
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: flags });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const p95 = (times) => [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.95)];
const round = (value) => Math.round(value * 10) / 10;

await page.goto(base);
await page.getByRole('button', { name: 'Open the demonstration' }).click();
await page.waitForURL(/\/bench\/\d+$/);
const figures = {};

// Script that the bench needs on its first load.
const scripts = await page.evaluate(() =>
    performance
        .getEntriesByType('resource')
        .filter((each) => each.name.endsWith('.js'))
        .map((each) => each.encodedBodySize),
);
figures.firstLoadScriptKbGzip = round(scripts.reduce((sum, size) => sum + size, 0) / 1024);

// A drag of 300 steps: from each input event to the painted frame with its new figures.
const dragged = async (control) => {
    const box = await control.boundingBox();
    const requests = [];
    const asked = (request) => requests.push(request.url());
    page.on('request', asked);
    await page.mouse.move(box.x + 4, box.y + 18);
    await page.mouse.down();
    await page.evaluate(() => {
        window.painted = [];
        window.watch = new AbortController();
        addEventListener(
            'pointermove',
            (event) => {
                const from = event.timeStamp;
                // The frame after next has been painted when its callback runs.
                requestAnimationFrame(() => setTimeout(() => window.painted.push(performance.now() - from)));
            },
            { capture: true, signal: window.watch.signal },
        );
    });
    for (let step = 0; step < 300; step++) await page.mouse.move(box.x + 4 + ((box.width - 8) * step) / 300, box.y + 18);
    const painted = await page.evaluate(() => {
        window.watch.abort();
        return window.painted;
    });
    page.off('request', asked);
    await page.mouse.up();
    return { requests: requests.length, p95Ms: round(p95(painted)) };
};
await page.getByRole('button', { name: 'Rigs' }).click();
await page.getByRole('menuitem', { name: /^Sedge seed, coat pattern/ }).click();
const draw = page.getByRole('slider', { name: /Rail bellows · draw/ });
await draw.focus();
await page.waitForLoadState('networkidle');
const onParts = await dragged(draw);
figures.dragRequests = onParts.requests;
figures.dragP95Ms = onParts.p95Ms;

// The same with the Light tab open, a subject that moves, so that every way has its figure, and a flash planned and drawn.
await page.getByRole('tab', { name: 'Light' }).click();
await page.getByLabel('It moves across, mm a second').fill('2');
await page.keyboard.press('Enter');
await page.getByRole('button', { name: 'Plan with flash' }).click();
await page.locator('[data-flash]').waitFor();
await page.waitForTimeout(3000);
await page.waitForLoadState('networkidle');
const onLight = await dragged(draw);
figures.lightDragRequests = onLight.requests;
figures.lightDragP95Ms = onLight.p95Ms;
await page.getByRole('tab', { name: 'Parts' }).click();

// Taking hold of a second travel after the first one has moved: from pressing to its first figures, painted. By a hand that
// takes 0.4 s from one scale to the other, and by one that takes no time at all (the first travel is still being saved).
const lens = page.getByRole('slider', { name: /· focus/ });
const second = async (pause) => {
    const times = [];
    for (let round = 0; round < 24; round++) {
        await page.waitForTimeout(900);
        const from = await draw.boundingBox();
        const to = await lens.boundingBox();
        await page.mouse.move(from.x + from.width * 0.3, from.y + 18);
        await page.mouse.down();
        await page.mouse.move(from.x + from.width * (0.2 + 0.025 * round), from.y + 18, { steps: 4 });
        await page.mouse.up();
        await page.waitForTimeout(pause / 2);
        await page.mouse.move(to.x + to.width * (0.25 + 0.02 * round), to.y + 18);
        await page.waitForTimeout(pause / 2);
        await page.evaluate(() => {
            window.taken = new Promise((resolve) => {
                addEventListener(
                    'pointerdown',
                    (event) => {
                        const look = new MutationObserver(() => {
                            look.disconnect();
                            requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - event.timeStamp)));
                        });
                        look.observe(document.querySelector('main aside'), { subtree: true, childList: true, characterData: true });
                    },
                    { capture: true, once: true },
                );
            });
        });
        await page.mouse.down();
        times.push(await page.evaluate(() => window.taken));
        await page.mouse.up();
    }
    return times;
};
figures.secondTravelP95Ms = round(p95(await second(400)));
figures.secondTravelAtOnceP95Ms = round(p95(await second(0)));

// Find, with the kit of sixty parts that bin/bench find asks: from the last keystroke to the first ranked rows painted, and to
// the whole answer; and the map, 5,000 dots over its shading, from pointing at a route to the frame with it.
const sixty = execFileSync('php', ['-r', "require 'bench/BenchKit.php'; echo json_encode(ZincThimble\\Bench\\BenchKit::of(60));"], {
    encoding: 'utf8',
});
await page.evaluate(async (text) => {
    const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? '');
    const headers = { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token };
    const ask = async (method, path, body) => fetch(`/api${path}`, { method, headers, body: body && JSON.stringify(body) });
    const [{ id }] = await (await ask('GET', '/kits')).json();
    for (const { part } of (await (await ask('GET', `/kits/${id}`)).json()).parts)
        await ask('DELETE', `/kits/${id}/parts/${part.id}?anyway=1`);
    const { revision } = await (await ask('POST', `/kits/${id}/import`, { text, as: 'json' })).json();
    await ask('PUT', `/kits/${id}/import`, { text, as: 'json', revision });
}, sixty);
await page.goto(`${base}/find`);
await page.getByRole('heading', { name: 'What can your kit do at all?' }).waitFor();
const blank = page.getByRole('textbox', { name: /of subject/ });
// Every worker has answered before, as in a server that is in use.
await page.evaluate(async () => {
    const [{ id }] = await (await fetch('/api/kits')).json();
    for (let n = 0; n < 6; n++)
        await Promise.all(
            [0, 1, 2, 3].map((k) => fetch(`/api/kits/${id}/${k % 2 ? 'find' : 'find/first'}?magnification=${1 + n * 0.1 + k * 0.01}`)),
        );
});
const answers = { first: [], whole: [] };
for (let round = 0; round < 20; round++) {
    await blank.fill('');
    await page.waitForTimeout(600);
    await blank.focus();
    await page.evaluate(() => {
        let from = 0;
        let first = null;
        document.querySelector('main input').addEventListener('input', (event) => (from = event.timeStamp));
        window.answered = new Promise((resolve) => {
            const painted = (then) => requestAnimationFrame(() => setTimeout(() => then(performance.now() - from)));
            const look = new MutationObserver(() => {
                const status = document.querySelector('[role=status]')?.textContent ?? '';
                const list = document.querySelector('main ol');
                // Rows of an older wish are seen through until the new ones come.
                if (from > 0 && first === null && list?.children.length > 0 && !list.className.includes('opacity')) {
                    first = 0;
                    painted((ms) => (first = ms));
                }
                if (from > 0 && status.includes('of your kit do this') && !status.includes('looking')) {
                    look.disconnect();
                    painted((ms) => resolve({ first: first || ms, whole: ms }));
                }
            });
            look.observe(document.querySelector('main'), { subtree: true, childList: true, characterData: true, attributes: true });
        });
    });
    await page.keyboard.type(String(11 + round));
    const { first, whole } = await page.evaluate(() => window.answered);
    answers.first.push(first);
    answers.whole.push(whole);
}
figures.findFirstMedianMs = round([...answers.first].sort((a, b) => a - b)[10]);
figures.findFirstP95Ms = round(p95(answers.first));
figures.findWholeP95Ms = round(p95(answers.whole));
const redraws = [];
for (let n = 0; n < 24; n++) {
    for (const name of ['coupled', 'turned round']) {
        const box = await page.getByRole('button', { name, exact: true }).boundingBox();
        await page.evaluate(() => {
            window.redrawn = new Promise((resolve) =>
                addEventListener(
                    'pointerover',
                    (event) => requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - event.timeStamp))),
                    { capture: true, once: true },
                ),
            );
        });
        await page.mouse.move(box.x + 10 + (n % 5), box.y + 8);
        redraws.push(await page.evaluate(() => window.redrawn));
    }
}
figures.mapRedrawP95Ms = round(p95(redraws));

// A kit of 200 parts: taken in over HTTP, then its shelf painted.
const kit = await page.evaluate(async () => {
    const token = decodeURIComponent(
        document.cookie
            .split('; ')
            .find((item) => item.startsWith('XSRF-TOKEN='))
            ?.slice(11) ?? '',
    );
    const headers = { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token };
    const ask = async (method, path, body) => (await fetch(`/api${path}`, { method, headers, body: body && JSON.stringify(body) })).json();
    const [{ id }] = await ask('GET', '/kits');
    const patterns = (await ask('GET', '/patterns')).flatMap((pattern) => pattern.parts.map((part) => part.fields));
    const parts = Array.from({ length: 200 }, (_, n) => ({ ...patterns[n % patterns.length], id: `part-${n}`, name: `Part ${n}` }));
    const text = JSON.stringify({
        format: 'zinc-thimble/kit',
        version: 1,
        cameras: parts.filter((part) => part.kind === 'camera'),
        parts: parts.filter((part) => part.kind !== 'camera'),
    });
    let from = performance.now();
    const seen = await ask('POST', `/kits/${id}/import`, { text, as: 'json' });
    const preview = performance.now() - from;
    from = performance.now();
    const taken = await ask('PUT', `/kits/${id}/import`, { text, as: 'json', revision: seen.revision });
    return { preview, take: performance.now() - from, count: taken.parts.length, fresh: seen.new };
});
figures.importPreviewMs = round(kit.preview);
figures.importTakeMs = round(kit.take);
figures.importedParts = kit.fresh;
await page.goto(`${base}/kit`);
const shelf = [];
for (let n = 0; n < 5; n++) {
    await page.goto(`${base}/kit`, { waitUntil: 'commit' });
    const time = await page.evaluate(
        () =>
            new Promise((resolve) => {
                const look = () => {
                    if (document.querySelectorAll('main li button').length > 200)
                        requestAnimationFrame(() => setTimeout(() => resolve(performance.now())));
                    else requestAnimationFrame(look);
                };
                look();
            }),
    );
    shelf.push(time);
}
// From the start of the navigation, everything included.
figures.shelfPaintMs = round([...shelf].sort((a, b) => a - b)[2]);
await browser.close();
console.log(JSON.stringify(figures));
