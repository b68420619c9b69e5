import type { Schema } from '../../api/client';
import { Scale } from '../../strip/Scale';
import { standing, windowOf, type Mark, type Reach, type Window } from '../../strip/scale';
import { strings } from '../../strings/index';
import { compare as compareWords } from '../../strings/compare';
import { Term, type Term as TermName } from '../../ui/Term';
import { digits, fNumber, lengthDigits, type Units } from '../../ui/figures';

type Rig = Schema['ComparedRigView'];

const readings = ['magnification', 'workingDistanceMm', 'fieldWidthMm', 'resolvedDetailMm', 'effectiveAperture', 'depthOfFieldMm'] as const;

const termOf: Readonly<Record<(typeof readings)[number], TermName>> = {
    magnification: 'magnification',
    workingDistanceMm: 'workingDistance',
    fieldWidthMm: 'field',
    resolvedDetailMm: 'detail',
    effectiveAperture: 'effectiveAperture',
    depthOfFieldMm: 'slice',
};

/** Where rigs stand is always in sight; how far they reach, where all of it fits on a scale. */
function windowOfAll(marks: readonly Mark[], reaches: readonly Reach[]): Window {
    const all = standing(marks, reaches);
    const own = standing(marks, []);
    return windowOf(own.length > 0 && Math.max(...all) / Math.min(...all) > 600 ? own : all);
}

/** The same functions each time: a scale is engraved anew only when what it says changes. */
const tellLength: Readonly<Record<Units, (mm: number) => string>> = {
    mm: (mm) => lengthDigits(mm, 'mm'),
    in: (mm) => lengthDigits(mm, 'in'),
};
const tellNumber = (value: number) => digits(value);

/** One strip a reading: every rig's letter where it stands, and how far it goes. */
export function Figures({ rigs, units }: { rigs: readonly Rig[]; units: Units }) {
    const say = strings.readings;
    const names: Record<(typeof readings)[number], string> = {
        magnification: say.magnification,
        workingDistanceMm: say.workingDistance,
        fieldWidthMm: say.field,
        resolvedDetailMm: compareWords.compare.smallestDetail,
        effectiveAperture: say.effectiveAperture,
        depthOfFieldMm: say.slice,
    };
    return (
        <section aria-label={compareWords.compare.table} className="py-2">
            {readings.map((name) => {
                // Detail is told in thousandths of a millimetre, whatever lengths are told in.
                const isLength = name !== 'resolvedDetailMm' && name.endsWith('Mm');
                const marks = rigs.map((rig) => ({
                    value:
                        name !== 'resolvedDetailMm'
                            ? rig.readings[name]
                            : rig.resolvedDetailMm === null
                              ? null
                              : rig.resolvedDetailMm * 1000,
                    halfWidth: rig.halfWidths[name] ?? null,
                    letter: rig.letter,
                }));
                const reaches = rigs.map((rig) => (name === 'resolvedDetailMm' ? { least: null, greatest: null } : rig.range[name]));
                const finite = standing(marks, reaches);
                const tell = isLength ? tellLength[units] : tellNumber;
                return (
                    <div key={name} className="border-b border-line py-1.5">
                        <div className="flex flex-wrap items-baseline gap-x-3">
                            <h2 className="text-sm font-semibold">
                                <Term of={termOf[name]}>{names[name]}</Term>
                            </h2>
                            <p className="figures ml-auto text-sm">
                                {marks.map(({ letter, value }) => (
                                    <span key={letter} className="ml-3 whitespace-nowrap">
                                        <span className="text-soft">{letter}</span>{' '}
                                        {value === null ? say.infinite : name === 'effectiveAperture' ? fNumber(value) : tell(value)}
                                    </span>
                                ))}{' '}
                                <span className="text-xs text-soft">
                                    {isLength ? units : name === 'magnification' ? '×' : name === 'resolvedDetailMm' ? 'µm' : ''}
                                </span>
                            </p>
                        </div>
                        {finite.length > 0 && (
                            <Scale
                                window={windowOfAll(marks, reaches)}
                                marks={marks}
                                reaches={reaches}
                                tell={tell}
                                per={isLength && units === 'in' ? 25.4 : 1}
                            />
                        )}
                    </div>
                );
            })}
        </section>
    );
}
