import { useEffect } from 'react';
import { Away, messageOf } from '../api/client';
import { strings } from '../strings/index';
import { Button } from './Button';

/** What could not be fetched, and the way to ask again; where the server is away, it is asked again by itself. */
export function Lost({ error, onRetry }: { error: Error; onRetry: () => void }) {
    const away = error instanceof Away;
    useEffect(() => {
        if (!away) return;
        const timer = setInterval(onRetry, 4000);
        return () => clearInterval(timer);
    }, [away, onRetry]);
    return (
        <div role="alert" className="flex flex-wrap items-center gap-3 border-l-[3px] border-ink py-1 pl-3 text-sm">
            {messageOf(error)}
            <Button onClick={onRetry}>{strings.bench.retry}</Button>
        </div>
    );
}
