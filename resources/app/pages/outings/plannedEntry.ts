import type { Schema } from '../../api/client';
import type { Entry } from '../../offline/outings';

/** A figure with its half-width, under the names that an entry has for them. */
const said = (name: string, value: number | null, half: number | null): Record<string, number> =>
    value === null || value <= 0 ? {} : { [name]: value, ...(half === null ? {} : { [`${name}HalfWidth`]: half }) };

/** What is written down of a rig as it was planned: what it was set to, and what was said of it before. */
export const plannedEntry = (each: Schema['AssignmentView']): Omit<Entry, 'id' | 'at'> => ({
    subject: each.subject,
    rig: each.rig ?? {},
    scales: each.scales,
    predicted: {
        ...said('magnification', each.magnification, each.magnificationHalfWidth),
        ...said('workingDistanceMm', each.workingDistanceMm, each.workingDistanceHalfWidth),
        ...said('sliceMm', each.depthOfFieldMm, each.depthOfFieldHalfWidth),
    },
    ...(each.frames === null ? {} : { frames: each.frames }),
});
