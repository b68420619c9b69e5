import { useState } from 'react';
import type { RigView } from '../api/client';
import { RigDrawing } from '../drawing/RigDrawing';
import type { Units } from '../ui/figures';
import { misfits, type DisplayedReadings } from './displayedReadings';

/** A rig to scale, to look at: parts can be pointed at, nothing moves. */
export function StillDrawing({ rig, shown, units }: { rig: RigView; shown: DisplayedReadings; units: Units }) {
    const [selected, setSelected] = useState(0);
    return (
        <RigDrawing
            drawing={shown.drawing}
            cameraName={rig.camera.name}
            tipMm={shown.drawing.tipMm}
            reachMm={shown.drawing.subjectMm}
            workingDistanceMm={shown.reading('workingDistanceMm')}
            lightGapDeg={shown.reading('lightGapDeg')}
            focus={shown.focus}
            misfits={misfits(rig)}
            selected={selected}
            onSelect={setSelected}
            units={units}
            nearMm={shown.reading('nearMm')}
            farMm={shown.reading('farMm')}
        />
    );
}
