export type Example = 'rig' | 'kit' | 'find' | 'compare' | 'card' | 'question';

const ink = { fill: 'none', stroke: 'var(--soft)', strokeWidth: 1.4 } as const;

/** Camera, tube and lens, from the left, and the plane of focus. */
function Rig({ y, tube, room, scale = 1 }: { y: number; tube: number; room: number; scale?: number }) {
    const lens = 74 + tube;
    const front = lens + 56;
    return (
        <g transform={`translate(0 ${y}) scale(${scale})`} {...ink}>
            <path d="M8 -34H30L36 -44H56L62 -34V34H8Z" />
            <path d={`M62 -26H74V26H62M74 -24H${lens}V24H74`} />
            <path d={`M${lens} -20H${front - 12}V-26H${front}V26H${front - 12}V20H${lens}Z`} />
            <path d={`M0 0H${front + room + 16}`} strokeDasharray="8 3 2 3" strokeWidth={0.8} />
            <path d={`M${front + room} -46V46`} stroke="var(--madder)" strokeWidth={2} />
            <path d={`M${front} -36H${front + room}M${front} -39v6M${front + room} -39v6`} strokeWidth={0.9} />
        </g>
    );
}

const pictures: Readonly<Record<Example, () => React.JSX.Element>> = {
    rig: () => (
        <>
            <Rig y={74} tube={30} room={92} />
            <path d="M6 138H330M6 138v6M60 138v6M114 138v6M168 138v6M222 138v6M276 138v6M330 138v6" {...ink} />
        </>
    ),
    question: () => (
        <>
            <Rig y={64} tube={30} room={60} scale={0.8} />
            <path d="M20 128H320M20 128v8M80 128v8M140 128v8M200 128v8M260 128v8M320 128v8" {...ink} />
            <path d="M172 106h14v8l-7 8l-7 -8Z" fill="var(--brass)" />
            <path d="M150 124h58" stroke="var(--brass)" strokeWidth={7} opacity={0.35} />
        </>
    ),
    kit: () => (
        <g {...ink}>
            <path d="M10 104V60H32L38 50H58L64 60V104ZM92 104V66H104V104ZM120 104V56H148V104ZM164 104V46H206V104M164 46V104M164 60H206" />
            <path d="M222 104V62H264V54H276V104ZM292 104V70Q310 62 328 70V104Z" />
            <path d="M0 104H340" stroke="var(--ink)" />
            <path d="M10 116h44M92 116h12M120 116h26M164 116h40M222 116h50M292 116h34" strokeWidth={5} opacity={0.35} />
        </g>
    ),
    find: () => (
        <g {...ink}>
            <path d="M30 10V132H330" stroke="var(--ink)" />
            {[...Array(34).keys()].map((n) => (
                <circle
                    key={n}
                    cx={44 + ((n * 83) % 276)}
                    cy={24 + ((n * 47 + ((n * 83) % 276) * 0.32) % 100)}
                    r={2.6}
                    fill="var(--soft)"
                    stroke="none"
                />
            ))}
            <circle cx={168} cy={74} r={6} stroke="var(--brass)" strokeWidth={2.4} />
        </g>
    ),
    compare: () => (
        <>
            <Rig y={38} tube={14} room={150} scale={0.72} />
            <Rig y={112} tube={64} room={100} scale={0.72} />
        </>
    ),
    card: () => (
        <g {...ink}>
            <path d="M20 14H320V134H20Z" stroke="var(--ink)" />
            {[0, 1, 2, 3, 4].map((row) => (
                <path
                    key={row}
                    d={`M34 ${44 + row * 20}H306M40 ${38 + row * 20}h70M170 ${38 + row * 20}h34M230 ${38 + row * 20}h${24 + row * 8}`}
                />
            ))}
        </g>
    ),
};

/** One drawn example of what will stand in a place that is still empty. */
export function Examples({ of }: { of: Example }) {
    const Picture = pictures[of];
    return (
        <svg viewBox="0 0 340 150" className="block w-full" aria-hidden="true">
            <Picture />
        </svg>
    );
}
