import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { log as logWords } from '../../strings/log';
import { dayWords, type Outing } from './day';

const say = logWords.log;

interface Props {
    outing: Outing;
    place: 'before' | 'after';
    /** How it stands, in a line. */
    state: ReactNode;
    children: ReactNode;
}

/** What an outing is called, when and where it is, and its two sides: before and after. */
export function OutingHead({ outing, place, state, children }: Props) {
    return (
        <header className="flex flex-wrap items-center gap-x-3 gap-y-2 px-5 pt-3">
            <div className="mr-auto">
                <h1 className="inline text-lg font-semibold">{outing.name}</h1>{' '}
                <span className="text-sm text-soft">
                    {[outing.date === null ? null : dayWords(outing.date), outing.place].filter(Boolean).join(' · ')}
                </span>
                <p className="min-h-[18px] text-sm text-soft" role="status">
                    {state}
                </p>
            </div>
            <nav aria-label={say.steps} className="flex border border-line text-sm">
                {(['before', 'after'] as const).map((each) => (
                    <Link
                        key={each}
                        to={each === 'before' ? `/outings/${outing.id}` : `/outings/${outing.id}/after`}
                        aria-current={each === place ? 'page' : undefined}
                        className="px-3 py-1.5 text-soft hover:text-ink aria-[current=page]:bg-plate aria-[current=page]:font-semibold aria-[current=page]:text-ink aria-[current=page]:shadow-[inset_0_-2px_0_var(--brass)]"
                    >
                        {say[each]}
                    </Link>
                ))}
            </nav>
            {children}
        </header>
    );
}
