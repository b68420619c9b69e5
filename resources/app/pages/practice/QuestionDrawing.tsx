import { useRef } from 'react';
import type { Schema } from '../../api/client';
import { RigLine } from '../../drawing/RigLine';
import { rigOutline } from '../../drawing/rigOutline';
import { practice as practiceWords } from '../../strings/practice';
import { length, type Units } from '../../ui/figures';
import { useWidth } from '../../ui/useWidth';

const say = practiceWords.practice;

const [most, high, low] = [820, 236, 170];

/** Room for the words on both sides, px. */
const edge = 44;

interface Props {
    asked: Schema['AskedView'];
    /** Where the plane would be by the guess, and where it is once that is told: mm from the front or the sensor, as it is asked for. */
    guess: number | null;
    truth: number | null;
    units: Units;
}

/** The rig of a question to scale. A plane that is asked for stands where it is guessed. */
export function QuestionDrawing({ asked, guess, truth, units }: Props) {
    const picture = useRef<SVGSVGElement>(null);
    const width = useWidth(picture, most);
    const height = width < 500 ? low : high;
    const drawing = asked.drawing;
    if (drawing === null) return null;
    const { body, drawn, tipMm } = drawing;
    const long = tipMm - body.backMm;
    const tall = Math.max(body.heightMm * 0.8, ...drawn.map((part) => part.outerMm));
    const isAsked = asked.plane !== null;
    const known = drawing.subjectDistanceMm;
    const before = known === null ? 0 : known - tipMm;
    // A drawing that is to be read has all of it, the others the rig and the beginning of the air.
    const whole = drawing.barMm === null ? long / 0.5 : long + before;
    const scale = Math.min((width - 2 * edge) / whole, (height - 60) / tall);
    const tipX = edge + long * scale;
    const axisY = height / 2 - 6;
    const { path } = rigOutline({ body, drawn, tipMm, subjectDistanceMm: tipMm }, scale, tipX, axisY);
    const at = (mm: number) => tipX + (asked.plane === 'sensor' ? mm - tipMm : mm) * scale;
    const place = (x: number) => ({ x: Math.max(tipX, Math.min(width - edge, x)), broken: x > width - edge });
    const shown = isAsked ? (truth ?? guess) : null;
    const plane = isAsked ? (shown === null ? null : place(at(shown))) : known === null ? null : place(tipX + before * scale);
    const guessed = truth !== null && guess !== null && isAsked ? place(at(guess)) : null;
    const bar = drawing.barMm === null ? null : drawing.barMm * scale;
    return (
        <svg
            ref={picture}
            viewBox={`0 0 ${width} ${height}`}
            style={{ height }}
            className="block w-full"
            role="img"
            aria-label={say.drawing(
                drawing.camera,
                drawn.map(({ label }) => label),
            )}
        >
            <RigLine
                path={path}
                tipX={tipX}
                planeX={plane?.x ?? width - edge}
                axisY={axisY}
                top={22}
                bottom={height - 40}
                broken={plane?.broken ?? true}
                plane={plane === null ? null : truth === null && isAsked ? 'guess' : 'true'}
            />
            {guessed && <path d={`M${guessed.x} 34V${height - 52}`} stroke="var(--brass)" strokeWidth={1.6} strokeDasharray="3 4" />}
            {plane !== null && (
                <text x={plane.x} y={14} textAnchor="middle" fontSize={13} fill="var(--madder)">
                    {isAsked && truth === null ? say.where : plane.broken ? say.further : say.plane}
                </text>
            )}
            <path d={`M${tipX - tipMm * scale} ${axisY - 16}v32`} stroke="var(--ink)" strokeWidth={2.4} />
            {bar !== null && drawing.barMm !== null && (
                <>
                    <path
                        d={`M${edge} ${height - 16}h${bar}M${edge} ${height - 21}v10M${edge + bar} ${height - 21}v10`}
                        stroke="var(--ink)"
                        fill="none"
                    />
                    <text x={edge + bar + 8} y={height - 11} fontSize={13} className="figures" fill="var(--ink)">
                        {length(drawing.barMm, units)}
                    </text>
                </>
            )}
        </svg>
    );
}
