/** A picture in linear light: red, green, blue and cover of each pixel one after the other, colours multiplied by the cover. */
export interface Plane {
    width: number;
    height: number;
    data: Float32Array;
}

/** A disc so small changes nothing that a pixel could show, px. */
export const leastRadius = 0.2;

/** A disc of more than twice so many pixels is laid over a smaller picture: nothing that is lost by that would be left by the disc. */
const fine = 3;

/** Every point of a plane spread evenly over a disc, however wide, px. */
export function overDisc(plane: Plane, radius: number): Plane {
    if (radius < 2 * fine) return overFineDisc(plane, radius);
    const by = 2 ** Math.floor(Math.log2(radius / fine));
    // Going down and up again spreads a point by itself, as much as a disc of radius 1 would there: that much less is left to do.
    return enlarged(overFineDisc(reduced(plane, by), Math.sqrt((radius / by) ** 2 - 1)), by, plane.width, plane.height);
}

/** Each so many by so many pixels as one; at the right and the lower edge of those that there are. */
function reduced({ width, height, data }: Plane, by: number): Plane {
    const [w, h] = [Math.ceil(width / by), Math.ceil(height / by)];
    const out = new Float32Array(w * h * 4);
    for (let y = 0; y < h; y++) {
        for (let x = 0; x < w; x++) {
            const [right, low] = [Math.min(width, (x + 1) * by), Math.min(height, (y + 1) * by)];
            const share = 1 / ((right - x * by) * (low - y * by));
            const to = (y * w + x) * 4;
            for (let v = y * by; v < low; v++)
                for (let u = x * by; u < right; u++)
                    for (let c = 0; c < 4; c++) out[to + c] = (out[to + c] ?? 0) + (data[(v * width + u) * 4 + c] ?? 0) * share;
        }
    }
    return { width: w, height: h, data: out };
}

/** Back to its size, evenly between the middles of the pixels. */
function enlarged({ width: w, height: h, data }: Plane, by: number, width: number, height: number): Plane {
    const out = new Float32Array(width * height * 4);
    for (let y = 0; y < height; y++) {
        const v = Math.max(0, Math.min(h - 1, (y + 0.5) / by - 0.5));
        const top = Math.floor(v);
        const low = Math.min(h - 1, top + 1);
        for (let x = 0; x < width; x++) {
            const u = Math.max(0, Math.min(w - 1, (x + 0.5) / by - 0.5));
            const left = Math.floor(u);
            const right = Math.min(w - 1, left + 1);
            for (let c = 0; c < 4; c++) {
                const above = mix(data[(top * w + left) * 4 + c] ?? 0, data[(top * w + right) * 4 + c] ?? 0, u - left);
                const below = mix(data[(low * w + left) * 4 + c] ?? 0, data[(low * w + right) * 4 + c] ?? 0, u - left);
                out[(y * width + x) * 4 + c] = mix(above, below, v - top);
            }
        }
    }
    return { width, height, data: out };
}

const mix = (one: number, other: number, share: number): number => one + (other - one) * share;

/**
 * Every point of a plane spread evenly over a disc: row by row, each as wide as the disc's chord there, its ends by the share of the
 * pixel that they cover. What lies outside counts as the pixel at the edge.
 *
 * @param radius of the disc, px
 */
function overFineDisc({ width, height, data }: Plane, radius: number): Plane {
    const out = new Float32Array(data.length);
    // Small discs are cut into more rows than there are pixels.
    const cut = Math.max(1, Math.min(8, Math.ceil(3 / radius)));
    const reach = Math.ceil(radius - 0.5 + 1e-9);
    const chords: { down: number; half: number }[] = [];
    let area = 0;
    for (let dy = -reach; dy <= reach; dy++) {
        for (let k = 0; k < cut; k++) {
            const y = dy + (k + 0.5) / cut - 0.5;
            const half2 = radius * radius - y * y;
            if (half2 <= 0) continue;
            const half = Math.sqrt(half2);
            chords.push({ down: dy, half });
            area += 2 * half;
        }
    }
    if (area === 0) return { width, height, data: data.slice() };
    const sums = prefixes({ width, height, data });
    const stride = (width + 1) * 4;
    const share = 1 / area;
    const line = new Float64Array(width * 4);
    for (let y = 0; y < height; y++) {
        line.fill(0);
        for (const { down, half } of chords) addChord(line, sums, Math.max(0, Math.min(height - 1, y + down)) * stride, width, half);
        const to = y * width * 4;
        for (let i = 0; i < line.length; i++) out[to + i] = (line[i] ?? 0) * share;
    }
    return { width, height, data: out };
}

/** Sums along each row up to every pixel, and one place more. */
function prefixes({ width, height, data }: Plane): Float64Array {
    const sums = new Float64Array((width + 1) * height * 4);
    for (let y = 0; y < height; y++) {
        let to = y * (width + 1) * 4 + 4;
        let from = y * width * 4;
        for (let x = 0; x < width; x++) {
            for (let c = 0; c < 4; c++) sums[to + c] = (sums[to + c - 4] ?? 0) + (data[from + c] ?? 0);
            to += 4;
            from += 4;
        }
    }
    return sums;
}

/** What lies within half a chord to either side of each pixel of a row, added to a line. */
function addChord(line: Float64Array, sums: Float64Array, start: number, width: number, half: number): void {
    // Whole numbers that are known to be whole: what finds its place by them is three times as quick.
    const whole = Math.trunc(half + 0.5) | 0;
    const part = half + 0.5 - whole;
    const last = start + width * 4;
    // Where both ends lie within the row nothing has to be asked.
    const from = Math.min(width, whole) | 0;
    const to = Math.max(from, width - whole) | 0;
    const rest = 1 - part;
    const reach = (start + whole * 4) | 0;
    const back = (start - whole * 4) | 0;
    for (let i = from * 4; i < to * 4; i++) {
        line[i] =
            (line[i] ?? 0) +
            (sums[reach + i] ?? 0) * rest +
            (sums[reach + i + 4] ?? 0) * part -
            (sums[back + i] ?? 0) * part -
            (sums[back + i + 4] ?? 0) * rest;
    }
    for (let x = 0; x < width; x++) {
        if (x === from) x = to;
        if (x >= width) break;
        // The chord goes from x + 0.5 - half to x + 0.5 + half, in pixels from the row's left end.
        for (let c = 0; c < 4; c++) {
            line[x * 4 + c] =
                (line[x * 4 + c] ?? 0) +
                at(sums, start, last, x + whole, part, c, width) -
                at(sums, start, last, x - whole, rest, c, width);
        }
    }
}

/** The sum up to a place between two pixels; beyond the ends the pixel at the edge goes on. */
function at(sums: Float64Array, start: number, last: number, place: number, part: number, c: number, width: number): number {
    if (place < 0) return ((sums[start + 4 + c] ?? 0) - (sums[start + c] ?? 0)) * (place + part);
    if (place >= width) return (sums[last + c] ?? 0) + ((sums[last + c] ?? 0) - (sums[last - 4 + c] ?? 0)) * (place - width + part);
    const low = sums[start + place * 4 + c] ?? 0;
    return low + ((sums[start + place * 4 + 4 + c] ?? 0) - low) * part;
}

/** A Gaussian so narrow changes nothing that a pixel could show, px. */
export const leastSigma = 0.12;

/** Every point of a plane spread over a Gaussian. */
export function overGaussian(plane: Plane, sigma: number): Plane {
    const reach = Math.ceil(3 * sigma + 0.5);
    const kernel: number[] = [];
    for (let k = -reach; k <= reach; k++) kernel.push(normal((k + 0.5) / sigma) - normal((k - 0.5) / sigma));
    const sum = kernel.reduce((a, b) => a + b, 0);
    const weights = kernel.map((each) => each / sum);
    return along(along(plane, weights, reach, 4, 1), weights, reach, plane.width * 4, plane.height === 0 ? 1 : plane.height);
}

function along({ width, height, data }: Plane, weights: readonly number[], reach: number, step: number, rows: number): Plane {
    const out = new Float32Array(data.length);
    const across = rows === 1;
    const count = across ? width : height;
    for (let y = 0; y < height; y++) {
        for (let x = 0; x < width; x++) {
            const own = across ? x : y;
            const here = (y * width + x) * 4;
            for (let k = -reach; k <= reach; k++) {
                const from = here + (Math.max(0, Math.min(count - 1, own + k)) - own) * step;
                const weight = weights[k + reach] ?? 0;
                for (let c = 0; c < 4; c++) out[here + c] = (out[here + c] ?? 0) + weight * (data[from + c] ?? 0);
            }
        }
    }
    return { width, height, data: out };
}

/** The normal distribution up to z, by Abramowitz and Stegun 7.1.26: good to 1e-7. */
function normal(z: number): number {
    const x = Math.abs(z) / Math.SQRT2;
    const t = 1 / (1 + 0.3275911 * x);
    const tail = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) * Math.exp(-x * x);
    return z < 0 ? tail / 2 : 1 - tail / 2;
}
