import { useId, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { practice as practiceWords } from '../../strings/practice';
import { Button } from '../../ui/Button';
import { digits, lengthDigits, type Units } from '../../ui/figures';
import { useWidth } from '../../ui/useWidth';
import { ends, engraved, isEven, placeOf, said, stepped, typed, valueAt, wider, widthSaid, type Asked, type Guess } from './guess';

const say = practiceWords.practice;

const [most, height, line] = [820, 96, 56];

/** A decade that is narrower has room for the figure of its 1 alone. */
const roomy = 110;

interface Props {
    asked: Asked;
    guess: Guess | null;
    /** Where it begins when nothing was moved yet. */
    first: Guess;
    onGuess: (guess: Guess) => void;
    /** Once it is told: nothing moves any more. */
    truth: number | null;
    units: Units;
}

/** The scale of an answer: a pointer, its width, and the truth over it once that is told. */
export function GuessScale({ asked, guess, first, onGuess, truth, units }: Props) {
    const id = useId();
    const track = useRef<SVGSVGElement>(null);
    const held = useRef(false);
    const [text, setText] = useState<string | null>(null);
    const now = guess ?? first;
    const isOver = truth !== null;
    const width = useWidth(track, most);
    const edge = width < 500 ? 22 : 40;
    const perDecade = (width - 2 * edge) / Math.log10(asked.greatest / Math.max(asked.least, 1e-9));
    const isTight = !isEven(asked) && perDecade < roomy;
    const x = (value: number) => edge + placeOf(asked, value) * (width - 2 * edge);
    const { low, high } = ends(asked, now);

    const to = (event: PointerEvent) => {
        const box = track.current?.getBoundingClientRect();
        if (!box || isOver) return;
        const place = (event.clientX - box.left - edge) / (width - 2 * edge);
        setText(null);
        onGuess({ ...now, value: valueAt(asked, place) });
    };
    const onKey = (event: KeyboardEvent) => {
        if (isOver || event.ctrlKey || event.metaKey || event.altKey) return;
        const by = event.shiftKey ? 10 : 1;
        const moved: Partial<Record<string, Guess>> = {
            ArrowRight: { ...now, value: stepped(asked, now.value, by) },
            ArrowLeft: { ...now, value: stepped(asked, now.value, -by) },
            ArrowUp: { ...now, width: wider(asked, now.width, 1) },
            ArrowDown: { ...now, width: wider(asked, now.width, -1) },
            PageUp: { ...now, value: stepped(asked, now.value, 20) },
            PageDown: { ...now, value: stepped(asked, now.value, -20) },
            Home: { ...now, value: asked.least },
            End: { ...now, value: asked.greatest },
        };
        const next = moved[event.key];
        if (next === undefined) return;
        event.preventDefault();
        setText(null);
        onGuess(next);
    };
    const keep = () => {
        const value = text === null ? null : typed(asked, text, units);
        if (value !== null) onGuess({ ...now, value });
        setText(null);
    };
    const label = (value: number) => (asked.unit === 'mm' ? lengthDigits(value, units) : digits(value));
    const words = said(asked.unit, now.value, units);
    return (
        <div className="max-w-[820px]">
            {isOver ? (
                <p className="figures flex min-h-9 items-center gap-x-3 pb-1 text-sm text-brass">
                    {guess === null ? say.didntKnow : `${say.guess}: ${words}, ${widthSaid(asked, now.width)}`}
                </p>
            ) : (
                <div className="flex min-h-9 flex-wrap items-center gap-x-3 gap-y-1 pb-1">
                    <label htmlFor={id} className="sr-only">
                        {say.typeIt}
                    </label>
                    <input
                        id={id}
                        inputMode="decimal"
                        autoComplete="off"
                        className="figures w-40 border-b-2 border-brass bg-transparent px-1 text-lg font-semibold text-brass placeholder:font-normal placeholder:text-soft"
                        placeholder={say.notYet}
                        value={text ?? (guess === null ? '' : words)}
                        onFocus={(event) => event.currentTarget.select()}
                        onChange={(event) => setText(event.target.value)}
                        onBlur={keep}
                        onKeyDown={(event) =>
                            event.key === 'Enter' && text !== null && (event.preventDefault(), event.stopPropagation(), keep())
                        }
                    />
                    <span className="figures text-sm text-brass">{widthSaid(asked, now.width)}</span>
                    <span className="flex">
                        <Button
                            aria-label={say.narrower}
                            title={say.narrower}
                            onClick={() => onGuess({ ...now, width: wider(asked, now.width, -1) })}
                        >
                            −
                        </Button>
                        <Button
                            aria-label={say.wider}
                            title={say.wider}
                            onClick={() => onGuess({ ...now, width: wider(asked, now.width, 1) })}
                        >
                            +
                        </Button>
                    </span>
                </div>
            )}
            <svg
                ref={track}
                viewBox={`0 0 ${width} ${height}`}
                className="block h-24 w-full touch-none select-none focus-visible:outline-2"
                role="slider"
                tabIndex={isOver ? -1 : 0}
                aria-label={say.guessLabel}
                aria-valuemin={asked.least}
                aria-valuemax={asked.greatest}
                aria-valuenow={now.value}
                aria-valuetext={`${words}, ${widthSaid(asked, now.width)}`}
                aria-disabled={isOver}
                onKeyDown={onKey}
                onPointerDown={(event) => {
                    event.currentTarget.setPointerCapture(event.pointerId);
                    held.current = true;
                    to(event);
                }}
                onPointerMove={(event) => held.current && to(event)}
                onPointerUp={() => (held.current = false)}
                onPointerCancel={() => (held.current = false)}
            >
                <rect x={0} y={0} width={width} height={height} fill="transparent" />
                {guess !== null && (
                    <rect x={x(low)} y={line - 10} width={Math.max(2, x(high) - x(low))} height={10} fill="var(--brass)" opacity={0.32} />
                )}
                <path d={`M${edge} ${line}H${width - edge}`} stroke="var(--ink)" strokeWidth={1.5} />
                {engraved(asked, isTight).map((mark) => (
                    <g key={mark.value}>
                        <path d={`M${x(mark.value)} ${line}v${mark.label ? 9 : 5}`} stroke="var(--ink)" />
                        {mark.label && (
                            <text x={x(mark.value)} y={line + 26} textAnchor="middle" fontSize={13} className="figures" fill="var(--ink)">
                                {label(mark.value)}
                            </text>
                        )}
                    </g>
                ))}
                <path
                    d={`M${x(now.value) - 8} ${line - 32}h16v10l-8 10l-8 -10Z`}
                    fill={guess === null ? 'var(--plate)' : 'var(--brass)'}
                    stroke="var(--brass)"
                    strokeWidth={1.5}
                />
                {truth !== null && (
                    <>
                        <path d={`M${x(truth)} ${line - 40}V${line + 10}`} stroke="var(--madder)" strokeWidth={3} />
                        <text
                            x={Math.max(70, Math.min(width - 70, x(truth)))}
                            y={12}
                            textAnchor="middle"
                            fontSize={14}
                            fontWeight={600}
                            className="figures"
                            fill="var(--madder)"
                        >
                            {said(asked.unit, truth, units)}
                        </text>
                    </>
                )}
            </svg>
        </div>
    );
}
