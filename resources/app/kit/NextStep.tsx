import { Link } from 'react-router';
import type { KitView } from '../api/client';
import { strings } from '../strings/index';

const look = 'plate bg-ink! px-3 py-1.5 text-sm font-medium text-plate';

/** What a kit lacks to make a rig, the first thing first; null = it has a camera and a lens. */
export function lacking(kit: KitView | undefined): 'camera' | 'lens' | null {
    const has = (...kinds: string[]) => kit?.parts.some(({ part }) => kinds.includes(part.kind)) === true;
    if (!has('camera')) return 'camera';
    return has('lens', 'objective') ? null : 'lens';
}

/** The step that leads on from a place without rigs: into the kit while it lacks something; then to the bench, or to another part. */
export function NextStep({ kit, then = 'bench' }: { kit: KitView | undefined; then?: 'bench' | 'part' }) {
    const lacks = lacking(kit);
    return (
        <Link to={lacks === null && then === 'bench' ? '/bench' : '/kit?add=1'} className={look}>
            {lacks !== null ? strings.next[lacks] : then === 'bench' ? strings.next.bench : strings.next.part}
        </Link>
    );
}
