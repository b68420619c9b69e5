import { develop, type Exposure } from './develop';

onmessage = ({ data }: MessageEvent<{ id: number; exposure: Exposure }>) => {
    const pixels = develop(data.exposure);
    postMessage({ id: data.id, pixels }, { transfer: [pixels.buffer] });
};
