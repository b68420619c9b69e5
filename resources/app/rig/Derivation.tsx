import { useQuery } from '@tanstack/react-query';
import { api, messageOf, type RigView, type Schema } from '../api/client';
import { keys } from '../api/queries';
import { strings } from '../strings/index';

export type Derived = Parameters<typeof api.derive>[1];

const say = strings.terms;

/** How a reading comes about for this rig, step by step with its own numbers. */
export function Derivation({ rig, reading }: { rig: RigView; reading: Derived }) {
    const query = useQuery({ queryKey: keys.derivation(rig.id, rig.revision, reading), queryFn: () => api.derive(rig.id, reading) });
    return (
        <section className="mt-3 border-t border-ink pt-2" aria-busy={query.isPending}>
            <h4 className="font-semibold">{say.about}</h4>
            {query.isPending && <p className="text-soft">{say.deriving}</p>}
            {query.isError && (
                <p role="alert" className="border-l-[3px] border-ink pl-2">
                    {messageOf(query.error)}
                </p>
            )}
            {query.data && (
                <>
                    <TwoRays told={query.data} />
                    <ol className="list-inside list-decimal">
                        {query.data.steps.map((step, at) => (
                            <li key={at} className="pt-1.5">
                                {step.says}
                                {step.sum !== '' && (
                                    <span className="figures block pl-4 break-words text-beam">
                                        {step.sum.split('; ').map((sum) => (
                                            <span key={sum} className="block">
                                                {sum}
                                            </span>
                                        ))}
                                    </span>
                                )}
                            </li>
                        ))}
                    </ol>
                    {query.data.thumb !== '' && (
                        <p className="pt-2 text-soft">
                            <strong className="font-semibold">{say.thumb}</strong> <span className="figures">{query.data.thumb}</span>
                        </p>
                    )}
                </>
            )}
        </section>
    );
}

/** Both rays from sensor to subject; heights are drawn larger than lengths, so that they can be told apart. */
function TwoRays({ told }: { told: Schema['DerivationView'] }) {
    if (told.subjectMm === null || told.rays.length === 0) return null;
    const [wide, high] = [400, 96];
    const highest = Math.max(...told.rays.flat().map(([, y = 0]) => Math.abs(y)), 1e-6);
    const x = (mm: number) => 8 + (mm / (told.subjectMm ?? 1)) * (wide - 16);
    const y = (mm: number) => high / 2 - (mm / highest) * (high / 2 - 6);
    const path = (ray: readonly number[][]) =>
        ray.map(([z = 0, h = 0], at) => `${at === 0 ? 'M' : 'L'}${x(z).toFixed(1)} ${y(h).toFixed(1)}`).join('');
    return (
        <svg viewBox={`0 0 ${wide} ${high}`} className="my-2 block w-full" role="img" aria-label={say.rays} fill="none">
            <path d={`M0 ${high / 2}H${wide}`} stroke="var(--soft)" strokeWidth={0.8} strokeDasharray="8 3 2 3" />
            <path d={`M${x(0)} 4V${high - 4}`} stroke="var(--ink)" strokeWidth={2} />
            {told.planes.map((pair, at) => (
                <path
                    key={at}
                    d={pair.map((mm) => `M${x(mm).toFixed(1)} 8V${high - 8}`).join('')}
                    stroke="var(--soft)"
                    strokeWidth={1}
                    strokeDasharray="3 2"
                />
            ))}
            <path d={`M${x(told.subjectMm)} 4V${high - 4}`} stroke="var(--madder)" strokeWidth={1.6} />
            <path d={path(told.rays[0] ?? [])} stroke="var(--beam)" strokeWidth={1.6} />
            <path d={path(told.rays[1] ?? [])} stroke="var(--beam)" strokeWidth={1.6} strokeDasharray="6 3" />
        </svg>
    );
}
