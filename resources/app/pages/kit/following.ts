import type { PartFields } from '../../api/client';

/** Kinds that have the same joint at both ends unless somebody says otherwise. */
const bothEnds: ReadonlySet<string> = new Set([
    'tube',
    'helicoid',
    'bellows',
    'close-up-lens',
    'afocal',
    'filter',
    'hood',
    'teleconverter',
]);

/**
 * What follows from a joint that was chosen: the other end, where both were alike, and the register that the joint stands for. What somebody
 * has typed by themselves stays as it is.
 *
 * @param touched names of fields that were changed by hand
 * @param registers registers of joints that are known, mm, by the joint's name
 */
export function followed(
    kind: string,
    before: PartFields,
    after: PartFields,
    touched: ReadonlySet<string>,
    registers: ReadonlyMap<string, number>,
): PartFields {
    const own = kind === 'camera' ? 'joint' : 'rear';
    const joint = after[own];
    if (joint === before[own] || typeof joint !== 'string') return after;
    const next = { ...after };
    if (bothEnds.has(kind) && before['front'] === before['rear'] && !touched.has('front')) next['front'] = joint;
    const register = registers.get(joint);
    if ((kind === 'camera' || kind === 'lens') && register !== undefined && !touched.has('registerMm')) next['registerMm'] = register;
    return next;
}

/** Names of the fields that differ, nested ones by their outer name. */
export function changedIn(before: PartFields, after: PartFields): string[] {
    return [...new Set([...Object.keys(before), ...Object.keys(after)])].filter(
        (name) => JSON.stringify(before[name]) !== JSON.stringify(after[name]),
    );
}
