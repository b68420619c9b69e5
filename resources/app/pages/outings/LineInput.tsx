import type { InputHTMLAttributes } from 'react';

/** A labelled line of a form. */
export function LineInput({ label, className = '', ...rest }: { label: string } & InputHTMLAttributes<HTMLInputElement>) {
    return (
        <label className={`block text-sm ${className}`}>
            {label}
            <input autoComplete="off" className="mt-1 block w-full border-b-2 border-brass bg-ground px-2 py-1.5 text-base" {...rest} />
        </label>
    );
}
