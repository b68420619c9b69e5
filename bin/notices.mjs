#!/usr/bin/env node
// Writes public/build/notices.txt: who made what the application ships with, and under which licence. Part of the build (npm run build).
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const root = new URL('..', import.meta.url).pathname.replace(/%20/g, ' ');
const licenceIn = (folder) => {
    const file = existsSync(folder) ? readdirSync(folder).find((name) => /^(licen[cs]e|copying|notice)(\.|-|$)/i.test(name)) : undefined;
    return file ? readFileSync(join(folder, file), 'utf8').trim() : '';
};
const entries = [];

// What the screens are made of: the packages that the application depends on, and what those depend on.
const seen = new Set();
const follow = (name, from) => {
    for (let at = from; ; at = join(at, '..', '..')) {
        const folder = join(at, 'node_modules', name);
        if (existsSync(join(folder, 'package.json'))) {
            if (seen.has(folder)) return;
            seen.add(folder);
            const about = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'));
            entries.push({ name: about.name, version: about.version, licence: about.license ?? 'see below', text: licenceIn(folder) });
            for (const next of Object.keys(about.dependencies ?? {})) follow(next, folder);
            return;
        }
        if (at === '/' || !at.startsWith(root.replace(/\/$/, ''))) return;
    }
};
for (const name of Object.keys(JSON.parse(readFileSync(join(root, 'package.json'), 'utf8')).dependencies)) follow(name, root);

// And the server.
const installed = join(root, 'vendor/composer/installed.json');
if (existsSync(installed)) {
    const { packages, 'dev-package-names': dev } = JSON.parse(readFileSync(installed, 'utf8'));
    for (const each of packages) {
        if (!dev.includes(each.name)) {
            entries.push({ name: each.name, version: each.version, licence: (each.license ?? []).join(' or ') || 'see below', text: licenceIn(join(root, 'vendor', each.name)) });
        }
    }
}

entries.sort((a, b) => (a.name < b.name ? -1 : 1));
const rule = '-'.repeat(78);
const text = [
    'Zinc Thimble ships with the work of these people. Each part stands under its own licence.',
    '',
    ...entries.map(({ name, version, licence }) => `${name} ${version} (${licence})`),
    ...entries.flatMap(({ name, version, licence, text }) => ['', rule, `${name} ${version}: ${licence}`, '', text || `Licence: ${licence}.`]),
].join('\n');
mkdirSync(join(root, 'public/build'), { recursive: true });
writeFileSync(join(root, 'public/build/notices.txt'), `${text}\n`);
