import { Tabs } from 'radix-ui';
import type { ReactNode } from 'react';
import { strings } from '../../../strings/index';

export const works = ['parts', 'light', 'shots', 'look'] as const;
export type Work = (typeof works)[number];

interface Props {
    work: Work;
    onWork: (work: Work) => void;
    panels: Readonly<Record<Work, ReactNode>>;
}

/** The steps of the work, in their order, below the drawing. What was done in one stays while another is open. */
export function WorkTabs({ work, onWork, panels }: Props) {
    return (
        <Tabs.Root
            value={work}
            onValueChange={(next) => onWork(next as Work)}
            // What moves beside it isn’t a reason to paint it again.
            className="no-print isolate flex min-h-0 flex-col border-t border-ink"
        >
            <Tabs.List aria-label={strings.work.title} className="flex shrink-0 gap-1">
                {works.map((each) => (
                    <Tabs.Trigger
                        key={each}
                        value={each}
                        className="-mt-px border-t-2 border-transparent px-2.5 py-1.5 text-sm text-soft hover:text-ink data-[state=active]:border-ink data-[state=active]:font-semibold data-[state=active]:text-ink max-sm:min-h-[44px] max-sm:flex-1"
                    >
                        {strings.work.tabs[each]}
                    </Tabs.Trigger>
                ))}
            </Tabs.List>
            {works.map((each) => (
                <Tabs.Content
                    key={each}
                    value={each}
                    forceMount
                    hidden={each !== work}
                    className={
                        each === 'parts'
                            ? 'flex min-h-0 flex-col data-[state=inactive]:hidden'
                            : 'slim-scroll min-h-0 overflow-y-auto lg:h-[334px]'
                    }
                >
                    {panels[each]}
                </Tabs.Content>
            ))}
        </Tabs.Root>
    );
}
