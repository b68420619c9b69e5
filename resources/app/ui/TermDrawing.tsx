import type { Term } from './Term';

const ink = { fill: 'none', stroke: 'var(--ink)', strokeWidth: 1.2 } as const;
const hair = { fill: 'none', stroke: 'var(--soft)', strokeWidth: 0.9 } as const;
const told = { fill: 'none', stroke: 'var(--brass)', strokeWidth: 2 } as const;
const beam = { fill: 'none', stroke: 'var(--beam)', strokeWidth: 1 } as const;

/** A length between two places, with its ends. */
function Span({ from, to, y }: { from: number; to: number; y: number }) {
    return <path {...told} d={`M${from} ${y}H${to}M${from} ${y - 4}V${y + 4}M${to} ${y - 4}V${y + 4}`} />;
}

/** The same small rig under every term: sensor at 20, mount at 44, tube to 62, lens to 104, subject at 190. */
function Rig({ reversed = false, tube = true }: { reversed?: boolean; tube?: boolean }) {
    return (
        <>
            <path {...hair} d="M6 44H206" strokeDasharray="8 3 2 3" />
            <path {...ink} d="M8 18H44V70H8ZM20 34V54" />
            {tube && <path {...ink} d="M44 24H62V64H44Z" />}
            <path {...ink} d={reversed ? 'M62 20H76V24H104V64H76V68H62Z' : 'M62 26H88V20H104V68H88V62H62Z'} />
            <path d="M190 14V74" fill="none" stroke="var(--madder)" strokeWidth={1.6} />
        </>
    );
}

const cone = 'M20 44L84 30L190 44L84 58Z';

const pictures: Readonly<Record<Term, () => React.JSX.Element>> = {
    magnification: () => (
        <>
            <Rig />
            <path {...beam} d="M20 36L84 44L190 57" />
            <path {...told} d="M20 36V52M190 31V57" strokeWidth={4} />
        </>
    ),
    workingDistance: () => (
        <>
            <Rig />
            <Span from={104} to={190} y={82} />
        </>
    ),
    subjectDistance: () => (
        <>
            <Rig />
            <Span from={20} to={190} y={82} />
        </>
    ),
    focus: () => (
        <>
            <Rig />
            <path d="M136 14V74M174 14V74" fill="none" stroke="var(--madder)" strokeWidth={1} strokeDasharray="3 2" />
            <Span from={136} to={190} y={82} />
        </>
    ),
    field: () => (
        <>
            <Rig />
            <path {...told} d="M198 20V68M194 20H202M194 68H202" />
        </>
    ),
    effectiveAperture: () => (
        <>
            <Rig />
            <path d={cone} fill="var(--beam)" fillOpacity={0.18} stroke="var(--beam)" />
            <path {...told} d="M84 16V30M84 58V72" strokeWidth={3} />
        </>
    ),
    stopsLost: () => (
        <>
            <Rig />
            <path {...beam} d="M20 44L84 30M20 44L84 58" />
            <path {...beam} d="M66 44L84 30M66 44L84 58" strokeDasharray="2 2" />
            <Span from={44} to={62} y={82} />
        </>
    ),
    slice: () => (
        <>
            <Rig />
            <path d={cone} fill="none" stroke="var(--beam)" />
            <rect x={182} y={14} width={16} height={60} fill="var(--madder)" fillOpacity={0.22} />
            <Span from={182} to={198} y={82} />
        </>
    ),
    detail: () => (
        <>
            <Rig />
            <path {...beam} d="M20 44L84 42L190 40M20 44L84 46L190 48" />
            <circle cx={190} cy={40} r={3} {...told} />
            <circle cx={190} cy={48} r={3} {...told} />
        </>
    ),
    register: () => (
        <>
            <Rig tube={false} />
            <Span from={20} to={44} y={82} />
        </>
    ),
    extension: () => (
        <>
            <Rig />
            <Span from={44} to={62} y={82} />
        </>
    ),
    blurLimit: () => (
        <>
            <Rig />
            <path {...beam} d="M190 44L84 28L12 47M190 44L84 60L12 41" />
            <path {...told} d="M20 40V48" strokeWidth={4} />
        </>
    ),
    dioptres: () => (
        <>
            <Rig tube={false} />
            <path d="M108 20Q116 44 108 68Q104 44 108 20Z" fill="var(--brass)" fillOpacity={0.35} stroke="var(--brass)" />
            <path {...beam} d="M20 30H110L190 44M20 58H110L190 44" />
            <Span from={110} to={190} y={82} />
        </>
    ),
    reversed: () => (
        <>
            <Rig reversed />
            <path {...told} d="M96 10Q83 2 70 10M70 10L77 12M70 10L73 3" strokeWidth={1.6} />
        </>
    ),
    guideNumber: () => (
        <>
            <Rig />
            <path {...ink} d="M112 4L128 10L122 22L106 16Z" />
            <path {...told} d="M124 16L188 42" strokeDasharray="4 3" />
        </>
    ),
    overlap: () => (
        <>
            <Rig />
            {[164, 174, 184].map((x) => (
                <rect key={x} x={x} y={14} width={15} height={60} fill="var(--madder)" fillOpacity={0.2} stroke="var(--madder)" />
            ))}
        </>
    ),
    corner: () => (
        <g transform="translate(60 8)">
            <path {...ink} d="M0 0H96V64H0Z" />
            <path d="M0 0H30L0 24ZM96 0V24L66 0ZM0 64V40L30 64ZM96 64H66L96 40Z" fill="var(--ink)" fillOpacity={0.35} />
        </g>
    ),
    infinity: () => (
        <>
            <Rig tube={false} />
            <path {...beam} d="M20 44L84 30H200M20 44L84 58H200" />
            <path {...told} d="M196 26L204 30L196 34M196 54L204 58L196 62" strokeWidth={1.4} />
        </>
    ),
};

/** One small drawing of what a term means. */
export function TermDrawing({ of }: { of: Term }) {
    const Picture = pictures[of];
    return (
        <svg viewBox="0 0 212 90" className="mt-2 block w-full max-w-[280px]" aria-hidden="true">
            <Picture />
        </svg>
    );
}
