import { sheet as sheetWords } from '../strings/sheet';
import { digits } from '../ui/figures';
import { piecesOf, type Paper, type Piece } from './paper';

const say = sheetWords.sheet;
const edge = 3;
/** How long the line is that a ruler is laid on first, mm. */
const checkMm = 50;

/** A rule of paper, exactly as long as it is from the rig’s front to the subject, and a line to see whether the printer kept its size. */
export function PaperRule({ mm, paper }: { mm: number; paper: Paper }) {
    const pieces = piecesOf(mm, paper);
    return (
        <section className="break-inside-avoid border-t border-dashed border-black pt-[2mm] phone:overflow-hidden" aria-label={say.rule}>
            <p className="pb-[1mm]">
                {say.cut(digits(mm))} {pieces.length > 1 && say.fold}
            </p>
            {pieces.map((piece) => (
                <RulePiece key={piece.from} piece={piece} />
            ))}
            <p className="flex items-center gap-[2mm] pt-[1mm]">
                <svg
                    viewBox={`0 0 ${checkMm + 2 * edge} 4`}
                    style={{ width: `${checkMm + 2 * edge}mm`, height: '4mm' }}
                    className="shrink-0"
                    aria-hidden="true"
                >
                    <rect x={edge} y={1.9} width={checkMm} height={0.2} fill="#000001" />
                    <path d={`M${edge} 0.8V3.2M${edge + checkMm} 0.8V3.2`} stroke="#000" strokeWidth={0.2} />
                </svg>
                {say.check(checkMm)}
            </p>
        </section>
    );
}

function RulePiece({ piece: { from, to } }: { piece: Piece }) {
    const long = to - from;
    const marks = Array.from({ length: Math.floor(to + 1e-9) - Math.ceil(from - 1e-9) + 1 }, (_, n) => Math.ceil(from - 1e-9) + n);
    return (
        <svg
            viewBox={`0 0 ${long + 2 * edge} 10`}
            style={{ width: `${long + 2 * edge}mm`, height: '10mm' }}
            className="figures block"
            aria-hidden="true"
        >
            <rect x={edge} y={0.2} width={long} height={9.4} fill="none" stroke="#000" strokeWidth={0.2} />
            <rect x={edge} y={0.2} width={long} height={0.3} fill="#000002" />
            {marks.map((mm) => (
                <path
                    key={mm}
                    d={`M${edge + mm - from} 0.2V${mm % 10 === 0 ? 4.2 : mm % 5 === 0 ? 3.2 : 2.2}`}
                    stroke="#000"
                    strokeWidth={mm % 10 === 0 ? 0.22 : 0.14}
                />
            ))}
            {marks
                .filter((mm) => mm % 10 === 0)
                .map((mm) => (
                    <text key={mm} x={edge + mm - from} y={7.4} fontSize={2.6} textAnchor="middle" fill="#000">
                        {mm}
                    </text>
                ))}
        </svg>
    );
}
