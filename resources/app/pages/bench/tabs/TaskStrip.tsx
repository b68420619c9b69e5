import { useState } from 'react';
import { api, reasonOf, type Schema } from '../../../api/client';
import { look as lookWords } from '../../../strings/look';
import { Button } from '../../../ui/Button';
import { phrase, type Units } from '../../../ui/figures';

const say = lookWords.look.tasks;

interface Props {
    rig: number;
    look: Schema['LookView'];
    units: Units;
    onArrived: (look: Schema['LookView']) => void;
}

/** What is to be practised before the made-up camera, and whether it is done. */
export function TaskStrip({ rig, look, units, onArrived }: Props) {
    const [judged, setJudged] = useState<Schema['JudgedView'] | null>(null);
    const [trouble, setTrouble] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const act = (what: () => Promise<void>) => {
        setBusy(true);
        setTrouble(null);
        void what()
            .catch((error: unknown) => setTrouble(reasonOf(error)))
            .finally(() => setBusy(false));
    };
    const set = (task: Schema['SetTask']['task'] | null) =>
        act(async () => {
            setJudged(null);
            onArrived(task === null ? await api.leaveTask(rig) : await api.setTask(rig, task));
        });
    const task = look.task;
    return (
        <section aria-label={say.title} className="border-b border-line pb-2 text-sm">
            {task === null ? (
                <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
                    <span className="text-soft">{say.title}:</span>
                    {(['focus', 'life-size', 'sharpest-stop', 'stack'] as const).map((each) => (
                        <button
                            key={each}
                            type="button"
                            disabled={busy}
                            className="text-beam underline underline-offset-2"
                            onClick={() => set(each)}
                        >
                            {say.of[each]}
                        </button>
                    ))}
                </div>
            ) : (
                <>
                    <p>
                        <span className="font-semibold">{say.of[task]}.</span> {say.how[task]}
                    </p>
                    {judged && (
                        <p
                            role="status"
                            className={`mt-1 border-l-[3px] pl-2 ${judged.done ? 'border-verdigris text-verdigris' : 'border-ink'}`}
                        >
                            {judged.done ? say.done : say.notYet} {phrase(judged.pattern, judged.numbers, units)}
                        </p>
                    )}
                    <div className="mt-2 flex gap-2">
                        <Button strong disabled={busy} onClick={() => act(async () => setJudged(await api.judgeTask(rig)))}>
                            {say.judge}
                        </Button>
                        <Button disabled={busy} onClick={() => set(null)}>
                            {say.leave}
                        </Button>
                    </div>
                </>
            )}
            {trouble !== null && (
                <p role="alert" className="mt-1 border-l-[3px] border-ink pl-2">
                    {trouble}
                </p>
            )}
        </section>
    );
}
