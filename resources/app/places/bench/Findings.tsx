import { phrase, type Units } from '../../figures';
import { strings } from '../../strings';
import type { ShownFinding } from './figuresOf';

/** Findings, worst first. A stop is madder, a warning an ink bar and the word. */
export function Findings({ findings, units }: { findings: ShownFinding[]; units: Units }) {
    return (
        <section aria-label={strings.findings.title} className="py-2">
            <h2 className="sr-only">{strings.findings.title}</h2>
            {findings.length === 0 && <p className="text-sm text-soft">{strings.findings.none}</p>}
            <ul className="grid gap-2">
                {findings.map((finding) => (
                    <li
                        key={`${finding.code}-${finding.place ?? 'rig'}`}
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
                    </li>
                ))}
            </ul>
        </section>
    );
}
