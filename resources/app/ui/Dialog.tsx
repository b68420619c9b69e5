import { Dialog as Primitive } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props {
    open: boolean;
    onOpenChange: (open: boolean) => void;
    title: string;
    text: string;
    /** For what has columns. */
    wide?: boolean;
    children: ReactNode;
}

export function Dialog({ open, onOpenChange, title, text, wide = false, children }: Props) {
    return (
        <Primitive.Root open={open} onOpenChange={onOpenChange}>
            <Primitive.Portal>
                <Primitive.Overlay className="fixed inset-0 z-20 bg-veil" />
                <Primitive.Content
                    className={`plate slim-scroll fixed left-1/2 z-30 max-h-[88dvh] -translate-x-1/2 overflow-y-auto border border-ink p-5 ${
                        wide ? 'top-[6dvh] w-[min(720px,calc(100vw-32px))]' : 'top-[10dvh] w-[min(440px,calc(100vw-32px))]'
                    }`}
                >
                    <Primitive.Title className="text-lg font-semibold">{title}</Primitive.Title>
                    <Primitive.Description className="mt-1 text-sm text-soft">{text}</Primitive.Description>
                    <div className="mt-4">{children}</div>
                </Primitive.Content>
            </Primitive.Portal>
        </Primitive.Root>
    );
}
