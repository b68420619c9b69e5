import { Refused } from '../../api/client';

/** Whether a step was refused only because the rig gets near what was asked and not there: it is asked about, not told as a fault. */
export const asksNear = (error: unknown) => error instanceof Refused && 'near' in error.fields;
