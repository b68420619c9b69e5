import { leastRadius, leastSigma, overDisc, overGaussian, type Plane } from './blur';
import { toLight, toScreen } from './light';

/** One slab as it was drawn, sharp: red, green, blue and cover, 0 to 255, and its disc. */
export interface Sheet {
    pixels: Uint8ClampedArray<ArrayBuffer>;
    /** Where it lies in the picture with its margin, and how large it is, px: around it, it is clear. */
    x: number;
    y: number;
    width: number;
    height: number;
    /** px */
    radius: number;
}

export interface Exposure {
    width: number;
    height: number;
    /** Drawn beyond the frame on every side, so that what lies there blurs into it, px. */
    margin: number;
    /** The furthest first: each has all that is nearer drawn on it too, so no seam lets through what is behind. */
    sheets: Sheet[];
    /** Of the blur that is everywhere, px. */
    sigma: number;
    /** From the middle to the corner. */
    brightness: readonly number[];
}

/** A picture of sheets at their distances: each over its disc, one before the other, all over the Gaussian, darker towards the corner. */
export function develop({ width, height, margin, sheets, sigma, brightness }: Exposure): Uint8ClampedArray<ArrayBuffer> {
    const across = width + 2 * margin;
    const down = height + 2 * margin;
    let sum: Plane = { width: across, height: down, data: new Float32Array(across * down * 4) };
    for (const sheet of sheets) {
        const sharp: Plane = { width: sheet.width, height: sheet.height, data: lit(sheet.pixels) };
        const { data } = sheet.radius < leastRadius ? sharp : overDisc(sharp, sheet.radius);
        for (let y = 0; y < sheet.height; y++) {
            let to = ((sheet.y + y) * across + sheet.x) * 4;
            const end = (y + 1) * sheet.width * 4;
            for (let i = y * sheet.width * 4; i < end; i += 4) {
                const through = 1 - (data[i + 3] ?? 0);
                for (let c = 0; c < 4; c++) sum.data[to + c] = (data[i + c] ?? 0) + (sum.data[to + c] ?? 0) * through;
                to += 4;
            }
        }
    }
    if (sigma >= leastSigma) sum = overGaussian(sum, sigma);
    const out = new Uint8ClampedArray(width * height * 4);
    const corner = Math.hypot(width, height) / 2;
    for (let y = 0; y < height; y++) {
        for (let x = 0; x < width; x++) {
            const from = ((y + margin) * across + x + margin) * 4;
            const light = between(brightness, Math.hypot(x + 0.5 - width / 2, y + 0.5 - height / 2) / corner);
            const to = (y * width + x) * 4;
            for (let c = 0; c < 3; c++) out[to + c] = toScreen((sum.data[from + c] ?? 0) * light);
            out[to + 3] = 255;
        }
    }
    return out;
}

function lit(pixels: Uint8ClampedArray): Float32Array {
    const data = new Float32Array(pixels.length);
    for (let i = 0; i < pixels.length; i += 4) {
        const cover = (pixels[i + 3] ?? 0) / 255;
        for (let c = 0; c < 3; c++) data[i + c] = (toLight[pixels[i + c] ?? 0] ?? 0) * cover;
        data[i + 3] = cover;
    }
    return data;
}

/** A table of places of equal distance, read between them. */
function between(table: readonly number[], share: number): number {
    if (table.length === 0) return 1;
    const place = Math.min(1, share) * (table.length - 1);
    const low = Math.floor(place);
    const from = table[low] ?? 1;
    return from + ((table[low + 1] ?? from) - from) * (place - low);
}
