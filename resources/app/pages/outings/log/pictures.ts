import type { Exif, Picture } from '../../../offline/outings';

/** Characters of a small picture, as its file has room for (rig format, "entry"). */
const most = 60_000;

/** Longer sides and qualities that are tried, the best first, px. */
const tries = [
    [480, 0.82],
    [480, 0.65],
    [360, 0.7],
    [240, 0.7],
    [160, 0.6],
] as const;

const tags = ['FNumber', 'ExposureTime', 'ISO', 'FocalLength', 'DateTimeOriginal', 'OffsetTimeOriginal', 'Model'];

/** A picture as an entry names it. What it is made of stays in the browser; a small one and what its camera wrote are kept. */
export async function pictureOf(file: File): Promise<Picture> {
    const [exif, small] = await Promise.all([exifOf(file), smallOf(file)]);
    return { name: file.name.slice(0, 255), ...(exif === null ? {} : { exif }), ...(small === null ? {} : { small }) };
}

async function exifOf(file: File): Promise<Exif | null> {
    try {
        const { parse } = await import('exifr');
        return exifFrom((await parse(file, { pick: tags, reviveValues: false })) as Record<string, unknown> | undefined);
    } catch {
        // A picture without them, or of a kind that isn’t read, is named all the same.
        return null;
    }
}

/** What a camera wrote, under the names that an entry has for it; null = nothing of it. */
export function exifFrom(found: Readonly<Record<string, unknown>> | undefined): Exif | null {
    if (found === undefined) return null;
    const figure = (name: string, least: number, greatest: number) => {
        const value = found[name];
        return typeof value === 'number' && value >= least && value <= greatest ? value : undefined;
    };
    const text = (name: string) => {
        const value = found[name];
        return typeof value === 'string' && value.trim() !== '' ? value.trim() : undefined;
    };
    const at = /^(\d{4}):(\d\d):(\d\d) (\d\d:\d\d:\d\d)/.exec(text('DateTimeOriginal') ?? '');
    const offset = /^[+-]\d\d:\d\d$/.exec(text('OffsetTimeOriginal') ?? '');
    const exif = {
        takenAt: at === null ? undefined : `${at[1]}-${at[2]}-${at[3]}T${at[4]}${offset?.[0] ?? ''}`,
        aperture: figure('FNumber', 0.5, 256),
        exposureS: figure('ExposureTime', 0, 100_000),
        iso: figure('ISO', 0.01, 10_000_000),
        focalLengthMm: figure('FocalLength', 0.1, 10_000),
        camera: text('Model')?.slice(0, 200),
    };
    const told = Object.entries(exif).filter(([, value]) => value !== undefined);
    return told.length === 0 ? null : Object.fromEntries(told);
}

/** A small one, as a data address; null where the browser can’t read it. */
async function smallOf(file: Blob): Promise<string | null> {
    let bitmap: ImageBitmap;
    try {
        bitmap = await createImageBitmap(file);
    } catch {
        return null;
    }
    const canvas = document.createElement('canvas');
    for (const [side, quality] of tries) {
        const scale = Math.min(1, side / Math.max(bitmap.width, bitmap.height));
        canvas.width = Math.max(1, Math.round(bitmap.width * scale));
        canvas.height = Math.max(1, Math.round(bitmap.height * scale));
        canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
        const small = canvas.toDataURL('image/jpeg', quality);
        if (small.length <= most) {
            bitmap.close();
            return small;
        }
    }
    bitmap.close();
    return null;
}
