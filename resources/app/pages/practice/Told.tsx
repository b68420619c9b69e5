import type { Schema } from '../../api/client';
import { practice as practiceWords } from '../../strings/practice';
import { phrase, type Units } from '../../ui/figures';
import { offSaid, said } from './guess';

const say = practiceWords.practice;

/** What is true, the reason in one sentence, and how near the rule of thumb comes here. */
export function Told({ asked, truth, units }: { asked: Schema['AskedView']; truth: Schema['TruthView']; units: Units }) {
    const { thumb, thumbOff } = truth;
    const word = asked.options[truth.truth];
    return (
        <>
            <p className="text-base font-semibold text-madder">
                {word === undefined ? say.truth(said(asked.unit, truth.truth, units)) : say.right(word)}
            </p>
            <p className="pt-1 text-base">{phrase(truth.reason, truth.reasonNumbers, units)}</p>
            <p className="pt-1 text-sm text-soft">
                {say.thumb(truth.thumbWords)}{' '}
                {thumb !== null &&
                    thumbOff !== null &&
                    (thumbOff < 0.005
                        ? say.thumbExact(said(asked.unit, thumb, units))
                        : say.thumbIs(said(asked.unit, thumb, units), offSaid(asked.skill, thumbOff)))}
            </p>
        </>
    );
}
