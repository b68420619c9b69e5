import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, reasonOf, type KitPart, type KitView, type MeasureRequest, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { kit as kitWords } from '../../strings/kit';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { AddShots, type ShotsAdded } from './AddShots';
import { Compared } from '../../kit/Compared';
import { TakenShots } from './TakenShots';
import type { KitChange } from '../../kit/useKit';

interface Props {
    kit: KitView;
    each: KitPart;
    change: KitChange;
    /** A rig on the bench that a shot was taken with. */
    setup?: Schema['ShotSetup'] | null;
    onClose: () => void;
}

const say = kitWords.measure;

/** What was measured with a lens: every shot with what it says, more of them, and old and new figures before anything is kept. */
export function MeasureDialog({ kit, each, change, setup = null, onClose }: Props) {
    const stations = Array.isArray(each.fields['stations']) ? (each.fields['stations'] as { focalLengthMm: number }[]) : [];
    const [zoom, setZoom] = useState(setup?.zoomMm ?? stations[0]?.focalLengthMm);
    const [added, setAdded] = useState<ShotsAdded | null>(null);
    const [seen, setSeen] = useState<Schema['MeasureView'] | null>(null);
    const [trouble, setTrouble] = useState<string | null>(null);
    const body = (more: Partial<MeasureRequest>, keep: boolean): MeasureRequest => ({
        version: each.version,
        keep,
        ...(stations.length > 0 ? { zoomMm: zoom ?? null } : {}),
        ...more,
    });
    const now = useQuery({
        queryKey: keys.measured(kit.id, each.part.id, each.version, zoom),
        queryFn: () => api.measure(kit.id, each.part.id, body({}, false)),
    });
    const refuse = (error: unknown) => {
        setSeen(null);
        setTrouble(reasonOf(error).replace(/^[a-zA-Z.0-9]+: /, ''));
    };
    const look = () => {
        setTrouble(null);
        if (added === null) return;
        api.measure(kit.id, each.part.id, body(added, false)).then(setSeen).catch(refuse);
    };
    const keep = (more: Partial<MeasureRequest>) =>
        change.mutateAsync(async (id) => {
            await api.measure(id, each.part.id, body(more, true));
            return undefined;
        });
    const shown = seen ?? now.data;
    return (
        <Dialog wide open onOpenChange={onClose} title={say.title(each.part.name)} text={say.text}>
            {stations.length > 0 && (
                <label className="flex items-center gap-1.5 pb-3 text-sm">
                    {say.zoom}
                    <select
                        className="figures w-24 border-b-2 border-brass bg-ground px-1.5 py-1"
                        value={zoom}
                        onChange={(event) => {
                            setZoom(Number(event.target.value));
                            setSeen(null);
                        }}
                    >
                        {stations.map((station) => (
                            <option key={station.focalLengthMm} value={station.focalLengthMm}>
                                {station.focalLengthMm} mm
                            </option>
                        ))}
                    </select>
                </label>
            )}
            {now.data?.rewritten && <p className="mb-3 border-l-[3px] border-ink pl-2 text-sm">{say.rewritten}</p>}
            {shown && (
                <TakenShots
                    shots={shown.shots}
                    kept={now.data?.shots.length ?? 0}
                    busy={change.isPending}
                    onTakeBack={(index) => {
                        setSeen(null);
                        setTrouble(null);
                        keep({ takeBack: [index] }).catch(refuse);
                    }}
                />
            )}
            <form
                className="mt-4 border-t-2 border-ink pt-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    look();
                }}
            >
                <AddShots
                    kit={kit}
                    each={each}
                    setup={setup}
                    onChange={(shots) => {
                        setAdded(shots);
                        setSeen(null);
                    }}
                />
                {trouble !== null && (
                    <p role="alert" className="mt-3 border-l-[3px] border-ink pl-2 text-sm">
                        {trouble}
                    </p>
                )}
                {seen && <Compared view={seen} />}
                <div className="mt-4 flex justify-end gap-2">
                    <Button onClick={onClose}>{say.close}</Button>
                    {seen ? (
                        <Button
                            strong
                            disabled={change.isPending}
                            onClick={() => {
                                keep(added ?? {})
                                    .then(onClose)
                                    .catch(refuse);
                            }}
                        >
                            {say.keep}
                        </Button>
                    ) : (
                        <Button strong type="submit" disabled={added === null}>
                            {say.look}
                        </Button>
                    )}
                </div>
            </form>
        </Dialog>
    );
}
