import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, reasonOf, type Schema } from '../../api/client';
import { jointsChanged } from '../../api/queries';
import { digits } from '../../ui/figures';
import { strings } from '../../strings/index';
import { kit as kitWords } from '../../strings/kit';
import { typedNumber, wordsOf } from '../../ui/typed';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Narrow } from '../../ui/Narrow';
import { jointTyped } from './fields';

const say = kitWords.joints;

/** The joints to choose from: the shipped ones, and those people add. */
export function JointsDialog({ joints, onClose }: { joints: Schema['JointView'][]; onClose: () => void }) {
    const queries = useQueryClient();
    const [search, setSearch] = useState('');
    const refresh = () => jointsChanged(queries);
    const add = useMutation({ mutationFn: api.addJoint, onSuccess: refresh });
    const drop = useMutation({ mutationFn: api.dropJoint, onSuccess: refresh });
    const shown = joints.filter((joint) => `${joint.spoken} ${joint.use ?? ''} ${joint.type}`.toLowerCase().includes(search.toLowerCase()));
    const blank = 'w-full border-b-2 border-brass bg-ground px-1.5 py-1 text-sm';
    return (
        <Dialog wide open onOpenChange={onClose} title={say.title} text={say.text}>
            <form
                className="grid grid-cols-[1.3fr_1fr_1fr_1.5fr_auto] items-end gap-2 text-xs max-sm:grid-cols-2"
                onSubmit={(event) => {
                    event.preventDefault();
                    const form = event.currentTarget;
                    const word = wordsOf(form);
                    add.mutate(
                        {
                            name: jointTyped(word('name')) ?? '',
                            use: word('use') || null,
                            registerMm: typedNumber(word('register')),
                            throatMm: typedNumber(word('throat')),
                        },
                        { onSuccess: () => form.reset() },
                    );
                }}
            >
                <label>
                    {say.name}
                    <input name="name" className={`${blank} figures`} placeholder="M61×0.75" />
                </label>
                <label>
                    {say.register}
                    <input name="register" inputMode="decimal" className={`${blank} figures`} />
                </label>
                <label>
                    {say.throat}
                    <input name="throat" inputMode="decimal" className={`${blank} figures`} />
                </label>
                <label>
                    {say.use}
                    <input name="use" className={blank} />
                </label>
                <Button strong type="submit" disabled={add.isPending}>
                    {say.add}
                </Button>
            </form>
            {add.error && (
                <p role="alert" className="pt-2 text-sm">
                    {reasonOf(add.error)}
                </p>
            )}
            <Narrow className="mt-4 w-full py-1" value={search} onChange={setSearch} label={say.narrow} placeholder={strings.tray.narrow} />
            <div className="slim-scroll max-h-[38vh] overflow-auto" tabIndex={0} role="region" aria-label={say.title}>
                <table className="w-full text-sm">
                    <thead className="sticky top-0 bg-plate text-left text-xs text-soft">
                        <tr>
                            <th className="py-1 font-normal">{say.name}</th>
                            <th className="text-right font-normal">{say.register}</th>
                            <th className="text-right font-normal">{say.throat}</th>
                            <th className="pl-4 font-normal">{say.use}</th>
                            <th>
                                <span className="sr-only">{say.drop}</span>
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        {shown.map((joint) => (
                            <tr key={`${joint.id ?? ''} ${joint.name}`} className="border-t border-line">
                                <td className="figures py-1 whitespace-nowrap text-beam">{joint.spoken}</td>
                                <td className="figures text-right">{joint.registerMm === null ? '' : digits(joint.registerMm)}</td>
                                <td className="figures text-right">{joint.throatMm === null ? '' : digits(joint.throatMm)}</td>
                                <td className="pl-4 text-soft">{joint.use}</td>
                                <td className="text-right">
                                    {joint.id !== null && (
                                        <Button bare aria-label={`${say.drop} ${joint.spoken}`} onClick={() => drop.mutate(joint.id ?? 0)}>
                                            {say.drop}
                                        </Button>
                                    )}
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            </div>
            <div className="mt-4 flex justify-end">
                <Button onClick={onClose}>{kitWords.kit.close}</Button>
            </div>
        </Dialog>
    );
}
