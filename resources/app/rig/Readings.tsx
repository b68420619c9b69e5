import { Popover } from 'radix-ui';
import { memo, useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { RigView } from '../api/client';
import { digits, fNumber, length, lengthDigits, magnification, mass, ratio, stops, type Units } from '../ui/figures';
import type { Pointed } from '../drawing/RigDrawing';
import { Strip } from '../strip/Strip';
import { strings } from '../strings/index';
import { displayedReadings, type ReadingName, type DisplayedReadings } from './displayedReadings';
import { Term } from '../ui/Term';
import { later } from '../ui/later';
import type { Derived } from './Derivation';
import { TakenAs } from './TakenAs';
import { Water } from './Water';

/** How a figure comes about, told where somebody asks. */
export const Derivation = later(async () => (await import('./Derivation')).Derivation);

interface Props {
    rig: RigView;
    shown: DisplayedReadings;
    units: Units;
    onPoint?: (reading: Pointed | null) => void;
}

/** The readings as engraved strips; magnification and working distance lead. */
export function Readings({ rig, shown, units, onPoint }: Props) {
    const point = (reading: Pointed) => (onPoint ? { onPoint: (on: boolean) => onPoint(on ? reading : null) } : {});
    const { schools } = rig;
    // Told for the rig as it is set: not while a part is held.
    const still = rig.chain.length > 0 && shown.reading('effectiveAperture') === rig.readings.effectiveAperture;
    const simple = schools.apertureModel === 'simple';
    const otherAperture = simple ? schools.pupilAperture : schools.simpleAperture;
    const say = strings.readings;
    const get = shown.reading;
    const mm = (value: number | null) => (value === null ? say.infinite : lengthDigits(value, units));
    const tellLength = tellShort[units];
    const per = units === 'in' ? 25.4 : 1;
    const m = get('magnification');
    const subject = get('subjectDistanceMm');
    const effective = get('effectiveAperture');
    const lost = get('stopsLost');
    const field = get('fieldWidthMm');
    const height = get('fieldHeightMm');
    const wave = get('waveDepthMm');
    const airy = get('airyDiameterMm');
    const detail = get('detailMm');
    const marked = rig.travels.find((travel) => travel.kind === 'aperture')?.value;
    const title = (term: Term, name: string, reading: Derived) => <Asked rig={rig} term={term} name={name} reading={reading} />;
    const doubt = (name: ReadingName) => <Doubt rig={rig} name={name} halfWidth={shown.halfWidth(name)} units={units} />;
    return (
        <>
            <h2 className="sr-only">{say.title}</h2>
            <div className="max-lg:gap-x-8 md:max-lg:grid md:max-lg:grid-cols-2">
                <Strip
                    name={say.magnification}
                    title={title('magnification', say.magnification, 'magnification')}
                    note={m !== null && m > 0 && <span className="figures">{ratio(m)}</span>}
                    value={m}
                    figure={m === null ? say.none : digits(m)}
                    unit="×"
                    least={rig.range.magnification.least}
                    greatest={rig.range.magnification.greatest}
                    halfWidth={shown.halfWidth('magnification')}
                    tell={short}
                    focus
                    doubt={doubt('magnification')}
                    {...point('magnification')}
                />
                <Strip
                    name={say.workingDistance}
                    title={title('workingDistance', say.workingDistance, 'workingDistanceMm')}
                    note={subject !== null && say.subjectDistance(length(subject, units))}
                    value={get('workingDistanceMm')}
                    figure={m === null ? say.none : mm(get('workingDistanceMm'))}
                    unit={units}
                    least={rig.range.workingDistanceMm.least}
                    greatest={rig.range.workingDistanceMm.greatest}
                    halfWidth={shown.halfWidth('workingDistanceMm')}
                    tell={tellLength}
                    per={per}
                    focus
                    doubt={doubt('workingDistanceMm')}
                    {...point('workingDistanceMm')}
                />
                <Strip
                    name={say.field}
                    title={title('field', say.field, 'fieldWidthMm')}
                    value={field}
                    figure={field === null || height === null ? (m === null ? say.none : say.infinite) : `${mm(field)} × ${mm(height)}`}
                    unit={units}
                    least={rig.range.fieldWidthMm.least}
                    greatest={rig.range.fieldWidthMm.greatest}
                    tell={tellLength}
                    per={per}
                    doubt={doubt('fieldWidthMm')}
                    {...point('fieldWidthMm')}
                />
                <Strip
                    name={say.effectiveAperture}
                    title={title('effectiveAperture', say.effectiveAperture, 'effectiveAperture')}
                    note={
                        lost !== null &&
                        say.stopsLost(stops(lost), marked === undefined ? '' : say.ringAt(fNumber(markedNow(shown, rig, marked))))
                    }
                    value={effective}
                    figure={effective === null ? say.none : fNumber(effective)}
                    unit=""
                    least={rig.range.effectiveAperture.least}
                    greatest={rig.range.effectiveAperture.greatest}
                    halfWidth={shown.halfWidth('effectiveAperture')}
                    tell={short}
                    doubt={doubt('effectiveAperture')}
                    {...point('effectiveAperture')}
                    other={
                        still && otherAperture !== null ? { ask: simple ? say.byPupils : say.bySimple, told: fNumber(otherAperture) } : null
                    }
                />
                <Strip
                    name={say.slice}
                    title={title('slice', say.slice, 'depthOfFieldMm')}
                    note={wave !== null && say.limit(lengthDigits(rig.blurLimitMm, units), lengthDigits(wave, units), units)}
                    value={get('depthOfFieldMm')}
                    figure={m === null ? say.none : mm(get('depthOfFieldMm'))}
                    unit={units}
                    least={rig.range.depthOfFieldMm.least}
                    greatest={rig.range.depthOfFieldMm.greatest}
                    tell={tellLength}
                    per={per}
                    doubt={doubt('depthOfFieldMm')}
                    {...point('depthOfFieldMm')}
                    other={
                        still && schools.otherDepthMm !== null && schools.otherBlurLimitMm !== null
                            ? {
                                  ask: schools.otherBlurRule === 'pixel' ? say.byPixels : say.byFormat,
                                  told: `${length(schools.otherDepthMm, units)} · ${say.limitOf(length(schools.otherBlurLimitMm, units))}${schools.totalDepthMm === null ? '' : ` · ${say.withWave(length(schools.totalDepthMm, units))}`}`,
                              }
                            : null
                    }
                />
                <Strip
                    name={say.detail}
                    title={title('detail', say.detail, 'detailMm')}
                    note={airy !== null && say.spot(`${digits(airy * 1000)} µm`)}
                    value={detail}
                    figure={detail === null ? say.none : digits(detail * 1000)}
                    unit="µm"
                    least={rig.range.detailMm.least}
                    greatest={rig.range.detailMm.greatest}
                    tell={shortMicrons}
                    doubt={doubt('detailMm')}
                    {...point('detailMm')}
                />
                <FocusStrip rig={rig} shown={shown} units={units} point={point} />
                <Water rows={rig.water} units={units} />
                <TakenAs taken={rig.takenAs} estimates={rig.estimates} partOf={(index) => rig.chain[index]?.partId ?? null} />
                <AllReadings rig={rig} shown={shown} units={units} />
            </div>
        </>
    );
}

/** A reading's name: what it means, and how it comes about for this rig where that is somebody's. */
const Asked = memo(function Asked({ rig, term, name, reading }: { rig: RigView; term: Term; name: string; reading: Derived }) {
    return (
        <Term of={term} wide={rig.id > 0} more={rig.id > 0 ? () => <Derivation rig={rig} reading={reading} /> : undefined}>
            {name}
        </Term>
    );
});

/** On a small screen these two stay in sight while anything moves. */
export function TwoFigures({ shown, units, look }: { shown: DisplayedReadings; units: Units; look?: string }) {
    const say = strings.readings;
    const m = shown.reading('magnification');
    const distance = shown.reading('workingDistanceMm');
    return (
        <div className="sticky top-0 z-10 grid grid-cols-2 gap-4 border-b border-ink bg-plate px-4 py-1.5 lg:hidden" aria-hidden="true">
            <p className={look}>
                <span className="block text-xs text-soft">{say.magnification}</span>
                <span className="figures text-xl font-medium">{m === null ? say.none : digits(m)}</span> <span className="text-xs">×</span>
            </p>
            <p className={look}>
                <span className="block text-xs text-soft">{say.workingDistance}</span>
                <span className="figures text-xl font-medium">
                    {m === null ? say.none : distance === null ? say.infinite : lengthDigits(distance, units)}
                </span>{' '}
                <span className="text-xs">{units}</span>
            </p>
        </div>
    );
}

/** The aperture that is set now: a held aperture ring tells through stops lost. */
function markedNow(shown: DisplayedReadings, rig: RigView, marked: number): number {
    const effective = shown.reading('effectiveAperture');
    const lost = shown.reading('stopsLost');
    return effective !== null && lost !== null && rig.readings.stopsLost !== null ? effective / 2 ** (lost / 2) : marked;
}

/** A number of a scale: as few digits as tell it apart. */
function short(value: number): string {
    return value >= 1 || value === 0 ? digits(value) : digits(value).replace(/^0/, '');
}

const shortMicrons = (mm: number) => short(mm * 1000);

/** The same function each time: a scale is engraved anew only when what it says changes. */
const tellShort: Record<Units, (mm: number) => string> = {
    mm: short,
    in: (mm) => lengthDigits(mm, 'in').replace(/^0\./, '.'),
};

/** Focus range and infinity on a strip of their own, from the sensor. */
function FocusStrip({ rig, shown, units, point }: Props & { point: (reading: Pointed) => object }) {
    const say = strings.readings;
    const { least, greatest } = rig.range.subjectDistanceMm;
    const now = shown.reading('subjectDistanceMm');
    const { reached, overshotMm, spacerToKeepMm, neverMm, pastMm } = rig.infinity;
    const still = shown.reading('magnification') === rig.readings.magnification;
    const state = {
        sharp: reached ? say.infinityKept : say.infinityLost,
        'at-infinity': say.sharpAtInfinity,
        // How far it is past is known as it is set; while something is held, the finding says it.
        'past-infinity': say.pastInfinity(still && pastMm !== null ? length(pastMm, units) : null),
        never: neverMm === null ? say.noImage : say.neverSharp(length(neverMm, units)),
        inside: say.focusInside,
    }[shown.focus];
    const isSharp = shown.focus === 'sharp' || shown.focus === 'at-infinity';
    const mm = (value: number | null) => (value === null ? say.infinite : lengthDigits(value, units));
    const verdict = [
        state,
        reached && isSharp && overshotMm !== null && overshotMm > 0.005 ? say.overshot(length(overshotMm, units)) : null,
        !reached && spacerToKeepMm !== null ? say.keeps(length(spacerToKeepMm, units)) : null,
    ].filter((part) => part !== null);
    const one = least !== null && greatest !== null && Math.abs(greatest - least) < 0.05;
    return (
        <Strip
            name={say.focus}
            title={<Asked rig={rig} term="focus" name={say.focus} reading="subjectDistanceMm" />}
            note={say.fromSensor}
            value={now}
            figure={shown.reading('magnification') === null ? say.none : one ? mm(now) : `${mm(least)} … ${mm(greatest)}`}
            unit={units}
            below={verdict.join(' · ')}
            least={least}
            greatest={greatest}
            halfWidth={shown.halfWidth('subjectDistanceMm')}
            tell={tellShort[units]}
            per={units === 'in' ? 25.4 : 1}
            {...point('subjectDistanceMm')}
        />
    );
}

/** Whatever else is known of the rig, in figures: where nobody has opened it, as the rig is set. */
function AllReadings({ rig, shown, units }: Props) {
    const [open, setOpen] = useState(false);
    const asSet = useMemo(() => displayedReadings(rig, null), [rig]);
    return (
        <details className="border-b border-line py-2 text-sm" onToggle={(event) => setOpen(event.currentTarget.open)}>
            <summary className="cursor-pointer font-semibold">{strings.readings.more.title}</summary>
            <OtherReadings rig={rig} shown={open ? shown : asSet} units={units} />
        </details>
    );
}

const OtherReadings = memo(function OtherReadings({ rig, shown, units }: Props) {
    const say = strings.readings;
    const at = rig.readings;
    const mm = (value: number | null) => (value === null ? say.none : length(value, units));
    const half = (name: ReadingName) => {
        const value = shown.halfWidth(name);
        return value === null || value < 5e-4 ? '' : ` ± ${lengthDigits(value, units)}`;
    };
    const of = (name: ReadingName) => mm(shown.reading(name)) + half(name);
    const gap = shown.reading('lightGapDeg');
    const corner = shown.reading('cornerBrightness');
    const focal = shown.reading('combinedFocalLengthMm');
    const fullFrame = shown.reading('fullFrameMagnification');
    const tilt = shown.reading('planeTiltDeg');
    const moment = (value: number | null) => (value === null ? say.none : `${digits(value)} Nm`);
    const rows: [string, string][] = [
        [say.more.near, of('nearMm')],
        [say.more.far, shown.reading('farMm') === null && shown.reading('magnification') ? say.infinite : of('farMm')],
        [say.more.wave, of('waveDepthMm')],
        [say.more.pupil, of('entrancePupilMm')],
        [say.more.gap, gap === null ? say.none : `${Math.round(gap)}°`],
        [say.more.extension, mm(shown.reading('extensionMm'))],
        // Focal lengths and the size on another frame are told in their own units, whatever lengths are told in.
        [say.more.focalLength, focal === null ? say.none : length(focal, 'mm')],
        [say.more.fullFrame, fullFrame === null ? say.none : magnification(fullFrame)],
        ...(tilt === null
            ? []
            : [
                  [say.more.tilt, `${digits(tilt)}°`] as [string, string],
                  [say.more.moves, mm(shown.reading('fieldMovesMm'))] as [string, string],
              ]),
        [
            say.more.corner,
            corner === null ? say.none : `${Math.round(corner * 100)} %${shown.cornerPart === null ? '' : ` · ${shown.cornerPart}`}`,
        ],
        [say.more.circle, mm(shown.reading('imageCircleMm'))],
        [say.more.coupling, say.couplings[at.coupling] ?? at.coupling],
        [say.more.mass, at.massG === null ? say.none : mass(at.massG)],
        [say.more.mount, moment(shown.reading('momentAtMountNm'))],
        [say.more.foot, moment(shown.reading('momentAtFootNm'))],
        [say.more.joints, String(at.joints)],
        [say.more.price, at.price === null ? say.none : String(at.price)],
    ];
    return (
        <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5 pt-2">
            {rows.map(([name, value]) => (
                <div key={name} className="contents">
                    <dt className="text-soft">{name}</dt>
                    <dd className="figures text-right">{value}</dd>
                </div>
            ))}
        </dl>
    );
});

/** A half-width as its figure is told, long and brief. */
function toldHalf(name: ReadingName, half: number, units: Units): { said: string; brief: string } {
    if (name === 'magnification') return { said: magnification(half), brief: digits(half) };
    if (name === 'effectiveAperture') return { said: digits(half), brief: digits(half) };
    if (name === 'detailMm') return { said: `${digits(half * 1000)} µm`, brief: digits(half * 1000) };
    return { said: length(half, units), brief: lengthDigits(half, units) };
}

/** The wave mark of a figure that rests on an assumption, where it is wide enough to be told. */
function Doubt({ rig, name, halfWidth, units }: { rig: RigView; name: ReadingName; halfWidth: number | null; units: Units }) {
    const doubt = rig.doubts.find((each) => each.reading === name);
    const value = rig.readings[name];
    if (!doubt || halfWidth === null || (value !== null && halfWidth < Math.abs(value) * 0.005)) return null;
    return <Mark doubt={doubt} name={name} units={units} {...toldHalf(name, halfWidth, units)} />;
}

interface MarkProps {
    doubt: RigView['doubts'][number];
    name: ReadingName;
    units: Units;
    said: string;
    brief: string;
}

/** The mark itself: which assumption, and how to settle it. */
const Mark = memo(function Mark({ doubt, name, units, said, brief }: MarkProps) {
    return (
        <Popover.Root>
            <Popover.Trigger
                className="figures -mr-1 px-1 text-xs text-soft hover:text-ink"
                aria-label={`± ${said}. ${strings.readings.doubt}`}
            >
                ±{brief}
                <svg className="ml-0.5 inline" width="14" height="7" viewBox="0 0 14 7" aria-hidden="true">
                    <path d="M1 5C3 0 5 0 7 3.5S11 7 13 2" fill="none" stroke="currentColor" strokeWidth="1.3" />
                </svg>
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content
                    align="end"
                    sideOffset={4}
                    aria-label={strings.readings.doubt}
                    className="z-20 w-72 border border-ink bg-plate p-3 text-sm"
                >
                    <p>{strings.readings.doubtText(said, doubt.assumed, doubt.part)}</p>
                    {doubt.rests.map((what) => (
                        <p key={what} className="mt-1 text-soft">
                            {strings.readings.restsOn(what)}
                        </p>
                    ))}
                    <p className="mt-1">
                        {doubt.settle === null || doubt.after === null
                            ? strings.readings.unsettled
                            : strings.readings.settles(
                                  doubt.settle,
                                  toldHalf(name, doubt.halfWidth, units).said,
                                  toldHalf(name, doubt.after, units).said,
                              )}
                    </p>
                    {doubt.shot && (
                        <Link
                            className="mt-1 inline-block text-beam underline underline-offset-2"
                            to={`/kit?${new URLSearchParams({ part: String(doubt.shot.part), measure: JSON.stringify(doubt.shot) })}`}
                        >
                            {strings.readings.measure}
                        </Link>
                    )}
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
});
