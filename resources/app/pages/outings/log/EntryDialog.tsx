import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState, type ReactNode, type SubmitEvent } from 'react';
import { api, reasonOf } from '../../../api/client';
import { keys, logChanged } from '../../../api/queries';
import { useKits } from '../../../kit/useKit';
import { MeasurePicture, type Found } from '../../../measure/MeasurePicture';
import { newId, saidWithout, type Entry, type Picture } from '../../../offline/outings';
import { usePreferences } from '../../../shell/preferences';
import { log as logWords } from '../../../strings/log';
import { outings as outingsWords } from '../../../strings/outings';
import { Dialog } from '../../../ui/Dialog';
import { lengthDigits } from '../../../ui/figures';
import { wordsOf } from '../../../ui/typed';
import { dayOf, momentOf, timeOf } from '../day';
import { FormEnd } from '../FormEnd';
import { LineInput } from '../LineInput';
import { entryOf, figureWords, lengths, secondsWords, trialWords, Untyped, type Said } from './entryForm';
import { pictureOf } from './pictures';

const say = logWords.log;

interface Props {
    outing: number;
    subjects: readonly string[];
    from: Said;
    /** When it was written down first. */
    at: string;
    replaces: readonly string[];
    title: string;
    text: string;
    onClose: () => void;
}

/** Everything that an entry holds, settings as engraved first. What it replaces stays in the file. */
export function EntryDialog({ outing, subjects, from, at, replaces, title, text, onClose }: Props) {
    const { units } = usePreferences();
    const queries = useQueryClient();
    const form = useRef<HTMLFormElement>(null);
    const [pictures, setPictures] = useState<readonly Picture[]>(from.pictures ?? []);
    const [reading, setReading] = useState(false);
    const [measuring, setMeasuring] = useState(false);
    const { id: kitId } = useKits();
    const kit = useQuery({ queryKey: keys.kit(kitId), queryFn: () => api.kit(kitId ?? 0), enabled: kitId !== undefined });
    const [busy, setBusy] = useState(false);
    const [trouble, setTrouble] = useState<string | null>(null);
    const shown = (mm: number | undefined) => (mm === undefined ? '' : lengthDigits(mm, units));
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const word = wordsOf(event.currentTarget);
        setTrouble(null);
        let entry: Entry;
        try {
            const moment = word('day') === dayOf(at) && word('time') === timeOf(at) ? at : momentOf(word('day'), word('time'));
            entry = {
                id: newId(),
                at: moment,
                ...entryOf(from, word, { mm: units === 'mm' ? 1 : 25.4, shown: (mm) => lengthDigits(mm, units) }),
                ...(pictures.length > 0 ? { pictures: [...pictures] } : {}),
                ...(replaces.length > 0 ? { replaces: [...replaces] } : {}),
            };
        } catch (error) {
            if (!(error instanceof Untyped)) throw error;
            setTrouble(error.message);
            return;
        }
        setBusy(true);
        api.takeEntry(outing, entry.id, entry)
            .then(() => {
                logChanged(queries);
                onClose();
            })
            .catch((error: unknown) => setTrouble(reasonOf(error)))
            .finally(() => setBusy(false));
    };
    /** What a picture told goes into its blanks: nothing is kept before all of it is. */
    const takeOver = (found: Found) => {
        const blank = (name: string) => form.current?.elements.namedItem(name);
        const put = (name: string, value: number | null) => {
            const to = blank(name);
            if (to instanceof HTMLInputElement && value !== null) to.value = figureWords(value);
        };
        if (found.mtf50 !== null) {
            const [trial, aperture] = [blank('trial'), blank('aperture')];
            const stop = aperture instanceof HTMLInputElement ? aperture.value.trim() : '';
            if (trial instanceof HTMLTextAreaElement)
                trial.value = [
                    trial.value.trim(),
                    [stop === '' ? '?' : stop, figureWords(found.mtf50), found.halfWidth === null ? '' : figureWords(found.halfWidth)]
                        .join(' ')
                        .trim(),
                ]
                    .filter((line) => line !== '')
                    .join('\n');
        } else if (found.sliceMm !== null) {
            const mm = units === 'mm' ? 1 : 25.4;
            put('slice', found.sliceMm / mm);
            put('sliceHalf', found.sliceHalfWidthMm === null ? null : found.sliceHalfWidthMm / mm);
        } else {
            put('magnification', found.magnification);
            put('magnificationHalf', found.magnificationHalfWidth);
            put('across', null);
        }
    };
    const add = async (files: FileList) => {
        setReading(true);
        const found: Picture[] = [];
        for (const file of files) found.push(await pictureOf(file));
        setPictures((now) => [...now, ...found]);
        setReading(false);
        // What a camera wrote fills what is empty, and nothing else.
        const exif = found.find((each) => each.exif !== undefined)?.exif;
        const fill = (name: string, value: string | undefined) => {
            const blank = form.current?.elements.namedItem(name);
            if (blank instanceof HTMLInputElement && value !== undefined && blank.value === '') blank.value = value;
        };
        fill('aperture', exif?.aperture === undefined ? undefined : figureWords(exif.aperture));
        fill('exposure', exif?.exposureS === undefined ? undefined : secondsWords(exif.exposureS));
        fill('iso', exif?.iso === undefined ? undefined : figureWords(exif.iso));
        const [day, clock] = [form.current?.elements.namedItem('day'), form.current?.elements.namedItem('time')];
        if (replaces.length === 0 && exif?.takenAt !== undefined && day instanceof HTMLInputElement && clock instanceof HTMLInputElement) {
            day.value = dayOf(exif.takenAt);
            clock.value = timeOf(exif.takenAt);
        }
    };
    return (
        <Dialog wide open onOpenChange={(on) => !on && onClose()} title={title} text={text}>
            <form ref={form} onSubmit={submit} className="grid gap-5">
                <div className="grid gap-3 sm:grid-cols-[1fr_150px_110px]">
                    <LineInput label={say.subject} name="subject" required maxLength={200} defaultValue={from.subject} list="subjects" />
                    <LineInput label={say.day} name="day" type="date" required defaultValue={dayOf(at)} />
                    <LineInput label={say.time} name="time" type="time" required defaultValue={timeOf(at)} />
                    <datalist id="subjects">
                        {subjects.map((each) => (
                            <option key={each} value={each} />
                        ))}
                    </datalist>
                </div>
                {from.scales.length > 0 && (
                    <Group title={say.settings}>
                        <div className="grid gap-3 sm:grid-cols-2">
                            {from.scales.map((each, n) => (
                                <LineInput
                                    key={`${each.part} ${n}`}
                                    label={say.reads(each.part)}
                                    name={`reads${n}`}
                                    maxLength={60}
                                    className="[&>input]:text-brass"
                                    defaultValue={each.reads}
                                />
                            ))}
                        </div>
                    </Group>
                )}
                <Group title={say.whatWasMeasured}>
                    <div className="grid gap-x-5 gap-y-3 sm:grid-cols-2">
                        <Pair
                            label={`${say.ruler}, ${units}`}
                            name="across"
                            value={shown(from.measured?.fieldWidthMm)}
                            half={shown(from.measured?.fieldWidthMmHalfWidth)}
                        />
                        <Pair
                            label={say.orMagnification}
                            name="magnification"
                            value={figureWords(from.measured?.magnification)}
                            half={figureWords(from.measured?.magnificationHalfWidth)}
                        />
                        {lengths.slice(1).map(([blank, name, what]) => (
                            <Pair
                                key={blank}
                                label={`${what}, ${units}`}
                                name={blank}
                                value={shown(from.measured?.[name])}
                                half={shown(from.measured?.[`${name}HalfWidth`])}
                            />
                        ))}
                    </div>
                    <p className="pt-1 text-xs text-soft">
                        {say.rulerText}{' '}
                        {kit.data && (
                            <button type="button" className="text-beam underline underline-offset-2" onClick={() => setMeasuring(true)}>
                                {say.fromPicture}
                            </button>
                        )}
                    </p>
                </Group>
                <Group title={say.exposure}>
                    <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
                        <LineInput label={say.aperture} name="aperture" inputMode="decimal" defaultValue={figureWords(from.aperture)} />
                        <LineInput
                            label={say.shutter}
                            name="exposure"
                            defaultValue={from.exposureS === undefined ? '' : secondsWords(from.exposureS)}
                        />
                        <LineInput label={say.iso} name="iso" inputMode="decimal" defaultValue={figureWords(from.iso)} />
                        <LineInput label={say.framesTaken} name="frames" inputMode="numeric" defaultValue={figureWords(from.frames)} />
                    </div>
                </Group>
                <Group title={say.light}>
                    <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
                        <label className="block text-sm">
                            {say.light}
                            <select
                                name="source"
                                defaultValue={from.light?.source ?? ''}
                                className="mt-1 block w-full border-b-2 border-brass bg-ground px-2 py-1.5 text-base"
                            >
                                {Object.entries(say.source).map(([value, words]) => (
                                    <option key={value} value={value}>
                                        {words}
                                    </option>
                                ))}
                            </select>
                        </label>
                        <LineInput label={say.lightName} name="lightName" maxLength={200} defaultValue={from.light?.name ?? ''} />
                        <LineInput
                            label={say.power}
                            name="power"
                            inputMode="decimal"
                            defaultValue={from.light?.power === undefined ? '' : figureWords(1 / from.light.power)}
                        />
                        <LineInput
                            label={`${say.distance}, ${units}`}
                            name="distance"
                            inputMode="decimal"
                            defaultValue={shown(from.light?.distanceMm)}
                        />
                        <LineInput label={say.angle} name="angle" inputMode="decimal" defaultValue={figureWords(from.light?.angleDeg)} />
                        <LineInput label={say.ev} name="ev" inputMode="decimal" defaultValue={figureWords(from.light?.ev)} />
                    </div>
                </Group>
                <Group title={say.pictures}>
                    <p className="pb-2 text-xs text-soft">{say.picturesText}</p>
                    <ul className="flex flex-wrap gap-3 empty:hidden">
                        {pictures.map((picture, n) => (
                            <li key={`${picture.name} ${n}`} className="w-[132px] text-xs">
                                {picture.small !== undefined && (
                                    <img
                                        src={picture.small}
                                        alt={say.picture(picture.name)}
                                        className="block h-[88px] w-full object-cover"
                                    />
                                )}
                                <span className="figures block truncate pt-1">{picture.name}</span>
                                <span className="block text-soft">
                                    {[
                                        picture.exif?.takenAt === undefined ? null : timeOf(picture.exif.takenAt),
                                        picture.exif?.focalLengthMm === undefined ? null : `${figureWords(picture.exif.focalLengthMm)} mm`,
                                    ]
                                        .filter(Boolean)
                                        .join(' · ')}
                                </span>
                                <button
                                    type="button"
                                    className="text-beam underline underline-offset-2"
                                    aria-label={say.drop(picture.name)}
                                    onClick={() => setPictures(pictures.filter((each) => each !== picture))}
                                >
                                    {outingsWords.outings.drop('')}
                                </button>
                            </li>
                        ))}
                    </ul>
                    <label className="plate mt-2 inline-block cursor-pointer border border-line px-3 py-1.5 text-sm hover:border-ink has-focus-visible:outline-2">
                        {reading ? say.reading : say.addPictures}
                        <input
                            type="file"
                            multiple
                            accept="image/*"
                            className="sr-only"
                            onChange={(event) => {
                                const files = event.target.files;
                                if (files && files.length > 0) void add(files).then(() => (event.target.value = ''));
                            }}
                        />
                    </label>
                </Group>
                <Group title={say.turnedOut}>
                    <div className="grid gap-3 sm:grid-cols-[150px_1fr]">
                        <label className="block text-sm">
                            {say.turnedOut}
                            <select
                                name="result"
                                defaultValue={from.result ?? ''}
                                className="mt-1 block w-full border-b-2 border-brass bg-ground px-2 py-1.5 text-base"
                            >
                                {say.results.map((words, n) => (
                                    <option key={n} value={n === 0 ? '' : n}>
                                        {words}
                                    </option>
                                ))}
                            </select>
                        </label>
                        <Lines label={say.note} name="note" value={from.note ?? ''} />
                    </div>
                    <Lines label={say.trialLines} name="trial" value={trialWords(from.trial ?? [])} hint={say.trialHint} figures />
                </Group>
                <FormEnd trouble={trouble} keep={say.keep} busy={busy || reading} onCancel={onClose} />
            </form>
            {measuring && kit.data && (
                <MeasurePicture
                    kit={kit.data}
                    whats={['ruler', 'marks', 'rule', 'edge']}
                    keep={say.takeIt}
                    onKeep={takeOver}
                    onClose={() => setMeasuring(false)}
                />
            )}
        </Dialog>
    );
}

function Group({ title, children }: { title: string; children: ReactNode }) {
    return (
        <fieldset className="border-t border-line pt-2">
            <legend className="pr-2 text-sm font-semibold">{title}</legend>
            {children}
        </fieldset>
    );
}

/** A figure and its half-width. */
function Pair({ label, name, value, half }: { label: string; name: string; value: string; half: string }) {
    const input = 'figures mt-1 block w-full border-b-2 border-brass bg-ground px-2 py-1.5 text-base';
    return (
        <div className="grid grid-cols-[1fr_16px_80px] items-end">
            <label className="block text-sm">
                {label}
                <input name={name} inputMode="decimal" autoComplete="off" defaultValue={value} className={input} />
            </label>
            <span aria-hidden className="pb-2 text-center text-sm text-soft">
                {say.plusMinus}
            </span>
            <input
                name={`${name}Half`}
                aria-label={say.half(label)}
                inputMode="decimal"
                autoComplete="off"
                defaultValue={half}
                className={input}
            />
        </div>
    );
}

function Lines({
    label,
    name,
    value,
    hint,
    figures = false,
}: {
    label: string;
    name: string;
    value: string;
    hint?: string;
    figures?: boolean;
}) {
    return (
        <label className="block pt-1 text-sm">
            {label}
            <textarea
                name={name}
                rows={figures ? Math.max(2, value.split('\n').length) : 2}
                maxLength={2000}
                placeholder={hint}
                defaultValue={value}
                className={`mt-1 block w-full border-b-2 border-brass bg-ground px-2 py-1.5 text-base ${figures ? 'figures' : ''}`}
            />
        </label>
    );
}

/** An entry that is there already, to be written down anew. */
export function ChangeEntry({
    outing,
    entry,
    subjects,
    onClose,
}: {
    outing: number;
    entry: string;
    subjects: readonly string[];
    onClose: () => void;
}) {
    const found = useQuery({ queryKey: keys.entry(outing, entry), queryFn: () => api.entry(outing, entry), staleTime: Infinity });
    if (!found.data) return null;
    const whole = found.data.entry as unknown as Omit<Entry, 'scales'> & { scales?: Entry['scales'] };
    return (
        <EntryDialog
            outing={outing}
            subjects={subjects}
            from={{ ...saidWithout(whole, 'id', 'at', 'replaces'), scales: whole.scales ?? [] }}
            at={whole.at}
            replaces={[whole.id]}
            title={say.form}
            text={say.formText}
            onClose={onClose}
        />
    );
}
