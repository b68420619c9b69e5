import { digits } from './figures';

const thin = '\u2009';

/** Shutter times as cameras say them: 1/60 s, 0.5 s, 4 s, 2 min. */
export function shutter(seconds: number): string {
    if (seconds >= 90) return `${digits(seconds / 60)}${thin}min`;
    if (seconds >= 0.3) return `${digits(seconds)}${thin}s`;
    const parts = 1 / seconds;
    // Two digits that count are more than any dial has.
    const unit = 10 ** Math.max(0, Math.floor(Math.log10(parts)) - 1);
    return `1/${Math.round(parts / unit) * unit}${thin}s`;
}

/** A share of a flash's power, in thirds of a stop, as flashes show it: 1/32 + ⅓. */
export function power(share: number): string {
    const thirds = Math.round(-Math.log2(share) * 3);
    const whole = Math.ceil(thirds / 3);
    return `1/${2 ** whole}${['', ' + ⅓', ' + ⅔'][whole * 3 - thirds] ?? ''}`;
}

/** How long something takes, for people who wait: seconds, then minutes, then hours. */
export function time(seconds: number): string {
    if (seconds < 90) return `${Math.round(seconds)}${thin}s`;
    if (seconds < 5400) return `${Math.round(seconds / 60)}${thin}min`;
    return `${digits(seconds / 3600)}${thin}h`;
}
