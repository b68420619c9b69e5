import type { Schema } from '../../../api/client';
import { length, withHalf, type Units } from '../../../ui/figures';

export type Figure = 'magnification' | 'workingDistanceMm' | 'sliceMm';

export const figures: readonly Figure[] = ['magnification', 'workingDistanceMm', 'sliceMm'];

/** A figure with how far it may be off, in the person’s units; null = it isn’t there. */
export function told(of: Schema['LoggedView'], figure: Figure, units: Units): string | null {
    const value = of[figure];
    return value === null ? null : figureTold(figure, value, of[`${figure}HalfWidth`], units);
}

/** A magnification with three digits that count: two that are compared may differ in the third. */
export const closely = (m: number) => `${Number(m.toPrecision(3))}×`;

export function figureTold(figure: Figure, value: number, half: number | null, units: Units): string {
    if (figure === 'magnification') return half === null ? closely(value) : `${withHalf(value, half)}×`;
    const per = units === 'mm' ? 1 : 25.4;
    return half === null ? length(value, units) : `${withHalf(value / per, half / per)}\u2009${units}`;
}
