import { develop, type Exposure } from './develop';

type Pixels = Uint8ClampedArray<ArrayBuffer>;

let worker: Worker | null = null;
let next = 0;
const waiting = new Map<number, (pixels: Pixels) => void>();

/** Develops a picture beside the page, so that nothing waits for it; what is drawn on its sheets is handed over. */
export function developed(exposure: Exposure): Promise<Pixels> {
    if (typeof Worker === 'undefined') return Promise.resolve(develop(exposure));
    if (!worker) {
        worker = new Worker(new URL('./develop.worker.ts', import.meta.url), { type: 'module' });
        worker.onmessage = ({ data }: MessageEvent<{ id: number; pixels: Pixels }>) => {
            waiting.get(data.id)?.(data.pixels);
            waiting.delete(data.id);
        };
    }
    const id = next++;
    const by = worker;
    return new Promise((resolve) => {
        waiting.set(id, resolve);
        by.postMessage(
            { id, exposure },
            exposure.sheets.map(({ pixels }) => pixels.buffer),
        );
    });
}
