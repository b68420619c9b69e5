import { useQuery } from '@tanstack/react-query';
import { api } from '../../api/client';
import { keys } from '../../api/queries';
import { strings } from '../../strings/index';

/** The rigs that are kept, each a button. */
export function KeptRigs({ onPick }: { onPick: (rig: number) => void }) {
    const rigs = useQuery({ queryKey: keys.rigs, queryFn: api.rigs });
    return (
        <ul className="border-t border-line">
            {rigs.data?.map((rig) => (
                <RigButton key={rig.id} name={rig.name ?? strings.bench.unnamed} parts={rig.parts} onPress={() => onPick(rig.id)} />
            ))}
        </ul>
    );
}

/** A rig of a list, by its name and its parts. */
export function RigButton({ name, parts, onPress }: { name: string; parts: string; onPress: () => void }) {
    return (
        <li className="border-b border-line">
            <button type="button" className="w-full px-1 py-2 text-left text-sm hover:bg-ground" onClick={onPress}>
                <span className="block font-semibold">{name}</span>
                <span className="block text-soft">{parts}</span>
            </button>
        </li>
    );
}
