import { useQuery } from '@tanstack/react-query';
import { useMemo, useRef, useState } from 'react';
import { api, messageOf, Refused, type KitPart, type PartFields, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { kit as kitWords } from '../../strings/kit';
import { Button } from '../../ui/Button';
import { FieldInput } from './FieldInput';
import { changedIn, followed } from './following';

interface Props {
    kind: string;
    initial: PartFields;
    /** Fields asked first besides those of the kind. */
    ask?: readonly string[];
    others: readonly KitPart[];
    /** Where in the request the part stands: what the server names faults by. */
    pointer: string;
    save: string;
    busy: boolean;
    onSave: (fields: PartFields) => Promise<unknown>;
    onCancel: () => void;
    /** Stays in sight above the buttons, by what is filled in. */
    below?: (fields: PartFields) => React.ReactNode;
    children?: React.ReactNode;
}

export function useGuide(): Map<string, Schema['GuideKind']> {
    const guide = useQuery({ queryKey: keys.guide, queryFn: api.guide, staleTime: Infinity });
    return new Map(guide.data?.map((each) => [each.kind, each]));
}

/** Registers that joints stand for, mm, by the joint's name. */
function useRegisters(): ReadonlyMap<string, number> {
    const joints = useQuery({ queryKey: keys.joints, queryFn: api.joints, staleTime: 60_000 });
    return useMemo(
        () =>
            new Map(
                (joints.data ?? []).flatMap((each): [string, number][] => (each.registerMm === null ? [] : [[each.name, each.registerMm]])),
            ),
        [joints.data],
    );
}

/** The form of a part: first what changes the answer most, the rest on request. */
export function PartForm({ kind, initial, ask = [], others, pointer, save, busy, onSave, onCancel, below, children }: Props) {
    const form = useGuide().get(kind);
    const [fields, setFields] = useState(initial);
    const [all, setAll] = useState(false);
    const [trouble, setTrouble] = useState<Refused | null>(null);
    // Which fields were changed by hand: what follows from a joint leaves them alone.
    const touched = useRef<Set<string>>(new Set());
    const registers = useRegisters();
    const change = (after: PartFields) => {
        for (const name of changedIn(fields, after)) touched.current.add(name);
        setFields(followed(kind, fields, after, touched.current, registers));
    };
    const dirty = JSON.stringify(fields) !== JSON.stringify(initial);
    const faults = new Map<string, string>();
    for (const [place, message] of Object.entries(trouble?.fields ?? {})) {
        faults.set(
            place
                .replace(`${pointer}/`, '')
                .replace(/^part\./, '')
                .replaceAll('/', '.'),
            message,
        );
    }
    const submit = (event: React.SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        setTrouble(null);
        onSave(fields).catch((error: unknown) => {
            const refused = error instanceof Refused ? error : new Refused(0, messageOf(error));
            setTrouble(refused);
            // A fault in a field that isn't shown would be a riddle.
            if (Object.keys(refused.fields).length > 0) setAll(true);
        });
    };
    const faultOf = (name: string) => faults.get(name) ?? [...faults].find(([place]) => place.startsWith(`${name}.`))?.[1];
    const shown = form?.fields.filter((field) => all || field.first || ask.includes(field.name)) ?? [];
    const named = new Set(shown.map((field) => field.name));
    const rest = [...faults].filter(([place]) => ![...named].some((name) => place === name || place.startsWith(`${name}.`)));
    const names = others.map((each) => ({ ref: each.ref, name: each.part.name }));
    return (
        <form onSubmit={submit} noValidate>
            {shown.map((field) => (
                <FieldInput key={field.name} field={field} fields={fields} trouble={faultOf(field.name)} onChange={change} others={names} />
            ))}
            <button
                type="button"
                className="py-2 text-sm text-beam underline underline-offset-2"
                aria-expanded={all}
                onClick={() => setAll(!all)}
            >
                {all ? kitWords.kit.fewerFields : kitWords.kit.allFields((form?.fields.length ?? 0) - shown.length)}
            </button>
            {trouble && (faults.size === 0 || rest.length > 0) && (
                <p role="alert" className="border-l-[3px] border-ink pl-2 text-sm">
                    {rest.length > 0
                        ? rest.map(([place, message]) => (place === '' ? message : `${place} ${message}`)).join('; ')
                        : trouble.message}
                </p>
            )}
            <div className="sticky bottom-0 border-t border-line bg-plate pb-3">
                {below?.(fields)}
                <div className="flex flex-wrap items-center gap-2 pt-3">
                    <Button strong type="submit" disabled={busy || (!dirty && save === kitWords.kit.save)}>
                        {save}
                    </Button>
                    <Button onClick={onCancel}>{dirty ? kitWords.kit.discard : kitWords.kit.close}</Button>
                    {children}
                </div>
            </div>
        </form>
    );
}
