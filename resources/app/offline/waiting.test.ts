import { describe, expect, test } from 'vitest';
import { waitingSet, waitingValues, type WaitingStep } from './waiting';

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
        expect(waitingSet([draw, step('remove', { place: 0 })])).toBeNull();
        expect(waitingSet([step('remove', { place: 0 }), draw])).toBeNull();
        expect(waitingSet([])).toBeNull();
    });

    test('every control stands where it was left, whatever else waits', () => {
        const values = waitingValues([
            step('set', { travel: '1.length', value: 40 }),
            step('remove', { place: 0 }),
            step('set', { travel: '2.focus', value: 0 }),
            step('set', { travel: '1.length', value: 50 }),
        ]);
        expect([...values]).toEqual([
            ['1.length', 50],
            ['2.focus', 0],
        ]);
    });
});
