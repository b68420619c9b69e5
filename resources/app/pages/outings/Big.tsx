import type { ButtonHTMLAttributes } from 'react';

/** A target for a cold thumb. */
export function Big({
    strong = false,
    className = '',
    type = 'button',
    ...rest
}: { strong?: boolean } & ButtonHTMLAttributes<HTMLButtonElement>) {
    return (
        <button
            type={type}
            className={`min-h-14 border border-ink px-3 text-base ${strong ? 'bg-ink font-semibold text-plate' : 'bg-plate'} ${className}`}
            {...rest}
        />
    );
}
