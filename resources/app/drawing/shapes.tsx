import type { Schema } from '../api/client';
import type { Frame } from './frame';

type Part = Schema['DrawingPart'];

const outline = { fill: 'var(--plate)', stroke: 'var(--ink)', strokeWidth: 1.6, strokeLinejoin: 'round' } as const;
const hair = { stroke: 'var(--soft)', strokeWidth: 0.6, fill: 'none' } as const;
const glass = { fill: 'var(--soft)', fillOpacity: 0.22, stroke: 'var(--ink)', strokeWidth: 0.8 } as const;

/** Four corners between two ends of different diameter. */
function taper(frame: Frame, from: number, to: number, rear: number, front: number): string {
    const { x, y } = frame;
    return `M${x(from)} ${y(rear / 2)}L${x(to)} ${y(front / 2)}L${x(to)} ${y(-front / 2)}L${x(from)} ${y(-rear / 2)}Z`;
}

/** Lines round the barrel, where fingers hold it. */
function ribs(frame: Frame, from: number, to: number, radius: number, depth: number): string {
    const count = Math.max(3, Math.min(14, Math.round(((to - from) * frame.scale) / 4)));
    let path = '';
    for (let i = 0; i <= count; i++) {
        const at = frame.x(from + ((to - from) * i) / count);
        path += `M${at} ${frame.y(radius)}V${frame.y(radius - depth)}M${at} ${frame.y(-radius)}V${frame.y(depth - radius)}`;
    }
    return path;
}

/** A glass element with its two faces bowed by so many mm. */
function element(frame: Frame, z: number, thick: number, radius: number, bowRear: number, bowFront: number): string {
    const { x, y, scale } = frame;
    const top = y(radius);
    const bottom = y(-radius);
    return (
        `M${x(z)} ${top}Q${x(z) - bowRear * 2 * scale} ${y(0)} ${x(z)} ${bottom}` +
        `L${x(z + thick)} ${bottom}Q${x(z + thick) + bowFront * 2 * scale} ${y(0)} ${x(z + thick)} ${top}Z`
    );
}

/** Elements along a barrel by design family: shares of its length, radius as a share, bows of both faces in shares of the radius. */
const families: Record<string, readonly (readonly [number, number, number, number, number])[]> = {
    symmetrical: [
        [0.16, 0.08, 0.52, -0.16, 0.3],
        [0.3, 0.06, 0.46, 0.24, -0.14],
        [0.58, 0.06, 0.46, -0.14, 0.24],
        [0.72, 0.09, 0.56, 0.3, -0.16],
    ],
    triplet: [
        [0.26, 0.09, 0.46, 0.06, 0.22],
        [0.46, 0.04, 0.38, -0.2, -0.16],
        [0.68, 0.09, 0.46, 0.22, 0.06],
    ],
    telephoto: [
        [0.14, 0.05, 0.42, -0.2, -0.1],
        [0.74, 0.06, 0.62, 0.06, 0.26],
        [0.84, 0.07, 0.68, 0.2, 0.16],
    ],
    retrofocus: [
        [0.1, 0.1, 0.42, 0.22, 0.16],
        [0.26, 0.06, 0.4, 0.18, -0.1],
        [0.62, 0.05, 0.48, -0.22, 0.06],
        [0.82, 0.05, 0.66, -0.3, 0.3],
    ],
    wide: [
        [0.12, 0.08, 0.48, 0.16, 0.2],
        [0.44, 0.07, 0.4, 0.2, 0.12],
        [0.8, 0.05, 0.58, -0.26, 0.26],
    ],
    unknown: [
        [0.28, 0.08, 0.46, 0.18, 0.18],
        [0.66, 0.08, 0.5, 0.18, 0.18],
    ],
};

function LensShape({ part, frame }: { part: Part; frame: Frame }) {
    const length = part.frontMm - part.rearMm;
    // Shares run from the mount; a reversed lens has its mount in front.
    const at = (share: number) => (part.reversed ? part.frontMm - share * length : part.rearMm + share * length);
    const mount = part.reversed ? part.frontOuterMm : part.rearOuterMm;
    const rim = part.reversed ? part.rearOuterMm : part.frontOuterMm;
    const wide = part.outerMm;
    const { x, y } = frame;
    const mountR = Math.min(mount, wide) / 2;
    const rimR = Math.min(rim, wide) / 2;
    const a = at(0);
    const b = at(0.1);
    const c = at(0.3);
    const d = at(0.72);
    const e = at(1);
    const side = (sign: 1 | -1) =>
        `L${x(a)} ${y(sign * mountR * 0.92)}L${x(b)} ${y(sign * mountR * 0.92)}L${x(c)} ${y((sign * wide) / 2)}L${x(d)} ${y((sign * wide) / 2)}L${x(at(0.8))} ${y(sign * rimR)}L${x(e)} ${y(sign * rimR)}`;
    const upper = side(1).replace('L', 'M');
    const lower = side(-1).split('L').filter(Boolean).reverse().join('L');
    const radius = Math.min(mountR, rimR, wide / 2);
    const stopZ = at(0.5);
    return (
        <>
            <path d={`${upper}L${lower}Z`} {...outline} />
            <path d={ribs(frame, Math.min(c, d), Math.max(c, d), wide / 2, wide * 0.07)} {...hair} />
            {(families[part.design ?? 'unknown'] ?? []).map(([share, thick, size, rear, front]) => {
                const z = part.reversed ? at(share + thick) : at(share);
                const bows = part.reversed ? ([front, rear] as const) : ([rear, front] as const);
                const r = radius * size * 1.25;
                return <path key={share} d={element(frame, z, thick * length, r, bows[0] * r, bows[1] * r)} {...glass} />;
            })}
            {part.stopMm !== null && (
                <path
                    d={`M${x(stopZ)} ${y(radius * 0.86)}V${y(Math.min(radius * 0.8, part.stopMm / 2))}M${x(stopZ)} ${y(-radius * 0.86)}V${y(-Math.min(radius * 0.8, part.stopMm / 2))}`}
                    stroke="var(--ink)"
                    strokeWidth={2.2}
                />
            )}
        </>
    );
}

function BellowsShape({ part, frame }: { part: Part; frame: Frame }) {
    const { x, y } = frame;
    const length = part.frontMm - part.rearMm;
    const plate = Math.min(9, length / 4);
    const r = part.outerMm / 2;
    const longest = part.maxMm ?? length;
    const folds = Math.max(5, Math.round(longest / 12));
    const from = part.rearMm + plate;
    const to = part.frontMm - plate;
    const pitch = (to - from) / folds;
    const zigzag = (sign: 1 | -1) => {
        let path = `M${x(from)} ${y(sign * r * 0.78)}`;
        for (let i = 0; i < folds; i++) {
            path += `L${x(from + pitch * (i + 0.5))} ${y(sign * r * 0.92)}L${x(from + pitch * (i + 1))} ${y(sign * r * 0.78)}`;
        }
        return path;
    };
    let inner = '';
    for (let i = 1; i < folds; i++) inner += `M${x(from + pitch * i)} ${y(r * 0.78)}V${y(-r * 0.78)}`;
    const railTop = -r - 6;
    return (
        <>
            <path d={taper(frame, from, to, r * 1.56, r * 1.56)} fill="var(--plate)" />
            <path d={inner} {...hair} />
            <path d={zigzag(1) + zigzag(-1)} fill="none" stroke="var(--ink)" strokeWidth={1.3} strokeLinejoin="round" />
            <path d={taper(frame, part.rearMm, part.rearMm + plate, part.outerMm, part.outerMm)} {...outline} />
            <path d={taper(frame, part.frontMm - plate, part.frontMm, part.outerMm, part.outerMm)} {...outline} stroke="var(--brass)" />
            <rect
                x={x(part.rearMm - 6)}
                y={y(railTop)}
                width={(longest + 12) * frame.scale}
                height={5 * frame.scale}
                {...outline}
                strokeWidth={1}
            />
            <path
                d={`M${x(part.rearMm + plate / 2)} ${y(-r)}V${y(railTop)}M${x(part.frontMm - plate / 2)} ${y(-r)}V${y(railTop)}`}
                stroke="var(--ink)"
                strokeWidth={2}
            />
            {part.footMm !== null && (
                <path d={`M${x(part.rearMm + part.footMm) - 8} ${y(railTop - 5)}h16l4 9h-24Z`} {...outline} strokeWidth={1.2} />
            )}
        </>
    );
}

function SpacerShape({ part, frame }: { part: Part; frame: Frame }) {
    const length = part.frontMm - part.rearMm;
    const ring = part.kind === 'tube' ? [0.3, 0.7] : part.kind === 'adapter' ? [0.55, 0.85] : [0.25, 0.75];
    const smaller = Math.min(part.rearOuterMm, part.frontOuterMm, part.outerMm);
    return (
        <>
            <path d={taper(frame, part.rearMm, part.frontMm, part.rearOuterMm, part.frontOuterMm)} {...outline} />
            {length * frame.scale > 9 && (
                <path
                    d={ribs(
                        frame,
                        part.rearMm + (ring[0] ?? 0) * length,
                        part.rearMm + (ring[1] ?? 1) * length,
                        smaller / 2,
                        smaller * 0.08,
                    )}
                    {...hair}
                />
            )}
            {part.contacts && (
                <path
                    d={`M${frame.x(part.rearMm)} ${frame.y(-smaller * 0.36)}H${frame.x(part.frontMm)}`}
                    stroke="var(--brass)"
                    strokeWidth={1}
                    strokeDasharray="2 2"
                />
            )}
        </>
    );
}

function HelicoidShape({ part, frame }: { part: Part; frame: Frame }) {
    const least = part.minMm ?? part.frontMm - part.rearMm;
    return (
        <>
            <path
                d={taper(frame, part.rearMm + least * 0.2, part.frontMm, part.outerMm * 0.86, part.outerMm * 0.86)}
                {...outline}
                stroke="var(--brass)"
            />
            <path d={taper(frame, part.rearMm, part.rearMm + least * 0.75, part.outerMm, part.outerMm)} {...outline} />
            <path d={ribs(frame, part.rearMm + least * 0.15, part.rearMm + least * 0.6, part.outerMm / 2, part.outerMm * 0.07)} {...hair} />
        </>
    );
}

function CloseUpShape({ part, frame }: { part: Part; frame: Frame }) {
    const length = Math.max(0.5, part.frontMm - part.rearMm);
    const r = (part.outerMm / 2) * 0.9;
    return (
        <>
            <path d={taper(frame, part.rearMm, part.frontMm, part.outerMm, part.outerMm)} {...outline} />
            <path d={element(frame, part.rearMm + length * 0.35, length * 0.25, r, 0.5, Math.min(length * 0.25, 3))} {...glass} />
            {part.elements > 1 && <path d={element(frame, part.rearMm + length * 0.2, length * 0.14, r, 0, -0.5)} {...glass} />}
        </>
    );
}

function ObjectiveShape({ part, frame }: { part: Part; frame: Frame }) {
    const length = part.frontMm - part.rearMm;
    const { x, y } = frame;
    const r = part.outerMm / 2;
    const neck = part.rearMm + length * 0.62;
    return (
        <path
            d={`M${x(part.rearMm)} ${y(r)}L${x(neck)} ${y(r)}L${x(neck + length * 0.12)} ${y(r * 0.74)}L${x(part.frontMm - length * 0.06)} ${y(r * 0.5)}L${x(part.frontMm)} ${y(r * 0.34)}V${y(-r * 0.34)}L${x(part.frontMm - length * 0.06)} ${y(-r * 0.5)}L${x(neck + length * 0.12)} ${y(-r * 0.74)}L${x(neck)} ${y(-r)}L${x(part.rearMm)} ${y(-r)}Z`}
            {...outline}
        />
    );
}

function PortShape({ part, frame }: { part: Part; frame: Frame }) {
    const { x, y } = frame;
    const r = part.outerMm / 2;
    const pane = Math.min(8, (part.frontMm - part.rearMm) / 2);
    return (
        <>
            <path
                d={`M${x(part.rearMm)} ${y(r)}H${x(part.frontMm)}M${x(part.rearMm)} ${y(-r)}H${x(part.frontMm)}`}
                stroke="var(--ink)"
                strokeWidth={1.6}
            />
            <rect x={x(part.frontMm - pane)} y={y(r)} width={pane * frame.scale} height={2 * r * frame.scale} {...glass} />
        </>
    );
}

/** A converter: two lenses in one barrel, whose light leaves as parallel as it came. */
function AfocalShape({ part, frame }: { part: Part; frame: Frame }) {
    const { x, y } = frame;
    const rear = part.rearOuterMm / 2;
    const front = part.frontOuterMm / 2;
    const glass = { fill: 'var(--beam)', fillOpacity: 0.14, stroke: 'var(--ink)', strokeWidth: 0.6 };
    const disc = (at: number, half: number, bulge: number) =>
        `M${x(at)} ${y(half)}Q${x(at + bulge)} ${y(0)} ${x(at)} ${y(-half)}Q${x(at - bulge)} ${y(0)} ${x(at)} ${y(half)}Z`;
    const length = part.frontMm - part.rearMm;
    return (
        <>
            <path d={taper(frame, part.rearMm, part.frontMm, part.rearOuterMm, part.frontOuterMm)} {...outline} />
            <path d={disc(part.rearMm + length * 0.2, rear * 0.86, length * 0.1)} {...glass} />
            <path d={disc(part.frontMm - length * 0.2, front * 0.86, length * 0.16)} {...glass} />
        </>
    );
}

/** A part drawn from its own measures. */
export function PartShape({ part, frame }: { part: Part; frame: Frame }) {
    switch (part.kind) {
        case 'lens':
            return <LensShape part={part} frame={frame} />;
        case 'bellows':
            return <BellowsShape part={part} frame={frame} />;
        case 'helicoid':
            return <HelicoidShape part={part} frame={frame} />;
        case 'close-up-lens':
            return <CloseUpShape part={part} frame={frame} />;
        case 'afocal':
            return <AfocalShape part={part} frame={frame} />;
        case 'objective':
            return <ObjectiveShape part={part} frame={frame} />;
        case 'port':
            return <PortShape part={part} frame={frame} />;
        default:
            return <SpacerShape part={part} frame={frame} />;
    }
}

/** The camera in section: body, finder hump, mount, sensor. */
export function CameraShape({ camera, sensorMm, frame }: { camera: Schema['DrawingCamera']; sensorMm: number; frame: Frame }) {
    const { x, y } = frame;
    const h = camera.heightMm / 2;
    const face = camera.frontMm - 3;
    const corner = 5 * frame.scale;
    return (
        <>
            <path
                d={`M${x(camera.backMm) + corner} ${y(h * 0.82)}L${x(camera.backMm + (face - camera.backMm) * 0.3)} ${y(h * 0.82)}L${x(camera.backMm + (face - camera.backMm) * 0.42)} ${y(h)}H${x(camera.backMm + (face - camera.backMm) * 0.86)}L${x(face)} ${y(h * 0.8)}V${y(-h)}H${x(camera.backMm) + corner}L${x(camera.backMm)} ${y(-h) - corner}V${y(h * 0.82) + corner}Z`}
                {...outline}
            />
            <path d={taper(frame, face, camera.frontMm, camera.mountMm, camera.mountMm)} {...outline} />
            {camera.gripMm > 0 && (
                <path
                    d={`M${x(face)} ${y(-h * 0.45)}H${x(camera.frontMm + camera.gripMm)}V${y(-h)}H${x(face)}`}
                    fill="none"
                    stroke="var(--soft)"
                    strokeWidth={0.8}
                    strokeDasharray="3 3"
                />
            )}
            <path d={`M${x(0)} ${y(sensorMm / 2)}V${y(-sensorMm / 2)}`} stroke="var(--ink)" strokeWidth={3.4} />
        </>
    );
}
