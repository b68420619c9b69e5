import { describe, expect, test } from 'vitest';
import { clockWords, dateWords, dayWords, fileOf, leadWords, marksOf, momentOf, packedWith, timeOf, type Outing } from './day';

const outing: Outing = {
    id: 7,
    revision: 3,
    kit: 1,
    name: 'Dyke',
    date: '2026-12-04',
    place: null,
    startsAt: '2026-12-04T06:50:00+01:00',
    by: 'mass',
    conditions: { iso: 400 },
    preparations: [
        { what: 'Plate out', leadS: 7200, for: 'Frost', due: '2026-12-04T05:40:00+01:00', late: false },
        { what: 'Charge', leadS: 39_000, for: null, due: '2026-12-03T20:00:00+01:00', late: true },
        { what: 'Some day', leadS: 60, for: null, due: null, late: false },
    ],
    checks: ['Card empty'],
    packed: ['Body A'],
    subjects: [
        { name: 'Frost', wish: { fieldWidthMm: 12 }, subject: {}, at: '2026-12-04T07:40:00+01:00', without: ['4'], pinned: null },
        { name: 'Moss', wish: { fieldWidthMm: 4 }, subject: { depthMm: 1 }, at: null, without: [], pinned: { name: 'Pin' } },
    ],
};

describe('a day', () => {
    test('a moment says the offset of this place, and its clock is read as it was said', () => {
        expect(momentOf('2026-12-04', '07:40')).toMatch(/^2026-12-04T07:40:00[+-]\d\d:\d\d$/);
        expect(Date.parse(momentOf('2026-07-04', '07:40'))).toBe(new Date('2026-07-04T07:40:00').getTime());
        expect(timeOf('2026-12-04T07:40:00+11:00')).toBe('07:40');
    });

    test('a day and a clock in words', () => {
        expect(dayWords('2026-12-04')).toBe('Friday 4 December');
        expect(clockWords('2026-12-04T07:40:00+01:00', '2026-12-04')).toBe('07:40');
        expect(clockWords('2026-12-03T20:00:00+01:00', '2026-12-04')).toBe('Thu 20:00');
    });

    test('a lead in words', () => {
        expect(leadWords(7200)).toBe('2 hours');
        expect(leadWords(3600)).toBe('1 hour');
        expect(leadWords(259_200)).toBe('3 days');
        expect(leadWords(86_400)).toBe('1 day');
        expect(leadWords(2700)).toBe('45 minutes');
        expect(leadWords(39_000)).toBe('10 h 50 min');
        expect(leadWords(0)).toBe('0 minutes');
    });

    test('what happens when, in order, and what has no time is not among it', () => {
        const plan = { assignments: [{ subject: 'Frost', letter: 'C' }] } as Parameters<typeof marksOf>[1];
        expect(marksOf(outing, plan, 'leave').map(({ words, shot, late }) => [words, shot, late])).toEqual([
            ['Charge', false, true],
            ['Plate out', false, false],
            ['leave', false, false],
            ['C Frost', true, false],
        ]);
        expect(marksOf(outing, undefined, 'leave').at(-1)?.words).toBe('Frost');
    });

    test('what is sent is what is shown, without what the server works out', () => {
        expect(fileOf(outing)).toEqual({
            name: 'Dyke',
            date: '2026-12-04',
            place: null,
            startsAt: '2026-12-04T06:50:00+01:00',
            by: 'mass',
            conditions: { iso: 400 },
            preparations: [
                { what: 'Plate out', leadS: 7200, for: 'Frost' },
                { what: 'Charge', leadS: 39_000, for: null },
                { what: 'Some day', leadS: 60, for: null },
            ],
            checks: ['Card empty'],
            subjects: [
                { name: 'Frost', wish: { fieldWidthMm: 12 }, subject: {}, at: '2026-12-04T07:40:00+01:00', without: ['4'], pinned: null },
                { name: 'Moss', wish: { fieldWidthMm: 4 }, subject: { depthMm: 1 }, at: null, without: [], pinned: { name: 'Pin' } },
            ],
        });
    });
});

describe('what is ticked off', () => {
    const said = (what: string, ticked: boolean) => ({ what, ticked, at: '2026-12-04T06:00:00Z' });

    test('goes by what is still on its way, and of each line by the last word', () => {
        expect(packedWith(['Body', 'Flash'], [said('Rail', true), said('Flash', false)])).toEqual(['Body', 'Rail']);
        expect(packedWith(['Body'], [said('Body', false), said('Body', true)])).toEqual(['Body']);
        expect(packedWith(['Body'], [])).toEqual(['Body']);
    });
});

test('a day of a log says its year', () => {
    expect(dateWords('2026-11-19')).toBe('Thu 19 Nov 2026');
});
