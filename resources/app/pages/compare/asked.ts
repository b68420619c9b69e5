import type { ComparisonQuery, Schema } from '../../api/client';

type Target = Schema['TargetView']['kind'];

/** What the address says is compared, and how. */
export interface Asked {
    rigs: number[];
    to: '' | NonNullable<ComparisonQuery['to']>;
    value: number | null;
    stop: '' | 'sharpest' | 'effective';
    effective: number | null;
    target: Target;
    depthMm: number | null;
    /** Controls set by hand: letter of the rig, control, value. */
    set: string[];
}

/** More than these stand in no drawing: they are a table. */
export const drawn = 9;

/** And more than these aren't compared. */
export const most = 64;

const ways = ['fieldWidthMm', 'magnification', 'subjectDistanceMm', 'closest'] as const;

export const targets: readonly Target[] = ['subject', 'seed', 'capsule', 'tooth', 'dots', 'grid', 'print', 'label'];

const number = (text: string | null, least: 'above 0' | '0 or more' = 'above 0'): number | null => {
    const value = Number(text);
    return text !== null && text.trim() !== '' && Number.isFinite(value) && (value > 0 || (least === '0 or more' && value === 0))
        ? value
        : null;
};

/** Of an address: what can't be is left out, and more rigs than can be compared aren't taken. */
export function asked(params: URLSearchParams): Asked {
    const rigs = (params.get('rigs') ?? '')
        .split(',')
        .map(Number)
        .filter((id) => Number.isSafeInteger(id) && id > 0);
    const stop = params.get('stop');
    return {
        rigs: [...new Set(rigs)].slice(0, most),
        to: ways.find((each) => each === params.get('to')) ?? '',
        value: number(params.get('value')),
        stop: stop === 'sharpest' || stop === 'effective' ? stop : '',
        effective: number(params.get('effective')),
        target: targets.find((each) => each === params.get('target')) ?? 'subject',
        depthMm: number(params.get('depth'), '0 or more'),
        set: (params.get('set') ?? '').split(',').filter((each) => /^[A-Z]{1,2}:\d{1,3}\.[a-z]{1,12}:-?\d{1,6}(\.\d{1,12})?$/.test(each)),
    };
}

/** The blanks as the server takes them; null while one that is needed is empty. */
export function blanksOf({ to, value, stop, effective, target, depthMm, set }: Asked): Omit<ComparisonQuery, 'rigs'> | null {
    if (to !== '' && to !== 'closest' && value === null) return null;
    if (stop === 'effective' && effective === null) return null;
    return {
        ...(to !== '' && { to }),
        ...(to !== '' && to !== 'closest' && value !== null && { value }),
        ...(stop === 'sharpest' && { sharpest: 1 as const }),
        ...(stop === 'effective' && effective !== null && { effective }),
        ...(target !== 'subject' && { target }),
        ...(depthMm !== null && { depthMm }),
        ...(set.length > 0 && { set: set.join(',') }),
    };
}

/** What the server is asked; null while a blank that it needs is empty, or there is nothing to compare. */
export function queryOf(wanted: Asked): ComparisonQuery | null {
    const blanks = blanksOf(wanted);
    return wanted.rigs.length === 0 || blanks === null ? null : { rigs: wanted.rigs.join(','), ...blanks };
}

/** The address of rigs that stand ready, and of what they were kept with. */
export function addressOf(rigs: readonly number[], blanks: Readonly<Record<string, unknown>> = {}): string {
    const params = new URLSearchParams({ rigs: rigs.join(',') });
    const text = (name: string): string | null => {
        const value = blanks[name];
        return typeof value === 'string' || typeof value === 'number' ? String(value) : null;
    };
    const put = (name: string, value: string | null) => value !== null && params.set(name, value);
    put('to', text('to'));
    put('value', text('value'));
    put('effective', text('effective'));
    put('stop', text('effective') !== null ? 'effective' : ['1', 'true'].includes(String(blanks.sharpest)) ? 'sharpest' : null);
    put('target', text('target'));
    put('depth', text('depthMm'));
    put('set', text('set'));
    return `/compare?${params.toString()}`;
}

/** A, B … Z, AA, AB … as the server letters them. */
export const letterOf = (n: number): string =>
    (n < 26 ? '' : String.fromCharCode(64 + Math.floor(n / 26))) + String.fromCharCode(65 + (n % 26));

/** What was set by hand, with one control set anew. */
export function withSet(set: readonly string[], letter: string, travel: string, value: number): string[] {
    const own = `${letter}:${travel}:`;
    return [...set.filter((each) => !each.startsWith(own)), own + String(Number(value.toFixed(6)))];
}

/** What was set by hand when one rig is left out: letters behind it move up. */
export function withoutRig(set: readonly string[], at: number): string[] {
    return set.flatMap((each) => {
        const [letter = '', ...rest] = each.split(':');
        const n = Array.from({ length: most }, (_, k) => letterOf(k)).indexOf(letter);
        if (n === at || n < 0) return [];
        return [[n > at ? letterOf(n - 1) : letter, ...rest].join(':')];
    });
}
