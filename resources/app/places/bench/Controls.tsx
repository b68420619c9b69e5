import type { RigView, TravelView } from '../../api/client';
import { digits, fNumber, length, type Units } from '../../figures';
import { EngravedScale } from '../../strip/EngravedScale';
import { strings } from '../../strings';
import type { Held } from './figuresOf';

interface Props {
    rig: RigView;
    held: Held | null;
    fetching: string | null;
    units: Units;
    onTake: (travel: TravelView) => void;
    onMove: (travel: TravelView, row: number) => void;
    onLeave: (travel: TravelView) => void;
}

/** Every moving part's own scale, in the order of the rig. */
export function Controls({ rig, held, fetching, units, onTake, onMove, onLeave }: Props) {
    if (rig.travels.length === 0) return null;
    return (
        <section aria-label={strings.bench.controls} className="flex flex-wrap gap-x-5 gap-y-1 py-1">
            {rig.travels.map((travel) => {
                const own = held?.sweep.travel === travel.name ? held.row : Math.max(0, travel.places.indexOf(travel.value));
                const value = travel.places[own] ?? travel.value;
                const part = rig.chain[travel.place]?.name ?? '';
                return (
                    <EngravedScale
                        key={travel.name}
                        travel={travel}
                        label={`${part} · ${strings.travel[travel.kind] ?? travel.kind}`}
                        row={own}
                        said={said(travel, value, units)}
                        busy={fetching === travel.name}
                        onTake={() => onTake(travel)}
                        onMove={(row) => onMove(travel, row)}
                        onLeave={() => onLeave(travel)}
                    />
                );
            })}
        </section>
    );
}

function said(travel: TravelView, value: number, units: Units): string {
    switch (travel.kind) {
        case 'aperture':
            return fNumber(value);
        case 'focus':
            return value === 0 ? '∞' : `${digits(value * 100)} % of the way`;
        case 'swing':
            return `${digits(value)}°`;
        case 'length':
            return units === 'mm' ? `${value.toFixed(1)} mm` : length(value, units);
        default:
            return length(value, units);
    }
}
