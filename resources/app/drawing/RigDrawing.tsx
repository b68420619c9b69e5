import { useDraggable, useDroppable } from '@dnd-kit/core';
import { memo, useId, useLayoutEffect, useMemo, useRef, useState, type Ref } from 'react';
import type { Schema } from '../api/client';
import { digits, length, type Units } from '../ui/figures';
import { strokes } from '../ui/strokes';
import { strings } from '../strings/index';
import { crosses, outlines } from './clear';
import { framed, frameOf, type Frame } from './frame';
import { carriedFrom, moved, placeOf } from './movement';
import { CameraShape, PartShape } from './shapes';
import { FlashPlace, type PlannedFlash } from './FlashPlace';
import { Slice, SubjectPlane } from './SubjectPlane';
import { SubjectShape, type DrawnSubject } from './SubjectShape';

type Drawing = Schema['DrawingView'];

/** Where the drawing has the middles of the parts, px, and how wide it is; 0 = it scrolls, and nothing can stand under it. */
export interface Places {
    centres: ReadonlyMap<number, number>;
    width: number;
}

interface Props {
    drawing: Drawing;
    /** The parts as they stand while none is held: one that is only carried along is drawn once, and moved as it is. */
    rest?: Drawing['parts'];
    cameraName: string;
    /** The longest the rig and the furthest the subject get while a part is held. */
    tipMm: number;
    reachMm: number | null;
    workingDistanceMm: number | null;
    lightGapDeg: number | null;
    /** Where it is sharp; null = not known yet. */
    focus: Schema['RigView']['focus'] | null;
    /** Places of parts whose joint does not fit. */
    misfits: ReadonlySet<number>;
    selected: number;
    onSelect: (item: number) => void;
    units: Units;
    /** Limits of the sharp slice before and behind the plane of focus. */
    nearMm: number | null;
    farMm: number | null;
    /** The reading that is pointed at: where it is measured is marked. */
    pointed?: Pointed | null;
    /** A flash that is planned, while light is worked on. */
    flash?: PlannedFlash | null;
    /** What is photographed, while light or shots are. */
    subject?: DrawnSubject | null;
    /** 1 = all of it in sight. */
    zoom?: number;
    ref?: Ref<SVGSVGElement>;
    /** Told when the drawing is laid out. */
    onLaidOut?: (places: Places) => void;
}

/** Readings that are measured somewhere in the drawing. */
export type Pointed =
    'magnification' | 'workingDistanceMm' | 'fieldWidthMm' | 'effectiveAperture' | 'depthOfFieldMm' | 'detailMm' | 'subjectDistanceMm';

/** Item numbers along the axis: 0 the camera, then joint, part, joint, part … as in the list beside the drawing. */
export const jointItem = (index: number) => 2 * index + 1;
export const partItem = (index: number) => 2 * index + 2;

/** A window narrower than this is scrolled, px. */
export const narrowest = 560;

/** A window on the drawing, px; not whole where the drawing is wider and scrolls in it. */
interface Size {
    width: number;
    height: number;
    isWhole: boolean;
}

export function RigDrawing(props: Props) {
    const box = useRef<HTMLDivElement>(null);
    // Not known before the page is laid out: drawn to a guess, it would be drawn twice, and jump.
    const [size, setSize] = useState<Size | null>(null);
    useLayoutEffect(() => {
        const element = box.current;
        if (!element) return;
        const watch = new ResizeObserver(([entry]) => {
            if (!entry) return;
            const { width, height } = entry.contentRect;
            setSize({ width: Math.max(narrowest, width), height, isWhole: width >= narrowest - 1 });
        });
        watch.observe(element);
        return () => watch.disconnect();
    }, []);
    const { zoom = 1 } = props;
    return (
        <div
            ref={box}
            role="group"
            aria-label={strings.bench.drawing}
            tabIndex={0}
            className={`slim-scroll h-full min-h-[300px] overflow-x-auto ${zoom > 1 ? 'overflow-y-auto' : 'overflow-y-hidden'}`}
        >
            {size && <Drawn {...props} size={size} />}
        </div>
    );
}

function Drawn({ size, ...props }: Props & { size: Size }) {
    const { drawing, tipMm, reachMm, zoom = 1 } = props;
    const width = size.width * zoom;
    const height = size.height * (zoom > 1 ? 1 + (zoom - 1) * 0.7 : 1);
    // While a part is moved the frame stays, and with it all that is drawn from nothing else.
    const asked = framed(drawing, width, height, tipMm, reachMm);
    const frame = useMemo(() => frameOf(drawing, width, height, tipMm, reachMm), [asked]); // eslint-disable-line react-hooks/exhaustive-deps -- all that it comes from is in its words
    const { onLaidOut } = props;
    const centres = drawing.parts.map((part) => Math.round(frame.x((part.rearMm + part.frontMm) / 2)));
    const laidOut = `${size.width} ${String(size.isWhole)} ${centres.join(' ')}`;
    useLayoutEffect(() => {
        // Where the drawing is wider than its window and scrolls, nothing can stand under it.
        onLaidOut?.({
            centres: new Map(drawing.parts.map((part, at) => [part.index, centres[at] ?? 0])),
            width: size.isWhole ? size.width : 0,
        });
        // eslint-disable-next-line react-hooks/exhaustive-deps -- when the places change, not each time they are worked out
    }, [laidOut, onLaidOut]);
    return (
        <svg ref={props.ref} width={width} height={height} className="block select-none" role="img" aria-label={strings.bench.drawing}>
            <Sheet {...props} frame={frame} />
        </svg>
    );
}

function Sheet({
    drawing,
    rest = drawing.parts,
    cameraName,
    frame,
    workingDistanceMm,
    lightGapDeg,
    focus,
    misfits,
    selected,
    onSelect,
    units,
    nearMm,
    farMm,
    pointed = null,
    flash = null,
    subject = null,
}: Props & { frame: Frame }) {
    const { x } = frame;
    const hatch = useId();
    return (
        <>
            <defs>
                <pattern id={hatch} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
                    <path d="M0 0V6" stroke="var(--soft)" strokeWidth="1" />
                </pattern>
            </defs>
            <Rule frame={frame} units={units} />
            <path
                d={`M${x(drawing.camera.backMm) - 10} ${frame.axisY}H${frame.broken ? x(frame.lastMm) : x(frame.lastMm)}`}
                stroke="var(--soft)"
                strokeWidth={0.8}
                strokeDasharray="10 3 2 3"
            />
            <g onClick={() => onSelect(0)} className="cursor-pointer" opacity={1}>
                <Camera camera={drawing.camera} sensorMm={drawing.sensorMm} frame={frame} />
            </g>
            {drawing.parts.map((part, at) => {
                const still = carriedFrom(part, rest[at]);
                return (
                    <g key={part.index} transform={along(still, part, frame)}>
                        <DrawnPart
                            part={still}
                            frame={frame}
                            transform={placeOf(drawing.movement, part.index, frame)}
                            isSelected={selected === partItem(part.index)}
                            onSelect={onSelect}
                        />
                    </g>
                );
            })}
            <Slice drawing={drawing} frame={frame} nearMm={nearMm} farMm={farMm} strong={pointed === 'depthOfFieldMm'} />
            {subject && <SubjectShape drawing={drawing} frame={frame} subject={subject} />}
            {flash && <FlashPlace drawing={drawing} frame={frame} flash={flash} lightGapDeg={lightGapDeg} units={units} />}
            <Light drawing={drawing} frame={frame} />
            <SubjectPlane
                drawing={drawing}
                frame={frame}
                workingDistanceMm={workingDistanceMm}
                lightGapDeg={lightGapDeg}
                focus={focus}
                units={units}
            />
            <Joints drawing={drawing} rest={rest} frame={frame} misfits={misfits} selected={selected} onSelect={onSelect} />
            {drawing.balanceMm !== null && <BalancePoint at={x(drawing.balanceMm)} y={frame.ruleY - 9} />}
            {drawing.entrancePupilMm !== null && <EntrancePupil drawing={drawing} frame={frame} />}
            <ScaleBar drawing={drawing} frame={frame} units={units} />
            {pointed && <PointedAt drawing={drawing} frame={frame} pointed={pointed} workingDistanceMm={workingDistanceMm} />}
            <Labels drawing={drawing} cameraName={cameraName} frame={frame} selected={selected} />
        </>
    );
}

type Part = Drawing['parts'][number];

const along = (rest: Part, part: Part, frame: Frame) =>
    rest === part ? undefined : `translate(${(part.rearMm - rest.rearMm) * frame.scale} 0)`;

const Camera = memo(CameraShape);

interface DrawnPartProps {
    part: Part;
    frame: Frame;
    transform: string | undefined;
    isSelected: boolean;
    onSelect: (item: number) => void;
}

/** A part that can be chosen, or taken along the axis by the hand. Drawn again when it moves. */
const DrawnPart = memo(function DrawnPart({ part, frame, transform, isSelected, onSelect }: DrawnPartProps) {
    const { setNodeRef, listeners, isDragging } = useDraggable({ id: `drawn-${part.index}`, data: { index: part.index } });
    const { x, y } = frame;
    return (
        // What is dragged is asked only for its index on the screen, which every element knows.
        <g
            ref={(node) => setNodeRef(node as unknown as HTMLElement | null)}
            {...listeners}
            onClick={() => onSelect(partItem(part.index))}
            className="cursor-pointer"
            opacity={isDragging ? 0.4 : 1}
            transform={transform}
        >
            <PartShape part={part} frame={frame} />
            {isSelected && (
                <path
                    d={`M${x(part.rearMm)} ${y(part.outerMm / 2) - 5}V${y(part.outerMm / 2) - 9}H${x(part.frontMm)}V${y(part.outerMm / 2) - 5}`}
                    fill="none"
                    stroke="var(--brass)"
                    strokeWidth={2.4}
                />
            )}
        </g>
    );
});

/** Where the rig's entrance pupil stands on the axis: what perspective is seen from. */
function EntrancePupil({ drawing, frame }: { drawing: Drawing; frame: Frame }) {
    const at = moved(drawing.movement, drawing.entrancePupilMm ?? 0, 0);
    const x = frame.x(at.mm);
    if (x < 0 || x > frame.width) return null;
    return (
        <g transform={`translate(${x} ${frame.y(at.high)})`} stroke="var(--beam)" strokeWidth={1.4} fill="none">
            <title>{strings.bench.entrancePupil}</title>
            <path d="M0 -13V-6M0 6V13M-4 -13H4M-4 13H4" />
        </g>
    );
}

/** A round length at the drawing's scale, where there is room for it: the rule under the rig tells the same. */
function ScaleBar({ drawing, frame, units }: { drawing: Drawing; frame: Frame; units: Units }) {
    const unit = units === 'mm' ? 1 : 25.4;
    const round = [1, 2, 5, 10, 20, 50, 100, 200].map((step) => step * (units === 'mm' ? 1 : 0.1) * unit);
    const mm = round.find((step) => step * frame.scale >= 44) ?? 200;
    const width = mm * frame.scale;
    const box = { left: frame.width - width - 18, right: frame.width - 8, top: frame.ruleY - 36, bottom: frame.ruleY - 12 };
    if (outlines(drawing, frame).some((each) => crosses(each, box))) return null;
    return (
        <g transform={`translate(${frame.width - width - 14} ${frame.ruleY - 18})`} className="figures">
            <path d={`M0 -4V4M0 0H${width}M${width} -4V4`} stroke="var(--ink)" strokeWidth={1.4} fill="none" />
            <text x={width / 2} y={-6} fontSize={11} textAnchor="middle" fill="var(--ink)">
                {length(mm, units)}
            </text>
        </g>
    );
}

/** Marks in brass where in the drawing a reading is measured. */
function PointedAt({
    drawing,
    frame,
    pointed,
    workingDistanceMm,
}: {
    drawing: Drawing;
    frame: Frame;
    pointed: Pointed;
    workingDistanceMm: number | null;
}) {
    const { x, y, axisY } = frame;
    const subject = drawing.subjectMm === null ? null : (frame.subjectX ?? x(drawing.subjectMm));
    const tip = x(drawing.tipMm);
    const brass = { stroke: 'var(--brass)', strokeWidth: 3.5, fill: 'none' };
    const sensor = `M${x(0)} ${y(drawing.sensorMm / 2)}V${y(-drawing.sensorMm / 2)}`;
    const half = drawing.cornerAtSubjectMm === null ? 18 : Math.max(3, Math.abs(drawing.cornerAtSubjectMm) * frame.scale);
    const plane = subject === null ? '' : `M${subject} ${axisY - half}V${axisY + half}`;
    const stop = drawing.parts.find((part) => part.stopMm !== null);
    const path: Record<Pointed, string> = {
        magnification: sensor + plane,
        fieldWidthMm: plane,
        detailMm: subject === null ? '' : `M${subject - 6} ${axisY}H${subject + 6}M${subject} ${axisY - 6}V${axisY + 6}`,
        depthOfFieldMm: subject === null ? '' : `M${subject} ${axisY - 30}V${axisY + 30}`,
        workingDistanceMm:
            subject === null || workingDistanceMm === null
                ? ''
                : `M${tip} ${axisY - 7}V${axisY + 7}M${tip} ${axisY}H${subject}M${subject} ${axisY - 7}V${axisY + 7}`,
        subjectDistanceMm:
            subject === null ? '' : `M${x(0)} ${axisY - 7}V${axisY + 7}M${x(0)} ${axisY}H${subject}M${subject} ${axisY - 7}V${axisY + 7}`,
        effectiveAperture: stop?.stopMm == null ? sensor : `M${x(stop.stopMm)} ${y(stop.outerMm / 2)}V${y(-stop.outerMm / 2)}`,
    };
    return <path d={path[pointed]} {...brass} pointerEvents="none" data-pointed={pointed} />;
}

/** The millimetre rule, numbered from the sensor, under the rig. */
const Rule = memo(function Rule({ frame, units }: { frame: Frame; units: Units }) {
    const unit = units === 'mm' ? 1 : 25.4;
    const steps = units === 'mm' ? [1, 2, 5, 10, 20, 50, 100, 200] : [1 / 16, 1 / 8, 1 / 4, 1 / 2, 1, 2, 5, 10];
    const minor = (steps.find((step) => step * unit * frame.scale >= 6) ?? 200) * unit;
    const major = (steps.find((step) => step * unit * frame.scale >= 46) ?? 200) * unit;
    const first = Math.ceil((frame.x(0) > 0 ? -frame.x(0) / frame.scale : 0) / minor) * minor;
    const end = (frame.width - frame.x(0)) / frame.scale;
    const ticks: number[] = [];
    for (let at = first; at <= end; at += minor) ticks.push(Math.round(at / minor) * minor);
    const isMajor = (at: number) => Math.abs(at / major - Math.round(at / major)) < 1e-6;
    const said = (at: number) => String(Math.round((at / unit) * 1000) / 1000);
    const places = (major: boolean) => ticks.filter((at) => isMajor(at) === major).map((at) => frame.x(at));
    // A number that the edge would cut says another number.
    const fits = (at: number) => Math.min(frame.x(at), frame.width - frame.x(at)) >= said(at).length * 3.5;
    return (
        <g className="figures">
            <path d={`M0 ${frame.ruleY}H${frame.width}`} stroke="var(--ink)" strokeWidth={1.4} />
            <path d={strokes(places(false), frame.ruleY, 6)} stroke="var(--soft)" strokeWidth={0.7} />
            <path d={strokes(places(true), frame.ruleY, 11)} stroke="var(--ink)" strokeWidth={1.1} />
            {ticks.map(
                (at) =>
                    isMajor(at) &&
                    fits(at) && (
                        <text key={at} x={frame.x(at)} y={frame.ruleY + 24} fontSize={11} textAnchor="middle" fill="var(--ink)">
                            {said(at)}
                        </text>
                    ),
            )}
        </g>
    );
});

/** The light cone to the middle of the frame, and the ray from its corner. */
function Light({ drawing, frame }: { drawing: Drawing; frame: Frame }) {
    const { x, y } = frame;
    const end = drawing.subjectMm !== null && !frame.broken ? x(drawing.subjectMm) : (frame.subjectX ?? x(frame.lastMm));
    const last = drawing.groups[drawing.groups.length - 1];
    const cone = drawing.groups.filter((group) => group.cone !== null);
    if (!last || cone.length === 0) return null;
    const at = (mm: number, high: number) => {
        const place = moved(drawing.movement, mm, high);
        return `L${x(place.mm)} ${y(place.high)}`;
    };
    const off = drawing.movement?.fieldMovesMm ?? 0;
    const edge = (sign: 1 | -1) => {
        let path = `M${x(0)} ${y(0)}`;
        for (const group of cone) path += at(group.zi, sign * (group.cone ?? 0)) + at(group.zo, sign * (group.cone ?? 0));
        // A subject beyond the break: the cone leaves towards it at the slope it really has, near enough parallel.
        const tail = drawing.subjectMm === null || frame.broken ? sign * (last.cone ?? 0) : 0;
        const aside = frame.broken ? (drawing.movement?.shiftMm ?? 0) : off;
        return `${path}L${end} ${y(aside + tail * (drawing.subjectMm === null ? 1 : frame.broken ? 0.8 : 1))}`;
    };
    let chief = `M${x(0)} ${y(drawing.cornerMm)}`;
    for (const group of drawing.groups)
        if (group.chief !== null) chief += `L${x(group.zi)} ${y(group.chief)}L${x(group.zo)} ${y(group.chief)}`;
    const showChief =
        drawing.movement === null &&
        !frame.broken &&
        drawing.subjectMm !== null &&
        drawing.cornerAtSubjectMm !== null &&
        drawing.groups.every((group) => group.chief !== null);
    return (
        <g pointerEvents="none">
            <path d={`${edge(1)}L${edge(-1).slice(1).split('L').reverse().join('L')}Z`} fill="var(--beam)" fillOpacity={0.13} />
            <path d={edge(1) + edge(-1)} fill="none" stroke="var(--beam)" strokeWidth={1} />
            {showChief && (
                <path
                    d={`${chief}L${end} ${y(drawing.cornerAtSubjectMm ?? 0)}`}
                    fill="none"
                    stroke="var(--beam)"
                    strokeWidth={0.9}
                    strokeDasharray="5 3"
                >
                    <title>Ray to the corner of the frame</title>
                </path>
            )}
        </g>
    );
}

function Joints({
    drawing,
    rest,
    frame,
    misfits,
    selected,
    onSelect,
}: {
    drawing: Drawing;
    rest: Drawing['parts'];
    frame: Frame;
    misfits: ReadonlySet<number>;
    selected: number;
    onSelect: (item: number) => void;
}) {
    const places = [drawing.camera.frontMm, ...drawing.parts.map((part) => part.frontMm)];
    return places.map((mm, index) => {
        // A joint goes with the part behind it, wherever that was.
        const still = index === 0 ? mm : (rest[index - 1]?.frontMm ?? mm);
        return (
            <g key={index} transform={still === mm ? undefined : `translate(${(mm - still) * frame.scale} 0)`}>
                <Joint
                    mm={still}
                    transform={placeOf(drawing.movement, index - 1, frame)}
                    index={index}
                    frame={frame}
                    chosen={selected === jointItem(index)}
                    wrong={misfits.has(index)}
                    onSelect={onSelect}
                />
            </g>
        );
    });
}

const Joint = memo(function Joint({
    mm,
    transform,
    index,
    frame,
    chosen,
    wrong,
    onSelect,
}: {
    mm: number;
    transform: string | undefined;
    index: number;
    frame: Frame;
    chosen: boolean;
    wrong: boolean;
    onSelect: (item: number) => void;
}) {
    const { setNodeRef, isOver } = useDroppable({ id: `drawn-joint-${index}`, data: { joint: index } });
    return (
        <g
            ref={(node) => setNodeRef(node as unknown as HTMLElement | null)}
            onClick={() => onSelect(jointItem(index))}
            className="cursor-pointer"
            transform={transform}
        >
            <circle cx={frame.x(mm)} cy={frame.axisY} r={13} fill="transparent" />
            <circle
                cx={frame.x(mm)}
                cy={frame.axisY}
                r={isOver ? 11 : chosen ? 7 : 4.5}
                fill="var(--plate)"
                stroke={wrong ? 'var(--madder)' : chosen || isOver ? 'var(--brass)' : 'var(--ink)'}
                strokeWidth={chosen || isOver ? 3 : 1.8}
            />
            {wrong && <path d={`M${frame.x(mm) - 9} ${frame.axisY - 9}l18 18m0 -18l-18 18`} stroke="var(--madder)" strokeWidth={2} />}
        </g>
    );
});

function BalancePoint({ at, y }: { at: number; y: number }) {
    return (
        <g transform={`translate(${at} ${y})`}>
            <title>Balance point</title>
            <circle r={5} fill="var(--plate)" stroke="var(--ink)" strokeWidth={1.2} />
            <path d="M0 -5A5 5 0 0 1 5 0H0ZM0 5A5 5 0 0 1 -5 0H0Z" fill="var(--ink)" />
            <path d="M0 5V9" stroke="var(--ink)" />
        </g>
    );
}

/** Parts that bend light are what a rig is known by. */
const glass: ReadonlySet<string> = new Set(['lens', 'close-up-lens', 'objective', 'teleconverter', 'afocal', 'port']);

/** As many names stand in a row without crowding; beyond, what only spaces is told by its length, and by name when it is chosen. */
const fewNames = 6;

/** Names in one row above, shifted apart where they would touch, with leaders. Camera and glass lead. */
function Labels({ drawing, cameraName, frame, selected }: { drawing: Drawing; cameraName: string; frame: Frame; selected: number }) {
    const items = [
        {
            text: cameraName,
            at: frame.x((drawing.camera.backMm + drawing.camera.frontMm) / 2),
            top: frame.y(drawing.camera.heightMm / 2),
            item: 0,
            leads: true,
            name: cameraName,
        },
        ...drawing.parts.map((part) => ({
            text:
                glass.has(part.kind) || drawing.parts.length < fewNames || selected === partItem(part.index)
                    ? part.label + (part.reversed ? ', reversed' : '')
                    : digits(part.frontMm - part.rearMm),
            name: part.label,
            leads: glass.has(part.kind),
            at: frame.x((part.rearMm + part.frontMm) / 2),
            top: frame.y(part.outerMm / 2),
            item: partItem(part.index),
        })),
    ];
    const widths = items.map((item) => item.text.length * 6.1 + 10);
    const centres = items.map((item) => item.at);
    // None begins outside on the left.
    centres[0] = Math.max(centres[0] ?? 0, (widths[0] ?? 0) / 2);
    // Push apart to the right, then back to the left where the row runs out.
    for (let i = 1; i < items.length; i++) {
        const least = (centres[i - 1] ?? 0) + ((widths[i - 1] ?? 0) + (widths[i] ?? 0)) / 2;
        centres[i] = Math.max(centres[i] ?? 0, least);
    }
    let room = frame.width - 4;
    for (let i = items.length - 1; i >= 0; i--) {
        centres[i] = Math.min(centres[i] ?? 0, room - (widths[i] ?? 0) / 2);
        room = (centres[i] ?? 0) - (widths[i] ?? 0) / 2;
    }
    return items.map((item, i) => (
        // Carried as a whole: words that only move aren't laid out anew.
        <g key={item.item} transform={`translate(${centres[i]} 0)`}>
            <path
                pointerEvents="none"
                d={`M0 22V28L${item.at - (centres[i] ?? 0)} 38V${Math.max(38, item.top - 4)}`}
                fill="none"
                stroke="var(--line)"
                strokeWidth={1}
            />
            <text
                y={17}
                fontSize={12}
                textAnchor="middle"
                fill={item.leads || selected === item.item ? 'var(--ink)' : 'var(--soft)'}
                fontWeight={selected === item.item ? 700 : item.leads ? 550 : 450}
                className={item.text === item.name || item.leads ? undefined : 'figures'}
            >
                <title>{item.name}</title>
                {item.text}
            </text>
        </g>
    ));
}
