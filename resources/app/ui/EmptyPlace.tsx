import type { ReactNode } from 'react';
import { Examples, type Example } from './Examples';

interface Props {
    title: string;
    text: string;
    /** What will stand here, drawn once. */
    example: Example;
    /** How it is called under the picture. */
    caption: string;
    /** The next step, as a button; more beside it. */
    children: ReactNode;
    /** Whether its title is the page's own. */
    page?: boolean;
}

/** An empty place: what will stand there, drawn, and the next step as its button. */
export function EmptyPlace({ title, text, example, caption, children, page = false }: Props) {
    const Title = page ? 'h1' : 'h2';
    return (
        <div className="flex max-w-[820px] flex-wrap items-start gap-x-10 gap-y-4 py-8" data-empty>
            <div className="max-w-[420px] min-w-[240px] flex-1">
                <Title className="text-lg font-semibold">{title}</Title>
                <p className="py-3 text-base text-soft">{text}</p>
                <div className="flex flex-wrap items-center gap-2">{children}</div>
            </div>
            <figure className="w-[340px] max-w-full">
                <Examples of={example} />
                <figcaption className="pt-1 text-xs text-soft">{caption}</figcaption>
            </figure>
        </div>
    );
}
