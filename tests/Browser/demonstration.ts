import { execFileSync, spawnSync } from 'node:child_process';
import { expect, type Page } from '@playwright/test';

/** Opens the demonstration, and a rig of it by name. */
export async function openDemonstration(page: Page, rig?: string): Promise<void> {
    await page.goto('/');
    await page.getByRole('button', { name: 'Open the demonstration' }).click();
    await page.waitForURL(/\/bench\/\d+$/);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tower clock tooth');
    if (rig !== undefined && rig !== 'Tower clock tooth') {
        await page.getByRole('button', { name: 'Rigs' }).click();
        await page.getByRole('menuitem', { name: new RegExp(`^${rig}`) }).click();
        await expect(page.getByRole('heading', { level: 1 })).toHaveText(rig);
    }
}

/** A new account: nothing in the kit, no rig. */
export async function newcomer(page: Page): Promise<void> {
    await page.goto('/');
    await page.getByRole('button', { name: 'Sign up' }).click();
    await page.getByLabel('Name').fill('Sedge Wren');
    await page.getByLabel('Mail address').fill(`wren-${crypto.randomUUID()}@example.org`);
    await page.getByLabel(/^Password/).fill('reed mace bittern 41 dykes');
    await page.locator('form').getByRole('button', { name: 'Sign up' }).click();
    await page.waitForURL(/\/bench$/);
}

/** The rig as the list of its parts and joints. */
export const chainOf = (page: Page) => page.getByRole('listbox', { name: /from camera to subject/ });

/** A new rig from the menu, without a mouse. */
export async function newRigByKeys(page: Page): Promise<void> {
    await page.getByRole('button', { name: 'Rigs' }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('menuitem', { name: 'New rig' }).press('Enter');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Unnamed rig');
    await expect(chainOf(page).getByRole('option')).toHaveCount(2);
}

/** Puts a part in at the chosen joint by its name, and waits for so many parts and joints. */
export function byKeys(page: Page): (name: string, count: number) => Promise<void> {
    const chain = chainOf(page);
    return async (name, count) => {
        await chain.focus();
        await page.keyboard.press('i');
        await page.keyboard.type(name);
        await expect(page.getByRole('option', { name: new RegExp(name), selected: true }).first()).toBeVisible();
        await page.keyboard.press('Enter');
        await expect(chain.getByRole('option')).toHaveCount(count);
    };
}

/** The figure of a reading, as shown. */
export async function shown(page: Page, reading: string): Promise<string> {
    return page.getByRole('region', { name: reading, exact: true }).locator('[data-figure]').innerText();
}

interface Told {
    magnification: number;
    workingDistanceMm: number;
    effectiveAperture: number;
    findings: { code: string }[];
}

/** What `rig:read --json` prints for a file; a rig that a stop finding blocks prints all the same. */
export function readFile(path: string): Told {
    const run = spawnSync('php', ['artisan', 'rig:read', path, '--json'], { encoding: 'utf8' });
    expect([0, 1]).toContain(run.status);
    return JSON.parse(run.stdout) as Told;
}

/** The rig on the bench, exported and read by the command. */
export async function exported(page: Page): Promise<Told> {
    const id = new URL(page.url()).pathname.split('/').pop() ?? '';
    const text = await page.evaluate(async (rig) => (await fetch(`/api/rigs/${rig}/file`)).text(), id);
    const path = `.run/playwright-${process.pid}-${id}.rig.json`;
    execFileSync('tee', [path], { input: text, stdio: ['pipe', 'ignore', 'inherit'] });
    return readFile(path);
}

/** Three digits that count, as the screen says them. */
export function digits(value: number): string {
    const size = Math.abs(value);
    return String(Number(value.toFixed(size >= 100 ? 0 : size >= 10 ? 1 : 2)));
}

/** What the page asks of the application from now on; pieces of its own script come ahead whenever there is time for them. */
export function askedOf(page: Page): string[] {
    const asked: string[] = [];
    page.on('request', (request) => new URL(request.url()).pathname.startsWith('/api/') && asked.push(request.url()));
    return asked;
}
