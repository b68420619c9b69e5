import { ChevronDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';

interface MenuProps {
    label: ReactNode;
    children: ReactNode;
    align?: 'start' | 'end';
    onOpen?: () => void;
}

export function Menu({ label, children, align = 'start', onOpen }: MenuProps) {
    return (
        <DropdownMenu.Root modal={false} onOpenChange={(open) => open && onOpen?.()}>
            <DropdownMenu.Trigger className="px-2 py-1 text-sm whitespace-nowrap text-soft hover:text-ink data-[state=open]:text-ink">
                {label}
                <ChevronDown aria-hidden className="mb-0.5 ml-0.5 inline size-3.5" />
            </DropdownMenu.Trigger>
            <DropdownMenu.Portal>
                <DropdownMenu.Content
                    align={align}
                    sideOffset={6}
                    className="slim-scroll z-20 max-h-[80vh] max-w-[min(420px,calc(100vw-16px))] min-w-[200px] overflow-auto border border-ink bg-plate py-1"
                >
                    {children}
                </DropdownMenu.Content>
            </DropdownMenu.Portal>
        </DropdownMenu.Root>
    );
}

export function MenuItem({
    onSelect,
    children,
    note,
    disabled = false,
}: {
    onSelect: () => void;
    children: ReactNode;
    note?: string;
    disabled?: boolean;
}) {
    return (
        <DropdownMenu.Item
            disabled={disabled}
            onSelect={onSelect}
            className="block cursor-pointer px-3 py-1.5 text-sm outline-none data-[disabled]:text-soft data-[highlighted]:bg-ground data-[highlighted]:shadow-[inset_3px_0_0_var(--brass)]"
        >
            {children}
            {note && <span className="block text-xs text-soft">{note}</span>}
        </DropdownMenu.Item>
    );
}

export function MenuLine() {
    return <DropdownMenu.Separator className="my-1 h-px bg-line" />;
}

/** One of several, with a mark at the one in force. */
export function MenuChoice<T extends string>({
    value,
    choices,
    onChange,
}: {
    value: T;
    choices: readonly (readonly [T, string])[];
    onChange: (value: T) => void;
}) {
    return (
        <DropdownMenu.RadioGroup value={value} onValueChange={(chosen) => onChange(chosen as T)}>
            {choices.map(([choice, text]) => (
                <DropdownMenu.RadioItem
                    key={choice}
                    value={choice}
                    className="flex cursor-pointer justify-between gap-6 px-3 py-1.5 text-sm outline-none data-[highlighted]:bg-ground data-[state=checked]:font-semibold"
                >
                    {text}
                    <DropdownMenu.ItemIndicator className="text-brass">●</DropdownMenu.ItemIndicator>
                </DropdownMenu.RadioItem>
            ))}
        </DropdownMenu.RadioGroup>
    );
}
