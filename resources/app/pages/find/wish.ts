import type { WishQuery } from '../../api/client';

/** Clauses that stand or don’t, and how the sentence says them. */
export const yesClauses = { infinity: 'keeping infinity', flat: 'of a flat thing', underWater: 'under water, through a port' } as const;
export type YesBlank = keyof typeof yesClauses;
/** Blanks that take a number. */
export type NumberBlank = Exclude<keyof WishQuery, 'automatic' | 'support' | 'ranking' | 'page' | YesBlank | PartBlank>;
/** Blanks that take parts of the kit: on these cameras only, with these parts, without those. */
export type PartBlank = 'cameras' | 'with' | 'without';
export type Support = NonNullable<WishQuery['support']>;
export type Ranking = NonNullable<WishQuery['ranking']>;

/** What somebody wants, as the blanks are filled in. Lengths in mm, whatever is shown. */
export interface Wish {
    numbers: Partial<Record<NumberBlank, number>>;
    infinity: boolean;
    flat: boolean;
    underWater: boolean;
    parts: Record<PartBlank, readonly number[]>;
    automatic: boolean | null;
    support: Support | null;
    ranking: Ranking;
}

/** In what a blank is filled in: a length in the person's units, or as it stands. */
export type Measure = 'length' | 'plain' | 'percent';

export interface Blank {
    name: NumberBlank;
    measure: Measure;
    before: string;
    after: (unit: string) => string;
}

/** What is met exactly: one of these opens the sentence. */
export const targets: readonly Blank[] = [
    { name: 'fieldWidthMm', measure: 'length', before: 'Fill the frame with', after: (unit) => `${unit} of subject` },
    { name: 'magnification', measure: 'plain', before: 'Magnify', after: () => 'times' },
    { name: 'workingDistanceMm', measure: 'length', before: 'Stand', after: (unit) => `${unit} from the subject` },
    { name: 'subjectDistanceMm', measure: 'length', before: 'Focus at', after: (unit) => `${unit} from the sensor` },
];

/** Limits that always stand in the sentence. */
export const limits: readonly Blank[] = [
    { name: 'leastRoomMm', measure: 'length', before: 'from at least', after: (unit) => `${unit} away` },
    { name: 'mostStopsLost', measure: 'plain', before: 'losing at most', after: () => 'stops' },
];

/** Clauses that can be added; each is one or two blanks, or none. */
export interface Clause {
    name: string;
    title: string;
    blanks: readonly Blank[];
}

export const clauses: readonly Clause[] = [
    {
        name: 'mass',
        title: 'mass',
        blanks: [{ name: 'mostMassG', measure: 'plain', before: 'weighing at most', after: () => 'g with the camera' }],
    },
    {
        name: 'length',
        title: 'length',
        blanks: [{ name: 'mostLengthMm', measure: 'length', before: 'at most', after: (unit) => `${unit} long` }],
    },
    {
        name: 'price',
        title: 'price',
        blanks: [{ name: 'mostPrice', measure: 'plain', before: 'worth at most', after: () => 'in all' }],
    },
    {
        name: 'buying',
        title: 'buying something',
        blanks: [{ name: 'mostMissingPrice', measure: 'plain', before: 'buying for at most', after: () => '' }],
    },
    { name: 'infinity', title: 'infinity', blanks: [] },
    { name: 'flat', title: 'a flat subject', blanks: [] },
    { name: 'underWater', title: 'under water', blanks: [] },
    {
        name: 'focus',
        title: 'focus from here to there',
        blanks: [
            { name: 'focusFromMm', measure: 'length', before: 'focusing from', after: () => '' },
            { name: 'focusToMm', measure: 'length', before: 'to', after: (unit) => `${unit} from the sensor` },
        ],
    },
    {
        name: 'depth',
        title: 'depth',
        blanks: [{ name: 'depthMm', measure: 'length', before: 'with a slice of at least', after: (unit) => unit }],
    },
    {
        name: 'detail',
        title: 'detail',
        blanks: [{ name: 'detailMm', measure: 'length', before: 'showing detail of', after: (unit) => unit }],
    },
    {
        name: 'corner',
        title: 'corner',
        blanks: [{ name: 'leastCorner', measure: 'percent', before: 'with corners at least', after: () => '% as bright as the middle' }],
    },
    {
        name: 'subject',
        title: 'depth of the subject',
        blanks: [{ name: 'subjectDepthMm', measure: 'length', before: 'of a subject', after: (unit) => `${unit} deep` }],
    },
];

/** Clauses that name things of the kit. */
export const partClauses: readonly { name: PartBlank; title: string; before: string }[] = [
    { name: 'with', title: 'with certain parts', before: 'with' },
    { name: 'without', title: 'without certain parts', before: 'without' },
    { name: 'cameras', title: 'on certain cameras', before: 'on' },
];

/** Numbers with commas between, as an address holds them. */
function partsIn(text: string | null): number[] {
    return (text ?? '')
        .split(',')
        .map(Number)
        .filter((id) => Number.isInteger(id) && id > 0);
}

const names: readonly NumberBlank[] = [...targets, ...limits, ...clauses.flatMap((clause) => clause.blanks)].map((blank) => blank.name);
const supports: readonly Support[] = ['hand', 'braced', 'table'];
export const rankings: readonly Ranking[] = ['ease', 'room', 'light', 'mass', 'price'];

/** The wish that an address holds: a reload, a link or the way back from the bench comes to the same one. */
export function wishIn(params: URLSearchParams): Wish {
    const numbers: Wish['numbers'] = {};
    for (const name of names) {
        const text = params.get(name);
        const value = text === null || text === '' ? NaN : Number(text);
        if (Number.isFinite(value)) numbers[name] = value;
    }
    const automatic = params.get('automatic');
    return {
        numbers,
        infinity: params.get('infinity') === '1',
        flat: params.get('flat') === '1',
        underWater: params.get('underWater') === '1',
        parts: { cameras: partsIn(params.get('cameras')), with: partsIn(params.get('with')), without: partsIn(params.get('without')) },
        automatic: automatic === null ? null : automatic === '1',
        support: supports.find((each) => each === params.get('support')) ?? null,
        ranking: rankings.find((each) => each === params.get('ranking')) ?? 'ease',
    };
}

/** The wish as it is asked, and as it stands in the address. */
export function asked(wish: Wish): WishQuery {
    return {
        ...wish.numbers,
        ...(wish.infinity && { infinity: 1 as const }),
        ...(wish.flat && { flat: 1 as const }),
        ...(wish.underWater && { underWater: 1 as const }),
        ...Object.fromEntries(
            Object.entries(wish.parts)
                .filter(([, ids]) => ids.length > 0)
                .map(([name, ids]) => [name, ids.join(',')]),
        ),
        ...(wish.automatic !== null && { automatic: wish.automatic ? (1 as const) : (0 as const) }),
        ...(wish.support !== null && { support: wish.support }),
        ...(wish.ranking !== 'ease' && { ranking: wish.ranking }),
    };
}

export function addressOf(wish: Wish): URLSearchParams {
    return new URLSearchParams(Object.entries(asked(wish)).map(([name, value]) => [name, String(value)]));
}

/** Whether there is something to be met exactly. */
export function isComplete(wish: Wish): boolean {
    return targets.some((target) => wish.numbers[target.name] !== undefined);
}

/** Which of the targets the sentence opens with. */
export function targetOf(wish: Wish): Blank {
    return targets.find((target) => wish.numbers[target.name] !== undefined) ?? (targets[0] as Blank);
}

/** A number as it stands in a blank, and back. */
export function inBlank(value: number, measure: Measure, units: 'mm' | 'in'): string {
    const shown = measure === 'percent' ? value * 100 : measure === 'length' && units === 'in' ? value / 25.4 : value;
    return String(Number(shown.toPrecision(6)));
}

export function fromBlank(shown: number, measure: Measure, units: 'mm' | 'in'): number {
    return measure === 'percent' ? shown / 100 : measure === 'length' && units === 'in' ? shown * 25.4 : shown;
}

/** The numbers without some of the blanks. */
export function emptied(numbers: Wish['numbers'], blanks: readonly Blank[]): Wish['numbers'] {
    return Object.fromEntries(Object.entries(numbers).filter(([name]) => !blanks.some((blank) => blank.name === name)));
}

/** Whether a clause stands or doesn’t, with no blank in it. */
export const isYes = (name: string): name is YesBlank => name in yesClauses;
