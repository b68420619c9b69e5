import type { RigView, Step } from '../../../api/client';

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

/** Null takes a field away; nested objects are given whole. */
function changed(before: Document, change: Readonly<Document>): Document {
    return Object.fromEntries(Object.entries({ ...before, ...change }).filter(([, value]) => value !== null && value !== undefined));
}

/** Where a flash stands until somebody says it: as the core takes it. */
export const usualFlashMm = 180;

export function planOf(rig: RigView): Plan {
    return rig.conditions['plan'] ?? {};
}

/** Steps that describe: of each only what changes is said. What a plan names is given whole, completed from the kit. */
export function describing(rig: RigView, onStep: OnStep, offered: Plan = {}) {
    const conditions = (change: Document) => onStep({ action: 'describe', document: { conditions: changed(rig.conditions, change) } });
    const plan = (change: Changes<Plan>) => conditions({ plan: changed({ ...planOf(rig) }, change) });
    return {
        conditions,
        plan,
        flash: (change: Changes<NonNullable<Plan['flash']>>) =>
            plan({ flash: changed({ distanceMm: usualFlashMm, ...offered.flash }, change) }),
        lamp: (change: Changes<NonNullable<Plan['lamp']>>) => plan({ lamp: changed({ ...offered.lamp }, change) }),
        rail: (change: Changes<NonNullable<Plan['rail']>>) => plan({ rail: changed({ ...offered.rail }, change) }),
        subject: (change: Document) => onStep({ action: 'describe', document: { subject: changed(rig.subject?.document ?? {}, change) } }),
        /** All of the subject at once. */
        subjectWhole: (subject: Document) => onStep({ action: 'describe', document: { subject } }),
    };
}
