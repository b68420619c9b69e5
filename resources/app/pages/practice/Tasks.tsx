import { Link } from 'react-router';
import type { Schema } from '../../api/client';
import { practice as practiceWords } from '../../strings/practice';

const say = practiceWords.practice.tasks;

/** What can be practised before the made-up camera, and how often it was done. */
export function Tasks({ tasks, rig }: { tasks: readonly Schema['TaskView'][]; rig: number | null }) {
    return (
        <section aria-label={say.title} className="pt-6">
            <h2 className="pb-1 text-base font-semibold">{say.title}</h2>
            {rig === null ? (
                <p className="text-sm text-soft">{say.noRig}</p>
            ) : (
                <ul>
                    {tasks.map(({ task, tried, done }) => (
                        <li key={task} className="flex items-baseline justify-between gap-3 border-b border-line py-2 text-sm">
                            <Link to={`/bench/${rig}?work=look`} className="text-beam underline underline-offset-2">
                                {say.of[task]}
                            </Link>
                            <span className="figures text-soft">{say.done(done, tried)}</span>
                        </li>
                    ))}
                </ul>
            )}
        </section>
    );
}
