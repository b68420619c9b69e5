import type { Schema } from '../../api/client';

export type Outing = Schema['OutingView'];
export type Wanted = Schema['OutingSubjectView'];
export type Plan = Schema['OutingPlanView'];

/** What is sent of an outing: the fields of its file, as they are shown. */
export function fileOf(outing: Outing): Record<string, unknown> {
    const { name, date, place, startsAt, by, conditions, preparations, checks, subjects } = outing;
    return {
        name,
        date,
        place,
        startsAt,
        by,
        conditions,
        preparations: preparations.map(({ what, leadS, for: whom }) => ({ what, leadS, for: whom })),
        checks,
        subjects: subjects.map(({ pinned, at, without, ...subject }) => ({ ...subject, at, without, pinned })),
    };
}

/** A line that was ticked off or not, and when. */
export interface Ticked {
    what: string;
    ticked: boolean;
    at: string;
}

/** What is ticked off, with what is still on its way to the server: of each line the last word counts. */
export function packedWith(packed: readonly string[], waiting: readonly Ticked[]): string[] {
    const now = new Set(packed);
    for (const { what, ticked } of waiting) {
        if (ticked) now.add(what);
        else now.delete(what);
    }
    return [...now];
}

/** The same without what stands under some names. */
export const without = (of: Readonly<Record<string, unknown>>, ...names: readonly string[]): Record<string, unknown> =>
    Object.fromEntries(Object.entries(of).filter(([name]) => !names.includes(name)));

const two = (n: number) => String(n).padStart(2, '0');

/** A day and a time of this place as a moment that says its offset: 2026-12-04T07:40:00+01:00. */
export function momentOf(day: string, time: string): string {
    const at = new Date(`${day}T${time}:00`);
    const minutes = -at.getTimezoneOffset();
    const offset = Math.abs(minutes);
    return `${day}T${time}:00${minutes < 0 ? '-' : '+'}${two(Math.floor(offset / 60))}:${two(offset % 60)}`;
}

/** The time of a moment as it was said, wherever it is read: the clock of the place. */
export const timeOf = (moment: string) => moment.slice(11, 16);

export const dayOf = (moment: string) => moment.slice(0, 10);

const weekdays = new Intl.DateTimeFormat('en-GB', { weekday: 'short', timeZone: 'UTC' });
const days = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' });

/** Friday 4 December. */
export const dayWords = (day: string) => days.format(new Date(`${day}T00:00:00Z`)).replace(',', '');

const dates = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });

/** Thu 19 Nov 2026: a day of a log that goes over years. */
export const dateWords = (day: string) => dates.format(new Date(`${day}T00:00:00Z`)).replace(',', '');

/** A time, and before it the weekday where that isn’t the outing’s own: Thu 20:00. */
export function clockWords(moment: string, day: string | null): string {
    const own = dayOf(moment);
    return own === day ? timeOf(moment) : `${weekdays.format(new Date(`${own}T00:00:00Z`))} ${timeOf(moment)}`;
}

/** Seconds as somebody says them: 2 hours, 3 days, 90 minutes. */
export function leadWords(seconds: number): string {
    const said = (n: number, unit: string) => `${n} ${unit}${n === 1 ? '' : 's'}`;
    if (seconds % 86_400 === 0 && seconds > 0) return said(seconds / 86_400, 'day');
    if (seconds % 3_600 === 0 && seconds > 0) return said(seconds / 3_600, 'hour');
    const hours = Math.floor(seconds / 3_600);
    const minutes = Math.round((seconds % 3_600) / 60);
    return hours > 0 ? `${hours} h ${minutes} min` : said(minutes, 'minute');
}

export interface Mark {
    at: string;
    words: string;
    /** Something that is photographed then, not only made ready. */
    shot: boolean;
    late: boolean;
}

/** What happens when, in order: what must be ready, leaving, and the subjects that have a time. */
export function marksOf(outing: Outing, plan: Plan | undefined, leave: string): Mark[] {
    const letter = (name: string) => plan?.assignments.find(({ subject }) => subject === name)?.letter;
    const marks: Mark[] = outing.preparations.flatMap(({ what, due, late }) =>
        due === null ? [] : [{ at: due, words: what, shot: false, late }],
    );
    if (outing.startsAt !== null) marks.push({ at: outing.startsAt, words: leave, shot: false, late: false });
    for (const { name, at } of outing.subjects) {
        const of = letter(name);
        if (at !== null) marks.push({ at, words: of ? `${of} ${name}` : name, shot: true, late: false });
    }
    return marks.sort((one, other) => Date.parse(one.at) - Date.parse(other.at));
}
