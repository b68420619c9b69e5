import type { Schema } from '../../api/client';
import { strings } from '../../strings/index';
import { phrase, stops, type Units } from '../../ui/figures';
import { said } from './guess';

const say = strings.practice;

/** How far off, in words: stops of light, otherwise a share. */
export const offSaid = (skill: string, off: number) =>
    skill === 'light'
        ? off < 1 / 6
            ? `0.${Math.round(off * 10)} stop`
            : stops(off)
        : `${off < 0.095 ? (off * 100).toFixed(off < 0.0095 ? 1 : 0) : Math.round(off * 100)}\u2009%`;

/** What is true, the reason in one sentence, and how near the rule of thumb comes here. */
export function Told({ asked, truth, units }: { asked: Schema['AskedView']; truth: Schema['TruthView']; units: Units }) {
    const { thumb, thumbOff } = truth;
    const word = asked.options[truth.truth];
    return (
        <>
            <p className="text-base font-semibold text-madder">{say.truth(word ?? said(asked.unit, truth.truth, units))}</p>
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
