import type { Picture } from '../../../offline/outings';
import { exifOf } from '../../../picture/exif';

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

/** A picture as an entry names it. What it is made of stays in the browser; a small one and what its camera wrote are kept. */
export async function pictureOf(file: File): Promise<Picture> {
    const [exif, small] = await Promise.all([exifOf(file), smallOf(file)]);
    return { name: file.name.slice(0, 255), ...(exif === null ? {} : { exif }), ...(small === null ? {} : { small }) };
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
