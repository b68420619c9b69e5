import { useCallback, useEffect, useRef, useState } from 'react';
import { api, reasonOf, type KitView, type Schema } from '../api/client';
import { Compared } from '../kit/Compared';
import { pictures as picturesWords } from '../strings/pictures';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { digits, withHalf } from '../ui/figures';
import { typedNumber } from '../ui/typed';
import { cut, mostPixels, opened, type Opened } from './opened';
import { PictureBox } from './PictureBox';
import type { Box, Point } from './view';

const say = picturesWords.pictures;

export type Found = Schema['MeasuredPicture'];
type What = Found['what'];

interface Props {
    kit: KitView;
    /** What may be measured, the first at first. */
    whats: readonly What[];
    /** A picture that is at hand; null = one is opened first. */
    source?: { blob: Blob; name: string } | null;
    divisionMm?: number | null;
    leanDeg?: number | null;
    /** Known here, for line pairs in the subject. */
    magnification?: number | null;
    /** What a magnification would settle: shown before anything is kept. */
    settles?: (found: Found) => Promise<Schema['MeasureView']>;
    /** What is done with what was found. */
    keep: string;
    onKeep: (found: Found, picture: Opened) => unknown;
    onClose: () => void;
}

const blank = 'figures w-20 border-b-2 border-brass bg-ground px-1.5 py-1 text-sm';

/** A picture is opened, and stays here; a box of it is sent, and what was found in it drawn over it. */
export function MeasurePicture({
    kit,
    whats,
    source = null,
    divisionMm,
    leanDeg,
    magnification = null,
    keep,
    settles,
    onKeep,
    onClose,
}: Props) {
    const [picture, setPicture] = useState<Opened | null>(null);
    const [what, setWhat] = useState<What>(whats[0] ?? 'ruler');
    const [division, setDivision] = useState(divisionMm == null ? '1' : String(divisionMm));
    const [lean, setLean] = useState(leanDeg == null ? '45' : String(leanDeg));
    const [between, setBetween] = useState('10');
    const [camera, setCamera] = useState<number | null>(null);
    const [box, setBox] = useState<Box | null>(null);
    const [marks, setMarks] = useState<Point[]>([]);
    const [found, setFound] = useState<Found | null>(null);
    const [trouble, setTrouble] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const [settled, setSettled] = useState<Schema['MeasureView'] | null>(null);
    const asked = useRef(0);
    const settle = useRef(settles);
    settle.current = settles;
    const cameras = kit.parts.filter(({ part }) => part.kind === 'camera');

    const open = useCallback(async (blob: Blob, name: string) => {
        setTrouble(null);
        setFound(null);
        setBox(null);
        setMarks([]);
        const read = await opened(blob, name);
        setPicture(read);
        if (read === null) setTrouble(say.unreadable(name));
    }, []);
    useEffect(() => {
        if (source) void open(source.blob, source.name);
    }, [source, open]);

    useEffect(() => {
        const [mm, deg, divisions] = [typedNumber(division), typedNumber(lean), typedNumber(between)];
        const isMarks = what === 'marks';
        setFound(null);
        if (!picture || (isMarks ? marks.length < 2 : box === null)) return;
        if ((what !== 'edge' && mm === null) || (what === 'rule' && deg === null) || (isMarks && divisions === null)) return;
        if (!isMarks && box && box.width * box.height > mostPixels) {
            setTrouble(say.tooLarge);
            return;
        }
        const mine = ++asked.current;
        const ask = async () => {
            const known = {
                what,
                ...picture.whole,
                ...(picture.exif?.camera ? { model: picture.exif.camera } : {}),
                ...(camera === null ? {} : { camera }),
                ...(what === 'edge' || mm === null ? {} : { divisionMm: mm }),
                ...(what === 'rule' && deg !== null ? { leanDeg: deg } : {}),
                ...(magnification === null ? {} : { magnification }),
            };
            const [a, b] = marks;
            return isMarks && a && b && divisions !== null
                ? api.measurePicture(kit.id, { ...known, x1: a.x, y1: a.y, x2: b.x, y2: b.y, divisions }, null)
                : api.measurePicture(kit.id, known, box ? await cut(picture, box) : null);
        };
        // While a hand is still at it, only the last is asked for.
        const wait = setTimeout(() => {
            setBusy(true);
            setTrouble(null);
            ask()
                .then((told) => mine === asked.current && setFound(told))
                .catch((error: unknown) => mine === asked.current && setTrouble(reasonOf(error)))
                .finally(() => mine === asked.current && setBusy(false));
        }, 250);
        return () => clearTimeout(wait);
    }, [picture, what, division, lean, between, camera, box, marks, kit.id, magnification]);

    useEffect(() => {
        setSettled(null);
        if (found === null || found.magnification === null || !settle.current) return;
        let isOld = false;
        // Where it can’t be a shot, the figure stands all the same.
        settle
            .current(found)
            .then((view) => !isOld && setSettled(view))
            .catch(() => undefined);
        return () => {
            isOld = true;
        };
    }, [found]);

    const store = () => {
        if (!found || !picture) return;
        setBusy(true);
        Promise.resolve(onKeep(found, picture))
            .then(onClose)
            .catch((error: unknown) => setTrouble(reasonOf(error)))
            .finally(() => setBusy(false));
    };
    const isTold =
        found !== null &&
        (what === 'edge' ? found.mtf50 !== null : what === 'rule' ? found.sliceMm !== null : found.magnification !== null);
    return (
        <Dialog wide open onOpenChange={(on) => !on && onClose()} title={say.title} text={say.text}>
            <div
                className="grid gap-3"
                onDragOver={(event) => event.preventDefault()}
                onDrop={(event) => {
                    event.preventDefault();
                    const file = event.dataTransfer.files[0];
                    if (file) void open(file, file.name);
                }}
            >
                <div className="flex flex-wrap items-center gap-x-5 gap-y-2 text-sm">
                    {whats.length > 1 && (
                        <label className="flex items-center gap-1.5">
                            {say.whatIs}
                            <select
                                className="border-b-2 border-brass bg-ground px-1.5 py-1"
                                value={what}
                                onChange={(event) => setWhat(event.target.value as What)}
                            >
                                {whats.map((each) => (
                                    <option key={each} value={each}>
                                        {say.whats[each]}
                                    </option>
                                ))}
                            </select>
                        </label>
                    )}
                    {what !== 'edge' && (
                        <label className="flex items-center gap-1.5">
                            {say.division}
                            <input
                                className={blank}
                                inputMode="decimal"
                                value={division}
                                onChange={(event) => setDivision(event.target.value)}
                            />
                            mm
                        </label>
                    )}
                    {what === 'rule' && (
                        <label className="flex items-center gap-1.5">
                            {say.lean}
                            <input className={blank} inputMode="decimal" value={lean} onChange={(event) => setLean(event.target.value)} />°
                        </label>
                    )}
                    {what === 'marks' && (
                        <label className="flex items-center gap-1.5">
                            {say.between}
                            <input
                                className={blank}
                                inputMode="decimal"
                                value={between}
                                onChange={(event) => setBetween(event.target.value)}
                            />
                        </label>
                    )}
                    <label className="ml-auto cursor-pointer border border-line px-3 py-1.5 focus-within:border-ink hover:border-ink">
                        {picture ? say.another : say.open}
                        <input
                            type="file"
                            accept="image/png,image/jpeg,image/webp"
                            className="sr-only"
                            onChange={(event) => {
                                const file = event.target.files?.[0];
                                if (file) void open(file, file.name);
                            }}
                        />
                    </label>
                </div>
                {picture ? (
                    <PictureBox
                        picture={picture}
                        marks={what === 'marks' ? marks : null}
                        box={box}
                        found={found?.lines ?? []}
                        onBox={setBox}
                        onMarks={setMarks}
                    />
                ) : (
                    <p className="flex min-h-40 items-center justify-center border border-dashed border-line p-6 text-center text-sm text-soft">
                        {say.nothing}
                    </p>
                )}
                {picture && box && what !== 'marks' && <BoxFigures box={box} picture={picture} onBox={setBox} />}
                <div className="min-h-[74px]" aria-live="polite">
                    {busy && <p className="text-sm text-soft">{say.measuring}</p>}
                    {trouble !== null && (
                        <p role="alert" className="border-l-[3px] border-ink pl-2 text-sm">
                            {trouble}{' '}
                            {what === 'ruler' && whats.includes('marks') && (
                                <button
                                    type="button"
                                    className="text-beam underline underline-offset-2"
                                    onClick={() => {
                                        setTrouble(null);
                                        setWhat('marks');
                                    }}
                                >
                                    {say.byHand}
                                </button>
                            )}
                        </p>
                    )}
                    {found && <Told found={found} />}
                    {settled && <Compared view={settled} />}
                </div>
                {picture && (
                    <label className="flex flex-wrap items-center gap-1.5 text-sm">
                        {say.takenBy}
                        <select
                            className="border-b-2 border-brass bg-ground px-1.5 py-1"
                            value={camera ?? ''}
                            onChange={(event) => setCamera(event.target.value === '' ? null : Number(event.target.value))}
                        >
                            <option value="">{found?.cameraName ? say.byItsSize(found.cameraName) : say.bySize}</option>
                            {cameras.map(({ part }) => (
                                <option key={part.id} value={part.id}>
                                    {part.name}
                                </option>
                            ))}
                        </select>
                        {found && found.camera === null && <span className="text-soft">{say.noCamera}</span>}
                        {found?.isResized && <span className="text-soft">{say.resized}</span>}
                    </label>
                )}
                <div className="flex justify-end gap-2">
                    <Button onClick={onClose}>{say.close}</Button>
                    <Button strong disabled={!isTold || busy} onClick={store}>
                        {keep}
                    </Button>
                </div>
            </div>
        </Dialog>
    );
}

/** The box in figures: for who draws with the keyboard, and to a pixel. */
function BoxFigures({ box, picture, onBox }: { box: Box; picture: Opened; onBox: (box: Box) => void }) {
    const most = {
        x: picture.width - box.width,
        y: picture.height - box.height,
        width: picture.width - box.x,
        height: picture.height - box.y,
    };
    return (
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-xs text-soft">
            {(['x', 'y', 'width', 'height'] as const).map((side) => (
                <label key={side} className="flex items-center gap-1">
                    {say.sides[side]}
                    <input
                        type="number"
                        className="figures w-20 border-b border-line bg-ground px-1 py-0.5 text-ink"
                        min={side === 'x' || side === 'y' ? 0 : 2}
                        max={most[side]}
                        value={box[side]}
                        onChange={(event) => {
                            const value = Math.round(Number(event.target.value));
                            if (value >= (side === 'x' || side === 'y' ? 0 : 2) && value <= most[side]) onBox({ ...box, [side]: value });
                        }}
                    />
                </label>
            ))}
        </div>
    );
}

/** What was found, in figures. */
function Told({ found }: { found: Found }) {
    const notes = [
        found.count === null ? null : say.lines(found.count),
        found.pixelsPerDivision === null ? null : say.perDivision(digits(found.pixelsPerDivision)),
        found.angleDeg === null ? null : say.turned(found.angleDeg.toFixed(1)),
        found.contrast === null ? null : say.contrast(Math.round(found.contrast * 100)),
        found.mtf10 === null ? null : say.mtf10(digits(found.mtf10)),
        found.pairsPerMm === null ? null : say.pairs(digits(found.pairsPerMm)),
        found.pairsPerMmInSubject === null ? null : say.pairsInSubject(digits(found.pairsPerMmInSubject)),
    ].filter((note) => note !== null);
    const figure =
        found.mtf50 !== null
            ? `${withHalf(found.mtf50, found.halfWidth ?? 0)} ${say.cycles}`
            : found.sliceMm !== null
              ? `${withHalf(found.sliceMm, found.sliceHalfWidthMm ?? 0)}\u2009mm`
              : found.magnification !== null
                ? `${withHalf(found.magnification, found.magnificationHalfWidth ?? 0)}\u2009×`
                : say.pixelsOnly(digits(found.pixelsPerDivision ?? 0));
    return (
        <div className="border-l-[3px] border-verdigris pl-2">
            <p>
                <span className="text-sm text-soft">
                    {found.mtf50 !== null ? say.sharp : found.sliceMm !== null ? say.slice : say.magnified}{' '}
                </span>
                <span className="figures text-xl" data-testid="found">
                    {figure}
                </span>
            </p>
            <p className="text-sm text-soft">{notes.join(' · ')}</p>
            {found.middleMm !== null && <p className="text-sm">{say.middle(withHalf(found.middleMm, found.middleHalfWidthMm ?? 0))}</p>}
            {found.growthPercent !== null && Math.abs(found.growthPercent) > 1 && (
                <p className="text-sm">{say.grows(digits(Math.abs(found.growthPercent)))}</p>
            )}
        </div>
    );
}
