import { expect, test } from 'vitest';
import { once, told } from './told';

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

test('a step is worked out once, anew for the next one, and for each thing by itself', () => {
    const asked: string[] = [];
    const of = once((thing: { name: string }, held: number | null) => asked.push(`${thing.name} ${String(held)}`));
    const [one, other] = [{ name: 'one' }, { name: 'other' }];
    expect([of(one, null), of(one, null), of(one, 3), of(other, 3), of(one, 3), of(one, 4), of(one, null)]).toEqual([1, 1, 2, 3, 2, 4, 5]);
    expect(asked).toEqual(['one null', 'one 3', 'other 3', 'one 4', 'one null']);
});
