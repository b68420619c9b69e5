import type { RigView } from '../../../api/client';
import type { PlannedFlash } from '../../../drawing/FlashPlace';
import type { DrawnSubject } from '../../../drawing/SubjectShape';
import { strings } from '../../../strings/index';
import { planOf } from './planned';

/** The flash of the rig's plan; null = it is lit otherwise. */
export function plannedFlash(rig: RigView): PlannedFlash | null {
    const { light, flash } = planOf(rig);
    if (light !== 'flash' || flash?.distanceMm === undefined) return null;
    return {
        name: flash.name ?? strings.work.flash,
        distanceMm: flash.distanceMm,
        angleDeg: flash.angleDeg ?? null,
    };
}

/**
 * The subject as it stands before the rig: a stack begins at its nearest point, one shot is focused where both ends are blurred alike.
 * Null = its width isn't known.
 */
export function drawnSubject(rig: RigView, nearMm: number | null, farMm: number | null): DrawnSubject | null {
    const widthMm = rig.subject?.widthMm ?? null;
    if (widthMm === null) return null;
    const depthMm = rig.subject?.depthMm ?? 0;
    const share = nearMm === null ? 0.5 : farMm === null ? 0 : nearMm / (nearMm + farMm);
    return { widthMm, depthMm, beforeMm: planOf(rig).by === 'single' ? depthMm * share : 0 };
}
