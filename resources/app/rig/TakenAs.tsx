import type { Schema } from '../api/client';
import { strings } from '../strings/index';
import { withHalf } from '../ui/figures';

/** One figure that is taken otherwise than it was given, in words; without a part's name where there is one part. */
export function takenText(each: Schema['TakenAsView'], part: string | null): string {
    const say = strings.readings;
    const unit = each.unit === '' ? '' : ` ${each.unit}`;
    const taken = `${withHalf(each.taken, each.halfWidth)}${unit}`;
    const label = part === null ? each.label : each.label.toLowerCase();
    const text =
        each.given === null ? say.filledIn(part ?? '', label, taken) : say.takenFrom(part ?? '', label, `${each.given}${unit}`, taken);
    return part === null ? text.replace(/^: /, '') : text;
}

/** What the figures above rest on that nobody engraved: nominal figures that others moved, and such as a rule filled in. */
export function TakenAs({ taken, estimates }: { taken: readonly Schema['TakenAsView'][]; estimates: readonly string[] }) {
    if (taken.length + estimates.length === 0) return null;
    return (
        <ul aria-label={strings.readings.takenAs} className="border-b border-line py-1.5 text-xs text-soft">
            {taken.map((each) => (
                <li key={`${each.index} ${each.field}`}>{takenText(each, each.part)}</li>
            ))}
            {estimates.map((each) => (
                <li key={each}>{each}</li>
            ))}
        </ul>
    );
}
