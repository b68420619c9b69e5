import { useState, type SubmitEvent } from 'react';
import { saidWithout, type Entry, type Figures } from '../../offline/outings';
import { usePreferences } from '../../shell/preferences';
import { outings as outingsWords } from '../../strings/outings';
import { digits, lengthDigits } from '../../ui/figures';
import { typedNumber, wordsOf } from '../../ui/typed';
import { Big } from './Big';
import { LineInput } from './LineInput';

const say = outingsWords.outings.field;

type Said = Omit<Entry, 'id' | 'at'>;

interface Props {
    from: Said;
    onCancel: () => void;
    onKeep: (entry: Said) => Promise<void>;
}

/** What can differ from what was planned: what the scales read, what was measured, frames, how it turned out. */
export function DifferentForm({ from, onCancel, onKeep }: Props) {
    const { units } = usePreferences();
    const [reads, setReads] = useState(from.scales.map((each) => each.reads));
    const isOther = reads.some((text, n) => text.trim() !== from.scales[n]?.reads);
    const inMm = (value: number) => (units === 'mm' ? value : value * 25.4);
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const word = wordsOf(event.currentTarget);
        const number = (name: string) => typedNumber(word(name));
        const [room, across, frames, result, aperture] = [
            number('room'),
            number('across'),
            number('frames'),
            number('result'),
            number('aperture'),
        ];
        const measured: Figures = {
            ...from.measured,
            ...(room === null ? {} : { workingDistanceMm: inMm(room) }),
            ...(across === null ? {} : { fieldWidthMm: inMm(across) }),
        };
        const kept = saidWithout(from, 'predicted', 'measured', 'frames', 'result', 'note', 'aperture');
        void onKeep({
            ...kept,
            scales: from.scales.map((each, n) => ({ ...each, reads: (reads[n] ?? '').trim() || each.reads })),
            // What was said of other settings says nothing of these.
            ...(isOther || from.predicted === undefined ? {} : { predicted: from.predicted }),
            ...(Object.keys(measured).length > 0 ? { measured } : {}),
            ...(frames === null ? {} : { frames: Math.max(1, Math.round(frames)) }),
            ...(result === null ? {} : { result: Math.min(5, Math.max(1, Math.round(result))) }),
            ...(aperture === null ? {} : { aperture }),
            ...(word('note').trim() === '' ? {} : { note: word('note').trim() }),
        });
    };
    const figure = (value: number | undefined) => (value === undefined ? '' : digits(value).replaceAll(',', ''));
    return (
        <form onSubmit={submit} className="grid gap-3 pt-2">
            <p className="text-sm text-soft">{say.asked}</p>
            {from.scales.map((each, n) => (
                <LineInput
                    key={each.part}
                    label={say.reads(each.part)}
                    value={reads[n] ?? ''}
                    maxLength={60}
                    onChange={(event) => setReads(reads.map((text, at) => (at === n ? event.target.value : text)))}
                />
            ))}
            {isOther && <p className="border-l-[3px] border-ink pl-2 text-sm">{say.unknown}</p>}
            <div className="grid grid-cols-2 gap-3">
                <LineInput
                    label={`${say.room}, ${units}`}
                    name="room"
                    inputMode="decimal"
                    defaultValue={
                        from.measured?.workingDistanceMm === undefined ? '' : lengthDigits(from.measured.workingDistanceMm, units)
                    }
                />
                <LineInput
                    label={`${say.ruler}, ${units}`}
                    name="across"
                    inputMode="decimal"
                    defaultValue={from.measured?.fieldWidthMm === undefined ? '' : lengthDigits(from.measured.fieldWidthMm, units)}
                />
                <LineInput label={say.stop} name="aperture" inputMode="decimal" defaultValue={figure(from.aperture)} />
                <LineInput label={say.framesTaken} name="frames" inputMode="numeric" defaultValue={figure(from.frames)} />
            </div>
            <LineInput label={say.result} name="result" inputMode="numeric" pattern="[1-5]" defaultValue={figure(from.result)} />
            <label className="block text-sm">
                {say.note}
                <textarea
                    name="note"
                    rows={3}
                    maxLength={2000}
                    defaultValue={from.note ?? ''}
                    className="mt-1 block w-full border-b-2 border-brass bg-ground px-2 py-1.5 text-base"
                />
            </label>
            <div className="grid grid-cols-2 gap-2">
                <Big type="submit" strong>
                    {say.keep}
                </Big>
                <Big onClick={onCancel}>{say.cancel}</Big>
            </div>
        </form>
    );
}
