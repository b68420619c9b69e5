import type { Schema } from '../../../api/client';
import { look as lookWords } from '../../../strings/look';
import { time } from '../../../ui/shutter';

const say = lookWords.look;

/** So many frames are drawn one by one; of more, each box stands for some. */
const most = 60;

/** A stack that runs: how far it is, frame by frame. */
export function StackStrip({ run }: { run: Schema['RunView'] }) {
    const boxes = Math.min(most, run.frames);
    const now = run.state === 'running' || run.state === 'paused' ? run.taken : -1;
    return (
        <div role="group" aria-label={say.frames(run.frames)} className="grid gap-1">
            <p className="text-sm" aria-live="polite">
                <span className="font-semibold">{say.frames(run.frames)}</span>{' '}
                <span className="text-soft" data-testid="stack">
                    {say.taken(run.taken, time(run.secondsAFrame), time(run.secondsLeft))}
                    {run.state === 'running' ? '' : ` · ${say.states[run.state]}`}
                </span>
            </p>
            <div className="flex flex-wrap gap-[3px]" aria-hidden="true">
                {Array.from({ length: boxes }, (_, n) => {
                    const [from, to] = [Math.floor((n * run.frames) / boxes), Math.floor(((n + 1) * run.frames) / boxes)];
                    return (
                        <span
                            key={n}
                            className={`h-5 w-2.5 border ${to <= run.taken ? 'border-verdigris bg-verdigris/40' : from <= now && now < to ? 'border-2 border-brass' : 'border-line'}`}
                        />
                    );
                })}
            </div>
            {run.reason !== null && (
                <p role="alert" className="border-l-[3px] border-ink pl-2 text-sm">
                    {run.state === 'running' ? say.retried(run.reason) : run.reason}
                </p>
            )}
        </div>
    );
}
