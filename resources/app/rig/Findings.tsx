import type { Schema } from '../api/client';
import { magnification, phrase, type Units } from '../ui/figures';
import { strings } from '../strings/index';
import { Button } from '../ui/Button';
import type { DisplayedFinding } from './displayedReadings';

interface Props {
    findings: DisplayedFinding[];
    /** What cures them; nothing while a part is held. */
    mends: Schema['MendView'][];
    cautions: Schema['CautionView'][];
    busy: boolean;
    units: Units;
    onMend: (mend: Schema['MendView']) => void;
}

/** Findings, worst first, each with its mends; then the cautions. A stop is madder, a warning an ink bar and the word. */
export function Findings({ findings, mends, cautions, busy, units, onMend }: Props) {
    return (
        <>
            <section aria-label={strings.findings.title} className="py-2">
                <h2 className="sr-only">{strings.findings.title}</h2>
                {findings.length === 0 && <p className="text-sm text-soft">{strings.findings.none}</p>}
                <ul className="grid gap-2">
                    {findings.map((finding) => (
                        <li
                            key={`${finding.code}-${finding.index ?? 'rig'}-${finding.pattern}`}
                            data-code={finding.code}
                            className={`border-l-[3px] pl-2.5 text-sm ${finding.severity === 'stop' ? 'border-madder' : finding.severity === 'warn' ? 'border-ink' : 'border-line'}`}
                        >
                            <span
                                className={
                                    finding.severity === 'stop'
                                        ? 'font-semibold text-madder'
                                        : finding.severity === 'warn'
                                          ? 'font-semibold'
                                          : 'text-soft'
                                }
                            >
                                {strings.findings.severity[finding.severity]}
                            </span>{' '}
                            {phrase(finding.pattern, finding.numbers, units)}
                            <span className="flex flex-wrap gap-1.5 empty:hidden [&:not(:empty)]:mt-1">
                                {mends
                                    .filter((mend) => mend.code === finding.code && mend.index === finding.index)
                                    .map((mend) => (
                                        <Button key={mend.step.choice} className="py-0.5!" disabled={busy} onClick={() => onMend(mend)}>
                                            {phrase(mend.pattern, mend.numbers, units)}
                                            {mend.magnification !== null && ' '}
                                            {mend.magnification !== null && (
                                                <span className="figures ml-1.5 text-xs text-soft">
                                                    {magnification(mend.magnification)}
                                                </span>
                                            )}
                                        </Button>
                                    ))}
                            </span>
                        </li>
                    ))}
                </ul>
            </section>
            {cautions.length > 0 && (
                <section aria-label={strings.cautions.title} className="border-t border-line py-2">
                    <h2 className="text-sm font-semibold">{strings.cautions.title}</h2>
                    <ul className="mt-1 grid gap-1.5 text-sm text-soft">
                        {cautions.map((caution) => (
                            <li key={caution.code}>{caution.text}</li>
                        ))}
                    </ul>
                    <p className="mt-1.5 text-xs text-soft">{strings.cautions.local}</p>
                </section>
            )}
        </>
    );
}
