import type { Schema } from '../../../api/client';
import { log as logWords } from '../../../strings/log';
import { magnification } from '../../../ui/figures';
import { dateWords } from '../day';
import { stripOf, tickWords } from './marks';

const say = logWords.log;

/** Px above and below what is engraved, and left of it for its figures. */
const [edge, left] = [12, 52];

interface Props {
    marks: readonly Schema['LogMark'][];
    from: number | null;
    to: number | null;
    /** A figure was pressed: that magnification and more; null = all of them again. */
    onFrom: (from: number | null) => void;
}

/** Every entry by its day and magnification; each engraved figure is a button: that and more. */
export function MagnificationStrip({ marks, from, to, onFrom }: Props) {
    const strip = stripOf(marks);
    if (strip === null) return null;
    const isIn = (m: number) => (from === null || m >= from) && (to === null || m <= to);
    return (
        <section aria-label={say.strip} className="py-3">
            <div className="relative h-[172px] border-b border-ink" style={{ marginLeft: left }}>
                {strip.ticks.map((tick) => (
                    <div
                        key={tick}
                        className={`absolute inset-x-0 border-t ${tick === 1 ? 'border-ink' : 'border-line'}`}
                        style={{ bottom: `calc(${edge}px + ${strip.up(tick)} * (100% - ${2 * edge}px))` }}
                    >
                        <button
                            type="button"
                            aria-pressed={from === tick}
                            aria-label={say.reach(tickWords(tick))}
                            onClick={() => onFrom(from === tick ? null : tick)}
                            className="figures absolute top-[-14px] flex h-7 items-center justify-end pr-2 text-sm hover:text-brass aria-pressed:font-semibold aria-pressed:text-brass"
                            style={{ left: -left, width: left }}
                        >
                            {tickWords(tick)}
                        </button>
                    </div>
                ))}
                <svg className="absolute left-0 h-full w-full overflow-visible" aria-hidden>
                    {marks.map((mark) => (
                        <circle
                            key={mark.id}
                            cx={`${2 + strip.along(mark.day) * 96}%`}
                            // Percent of the height and pixels don’t add in an attribute.
                            style={{
                                transform: `translateY(calc(${edge}px + ${1 - strip.up(mark.magnification)} * (172px - ${2 * edge}px)))`,
                            }}
                            r={5}
                            fill={isIn(mark.magnification) ? 'var(--verdigris)' : 'var(--plate)'}
                            stroke={isIn(mark.magnification) ? 'var(--ink)' : 'var(--soft)'}
                        >
                            <title>{`${magnification(mark.magnification)}, ${dateWords(mark.day)}`}</title>
                        </circle>
                    ))}
                </svg>
            </div>
            <p className="flex justify-between pt-1 text-xs text-soft" style={{ marginLeft: left }}>
                <span>{dateWords(strip.first)}</span>
                {strip.last !== strip.first && <span>{dateWords(strip.last)}</span>}
            </p>
        </section>
    );
}
