import type { TravelView } from '../api/client';
import { digits, fNumber, length, type Units } from '../ui/figures';

/** A setting as the part itself says it: draw from its scale zero, a helicoid in turns, a ring by distance and scale. */
export function said(travel: TravelView, value: number, row: number, units: Units): string {
    const own = (value - travel.zero) / travel.per;
    switch (travel.kind) {
        case 'aperture':
            return fNumber(value);
        case 'focus': {
            const distance = travel.engraved[row] ?? null;
            return distance === null
                ? '∞'
                : `${digits(own)}× · ${distance >= 1000 && units === 'mm' ? `${digits(distance / 1000)} m` : length(distance, units)}`;
        }
        case 'swing':
            return `${digits(value)}°`;
        case 'length':
            if (travel.unit === 'turns') return `${own.toFixed(2)} turns`;
            return units === 'mm' ? `${own.toFixed(1)} mm` : length(own, units);
        case 'zoom':
            // A focal length is in millimetres everywhere.
            return length(value, 'mm');
        default:
            return length(value, units);
    }
}

/** What was typed into a scale, as the value it means; null when it means nothing. */
export function typedValue(travel: TravelView, text: string, units: Units): number | null {
    const plain = text.trim().toLowerCase().replace(',', '.').replace(/^f\/?/, '');
    if (travel.kind === 'focus' && /^(∞|inf)/.test(plain)) return travel.least;
    const found = /^(-?\d*\.?\d+)\s*(mm|m|cm|in|x|×|turns?|°)?$/.exec(plain);
    if (!found) return null;
    const number = Number(found[1]);
    const unit = found[2] ?? '';
    const mm = { mm: 1, cm: 10, m: 1000, in: 25.4 }[unit];
    const clamp = (value: number) => Math.max(travel.least, Math.min(travel.greatest, value));
    if (travel.kind === 'focus') {
        if (mm === undefined) return clamp(number * travel.per);
        // A distance: the index of the ring where the nearest one stands engraved.
        let best = 0;
        travel.engraved.forEach((distance, at) => {
            const now = travel.engraved[best] ?? null;
            if (distance !== null && (now === null || Math.abs(distance - number * mm) < Math.abs(now - number * mm))) best = at;
        });
        return travel.positions[best] ?? null;
    }
    if (travel.kind === 'aperture' || travel.kind === 'swing') return clamp(number);
    if (travel.unit === 'turns') return clamp(mm === undefined ? number * travel.per + travel.zero : number * mm);
    return clamp(number * (mm ?? (units === 'in' && travel.kind !== 'zoom' ? 25.4 : 1)) + travel.zero);
}

/** A typed value may stand between two positions of rest: its pointer stands at the nearer one. */
export function nearest(positions: readonly number[], value: number): number {
    let best = 0;
    positions.forEach((index, at) => {
        if (Math.abs(index - value) < Math.abs((positions[best] ?? 0) - value)) best = at;
    });
    return best;
}
