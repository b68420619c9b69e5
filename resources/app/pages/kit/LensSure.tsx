import { Fragment } from 'react';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, type PartFields } from '../../api/client';
import { keys } from '../../api/queries';
import { takenText } from '../../rig/TakenAs';
import { useSettled } from '../../ui/useSettled';
import { strings } from '../../strings/index';
import { kit as kitWords } from '../../strings/kit';
import { withHalf } from '../../ui/figures';

const say = kitWords.kit;

/** The share at either end of the scale. */
const WIDEST = 0.2;

/** How long a pause in typing is waited for before what is filled in is asked about. */
const PAUSE_MS = 250;

/** After each answer: how sure the lens has become, as magnification and working distance where one of its kind is mostly used. */
export function LensSure({ kit, fields }: { kit: number; fields: PartFields }) {
    const typed = JSON.stringify(fields);
    const asked = useSettled(typed, typed, PAUSE_MS);
    const sure = useQuery({
        queryKey: keys.lens(kit, asked),
        queryFn: () => api.lens(kit, JSON.parse(asked) as PartFields),
        retry: false,
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
    if (!sure.data || sure.isError) return <p className="border-b border-line py-2 text-xs text-soft">{say.sureMissing}</p>;
    const { magnification, magnificationHalfWidth, workingDistanceMm, workingDistanceHalfWidth, spacersMm, takenAs } = sure.data;
    const rows = [
        { name: strings.readings.magnification, value: magnification, half: magnificationHalfWidth, unit: '×' },
        { name: strings.readings.workingDistance, value: workingDistanceMm, half: workingDistanceHalfWidth, unit: 'mm' },
    ];
    return (
        <section aria-label={say.sure} aria-live="polite" className="border-b border-line py-2">
            <h3 className="pb-1 text-sm font-semibold">
                {say.sure} <span className="text-xs font-normal text-soft">{say.sureAt(spacersMm === 0 ? null : `${spacersMm} mm`)}</span>
            </h3>
            <div className="grid grid-cols-[auto_1fr_auto] items-center gap-x-3 text-xs">
                {rows.map(({ name, value, half, unit }) => (
                    <Fragment key={name}>
                        <span>{name}</span>
                        <Width share={value === null || value <= 0 ? null : half / value} />
                        <span className="figures text-right text-sm whitespace-nowrap">
                            {value === null ? strings.readings.infinite : `${withHalf(value, half)} ${unit}`}
                        </span>
                    </Fragment>
                ))}
                <span />
                <span className="figures flex justify-between text-[10px] text-soft" aria-hidden="true">
                    {[-WIDEST, 0, WIDEST].map((share) => (
                        <span key={share}>{share === 0 ? '0' : `${share > 0 ? '+' : '−'}${WIDEST * 100} %`}</span>
                    ))}
                </span>
                <span />
            </div>
            {takenAs.map((each) => (
                <p key={each.field} className="text-xs text-soft">
                    {takenText(each, null)}
                </p>
            ))}
        </section>
    );
}

/** How far a figure may be off, as a share of it, about the middle of one scale for all of them. */
function Width({ share }: { share: number | null }) {
    if (share === null) return <span />;
    const half = Math.min(1, share / WIDEST) * 50;
    return (
        <svg className="block h-4 w-full" viewBox="0 0 100 16" preserveAspectRatio="none" aria-hidden="true">
            <path d="M0 14H100" stroke="var(--ink)" vectorEffect="non-scaling-stroke" />
            {[0, 25, 50, 75, 100].map((x) => (
                <path key={x} d={`M${x} 14V${x === 50 ? 2 : 10}`} stroke="var(--soft)" vectorEffect="non-scaling-stroke" />
            ))}
            <rect x={50 - half} y={5} width={2 * half} height={6} fill="var(--brass)" opacity={0.55} />
        </svg>
    );
}
