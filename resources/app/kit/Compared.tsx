import type { Schema } from '../api/client';
import { strings } from '../strings/index';
import { kit as kitWords } from '../strings/kit';
import { withHalf } from '../ui/figures';

const say = kitWords.measure;

const plusMinus = (value: number | null, half: number | null, unit: string) =>
    value === null ? strings.readings.infinite : `${withHalf(value, half ?? 0)}${unit}`;

/** Whether anything of a figure is told otherwise than before. */
const moved = (figure: Schema['SettledFigureView']) =>
    withHalf(figure.old, figure.oldHalfWidth) !== withHalf(figure.new, figure.newHalfWidth);

/** Old and new figures side by side, and what they make of the rigs that are kept. */
export function Compared({ view }: { view: Schema['MeasureView'] }) {
    return (
        <>
            <table className="mt-4 w-full border-t-2 border-ink text-sm" aria-label={say.result}>
                <thead>
                    <tr className="text-left text-xs text-soft">
                        <th scope="col" className="py-1 font-normal">
                            {say.figure}
                        </th>
                        <th scope="col" className="text-right font-normal">
                            {say.old}
                        </th>
                        <th scope="col" className="text-right font-normal">
                            {say.new}
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {view.figures.map((figure) => (
                        <tr key={figure.field} className="border-t border-line">
                            <td className="py-1">{figure.label}</td>
                            <td className="figures text-right text-soft">
                                {plusMinus(figure.old, figure.oldHalfWidth, figure.unit === '' ? '' : ` ${figure.unit}`)}
                                {figure.assumed && <span className="block text-xs">{say.assumed}</span>}
                            </td>
                            <td className={`figures text-right ${moved(figure) ? 'font-semibold' : 'text-soft'}`}>
                                {plusMinus(figure.new, figure.newHalfWidth, figure.unit === '' ? '' : ` ${figure.unit}`)}
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
            {view.rigs.length > 0 && (
                <table className="mt-4 w-full border-t-2 border-ink text-sm" aria-label={say.rigs}>
                    <caption className="pt-1 text-left text-xs text-soft">{say.rigs}</caption>
                    <thead>
                        <tr className="text-left text-xs text-soft">
                            <th scope="col" className="py-1 font-normal">
                                {say.rigName}
                            </th>
                            <th scope="col" className="text-right font-normal">
                                {say.old}
                            </th>
                            <th scope="col" className="text-right font-normal">
                                {say.new}
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        {view.rigs.map((rig) => (
                            <tr key={rig.id} className="border-t border-line align-top">
                                <td className="py-1">{rig.name}</td>
                                <td className="figures text-right text-soft">
                                    <span className="block">{plusMinus(rig.oldMagnification, rig.oldMagnificationHalfWidth, '×')}</span>
                                    <span className="block">
                                        {plusMinus(rig.oldWorkingDistanceMm, rig.oldWorkingDistanceHalfWidth, ' mm')}
                                    </span>
                                </td>
                                <td className="figures text-right font-semibold">
                                    <span className="block">{plusMinus(rig.newMagnification, rig.newMagnificationHalfWidth, '×')}</span>
                                    <span className="block">
                                        {plusMinus(rig.newWorkingDistanceMm, rig.newWorkingDistanceHalfWidth, ' mm')}
                                    </span>
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            )}
        </>
    );
}
