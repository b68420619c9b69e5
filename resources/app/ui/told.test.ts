import { expect, test } from 'vitest';
import { told } from './told';

test('what is told goes to whoever watches, once a change, and to nobody who has gone', () => {
    const hand = told<{ row: number }>();
    const rows: (number | null)[] = [];
    const leave = hand.watch(() => rows.push(hand.read()?.row ?? null));
    const step = { row: 1 };
    expect(hand.read()).toBeNull();
    hand.hold(step);
    hand.hold(step);
    hand.hold(null);
    expect(rows).toEqual([1, null]);
    leave();
    hand.hold(step);
    expect(rows).toEqual([1, null]);
    expect(hand.read()).toBe(step);
});
