import type { Exif } from '../offline/outings';
import { exifOf } from '../picture/exif';
import { pieceOf } from './pieceOf';
import type { Box, Size } from './view';

/** A picture that was opened. It stays in the browser: only boxes of it are sent. */
export interface Opened {
    name: string;
    bitmap: ImageBitmap;
    width: number;
    height: number;
    exif: Exif | null;
    /** Pixels of the whole frame, where the file itself says that it is a piece of one. */
    whole: Size;
}

/** Pixels of a box, at the most. */
export const mostPixels = 3_000_000;

/** A file as a picture, at its own pixels and unturned; null = the browser can’t read it. */
export async function opened(file: Blob, name: string): Promise<Opened | null> {
    try {
        const [bitmap, exif, whole] = await Promise.all([
            createImageBitmap(file, { imageOrientation: 'none', colorSpaceConversion: 'none' }),
            file instanceof File ? exifOf(file) : null,
            pieceOf(file),
        ]);
        return {
            name,
            bitmap,
            width: bitmap.width,
            height: bitmap.height,
            exif,
            whole: whole ?? { width: bitmap.width, height: bitmap.height },
        };
    } catch {
        return null;
    }
}

/** The box and nothing else, every pixel as it is. */
export function cut({ bitmap }: Opened, box: Box): Promise<Blob> {
    const canvas = document.createElement('canvas');
    canvas.width = box.width;
    canvas.height = box.height;
    canvas.getContext('2d')?.drawImage(bitmap, box.x, box.y, box.width, box.height, 0, 0, box.width, box.height);
    return new Promise((done, fail) =>
        canvas.toBlob((blob) => (blob ? done(blob) : fail(new Error('This browser can’t cut a box out of the picture.'))), 'image/png'),
    );
}
