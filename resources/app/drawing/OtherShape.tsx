import type { Schema } from '../api/client';

interface Props {
    kind: string;
    silhouette: Schema['Silhouette'];
    scale: number;
    tallest: number;
}

/** Outlines of what stands in no chain: bodies to scale from the side, the rest as a small drawing of its kind. */
export function OtherShape({ kind, silhouette, scale, tallest }: Props) {
    if (kind === 'camera') return <Body silhouette={silhouette} scale={Math.min(scale, tallest / silhouette.outerMm)} />;
    const lines = drawings[kind] ?? drawings['reference'] ?? '';
    return (
        <svg width="64" height="60" viewBox="0 0 64 60" aria-hidden="true">
            <path d={lines} fill="var(--plate)" stroke="var(--ink)" strokeWidth="1.5" strokeLinejoin="round" />
        </svg>
    );
}

/** Our own line drawings; the ground is at 58. */
const drawings: Record<string, string> = {
    rail: 'M4 44H60V52H4ZM18 34H44V44H18ZM60 46H63V50H60ZM24 30H38V34H24ZM10 52V58M54 52V58',
    tripod: 'M26 8H38V14H26ZM29 14V22M35 14V22M24 22H40V26H24ZM27 26L12 58M32 26V58M37 26L52 58',
    stand: 'M4 52H60V58H4ZM44 6H49V52H44ZM20 14H44V19H20ZM16 19H28V27H16Z',
    flash: 'M16 6H48V22H16ZM22 22H42V46H22ZM26 46H38V51H26ZM20 10H44M20 14H44M20 18H44',
    lamp: 'M12 52H36V58H12ZM24 52V34M24 34L42 18M36 12L52 24L46 30L30 20Z',
    reference: 'M4 26H60V42H4ZM10 26V33M16 26V31M22 26V31M28 26V31M34 26V33M40 26V31M46 26V31M52 26V31M58 26V33',
};

function Body({ silhouette, scale }: { silhouette: Schema['Silhouette']; scale: number }) {
    const height = silhouette.outerMm * scale;
    const depth = silhouette.lengthMm * scale;
    const hump = height * 0.16;
    const mount = Math.min(silhouette.frontOuterMm * scale, height * 0.8);
    const middle = hump + (height - hump) / 2;
    return (
        <svg width={depth + 8} height={height + 3} aria-hidden="true">
            <g transform="translate(1 1)" fill="var(--plate)" stroke="var(--ink)" strokeWidth="1.5" strokeLinejoin="round">
                <path
                    d={`M0 ${hump}L${depth * 0.22} ${hump}L${depth * 0.36} 0H${depth * 0.82}L${depth * 0.92} ${hump}H${depth}V${height}H0Z`}
                />
                <path d={`M${depth} ${middle - mount / 2}H${depth + 5}V${middle + mount / 2}H${depth}Z`} />
                <path d={`M${depth * 0.3} ${middle - height * 0.14}V${middle + height * 0.14}`} strokeWidth="2.5" />
            </g>
        </svg>
    );
}
