import { useMutation, useQueryClient } from '@tanstack/react-query';
import { type SubmitEvent } from 'react';
import { api, messageOf, Refused, type RigView } from '../../../api/client';
import { keys, kitChanged } from '../../../api/queries';
import { strings } from '../../../strings/index';
import { light as lightWords } from '../../../strings/light';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { typedNumber, wordsOf } from '../../../ui/typed';

const fields = [
    ['setting', lightWords.shots.setting],
    ['frames', lightWords.shots.count],
    ['movedMm', lightWords.shots.moved],
] as const;

/** How far one focus step of the camera turns this lens: measured from two frames, kept with the lens. */
export function MeasureStep({ rig, onClose }: { rig: RigView; onClose: () => void }) {
    const queries = useQueryClient();
    const say = lightWords.shots;
    const measure = useMutation({
        mutationFn: (body: { setting: number; frames: number; movedMm: number }) =>
            api.measureBracketing(rig.id, { revision: rig.revision, ...body }),
        onSuccess: (shots) => {
            void kitChanged(queries, undefined);
            queries.setQueryData(keys.shots(rig.id, shots.revision), shots);
            onClose();
        },
    });
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const word = wordsOf(event.currentTarget);
        const [setting, frames, movedMm] = fields.map(([name]) => typedNumber(word(name)) ?? NaN);
        measure.mutate({ setting: setting ?? NaN, frames: frames ?? NaN, movedMm: movedMm ?? NaN });
    };
    const faults = measure.error instanceof Refused ? measure.error.fields : {};
    return (
        <Dialog open onOpenChange={onClose} title={say.measureTitle} text={say.measureText}>
            <form onSubmit={submit} className="flex flex-col gap-2">
                {fields.map(([name, label]) => (
                    <label key={name} className="text-sm">
                        {label}
                        <input
                            name={name}
                            inputMode="decimal"
                            required
                            aria-invalid={faults[name] !== undefined}
                            className="figures block w-40 border-b-2 border-brass bg-ground px-1.5 py-1 text-sm"
                        />
                        {faults[name] !== undefined && (
                            <span role="alert" className="block text-xs">
                                {faults[name]}
                            </span>
                        )}
                    </label>
                ))}
                {measure.error && !fields.some(([name]) => faults[name] !== undefined) && (
                    <p role="alert" className="border-l-[3px] border-ink pl-2 text-sm">
                        {Object.values(faults)[0] ?? messageOf(measure.error)}
                    </p>
                )}
                <div className="flex justify-end gap-2 pt-3">
                    <Button onClick={onClose}>{strings.dialog.cancel}</Button>
                    <Button strong type="submit" disabled={measure.isPending}>
                        {say.keep}
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
