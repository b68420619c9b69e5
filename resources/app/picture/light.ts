/** What a screen's 0 to 255 is in light, 0 to 1 (IEC 61966-2-1). */
export const toLight = Float32Array.from({ length: 256 }, (_, n) => {
    const v = n / 255;
    return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
});

const steps = 4096;

const back = Uint8ClampedArray.from({ length: steps + 1 }, (_, n) => {
    const v = n / steps;
    return Math.round(255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055));
});

/** And light on a screen. */
export const toScreen = (light: number): number => back[Math.max(0, Math.min(steps, Math.round(light * steps)))] ?? 0;
