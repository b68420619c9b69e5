import { log as logWords } from '../../../strings/log';
import { Button } from '../../../ui/Button';

const say = logWords.log;

/** Where one is in a list of pages, and the way to the next. */
export function Pages({ page, pages, onGo }: { page: number; pages: number; onGo: (page: number) => void }) {
    if (pages <= 1) return null;
    return (
        <p className="flex items-center gap-3 py-3 text-sm">
            <Button disabled={page <= 1} onClick={() => onGo(page - 1)}>
                {say.newer}
            </Button>
            {say.pageOf(page, pages)}
            <Button disabled={page >= pages} onClick={() => onGo(page + 1)}>
                {say.older}
            </Button>
        </p>
    );
}
