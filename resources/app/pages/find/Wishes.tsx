import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { find as findWords } from '../../strings/find';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { KeepDialog } from '../../ui/KeepDialog';
import { Menu, MenuItem, MenuLine } from '../../ui/Menu';
import { asked, isComplete, wishIn, type Wish } from './wish';

interface Props {
    kit: number;
    wish: Wish;
    onChoose: (wish: Wish) => void;
}

/** Wishes that are kept under a name. */
export function Wishes({ kit, wish, onChoose }: Props) {
    const queries = useQueryClient();
    const key = keys.wishes(kit);
    const kept = useQuery({ queryKey: key, queryFn: () => api.wishes(kit) });
    const [dialog, setDialog] = useState<'keep' | 'forget' | null>(null);
    const say = findWords.find;
    const refresh = () => queries.invalidateQueries({ queryKey: key });
    const forget = useMutation({ mutationFn: (id: number) => api.dropWish(kit, id), onSuccess: () => void refresh() });
    const list = kept.data ?? [];
    return (
        <>
            <Menu label={say.wishes} align="end">
                <MenuItem disabled={!isComplete(wish)} onSelect={() => setDialog('keep')}>
                    {say.keep}
                </MenuItem>
                <MenuItem disabled={list.length === 0} onSelect={() => setDialog('forget')}>
                    {say.forgetAll}
                </MenuItem>
                <MenuLine />
                {list.length === 0 && (
                    <MenuItem disabled onSelect={() => undefined}>
                        {say.none}
                    </MenuItem>
                )}
                {list.map((each) => (
                    <MenuItem key={each.id} onSelect={() => onChoose(wishOf(each))}>
                        {each.name}
                    </MenuItem>
                ))}
            </Menu>
            <KeepDialog
                open={dialog === 'keep'}
                onClose={() => setDialog(null)}
                title={say.keepTitle}
                text={say.keepText}
                onKeep={async (name) => {
                    await api.keepWish(kit, name, asked(wish));
                    void refresh();
                }}
            />
            <Dialog open={dialog === 'forget'} onOpenChange={() => setDialog(null)} title={say.forgetTitle} text="">
                <ul>
                    {list.map((each) => (
                        <li key={each.id} className="flex items-center justify-between border-b border-line py-1.5">
                            {each.name}
                            <Button bare aria-label={say.forget(each.name)} onClick={() => forget.mutate(each.id)}>
                                ×
                            </Button>
                        </li>
                    ))}
                </ul>
                {list.length === 0 && <p className="text-sm text-soft">{say.none}</p>}
            </Dialog>
        </>
    );
}

/** A kept wish holds what an address holds. */
function wishOf(kept: Schema['WishView']): Wish {
    const params = new URLSearchParams();
    for (const [name, value] of Object.entries(kept.wish)) {
        params.set(name, value === true ? '1' : value === false ? '0' : String(value));
    }
    return wishIn(params);
}
