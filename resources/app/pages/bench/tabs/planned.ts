import type { RigView, Schema, Step } from '../../../api/client';

export type Source = 'there' | 'flash' | 'lamp' | 'torch';
export type By = 'single' | 'rail' | 'ring' | 'bracketing';

/** What is decided of light and shots, as a rig's file has it. */
export interface Plan {
    light?: Source;
    flash?: { name?: string; guideNumber?: number; recycleS?: number; distanceMm?: number; diffuserStops?: number; angleDeg?: number };
    lamp?: { name?: string; watts?: number; lumensPerWatt?: number };
    by?: By;
    rail?: { name?: string; pitchMm?: number; steps?: number; backlashMm?: number; travelMm?: number };
    overlap?: number;
    settleS?: number;
    betweenS?: number;
    batteryFrames?: number;
}

type Document = Record<string, unknown>;
export type OnStep = (step: Step) => Promise<unknown>;

/** Null takes a field away. */
type Changes<T> = { [K in keyof T]?: T[K] | null };

export function planOf(rig: RigView): Plan {
    return rig.conditions['plan'] ?? {};
}

/** The plan with the kit's first flash, lamp and rail where it names none; what is decided is the rig's own, however old the offer. */
export function completed(rig: RigView, light: Schema['LightView'] | undefined): Plan {
    const offer = light?.plan as Plan | undefined;
    const own = planOf(rig);
    const distanceMm = offer?.flash?.distanceMm;
    return {
        ...offer,
        ...own,
        // How far off it usually stands is the server's to say.
        ...(own.flash && distanceMm !== undefined && { flash: { distanceMm, ...own.flash } }),
    };
}

/** A measure of a document, which may hold anything. */
export const numberOf = (value: unknown): number | null => (typeof value === 'number' ? value : null);

/** What was told of this rig before, until it is told anew: of another rig it would be wrong. */
export function ofSameRig<T>(id: number) {
    return (before: T | undefined, query: { queryKey: readonly unknown[] } | undefined): T | undefined =>
        query?.queryKey[1] === id ? before : undefined;
}

/** Steps that describe: only what is said changes, so that steps that follow each other quickly lose nothing. */
export function describing(rig: RigView, onStep: OnStep, offered: Plan = {}) {
    const conditions = (change: Document) => onStep({ action: 'describe', merge: true, document: { conditions: change } });
    const plan = (change: Changes<Plan>) => conditions({ plan: change });
    // What a plan names is put into it whole the first time, from the kit.
    const named = planOf(rig);
    const flash = (change: Changes<NonNullable<Plan['flash']>>) => ({
        ...(named.flash ? {} : offered.flash),
        ...change,
    });
    const lamp = (change: Changes<NonNullable<Plan['lamp']>>) => ({ ...(named.lamp ? {} : offered.lamp), ...change });
    const rail = (change: Changes<NonNullable<Plan['rail']>>) => ({ ...(named.rail ? {} : offered.rail), ...change });
    return {
        conditions,
        plan,
        /** Lit so, with what that takes. */
        lit: (source: Source) =>
            conditions({
                plan: {
                    light: source,
                    ...(source === 'flash' && offered.flash && { flash: flash({}) }),
                    ...((source === 'lamp' || source === 'torch') && offered.lamp && { lamp: lamp({}) }),
                },
            }),
        /** Shot so, with what that takes. */
        shot: (by: By) => conditions({ plan: { by, ...(by === 'rail' && offered.rail && { rail: rail({}) }) } }),
        flash: (change: Changes<NonNullable<Plan['flash']>>) => conditions({ plan: { flash: flash(change) } }),
        lamp: (change: Changes<NonNullable<Plan['lamp']>>) => conditions({ plan: { lamp: lamp(change) } }),
        rail: (change: Changes<NonNullable<Plan['rail']>>) => conditions({ plan: { rail: rail(change) } }),
        subject: (change: Document) => onStep({ action: 'describe', merge: true, document: { subject: change } }),
        /** All of the subject at once. */
        subjectWhole: (subject: Document) => onStep({ action: 'describe', document: { subject } }),
    };
}
