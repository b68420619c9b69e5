import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState, type SubmitEvent } from 'react';
import { api, reasonOf, type KitView } from '../../api/client';
import { kitChanged } from '../../api/queries';
import { useKits } from '../../kit/useKit';
import { strings } from '../../strings/index';
import { kit as kitWords } from '../../strings/kit';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Menu, MenuChoice, MenuItem, MenuLine } from '../../ui/Menu';

type Asked = 'new' | 'rename' | null;

/** Which kit is looked at: one for the studio, one for the bag. */
export function KitMenu({ kit }: { kit: KitView }) {
    const queries = useQueryClient();
    const { kits, choose } = useKits();
    const [asked, setAsked] = useState<Asked>(null);
    const say = kitWords.kit.several;
    const named = useMutation({
        mutationFn: (name: string) => (asked === 'new' ? api.startKit(name) : api.nameKit(kit.id, name, kit.currency)),
        onSuccess: (changed) => {
            if (asked === 'new') choose(changed.id);
            void kitChanged(queries, changed);
            setAsked(null);
        },
    });
    const remove = useMutation({
        mutationFn: () => api.deleteKit(kit.id),
        onSuccess: () => {
            const next = kits?.find(({ id }) => id !== kit.id);
            if (next) choose(next.id);
            void kitChanged(queries, undefined);
        },
    });
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const name = new FormData(event.currentTarget).get('name');
        if (typeof name === 'string') named.mutate(name);
    };
    const ask = (what: Asked) => {
        named.reset();
        setAsked(what);
    };
    return (
        <>
            <Menu label={<span className="text-lg font-semibold text-ink">{kit.name}</span>}>
                <MenuChoice
                    value={String(kit.id)}
                    choices={(kits ?? []).map((each) => [String(each.id), `${each.name} · ${say.parts(each.parts)}`] as const)}
                    onChange={(id) => choose(Number(id))}
                />
                <MenuLine />
                <MenuItem onSelect={() => ask('new')}>{say.start}</MenuItem>
                <MenuItem onSelect={() => ask('rename')}>{say.rename}</MenuItem>
                <MenuItem onSelect={() => remove.mutate()} disabled={kits === undefined || kits.length < 2}>
                    {say.remove}
                </MenuItem>
            </Menu>
            <Dialog
                open={asked !== null}
                onOpenChange={(open) => !open && setAsked(null)}
                title={asked === 'new' ? say.startTitle : say.renameTitle}
                text={asked === 'new' ? say.startText : ''}
            >
                <form onSubmit={submit}>
                    <label className="block text-sm">
                        {say.name}
                        <input
                            name="name"
                            required
                            maxLength={120}
                            autoComplete="off"
                            defaultValue={asked === 'rename' ? kit.name : ''}
                            className="mt-1 block w-full border-b-2 border-brass bg-ground px-2 py-1.5 text-base"
                        />
                    </label>
                    {named.error && (
                        <p role="alert" className="mt-2 text-sm">
                            {reasonOf(named.error)}
                        </p>
                    )}
                    <div className="mt-4 flex justify-end gap-2">
                        <Button onClick={() => setAsked(null)}>{strings.dialog.cancel}</Button>
                        <Button strong type="submit" disabled={named.isPending}>
                            {asked === 'new' ? say.startDo : say.renameDo}
                        </Button>
                    </div>
                </form>
            </Dialog>
            <Dialog open={remove.isError} onOpenChange={() => remove.reset()} title={say.stays} text={reasonOf(remove.error)}>
                <div className="flex justify-end">
                    <Button onClick={() => remove.reset()}>{kitWords.kit.close}</Button>
                </div>
            </Dialog>
        </>
    );
}
