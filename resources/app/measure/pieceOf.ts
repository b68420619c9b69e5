import type { Size } from './view';

const head = [137, 80, 78, 71, 13, 10, 26, 10];

/** No words of ours stand further in than so many bytes. */
const most = 65_536;

/**
 * How large the whole frame is that a picture is a piece of: frames of the made-up camera say so in words inside (PNG specification,
 * `iTXt`); null = it doesn't say.
 */
export async function pieceOf(file: Blob): Promise<Size | null> {
    const bytes = new Uint8Array(await file.slice(0, most).arrayBuffer());
    if (!head.every((byte, n) => bytes[n] === byte)) return null;
    const view = new DataView(bytes.buffer);
    const text = new TextDecoder();
    for (let at = head.length; at + 12 <= bytes.length;) {
        const length = view.getUint32(at);
        if (text.decode(bytes.subarray(at + 4, at + 8)) === 'iTXt') {
            const words = text.decode(bytes.subarray(at + 8, at + 8 + length));
            if (words.startsWith('Comment\0')) return sizeIn(words.slice(words.lastIndexOf('\0') + 1));
        }
        at += 12 + length;
    }
    return null;
}

function sizeIn(words: string): Size | null {
    try {
        const told = JSON.parse(words) as { columns?: unknown; rows?: unknown };
        return typeof told.columns === 'number' && typeof told.rows === 'number' ? { width: told.columns, height: told.rows } : null;
    } catch {
        return null;
    }
}
