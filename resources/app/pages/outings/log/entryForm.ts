import { saidWithout, type Entry, type EntryLight, type Figures, type TrialStop } from '../../../offline/outings';
import { log as logWords } from '../../../strings/log';
import { digits } from '../../../ui/figures';
import { typedNumber } from '../../../ui/typed';

const say = logWords.log;

export type Said = Omit<Entry, 'id' | 'at'>;

/** What can’t be read of what was typed. */
export class Untyped extends Error {}

/** A shutter as cameras and people say it: 1/200, 0.5, 2, 1/200 s. Seconds; null = nothing was typed. */
export function secondsOf(text: string): number | null {
    const plain = text.trim().replace(/\s*s$/, '');
    if (plain === '') return null;
    const parts = /^1\s*\/\s*(\d+(?:[.,]\d+)?)$/.exec(plain);
    const whole = parts?.[1] === undefined ? null : typedNumber(parts[1]);
    const value = whole === null ? typedNumber(plain) : 1 / whole;
    if (value === null || !(value >= 0) || !Number.isFinite(value)) throw new Untyped(say.notANumber(say.shutter));
    return value;
}

/** And the other way round. */
export const secondsWords = (seconds: number) =>
    seconds > 0 && seconds < 0.3 && Math.abs(1 / seconds - Math.round(1 / seconds)) < 0.01
        ? `1/${Math.round(1 / seconds)}`
        : String(seconds);

/** A trial, a line for each stop: f-number, cycles a pixel, and how far that may be off. */
export function trialOf(text: string): TrialStop[] {
    return text
        .split('\n')
        .map((line) => line.trim())
        .filter((line) => line !== '')
        .map((line) => {
            const [aperture, mtf50, halfWidth, ...rest] = line.replace(/^f\s*\/\s*/i, '').split(/[\s;±]+/);
            const stop = typedNumber(aperture ?? '');
            const at = typedNumber(mtf50 ?? '');
            const half = halfWidth === undefined ? undefined : typedNumber(halfWidth);
            if (stop === null || at === null || half === null || rest.length > 0) throw new Untyped(say.badTrial(line));
            return { aperture: stop, mtf50: at, ...(half === undefined ? {} : { halfWidth: half }) };
        });
}

export const trialWords = (trial: readonly TrialStop[]) =>
    trial.map(({ aperture, mtf50, halfWidth }) => [aperture, mtf50, halfWidth].filter((each) => each !== undefined).join(' ')).join('\n');

/** A figure as it stands in a blank. */
export const figureWords = (value: number | undefined) => (value === undefined ? '' : digits(value).replaceAll(',', ''));

/** What was kept, unless the blank says something else by now: rounding on the screen moves nothing. */
function kept(word: string, before: number | undefined, shown: string, what: string, per = 1): number | undefined {
    if (word.trim() === '') return undefined;
    if (before !== undefined && word.trim() === shown) return before;
    const value = typedNumber(word);
    if (value === null) throw new Untyped(say.notANumber(what));
    return value * per;
}

const filled = <T extends object>(fields: { [K in keyof T]: T[K] | undefined }): T =>
    Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as T;

/** Blanks of measured lengths: name in the form, in the entry, and how it is called. */
export const lengths = [
    ['across', 'fieldWidthMm', say.ruler],
    ['room', 'workingDistanceMm', say.room],
    ['slice', 'sliceMm', say.slice],
] as const;

/** What a form says, as an entry has it: blanks that are empty aren’t kept, what isn’t asked for stays. */
export function entryOf(from: Said, word: (name: string) => string, unit: { mm: number; shown: (mm: number) => string }): Said {
    const before = from.measured ?? {};
    const measured: Record<string, number | undefined> = {
        magnification: kept(word('magnification'), before.magnification, figureWords(before.magnification), say.magnification),
        magnificationHalfWidth: kept(
            word('magnificationHalf'),
            before.magnificationHalfWidth,
            figureWords(before.magnificationHalfWidth),
            say.magnification,
        ),
    };
    for (const [blank, name, what] of lengths) {
        for (const [suffix, key] of [
            ['', name],
            ['Half', `${name}HalfWidth`],
        ] as const) {
            const was = before[key as keyof Figures];
            measured[key] = kept(word(blank + suffix), was, was === undefined ? '' : unit.shown(was), what, unit.mm);
        }
    }
    const reads = from.scales.map((each, n) => ({ ...each, reads: word(`reads${n}`).trim() || each.reads }));
    const isOther = reads.some((each, n) => each.reads !== from.scales[n]?.reads);
    const figures = filled<Figures>(measured);
    const was = from.light ?? {};
    const power = word('power').trim() === (was.power === undefined ? '' : figureWords(1 / was.power)) ? was.power : undefined;
    const part = kept(word('power'), undefined, '', say.power);
    const light = filled<EntryLight>({
        source: word('source') || undefined,
        name: word('lightName').trim() || undefined,
        power: power ?? (part === undefined || part <= 0 ? undefined : 1 / part),
        distanceMm: kept(
            word('distance'),
            was.distanceMm,
            was.distanceMm === undefined ? '' : unit.shown(was.distanceMm),
            say.distance,
            unit.mm,
        ),
        angleDeg: kept(word('angle'), was.angleDeg, figureWords(was.angleDeg), say.angle),
        ev: kept(word('ev'), was.ev, figureWords(was.ev), say.ev),
        note: was.note,
    });
    const seconds =
        word('exposure').trim() === (from.exposureS === undefined ? '' : secondsWords(from.exposureS))
            ? from.exposureS
            : secondsOf(word('exposure'));
    const trial = trialOf(word('trial'));
    const rest = saidWithout(
        from,
        'measured',
        'predicted',
        'scales',
        'light',
        'aperture',
        'exposureS',
        'iso',
        'frames',
        'trial',
        'result',
        'note',
        'pictures',
        'subject',
        'replaces',
    );
    return {
        ...rest,
        subject: word('subject').trim() || from.subject,
        scales: reads,
        // What was said of other settings says nothing of these.
        ...(isOther || from.predicted === undefined ? {} : { predicted: from.predicted }),
        ...(Object.keys(figures).length > 0 ? { measured: figures } : {}),
        ...(Object.keys(light).length > 0 ? { light } : {}),
        ...filled<Partial<Said>>({
            aperture: kept(word('aperture'), from.aperture, figureWords(from.aperture), say.aperture),
            exposureS: seconds ?? undefined,
            iso: kept(word('iso'), from.iso, figureWords(from.iso), say.iso),
            frames: kept(word('frames'), from.frames, figureWords(from.frames), say.framesTaken),
            result: word('result') === '' ? undefined : Number(word('result')),
            note: word('note').trim() || undefined,
            trial: trial.length > 0 ? trial : undefined,
        }),
    };
}
