import { develop } from './develop';
import { expose, type Shot } from './paint';

const sketch = new OffscreenCanvas(1, 1);

onmessage = ({ data }: MessageEvent<{ id: number; shot: Shot; width: number; height: number }>) => {
    const pixels = develop(expose(data.shot, data.width, data.height, sketch));
    postMessage({ id: data.id, pixels }, { transfer: [pixels.buffer] });
};
