import type { Schema } from '../../api/client';
import { practice as practiceWords } from '../../strings/practice';
import { offSaid } from './guess';

const say = practiceWords.practice.skills;

/** How near one is, skill by skill, and whether one’s widths are honest. */
export function Skills({ skills }: { skills: readonly Schema['SkillView'][] }) {
    return (
        <section aria-label={say.title}>
            <h2 className="pb-1 text-base font-semibold">{say.title}</h2>
            <ul>
                {skills.map((each) => (
                    <li key={each.skill} className="border-b border-line py-2">
                        <p className="flex items-baseline justify-between gap-3 text-sm">
                            <span>{say.of[each.skill]}</span>
                            <span className="figures text-soft">{standing(each)}</span>
                        </p>
                        <div className="mt-1.5 h-1 bg-line" aria-hidden>
                            {each.bar !== null && <div className="h-1 bg-verdigris" style={{ width: `${Math.round(each.bar * 100)}%` }} />}
                        </div>
                        {each.coverage !== null && (
                            <p className="figures pt-1 text-right text-xs text-soft">
                                {say.widths(`${Math.round(each.coverage * 100)}\u2009%`)}
                            </p>
                        )}
                    </li>
                ))}
            </ul>
            <p className="pt-2 text-xs text-soft">{say.rule}</p>
        </section>
    );
}

function standing(each: Schema['SkillView']): string {
    if (each.within !== null) return say.within(offSaid(each.skill, each.within));
    return each.bar === null ? say.notEnough : say.right(each.right, each.words);
}
