import { describe, expect, test } from 'vitest';
import { inPresentShape, waitingSet, waitingValues, type WaitingStep } from './waiting';

const step = (action: string, more: object = {}): WaitingStep => ({
    id: crypto.randomUUID(),
    person: 1,
    rig: 2,
    revision: null,
    step: { action, ...more } as WaitingStep['step'],
    at: 0,
});

describe('what waits on the device', () => {
    test('steps of one control alone come to where it was left last', () => {
        const steps = [step('set', { travel: '1.length', value: 40 }), step('set', { travel: '1.length', value: 60 })];
        expect(waitingSet(steps)).toEqual({ travel: '1.length', value: 60 });
    });

    test('with another control or another step among them no figure can be looked up', () => {
        const draw = step('set', { travel: '1.length', value: 40 });
        expect(waitingSet([draw, step('set', { travel: '2.focus', value: 0.5 })])).toBeNull();
        expect(waitingSet([draw, step('remove', { index: 0 })])).toBeNull();
        expect(waitingSet([step('remove', { index: 0 }), draw])).toBeNull();
        expect(waitingSet([])).toBeNull();
    });

    test('every control stands where it was left, whatever else waits', () => {
        const values = waitingValues([
            step('set', { travel: '1.length', value: 40 }),
            step('remove', { index: 0 }),
            step('set', { travel: '2.focus', value: 0 }),
            step('set', { travel: '1.length', value: 50 }),
        ]);
        expect([...values]).toEqual([
            ['1.length', 50],
            ['2.focus', 0],
        ]);
    });

    test('what an older version kept is sent as it is sent now', () => {
        expect(inPresentShape({ action: 'set', place: null, travel: '1.length', value: 40 })).toEqual(
            step('set', { travel: '1.length', value: 40 }).step,
        );
        expect(inPresentShape({ action: 'remove', place: 0 })).toEqual({ action: 'remove', index: 0 });
        expect(inPresentShape({ action: 'insert', place: 2, parts: [7, 8] })).toEqual({ action: 'insert', index: 2, parts: [7, 8] });
        expect(inPresentShape({ action: 'move', place: 1, value: 3 })).toEqual({ action: 'move', index: 1, to: 3 });
        expect(inPresentShape({ action: 'swap', place: 1, parts: [9] })).toEqual({ action: 'swap', index: 1, part: 9 });
        expect(inPresentShape({ action: 'camera', parts: [4] })).toEqual({ action: 'camera', part: 4 });
        expect(inPresentShape({ action: 'mend', place: 1, code: 'touching', value: 0 })).toEqual({
            action: 'mend',
            index: 1,
            code: 'touching',
            choice: 0,
        });
        expect(inPresentShape({ action: 'solve', wish: 'magnification', value: 1 })).toEqual({
            action: 'solve',
            reading: 'magnification',
            value: 1,
        });
        expect(inPresentShape({ action: 'describe', document: { subject: null } })).toEqual({
            action: 'describe',
            document: { subject: null },
        });
    });
});
