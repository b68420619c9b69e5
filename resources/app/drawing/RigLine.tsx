interface Props {
    /** The rig, as `rigOutline` has it. */
    path: string;
    tipX: number;
    planeX: number;
    axisY: number;
    /** From where to where the plane of focus is drawn. */
    top: number;
    bottom: number;
    /** Whether the air before it is cut short. */
    broken: boolean;
    /** Null = it isn’t drawn; a guess is dotted. */
    plane?: 'true' | 'guess' | null;
    /** Strength of the outline, px. */
    ink?: number;
    fill?: string;
}

/** A rig as one outline, its axis, and its plane of focus. */
export function RigLine({ path, tipX, planeX, axisY, top, bottom, broken, plane = 'true', ink = 1.5, fill = 'var(--plate)' }: Props) {
    return (
        <>
            <path d={path} fill={fill} stroke="var(--ink)" strokeWidth={ink} strokeLinejoin="round" />
            <path d={`M${tipX} ${axisY}H${planeX}`} stroke="var(--soft)" strokeDasharray={broken ? '1 4' : '8 3 2 3'} />
            {plane !== null && (
                <path
                    d={`M${planeX} ${top}V${bottom}`}
                    stroke="var(--madder)"
                    strokeWidth={ink * 1.5}
                    {...(plane === 'guess' ? { strokeDasharray: '3 4' } : {})}
                />
            )}
        </>
    );
}
