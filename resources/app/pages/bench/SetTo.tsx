import { Popover } from 'radix-ui';
import { useState, type SubmitEvent } from 'react';
import { messageOf, type RigView, type Step } from '../../api/client';
import { strings } from '../../strings/index';
import { Button } from '../../ui/Button';
import { asksNear } from './asksNear';

interface Props {
    rig: RigView;
    onStep: (step: Step) => Promise<unknown>;
}

type Reading = Extract<Step, { action: 'solve' }>['reading'];

/** Wishes that the core solves: life size, a filled frame, as close or as far as it goes. It says which part it moved. */
export function SetTo({ rig, onStep }: Props) {
    const [open, setOpen] = useState(false);
    const [trouble, setTrouble] = useState<string | null>(null);
    // What can't be reached is asked about before it is set as near as it gets.
    const [short, setShort] = useState<{ reading: Reading; value: number } | null>(null);
    const movable = rig.travels.some((travel) => travel.kind === 'length' || travel.kind === 'focus');
    const solve = (reading: Reading, value: number, near = false) => {
        setTrouble(null);
        setShort(null);
        onStep({ action: 'solve', reading, value, near })
            .then(() => setOpen(false))
            .catch((error: unknown) => {
                setTrouble(messageOf(error));
                if (asksNear(error)) setShort({ reading, value });
            });
    };
    const submit = (reading: Reading) => (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const value = Number(new FormData(event.currentTarget).get('value'));
        if (value > 0) solve(reading, value);
    };
    const { least, greatest } = rig.range.magnification;
    return (
        <Popover.Root
            open={open}
            onOpenChange={(now) => {
                setOpen(now);
                setTrouble(null);
                setShort(null);
            }}
        >
            <Popover.Trigger
                disabled={!movable}
                className="plate border border-line px-3 py-1 text-sm hover:border-ink disabled:text-soft data-[state=open]:border-brass"
            >
                {strings.setTo.title}
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content
                    align="end"
                    sideOffset={6}
                    aria-label={strings.setTo.title}
                    className="z-20 w-80 border border-ink bg-plate p-3 text-sm"
                >
                    <div className="flex flex-wrap gap-1.5">
                        <Button onClick={() => solve('magnification', 1)}>{strings.setTo.lifeSize}</Button>
                        {greatest !== null && <Button onClick={() => solve('magnification', greatest)}>{strings.setTo.largest}</Button>}
                        {least !== null && (
                            <Button onClick={() => solve('magnification', least)}>
                                {least === 0 ? strings.setTo.infinity : strings.setTo.smallest}
                            </Button>
                        )}
                    </div>
                    <Blank label={strings.setTo.fill} unit="mm" initial={rig.subject?.widthMm ?? null} onSubmit={submit('fieldWidthMm')} />
                    <Blank label={strings.setTo.magnify} unit="×" initial={null} onSubmit={submit('magnification')} />
                    <Blank label={strings.setTo.from} unit="mm" initial={null} onSubmit={submit('workingDistanceMm')} />
                    {trouble && (
                        <p role="alert" className="mt-2 border-l-[3px] border-ink pl-2">
                            {trouble}
                        </p>
                    )}
                    {short && (
                        <Button className="mt-1.5" onClick={() => solve(short.reading, short.value, true)}>
                            {strings.setTo.near}
                        </Button>
                    )}
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

function Blank({
    label,
    unit,
    initial,
    onSubmit,
}: {
    label: string;
    unit: string;
    initial: number | null;
    onSubmit: (event: SubmitEvent<HTMLFormElement>) => void;
}) {
    return (
        <form onSubmit={onSubmit} className="mt-2 flex items-baseline gap-2">
            <label className="flex flex-1 items-baseline gap-2">
                <span className="flex-1">{label}</span>
                <input
                    name="value"
                    type="number"
                    step="any"
                    min="0.001"
                    required
                    defaultValue={initial ?? undefined}
                    className="figures w-20 border-b-2 border-brass bg-transparent px-1 text-right text-brass outline-none focus:bg-ground"
                />
                <span className="text-soft">{unit}</span>
            </label>
            <Button type="submit" className="py-0.5!">
                {strings.setTo.set}
            </Button>
        </form>
    );
}
