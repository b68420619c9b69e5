import type { ComparisonQuery } from '../../api/client';

/** What the address says is compared, and how. */
export interface Asked {
    rigs: number[];
    to: '' | NonNullable<ComparisonQuery['to']>;
    value: number | null;
    stop: '' | 'sharpest' | 'effective';
    effective: number | null;
    depthMm: number | null;
}

export const most = 9;

const targets = ['fieldWidthMm', 'magnification', 'subjectDistanceMm', 'closest'] as const;

const above0 = (text: string | null): number | null => {
    const value = Number(text);
    return text !== null && text.trim() !== '' && Number.isFinite(value) && value > 0 ? value : null;
};

/** Of an address: what can't be is left out, and more than nine rigs aren't taken. */
export function asked(params: URLSearchParams): Asked {
    const rigs = (params.get('rigs') ?? '')
        .split(',')
        .map(Number)
        .filter((id) => Number.isSafeInteger(id) && id > 0);
    const stop = params.get('stop');
    return {
        rigs: [...new Set(rigs)].slice(0, most),
        to: targets.find((each) => each === params.get('to')) ?? '',
        value: above0(params.get('value')),
        stop: stop === 'sharpest' || stop === 'effective' ? stop : '',
        effective: above0(params.get('effective')),
        depthMm: above0(params.get('depth')),
    };
}

/** What the server is asked; null while a blank that it needs is empty, or there is nothing to compare. */
export function queryOf({ rigs, to, value, stop, effective, depthMm }: Asked): ComparisonQuery | null {
    if (rigs.length === 0) return null;
    if (to !== '' && to !== 'closest' && value === null) return null;
    if (stop === 'effective' && effective === null) return null;
    return {
        rigs: rigs.join(','),
        ...(to !== '' && { to }),
        ...(to !== '' && to !== 'closest' && value !== null && { value }),
        ...(stop === 'sharpest' && { sharpest: 1 as const }),
        ...(stop === 'effective' && effective !== null && { effective }),
        ...(depthMm !== null && { depthMm }),
    };
}
