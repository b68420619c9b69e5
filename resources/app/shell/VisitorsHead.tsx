import { strings } from '../strings/index';
import { Mark } from './Mark';

/** The bar over what anybody with a link may see. */
export function VisitorsHead({ note }: { note: string }) {
    return (
        <header className="flex h-11 items-center gap-2 border-b border-line bg-plate px-4 text-sm">
            <Mark />
            <a href="/" className="ml-1 text-base font-semibold">
                {strings.product}
            </a>
            <span className="ml-auto text-soft">{note}</span>
        </header>
    );
}
