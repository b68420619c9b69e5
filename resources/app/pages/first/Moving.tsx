import { first as firstWords } from '../../strings/first';

/** What it does, in one moving picture; a still one for who wants no motion. */
export function Moving() {
    return (
        <picture>
            <source media="(prefers-reduced-motion: reduce)" srcSet="/moving-still.png" />
            <img
                src="/moving.gif"
                alt={firstWords.first.answer.moving}
                width={832}
                height={416}
                className="mx-auto block h-auto w-full max-w-[640px]"
            />
        </picture>
    );
}
