import { Link } from 'react-router';
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
export function TakenAs({
    taken,
    estimates,
    partOf = () => null,
}: {
    taken: readonly Schema['TakenAsView'][];
    estimates: readonly string[];
    /** The part of the kit that stands at a place, where what nobody told can be told. */
    partOf?: (index: number) => number | null;
}) {
    if (taken.length + estimates.length === 0) return null;
    return (
        <ul aria-label={strings.readings.takenAs} className="border-b border-line py-1.5 text-xs text-soft">
            {taken.map((each) => (
                <li key={`${each.index} ${each.field}`}>
                    {takenText(each, each.part)}
                    {each.given === null && partOf(each.index) !== null && (
                        <>
                            {' '}
                            <Link className="text-beam underline underline-offset-2" to={`/kit?part=${partOf(each.index)}`}>
                                {strings.readings.tellIt}
                                <span className="sr-only"> {each.label}</span>
                            </Link>
                        </>
                    )}
                </li>
            ))}
            {estimates.map((each) => (
                <li key={each}>{each}</li>
            ))}
        </ul>
    );
}
