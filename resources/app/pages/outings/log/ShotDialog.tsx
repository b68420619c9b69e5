import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import { api, reasonOf } from '../../../api/client';
import { kitChanged, logChanged } from '../../../api/queries';
import { Compared } from '../../../kit/Compared';
import { log as logWords } from '../../../strings/log';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';

const say = logWords.log;

/** What was measured goes to its lens, with one press; then what that lens is taken for, before and after. */
export function ShotDialog({ outing, entry, onClose }: { outing: number; entry: string; onClose: () => void }) {
    const queries = useQueryClient();
    const shot = useMutation({
        mutationFn: () => api.shotOfEntry(outing, entry),
        onSuccess: () => {
            void kitChanged(queries, undefined);
            logChanged(queries);
        },
    });
    const pressed = useRef(false);
    const { mutate } = shot;
    useEffect(() => {
        // Once, however often the screen is drawn.
        if (!pressed.current) mutate();
        pressed.current = true;
    }, [mutate]);
    return (
        <Dialog wide open onOpenChange={(on) => !on && onClose()} title={say.shotTitle} text={say.shotText}>
            {shot.error !== null && (
                <p role="alert" className="border-l-[3px] border-ink pl-2 text-sm">
                    {reasonOf(shot.error)}
                </p>
            )}
            {shot.data && (
                <>
                    <p role="status" className="text-sm text-verdigris">
                        {say.kept}
                    </p>
                    <Compared view={shot.data} />
                </>
            )}
            <div className="mt-4 flex items-center justify-end gap-3">
                <Link to="/kit" className="text-sm text-beam underline underline-offset-2">
                    {say.toKit}
                </Link>
                <Button strong onClick={onClose}>
                    {say.close}
                </Button>
            </div>
        </Dialog>
    );
}
