import { memo } from 'react';
import type { Schema } from '../../api/client';
import { compare as compareWords } from '../../strings/compare';
import { digits, fNumber, length, mass, type Units } from '../../ui/figures';

type Comparison = Schema['ComparisonView'];
type Rig = Schema['ComparedRigView'];
type Best = Schema['BestIn'];

const say = compareWords.compare;

/** Who is best in each thing people decide by, with everybody's figure, and who is beaten in everything. */
export const Verdict = memo(function Verdict({ comparison, units }: { comparison: Comparison; units: Units }) {
    const { rigs, best, beaten } = comparison;
    return (
        <section aria-label={say.verdict} className="py-2">
            <h2 className="pb-1 text-sm font-semibold">{say.verdict}</h2>
            <div className="slim-scroll overflow-x-auto">
                <table className="w-full text-sm">
                    <thead>
                        <tr className="border-b border-ink">
                            <td />
                            {rigs.map((rig) => (
                                <th key={rig.id} scope="col" className="figures px-2 py-1 text-right font-semibold phone:px-1">
                                    {rig.letter}
                                </th>
                            ))}
                        </tr>
                    </thead>
                    <tbody>
                        {best.map((each) => (
                            <tr key={each.criterion} className="border-b border-line align-baseline">
                                <th scope="row" className="min-w-32 py-1 pr-3 text-left font-normal phone:min-w-0 phone:pr-1">
                                    {say.best[each.criterion]}
                                    {rigs.length > 1 && each.criterion !== 'coupled' && (
                                        <span className="block text-xs text-soft">
                                            {each.letter === null || each.by === null
                                                ? say.noDifference
                                                : say.over(tell(each.criterion, each.by, units))}
                                        </span>
                                    )}
                                </th>
                                {rigs.map((rig) => (
                                    <td
                                        key={rig.id}
                                        className={`figures px-2 py-1 text-right whitespace-nowrap phone:px-1 phone:text-xs ${each.letter === rig.letter ? 'font-semibold text-verdigris' : ''}`}
                                    >
                                        {valueOf(rig, each.criterion, units)}
                                        {each.letter === rig.letter && <span aria-hidden="true"> ◂</span>}
                                    </td>
                                ))}
                            </tr>
                        ))}
                    </tbody>
                </table>
            </div>
            {beaten.map(({ letter, by }) => (
                <p key={letter} className="pt-2 text-sm">
                    {say.beaten(letter, by)}
                </p>
            ))}
        </section>
    );
});

function tell(criterion: Best['criterion'], value: number, units: Units): string {
    switch (criterion) {
        case 'effectiveAperture':
            return fNumber(value).replace('f/', '');
        case 'massG':
            return mass(value);
        case 'price':
        case 'joints':
        case 'coupled':
            return digits(value);
        default:
            return length(value, units);
    }
}

function valueOf(rig: Rig, criterion: Best['criterion'], units: Units): string {
    if (criterion === 'coupled') return rig.isCoupled ? say.yes : say.no;
    const value = criterion === 'resolvedDetailMm' ? rig.resolvedDetailMm : rig.readings[criterion];
    if (value === null) return '—';
    return criterion === 'effectiveAperture' ? fNumber(value) : tell(criterion, value, units);
}
