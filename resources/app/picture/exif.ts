import type { Exif } from '../offline/outings';

const tags = ['FNumber', 'ExposureTime', 'ISO', 'FocalLength', 'DateTimeOriginal', 'OffsetTimeOriginal', 'Model'];

/** What a camera wrote into a picture; null = nothing, or it can’t be read. */
export async function exifOf(file: File): Promise<Exif | null> {
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
