import { describe, expect, it } from 'vitest';
import { pieceOf } from './pieceOf';

const chunk = (name: string, body: string) => {
    const bytes = new TextEncoder().encode(body);
    const out = new Uint8Array(12 + bytes.length);
    new DataView(out.buffer).setUint32(0, bytes.length);
    out.set(new TextEncoder().encode(name), 4);
    out.set(bytes, 8);
    return out;
};
const png = (...chunks: Uint8Array[]) =>
    new Blob([new Uint8Array([137, 80, 78, 71, 13, 10, 26, 10]), chunk('IHDR', 'x'.repeat(13)), ...chunks] as BlobPart[]);

describe('a piece of a frame', () => {
    it('says how large the whole is', async () => {
        const words = chunk('iTXt', 'Comment\0\0\0\0\0{"madeUp":true,"columns":6016,"rows":4000}');
        expect(await pieceOf(png(chunk('iTXt', 'Software\0\0\0\0\0Zinc Thimble'), words))).toEqual({ width: 6016, height: 4000 });
    });
    it('says nothing where nobody wrote it in', async () => {
        expect(await pieceOf(png())).toBeNull();
        expect(await pieceOf(png(chunk('iTXt', 'Comment\0\0\0\0\0a fine day')))).toBeNull();
        expect(await pieceOf(new Blob(['no picture at all']))).toBeNull();
    });
});
