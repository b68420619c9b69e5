/** A JPEG of the browser’s own with what a camera would have written into it (Exif 2.3, little end first). */
export function withExif(
    jpeg: Buffer,
    told: { takenAt: string; aperture: number; exposure: readonly [number, number]; iso: number; focal: number; camera: string },
): Buffer {
    const fields: [tag: number, type: number, count: number, value: Buffer][] = [
        [0x829a, 5, 1, rational(told.exposure[0], told.exposure[1])],
        [0x829d, 5, 1, rational(Math.round(told.aperture * 10), 10)],
        [0x8827, 3, 1, short(told.iso)],
        [0x9003, 2, 20, Buffer.from(`${told.takenAt}\0`, 'latin1')],
        [0x920a, 5, 1, rational(told.focal, 1)],
    ];
    const camera = Buffer.from(`${told.camera}\0`, 'latin1');
    const head = Buffer.from([0x49, 0x49, 0x2a, 0, 8, 0, 0, 0]);
    // The first directory: the camera, and where the second one begins.
    const first = 8 + 2 + 2 * 12 + 4;
    const second = first + camera.length;
    const ifd0 = Buffer.concat([
        short(2),
        entry(0x0110, 2, camera.length, long(first)),
        entry(0x8769, 4, 1, long(second)),
        long(0),
        camera,
    ]);
    let at = second + 2 + fields.length * 12 + 4;
    const rest: Buffer[] = [];
    const entries = fields.map(([tag, type, count, value]) => {
        if (value.length <= 4) return entry(tag, type, count, Buffer.concat([value, Buffer.alloc(4 - value.length)]));
        const place = at;
        at += value.length;
        rest.push(value);
        return entry(tag, type, count, long(place));
    });
    const tiff = Buffer.concat([head, ifd0, short(fields.length), ...entries, long(0), ...rest]);
    const body = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff]);
    const length = Buffer.alloc(2);
    length.writeUInt16BE(body.length + 2);
    return Buffer.concat([jpeg.subarray(0, 2), Buffer.from([0xff, 0xe1]), length, body, jpeg.subarray(2)]);
}

function short(value: number): Buffer {
    const buffer = Buffer.alloc(2);
    buffer.writeUInt16LE(value);
    return buffer;
}

function long(value: number): Buffer {
    const buffer = Buffer.alloc(4);
    buffer.writeUInt32LE(value);
    return buffer;
}

const rational = (over: number, under: number) => Buffer.concat([long(over), long(under)]);

const entry = (tag: number, type: number, count: number, value: Buffer) => Buffer.concat([short(tag), short(type), long(count), value]);
