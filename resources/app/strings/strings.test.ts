import { describe, expect, test } from 'vitest';
import { account } from './account';
import { bench } from './bench';
import { cards } from './cards';
import { compare } from './compare';
import { find } from './find';
import { first } from './first';
import { strings } from './index';
import { keysOfPlaces } from './keys';
import { kit } from './kit';
import { light } from './light';
import { offline } from './offline';
import { log } from './log';
import { look } from './look';
import { practice } from './practice';
import { outings } from './outings';
import { pictures } from './pictures';
import { rig } from './rig';
import { sheet } from './sheet';
import { shell } from './shell';
import { terms } from './terms';

const pages = {
    account,
    bench,
    cards,
    compare,
    find,
    first,
    kit,
    light,
    log,
    look,
    practice,
    offline,
    outings,
    pictures,
    rig,
    sheet,
    shell,
    terms,
    keysOfPlaces,
};

/** Every text under an object, by the way to it; what is put together from numbers is left to those who put it together. */
function texts(under: unknown, way: string): [string, string][] {
    if (typeof under === 'string') return [[way, under]];
    if (typeof under !== 'object' || under === null) return [];
    return Object.entries(under).flatMap(([name, value]) => texts(value, `${way}.${name}`));
}

const all = Object.entries(pages).flatMap(([page, words]) => texts(words, page));

describe('words on the screens', () => {
    test('no page takes the name of another page’s words', () => {
        const names = Object.values(pages).flatMap((page) => Object.keys(page));
        expect(names.filter((name, at) => names.indexOf(name) !== at)).toEqual([]);
        expect(Object.keys(strings).filter((name) => !names.includes(name))).toEqual([]);
    });

    test('there is something in each, and nothing at its edges', () => {
        expect(all.length).toBeGreaterThan(150);
        for (const [way, text] of all) {
            expect(text.trim(), way).not.toBe('');
            expect(text, way).not.toMatch(/ {2}|\t|\n/);
        }
    });

    test('apostrophes, dots and dashes are set, not typed', () => {
        for (const [way, text] of all) {
            expect(text, `${way}: a straight apostrophe`).not.toMatch(/\w'\w/);
            expect(text, `${way}: three dots`).not.toContain('...');
            expect(text, `${way}: two hyphens`).not.toContain('--');
        }
    });

    test('a unit keeps to its number', () => {
        for (const [way, text] of all) expect(text, way).not.toMatch(/\d (mm|kg|g|°|%)(\W|$)/);
    });

    test('one thing has one name', () => {
        // The words that were given up for the field’s own (docs/glossary.md).
        for (const [way, text] of all) {
            expect(text, way).not.toMatch(/\bplace in the chain\b/i);
            expect(text, way).not.toMatch(/\bmm off\b/);
        }
    });
});
