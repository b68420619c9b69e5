import { describe, expect, test } from 'vitest';
import { changedIn, followed } from './following';

const registers = new Map([
    ['mirror 46', 46.5],
    ['short 18', 18],
]);
const none = new Set<string>();

describe('what follows from a joint that was chosen', () => {
    const closeUp = { kind: 'close-up-lens', rear: 'thread:52x0.75', front: 'thread:52x0.75', powerD: 2 };

    test('a close-up lens on a chosen thread is on that thread at both ends', () => {
        expect(followed('close-up-lens', closeUp, { ...closeUp, rear: 'thread:58x0.75' }, none, registers)).toEqual({
            ...closeUp,
            rear: 'thread:58x0.75',
            front: 'thread:58x0.75',
        });
    });

    test('an end that was chosen by hand, or was another one from the start, stays', () => {
        const after = { ...closeUp, rear: 'thread:58x0.75' };
        expect(followed('close-up-lens', closeUp, after, new Set(['front']), registers)['front']).toBe('thread:52x0.75');
        const step = { ...closeUp, front: 'thread:49x0.75' };
        expect(followed('close-up-lens', step, { ...step, rear: 'thread:58x0.75' }, none, registers)['front']).toBe('thread:49x0.75');
        const adapter = { kind: 'adapter', rear: 'tern', front: 'tern' };
        expect(followed('adapter', adapter, { ...adapter, rear: 'larch' }, none, registers)['front']).toBe('tern');
    });

    test('the register follows the joint of a lens and of a camera, unless it was typed or is not known', () => {
        const lens = { kind: 'lens', rear: 'mirror 46', registerMm: 46.5 };
        const short = { ...lens, rear: 'short 18' };
        expect(followed('lens', lens, short, none, registers)['registerMm']).toBe(18);
        expect(followed('lens', lens, short, new Set(['registerMm']), registers)['registerMm']).toBe(46.5);
        expect(followed('lens', lens, { ...lens, rear: 'wren' }, none, registers)['registerMm']).toBe(46.5);
        const camera = { kind: 'camera', joint: 'short 18', registerMm: 18 };
        expect(followed('camera', camera, { ...camera, joint: 'mirror 46' }, none, registers)['registerMm']).toBe(46.5);
        const tube = { kind: 'tube', rear: 'mirror 46', front: 'mirror 46', lengthMm: 10 };
        expect(followed('tube', tube, { ...tube, rear: 'short 18' }, none, registers)).not.toHaveProperty('registerMm');
    });

    test('nothing follows from anything else', () => {
        const after = { ...closeUp, powerD: 4 };
        expect(followed('close-up-lens', closeUp, after, none, registers)).toBe(after);
    });

    test('changed fields are named once, by their outer name', () => {
        expect(changedIn({ a: 1, b: { c: 1 } }, { a: 1, b: { c: 2 }, d: 0 })).toEqual(['b', 'd']);
        expect(changedIn({ a: [1] }, { a: [1] })).toEqual([]);
    });
});
