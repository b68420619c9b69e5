import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useState } from 'react';
import { api, reasonOf, type KitView, type Schema } from '../api/client';
import { kitChanged } from '../api/queries';
import { pictures as picturesWords } from '../strings/pictures';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { digits, withHalf } from '../ui/figures';
import { typedNumber } from '../ui/typed';
import { cut, opened, type Opened } from './opened';
import { PictureBox } from './PictureBox';
import { TrialTold } from './TrialTold';
import { stopInName, type Box } from './view';

const say = picturesWords.trial;

interface Props {
    kit: KitView;
    /** The rig that they were taken with. */
    rig: number;
    /** Pictures that are at hand. */
    pictures?: readonly { blob: Blob; name: string }[];
    onClose: () => void;
}

interface Tried {
    picture: Opened;
    /** As it is typed. */
    stop: string;
    mtf50: number | null;
    halfWidth: number | null;
    trouble: string | null;
}

const byStop = (a: Tried, b: Tried) => (typedNumber(a.stop) ?? Infinity) - (typedNumber(b.stop) ?? Infinity);

/** The same edge at several stops: pictures sort themselves, one box is for all of them, and what they tell is kept with the lens. */
export function TrialDialog({ kit, rig, pictures = [], onClose }: Props) {
    const queries = useQueryClient();
    const [tried, setTried] = useState<Tried[]>([]);
    const [box, setBox] = useState<Box | null>(null);
    const [done, setDone] = useState<number | null>(null);
    const [told, setTold] = useState<Schema['TrialView'] | null>(null);
    const [trouble, setTrouble] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);

    const add = useCallback(async (files: readonly { blob: Blob; name: string }[]) => {
        setTrouble(null);
        setTold(null);
        const found: Tried[] = [];
        for (const { blob, name } of files) {
            const picture = await opened(blob, name);
            if (picture === null) {
                setTrouble(picturesWords.pictures.unreadable(name));
                continue;
            }
            // What the camera wrote goes before what somebody called the file.
            const stop = picture.exif?.aperture ?? stopInName(name);
            found.push({ picture, stop: stop === null ? '' : digits(stop), mtf50: null, halfWidth: null, trouble: null });
        }
        setTried((now) => [...now, ...found].sort(byStop));
    }, []);
    useEffect(() => {
        if (pictures.length > 0) void add(pictures);
    }, [pictures, add]);

    const first = tried[0]?.picture ?? null;
    const measure = async () => {
        if (!box) return;
        setBusy(true);
        setTrouble(null);
        setTold(null);
        const results = [...tried];
        for (const [n, each] of results.entries()) {
            setDone(n);
            const { picture } = each;
            try {
                const found = await api.measurePicture(
                    kit.id,
                    {
                        what: 'edge',
                        ...picture.whole,
                        ...(picture.exif?.camera ? { model: picture.exif.camera } : {}),
                    },
                    await cut(picture, box),
                );
                results[n] = { ...each, mtf50: found.mtf50, halfWidth: found.halfWidth, trouble: null };
            } catch (error) {
                results[n] = { ...each, mtf50: null, halfWidth: null, trouble: reasonOf(error) };
            }
            setTried([...results]);
        }
        setDone(null);
        try {
            const stops = results.flatMap(({ stop, mtf50, halfWidth }) => {
                const aperture = typedNumber(stop);
                return aperture === null || mtf50 === null ? [] : [{ aperture, mtf50, halfWidth }];
            });
            if (stops.length > 0) setTold(await api.tryStops(rig, { keep: false, stops }));
        } catch (error) {
            setTrouble(reasonOf(error));
        }
        setBusy(false);
    };
    const keep = () => {
        if (!told) return;
        setBusy(true);
        api.tryStops(rig, { keep: true, stops: told.stops.map(({ aperture, mtf50, halfWidth }) => ({ aperture, mtf50, halfWidth })) })
            .then((kept) => {
                setTold(kept);
                void kitChanged(queries, undefined);
            })
            .catch((error: unknown) => setTrouble(reasonOf(error)))
            .finally(() => setBusy(false));
    };
    return (
        <Dialog wide open onOpenChange={(on) => !on && onClose()} title={say.title} text={say.text}>
            <div
                className="grid gap-3"
                onDragOver={(event) => event.preventDefault()}
                onDrop={(event) => {
                    event.preventDefault();
                    void add([...event.dataTransfer.files].map((file) => ({ blob: file, name: file.name })));
                }}
            >
                {told ? (
                    <TrialTold trial={told} />
                ) : first ? (
                    <>
                        <p className="text-sm">{say.box}</p>
                        <PictureBox picture={first} marks={null} box={box} found={[]} onBox={setBox} onMarks={() => undefined} />
                    </>
                ) : (
                    <p className="flex min-h-32 items-center justify-center border border-dashed border-line p-6 text-center text-sm text-soft">
                        {say.nothing}
                    </p>
                )}
                {!told && tried.length > 0 && (
                    <table className="w-full text-sm">
                        <thead>
                            <tr className="text-left text-xs text-soft">
                                <th className="font-normal">{say.stop}</th>
                                <th className="font-normal">{say.picture}</th>
                                <th className="font-normal">{say.half}</th>
                                <th />
                            </tr>
                        </thead>
                        <tbody>
                            {tried.map((each, n) => (
                                <tr key={each.picture.name + String(n)} className="border-t border-line align-baseline">
                                    <td className="whitespace-nowrap py-0.5">
                                        f/
                                        <input
                                            aria-label={`${say.stop}, ${each.picture.name}`}
                                            className="figures w-14 border-b-2 border-brass bg-ground px-1"
                                            inputMode="decimal"
                                            placeholder={say.noStop}
                                            value={each.stop}
                                            onChange={(event) =>
                                                setTried((now) =>
                                                    now.map((one, k) => (k === n ? { ...one, stop: event.target.value } : one)),
                                                )
                                            }
                                        />
                                    </td>
                                    <td className="max-w-56 truncate py-0.5">{each.picture.name}</td>
                                    <td className="py-0.5">
                                        {each.mtf50 !== null && (
                                            <span className="figures">{withHalf(each.mtf50, each.halfWidth ?? 0)}</span>
                                        )}
                                        {each.trouble !== null && <span className="text-xs">{each.trouble}</span>}
                                    </td>
                                    <td className="text-right">
                                        <button
                                            type="button"
                                            aria-label={say.remove(each.picture.name)}
                                            className="px-1.5 text-soft hover:text-ink"
                                            onClick={() => setTried((now) => now.filter((_, k) => k !== n))}
                                        >
                                            ×
                                        </button>
                                    </td>
                                </tr>
                            ))}
                        </tbody>
                    </table>
                )}
                <div aria-live="polite" className="min-h-5 text-sm">
                    {done !== null && (
                        <span className="flex items-center gap-3">
                            <progress max={tried.length} value={done} className="w-40 accent-(--brass)" />
                            {say.measuring(done, tried.length)}
                        </span>
                    )}
                    {told?.kept && <span className="text-verdigris">{say.kept}</span>}
                    {told && !told.kept && told.part === null && say.noPart}
                    {trouble !== null && (
                        <p role="alert" className="border-l-[3px] border-ink pl-2">
                            {trouble}
                        </p>
                    )}
                </div>
                <div className="flex flex-wrap justify-end gap-2">
                    <label className="mr-auto cursor-pointer border border-line px-3 py-1.5 text-sm focus-within:border-ink hover:border-ink">
                        {say.open}
                        <input
                            type="file"
                            multiple
                            accept="image/png,image/jpeg,image/webp"
                            className="sr-only"
                            onChange={(event) => void add([...(event.target.files ?? [])].map((file) => ({ blob: file, name: file.name })))}
                        />
                    </label>
                    <Button onClick={onClose}>{say.close}</Button>
                    {told ? (
                        <Button strong disabled={busy || told.kept || told.part === null} onClick={keep}>
                            {say.keep}
                        </Button>
                    ) : (
                        <Button strong disabled={busy || box === null || tried.length === 0} onClick={() => void measure()}>
                            {say.measure}
                        </Button>
                    )}
                </div>
            </div>
        </Dialog>
    );
}
