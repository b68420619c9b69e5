import { useMemo, type ReactNode } from 'react';
import type { Schema } from '../../api/client';
import { displayedReadings } from '../../rig/displayedReadings';
import { StillDrawing } from '../../rig/StillDrawing';
import { TakenAs } from '../../rig/TakenAs';
import { Term } from '../../ui/Term';
import { strings } from '../../strings/index';
import { first as firstWords } from '../../strings/first';
import { digits, fNumber, length, lengthDigits, ratio, stops, withHalf, type Units } from '../../ui/figures';

const say = firstWords.first.answer;

type View = Schema['FirstView'];

/** The rig to scale, and what it does in a sentence. */
export function Drawn({ view, units }: { view: View; units: Units }) {
    const { rig } = view;
    const shown = useMemo(() => displayedReadings(rig, null), [rig]);
    const worst = rig.findings.filter((finding) => finding.severity === 'stop');
    return (
        <>
            <div className="h-[300px]">
                <StillDrawing rig={rig} shown={shown} units={units} />
            </div>
            <p className="pt-1 text-base" role="status">
                {view.sentence === '' ? <strong>{say.noImage}</strong> : <Sentence text={view.sentence} />}
            </p>
            {worst.map((finding) => (
                <p key={finding.code} className="mt-1 border-l-[3px] border-madder pl-2 text-sm">
                    {finding.message}
                </p>
            ))}
        </>
    );
}

/** The first sentence is the answer, the second what it costs. */
function Sentence({ text }: { text: string }) {
    const end = text.indexOf('. ') + 1;
    return (
        <>
            <strong className="font-semibold">{text.slice(0, end)}</strong>
            {text.slice(end)}
        </>
    );
}

function Row({
    term,
    name,
    note,
    figure,
    unit,
    half,
}: {
    term: Term;
    name: string;
    note: ReactNode;
    figure: string;
    unit: string;
    half?: string | undefined;
}) {
    return (
        <div className="flex items-baseline gap-2 border-b border-line py-2.5">
            <dt className="min-w-0 flex-1 text-sm">
                <span className="font-semibold">
                    <Term of={term}>{name}</Term>
                </span>{' '}
                <span className="ml-1 text-xs text-soft">{note}</span>
            </dt>
            <dd className="figures text-xl font-medium whitespace-nowrap">
                {figure}
                <span className="ml-1 text-xs text-soft">
                    {unit}
                    {half !== undefined && ` ±${half}`}
                </span>
            </dd>
        </div>
    );
}

/** A figure to the digit that it is sure to, and how far off it may be. */
function sure(value: number | null, half: number | undefined, units: Units, none: string): { figure: string; half?: string } {
    if (value === null) return { figure: none };
    const per = units === 'in' ? 25.4 : 1;
    const [figure = '', off] = withHalf(value / per, (half ?? 0) / per).split(' ± ');
    return off === undefined ? { figure } : { figure, half: off };
}

/** The four figures that people come for. */
export function FourFigures({ view, units }: { view: View; units: Units }) {
    const { rig } = view;
    const words = strings.readings;
    const at = rig.readings;
    const half = (name: string) => rig.doubts.find((each) => each.reading === name)?.halfWidth;
    const [room, m] = [half('workingDistanceMm'), half('magnification')];
    const range = rig.range.workingDistanceMm;
    const mm = (value: number | null) => (value === null ? words.infinite : lengthDigits(value, units));
    const marked = rig.travels.find((travel) => travel.kind === 'aperture')?.value;
    const one = range.least !== null && range.greatest !== null && range.greatest - range.least < 0.5;
    return (
        <>
            <dl>
                <Row
                    term="magnification"
                    name={words.magnification}
                    note={at.magnification === null || at.magnification <= 0 ? say.closest : `${ratio(at.magnification)} · ${say.closest}`}
                    {...sure(at.magnification, m, 'mm', words.none)}
                    unit="×"
                />
                <Row
                    term="workingDistance"
                    name={words.workingDistance}
                    note={say.feels}
                    {...sure(
                        at.magnification === null ? null : at.workingDistanceMm,
                        room,
                        units,
                        at.magnification === null ? words.none : words.infinite,
                    )}
                    unit={units}
                />
                <Row
                    term="focus"
                    name={words.focus}
                    note={one ? say.rangeNone : say.range}
                    figure={
                        at.magnification === null
                            ? words.none
                            : one
                              ? mm(range.least)
                              : `${mm(range.least === null ? null : Math.max(0, range.least))} … ${mm(range.greatest)}`
                    }
                    unit={units}
                />
                <Row
                    term="effectiveAperture"
                    name={words.effectiveAperture}
                    note={at.stopsLost === null ? '' : say.lost(stops(at.stopsLost), marked === undefined ? '–' : fNumber(marked))}
                    figure={at.effectiveAperture === null ? words.none : fNumber(at.effectiveAperture)}
                    unit=""
                />
            </dl>
            <TakenAs taken={rig.takenAs} estimates={rig.estimates} />
        </>
    );
}

/** What would help most once everything that can be read off is told: a picture of a ruler, or what else is named. */
export function Ruler({ view, units }: { view: View; units: Units }) {
    const doubt = ['workingDistanceMm', 'magnification']
        .map((name) => view.rig.doubts.find((each) => each.reading === name && each.settle !== null && each.after !== null))
        .find((each) => each !== undefined);
    if (!doubt || doubt.settle === null || doubt.after === null) return null;
    const half = (value: number) => `±${doubt.reading === 'magnification' ? digits(value) : length(value, units)}`;
    return (
        <p className="pt-3 text-sm">
            <span className="text-soft">{say.tells}</span> {doubt.settle}.{' '}
            <span className="text-soft">{say.becomes(half(doubt.halfWidth), half(doubt.after))}</span>
        </p>
    );
}

/** What would help most, with its blank beside it. */
export function TellsMost({ next, units, children }: { next: NonNullable<View['next']>; units: Units; children: ReactNode }) {
    const half = (value: number) => `±${next.reading === 'magnification' ? digits(value) : length(value, units)}`;
    return (
        <p className="pt-3 text-sm">
            <span className="text-soft">{say.tells}</span> {next.question === 'rim' ? say.rim : say.closestAsk} {children}{' '}
            <span className="text-soft">{say.becomes(half(next.before), half(next.after))}</span>
        </p>
    );
}
