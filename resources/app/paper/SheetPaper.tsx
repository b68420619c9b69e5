import type { Schema } from '../api/client';
import { commonScale, rigOutline } from '../drawing/rigOutline';
import { sheet as sheetWords } from '../strings/sheet';
import { longest, margin, papers, type Paper } from './paper';
import { PaperRule } from './PaperRule';

const say = sheetWords.sheet;

/** Headings that stand beside each other where the paper is wide enough. */
const [left, right] = [
    ['Join, from the camera out', 'Light', 'Window of focus'],
    ['Do', 'One shot', 'Stack'],
];

/** A rig’s sheet on paper of a size. */
export function SheetPaper({ sheet, paper }: { sheet: Schema['SheetView']; paper: Paper }) {
    const [width] = papers[paper];
    const section = (heading: string) => sheet.sections.find((each) => each.heading === heading);
    const narrow = paper === 'A6';
    const column = (headings: readonly string[]) => headings.map((heading) => <Section key={heading} section={section(heading)} />);
    return (
        <article
            aria-label={sheet.title}
            className="sheet mx-auto text-black phone:max-w-full phone:p-3!"
            style={{ width: `${width}mm`, padding: `${margin}mm`, fontSize: narrow ? '7.5pt' : '8.5pt' }}
        >
            <h1 className="pb-[1mm] text-[1.6em] leading-tight font-semibold">{sheet.title}</h1>
            <Outline sheet={sheet} wide={width - 2 * margin} />
            <Figures section={section('Figures')} />
            <div className={narrow ? '' : 'grid grid-cols-2 gap-x-[6mm] phone:grid-cols-1'}>
                <div>{column(left)}</div>
                <div>{column(right)}</div>
            </div>
            <Section section={section('Mind')} />
            <Blanks section={section('Write down')} />
            {sheet.ruleMm !== null && sheet.ruleMm <= longest && <PaperRule mm={sheet.ruleMm} paper={paper} />}
        </article>
    );
}

function Outline({ sheet, wide }: { sheet: Schema['SheetView']; wide: number }) {
    const [width, height] = [520, 92];
    const scale = commonScale([sheet], width, height, 2);
    const plane = width - 6;
    const { path, tipX } = rigOutline(sheet, scale, plane, height / 2);
    return (
        <svg
            viewBox={`0 0 ${width} ${height}`}
            style={{ width: `${wide}mm` }}
            className="block max-w-full"
            role="img"
            aria-label={say.drawing}
        >
            <path d={path} fill="none" stroke="#000" strokeWidth={1.2} strokeLinejoin="round" />
            <path d={`M${tipX} ${height / 2}H${plane}`} stroke="#000" strokeWidth={0.6} strokeDasharray="1 3" />
            {sheet.subjectDistanceMm !== null && <path d={`M${plane} 8V${height - 8}`} stroke="#000" strokeWidth={1.8} />}
        </svg>
    );
}

function Figures({ section }: { section: Schema['SheetSection'] | undefined }) {
    return (
        <dl className="my-[1.5mm] grid grid-cols-[1fr_1.6fr_1.2fr_0.8fr] phone:grid-cols-2 gap-x-[3mm]">
            {section?.lines.map((line) => (
                <div key={line.text} className="border-t border-black pt-[0.5mm]">
                    <dt>{line.text}</dt>
                    <dd className="figures text-[1.3em] leading-tight font-semibold whitespace-nowrap">{line.figure}</dd>
                </div>
            ))}
        </dl>
    );
}

/** Headings whose lines are done one after the other. */
const counted = ['Join, from the camera out', 'Do'];

function Section({ section }: { section: Schema['SheetSection'] | undefined }) {
    if (!section) return null;
    return (
        <section className="break-inside-avoid pb-[1.5mm]">
            <h2 className="border-b border-black font-semibold">{section.heading}</h2>
            <ol>
                {section.lines.map((line, n) => (
                    <li key={n} className="flex gap-[1.5mm] border-b border-[#bbbbbb] py-[0.25mm] leading-snug">
                        {counted.includes(section.heading) && <span className="figures w-[3mm] shrink-0">{n + 1}</span>}
                        <span className="min-w-0 flex-1">{line.text}</span>
                        {line.figure !== null && <span className="figures text-right">{line.figure}</span>}
                    </li>
                ))}
            </ol>
        </section>
    );
}

function Blanks({ section }: { section: Schema['SheetSection'] | undefined }) {
    if (!section) return null;
    return (
        <section className="break-inside-avoid pb-[1.5mm]">
            <h2 className="border-b border-black font-semibold">{section.heading}</h2>
            <p className="flex flex-wrap gap-x-[3mm] pt-[1.5mm] leading-[1.9]">
                {section.lines.map((line) => (
                    <span key={line.text} className="whitespace-nowrap">
                        {line.text} <span className="inline-block w-[16mm] border-b border-black">&nbsp;</span>
                    </span>
                ))}
            </p>
        </section>
    );
}
