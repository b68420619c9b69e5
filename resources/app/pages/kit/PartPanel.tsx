import { fNumber, kindWords, magnification } from '../../ui/figures';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, Refused, type KitPart, type KitView, type PartFields, type Schema } from '../../api/client';
import { strings } from '../../strings/index';
import { kit as kitWords } from '../../strings/kit';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { MeasureDialog } from './MeasureDialog';
import { LensSure } from './LensSure';
import { PartForm } from './PartForm';
import type { KitChange } from '../../kit/useKit';

interface Props {
    kit: KitView;
    each: KitPart;
    change: KitChange;
    onClose: () => void;
    onChoose: (part: number) => void;
    /** A rig on the bench that a shot of this lens was taken with: the dialog opens on it. */
    setup: Schema['ShotSetup'] | null;
    onMeasured: () => void;
}

/** How many shots a lens keeps, at all its focal lengths. */
function shotsOf(fields: PartFields): number {
    const count = (value: unknown) => (Array.isArray(value) ? value.length : 0);
    const stations = Array.isArray(fields['stations']) ? (fields['stations'] as PartFields[]) : [];
    return count(fields['shots']) + stations.reduce((sum, station) => sum + count(station['shots']), 0);
}

/** One part of the kit: everything that is known of it, to be put right where it is wrong. */
export function PartPanel({ kit, each, change, onClose, onChoose, setup, onMeasured }: Props) {
    const queries = useQueryClient();
    const [usedBy, setUsedBy] = useState<readonly string[] | null>(null);
    const [measuring, setMeasuring] = useState(false);
    const { part } = each;
    const shots = shotsOf(each.fields);

    const put = async (fields: KitPart['fields']) => {
        await change.mutateAsync(async (id) => {
            const changed = await api.changePart(id, part.id, each.version, fields);
            // The form must not show the old part for a moment after it was saved.
            queries.setQueryData<KitView>(
                ['kit', id],
                (now) => now && { ...now, parts: now.parts.map((other) => (other.part.id === part.id ? changed : other)) },
            );
            return undefined;
        });
    };
    const remove = (anyway: boolean) =>
        change
            .mutateAsync(async (id) => {
                await api.removePart(id, part.id, anyway);
                return undefined;
            })
            .then(() => {
                setUsedBy(null);
                onClose();
            })
            .catch((error: unknown) => {
                if (error instanceof Refused && error.rigs.length > 0) setUsedBy(error.rigs);
            });
    const copy = () =>
        change
            .mutateAsync(async (id) => {
                const made = await api.copyPart(id, part.id);
                onChoose(made.part.id);
                return undefined;
            })
            .catch(() => undefined);

    const trials = trialsOf(each.fields['trials']);
    return (
        <>
            <div className="flex items-baseline justify-between gap-2 pb-2">
                <h2 className="text-base font-semibold">{part.name}</h2>
                <span className="text-xs text-soft">{kindWords(part.kind)}</span>
            </div>
            {part.kind === 'lens' && (
                <p className="pb-2 text-xs text-soft">
                    {shots > 0 ? kitWords.kit.shots(shots) : `${kitWords.kit.measureNote} `}
                    <button type="button" className="text-beam underline underline-offset-2" onClick={() => setMeasuring(true)}>
                        {shots > 0 ? kitWords.kit.shotsOpen : kitWords.kit.measure}
                    </button>
                </p>
            )}
            {trials.length > 0 && (
                <p className="pb-2 text-xs text-soft">
                    {kitWords.kit.trials(trials.length)} {trials.join('; ')}.
                </p>
            )}
            <PartForm
                // Another part, or this one changed elsewhere: the form begins anew.
                key={`${part.id} ${each.version}`}
                kind={part.kind}
                initial={each.fields}
                others={kit.parts.filter((other) => other.part.id !== part.id)}
                pointer="/part"
                save={kitWords.kit.save}
                busy={change.isPending}
                onSave={put}
                onCancel={onClose}
                below={(fields) => part.kind === 'lens' && <LensSure kit={kit.id} fields={fields} />}
            >
                <span className="ml-auto flex">
                    <Button bare onClick={() => void copy()}>
                        {kitWords.kit.copy}
                    </Button>
                    <Button bare onClick={() => void remove(false)}>
                        {kitWords.kit.remove}
                    </Button>
                </span>
            </PartForm>
            <Dialog
                open={usedBy !== null}
                onOpenChange={() => setUsedBy(null)}
                title={kitWords.kit.usedTitle(part.name)}
                text={kitWords.kit.usedText(usedBy?.length ?? 0)}
            >
                <ul className="list-inside list-disc pb-4 text-sm">
                    {usedBy?.map((rig, at) => (
                        <li key={at}>{rig}</li>
                    ))}
                </ul>
                <div className="flex justify-end gap-2">
                    <Button onClick={() => setUsedBy(null)}>{strings.dialog.cancel}</Button>
                    <Button strong onClick={() => void remove(true)}>
                        {kitWords.kit.remove}
                    </Button>
                </div>
            </Dialog>
            {(measuring || setup !== null) && (
                <MeasureDialog
                    kit={kit}
                    each={each}
                    change={change}
                    setup={setup}
                    onClose={() => {
                        setMeasuring(false);
                        onMeasured();
                    }}
                />
            )}
        </>
    );
}

interface Tried {
    magnification: number;
    reversed?: boolean;
    stops: { aperture: number; mtf50: number }[];
}

/** Which stop each of a lens’s trials found the sharpest, in words. */
function trialsOf(kept: unknown): string[] {
    return (Array.isArray(kept) ? (kept as Tried[]) : []).map(({ magnification: m, reversed, stops }) => {
        const sharpest = stops.reduce((best, stop) => (stop.mtf50 > best.mtf50 ? stop : best));
        return kitWords.kit.trialOf(fNumber(sharpest.aperture), magnification(m), reversed === true);
    });
}
