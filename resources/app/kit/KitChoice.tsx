import { kit as kitWords } from '../strings/kit';
import { useKits } from './useKit';

/** Which kit is looked through, where a person has several; nothing where there is no choice. */
export function KitChoice() {
    const { kits, id, choose } = useKits();
    if (kits === undefined || kits.length < 2) return null;
    return (
        <label className="text-sm text-soft">
            {kitWords.kit.several.looking}{' '}
            <select
                value={id}
                onChange={(event) => choose(Number(event.target.value))}
                className="border-b border-line bg-transparent py-0.5 text-ink"
            >
                {kits.map((kit) => (
                    <option key={kit.id} value={kit.id}>
                        {kit.name}
                    </option>
                ))}
            </select>
        </label>
    );
}
