import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { exported, openDemonstration } from './demonstration';

async function openKit(page: Page): Promise<void> {
    await openDemonstration(page);
    await page.getByRole('link', { name: 'Kit' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Fen herbarium kit');
    await expect(page.getByRole('button', { name: /^Tube 9/ })).toBeVisible();
}

test('a set of tubes is added from a pattern, changed, undone and brought back', async ({ page }) => {
    await openKit(page);
    await page.getByRole('button', { name: 'Add a part' }).click();
    await page.getByLabel('Search patterns').fill('three tubes plain');
    await page.getByRole('button', { name: /Set of three tubes, plain/ }).click();
    await page.getByLabel('Joint at the rear').fill('larch');
    // Both ends were alike: the other one follows.
    await expect(page.getByLabel('Joint at the front')).toHaveValue('larch');
    // The length is a round one that asks to be replaced.
    await expect(page.getByLabel(/^Length/)).toHaveValue('10');
    await page.getByLabel(/^Length/).fill('7,5');
    await page.getByRole('button', { name: 'Next part' }).click();
    // The joint said of the first tube holds for the set.
    await expect(page.getByLabel('Joint at the rear')).toHaveValue('larch');
    await page.getByRole('button', { name: 'Next part' }).click();
    await page.getByRole('button', { name: 'Add all 3' }).click();
    await expect(page.getByRole('heading', { level: 2, name: 'Tube 10' })).toBeVisible();
    await expect(page.getByText('44 parts')).toBeVisible();

    // A fault is named at its field, and nothing is lost.
    await page.getByLabel(/^Length/).fill('4000');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('alert')).toContainText('Length is 4,000, should be from 0 to 3,000');
    await page.getByLabel(/^Length/).fill('8');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('button', { name: /^Tube 10 8/ })).toBeVisible();

    await expect(page.getByRole('button', { name: /^Undo/ })).toHaveAttribute('title', 'Undo change Tube 10');
    await page.reload();
    await page.getByRole('button', { name: /^Undo/ }).click();
    await expect(page.getByRole('button', { name: /^Tube 10 7\.5/ })).toBeVisible();
    await page.getByRole('button', { name: /^Undo/ }).click();
    await expect(page.getByText('41 parts')).toBeVisible();
    await page.getByRole('button', { name: /^Redo/ }).click();
    await expect(page.getByText('44 parts')).toBeVisible();
});

test('taking out a part that a rig uses says which; it is brought back from among the taken out', async ({ page }) => {
    await openKit(page);
    await page.getByRole('button', { name: /^Tube 9/ }).click();
    await page.getByRole('button', { name: 'Remove', exact: true }).click();
    const dialog = page.getByRole('dialog', { name: 'Remove Tube 9?' });
    await expect(dialog.getByText('Lichen disc')).toBeVisible();
    await dialog.getByRole('button', { name: 'Remove' }).click();
    await expect(page.getByRole('button', { name: /^Tube 9/ })).toHaveCount(0);
    await page.getByRole('button', { name: 'Files and more' }).click();
    await page.getByRole('menuitem', { name: 'Removed (1)…' }).click();
    await page.getByRole('button', { name: 'Put back' }).click();
    await expect(page.getByText('Nothing was removed.')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: /^Tube 9/ })).toBeVisible();
});

test('a cell of the table is changed where it stands, and a rig that uses the part says so once', async ({ page }) => {
    await openKit(page);
    await page.getByRole('button', { name: 'Table' }).click();
    await page.getByRole('button', { name: 'g', exact: true }).click();
    await page.getByRole('button', { name: 'g', exact: true }).click();
    // The heaviest first.
    await expect(page.getByRole('row').nth(1).getByLabel(/^Name/)).toHaveValue('Copy stand');
    await page.getByLabel('Narrow the kit').fill('process');
    const mass = page.getByLabel('g, Process 62');
    await mass.fill('141');
    await mass.press('Enter');
    await expect(page.getByRole('button', { name: /^Undo/ })).toHaveAttribute('title', 'Undo change Process 62');
    await page.getByRole('link', { name: 'Bench' }).click();
    const news = page.getByRole('region', { name: 'What changed in the kit' });
    await expect(news).toContainText('Weight 130 → 141 g');
    await news.getByRole('button', { name: 'Seen' }).click();
    await expect(news).toHaveCount(0);
    await page.reload();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tower clock tooth');
    await expect(news).toHaveCount(0);
});

test('pictures of a ruler settle a lens: shown first, kept when asked, taken back with one press', async ({ page }) => {
    await openKit(page);
    await page.getByRole('button', { name: /^Moor 50/ }).click();
    await page.getByRole('button', { name: 'Measure it with a ruler' }).click();
    const dialog = page.getByRole('dialog', { name: 'Measure Moor 50' });
    await dialog.getByRole('combobox', { name: 'Camera' }).selectOption('Body B');
    await dialog.getByRole('checkbox', { name: 'length on the sensor instead of pixels' }).check();
    // A table from a spreadsheet: extension, length on the sensor, piece of the ruler, working distance.
    await dialog.getByLabel('between, mm, picture 1').focus();
    await page.evaluate(() => {
        const clipboardData = new DataTransfer();
        clipboardData.setData('text', '31\t12.11\t20\t97\n65\t25,45\t20');
        document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
    });
    await expect(dialog.getByLabel('of the ruler, mm, picture 2')).toHaveValue('20');
    await dialog.getByRole('button', { name: 'Preview' }).click();
    const result = dialog.getByRole('table', { name: 'What it comes to' });
    await expect(result.getByRole('row', { name: /Focal length/ })).toContainText(/50\.7 ± 1\.2 mm.*51\.\d+ ± 0\.\d+ mm/);
    await expect(result).toContainText('typical of this design');
    await expect(dialog.getByRole('table', { name: 'What changes in the rigs you keep' })).toContainText('Lichen disc');
    await dialog.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByRole('button', { name: /^Moor 50.*measured/ })).toBeVisible();
    // The panel says how many there are, and each can go.
    await page.getByText('2 shots are kept').getByRole('button').click();
    const shots = dialog.getByRole('table', { name: 'Shots until now' });
    await expect(shots.getByRole('row')).toHaveCount(3);
    await expect(shots).toContainText('Body B');
    await expect(shots).toContainText('97.0 mm away');
    await shots.getByRole('button', { name: 'Take back shot 2' }).click();
    await expect(shots.getByRole('row')).toHaveCount(2);
    await shots.getByRole('button', { name: 'Take back shot 1' }).click();
    await expect(dialog).toContainText('Nothing was measured with it yet.');
    await dialog.getByRole('button', { name: 'Close' }).click();
    await expect(page.getByRole('button', { name: /^Moor 50.*measured/ })).toHaveCount(0);
    await page.getByRole('button', { name: /^Undo/ }).click();
    await expect(page.getByRole('button', { name: /^Moor 50.*measured/ })).toBeVisible();
});

test('after each answer a lens says how sure it has become', async ({ page }) => {
    await openKit(page);
    await page.getByRole('button', { name: /^Moor 50/ }).click();
    const sure = page.getByRole('region', { name: 'How sure it is' });
    await expect(sure).toContainText('on 20 mm of tube');
    await expect(sure).toContainText('Focal length 50 mm taken as 50.7 ± 1.2 mm');
    // The greatest magnification was never told: the closest focus is enough.
    await page.getByLabel('Greatest magnification').fill('');
    await expect(sure).toContainText('Greatest magnification not given, taken as 0.1');
    await page.getByLabel('Made for a register of').fill('');
    await expect(sure).toContainText('Register not given, taken as 46.5 ± 4.0 mm');
    await page.getByLabel('Design').selectOption('retrofocus');
    await expect(sure).toHaveCount(0);
});

test('a reading says what it rests on, what would settle it, and leads there', async ({ page }) => {
    await openKit(page);
    await page.goto('/bench');
    await page.getByRole('button', { name: 'Rigs' }).click();
    await page.getByRole('menuitem', { name: /^Lichen disc/ }).click();
    await expect(page.getByRole('list', { name: 'Taken as' })).toContainText('Moor 50: focal length 50 mm taken as 50.7 ± 1.2 mm');
    await page
        .getByRole('region', { name: 'Working distance' })
        .getByRole('button', { name: /Rests on an assumption/ })
        .click();
    const doubt = page.getByRole('dialog', { name: 'Rests on an assumption' });
    await expect(doubt).toContainText(/± \d[\d.]*\smm: rests most on .* of Moor 50\./);
    await expect(doubt).toContainText(/: ±\d[\d.]*\smm to ±\d[\d.]*\smm\./);
    await doubt.getByRole('link', { name: 'Enter what you measured' }).click();
    const dialog = page.getByRole('dialog', { name: 'Measure Moor 50' });
    await expect(dialog.getByLabel('between, mm, picture 1')).toHaveValue('24');
    await expect(dialog.getByRole('combobox', { name: 'Camera' })).toContainText('Body B');
});

test('a file shows what it will change, names what is wrong by line, and is taken whole', async ({ page }) => {
    await openKit(page);
    await page.getByRole('button', { name: 'Files and more' }).click();
    await page.getByRole('menuitem', { name: 'Import a file…' }).click();
    const file = page.getByLabel('File', { exact: true });
    await file.setInputFiles({ name: 'kit.csv', mimeType: 'text/csv', buffer: Buffer.from('kind,name,lengthMm\ntube,Odd,ten\n') });
    await expect(page.getByText('line 2, lengthMm')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Nothing to import' })).toBeDisabled();
    const good = 'kind,id,name,rear,front,lengthMm\ntube,tube-9,Tube 9,larch,larch,9.3\ntube,,Tube 50,larch,larch,50\n';
    await file.setInputFiles({ name: 'kit.csv', mimeType: 'text/csv', buffer: Buffer.from(good) });
    await expect(page.getByText('1 new · 1 different · 0 the same')).toBeVisible();
    await page.getByRole('button', { name: 'Import 2 parts' }).click();
    await expect(page.getByRole('button', { name: /^Tube 50/ })).toBeVisible();
    await expect(page.getByRole('button', { name: /^Tube 9 9\.3/ })).toBeVisible();
});

test('the joint map shows islands and bridges, and the way from one joint to another', async ({ page }) => {
    await openKit(page);
    await page.getByRole('button', { name: 'Joint map' }).click();
    await expect(page.getByRole('heading', { name: /Where the cameras are/ })).toBeVisible();
    const crossing = page.getByRole('region', { name: 'From one joint to another' });
    await crossing.getByLabel('From').selectOption({ label: 'tern' });
    await crossing.getByLabel('to', { exact: true }).selectOption({ label: '39 × 26 tpi' });
    await expect(crossing.getByRole('status')).toContainText('Tern to Larch + Larch to 39 × 26 tpi');
    await crossing.getByLabel('to', { exact: true }).selectOption({ label: 'M42×1' });
    await expect(crossing.getByRole('status')).toContainText('It takes an adapter, male tern to female M42×1');

    // A part that nothing leads to is an island of its own, with the bridge that would reach it.
    await page.getByRole('button', { name: 'Add a part' }).click();
    await page.getByLabel('Search patterns').fill('helicoid short');
    await page.getByRole('button', { name: /Helicoid, short/ }).click();
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(page.getByRole('heading', { name: 'Island 2 · 1 part' })).toBeVisible();
    const helicoid = page.getByRole('region', { name: 'Island 2 · 1 part' });
    await expect(helicoid.getByRole('status')).toHaveText(/^The cheapest bridge to where the cameras are: a/);

    // With a third, the bridge between any two of them.
    await page.getByRole('button', { name: 'Add a part' }).click();
    await page.getByLabel('Search patterns').fill('small rail');
    await page.getByRole('button', { name: /^Bellows, small rail/ }).click();
    await page.getByRole('button', { name: 'Add it' }).click();
    await helicoid.getByLabel('Bridge of island 2 to').selectOption('island 3');
    await expect(helicoid.getByRole('status')).toHaveText(/: an adapter, .*(mirror 46 .*M42×1|M42×1 .*mirror 46)/);
});

test('a guest makes an account, confirms the address by its letter, signs out, and finds everything there again', async ({ page }) => {
    await openKit(page);
    const email = `ilse-${Date.now()}@example.org`;
    await page.getByRole('button', { name: 'Guest' }).click();
    await page.getByRole('menuitem', { name: /Make an account/ }).click();
    await page.getByLabel('Name', { exact: true }).fill('Ilse');
    await page.getByLabel('Mail address').fill(email);
    await page.getByLabel(/^Password/).fill('short');
    await expect(page.getByText('Too short yet.')).toBeVisible();
    await page.getByRole('button', { name: 'Sign up' }).click();
    await expect(page.getByRole('alert')).toContainText('at least 12 characters');
    await page.getByLabel(/^Password/).fill('password1234');
    await expect(page.getByText(/Guessed at once|Easy to guess/)).toBeVisible();
    await page.getByRole('button', { name: 'Sign up' }).click();
    await expect(page.getByRole('alert')).toContainText('among the first that somebody would guess');
    await page.getByLabel(/^Password/).fill('heron under a mossy gate');
    await expect(page.getByText('Very hard to guess.')).toBeVisible();
    await page.getByRole('button', { name: 'Sign up' }).click();
    await expect(page.getByRole('button', { name: 'Ilse' })).toBeVisible();

    await page.getByRole('button', { name: 'Ilse' }).click();
    await page.getByRole('menuitem', { name: 'Account' }).click();
    const account = page.getByRole('dialog');
    await expect(account).toContainText('Your address isn’t confirmed yet');
    await expect(account.getByText('here', { exact: true })).toBeVisible();
    await account.getByText('Recent sign-ins').click();
    await expect(account).toContainText('Account made');
    await page.keyboard.press('Escape');
    await page.goto(await linkTo(email));
    await page.getByRole('button', { name: 'This address is mine' }).click();
    await expect(page.getByRole('status')).toContainText('Your address is confirmed.');
    await page.goto('/bench');
    await page.waitForURL(/\/bench\/\d+$/);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tower clock tooth');

    await page.getByRole('button', { name: 'Ilse' }).click();
    await page.getByRole('menuitem', { name: 'Sign out' }).click();
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByLabel('Mail address').fill(email);
    await page.getByLabel('Password').fill('heron under a mossy gate');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.waitForURL(/\/bench\/\d+$/);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tower clock tooth');
    await page.getByRole('button', { name: 'Ilse' }).click();
    await page.getByRole('menuitem', { name: 'Account' }).click();
    await expect(page.getByRole('dialog')).not.toContainText('isn’t confirmed');
});

/** The link in the letter that a worker has put into the instance's folder. */
async function linkTo(email: string): Promise<string> {
    const folder = process.env['LETTERS_PATH'] ?? '.run/start/letters';
    let link = '';
    await expect(() => {
        const texts = readdirSync(folder).map((name) => readFileSync(join(folder, name), 'utf8'));
        const letter = texts.find((text) => text.includes(`To: ${email}`)) ?? '';
        const plain = letter.replace(/=\r?\n/g, '').replace(/=([0-9A-F]{2})/g, (_, hex: string) => String.fromCharCode(parseInt(hex, 16)));
        link = /http\S+\/confirm\?\S+/.exec(plain)?.[0] ?? '';
        expect(link).not.toBe('');
    }).toPass({ timeout: 20_000 });
    return new URL(link).pathname + new URL(link).search;
}

test('a new account begins with an empty shelf that says how', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'Sign up' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Moss');
    await page.getByLabel('Mail address').fill(`moss-${Date.now()}@example.org`);
    await page.getByLabel(/^Password/).fill('heron under a mossy gate');
    await page.getByRole('button', { name: 'Sign up' }).click();
    await expect(page.getByRole('heading', { name: 'An empty bench' })).toBeVisible();
    // A rig that can't be made isn't offered: the button leads to what is lacking.
    await expect(page.getByRole('button', { name: 'New rig' })).toHaveCount(0);
    await page.getByRole('link', { name: 'Put in your camera' }).click();
    await page.getByRole('button', { name: /Mirrorless, middle sensor/ }).click();
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(page.getByRole('button', { name: /^Mirrorless, 23\.5/ })).toBeVisible();
    await page.getByRole('link', { name: 'Bench' }).click();
    await page.getByRole('button', { name: 'New rig' }).click();
    await page.waitForURL(/\/bench\/\d+$/);
});

test('a shared link shows the rig to anybody until it is withdrawn', async ({ page, browser }) => {
    await openDemonstration(page, 'Lichen disc');
    const told = await exported(page);
    await page.getByRole('button', { name: 'This rig' }).click();
    await page.getByRole('menuitem', { name: 'Share a link…' }).click();
    await page.getByRole('button', { name: 'Make a link' }).click();
    const address = await page.getByLabel('Link').inputValue();
    const stranger = await (await browser.newContext()).newPage();
    await stranger.goto(address);
    await expect(stranger.getByRole('heading', { level: 1 })).toHaveText('Lichen disc');
    await expect(stranger.getByRole('region', { name: 'Magnification', exact: true })).toContainText(told.magnification.toFixed(2));
    await page.getByRole('button', { name: 'Withdraw it' }).click();
    await expect(page.getByRole('button', { name: 'Make a link' })).toBeVisible();
    await stranger.reload();
    await expect(stranger.getByRole('alert')).toContainText('leads nowhere');
});

test('a rig file is brought in, and a bad one says what is wrong where', async ({ page }) => {
    await openDemonstration(page);
    const id = new URL(page.url()).pathname.split('/').pop() ?? '';
    const text = await page.evaluate(async (rig) => (await fetch(`/api/rigs/${rig}/file`)).text(), id);
    const file = page.getByLabel('Import a file…');
    await file.setInputFiles({
        name: 'bad.rig.json',
        mimeType: 'application/json',
        buffer: Buffer.from(text.replace('"lengthMm": 31', '"lengthMm": -31')),
    });
    await expect(page.getByRole('dialog')).toContainText('/chain/1/lengthMm');
    await page.keyboard.press('Escape');
    await file.setInputFiles({ name: 'good.rig.json', mimeType: 'application/json', buffer: Buffer.from(text) });
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tower clock tooth (2)');
});
