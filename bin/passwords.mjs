#!/usr/bin/env node
// Writes database/common-passwords.txt, the list that the server refuses passwords by, from the package whose estimator the screens
// use. Run it again when that package is updated: node bin/passwords.mjs
import { dictionary } from '@zxcvbn-ts/language-common';
import { writeFileSync } from 'node:fs';

const words = Object.values(dictionary).flatMap((list) => (Array.isArray(list) ? list.map(String) : Object.keys(list)));
const kept = [...new Set(words.map((word) => word.toLowerCase()))].filter((word) => word.length >= 4).sort();
writeFileSync(new URL('../database/common-passwords.txt', import.meta.url), kept.join('\n') + '\n');
console.log(`${kept.length} words`);
