import type { ButtonHTMLAttributes } from 'react';

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
    /** The one that is meant to be pressed. */
    strong?: boolean;
    /** Without a frame, for bars. */
    bare?: boolean;
}

export function Button({ strong = false, bare = false, className = '', type = 'button', ...rest }: Props) {
    const look = bare
        ? 'px-2 py-1 text-soft hover:text-ink disabled:text-soft/50 disabled:hover:text-soft/50'
        : strong
          ? 'plate px-3 py-1.5 bg-ink! text-plate font-medium disabled:opacity-60'
          : 'plate px-3 py-1.5 border border-line hover:border-ink disabled:text-soft aria-pressed:border-brass aria-pressed:font-semibold';
    return <button type={type} className={`text-sm ${look} ${className}`} {...rest} />;
}
