import createClient from 'openapi-fetch';
import { strings } from '../strings/index';
import { unpacked, type Unpacked } from './columns';
import { answerTo } from './early';
import type { components, paths } from './generated/schema';

export type Schema = components['schemas'];
export type RigView = Schema['RigView'];
export type SweepView = Unpacked<Schema['SweepView']>;
export type LightSweep = Unpacked<Schema['LightSweep']>;
export type ComparedSweep = Unpacked<Schema['ComparedSweep']>;
export type TrayView = Schema['TrayView'];
export type KitView = Schema['KitView'];
export type KitPart = Schema['KitPart'];
/** A part as a file has it. */
export type PartFields = Record<string, unknown>;
export type Step = Schema['Step'];
export type TravelView = Schema['TravelView'];
/** What of the log is looked for. */
export type LogQuery = NonNullable<paths['/log']['get']['parameters']['query']>;

/** Why the server refused, in its own words. */
export class Refused extends Error {
    constructor(
        readonly status: number,
        message: string,
        /** What is wrong where, by field. */
        readonly fields: Readonly<Record<string, string>> = {},
        /** Rigs that use a part that was to go. */
        readonly rigs: readonly string[] = [],
    ) {
        super(message);
    }
}

/** No answer, or one from a web server whose application is away: nothing is known of what became of the request. */
export class Away extends Refused {
    constructor(status = 0) {
        super(status, strings.offline.away);
    }
}

export function messageOf(error: unknown): string {
    return error instanceof Error ? error.message : String(error);
}

/** What went wrong, in one sentence: what is wrong with the first field to blame, when there is one. */
export function reasonOf(error: unknown): string {
    return (error instanceof Refused ? Object.values(error.fields)[0] : undefined) ?? messageOf(error);
}

/** Laravel names fields in a map, files name places in a list: both become one map. */
function fieldsOf(error: object): Record<string, string> {
    const errors: unknown = 'errors' in error ? error.errors : null;
    const fields: Record<string, string> = {};
    if (Array.isArray(errors)) {
        for (const each of errors as { pointer: string; message: string }[]) fields[each.pointer] ??= each.message;
    } else if (typeof errors === 'object' && errors !== null) {
        for (const [name, messages] of Object.entries(errors as Record<string, string[]>)) fields[name] = messages[0] ?? '';
    }
    return fields;
}

const client = createClient<paths>({ baseUrl: '/api', headers: { Accept: 'application/json' }, fetch: answerTo });

client.use({
    onRequest({ request }) {
        const token = document.cookie.split('; ').find((item) => item.startsWith('XSRF-TOKEN='));
        if (token) request.headers.set('X-XSRF-TOKEN', decodeURIComponent(token.slice('XSRF-TOKEN='.length)));
        return request;
    },
});

interface Result<T> {
    data?: T;
    error?: unknown;
    response: Response;
}

/** The answer, or Refused with the server's reason. */
async function unwrap<T>(asked: Promise<Result<T>>): Promise<T> {
    const { data, error, response } = await asked.catch((fault: unknown): never => {
        // The browser's own words for "no answer", and for one that was cut off under way, say nothing to anybody.
        throw fault instanceof TypeError || fault instanceof SyntaxError ? new Away() : fault;
    });
    if (response.ok) return data as T;
    if (response.status >= 502 && response.status <= 504 && !(error !== null && typeof error === 'object' && 'busy' in error))
        throw new Away(response.status);
    if (typeof error !== 'object' || error === null) throw new Refused(response.status, strings.offline.strange(response.status));
    const message = 'message' in error ? String(error.message) : strings.offline.strange(response.status);
    const rigs = 'rigs' in error && Array.isArray(error.rigs) ? error.rigs.map(String) : [];
    throw new Refused(response.status, message, fieldsOf(error), rigs);
}

/** Answers as an address holds them: the server reads the text of a number as the number. */
const fromAddress = (answers: URLSearchParams) => Object.fromEntries(answers) as unknown as Schema['AnswerFirst'];

const at = (rig: number) => ({ path: { rig } });
const ofKit = (kit: number) => ({ path: { kit } });

export type MeasureRequest = paths['/kits/{kit}/parts/{part}/measure']['post']['requestBody']['content']['application/json'];

export type WishQuery = NonNullable<paths['/kits/{kit}/find']['get']['parameters']['query']>;
export type SetUpRequest = paths['/kits/{kit}/rigs']['post']['requestBody']['content']['application/json'];
export type CardName = paths['/kits/{kit}/cards/{card}']['get']['parameters']['path']['card'];
export type CardQuery = paths['/kits/{kit}/cards/{card}']['get']['parameters']['query'];

export type CompareRequest = paths['/kits/{kit}/comparison']['post']['requestBody']['content']['application/json'];

export type ComparisonQuery = paths['/comparison']['get']['parameters']['query'];

export const api = {
    me: () => unwrap(client.GET('/me')),
    answerFirst: (answers: URLSearchParams) =>
        unwrap(client.GET('/first', { params: { query: { answers: fromAddress(answers) } }, querySerializer: () => answers.toString() })),
    keepFirst: (answers: URLSearchParams) => unwrap(client.POST('/first', { body: fromAddress(answers) })),
    openDemonstration: () => unwrap(client.POST('/guest')),
    signOut: () => unwrap(client.POST('/sign-out')),
    signUp: (body: { name: string; email: string; password: string }) => unwrap(client.POST('/sign-up', { body })),
    signIn: (body: { email: string; password: string }) => unwrap(client.POST('/sign-in', { body })),
    forgotten: (email: string) => unwrap(client.POST('/forgotten', { body: { email } })),
    reset: (body: { token: string; email: string; password: string }) => unwrap(client.POST('/reset', { body })),
    rename: (name: string) => unwrap(client.PUT('/me', { body: { name } })),
    changePassword: (current: string, password: string) => unwrap(client.PUT('/me/password', { body: { current, password } })),
    deleteAccount: (password: string) => unwrap(client.DELETE('/me', { body: { password } })),
    archiveAddress: '/api/me/archive',
    restore: (archive: File) =>
        unwrap(
            client.POST('/me/archive', {
                body: { archive: '' },
                bodySerializer: () => {
                    const form = new FormData();
                    form.append('archive', archive);
                    return form;
                },
            }),
        ),
    guide: () => unwrap(client.GET('/guide')),
    patterns: () => unwrap(client.GET('/patterns')),
    joints: () => unwrap(client.GET('/joints')),
    addJoint: (body: { name: string; use?: string | null; registerMm?: number | null; throatMm?: number | null }) =>
        unwrap(client.POST('/joints', { body })),
    dropJoint: (joint: number) => unwrap(client.DELETE('/joints/{joint}', { params: { path: { joint } } })),
    compare: (query: ComparisonQuery) => unwrap(client.GET('/comparison', { params: { query } })),
    compareSweep: (query: ComparisonQuery, of: number, travel: string) =>
        unwrap(client.GET('/comparison/sweep', { params: { query: { ...query, of, travel } } })).then(unpacked),
    comparisonAddress: (query: ComparisonQuery, as: 'csv' | 'file') =>
        `/api/comparison?${new URLSearchParams(Object.entries({ ...query, as }).map(([name, value]) => [name, String(value)])).toString()}`,
    compareFiles: (texts: string[], kit?: number) => unwrap(client.POST('/comparison/files', { body: { texts, kit } })),
    setUpToCompare: (kit: number, body: CompareRequest) => unwrap(client.POST('/kits/{kit}/comparison', { params: ofKit(kit), body })),
    questions: (kit: number) => unwrap(client.GET('/kits/{kit}/questions', { params: ofKit(kit) })),
    askSchool: (kit: number, school: string) =>
        unwrap(client.POST('/kits/{kit}/questions/{school}', { params: { path: { kit, school } } })),
    outings: () => unwrap(client.GET('/outings')),
    outing: (outing: number) => unwrap(client.GET('/outings/{outing}', { params: { path: { outing } } })),
    addOuting: (body: Schema['SaveOuting']) => unwrap(client.POST('/outings', { body })),
    importOuting: (text: string, kit?: number) => unwrap(client.POST('/outings/import', { body: { text, kit } })),
    saveOuting: (outing: number, body: Schema['SaveOuting']) =>
        unwrap(client.PUT('/outings/{outing}', { params: { path: { outing } }, body })),
    deleteOuting: (outing: number) => unwrap(client.DELETE('/outings/{outing}', { params: { path: { outing } } })),
    tickOff: (outing: number, body: Schema['TickOff']) =>
        unwrap(client.PUT('/outings/{outing}/ticks', { params: { path: { outing } }, body })),
    planOuting: (outing: number) => unwrap(client.GET('/outings/{outing}/plan', { params: { path: { outing } } })),
    entries: (outing: number) => unwrap(client.GET('/outings/{outing}/entries', { params: { path: { outing } } })),
    takeEntry: (outing: number, entry: string, body: object) =>
        unwrap(client.PUT('/outings/{outing}/entries/{entry}', { params: { path: { outing, entry } }, body: { entry: { ...body } } })),
    entry: (outing: number, entry: string) =>
        unwrap(client.GET('/outings/{outing}/entries/{entry}', { params: { path: { outing, entry } } })),
    sinceEntry: (outing: number, entry: string) =>
        unwrap(client.GET('/outings/{outing}/entries/{entry}/since', { params: { path: { outing, entry } } })),
    entrySheet: (outing: number, entry: string) =>
        unwrap(client.GET('/outings/{outing}/entries/{entry}/sheet', { params: { path: { outing, entry } } })),
    setUpEntry: (outing: number, entry: string, today: boolean) =>
        unwrap(client.POST('/outings/{outing}/entries/{entry}/rig', { params: { path: { outing, entry } }, body: { today } })),
    shotOfEntry: (outing: number, entry: string) =>
        unwrap(client.POST('/outings/{outing}/entries/{entry}/shot', { params: { path: { outing, entry } } })),
    pictureAddress: (outing: number, entry: string, number: number) => `/api/outings/${outing}/entries/${entry}/pictures/${number}`,
    blankEntry: (rig: number) => unwrap(client.GET('/rigs/{rig}/entry', { params: { path: { rig } } })),
    log: (query: LogQuery) => unwrap(client.GET('/log', { params: { query } })),
    ledger: () => unwrap(client.GET('/ledger')),
    outingSheets: (outing: number) => unwrap(client.GET('/outings/{outing}/sheets', { params: { path: { outing } } })),
    outingAddress: (outing: number, what: 'file' | 'calendar' | 'csv' | 'xmp') => `/api/outings/${outing}/${what}`,
    rigFile: async (rig: number) =>
        (await (await fetch(`/api/rigs/${rig}/file`, { headers: { Accept: 'application/json' } })).json()) as PartFields,
    comparisons: () => unwrap(client.GET('/comparisons')),
    keepComparison: (name: string, rigs: string, asked: Record<string, unknown>) =>
        unwrap(client.POST('/comparisons', { body: { name, rigs, asked } })),
    dropComparison: (comparison: number) => unwrap(client.DELETE('/comparisons/{comparison}', { params: { path: { comparison } } })),
    bringToBench: (rig: number, rigs: string, asked: Record<string, unknown>) =>
        unwrap(client.POST('/rigs/{rig}/brought', { params: at(rig), body: { rigs, asked } })),
    kits: () => unwrap(client.GET('/kits')),
    startKit: (name: string) => unwrap(client.POST('/kits', { body: { name } })),
    deleteKit: (kit: number) => unwrap(client.DELETE('/kits/{kit}', { params: ofKit(kit) })),
    kit: (kit: number) => unwrap(client.GET('/kits/{kit}', { params: ofKit(kit) })),
    nameKit: (kit: number, name: string, currency: string | null) =>
        unwrap(client.PUT('/kits/{kit}', { params: ofKit(kit), body: { name, currency } })),
    undoKit: (kit: number, revision: number) => unwrap(client.POST('/kits/{kit}/undo', { params: ofKit(kit), body: { revision } })),
    redoKit: (kit: number, revision: number) => unwrap(client.POST('/kits/{kit}/redo', { params: ofKit(kit), body: { revision } })),
    addParts: (kit: number, parts: PartFields[]) => unwrap(client.POST('/kits/{kit}/parts', { params: ofKit(kit), body: { parts } })),
    changePart: (kit: number, part: number, version: number, fields: PartFields) =>
        unwrap(client.PUT('/kits/{kit}/parts/{part}', { params: { path: { kit, part } }, body: { version, part: fields } })),
    copyPart: (kit: number, part: number) => unwrap(client.POST('/kits/{kit}/parts/{part}/copies', { params: { path: { kit, part } } })),
    removePart: (kit: number, part: number, anyway: boolean) =>
        unwrap(client.DELETE('/kits/{kit}/parts/{part}', { params: { path: { kit, part }, query: anyway ? { anyway: 1 } : {} } })),
    deleted: (kit: number) => unwrap(client.GET('/kits/{kit}/deleted', { params: ofKit(kit) })),
    bringBack: (kit: number, deleted: number) =>
        unwrap(client.POST('/kits/{kit}/parts/{deleted}/back', { params: { path: { kit, deleted } } })),
    lens: (kit: number, part: PartFields) => unwrap(client.POST('/kits/{kit}/lens', { params: ofKit(kit), body: { part } })),
    readWords: (kit: number, text: string) => unwrap(client.POST('/kits/{kit}/words', { params: ofKit(kit), body: { text } })),
    measure: (kit: number, part: number, body: MeasureRequest) =>
        unwrap(client.POST('/kits/{kit}/parts/{part}/measure', { params: { path: { kit, part } }, body })),
    /** Only the box of a picture is sent. */
    measurePicture: (kit: number, body: Omit<Schema['MeasurePicture'], 'box'>, box: Blob | null) =>
        unwrap(
            client.POST('/kits/{kit}/pictures', {
                params: ofKit(kit),
                body,
                bodySerializer: () => {
                    const form = new FormData();
                    for (const [name, value] of Object.entries(body)) form.append(name, String(value));
                    if (box) form.append('box', box, 'box.png');
                    return form;
                },
            }),
        ),
    tryStops: (rig: number, body: Schema['KeepTrial']) => unwrap(client.POST('/rigs/{rig}/trial', { params: at(rig), body })),
    trialOfEntry: (outing: number, entry: string, keep: boolean) =>
        unwrap(client.POST('/outings/{outing}/entries/{entry}/trial', { params: { path: { outing, entry } }, body: { keep } })),
    look: (rig: number) => unwrap(client.GET('/rigs/{rig}/look', { params: at(rig) })),
    setLook: (rig: number, body: Schema['SetLook']) => unwrap(client.PUT('/rigs/{rig}/look', { params: at(rig), body })),
    /** What the finder shows, and where the rail says that it stands. */
    lookLive: async (rig: number, body: Schema['LookLive'], signal?: AbortSignal) => {
        const asked = client.POST('/rigs/{rig}/look/live', { params: at(rig), body, parseAs: 'blob', ...(signal ? { signal } : {}) });
        const picture = (await unwrap(asked as Promise<Result<unknown>>)) as Blob;
        return { picture, railMm: Number((await asked).response.headers.get('Rail-Mm')) };
    },
    takeFrame: (rig: number, body: Schema['TakeOneFrame']) => unwrap(client.POST('/rigs/{rig}/look/frames', { params: at(rig), body })),
    dropFrame: (rig: number, frame: number) =>
        unwrap(client.DELETE('/rigs/{rig}/look/frames/{frame}', { params: { path: { rig, frame } } })),
    frameAddress: (rig: number, frame: number) => `/api/rigs/${rig}/look/frames/${frame}`,
    /** A frame as a file that can be measured. */
    frameFile: async (rig: number, frame: number) => {
        const answer = await fetch(`/api/rigs/${rig}/look/frames/${frame}`).catch(() => {
            throw new Away();
        });
        if (!answer.ok) throw new Refused(answer.status, strings.offline.strange(answer.status));
        return answer.blob();
    },
    setTask: (rig: number, task: Schema['SetTask']['task']) =>
        unwrap(client.PUT('/rigs/{rig}/look/task', { params: at(rig), body: { task } })),
    judgeTask: (rig: number) => unwrap(client.POST('/rigs/{rig}/look/task', { params: at(rig) })),
    leaveTask: (rig: number) => unwrap(client.DELETE('/rigs/{rig}/look/task', { params: at(rig) })),
    handOutPractice: (kit: number) => unwrap(client.POST('/kits/{kit}/practice', { params: ofKit(kit) })),
    answerQuestion: (question: number, body: Schema['AnswerQuestion']) =>
        unwrap(client.POST('/practice/{question}/answer', { params: { path: { question } }, body })),
    evenings: () => unwrap(client.GET('/evenings')),
    openEvening: (kit: number, title: string) => unwrap(client.POST('/kits/{kit}/evenings', { params: ofKit(kit), body: { title } })),
    evening: (evening: number) => unwrap(client.GET('/evenings/{evening}', { params: { path: { evening } } })),
    dropEvening: (evening: number) => unwrap(client.DELETE('/evenings/{evening}', { params: { path: { evening } } })),
    joinEvening: (token: string, key: string) => unwrap(client.GET('/evening/{token}', { params: { path: { token }, query: { key } } })),
    answerEvening: (token: string, body: Schema['AnswerEvening']) =>
        unwrap(client.PUT('/evening/{token}', { params: { path: { token } }, body })),
    eveningResults: (token: string, key: string) =>
        unwrap(client.GET('/evening/{token}/results', { params: { path: { token }, query: { key } } })),
    runStack: (rig: number) => unwrap(client.POST('/rigs/{rig}/look/runs', { params: at(rig) })),
    setRun: (rig: number, run: number, what: Schema['SetRun']['do']) =>
        unwrap(client.PUT('/rigs/{rig}/look/runs/{run}', { params: { path: { rig, run } }, body: { do: what } })),
    map: (kit: number) => unwrap(client.GET('/kits/{kit}/map', { params: ofKit(kit) })),
    crossing: (kit: number, front: string, rear: string) =>
        unwrap(client.GET('/kits/{kit}/crossing', { params: { ...ofKit(kit), query: { front, rear } } })),
    previewImport: (kit: number, text: string, as: 'json' | 'csv') =>
        unwrap(client.POST('/kits/{kit}/import', { params: ofKit(kit), body: { text, as } })),
    takeImport: (kit: number, revision: number, text: string, as: 'json' | 'csv') =>
        unwrap(client.PUT('/kits/{kit}/import', { params: ofKit(kit), body: { text, as, revision } })),
    kitAddress: (kit: number, as: 'json' | 'csv') => `/api/kits/${kit}/file?as=${as}`,
    importRig: (text: string, kit?: number) => unwrap(client.POST('/rigs/import', { body: { text, kit } })),
    newsSeen: (rig: number) => unwrap(client.DELETE('/rigs/{rig}/news', { params: at(rig) })),
    share: (rig: number) => unwrap(client.POST('/rigs/{rig}/share', { params: at(rig) })),
    withdraw: (rig: number) => unwrap(client.DELETE('/rigs/{rig}/share', { params: at(rig) })),
    shared: (token: string) => unwrap(client.GET('/shared/{token}', { params: { path: { token } } })),
    sharedAddress: (token: string) => `/api/shared/${token}/file`,
    rigs: () => unwrap(client.GET('/rigs')),
    findRigs: (search: string, page: number) =>
        unwrap(client.GET('/rigs', { params: { query: { page, ...(search === '' ? {} : { search }) } } })),
    startRig: (from: { kit?: number; camera?: number; parts?: number[] } = {}) => unwrap(client.POST('/rigs', { body: from })),
    proposals: (kit: number) => unwrap(client.GET('/rigs/proposals', { params: { query: { kit } } })),
    duplicate: (rig: number) => unwrap(client.POST('/rigs/{rig}/copies', { params: at(rig) })),
    tag: (rig: number, tags: string[]) => unwrap(client.PUT('/rigs/{rig}/tags', { params: at(rig), body: { tags } })),
    states: (rig: number) => unwrap(client.GET('/rigs/{rig}/states', { params: at(rig) })),
    state: (rig: number, number: number) => unwrap(client.GET('/rigs/{rig}/states/{number}', { params: { path: { rig, number } } })),
    rig: (rig: number) => unwrap(client.GET('/rigs/{rig}', { params: at(rig) })),
    /** The same id sent twice is one step. */
    step: (rig: number, revision: number, step: Step, id: string) =>
        unwrap(client.POST('/rigs/{rig}/steps', { params: at(rig), body: { revision, id, step } })),
    sessions: () => unwrap(client.GET('/me/sessions')),
    endSession: (session: string) => unwrap(client.DELETE('/me/sessions/{session}', { params: { path: { session } } })),
    signIns: () => unwrap(client.GET('/me/sign-ins')),
    confirm: (body: { user: number; until: number; signature: string }) => unwrap(client.POST('/confirm', { body })),
    askConfirmation: () => unwrap(client.POST('/me/confirmation')),
    undo: (rig: number, revision: number) => unwrap(client.POST('/rigs/{rig}/undo', { params: at(rig), body: { revision } })),
    redo: (rig: number, revision: number) => unwrap(client.POST('/rigs/{rig}/redo', { params: at(rig), body: { revision } })),
    name: (rig: number, revision: number, name: string | null) =>
        unwrap(client.PUT('/rigs/{rig}/name', { params: at(rig), body: { revision, name } })),
    remove: (rig: number) => unwrap(client.DELETE('/rigs/{rig}', { params: at(rig) })),
    sweep: (rig: number, travel: string) =>
        unwrap(client.GET('/rigs/{rig}/sweep', { params: { ...at(rig), query: { travel } } })).then(unpacked),
    light: (rig: number) => unwrap(client.GET('/rigs/{rig}/light', { params: at(rig) })),
    lightSweep: (rig: number, travel: string) =>
        unwrap(client.GET('/rigs/{rig}/light/sweep', { params: { ...at(rig), query: { travel } } })).then(unpacked),
    shots: (rig: number) => unwrap(client.GET('/rigs/{rig}/shots', { params: at(rig) })),
    railProgramAddress: (rig: number) => `/api/rigs/${rig}/rail-program`,
    measureBracketing: (rig: number, body: Schema['MeasureBracketing']) =>
        unwrap(client.POST('/rigs/{rig}/bracketing', { params: at(rig), body })),
    sheet: (rig: number) => unwrap(client.GET('/rigs/{rig}/sheet', { params: at(rig) })),
    sheetAddress: (rig: number, as: 'text' | 'file') => `/api/rigs/${rig}/sheet?as=${as}`,
    derive: (rig: number, reading: paths['/rigs/{rig}/derivation/{reading}']['get']['parameters']['path']['reading']) =>
        unwrap(client.GET('/rigs/{rig}/derivation/{reading}', { params: { path: { rig, reading } } })),
    mends: (rig: number) => unwrap(client.GET('/rigs/{rig}/mends', { params: at(rig) })),
    tray: (rig: number, index: number) => unwrap(client.GET('/rigs/{rig}/tray', { params: { ...at(rig), query: { index } } })),
    find: (kit: number, query: WishQuery) => unwrap(client.GET('/kits/{kit}/find', { params: { ...ofKit(kit), query } })),
    findFirst: (kit: number, query: WishQuery) => unwrap(client.GET('/kits/{kit}/find/first', { params: { ...ofKit(kit), query } })),
    findMissed: (kit: number, query: WishQuery) => unwrap(client.GET('/kits/{kit}/find/missed', { params: { ...ofKit(kit), query } })),
    findNear: (kit: number, query: WishQuery) => unwrap(client.GET('/kits/{kit}/find/near', { params: { ...ofKit(kit), query } })),
    overview: (kit: number) => unwrap(client.GET('/kits/{kit}/overview', { params: ofKit(kit) })),
    setUp: (kit: number, body: SetUpRequest) => unwrap(client.POST('/kits/{kit}/rigs', { params: ofKit(kit), body })),
    wishes: (kit: number) => unwrap(client.GET('/kits/{kit}/wishes', { params: ofKit(kit) })),
    keepWish: (kit: number, name: string, wish: Record<string, unknown>) =>
        unwrap(client.POST('/kits/{kit}/wishes', { params: ofKit(kit), body: { name, wish } })),
    dropWish: (kit: number, wish: number) => unwrap(client.DELETE('/kits/{kit}/wishes/{wish}', { params: { path: { kit, wish } } })),
    card: (kit: number, card: CardName, query: CardQuery) =>
        unwrap(client.GET('/kits/{kit}/cards/{card}', { params: { path: { kit, card }, query } })),
    cardAddress: (kit: number, card: CardName, query: CardQuery) =>
        `/api/kits/${kit}/cards/${card}?${new URLSearchParams(Object.entries({ ...query, as: 'csv' }).map(([name, value]) => [name, String(value)]))}`,
    fileAddress: (rig: number) => `/api/rigs/${rig}/file`,
};
