import { ToggleGroup } from 'radix-ui';
import type { ReactNode } from 'react';
import type { Body } from './answers';

const chip =
    'min-h-8 bg-plate px-3 py-1 text-sm data-[state=on]:font-semibold data-[state=on]:shadow-[inset_0_-2px_0_var(--brass)] hover:shadow-[inset_0_-1px_0_var(--ink)] max-sm:min-h-11';

/** One of several, as chips. */
export function OneOf<T extends string>(props: {
    label: string;
    value: T | null;
    choices: readonly T[];
    told: (choice: T) => ReactNode;
    onChange: (choice: T) => void;
    className?: string;
    each?: string;
}) {
    return (
        <ToggleGroup.Root
            type="single"
            aria-label={props.label}
            value={props.value ?? ''}
            onValueChange={(chosen) => chosen !== '' && props.onChange(chosen as T)}
            className={props.className ?? 'flex flex-wrap gap-1.5'}
        >
            {props.choices.map((choice) => (
                <ToggleGroup.Item key={choice} value={choice} className={props.each ?? chip}>
                    {props.told(choice)}
                </ToggleGroup.Item>
            ))}
        </ToggleGroup.Root>
    );
}

/** Any of several, as chips. */
export function AnyOf<T extends string>(props: {
    label: string;
    value: readonly T[];
    choices: readonly T[];
    told: (choice: T) => string;
    onChange: (choices: readonly T[]) => void;
}) {
    return (
        <ToggleGroup.Root
            type="multiple"
            aria-label={props.label}
            value={[...props.value]}
            onValueChange={(chosen) => props.onChange(chosen as T[])}
            className="flex flex-wrap gap-1.5"
        >
            {props.choices.map((choice) => (
                <ToggleGroup.Item key={choice} value={choice} className={chip}>
                    {props.told(choice)}
                </ToggleGroup.Item>
            ))}
        </ToggleGroup.Root>
    );
}

/** Widths of body and height of what stands over it, as such bodies are beside each other. */
const shapes: Readonly<Record<Body, { wide: number; hump: number; barrel: number }>> = {
    'mirrorless-36': { wide: 46, hump: 0, barrel: 6 },
    'mirrorless-23': { wide: 40, hump: 0, barrel: 5 },
    'mirrorless-17': { wide: 34, hump: 0, barrel: 5 },
    'mirror-36': { wide: 48, hump: 11, barrel: 9 },
    'mirror-23': { wide: 42, hump: 9, barrel: 8 },
    'built-in': { wide: 34, hump: 0, barrel: 26 },
};

/** A body from the side, its mount to the right. */
export function BodyShape({ body }: { body: Body }) {
    const { wide, hump, barrel } = shapes[body];
    const left = 43 - (wide + barrel) / 2;
    const right = left + wide;
    const [top, bottom] = [16, 46];
    return (
        <svg
            viewBox="0 0 86 52"
            className="mx-auto block h-[46px] w-[86px]"
            aria-hidden="true"
            fill="none"
            stroke="currentColor"
            strokeWidth="1.5"
        >
            <path
                d={`M${left} ${bottom}V${top}H${left + (hump === 0 ? wide : wide * 0.3)}${hump === 0 ? '' : `L${left + wide * 0.38} ${top - hump}H${left + wide * 0.74}L${left + wide * 0.86} ${top}H${right}`}V${bottom}Z`}
            />
            {body === 'built-in' ? (
                <path d={`M${right} 21H${right + barrel * 0.55}V18H${right + barrel}V44H${right + barrel * 0.55}V41H${right}`} />
            ) : (
                <path d={`M${right} 22H${right + barrel}V40H${right}`} />
            )}
        </svg>
    );
}
