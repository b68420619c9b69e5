import type { DBSchema } from 'idb';
import type { Schema } from '../api/client';
import { opened } from './opened';

/** A day’s questions, as they were handed out when there last was a network. */
export interface Day {
    person: Schema['Person'];
    kit: { id: number; name: string };
    view: Schema['PracticeView'];
}

/** An answer that was given on this device; the first to a round counts, here and at home. */
export interface Given {
    question: number;
    round: number;
    person: number;
    /** What is given first is sent first. */
    order: number;
    answer: Schema['AnswerQuestion'];
    sent: boolean;
}

interface Store extends DBSchema {
    days: { key: number; value: Day };
    answers: { key: [number, number, number]; value: Given };
}

const database = opened<Store>('zinc-thimble-practice', 1, (db) => {
    db.createObjectStore('days');
    db.createObjectStore('answers', { keyPath: ['person', 'question', 'round'] });
});

/** One day lies on a device, that of whoever practised there last. */
export async function keepDay(day: Day): Promise<void> {
    const transaction = (await database()).transaction('days', 'readwrite');
    await transaction.store.clear();
    await transaction.store.put(day, day.person.id);
    await transaction.done;
}

export const dayHere = async (): Promise<Day | undefined> => (await (await database()).getAll('days'))[0];

export async function keepAnswer(given: Given): Promise<void> {
    await (await database()).put('answers', given);
}

/** What somebody answered here, in the order in which they did. */
export async function answersOf(person: number): Promise<Given[]> {
    return (await (await database()).getAll('answers'))
        .filter((given) => given.person === person)
        .sort((one, other) => one.order - other.order);
}

/** What is home and isn’t asked any more needs no place on the device. */
export async function dropAnswers(given: readonly Given[]): Promise<void> {
    const transaction = (await database()).transaction('answers', 'readwrite');
    for (const each of given) await transaction.store.delete([each.person, each.question, each.round]);
    await transaction.done;
}

/** Whoever leaves takes their questions off this device; what isn’t home yet stays until it is. */
export async function forgetPractice(): Promise<void> {
    const transaction = (await database()).transaction(['days', 'answers'], 'readwrite');
    await transaction.objectStore('days').clear();
    for (const each of await transaction.objectStore('answers').getAll()) {
        if (each.sent) await transaction.objectStore('answers').delete([each.person, each.question, each.round]);
    }
    await transaction.done;
}
