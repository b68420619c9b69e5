import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, reasonOf } from '../../../api/client';
import { keys, kitChanged } from '../../../api/queries';
import { TrialTold } from '../../../measure/TrialTold';
import { log as logWords } from '../../../strings/log';
import { pictures as picturesWords } from '../../../strings/pictures';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';

const say = picturesWords.trial;

/** The trial of an entry as a curve, and one press that keeps it with its lens. */
export function TrialOfEntry({ outing, entry, onClose }: { outing: number; entry: string; onClose: () => void }) {
    const queries = useQueryClient();
    const seen = useQuery({
        queryKey: keys.trialOfEntry(outing, entry),
        queryFn: () => api.trialOfEntry(outing, entry, false),
        retry: false,
    });
    const keep = useMutation({
        mutationFn: () => api.trialOfEntry(outing, entry, true),
        onSuccess: () => void kitChanged(queries, undefined),
    });
    const trial = keep.data ?? seen.data;
    const error = keep.error ?? seen.error;
    return (
        <Dialog wide open onOpenChange={(on) => !on && onClose()} title={logWords.log.trialKept} text={logWords.log.trialText}>
            {trial && <TrialTold trial={trial} />}
            {error !== null && (
                <p role="alert" className="border-l-[3px] border-ink pl-2 text-sm">
                    {reasonOf(error)}
                </p>
            )}
            {trial?.kept && (
                <p role="status" className="pt-2 text-sm text-verdigris">
                    {say.kept}
                </p>
            )}
            {trial && trial.part === null && <p className="pt-2 text-sm">{say.noPart}</p>}
            <div className="mt-4 flex justify-end gap-2">
                <Button onClick={onClose}>{say.close}</Button>
                <Button strong disabled={!trial || trial.kept || trial.part === null || keep.isPending} onClick={() => keep.mutate()}>
                    {say.keep}
                </Button>
            </div>
        </Dialog>
    );
}
