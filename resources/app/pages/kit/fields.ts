import type { PartFields, Schema } from '../../api/client';

export type GuideField = Schema['GuideField'];

function isObject(value: unknown): value is Record<string, unknown> {
    return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** The value of a field, nested ones by a dot. */
export function valueAt(fields: PartFields, name: string): unknown {
    const [outer = '', inner] = name.split('.');
    const value = fields[outer];
    return inner === undefined ? value : isObject(value) ? value[inner] : undefined;
}

/** The same part with one field changed; undefined takes it away. */
export function withValue(fields: PartFields, name: string, value: unknown): PartFields {
    const [outer = '', inner] = name.split('.');
    if (inner !== undefined) {
        const old = fields[outer];
        return withValue(fields, outer, withValue(isObject(old) ? old : {}, inner, value));
    }
    if (value === undefined || (isObject(value) && Object.keys(value).length === 0)) {
        return Object.fromEntries(Object.entries(fields).filter(([key]) => key !== outer));
    }
    return { ...fields, [outer]: value };
}

/** How far a measured field may be off; undefined when it isn't marked measured. */
export function halfWidthOf(fields: PartFields, name: string): number | undefined {
    const measured = fields['measured'];
    const value = isObject(measured) ? measured[name] : undefined;
    return typeof value === 'number' ? value : undefined;
}

/** How far a guessed figure may be off; undefined when it is none. */
export function guessOf(fields: PartFields, name: string): number | undefined {
    const guessed = fields['guessed'];
    const value = isObject(guessed) ? guessed[name] : undefined;
    return typeof value === 'number' ? value : undefined;
}

/** How many figures nobody knows yet. */
export function guesses(fields: PartFields): number {
    const guessed = fields['guessed'];
    return isObject(guessed) ? Object.keys(guessed).length : 0;
}

export function withHalfWidth(fields: PartFields, name: string, half: number | undefined): PartFields {
    const measured = isObject(fields['measured']) ? fields['measured'] : {};
    return withValue(fields, 'measured', withValue(measured, name, half));
}

/** The words of a joint, as files spell it: M42x1, M42×1 and 42 x 1 all mean thread:42x1. */
export function jointTyped(text: string): string | undefined {
    const plain = text.trim();
    if (plain === '') return undefined;
    const thread = /^(?:thread:|M)?\s*(\d+(?:[.,]\d+)?)\s*[x×]\s*(\d+(?:[.,]\d+)?)\s*(tpi)?$/i.exec(plain);
    if (!thread) return plain;
    return `thread:${thread[1]?.replace(',', '.')}x${thread[2]?.replace(',', '.')}${thread[3] ? 'tpi' : ''}`;
}

export function jointSpoken(joint: string): string {
    const thread = /^thread:([\d.]+)x([\d.]+)(tpi)?$/.exec(joint);
    if (!thread) return joint;
    return thread[3] ? `${thread[1]} × ${thread[2]} tpi` : `M${thread[1]}×${thread[2]}`;
}
