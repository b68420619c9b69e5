import { develop } from './develop';
import { expose, type Shot } from './paint';

type Pixels = Uint8ClampedArray<ArrayBuffer>;

let worker: Worker | null = null;
let next = 0;
const waiting = new Map<number, (pixels: Pixels) => void>();

/** Takes and develops a picture beside the page, so that nothing on it waits; on the page where the browser can't draw beside it. */
export function pictured(shot: Shot, width: number, height: number): Promise<Pixels> {
    if (typeof Worker === 'undefined' || typeof OffscreenCanvas === 'undefined')
        return Promise.resolve(develop(expose(shot, width, height, document.createElement('canvas'))));
    if (!worker) {
        worker = new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' });
        worker.onmessage = ({ data }: MessageEvent<{ id: number; pixels: Pixels }>) => {
            waiting.get(data.id)?.(data.pixels);
            waiting.delete(data.id);
        };
    }
    const id = next++;
    const by = worker;
    return new Promise((resolve) => {
        waiting.set(id, resolve);
        by.postMessage({ id, shot, width, height });
    });
}
