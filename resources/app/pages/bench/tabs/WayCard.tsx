import type { ReactNode } from 'react';
import { Button } from '../../../ui/Button';

interface Props {
    title: string;
    figure: string;
    children: ReactNode;
    /** What its button says; null = there is nothing to press. */
    press: string | null;
    onPress?: () => void;
    /** Whether this is the way that is planned. */
    planned?: boolean;
    said?: string;
    disabled?: boolean;
    foot?: ReactNode;
}

/** One way: its figure, its price, and a button that plans it. */
export function WayCard({ title, figure, children, press, onPress, planned = false, said = '', disabled = false, foot }: Props) {
    return (
        <li className={`plate flex flex-col border-t-2 px-2.5 py-2 ${planned ? 'border-verdigris' : 'border-line'}`} aria-label={title}>
            <h2 className="flex items-baseline justify-between text-xs font-semibold">
                {title}
                {planned && <span className="font-normal text-verdigris">{said}</span>}
            </h2>
            <p className="figures text-[16px] leading-tight font-semibold">{figure}</p>
            <div className="flex-1 pt-0.5 pb-1.5 text-xs text-soft">{children}</div>
            {press !== null && !planned && (
                <Button className="self-start py-0.5! text-xs!" disabled={disabled} onClick={onPress}>
                    {press}
                </Button>
            )}
            {foot}
        </li>
    );
}
