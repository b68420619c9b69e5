import type { ReactNode } from 'react';
import { strings } from '../strings/index';
import { Mark } from './Mark';

/** Where a link in a letter leads: what it asks, and once that is done, the way on. */
export function LetterPage({
    title,
    done,
    said,
    onwards,
    children,
}: {
    title: string;
    done: boolean;
    said: string;
    onwards: string;
    children: ReactNode;
}) {
    return (
        <main className="grid min-h-dvh place-items-center px-6 py-10">
            <div className="w-full max-w-[420px]">
                <div className="flex items-center gap-3">
                    <Mark size={30} />
                    <span className="text-lg font-semibold">{strings.product}</span>
                </div>
                <h1 className="mt-8 text-lg font-semibold">{title}</h1>
                {done ? (
                    <p role="status" className="pt-3">
                        {said}{' '}
                        <a className="text-beam underline underline-offset-2" href="/">
                            {onwards}
                        </a>
                    </p>
                ) : (
                    children
                )}
            </div>
        </main>
    );
}
