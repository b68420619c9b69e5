import type { RigView, TravelView } from '../../api/client';
import type { Units } from '../../figures';
import { EngravedScale } from '../../strip/EngravedScale';
import { strings } from '../../strings';
import type { Held } from './figuresOf';
import { said, typedValue } from './ownScale';

interface Props {
    rig: RigView;
    held: Held | null;
    fetching: string | null;
    units: Units;
    onTake: (travel: TravelView) => void;
    onMove: (travel: TravelView, row: number) => void;
    onLeave: (travel: TravelView) => void;
    /** A value that was typed, which may stand between two places of rest. */
    onSet: (travel: TravelView, value: number) => void;
}

/** Every moving part's own scale, in the order of the rig. */
export function Controls({ rig, held, fetching, units, onTake, onMove, onLeave, onSet }: Props) {
    if (rig.travels.length === 0) return null;
    return (
        <section aria-label={strings.bench.controls} className="flex flex-wrap gap-x-5 gap-y-1 py-1">
            {rig.travels.map((travel) => {
                const moved = held?.sweep.travel === travel.name;
                const own = moved ? held.row : nearestRow(travel);
                const value = moved ? (travel.places[own] ?? travel.value) : travel.value;
                const part = rig.chain[travel.place]?.name ?? '';
                return (
                    <EngravedScale
                        key={travel.name}
                        travel={travel}
                        label={`${part} · ${strings.travel[travel.kind] ?? travel.kind}`}
                        row={own}
                        said={said(travel, value, own, units)}
                        busy={fetching === travel.name}
                        onTake={() => onTake(travel)}
                        onMove={(row) => onMove(travel, row)}
                        onLeave={() => onLeave(travel)}
                        onType={(text) => {
                            const wanted = typedValue(travel, text, units);
                            if (wanted === null) return false;
                            onSet(travel, wanted);
                            return true;
                        }}
                    />
                );
            })}
        </section>
    );
}

/** A typed value may stand between two places of rest: its pointer stands at the nearer one. */
function nearestRow(travel: TravelView): number {
    let best = 0;
    travel.places.forEach((place, at) => {
        if (Math.abs(place - travel.value) < Math.abs((travel.places[best] ?? 0) - travel.value)) best = at;
    });
    return best;
}
