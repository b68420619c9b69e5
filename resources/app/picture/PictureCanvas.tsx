import { useEffect, useRef, useState } from 'react';
import { compare as compareWords } from '../strings/compare';
import { pictured } from './developer';
import type { Shot } from './paint';

interface Props {
    /** null = nothing is imaged. */
    shot: Shot | null;
    /** On the screen, px. */
    width: number;
    height: number;
    label: string;
    className?: string;
}

/** The picture that a rig makes of a target, at its true scale and with its true blur. While one is developed, only the last that was asked for waits. */
export function PictureCanvas({ shot, width, height, label, className = '' }: Props) {
    const canvas = useRef<HTMLCanvasElement>(null);
    const wanted = useRef<Shot | null>(null);
    const busy = useRef(false);
    const [isEmpty, setIsEmpty] = useState(true);
    useEffect(() => {
        wanted.current = shot;
        const paint = async () => {
            while (wanted.current && canvas.current) {
                const now = wanted.current;
                const to = canvas.current;
                const dense = Math.min(2, window.devicePixelRatio || 1);
                const [w, h] = [Math.round(width * dense), Math.round(height * dense)];
                const pixels = await pictured(now, w, h);
                to.width = w;
                to.height = h;
                to.getContext('2d')?.putImageData(new ImageData(pixels, w, h), 0, 0);
                to.dataset.painted = String(Number(to.dataset.painted ?? 0) + 1);
                setIsEmpty(false);
                if (wanted.current === now) wanted.current = null;
            }
        };
        if (!busy.current) {
            busy.current = true;
            void paint().finally(() => (busy.current = false));
        }
    }, [shot, width, height]);
    return (
        <span className={`relative block ${className}`} style={{ width, height }}>
            <canvas ref={canvas} role="img" aria-label={label} style={{ width, height }} className="block bg-plate" />
            {isEmpty && shot !== null && width >= 100 && (
                <span className="absolute inset-0 flex items-center justify-center text-xs text-soft">
                    {compareWords.compare.developing}
                </span>
            )}
        </span>
    );
}
