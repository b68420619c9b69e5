import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useParams } from 'react-router';
import { api } from '../../api/client';
import { keys } from '../../api/queries';
import { VisitorsHead } from '../../shell/VisitorsHead';
import { usePreferences } from '../../shell/preferences';
import { strings } from '../../strings/index';
import { displayedReadings } from '../../rig/displayedReadings';
import { StillDrawing } from '../../rig/StillDrawing';
import { Findings } from '../../rig/Findings';
import { PictureFrame } from '../../rig/PictureFrame';
import { Readings } from '../../rig/Readings';

/** A rig that somebody shared, to look at. */
export default function SharedPage() {
    const { token = '' } = useParams();
    const { units } = usePreferences();
    const query = useQuery({ queryKey: keys.shared(token), queryFn: () => api.shared(token), retry: false });
    const rig = query.data;
    const shown = useMemo(() => (rig ? displayedReadings(rig, null) : null), [rig]);
    return (
        <div className="flex min-h-dvh flex-col">
            <VisitorsHead note={strings.shared.note} />
            <main id="main" className="grid flex-1 lg:grid-cols-[1fr_412px]" aria-busy={query.isPending}>
                <div className="min-w-0 px-4 py-3">
                    {query.isError && (
                        <p role="alert" className="py-6 text-base">
                            {query.error.message}
                        </p>
                    )}
                    {rig && shown && (
                        <>
                            <h1 className="text-lg font-semibold">{rig.name ?? strings.bench.unnamed}</h1>
                            <div className="h-[400px]">
                                <StillDrawing rig={rig} shown={shown} units={units} />
                            </div>
                            <h2 className="border-t border-ink pt-3 text-sm font-semibold">{strings.bench.chain}</h2>
                            <ol className="list-inside list-decimal py-2 text-sm">
                                <li>{rig.camera.name}</li>
                                {rig.chain.map((part) => (
                                    <li key={part.index}>
                                        {part.name}
                                        {part.reversed && `, ${strings.shared.reversed}`}
                                        <span className="figures text-soft">
                                            {' '}
                                            {[part.measure, part.setting].filter(Boolean).join(' · ')}
                                        </span>
                                    </li>
                                ))}
                            </ol>
                            <div className="w-44">
                                <PictureFrame rig={rig} shown={shown} units={units} />
                            </div>
                            <p className="py-4 text-sm">
                                <a className="text-beam underline underline-offset-2" href={api.sharedAddress(token)} download>
                                    {strings.bench.exportFile}
                                </a>
                            </p>
                        </>
                    )}
                </div>
                {rig && shown && (
                    <aside className="border-line bg-plate px-5 py-2 lg:border-l" aria-label={strings.readings.title}>
                        <Readings rig={rig} shown={shown} units={units} />
                        <Findings
                            findings={shown.findings}
                            mends={[]}
                            cautions={rig.cautions}
                            busy={false}
                            units={units}
                            onMend={() => undefined}
                        />
                    </aside>
                )}
            </main>
        </div>
    );
}
