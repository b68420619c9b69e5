import { useState } from 'react';
import { api, reasonOf, type KitPart, type KitView, type MeasureRequest, type Schema } from '../../api/client';
import { digits } from '../../ui/figures';
import { strings } from '../../strings/index';
import { typedNumber } from '../../ui/typed';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Tick } from '../../ui/Tick';
import type { KitChange } from '../../kit/useKit';

interface Props {
    kit: KitView;
    each: KitPart;
    change: KitChange;
    onClose: () => void;
}

type Shot = { spacersMm: string; pixels: string; rulerMm: string; workingDistanceMm: string };
const blank: Shot = { spacersMm: '', pixels: '', rulerMm: '', workingDistanceMm: '' };
const say = strings.measure;
const shotFields = [
    ['spacersMm', say.spacers],
    ['pixels', say.pixels],
    ['rulerMm', say.ruler],
    ['workingDistanceMm', say.working],
] as const;

/** Settles a lens by pictures of a ruler, or by its pupils. Old and new stand side by side before anything is kept. */
export function MeasureDialog({ kit, each, change, onClose }: Props) {
    const cameras = kit.parts.filter(({ part }) => part.kind === 'camera');
    const stations = Array.isArray(each.fields['stations']) ? (each.fields['stations'] as { focalLengthMm: number }[]) : [];
    const [by, setBy] = useState<'ruler' | 'pupils'>('ruler');
    const [camera, setCamera] = useState(cameras[0]?.part.id ?? 0);
    const [onSensor, setOnSensor] = useState(false);
    const [reversed, setReversed] = useState(true);
    const [zoom, setZoom] = useState(stations[0]?.focalLengthMm);
    const [shots, setShots] = useState<Shot[]>([blank]);
    const [pupils, setPupils] = useState({ exitMm: '', entranceMm: '' });
    const [seen, setSeen] = useState<Schema['MeasureView'] | null>(null);
    const [trouble, setTrouble] = useState<string | null>(null);

    const body = (keep: boolean): MeasureRequest => ({
        by,
        keep,
        version: each.version,
        zoomMm: zoom ?? null,
        ...(by === 'pupils'
            ? { exitMm: typedNumber(pupils.exitMm), entranceMm: typedNumber(pupils.entranceMm) }
            : {
                  camera,
                  reversed,
                  shots: shots.map((shot) => ({
                      spacersMm: typedNumber(shot.spacersMm) ?? 0,
                      [onSensor ? 'onSensorMm' : 'pixels']: typedNumber(shot.pixels),
                      rulerMm: typedNumber(shot.rulerMm) ?? 0,
                      workingDistanceMm: typedNumber(shot.workingDistanceMm),
                  })),
              }),
    });
    const refuse = (error: unknown) => {
        setSeen(null);
        setTrouble(reasonOf(error).replace(/^[a-zA-Z]+: /, ''));
    };
    const look = () => {
        setTrouble(null);
        api.measure(kit.id, each.part.id, body(false)).then(setSeen).catch(refuse);
    };
    const keep = () =>
        change
            .mutateAsync(async (id) => {
                await api.measure(id, each.part.id, body(true));
                return undefined;
            })
            .then(onClose)
            .catch(refuse);
    const blankClass = 'figures w-full border-b-2 border-brass bg-ground px-1.5 py-1 text-sm';
    const changed = () => setSeen(null);

    return (
        <Dialog wide open onOpenChange={onClose} title={say.title(each.part.name)} text={say.text}>
            <form
                onChange={changed}
                onSubmit={(event) => {
                    event.preventDefault();
                    look();
                }}
            >
                <fieldset className="flex flex-wrap gap-x-5 gap-y-2 pb-3 text-sm">
                    <legend className="sr-only">{say.how}</legend>
                    {(['ruler', 'pupils'] as const).map((way) => (
                        <label key={way} className="flex items-center gap-1.5">
                            <input type="radio" name="by" className="accent-(--brass)" checked={by === way} onChange={() => setBy(way)} />
                            {say.by[way]}
                        </label>
                    ))}
                    {stations.length > 0 && (
                        <label className="flex items-center gap-1.5">
                            {say.zoom}
                            <select
                                className={`${blankClass} w-24!`}
                                value={zoom}
                                onChange={(event) => setZoom(Number(event.target.value))}
                            >
                                {stations.map((station) => (
                                    <option key={station.focalLengthMm} value={station.focalLengthMm}>
                                        {station.focalLengthMm} mm
                                    </option>
                                ))}
                            </select>
                        </label>
                    )}
                </fieldset>
                {by === 'ruler' ? (
                    <>
                        <p className="pb-2 text-xs text-soft">{say.rulerHelp}</p>
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
                            <Tick checked={reversed} onChange={setReversed}>
                                {say.reversed}
                            </Tick>
                            <Tick checked={onSensor} onChange={setOnSensor}>
                                {say.onSensorInstead}
                            </Tick>
                        </div>
                        <table className="w-full text-sm">
                            <thead>
                                <tr className="text-left text-xs text-soft">
                                    {shotFields.map(([name, head]) => (
                                        <th key={name} scope="col" className="pr-2 font-normal">
                                            {name === 'pixels' && onSensor ? say.onSensor : head}
                                        </th>
                                    ))}
                                </tr>
                            </thead>
                            <tbody>
                                {shots.map((shot, at) => (
                                    <tr key={at}>
                                        {shotFields.map(([name, head]) => (
                                            <td key={name} className="py-1 pr-2">
                                                <input
                                                    aria-label={`${name === 'pixels' && onSensor ? say.onSensor : head}, ${say.shot} ${at + 1}`}
                                                    inputMode="decimal"
                                                    className={blankClass}
                                                    value={shot[name]}
                                                    onChange={(event) =>
                                                        setShots(
                                                            shots.map((other, i) =>
                                                                i === at ? { ...other, [name]: event.target.value } : other,
                                                            ),
                                                        )
                                                    }
                                                />
                                            </td>
                                        ))}
                                    </tr>
                                ))}
                            </tbody>
                        </table>
                        <button
                            type="button"
                            className="text-xs text-beam underline underline-offset-2"
                            onClick={() => setShots([...shots, blank])}
                        >
                            {say.another}
                        </button>
                    </>
                ) : (
                    <>
                        <p className="pb-2 text-xs text-soft">{say.pupilHelp}</p>
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
                    </>
                )}
                {trouble !== null && (
                    <p role="alert" className="mt-3 border-l-[3px] border-ink pl-2 text-sm">
                        {trouble}
                    </p>
                )}
                {seen && <Settled figures={seen.figures} />}
                <div className="mt-4 flex justify-end gap-2">
                    <Button onClick={onClose}>{strings.dialog.cancel}</Button>
                    {seen ? (
                        <Button strong disabled={change.isPending} onClick={() => void keep()}>
                            {say.keep}
                        </Button>
                    ) : (
                        <Button strong type="submit">
                            {say.look}
                        </Button>
                    )}
                </div>
            </form>
        </Dialog>
    );
}

function Settled({ figures }: { figures: Schema['SettledFigureView'][] }) {
    return (
        <table className="mt-4 w-full border-t-2 border-ink text-sm" aria-label={say.result}>
            <thead>
                <tr className="text-left text-xs text-soft">
                    <th scope="col" className="py-1 font-normal">
                        {say.figure}
                    </th>
                    <th scope="col" className="text-right font-normal">
                        {say.old}
                    </th>
                    <th scope="col" className="text-right font-normal">
                        {say.new}
                    </th>
                </tr>
            </thead>
            <tbody>
                {figures.map((figure) => (
                    <tr key={figure.field} className="border-t border-line">
                        <td className="py-1">{figure.label}</td>
                        <td className="figures text-right text-soft">
                            {digits(figure.old)} ± {digits(figure.oldHalfWidth)} {figure.unit}
                            {figure.assumed && <span className="block text-xs">{say.assumed}</span>}
                        </td>
                        <td className="figures text-right font-semibold text-verdigris">
                            {digits(figure.new)} ± {digits(figure.newHalfWidth)} {figure.unit}
                        </td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}
