import { outings as outingsWords } from '../../strings/outings';
import { clockWords, marksOf, type Outing, type Plan } from './day';

const say = outingsWords.outings;

/** What must be ready when, leaving, and the subjects that have a time: one line of the day. */
export function Timeline({ outing, plan }: { outing: Outing; plan: Plan | undefined }) {
    const marks = marksOf(outing, plan, say.leaveAt);
    if (marks.length === 0) return null;
    return (
        <ol
            aria-label={say.timeline}
            className="slim-scroll relative flex gap-2 overflow-x-auto px-5 pt-3 pb-2 text-center text-sm phone:flex-col phone:gap-1 phone:text-left"
        >
            {marks.map((mark, n) => (
                <li key={n} className="relative min-w-[108px] flex-1 phone:flex phone:min-w-0 phone:items-baseline phone:gap-2">
                    <span aria-hidden className="block phone:hidden">
                        <span className="absolute top-[5px] -right-1 -left-1 border-t border-ink" />
                        <span
                            className={`relative mx-auto block size-[11px] rounded-full border-[1.5px] border-ink ${mark.shot ? 'bg-brass' : 'bg-ground'}`}
                        />
                    </span>
                    <span className="figures block pt-1.5 phone:w-[80px] phone:shrink-0 phone:pt-0">
                        {clockWords(mark.at, outing.date)}
                    </span>
                    <span className="block leading-tight text-soft">
                        {mark.words}
                        {mark.late && <span className="ml-1 border-l-[3px] border-ink pl-1 font-semibold text-ink">{say.late}</span>}
                    </span>
                </li>
            ))}
        </ol>
    );
}
