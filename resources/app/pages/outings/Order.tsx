import { RigLine } from '../../drawing/RigLine';
import { commonScale, rigOutline } from '../../drawing/rigOutline';
import { usePreferences } from '../../shell/preferences';
import type { Schema } from '../../api/client';
import { outings as outingsWords } from '../../strings/outings';
import { length } from '../../ui/figures';
import type { Plan } from './day';

const say = outingsWords.outings;

type Drawn = Schema['AssignmentView'] & { body: Schema['DrawingCamera']; tipMm: number };

const isDrawn = (each: Schema['AssignmentView'] | undefined): each is Drawn =>
    each !== undefined && each.body !== null && each.tipMm !== null;

const [width, height] = [400, 84];

/** The rigs in their order, to one scale, with what is undone and made between them. */
export function Order({ plan }: { plan: Plan }) {
    const { units } = usePreferences();
    const visits = plan.visits.map((visit) => ({ ...visit, of: visit.subjects.map((at) => plan.assignments[at]).filter(isDrawn) }));
    const scale = commonScale(
        visits.flatMap(({ of }) => of),
        width,
        height,
        0.6,
    );
    return (
        <section aria-label={say.order} className="min-w-0">
            <h2 className="pb-1 text-sm font-semibold">{plan.orderOptimal ? say.order : say.orderNear}</h2>
            <ol>
                {visits.map((visit, n) => (
                    <li key={n}>
                        <p className="flex items-baseline gap-2 py-2 pl-1 text-sm text-soft">
                            {n > 0 && <span aria-hidden>↓</span>}
                            {n === 0 ? say.begin(visit.made) : say.between(visit.undone, visit.made)}
                        </p>
                        <div className="border-b border-line pb-2">
                            <p className="flex items-baseline gap-2">
                                <span className="figures text-lg font-semibold">{visit.letter}</span>
                                <span className="text-base font-semibold">{visit.of[0]?.title}</span>
                            </p>
                            {visit.of[0] && <Outline rig={visit.of[0]} letter={visit.letter} scale={scale} />}
                            <ul className="text-sm">
                                {visit.of.map((each) => (
                                    <li key={each.subject} className="grid grid-cols-[1fr_auto] gap-x-3 py-1">
                                        <span className="font-medium">{each.subject}</span>
                                        <span className="figures text-base text-brass">
                                            {each.workingDistanceMm !== null && length(each.workingDistanceMm, units)}
                                        </span>
                                        <span className="col-span-2 text-soft">
                                            {[
                                                ...each.scales.map(({ part, reads }) => `${part} ${reads}`),
                                                each.frames !== null && each.stepMm !== null
                                                    ? say.frames(each.frames, length(each.stepMm, units))
                                                    : null,
                                                each.light,
                                            ]
                                                .filter(Boolean)
                                                .join(' · ')}
                                        </span>
                                        {each.warnings.map((text) => (
                                            <span key={text} className="col-span-2 mt-0.5 border-l-[3px] border-ink pl-2">
                                                {text}
                                            </span>
                                        ))}
                                    </li>
                                ))}
                            </ul>
                        </div>
                    </li>
                ))}
            </ol>
        </section>
    );
}

function Outline({ rig, letter, scale }: { rig: Drawn; letter: string; scale: number }) {
    const plane = width - 8;
    const { path, tipX, broken } = rigOutline(rig, scale, plane, height / 2);
    return (
        <svg
            viewBox={`0 0 ${width} ${height}`}
            className="block w-full max-w-[520px]"
            role="img"
            aria-label={say.drawing(letter, rig.title)}
        >
            <RigLine
                path={path}
                tipX={tipX}
                planeX={plane}
                axisY={height / 2}
                top={6}
                bottom={height - 6}
                broken={broken}
                ink={1.1}
                fill="none"
            />
        </svg>
    );
}
