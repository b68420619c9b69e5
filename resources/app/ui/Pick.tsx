import { DropdownMenu } from 'radix-ui';

interface PickProps<T extends string> {
    /** null = none of them yet. */
    value: T | null;
    choices: readonly (readonly [T, string])[];
    /** What stands there while none is chosen. */
    none?: string;
    label?: string;
    onChange: (value: T) => void;
}

/** Words of a sentence that stand for others. */
export function Pick<T extends string>({ value, choices, none = '…', label, onChange }: PickProps<T>) {
    const said = choices.find(([each]) => each === value)?.[1] ?? none;
    return (
        <DropdownMenu.Root modal={false}>
            <DropdownMenu.Trigger
                aria-label={label === undefined ? undefined : `${label}: ${said}`}
                className="border-b-2 border-dotted border-verdigris text-verdigris"
            >
                {said}
            </DropdownMenu.Trigger>
            <DropdownMenu.Portal>
                <DropdownMenu.Content
                    align="start"
                    sideOffset={6}
                    className="slim-scroll z-20 max-h-[60vh] min-w-[160px] overflow-auto border border-ink bg-plate py-1"
                >
                    <DropdownMenu.RadioGroup value={value ?? ''} onValueChange={(chosen) => onChange(chosen as T)}>
                        {choices.map(([choice, text]) => (
                            <DropdownMenu.RadioItem
                                key={choice}
                                value={choice}
                                className="cursor-pointer px-3 py-1.5 text-sm outline-none data-[highlighted]:bg-ground data-[highlighted]:shadow-[inset_3px_0_0_var(--brass)] data-[state=checked]:font-semibold"
                            >
                                {text}
                            </DropdownMenu.RadioItem>
                        ))}
                    </DropdownMenu.RadioGroup>
                </DropdownMenu.Content>
            </DropdownMenu.Portal>
        </DropdownMenu.Root>
    );
}
