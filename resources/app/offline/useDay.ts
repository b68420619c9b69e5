import { useCallback, useEffect, useRef, useState } from 'react';
import { api, Away, Refused, type Schema } from '../api/client';
import { again, isForLater, keepPage } from './later';
import { nowHere } from './outings';
import { answersOf, dayHere, dropAnswers, keepAnswer, keepDay, type Day, type Given } from './practice';

/** What becomes of an answer: how good it was, null while it waits on this device. */
export type Judged = Schema['AnsweredView'] | null;

export interface DayState {
    /** Undefined while it is being looked for; null = there is none, here or at home. */
    day: Day | null | undefined;
    /** Why there is none. */
    trouble: string | null;
    /** Whoever isn’t signed in has no day. */
    isStranger: boolean;
    isHome: boolean;
    waiting: number;
    answer: (question: Schema['PracticeQuestionView'], answer: Answer | null) => Promise<Judged>;
    /** Hands out what comes next. */
    more: () => Promise<void>;
}

export type Answer = Pick<Schema['AnswerQuestion'], 'guess' | 'low' | 'high'>;

/**
 * A day’s questions: they lie on this device, so that they are answered without a network too; answers go home by themselves, in order, once.
 *
 * @param kit the kit that was chosen; null = the first
 */
export function useDay(kit: number | null): DayState {
    const [day, setDay] = useState<Day | null | undefined>(undefined);
    const [trouble, setTrouble] = useState<string | null>(null);
    const [isStranger, setStranger] = useState(false);
    const [isHome, setHome] = useState(true);
    const [waiting, setWaiting] = useState(0);
    const sending = useRef<Promise<Judged> | null>(null);

    /** Sends what waits, and tells what became of the last of it. */
    const sendAll = useCallback(async (person: number): Promise<Judged> => {
        let last: Judged = null;
        try {
            const all = await answersOf(person);
            for (const each of all.filter(({ sent }) => !sent)) {
                try {
                    last = await api.answerQuestion(each.question, each.answer);
                    await keepAnswer({ ...each, sent: true });
                } catch (error) {
                    // Whoever else is signed in here by now has no such question: it stays until its own person is back.
                    const isAnothers = error instanceof Refused && error.status === 404 && (await api.me()).id !== person;
                    if (isForLater(error) || isAnothers) throw error;
                    // A question that isn’t asked any more, or one of a kit that is gone: its answer counts for nothing.
                    await dropAnswers([each]);
                }
            }
            setHome(true);
        } catch (error) {
            setHome(!(error instanceof Away));
            last = null;
        }
        setWaiting((await answersOf(person)).filter(({ sent }) => !sent).length);
        return last;
    }, []);

    const send = useCallback(
        async (person: number): Promise<Judged> => {
            // One after the other: what is given meanwhile goes with the next round.
            const before = sending.current;
            const mine = (before ?? Promise.resolve(null)).then(() => sendAll(person));
            sending.current = mine;
            return mine;
        },
        [sendAll],
    );

    const load = useCallback(async () => {
        const here = await dayHere();
        try {
            const person = await api.me();
            await send(person.id);
            const kits = await api.kits();
            const chosen = kits.find(({ id }) => id === kit) ?? kits[0];
            if (chosen === undefined) {
                setDay(null);
                return;
            }
            const fresh = { person, kit: { id: chosen.id, name: chosen.name }, view: await api.handOutPractice(chosen.id) };
            await dropAnswers((await answersOf(person.id)).filter(({ sent }) => sent));
            await keepDay(fresh);
            setDay(fresh);
            setHome(true);
            void keepPage('/practice');
        } catch (error) {
            const isAway = error instanceof Away;
            setHome(!isAway);
            setStranger(error instanceof Refused && error.status === 401);
            setTrouble(error instanceof Error ? error.message : String(error));
            if (isAway && here) {
                const given = await answersOf(here.person.id);
                setWaiting(given.filter(({ sent }) => !sent).length);
                setDay({ ...here, view: { ...here.view, questions: here.view.questions.filter((each) => !isGiven(given, each)) } });
            } else {
                setDay(null);
            }
        }
    }, [kit, send]);

    useEffect(() => {
        void load();
    }, [load]);

    const person = day?.person.id;
    useEffect(() => {
        if (person === undefined || waiting === 0) return;
        const now = () => void send(person);
        addEventListener('online', now);
        const timer = setInterval(now, again);
        return () => {
            removeEventListener('online', now);
            clearInterval(timer);
        };
    }, [person, waiting, send]);

    const answer = useCallback(
        async (question: Schema['PracticeQuestionView'], given: Answer | null): Promise<Judged> => {
            if (person === undefined) return null;
            const body = { round: question.round, guess: null, ...given, at: nowHere() };
            await keepAnswer({ question: question.id, round: question.round, person, order: Date.now(), answer: body, sent: false });
            setWaiting((count) => count + 1);
            const judged = await send(person);
            if (judged) setDay((before) => before && { ...before, view: { ...before.view, skills: judged.skills } });
            return judged;
        },
        [person, send],
    );

    return { day, trouble, isStranger, isHome, waiting, answer, more: load };
}

const isGiven = (given: readonly Given[], each: Schema['PracticeQuestionView']) =>
    given.some(({ question, round }) => question === each.id && round === each.round);
