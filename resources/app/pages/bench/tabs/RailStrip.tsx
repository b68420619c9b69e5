import type { Schema } from '../../../api/client';
import { look as lookWords } from '../../../strings/look';
import { digits } from '../../../ui/figures';

const [width, height] = [420, 34];

/** The made-up rail from end to end: where it stands, and from where to where the target is gone through. */
export function RailStrip({ look, shownMm }: { look: Schema['LookView']; shownMm: number }) {
    const x = (mm: number) => 8 + (mm / look.travelMm) * (width - 16);
    const [from, to] = [look.middleMm - look.deepMm / 2, look.middleMm + look.deepMm / 2];
    return (
        <svg
            viewBox={`0 0 ${width} ${height}`}
            className="w-full"
            role="img"
            aria-label={`${lookWords.look.railLabel}: ${digits(shownMm)}`}
        >
            <rect x={8} y={4} width={width - 16} height={9} className="fill-plate stroke-ink" />
            {look.task !== 'focus' && (
                <rect x={x(from)} y={4} width={Math.max(1.5, x(to) - x(from))} height={9} className="fill-madder/40" />
            )}
            <path d={`M${x(shownMm)} 8l6 7v8h-12v-8z`} className="fill-brass" />
            <text
                x={x(shownMm) < width / 2 ? x(shownMm) + 12 : x(shownMm) - 12}
                y={26}
                textAnchor={x(shownMm) < width / 2 ? 'start' : 'end'}
                className="figures fill-brass text-[12px]"
            >
                {shownMm.toFixed(2)}
            </text>
            <text x={8} y={32} className="figures fill-soft text-[10px]">
                0
            </text>
            <text x={width - 8} y={32} textAnchor="end" className="figures fill-soft text-[10px]">
                {digits(look.travelMm)}
            </text>
        </svg>
    );
}
