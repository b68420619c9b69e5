import { describe, expect, it, vi } from 'vitest';
import type { RigView, Schema } from '../../../api/client';
import { completed, describing, ofSameRig } from './planned';

const rig = (plan: object | undefined): RigView => ({ conditions: plan === undefined ? {} : { plan } }) as unknown as RigView;
const light = (plan: object): Schema['LightView'] => ({ plan }) as unknown as Schema['LightView'];
const kit = { flash: { name: 'Small flash', guideNumber: 20, distanceMm: 180 }, rail: { name: 'Rail', pitchMm: 1.25 } };

describe('a plan', () => {
    it('takes from the kit what it names none of, and keeps its own however old the offer', () => {
        expect(completed(rig(undefined), light(kit))).toEqual(kit);
        const own = { light: 'flash', flash: { name: 'Other', guideNumber: 58, distanceMm: 90 } };
        expect(completed(rig(own), light(kit))).toEqual({ ...kit, ...own });
        expect(completed(rig({ flash: { guideNumber: 58 } }), light(kit)).flash).toEqual({ guideNumber: 58, distanceMm: 180 });
        expect(completed(rig(undefined), undefined)).toEqual({});
    });

    it('is changed by what is said alone; what is chosen first comes along whole', () => {
        const step = vi.fn(() => Promise.resolve());
        const tell = describing(rig(undefined), step, kit);
        void tell.lit('flash');
        expect(step).toHaveBeenLastCalledWith({
            action: 'describe',
            merge: true,
            document: { conditions: { plan: { light: 'flash', flash: kit.flash } } },
        });
        void tell.shot('rail');
        expect(step).toHaveBeenLastCalledWith(
            expect.objectContaining({ document: { conditions: { plan: { by: 'rail', rail: kit.rail } } } }),
        );
        void tell.lit('there');
        expect(step).toHaveBeenLastCalledWith(expect.objectContaining({ document: { conditions: { plan: { light: 'there' } } } }));
        // Once it is the rig's own, only the change is sent.
        void describing(rig({ flash: kit.flash }), step, kit).flash({ angleDeg: 40 });
        expect(step).toHaveBeenLastCalledWith(expect.objectContaining({ document: { conditions: { plan: { flash: { angleDeg: 40 } } } } }));
        void tell.subject({ depthMm: null });
        expect(step).toHaveBeenLastCalledWith(expect.objectContaining({ merge: true, document: { subject: { depthMm: null } } }));
    });

    it('shows what was told before of the same rig only', () => {
        const of = ofSameRig<string>(7);
        expect(of('before', { queryKey: ['light', 7, 3] })).toBe('before');
        expect(of('before', { queryKey: ['light', 8, 3] })).toBeUndefined();
        expect(of('before', undefined)).toBeUndefined();
    });
});
