import { Popover } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { strings } from '../strings/index';
import { TermDrawing } from './TermDrawing';

export type Term = keyof typeof strings.terms.says;

const kept = 'asked terms';

const askedBefore = (): readonly string[] => (localStorage.getItem(kept) ?? '').split(',');

interface Props {
    of: Term;
    children: ReactNode;
    /** What else is told of it, once it is open. */
    more?: (() => ReactNode) | undefined;
    wide?: boolean;
}

/** A term that can be asked where it stands: one sentence and one small drawing. Marked until it was asked once on this device. */
export function Term({ of, children, more, wide = false }: Props) {
    const [asked, setAsked] = useState(() => askedBefore().includes(of));
    return (
        <Popover.Root
            onOpenChange={(open) => {
                if (!open || asked) return;
                setAsked(true);
                localStorage.setItem(kept, [...new Set([...askedBefore(), of])].filter(Boolean).join(','));
            }}
        >
            <Popover.Trigger
                data-term={of}
                className={`text-left decoration-from-font underline-offset-[3px] hover:underline data-[state=open]:underline ${asked ? '' : 'underline decoration-soft decoration-dotted'}`}
            >
                {children}
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content
                    align="start"
                    sideOffset={4}
                    collisionPadding={8}
                    aria-label={typeof children === 'string' ? strings.terms.ask(children) : undefined}
                    className={`slim-scroll z-40 max-h-[min(76dvh,var(--radix-popover-content-available-height))] overflow-y-auto border border-ink bg-plate p-3 text-sm font-normal text-ink ${wide ? 'w-[min(440px,calc(100vw-16px))]' : 'w-[min(320px,calc(100vw-16px))]'}`}
                >
                    <p>{strings.terms.says[of]}</p>
                    <TermDrawing of={of} />
                    {more?.()}
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}
