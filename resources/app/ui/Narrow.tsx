interface Props {
    value: string;
    onChange: (value: string) => void;
    label: string;
    placeholder: string;
    autoFocus?: boolean;
    /** Width and height. */
    className: string;
}

export const narrowLook = 'border-b border-ink bg-transparent px-1 text-sm outline-none placeholder:text-soft focus:border-brass';

/** A blank that narrows what stands below it. */
export function Narrow({ value, onChange, label, placeholder, autoFocus = false, className }: Props) {
    return (
        <input
            autoFocus={autoFocus}
            value={value}
            onChange={(event) => onChange(event.target.value)}
            placeholder={placeholder}
            aria-label={label}
            className={`${narrowLook} ${className}`}
        />
    );
}
