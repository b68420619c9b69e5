// Packs what was built once and tightly, beside each file: the web server hands that out as it lies there. Part of the build (npm run build).
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';

const folder = new URL('../public/build/', import.meta.url).pathname;
for (const file of readdirSync(folder, { recursive: true, encoding: 'utf8' })) {
    if (/\.(js|css|txt)$/.test(file)) writeFileSync(`${folder}${file}.gz`, gzipSync(readFileSync(folder + file), { level: 9 }));
}
