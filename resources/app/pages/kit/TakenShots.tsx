import type { Schema } from '../../api/client';
import { strings } from '../../strings/index';
import { kit as kitWords } from '../../strings/kit';
import { digits } from '../../ui/figures';

interface Props {
    shots: readonly Schema['ShotView'][];
    /** How many of them are kept; the rest are a preview. */
    kept: number;
    busy: boolean;
    onTakeBack: (index: number) => void;
}

const say = kitWords.measure;

/** How a shot was taken, in words. */
function taken(shot: Schema['ShotView']): string {
    return [
        shot.note,
        shot.window ? null : `${digits(shot.spacersMm)} mm`,
        shot.reversed ? say.turned : null,
        shot.focus === 1 ? say.closest : shot.focus > 0 ? say.ringAt(`${digits(shot.focus * 100)} %`) : null,
    ]
        .filter(Boolean)
        .join(' · ');
}

function told(shot: Schema['ShotView'], reading: Schema['ShotReading'], value: number): string {
    if (reading.reading === 'magnification') return shot.window ? say.windowAt(`${digits(shot.spacersMm)} mm`) : `${value.toPrecision(3)}×`;
    return `${value.toFixed(1)} mm ${reading.reading === 'workingDistanceMm' ? say.away : say.fromSensor}`;
}

/** Every shot as it was measured, beside what the lens as settled would have shown, and one press that takes it back. */
export function TakenShots({ shots, kept, busy, onTakeBack }: Props) {
    if (shots.length === 0) return <p className="text-sm text-soft">{say.none}</p>;
    return (
        <table className="w-full text-sm" aria-label={say.taken}>
            <thead>
                <tr className="border-b border-line text-left text-xs text-soft">
                    {[say.when, say.rig, say.measured, say.settled].map((head) => (
                        <th key={head} scope="col" className={`pr-3 pb-1 font-normal ${head === say.when ? 'max-sm:hidden' : ''}`}>
                            {head}
                        </th>
                    ))}
                    <th />
                </tr>
            </thead>
            <tbody>
                {shots.map((shot) => (
                    <tr key={shot.index} className="border-b border-line align-top">
                        <td className="figures py-1.5 pr-3 whitespace-nowrap text-soft max-sm:hidden">
                            {shot.at ?? strings.readings.none}
                        </td>
                        <td className="py-1.5 pr-3">
                            {taken(shot)}
                            {shot.at !== null && <span className="figures block text-xs text-soft sm:hidden">{shot.at}</span>}
                        </td>
                        <td className="figures py-1.5 pr-3 whitespace-nowrap">
                            {shot.readings.map((reading) => (
                                <span key={reading.reading} className="block">
                                    {told(shot, reading, reading.measured)}
                                </span>
                            ))}
                        </td>
                        <td className="figures py-1.5 pr-3 whitespace-nowrap">
                            {shot.readings.map((reading) => (
                                <span key={reading.reading} className={`block ${reading.odd ? 'font-semibold' : 'text-soft'}`}>
                                    {reading.settled === null
                                        ? say.nothing
                                        : shot.window
                                          ? strings.readings.none
                                          : told(shot, reading, reading.settled)}
                                    {reading.odd && ` · ${say.odd}`}
                                </span>
                            ))}
                        </td>
                        <td className="py-1 text-right">
                            {shot.index < kept && (
                                <button
                                    type="button"
                                    className="py-0.5 text-beam underline underline-offset-2 disabled:text-soft"
                                    disabled={busy}
                                    aria-label={say.takeBackOf(shot.index + 1)}
                                    onClick={() => onTakeBack(shot.index)}
                                >
                                    {say.takeBack}
                                </button>
                            )}
                        </td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}
