/** Numbers with the digits they deserve, in the units the person chose. The server computes; this only says it. */
export type Units = 'mm' | 'in';

const thin = '\u2009';

/** A whole number, by threes from ten thousand on. */
function threes(whole: string): string {
    return whole.replace('-', '').length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, ',') : whole;
}

/** Three digits that count; below 1, two, and at least hundredths. */
export function digits(value: number): string {
    const size = Math.abs(value);
    const decimals = size >= 100 ? 0 : size >= 10 ? 1 : size >= 0.1 || size === 0 ? 2 : Math.min(6, 1 - Math.floor(Math.log10(size)));
    const text = value.toFixed(decimals);
    const trimmed = text.includes('.') ? text.replace(/0+$/, '').replace(/\.$/, '') : text;
    return trimmed === '-0' ? '0' : decimals === 0 ? threes(trimmed) : trimmed;
}

/** The number of a length without its unit. Inches keep the precision of the millimetres they stand for. */
export function lengthDigits(mm: number, units: Units): string {
    if (units === 'mm') return digits(mm);
    const inches = mm / 25.4;
    const size = Math.abs(inches);
    return inches
        .toFixed(size >= 100 ? 1 : size >= 1 ? 2 : size >= 0.01 ? 3 : 5)
        .replace(/(\.\d*?)0+$/, '$1')
        .replace(/\.$/, '');
}

export function length(mm: number, units: Units): string {
    return lengthDigits(mm, units) + thin + units;
}

/** What the server says a part measures, in the person's units: its lengths. A focal length is in millimetres everywhere. */
export function measureIn(kind: string, text: string, units: Units): string {
    if (units === 'mm' || kind === 'lens' || kind === 'objective') return text;
    return text.replace(/([\d.]+)(?:[–-]([\d.]+))?(?: × ([\d.]+))?(?:\u2009|\s)mm/g, (_, ...found: (string | undefined)[]) => {
        const [first, to, by] = found.slice(0, 3).map((mm) => (mm === undefined ? null : lengthDigits(Number(mm), 'in')));
        return `${[first, to].filter(Boolean).join('–')}${by ? ` × ${by}` : ''}\u2009in`;
    });
}

export function mass(g: number): string {
    return g >= 1000 ? `${(g / 1000).toFixed(1)}${thin}kg` : `${Math.round(g)}${thin}g`;
}

export function magnification(m: number): string {
    return `${digits(m)}×`;
}

/** The same as a ratio: 1 : 1.6, above life size 3.9 : 1. */
export function ratio(m: number): string {
    if (m <= 0) return '1 : ∞';
    const short = (value: number) => (value >= 100 ? value.toFixed(0) : value.toFixed(1).replace(/\.0$/, ''));
    return m >= 1 ? `${short(m)} : 1` : `1 : ${short(1 / m)}`;
}

export function fNumber(n: number): string {
    return `f/${n >= 10 ? Math.round(n) : n.toFixed(1).replace(/\.0$/, '')}`;
}

/** To a third of a stop. */
export function stops(value: number): string {
    const thirds = Math.round(Math.abs(value) * 3);
    const whole = Math.floor(thirds / 3);
    const rest = ['', '⅓', '⅔'][thirds % 3] ?? '';
    const text = (whole > 0 || rest === '' ? String(whole) : '') + rest;
    return `${value < 0 && thirds > 0 ? '−' : ''}${text} ${thirds > 3 || thirds === 0 ? 'stops' : 'stop'}`;
}

/** A sentence of the server with its numbers said in the person's units. */
export function phrase(pattern: string, numbers: Record<string, number | string>, units: Units): string {
    return pattern.replace(/\{(\w+)(?::(\w+))?\}/g, (_, name: string, unit: string | undefined) => {
        const value = numbers[name];
        if (value === undefined) return '';
        if (typeof value === 'string') return value;
        switch (unit) {
            case 'mm':
                return length(value, units);
            case 'focal':
                return length(value, 'mm');
            case 'x':
                return magnification(value);
            case 'f':
                return fNumber(value);
            case 'stops':
                return stops(value);
            case 'deg':
                return `${Math.round(value)}°`;
            case 'pct':
                return `${Math.round(value * 100)}${thin}%`;
            case 'n':
                return threes(String(Math.round(value)));
            case 'nm':
                return `${digits(value)}${thin}Nm`;
            case 'd':
                return `${value > 0 ? '+' : ''}${Number(value.toFixed(2))}`;
            case 's':
                return value > 0 && value < 0.5 ? `1/${Math.round(1 / value)}${thin}s` : `${digits(value)}${thin}s`;
            default:
                return digits(value);
        }
    });
}

/** A kind of part in words: reversing ring, close-up lens. */
export function kindWords(kind: string): string {
    return kind.replaceAll('-', ' ').replace('close up', 'close-up');
}

/** A figure with its half-width, both to the digit where that has two that count: 51.11 ± 0.21. */
export function withHalf(value: number, half: number): string {
    if (!(half > 0)) return digits(value);
    const decimals = Math.min(5, Math.max(0, 1 - Math.floor(Math.log10(half))));
    return `${value.toFixed(decimals).replace(/^-/, '−')} ± ${half.toFixed(decimals)}`;
}
