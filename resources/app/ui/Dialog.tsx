import { Dialog as Primitive } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props {
    open: boolean;
    onOpenChange: (open: boolean) => void;
    title: string;
    text: string;
    children: ReactNode;
}

export function Dialog({ open, onOpenChange, title, text, children }: Props) {
    return (
        <Primitive.Root open={open} onOpenChange={onOpenChange}>
            <Primitive.Portal>
                <Primitive.Overlay className="fixed inset-0 z-20 bg-ink/35" />
                <Primitive.Content className="plate fixed top-[20%] left-1/2 z-30 w-[min(440px,calc(100vw-32px))] -translate-x-1/2 border border-ink p-5">
                    <Primitive.Title className="text-lg font-semibold">{title}</Primitive.Title>
                    <Primitive.Description className="mt-1 text-sm text-soft">{text}</Primitive.Description>
                    <div className="mt-4">{children}</div>
                </Primitive.Content>
            </Primitive.Portal>
        </Primitive.Root>
    );
}
