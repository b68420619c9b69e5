import { useEffect, useState } from 'react';
import { length, type Units } from '../../ui/figures';
import { strings } from '../../strings/index';

/** Long enough to be read and acted on. */
const shownFor = 20_000;

/**
 * How far the rig must move after the last step to be sharp where it was, and which way. Told once: it fades, and is gone with
 * the next step or a reload.
 */
export function Move({ byMm, units }: { byMm: number | null; units: Units }) {
    const [gone, setGone] = useState(false);
    useEffect(() => {
        const timer = setTimeout(() => setGone(true), shownFor);
        return () => clearTimeout(timer);
    }, []);
    const told = byMm !== null && !gone;
    return (
        <p role="status" className={told ? 'fading mt-2 border-l-[3px] border-brass pl-2.5 text-sm' : 'sr-only'}>
            {told && (byMm > 0 ? strings.findings.moveAway : strings.findings.moveNearer)(length(Math.abs(byMm), units))}
        </p>
    );
}
