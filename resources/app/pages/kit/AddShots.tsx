import { Fragment, useEffect, useRef, useState, type ClipboardEvent } from 'react';
import type { KitPart, KitView, MeasureRequest, Schema } from '../../api/client';
import { MeasurePicture } from '../../measure/MeasurePicture';
import { kit as kitWords } from '../../strings/kit';
import { withHalf } from '../../ui/figures';
import { Tick } from '../../ui/Tick';
import { typedNumber } from '../../ui/typed';
import { laidOver, pastedRows } from './pasteTable';

export type ShotsAdded = Pick<MeasureRequest, 'shots' | 'window' | 'pupils'>;

interface Props {
    kit: KitView;
    each: KitPart;
    setup: Schema['ShotSetup'] | null;
    /** Told what is filled in; null = too little for anything. */
    onChange: (added: ShotsAdded | null) => void;
}

type Row = {
    extent: string;
    pixels: string;
    rulerMm: string;
    workingDistanceMm: string;
    subjectDistanceMm: string;
    /** Read off a picture, instead of pixels and a piece of the ruler. */
    found: { magnification: number; halfWidth: number | null } | null;
};
const blank: Row = { extent: '', pixels: '', rulerMm: '', workingDistanceMm: '', subjectDistanceMm: '', found: null };
const columns = ['extent', 'pixels', 'rulerMm', 'workingDistanceMm', 'subjectDistanceMm'] as const;
const say = kitWords.measure;
const blankClass = 'figures w-full border-b-2 border-brass bg-ground px-1.5 py-1 text-sm';
const spacers = ['tube', 'adapter', 'helicoid', 'bellows', 'reversing-ring', 'step-ring'];
const drawn = ['helicoid', 'bellows'];

/** What was measured, as people write it down: which camera, what stood between at which reading, so many pixels of so much ruler. */
export function AddShots({ kit, each, setup, onChange }: Props) {
    const cameras = kit.parts.filter(({ part }) => part.kind === 'camera');
    const marks = Array.isArray(each.fields['marks'])
        ? (each.fields['marks'] as { focus: number; distanceMm?: number; magnification?: number }[])
        : [];
    const [by, setBy] = useState<'ruler' | 'window' | 'pupils'>('ruler');
    const [camera, setCamera] = useState(setup?.camera ?? cameras[0]?.part.id ?? 0);
    const [onSensor, setOnSensor] = useState(false);
    const [reversed, setReversed] = useState(setup?.reversed ?? false);
    const [ring, setRing] = useState(setup?.focus ?? 0);
    const [between, setBetween] = useState<number[]>([]);
    const [rows, setRows] = useState<Row[]>([
        { ...blank, extent: setup === null ? '' : String(Math.round(setup.spacersMm * 1000) / 1000) },
    ]);
    const [measuring, setMeasuring] = useState(false);
    const [windowMm, setWindowMm] = useState('');
    const [pupils, setPupils] = useState({ exitMm: '', entranceMm: '' });
    const parts = kit.parts.filter(({ part }) => spacers.includes(part.kind));
    const chosen = between.flatMap((id) => parts.filter(({ part }) => part.id === id));
    // What is drawn out has a scale of its own: the first column is its reading then.
    const variable = chosen.find(({ part }) => drawn.includes(part.kind));

    const told = useRef(onChange);
    told.current = onChange;
    useEffect(() => {
        if (by === 'window') {
            const mm = typedNumber(windowMm);
            told.current(mm === null ? null : { window: { flangeToPictureMm: mm } });
            return;
        }
        if (by === 'pupils') {
            const [entranceMm, exitMm] = [typedNumber(pupils.entranceMm), typedNumber(pupils.exitMm)];
            told.current(entranceMm === null || exitMm === null ? null : { pupils: { entranceMm, exitMm } });
            return;
        }
        const filled = rows.filter(
            (row) => row.found !== null || row.pixels !== '' || row.workingDistanceMm !== '' || row.subjectDistanceMm !== '',
        );
        told.current(
            filled.length === 0
                ? null
                : {
                      shots: filled.map((row) => ({
                          camera,
                          reversed,
                          focus: ring,
                          spacersMm: variable ? 0 : (typedNumber(row.extent) ?? 0),
                          between: chosen.map(({ part }) => ({
                              part: part.id,
                              reads: part.id === variable?.part.id ? typedNumber(row.extent) : null,
                          })),
                          ...(row.found
                              ? { magnification: row.found.magnification, magnificationHalfWidth: row.found.halfWidth }
                              : { [onSensor ? 'onSensorMm' : 'pixels']: typedNumber(row.pixels), rulerMm: typedNumber(row.rulerMm) }),
                          workingDistanceMm: typedNumber(row.workingDistanceMm),
                          subjectDistanceMm: typedNumber(row.subjectDistanceMm),
                      })),
                  },
        );
        // `chosen` and `variable` follow from `between`.
        // eslint-disable-next-line react-hooks/exhaustive-deps
    }, [by, camera, onSensor, reversed, ring, between, rows, windowMm, pupils]);

    const head = (name: (typeof columns)[number]) =>
        ({
            extent: variable ? say.reads(variable.part.name) : between.length > 0 ? say.more : say.extent,
            pixels: onSensor ? say.onSensor : say.pixels,
            rulerMm: say.ruler,
            workingDistanceMm: say.working,
            subjectDistanceMm: say.subject,
        })[name];
    const paste = (event: ClipboardEvent, row: number, name: (typeof columns)[number]) => {
        const cells = pastedRows(event.clipboardData.getData('text'));
        if (cells === null) return;
        event.preventDefault();
        setRows(laidOver(rows, columns, { row, name }, cells, blank));
    };
    return (
        <>
            <fieldset className="flex flex-wrap gap-x-5 gap-y-2 pb-3 text-sm">
                <legend className="float-left mr-5 font-semibold">{say.add}</legend>
                {(['ruler', 'window', 'pupils'] as const).map((way) => (
                    <label key={way} className="flex items-center gap-1.5">
                        <input type="radio" name="by" className="accent-(--brass)" checked={by === way} onChange={() => setBy(way)} />
                        {say.by[way]}
                    </label>
                ))}
            </fieldset>
            <p className="pb-2 text-xs text-soft">{{ ruler: say.rulerHelp, window: say.windowHelp, pupils: say.pupilHelp }[by]}</p>
            {by === 'ruler' && (
                <>
                    <div className="flex flex-wrap items-center gap-x-5 gap-y-2 pb-2 text-sm">
                        <label className="flex items-center gap-1.5">
                            {say.camera}
                            <select
                                className={`${blankClass} w-40!`}
                                value={camera}
                                onChange={(event) => setCamera(Number(event.target.value))}
                            >
                                {cameras.map(({ part }) => (
                                    <option key={part.id} value={part.id}>
                                        {part.name}
                                    </option>
                                ))}
                            </select>
                        </label>
                        <label className="flex items-center gap-1.5">
                            {say.ring}
                            <select
                                className={`${blankClass} w-32!`}
                                value={ring}
                                onChange={(event) => setRing(Number(event.target.value))}
                            >
                                <option value={0}>{say.infinity}</option>
                                {marks
                                    .filter((mark) => mark.focus > 0 && mark.focus < 1)
                                    .map((mark) => (
                                        <option key={mark.focus} value={mark.focus}>
                                            {mark.distanceMm === undefined
                                                ? `${mark.magnification ?? mark.focus}×`
                                                : `${mark.distanceMm / 1000} m`}
                                        </option>
                                    ))}
                                {ring > 0 && ring < 1 && !marks.some((mark) => mark.focus === ring) && (
                                    <option value={ring}>{`${Math.round(ring * 100)} %`}</option>
                                )}
                                <option value={1}>{say.closest.replace('at its ', '')}</option>
                            </select>
                        </label>
                        <Tick checked={reversed} onChange={setReversed}>
                            {say.reversed}
                        </Tick>
                        <Tick checked={onSensor} onChange={setOnSensor}>
                            {say.onSensorInstead}
                        </Tick>
                    </div>
                    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 pb-2 text-sm">
                        <span>{say.between}</span>
                        {chosen.map(({ part }, at) => (
                            <button
                                key={`${part.id} ${at}`}
                                type="button"
                                aria-label={say.drop(part.name)}
                                className="border border-line px-1.5 py-0.5 hover:border-ink"
                                onClick={() => setBetween(between.filter((_, i) => i !== at))}
                            >
                                {part.name} <span aria-hidden="true">×</span>
                            </button>
                        ))}
                        <select
                            aria-label={say.addBetween}
                            className="max-w-44 border-b border-line bg-ground px-1 py-0.5 text-soft"
                            value=""
                            onChange={(event) => event.target.value !== '' && setBetween([...between, Number(event.target.value)])}
                        >
                            <option value="">{say.addBetween}</option>
                            {parts
                                .filter(({ part }) => !(variable && drawn.includes(part.kind)))
                                .map(({ part }) => (
                                    <option key={part.id} value={part.id}>
                                        {part.name}
                                    </option>
                                ))}
                        </select>
                    </div>
                    <div className="slim-scroll overflow-x-auto">
                        <table className="w-full min-w-[560px] text-sm">
                            <thead>
                                <tr className="text-left align-bottom text-xs text-soft">
                                    {columns.map((name) => (
                                        <th key={name} scope="col" className="pr-2 font-normal">
                                            {head(name)}
                                        </th>
                                    ))}
                                </tr>
                            </thead>
                            <tbody>
                                {rows.map((row, at) => (
                                    <tr key={at}>
                                        {columns
                                            .filter((name) => row.found === null || (name !== 'pixels' && name !== 'rulerMm'))
                                            .map((name) => (
                                                <Fragment key={name}>
                                                    {name === 'workingDistanceMm' && row.found !== null && (
                                                        <td colSpan={2} className="figures py-1 pr-2 text-sm">
                                                            {withHalf(row.found.magnification, row.found.halfWidth ?? 0)} ×{' '}
                                                            <button
                                                                type="button"
                                                                className="px-1 text-soft hover:text-ink"
                                                                aria-label={say.notFromPicture(at + 1)}
                                                                onClick={() =>
                                                                    setRows(
                                                                        rows.map((other, i) =>
                                                                            i === at ? { ...other, found: null } : other,
                                                                        ),
                                                                    )
                                                                }
                                                            >
                                                                ×
                                                            </button>
                                                        </td>
                                                    )}
                                                    <td className="py-1 pr-2">
                                                        <input
                                                            aria-label={`${head(name)}, ${say.shot} ${at + 1}`}
                                                            inputMode="decimal"
                                                            className={blankClass}
                                                            value={row[name]}
                                                            onPaste={(event) => paste(event, at, name)}
                                                            onChange={(event) =>
                                                                setRows(
                                                                    rows.map((other, i) =>
                                                                        i === at ? { ...other, [name]: event.target.value } : other,
                                                                    ),
                                                                )
                                                            }
                                                        />
                                                    </td>
                                                </Fragment>
                                            ))}
                                    </tr>
                                ))}
                            </tbody>
                        </table>
                    </div>
                    <p className="text-xs text-soft">
                        <button
                            type="button"
                            className="text-beam underline underline-offset-2"
                            onClick={() => setRows([...rows, { ...blank, extent: rows[rows.length - 1]?.extent ?? '' }])}
                        >
                            {say.another}
                        </button>{' '}
                        ·{' '}
                        <button type="button" className="text-beam underline underline-offset-2" onClick={() => setMeasuring(true)}>
                            {say.fromPicture}
                        </button>{' '}
                        · {say.paste}
                    </p>
                </>
            )}
            {measuring && (
                <MeasurePicture
                    kit={kit}
                    whats={['ruler', 'marks']}
                    keep={say.takeIt}
                    onKeep={({ magnification, magnificationHalfWidth, camera: took }) => {
                        if (magnification === null) return;
                        if (took !== null) setCamera(took);
                        const found = { magnification, halfWidth: magnificationHalfWidth };
                        const free = rows.findIndex((row) => row.pixels === '' && row.found === null);
                        setRows(
                            free >= 0
                                ? rows.map((row, i) => (i === free ? { ...row, found } : row))
                                : [...rows, { ...blank, extent: rows[rows.length - 1]?.extent ?? '', found }],
                        );
                    }}
                    onClose={() => setMeasuring(false)}
                />
            )}
            {by === 'window' && (
                <label className="block w-48 text-sm">
                    {say.flange}
                    <input
                        inputMode="decimal"
                        className={blankClass}
                        value={windowMm}
                        onChange={(event) => setWindowMm(event.target.value)}
                    />
                </label>
            )}
            {by === 'pupils' && (
                <div className="flex gap-4">
                    {(['exitMm', 'entranceMm'] as const).map((name) => (
                        <label key={name} className="flex-1 text-sm">
                            {say[name]}
                            <input
                                inputMode="decimal"
                                className={blankClass}
                                value={pupils[name]}
                                onChange={(event) => setPupils({ ...pupils, [name]: event.target.value })}
                            />
                        </label>
                    ))}
                </div>
            )}
        </>
    );
}
