import type { KitPart } from '../../api/client';
import { kit as kitWords } from '../../strings/kit';

/** Kinds that lie together on the shelf, in the order in which a rig is built. */
const groups = [
    ['cameras', ['camera']],
    ['spacers', ['tube', 'helicoid', 'bellows', 'teleconverter']],
    ['rings', ['adapter', 'reversing-ring', 'coupling-ring', 'step-ring', 'filter', 'hood']],
    ['lenses', ['lens']],
    ['glass', ['close-up-lens', 'afocal', 'objective', 'port']],
    ['holding', ['rail', 'tripod', 'stand', 'flash', 'lamp', 'reference']],
] as const satisfies readonly (readonly [keyof typeof kitWords.kit.groups, readonly string[]])[];

export interface Row {
    name: string;
    parts: KitPart[];
}

export function rowsOf(parts: readonly KitPart[]): Row[] {
    return groups
        .map(([name, kinds]) => ({
            name: kitWords.kit.groups[name],
            parts: parts.filter(({ part }) => (kinds as readonly string[]).includes(part.kind)),
        }))
        .filter((row) => row.parts.length > 0);
}

/** Parts in which every word typed stands somewhere. */
export function narrowed(parts: readonly KitPart[], search: string): KitPart[] {
    const words = search.toLowerCase().split(/\s+/).filter(Boolean);
    if (words.length === 0) return [...parts];
    return parts.filter(({ part, note, ref }) => {
        const text = `${part.name} ${part.kind} ${part.measure} ${part.rear ?? ''} ${part.front ?? ''} ${note ?? ''} ${ref}`.toLowerCase();
        return words.every((word) => text.includes(word));
    });
}

export function massOf(parts: readonly KitPart[]): number {
    return parts.reduce((sum, each) => sum + (each.massG ?? 0) * each.part.count, 0);
}
