import type { Schema } from '../api/client';
import { pictures as picturesWords } from '../strings/pictures';
import { digits, fNumber, magnification } from '../ui/figures';
import { TrialCurve } from './TrialCurve';

const say = picturesWords.trial;

/** What a trial tells: its curve, the sharpest stop, and what that changes. */
export function TrialTold({ trial }: { trial: Schema['TrialView'] }) {
    const tell = (what: Schema['TrialChange']['what'], value: number | null) =>
        value === null ? '—' : what === 'single' || what === 'stack' ? fNumber(value) : `${digits(value * 1000)}\u2009µm`;
    return (
        <div className="grid gap-3">
            <TrialCurve trial={trial} />
            <p className="border-l-[3px] border-verdigris pl-2 text-sm">
                <span className="font-semibold" data-testid="sharpest">
                    {say.sharpest(fNumber(trial.sharpest), trial.lens, magnification(trial.magnification))}
                </span>{' '}
                {trial.asSharp.length > 1 && say.asSharp(trial.asSharp.map(fNumber).join(', '))}
                <span className="block text-soft">{say.holds}</span>
            </p>
            <div className="grid gap-x-8 gap-y-3 sm:grid-cols-2">
                <table className="w-full text-sm">
                    <thead>
                        <tr className="text-left text-xs text-soft">
                            <th className="font-normal">{say.stop}</th>
                            <th className="text-right font-normal">{say.measured}</th>
                            <th className="text-right font-normal">{say.lensBlur}</th>
                        </tr>
                    </thead>
                    <tbody className="figures">
                        {trial.stops.map((stop) => (
                            <tr key={stop.aperture} className="border-t border-line">
                                <td>{fNumber(stop.aperture)}</td>
                                <td className="text-right">{stop.mtf50.toFixed(3)}</td>
                                <td className="text-right">{digits(stop.blurMm * 1000)}&#8201;µm</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
                <table className="w-full self-start text-sm">
                    <caption className="pb-1 text-left text-xs text-soft">{say.changes}</caption>
                    <thead>
                        <tr className="text-xs text-soft">
                            <th />
                            <th className="text-right font-normal">{say.was}</th>
                            <th className="text-right font-normal">{say.is}</th>
                        </tr>
                    </thead>
                    <tbody>
                        {trial.changes.map(({ what, was, is }) => (
                            <tr key={what} className="border-t border-line">
                                <th scope="row" className="text-left font-normal">
                                    {say.what[what]}
                                </th>
                                <td className="figures text-right text-soft">{tell(what, was)}</td>
                                <td className={`figures text-right ${was === is ? '' : 'font-semibold text-brass'}`}>{tell(what, is)}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            </div>
        </div>
    );
}
