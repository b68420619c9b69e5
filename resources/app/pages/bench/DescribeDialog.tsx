import { useState, type SubmitEvent } from 'react';
import { Refused, type RigView, type Step } from '../../api/client';
import { strings } from '../../strings/index';
import { typed } from '../../ui/typed';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Tick, Ticks } from '../../ui/Tick';

const say = strings.describe;
const blank = 'figures w-full border-b-2 border-brass bg-ground px-1.5 py-1 text-sm';
type Document = Record<string, unknown>;

const numbers = ['widthMm', 'depthMm', 'radiusMm', 'acrossMmS', 'toAndFroMmS'] as const;
const light = ['iso', 'ev', 'askedDistanceMm', 'wavelengthNm', 'blurLimitMm'] as const;

/** The subject's measures, and the conditions the rig is read under: schools, light, support. */
export function DescribeDialog({ rig, onStep, onClose }: { rig: RigView; onStep: (step: Step) => Promise<unknown>; onClose: () => void }) {
    const [subject, setSubject] = useState<Document>(rig.subject?.document ?? {});
    const [conditions, setConditions] = useState<Document>(rig.conditions);
    const [trouble, setTrouble] = useState<Refused | null>(null);
    const fault = (place: string) => trouble?.fields[place];
    const put = (set: typeof setSubject, name: string, value: unknown) =>
        set((now) => Object.fromEntries(Object.entries({ ...now, [name]: value }).filter(([, each]) => each !== undefined && each !== '')));
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const document: Document = {};
        if (JSON.stringify(subject) !== JSON.stringify(rig.subject?.document ?? {}))
            document['subject'] = Object.keys(subject).length === 0 ? null : subject;
        if (JSON.stringify(conditions) !== JSON.stringify(rig.conditions)) document['conditions'] = conditions;
        if (Object.keys(document).length === 0) {
            onClose();
            return;
        }
        onStep({ action: 'describe', document })
            .then(onClose)
            .catch((error: unknown) => setTrouble(error instanceof Refused ? error : new Refused(0, String(error))));
    };
    const number = (of: Document, set: typeof setSubject, at: string, name: string, label: string) => (
        <label key={name} className="text-sm">
            {label}
            <input
                inputMode="decimal"
                className={blank}
                defaultValue={typeof of[name] === 'number' ? String(of[name]) : ''}
                aria-invalid={fault(`/${at}/${name}`) !== undefined}
                onChange={(event) => put(set, name, typed(event.target.value))}
            />
            {fault(`/${at}/${name}`) !== undefined && (
                <span role="alert" className="block text-xs">
                    {fault(`/${at}/${name}`)}
                </span>
            )}
        </label>
    );
    const choice = (name: string, label: string, words: readonly (readonly [string, string])[], usual: string) => (
        <label className="text-sm">
            {label}
            <select
                className={blank}
                value={typeof conditions[name] === 'string' ? conditions[name] : ''}
                onChange={(event) => put(setConditions, name, event.target.value || undefined)}
            >
                <option value="">{usual}</option>
                {words.map(([word, text]) => (
                    <option key={word} value={word}>
                        {text}
                    </option>
                ))}
            </select>
        </label>
    );
    const list = (of: Document, set: typeof setSubject, name: string, label: string, words: Record<string, string>) => {
        const chosen = Array.isArray(of[name]) ? of[name].map(String) : typeof of[name] === 'string' ? [of[name]] : [];
        return (
            <fieldset className="col-span-full flex flex-wrap gap-x-4 gap-y-1 text-sm">
                <legend className="pb-1">{label}</legend>
                <Ticks
                    words={Object.entries(words)}
                    chosen={chosen}
                    onChange={(next) => put(set, name, next.length > 0 ? next : undefined)}
                />
            </fieldset>
        );
    };
    return (
        <Dialog wide open onOpenChange={onClose} title={say.title} text={say.text}>
            <form onSubmit={submit}>
                <h3 className="border-t-2 border-ink pt-2 text-sm font-semibold">{say.subject}</h3>
                <div className="grid grid-cols-3 gap-x-4 gap-y-2 py-2 max-sm:grid-cols-2">
                    <label className="col-span-full text-sm">
                        {say.name}
                        <input
                            className={blank.replace('figures ', '')}
                            defaultValue={typeof subject['name'] === 'string' ? subject['name'] : ''}
                            onChange={(event) => put(setSubject, 'name', event.target.value || undefined)}
                        />
                    </label>
                    {numbers.map((name) => number(subject, setSubject, 'subject', name, say.fields[name]))}
                    <Tick
                        className="self-end pb-1 text-sm"
                        checked={subject['flat'] === true}
                        onChange={(on) => put(setSubject, 'flat', on ? true : undefined)}
                    >
                        {say.flat}
                    </Tick>
                    {list(subject, setSubject, 'traits', say.traits, say.traitWords)}
                </div>
                <h3 className="border-t-2 border-ink pt-2 text-sm font-semibold">{say.conditions}</h3>
                <div className="grid grid-cols-3 gap-x-4 gap-y-2 py-2 max-sm:grid-cols-2">
                    {choice('apertureModel', say.apertureModel, [['simple', say.simple]], say.pupil)}
                    {choice('depthModel', say.depthModel, [['total', say.total]], say.geometric)}
                    {choice(
                        'blurRule',
                        say.blurRule,
                        [
                            ['pixel', say.pixel],
                            ['given', say.given],
                        ],
                        say.format,
                    )}
                    {choice(
                        'support',
                        say.support,
                        [
                            ['hand', say.hand],
                            ['braced', say.braced],
                            ['table', say.table],
                        ],
                        say.notSaid,
                    )}
                    {rig.modes.length > 0 &&
                        choice(
                            'mode',
                            say.mode,
                            rig.modes.map((mode) => [mode, mode] as const),
                            say.wholeSensor,
                        )}
                    {light.map((name) => number(conditions, setConditions, 'conditions', name, say.fields[name]))}
                    {list(conditions, setConditions, 'surroundings', say.surroundings, say.surroundingWords)}
                </div>
                {trouble && (
                    <p role="alert" className="border-l-[3px] border-ink pl-2 text-sm">
                        {trouble.message}
                    </p>
                )}
                <div className="flex justify-end gap-2 pt-3">
                    <Button onClick={onClose}>{strings.dialog.cancel}</Button>
                    <Button strong type="submit">
                        {say.keep}
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
