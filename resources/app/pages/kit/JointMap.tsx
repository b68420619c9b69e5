import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type KitView, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { length } from '../../ui/figures';
import { usePreferences } from '../../shell/preferences';
import { kit as kitWords } from '../../strings/kit';
import { boxWidth, linesOf, linkText, planOf, type IslandPlan } from './islandPlan';

const say = kitWords.map;

/** What joins what: the islands of the kit, the cheapest bridge between two, and the way from one joint to another. */
export function JointMap({ kit, joints, onChoose }: { kit: KitView; joints: Schema['JointView'][]; onChoose: (part: number) => void }) {
    const map = useQuery({ queryKey: keys.map(kit), queryFn: () => api.map(kit.id) });
    if (map.isError) return <p role="alert">{map.error.message}</p>;
    if (!map.data) return <p className="py-4" aria-busy="true" />;
    const { islands, anywhere, loose, hub } = map.data;
    const mainland = islands[0] !== undefined && islands[0].cameras.length > 0;
    return (
        <>
            <p className="max-w-[70ch] py-3 text-sm text-soft">{say.text(islands.length)}</p>
            {islands.map((island) => (
                <Island key={island.number} island={island} mainland={mainland} onChoose={onChoose} />
            ))}
            {[
                [say.anywhere, anywhere],
                [say.loose, loose],
            ].map(([title, parts]) =>
                (parts as Schema['MapPart'][]).length === 0 ? null : (
                    <section key={title as string} className="border-b-2 border-ink py-3">
                        <h2 className="text-sm font-semibold">{title as string}</h2>
                        <Names parts={parts as Schema['MapPart'][]} onChoose={onChoose} />
                    </section>
                ),
            )}
            {hub && (
                <section className="border-b-2 border-ink py-3 text-sm">
                    <h2 className="font-semibold">{say.hub}</h2>
                    <p className="max-w-[70ch] pt-1 text-soft">{say.hubText(hub.joint, hub.pairs, hub.needed, hub.part)}</p>
                </section>
            )}
            <Crossing kit={kit} map={map.data} joints={joints} />
        </>
    );
}

function Island({ island, mainland, onChoose }: { island: Schema['IslandView']; mainland: boolean; onChoose: (part: number) => void }) {
    const plan = planOf(island);
    const all = [...island.cameras, ...island.parts];
    const title = island.number === 1 && island.cameras.length > 0 ? say.main(all.length) : say.island(island.number, all.length);
    return (
        <section className="border-b-2 border-ink py-3" aria-label={title}>
            <h2 className="text-sm font-semibold">{title}</h2>
            {island.bridges.length > 0 && <Bridge island={island} mainland={mainland} />}
            <div className="slim-scroll overflow-x-auto py-3" tabIndex={0} role="region" aria-label={say.drawing(title)}>
                <Drawing plan={plan} />
            </div>
            <Names parts={all} onChoose={onChoose} />
        </section>
    );
}

/** The cheapest bridge from this island to another, at first to the one with the cameras. */
function Bridge({ island, mainland }: { island: Schema['IslandView']; mainland: boolean }) {
    const [chosen, choose] = useState(1);
    const bridge = island.bridges.find(({ to }) => to === chosen) ?? island.bridges[0];
    if (bridge === undefined) return null;
    const name = (to: number) => (to === 1 && mainland ? say.mainland : say.other(to));
    return (
        <p className="pt-1 text-sm text-brass" role="status">
            {say.bridge}{' '}
            {island.bridges.length === 1 ? (
                name(bridge.to)
            ) : (
                <select
                    aria-label={say.bridgeTo(island.number)}
                    value={bridge.to}
                    onChange={(event) => choose(Number(event.target.value))}
                    className="border-b-2 border-brass bg-plate px-1 py-0.5 text-ink"
                >
                    {island.bridges.map(({ to }) => (
                        <option key={to} value={to}>
                            {name(to)}
                        </option>
                    ))}
                </select>
            )}
            : {bridge.part ?? say.noBridge}.
        </p>
    );
}

/** Links run between boxes; a label sits on its line with the ground behind it. */
function Drawing({ plan }: { plan: IslandPlan }) {
    return (
        <svg
            width={plan.width + 4}
            height={plan.height + 4}
            viewBox={`-2 -2 ${plan.width + 4} ${plan.height + 4}`}
            role="img"
            aria-label={say.plan}
        >
            {plan.links.map((link) => {
                const bow = link.beside ? 30 : (link.x2 - link.x1) / 2;
                return (
                    <path
                        key={`${link.from.spoken} ${link.to.spoken}`}
                        d={`M${link.x1} ${link.y1}C${link.x1 + bow} ${link.y1} ${link.beside ? link.x2 + bow : link.x2 - bow} ${link.y2} ${link.x2} ${link.y2}`}
                        fill="none"
                        stroke="var(--ink)"
                        strokeWidth="1.25"
                    />
                );
            })}
            {plan.links.map((link) => (
                // Beside the box that the line comes to, where no other line's label is.
                <text
                    key={`${link.from.spoken} ${link.to.spoken}`}
                    x={link.beside ? link.x2 + 26 : link.x2 - 6}
                    y={link.beside ? (link.y1 + link.y2) / 2 + 4 : link.y2 - 4}
                    textAnchor={link.beside ? 'start' : 'end'}
                    fontSize="12"
                    fill="var(--ink)"
                    stroke="var(--ground)"
                    strokeWidth="4"
                    strokeLinejoin="round"
                    paintOrder="stroke"
                >
                    {linkText(link)}
                </text>
            ))}
            {plan.boxes.map((box) => (
                <g key={box.spoken} transform={`translate(${box.x} ${box.y})`}>
                    <path
                        d={`M0 0H${boxWidth - 8}L${boxWidth} 8V${box.height}H0Z`}
                        fill="var(--plate)"
                        stroke="var(--ink)"
                        strokeWidth={box.cameras.length > 0 ? 2 : 1.25}
                    />
                    <text x="10" y="20" fontSize="13" fontWeight="600" fill="var(--ink)">
                        {box.spoken}
                    </text>
                    {linesOf(box).map((line, i) => (
                        <text key={line} x="10" y={38 + i * 17} fontSize="12" fill="var(--soft)">
                            {line}
                        </text>
                    ))}
                </g>
            ))}
        </svg>
    );
}

function Names({ parts, onChoose }: { parts: Schema['MapPart'][]; onChoose: (part: number) => void }) {
    return (
        <ul className="flex flex-wrap gap-x-3 gap-y-1 pt-1 text-xs">
            {parts.map((part) => (
                <li key={part.id}>
                    <button
                        type="button"
                        className="text-soft underline-offset-2 hover:text-ink hover:underline"
                        onClick={() => onChoose(part.id)}
                    >
                        {part.name}
                    </button>
                </li>
            ))}
        </ul>
    );
}

/** The shortest way from one joint to another, or the one part that would make it. */
function Crossing({ kit, map, joints }: { kit: KitView; map: Schema['MapView']; joints: Schema['JointView'][] }) {
    const { units } = usePreferences();
    const own = new Map<string, string>();
    for (const island of map.islands) {
        for (const { rear, front } of [...island.cameras, ...island.parts]) {
            for (const end of [rear, front]) if (end) own.set(end.joint, end.spoken);
        }
    }
    const others = joints.filter((joint) => !own.has(joint.name));
    const first = map.islands[0]?.cameras[0]?.front?.joint ?? [...own.keys()][0] ?? '';
    const [front, setFront] = useState(first);
    const [rear, setRear] = useState([...own.keys()].find((joint) => joint !== first) ?? '');
    const way = useQuery({
        queryKey: keys.crossing(kit, front, rear),
        queryFn: () => api.crossing(kit.id, front, rear),
        enabled: front !== '' && rear !== '',
    });
    const select = (label: string, value: string, set: (joint: string) => void) => (
        <label className="flex items-center gap-2">
            {label}
            <select
                aria-label={label}
                value={value}
                onChange={(event) => set(event.target.value)}
                className="figures border-b-2 border-brass bg-plate px-1.5 py-1"
            >
                <optgroup label={say.yours}>
                    {[...own].map(([joint, spoken]) => (
                        <option key={joint} value={joint}>
                            {spoken}
                        </option>
                    ))}
                </optgroup>
                <optgroup label={say.standards}>
                    {others.map((joint) => (
                        <option key={joint.name} value={joint.name}>
                            {joint.spoken}
                        </option>
                    ))}
                </optgroup>
            </select>
        </label>
    );
    const fitting = way.data?.parts.filter((part) => part.fits) ?? [];
    return (
        <section className="py-3 text-sm" aria-label={say.crossing}>
            <h2 className="pb-2 font-semibold">{say.crossing}</h2>
            <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
                {select(say.from, front, setFront)}
                {select(say.to, rear, setRear)}
            </div>
            {way.data && (
                <div className="max-w-[80ch] pt-3" role="status">
                    {way.data.fit === 'mates' ? (
                        <p className="text-verdigris">{say.mates}</p>
                    ) : way.data.path.length > 0 ? (
                        <p>
                            <span className="font-semibold text-verdigris">{way.data.path.join(' + ')}</span>
                            <span className="figures text-soft"> · {length(way.data.lengthMm, units)}</span>
                        </p>
                    ) : (
                        <p>
                            {say.noWay} {way.data.bridge !== null && <span className="text-brass">{say.buy(way.data.bridge)}</span>}
                        </p>
                    )}
                    {way.data.reason !== null && <p className="mt-1 border-l-[3px] border-madder pl-2">{way.data.reason}</p>}
                    <p className="pt-2 text-soft">
                        {say.goesOn(own.get(front) ?? front, fitting.length)}{' '}
                        {fitting.map((part) => (part.reason ? `${part.name} (${part.reason})` : part.name)).join(', ')}
                    </p>
                </div>
            )}
            {way.isError && <p role="alert">{way.error.message}</p>}
        </section>
    );
}
