import { NavLink } from 'react-router';
import { log as logWords } from '../../../strings/log';

const say = logWords.log;

/** Outings, everything written down on them, and what that says of how right the tool was. */
export function LogNav() {
    return (
        <nav aria-label={say.nav} className="flex gap-5 border-b border-line px-5 text-sm">
            {(
                [
                    ['/outings', say.outings],
                    ['/outings/log', say.log],
                    ['/outings/ledger', say.ledger],
                ] as const
            ).map(([to, words]) => (
                <NavLink
                    key={to}
                    to={to}
                    end
                    className="flex min-h-10 items-center text-soft hover:text-ink aria-[current=page]:font-semibold aria-[current=page]:text-ink aria-[current=page]:shadow-[inset_0_-2px_0_var(--brass)]"
                >
                    {words}
                </NavLink>
            ))}
        </nav>
    );
}
