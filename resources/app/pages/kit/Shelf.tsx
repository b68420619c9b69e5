import type { KitPart } from '../../api/client';
import { PartSilhouette } from '../../drawing/PartSilhouette';
import { mass, measureIn } from '../../ui/figures';
import { usePreferences } from '../../shell/preferences';
import { kit as kitWords } from '../../strings/kit';
import { guesses } from './fields';
import { rowsOf } from './groups';

interface Props {
    parts: KitPart[];
    all: KitPart[];
    currency: string | null;
    chosen: number | null;
    onChoose: (part: number) => void;
}

/** The kit as it lies on a shelf: rows by kind, outlines to one scale, what each joins. */
export function Shelf({ parts, all, currency, chosen, onChoose }: Props) {
    const names = new Map(all.map((each) => [each.ref, each.part.name]));
    return (
        <>
            {rowsOf(parts).map((row) => (
                <section key={row.name} aria-label={row.name} className="border-b-2 border-ink pt-3 [content-visibility:auto]">
                    <h2 className="text-sm font-semibold">
                        {row.name} <span className="figures ml-1 font-normal text-soft">{row.parts.length}</span>
                    </h2>
                    <ul className="flex flex-wrap gap-x-1">
                        {row.parts.map((each) => (
                            <li key={each.part.id}>
                                <Item
                                    each={each}
                                    currency={currency}
                                    chosen={each.part.id === chosen}
                                    keptOn={each.keptOn === null ? null : (names.get(each.keptOn) ?? each.keptOn)}
                                    onChoose={() => onChoose(each.part.id)}
                                />
                            </li>
                        ))}
                    </ul>
                </section>
            ))}
        </>
    );
}

interface ItemProps {
    each: KitPart;
    currency: string | null;
    chosen: boolean;
    keptOn: string | null;
    onChoose: () => void;
}

function Item({ each, currency, chosen, keptOn, onChoose }: ItemProps) {
    const { units } = usePreferences();
    const { part } = each;
    const flags = [
        keptOn === null ? null : kitWords.kit.keptOn(keptOn),
        each.measured.length > 0 ? kitWords.kit.measured : null,
        guesses(each.fields) > 0 ? kitWords.kit.guessed(guesses(each.fields)) : null,
        part.inChain && part.rear === null && part.front === null ? kitWords.kit.noJoint : null,
    ].filter((flag) => flag !== null);
    const facts = [
        each.massG === null ? null : mass(each.massG),
        each.price === null ? null : `${each.price}${currency === null ? '' : `\u2009${currency}`}`,
    ].filter((fact) => fact !== null);
    return (
        <button
            type="button"
            aria-pressed={chosen}
            onClick={onChoose}
            className={`flex h-full flex-col items-start border-t-[3px] px-2.5 pt-2 pb-2.5 text-left text-xs ${
                chosen ? 'border-brass bg-plate' : 'border-transparent hover:bg-plate'
            }`}
        >
            <span className="flex h-[76px] items-end">
                <PartSilhouette part={part} scale={0.75} tallest={72} travel />
            </span>
            <span className="mt-1.5 text-sm font-semibold whitespace-nowrap">
                {part.name}
                {part.count > 1 && <span className="figures ml-1.5 font-normal">×{part.count}</span>}
                {part.count === 0 && <span className="ml-1.5 font-normal text-brass">{kitWords.kit.notOwned}</span>}
            </span>
            <span className="figures whitespace-nowrap text-soft">{measureIn(part.kind, part.measure, units)}</span>
            <Joints rear={part.rear} front={part.front} />
            {facts.length > 0 && <span className="figures whitespace-nowrap text-soft">{facts.join(' · ')}</span>}
            {flags.map((flag) => (
                <span key={flag} className="whitespace-nowrap text-brass">
                    {flag}
                </span>
            ))}
        </button>
    );
}

/** What a part joins on either side, as a link between the two. */
export function Joints({ rear, front }: { rear: string | null; front: string | null }) {
    if (rear === null && front === null) return null;
    return (
        <span className="flex items-center gap-1 whitespace-nowrap text-beam">
            {rear}
            <svg width="14" height="5" aria-hidden="true">
                <path d="M0 2.5H14" stroke="currentColor" strokeWidth="1.5" />
            </svg>
            <span className="sr-only">{kitWords.kit.joins}</span>
            {front}
        </span>
    );
}
