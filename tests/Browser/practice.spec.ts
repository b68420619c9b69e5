import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { openDemonstration } from './demonstration';

test.setTimeout(120_000);

const question = (page: Page) => page.getByRole('heading', { level: 1 });
const scale = (page: Page) => page.getByRole('slider');
const next = (page: Page) => page.getByRole('button', { name: 'Next' });

interface Asked {
    id: number;
    truth: { truth: number };
    asked: { options: string[] };
}

async function practise(page: Page): Promise<void> {
    await openDemonstration(page);
    await page.getByRole('link', { name: 'Practice' }).click();
    await expect(page.getByText('1 of 10')).toBeVisible();
}

/** Answers what is asked, by keys alone. */
async function answer(page: Page): Promise<void> {
    await expect(page.getByRole('button', { name: 'See' })).toBeVisible();
    if ((await scale(page).count()) > 0) {
        await scale(page).focus();
        for (const key of ['ArrowRight', 'Shift+ArrowRight', 'ArrowUp', 'ArrowLeft']) await page.keyboard.press(key);
    } else {
        await page.keyboard.press('1');
    }
    await page.keyboard.press('Enter');
    await expect(next(page)).toBeFocused();
}

const nothingSerious = async (page: Page) => {
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(violations.filter(({ impact }) => impact !== 'minor').map(({ id, nodes }) => [id, nodes.map(({ html }) => html)])).toEqual([]);
};

test('ten are answered by keys alone, each with what is true, the reason and the rule of thumb; what was missed comes back', async ({
    page,
}) => {
    await practise(page);
    const asked = new Set<string>();
    for (let n = 0; n < 10; n++) {
        await expect(page.getByText(`${n + 1} of 10`)).toBeVisible();
        asked.add((await question(page).textContent()) ?? '');
        if (n === 3) {
            // Not known is an answer too.
            await page.keyboard.press('d');
            await expect(next(page)).toBeFocused();
        } else {
            await answer(page);
        }
        // The reason of a drawing alone begins alike: it says which rig it was.
        await expect(page.getByText(/^(It is|Right:) /).first()).toBeVisible();
        await expect(page.getByText(/^Rule of thumb: /)).toBeVisible();
        await expect(page.getByText(/^(You knew it|Missed)/)).toBeVisible();
        if (n === 0) await nothingSerious(page);
        await page.keyboard.press('Enter');
    }
    expect(asked.size).toBe(10);
    await expect(page.getByRole('heading', { name: '10 answered' })).toBeVisible();
    await expect(page.getByText(/^\d+ of 10 known\.$/)).toBeVisible();
    await expect(page.getByText('What you missed')).toBeVisible();
    await page.getByRole('button', { name: 'Ten more' }).click();
    await expect(page.getByText('1 of 10')).toBeVisible();
    // Of two rigs, and of a drawing, the words are always the same.
    const again = (await question(page).textContent()) ?? '';
    expect(asked.has(again) && !/^(Which of these two|This is drawn to scale)/.test(again)).toBe(false);
    await expect(page.getByText(/come back, the first tomorrow|comes back tomorrow/)).toBeVisible();
});

test('a plane that is asked for stands where it is guessed, the width grows by keys and buttons, a figure is typed', async ({ page }) => {
    await practise(page);
    for (let n = 0; n < 60 && !/far from the subject is its front/.test((await question(page).textContent()) ?? ''); n++) {
        if (await page.getByRole('button', { name: 'Ten more' }).isVisible()) {
            await page.getByRole('button', { name: 'Ten more' }).click();
            await expect(page.getByText('1 of 10')).toBeVisible();
            continue;
        }
        await page.getByRole('button', { name: 'I don’t know' }).click();
        await next(page).click();
    }
    await expect(question(page)).toContainText('far from the subject is its front');
    const guess = page.getByRole('textbox', { name: 'Your guess, typed' });
    await expect(guess).toHaveValue('');
    await expect(page.getByRole('button', { name: 'See' })).toBeDisabled();
    await guess.fill('64');
    await guess.press('Enter');
    await expect(guess).toHaveValue('64\u2009mm');
    await expect(scale(page)).toHaveAttribute('aria-valuetext', '64\u2009mm, give or take 20\u2009%');
    const where = page.getByText('where?');
    const near = await where.boundingBox();
    await scale(page).focus();
    await page.keyboard.press('ArrowUp');
    await expect(scale(page)).toHaveAttribute('aria-valuetext', '64\u2009mm, give or take 30\u2009%');
    await page.getByRole('button', { name: 'Narrower' }).click();
    await page.getByRole('button', { name: 'Narrower' }).click();
    await expect(scale(page)).toHaveAttribute('aria-valuetext', '64\u2009mm, give or take 15\u2009%');
    await scale(page).focus();
    await page.keyboard.press('Shift+ArrowRight');
    expect((await where.boundingBox())?.x).toBeGreaterThan((near?.x ?? 0) + 5);
    // A drag along the scale, too.
    const box = await scale(page).boundingBox();
    if (!box) throw new Error('There is no scale.');
    await page.mouse.move(box.x + box.width * 0.5, box.y + 50);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width * 0.3, box.y + 50, { steps: 5 });
    await page.mouse.up();
    const value = Number(await scale(page).getAttribute('aria-valuenow'));
    expect(value).toBeGreaterThan(15);
    expect(value).toBeLessThan(30);
    await page.getByRole('button', { name: 'See' }).click();
    await expect(page.getByText(/^It is [\d.,]+\u2009mm\.$/)).toBeVisible();
    await expect(where).toBeHidden();
});

test('without a network the day goes on, and answers go home by themselves, once', async ({ page, context }) => {
    await practise(page);
    await page.evaluate(async () => {
        await navigator.serviceWorker.ready;
        for (let n = 0; n < 100 && !(await caches.match('/practice')); n++) await new Promise((done) => setTimeout(done, 100));
    });
    await answer(page);
    await page.keyboard.press('Enter');
    await context.setOffline(true);
    await page.reload();
    await expect(page.getByText('No network: today’s questions are on this device.')).toBeVisible();
    await expect(page.getByText('1 of 9')).toBeVisible();
    const first = await question(page).textContent();
    for (let n = 0; n < 2; n++) {
        await answer(page);
        await expect(page.getByText('Kept on this device: it is weighed when there is a network again.')).toBeVisible();
        await page.keyboard.press('Enter');
    }
    await expect(page.getByText(/2 answers wait on this device\./)).toBeVisible();
    // Closed and opened again, still without one: what was answered isn't asked again.
    await page.reload();
    await expect(page.getByText('1 of 7')).toBeVisible();
    await expect(question(page)).not.toHaveText(first ?? '');
    await expect(page.getByText(/2 answers wait on this device\./)).toBeVisible();
    await context.setOffline(false);
    await expect(page.getByText(/wait on this device/)).toBeHidden({ timeout: 15_000 });
    await page.reload();
    await expect(page.getByText('1 of 10')).toBeVisible();
    await expect(page.getByText(/wait on this device/)).toBeHidden();
    const asked = await page.evaluate(async () => {
        const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? '');
        const kits = (await (await fetch('/api/kits')).json()) as { id: number }[];
        const day = await fetch(`/api/kits/${kits[0]?.id}/practice`, {
            method: 'POST',
            headers: { Accept: 'application/json', 'X-XSRF-TOKEN': token },
        });
        return ((await day.json()) as { questions: Asked[] }).questions.length;
    });
    expect(asked).toBe(10);
});

test('whoever signs in meanwhile sends nothing of what another answered, and it isn’t lost', async ({ page, context }) => {
    await practise(page);
    await page.route('**/api/practice/*/answer', (route) => route.abort());
    await answer(page);
    await expect(page.getByText('Kept on this device: it is weighed when there is a network again.')).toBeVisible();
    // In another window somebody else comes in, and this one goes on trying.
    await context.clearCookies();
    const other = await context.newPage();
    await openDemonstration(other);
    let refused = 0;
    await page.unroute('**/api/practice/*/answer');
    page.on('response', (response) => {
        if (response.url().endsWith('/answer') && response.status() === 404) refused++;
    });
    await expect.poll(() => refused, { timeout: 15_000 }).toBeGreaterThan(0);
    const unsent = () =>
        page.evaluate(
            () =>
                new Promise<number>((done, failed) => {
                    const opening = indexedDB.open('zinc-thimble-practice');
                    opening.onerror = () => failed(new Error('not opened'));
                    opening.onsuccess = () => {
                        const all = opening.result.transaction('answers').objectStore('answers').getAll() as IDBRequest<
                            { sent: boolean }[]
                        >;
                        all.onsuccess = () => done(all.result.filter(({ sent }) => !sent).length);
                    };
                }),
        );
    expect(await unsent()).toBe(1);
    await other.goto('/practice');
    await expect(other.getByText('1 of 10')).toBeVisible();
    await expect(other.getByText(/wait on this device/)).toBeHidden();
    expect(await unsent()).toBe(1);
});

test('a club’s evening: one opens it, two answer under its link, the results stand side by side', async ({ page, browser }) => {
    await practise(page);
    await page.getByRole('textbox', { name: 'What is it called?' }).fill('Fen evening');
    await page.getByRole('button', { name: 'Open an evening' }).click();
    const link = await page.getByRole('textbox', { name: 'Fen evening' }).inputValue();
    for (const name of ['Anna', '']) {
        const own = await browser.newContext();
        const guest = await own.newPage();
        await guest.goto(link);
        await expect(guest.getByRole('heading', { name: 'Fen evening' })).toBeVisible();
        await guest.getByRole('textbox', { name: 'Your name, if you like' }).fill(name);
        await guest.getByRole('button', { name: 'Begin' }).click();
        for (let n = 0; n < 10; n++) {
            await expect(guest.getByText(`Fen evening · ${n + 1} of 10`)).toBeVisible();
            await answer(guest);
            if (n === 4) {
                // Whoever comes back goes on where they were.
                await guest.reload();
                await guest.getByRole('button', { name: 'Begin' }).click();
            } else {
                await guest.keyboard.press('Enter');
            }
        }
        await expect(guest.getByRole('heading', { name: 'Fen evening: What all have answered' })).toBeVisible();
        await expect(guest.getByText(name === '' ? '2 took part.' : 'One took part.')).toBeVisible();
        if (name === '') {
            await expect(guest.getByText('Anna').first()).toBeVisible();
            await nothingSerious(guest);
        }
        await own.close();
    }
    await page.reload();
    await expect(page.getByText('2 have answered')).toBeVisible();
    await page.getByRole('button', { name: 'Results' }).click();
    await expect(page.getByRole('dialog', { name: 'Fen evening' }).getByText('2 took part.')).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect(page.getByRole('textbox', { name: 'Fen evening' })).toBeHidden();
    await page.goto(link);
    await expect(page.getByRole('alert')).toContainText('leads nowhere');
});

test('before the made-up camera: it is focused by hand, and judged by where it stands', async ({ page }) => {
    await practise(page);
    await page.getByRole('link', { name: 'Focus it' }).click();
    await expect(page.getByRole('tab', { name: 'Look through' })).toHaveAttribute('aria-selected', 'true');
    await page.getByRole('button', { name: 'focus it' }).click();
    const task = page.getByRole('region', { name: 'Practise' });
    await expect(task).toContainText('Move the rail until the tooth is sharp');
    await expect(page.getByTestId('sharp')).toHaveText('you are to find it');
    await task.getByRole('button', { name: 'That’s it' }).click();
    await expect(task.getByRole('status')).toContainText('Not yet. The plane of focus lies');
    const middle = await page.evaluate(async () => {
        const rig = /bench\/(\d+)/.exec(location.pathname)?.[1] ?? '';
        return ((await (await fetch(`/api/rigs/${rig}/look`)).json()) as { middleMm: number }).middleMm;
    });
    const rail = page.getByRole('textbox', { name: 'Where the rail stands, mm' });
    await rail.fill(String(middle));
    await rail.press('Enter');
    await expect(page.getByText(middle.toFixed(2)).first()).toBeVisible();
    await expect(async () => {
        await task.getByRole('button', { name: 'That’s it' }).click();
        await expect(task.getByRole('status')).toContainText('Done. In focus', { timeout: 2000 });
    }).toPass({ timeout: 20_000 });
    await page.getByRole('link', { name: 'Practice' }).click();
    await expect(page.getByRole('region', { name: 'With the made-up camera' }).getByText(/^done 1 of \d+$/)).toBeVisible();
});

test.describe('on a phone', () => {
    test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

    test('a question and its answer fit, a finger moves the guess', async ({ page }) => {
        await practise(page);
        for (let n = 0; n < 4; n++) {
            const scrolls = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
            expect(scrolls).toBe(0);
            if ((await scale(page).count()) > 0) {
                const box = await scale(page).boundingBox();
                if (!box) throw new Error('There is no scale.');
                expect(box.height).toBeGreaterThanOrEqual(43);
                await page.touchscreen.tap(box.x + box.width * 0.6, box.y + box.height / 2);
                await expect(page.getByRole('textbox', { name: 'Your guess, typed' })).not.toHaveValue('');
            } else {
                await page.getByRole('radio').first().tap();
            }
            await page.getByRole('button', { name: 'See' }).tap();
            await expect(next(page)).toBeVisible();
            await next(page).tap();
        }
    });
});
