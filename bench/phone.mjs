// Times what a thumb feels, here and with the processor slowed four times, in headless Chromium against bin/start's application:
// a drag of 80 steps, opening the Bench, putting a part in. Called by bin/bench phone; prints figures, fails nothing.
import { chromium } from '@playwright/test';

const [, , base, ...options] = process.argv;
const json = options.includes('--json');
const only = options.filter((each) => !each.startsWith('--'));
const wants = (what) => only.length === 0 || only.includes(what);
const steps = 80;
const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-sync'],
});
const round = (value) => Math.round(value * 10) / 10;
const at = (times, share) => round([...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))] ?? NaN);
const figures = {};

const first = await browser.newContext();
const visitor = await first.newPage();
await visitor.goto(base);
await visitor.getByRole('button', { name: 'Open the demonstration' }).click();
await visitor.waitForURL(/\/bench\/\d+$/);
const rigs = await visitor.evaluate(async () => (await fetch('/api/rigs')).json());
const rig = rigs.find(({ name }) => name === 'Sedge seed, coat pattern').id;
const others = rigs.map(({ id }) => id);
const storageState = await first.storageState();
await first.close();

/** A window of a device that nobody has opened it on, signed in. */
const opened = async (rate) => {
    const context = await browser.newContext({
        storageState,
        viewport: rate > 1 ? { width: 390, height: 844 } : { width: 1280, height: 800 },
    });
    const page = await context.newPage();
    const devtools = await context.newCDPSession(page);
    await devtools.send('Emulation.setCPUThrottlingRate', { rate });
    return { context, page };
};

/** From each step of the hand to the frame in which a figure in sight has followed it; and tasks over 50 ms meanwhile. */
const dragged = async (page, control, followed) => {
    await control.scrollIntoViewIfNeeded();
    const box = await control.boundingBox();
    const requests = [];
    const asked = (request) => requests.push(request.url());
    await page.mouse.move(box.x + 14, box.y + 18);
    await page.mouse.down();
    await page.waitForTimeout(1500);
    page.on('request', asked);
    await page.evaluate((selector) => {
        window.felt = { painted: [], tasks: [], from: [] };
        const tasks = new PerformanceObserver((list) => window.felt.tasks.push(...list.getEntries().map(({ duration }) => duration)));
        tasks.observe({ type: 'longtask' });
        const stop = new AbortController();
        addEventListener('pointermove', (event) => window.felt.from.push(event.timeStamp), { capture: true, signal: stop.signal });
        const look = new MutationObserver(() => {
            const from = window.felt.from.splice(0);
            if (from.length > 0) requestAnimationFrame(() => setTimeout(() => window.felt.painted.push(performance.now() - from[0])));
        });
        look.observe(document.querySelector(selector), { subtree: true, childList: true, characterData: true, attributes: true });
        window.felt.end = () => {
            look.disconnect();
            tasks.disconnect();
            stop.abort();
            return { painted: window.felt.painted, tasks: window.felt.tasks };
        };
    }, followed);
    for (let step = 1; step <= steps; step++) await page.mouse.move(box.x + 14 + ((box.width - 28) * step) / steps, box.y + 18);
    await page.waitForTimeout(300);
    const felt = await page.evaluate(() => window.felt.end());
    page.off('request', asked);
    await page.mouse.up();
    await page.waitForTimeout(1200);
    return {
        p50: at(felt.painted, 0.5),
        p95: at(felt.painted, 0.95),
        tasks: felt.tasks.length,
        requests: requests.length,
        seen: felt.painted.length,
    };
};
const told = (name, felt) => {
    figures[`${name}P50Ms`] = felt.p50;
    figures[`${name}P95Ms`] = felt.p95;
    figures[`${name}LongTasks`] = felt.tasks;
    figures[`${name}Requests`] = felt.requests;
    figures[`${name}StepsSeen`] = felt.seen;
};

for (const [where, rate] of [
    ['here', 1],
    ['slowed', 4],
]) {
    if (wants('drag')) {
        // On a phone the two figures over the drawing; the panel lies below.
        const inSight = rate > 1 ? '.sticky' : 'main aside';
        const { context, page } = await opened(rate);
        await page.goto(`${base}/bench/${rig}`);
        const draw = page.getByRole('slider', { name: /Rail bellows · draw/ });
        await draw.waitFor();
        await page.waitForLoadState('networkidle');
        told(`${where}Drag`, await dragged(page, draw, inSight));
        await page.getByRole('tab', { name: 'Light' }).click();
        await page.getByLabel('It moves across, mm a second').fill('2');
        await page.keyboard.press('Enter');
        const flash = page.getByRole('button', { name: 'Plan with flash' });
        // The second device finds it planned by the first.
        if (where === 'here') await flash.click();
        await page.locator('[data-flash]').waitFor();
        await page.waitForTimeout(3000);
        await page.waitForLoadState('networkidle');
        told(`${where}LightDrag`, await dragged(page, draw, inSight));
        await page.goto(`${base}/compare?rigs=${others.slice(0, 4).join(',')}&target=seed`);
        const slid = page
            .getByRole('list', { name: 'Rigs to one scale, their planes of focus in line' })
            .getByRole('listitem')
            .filter({ hasText: 'Rail bellows' })
            .first();
        await slid.waitFor();
        await slid.getByRole('button', { pressed: false }).first().click();
        const scale = slid.getByRole('slider').first();
        await scale.hover();
        await page.waitForTimeout(2500);
        await page.waitForLoadState('networkidle');
        told(`${where}CompareDrag`, await dragged(page, scale, 'main'));
        await context.close();
    }
    if (wants('open')) {
        const times = [];
        let script = 0;
        for (let n = 0; n < 9; n++) {
            const { context, page } = await opened(rate);
            await page.addInitScript(() => {
                const look = () => {
                    // Asked before a frame is painted: what follows it at once is after that.
                    if (/\d\s*×/.test(document.querySelector('main aside')?.textContent ?? ''))
                        setTimeout(() => (window.figuresAt = performance.now()));
                    else requestAnimationFrame(look);
                };
                requestAnimationFrame(look);
            });
            await page.goto(`${base}/bench/${rig}`, { waitUntil: 'commit' });
            await page.waitForFunction(() => window.figuresAt);
            times.push(await page.evaluate(() => window.figuresAt));
            script = await page.evaluate(() =>
                performance
                    .getEntriesByType('resource')
                    .filter(({ name }) => name.endsWith('.js'))
                    .reduce((sum, { encodedBodySize }) => sum + encodedBodySize, 0),
            );
            await context.close();
        }
        figures[`${where}OpenMs`] = at(times.slice(1), 0.5);
        figures.scriptKb = round(script / 1024);
    }
    if (wants('put')) {
        const { context, page } = await opened(rate);
        await page.goto(`${base}/bench/${rig}`);
        await page.getByRole('slider', { name: /Rail bellows · draw/ }).waitFor();
        await page.waitForLoadState('networkidle');
        const drawn = [];
        const read = [];
        for (let n = 0; n < 10; n++) {
            const part = page.locator('[cmdk-item]:not([aria-disabled=true])').first();
            await part.scrollIntoViewIfNeeded();
            await page.waitForTimeout(800);
            await page.evaluate(() => {
                const drawing = document.querySelector('svg[role=img]');
                const count = drawing.querySelectorAll('g.cursor-pointer').length;
                const panel = document.querySelector('main aside');
                const figure = () => /[\d.]+\s*×/.exec(panel.textContent)?.[0];
                const before = figure();
                window.put = new Promise((resolve) => {
                    let from = 0;
                    let shown = 0;
                    addEventListener('pointerup', (event) => (from = event.timeStamp), { capture: true, once: true });
                    const painted = (then) => requestAnimationFrame(() => setTimeout(() => then(performance.now() - from)));
                    const look = new MutationObserver(() => {
                        if (shown === 0 && drawing.querySelectorAll('g.cursor-pointer').length > count) {
                            shown = -1;
                            painted((ms) => (shown = ms));
                        }
                        if (figure() !== before) {
                            look.disconnect();
                            painted((ms) => resolve({ drawn: shown > 0 ? shown : ms, read: ms }));
                        }
                    });
                    look.observe(document.querySelector('main'), { subtree: true, childList: true, characterData: true });
                });
            });
            await part.click();
            const felt = await page.evaluate(() => window.put);
            if (n >= 2) {
                drawn.push(felt.drawn);
                read.push(felt.read);
            }
            await page.waitForLoadState('networkidle');
            await page.getByRole('button', { name: /^Undo/ }).click();
            await page.waitForTimeout(600);
            await page.waitForLoadState('networkidle');
        }
        figures[`${where}PutDrawnP50Ms`] = at(drawn, 0.5);
        figures[`${where}PutReadP50Ms`] = at(read, 0.5);
        await context.close();
    }
}
await browser.close();
if (json) console.log(JSON.stringify(figures));
else for (const [name, value] of Object.entries(figures)) console.log(name.padEnd(28), String(value).padStart(8));
