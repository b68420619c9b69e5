import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import { api, reasonOf } from '../../../api/client';

/**
 * The finder's picture, and the rail that it is moved by. While a move is under way only the last that was asked for waits.
 *
 * @param stamp whatever makes another picture: asked for anew when it changes
 */
export function useFinder(rig: number, canvas: RefObject<HTMLCanvasElement | null>, width: number, active: boolean, stamp: string) {
    const [railMm, setRailMm] = useState<number | null>(null);
    const [wantedMm, setWantedMm] = useState<number | null>(null);
    const [trouble, setTrouble] = useState<string | null>(null);
    const [isEmpty, setIsEmpty] = useState(true);
    const next = useRef<{ mm: number | null } | null>(null);
    const busy = useRef(false);
    const alive = useRef(true);
    useEffect(() => {
        alive.current = true;
        return () => {
            alive.current = false;
        };
    }, []);

    const run = useCallback(async () => {
        if (busy.current) return;
        busy.current = true;
        while (next.current !== null && alive.current) {
            const { mm } = next.current;
            next.current = null;
            try {
                const { picture, railMm: stands } = await api.lookLive(rig, { width, ...(mm === null ? {} : { railMm: mm }) });
                const bitmap = await createImageBitmap(picture);
                const to = canvas.current;
                if (to) {
                    to.width = bitmap.width;
                    to.height = bitmap.height;
                    to.getContext('2d')?.drawImage(bitmap, 0, 0);
                    to.dataset.painted = String(Number(to.dataset.painted ?? 0) + 1);
                }
                bitmap.close();
                setIsEmpty(false);
                setRailMm(stands);
                setTrouble(null);
            } catch (error) {
                setTrouble(reasonOf(error));
            }
        }
        setWantedMm(null);
        busy.current = false;
    }, [rig, width, canvas]);

    const goTo = useCallback(
        (mm: number | null) => {
            next.current = { mm };
            if (mm !== null) setWantedMm(mm);
            void run();
        },
        [run],
    );
    useEffect(() => {
        if (active) goTo(null);
    }, [active, stamp, goTo]);

    return { railMm, shownMm: wantedMm ?? railMm, trouble, isEmpty, goTo };
}
