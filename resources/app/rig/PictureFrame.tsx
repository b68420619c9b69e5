import type { RigView } from '../api/client';
import { length, type Units } from '../ui/figures';
import { strings } from '../strings/index';
import type { DisplayedReadings } from './displayedReadings';

/** What the picture will be: the subject at its true share of the frame, the sharp slice shaded. */
export function PictureFrame({ rig, shown, units }: { rig: RigView; shown: DisplayedReadings; units: Units }) {
    const field = shown.reading('fieldWidthMm');
    const slice = shown.reading('depthOfFieldMm');
    const { sensorWidthMm, sensorHeightMm, finderCoverage: finder } = rig.camera;
    const width = 168;
    const height = (width * sensorHeightMm) / sensorWidthMm;
    const subject = rig.subject;
    const share = field !== null && subject?.widthMm ? subject.widthMm / field : null;
    const sharp = slice !== null && subject?.depthMm ? Math.min(1, slice / subject.depthMm) : null;
    const drawn = share === null ? 0 : Math.min(share, 4) * width;
    return (
        <figure className="w-[168px] shrink-0 pt-2 max-md:hidden">
            <svg
                width={width}
                height={height}
                viewBox={`0 0 ${width} ${height}`}
                role="img"
                aria-label={strings.bench.frame}
                className="block bg-plate"
            >
                <clipPath id="frame-edge">
                    <rect width={width} height={height} />
                </clipPath>
                <g clipPath="url(#frame-edge)">
                    {share !== null && (
                        <>
                            <ellipse
                                cx={width / 2}
                                cy={height / 2}
                                rx={drawn / 2}
                                ry={drawn * 0.36}
                                fill="var(--soft)"
                                fillOpacity={0.3}
                                stroke="var(--ink)"
                            />
                            {sharp !== null && (
                                <rect
                                    x={width / 2 - (drawn * sharp) / 2}
                                    width={Math.max(2, drawn * sharp)}
                                    height={height}
                                    fill="var(--madder)"
                                    opacity={0.3}
                                />
                            )}
                        </>
                    )}
                </g>
                {finder !== null && finder < 1 && (
                    <rect
                        x={(width * (1 - finder)) / 2}
                        y={(height * (1 - finder)) / 2}
                        width={width * finder}
                        height={height * finder}
                        fill="none"
                        stroke="var(--soft)"
                        strokeDasharray="4 3"
                        data-finder
                    />
                )}
                <rect x={0.75} y={0.75} width={width - 1.5} height={height - 1.5} fill="none" stroke="var(--ink)" strokeWidth={1.5} />
            </svg>
            <figcaption className="mt-1 text-xs text-soft">
                {field === null ? (
                    strings.bench.infinity
                ) : (
                    <span className="figures text-ink">{strings.bench.frameNote(length(field, units))}</span>
                )}
                {finder !== null && finder < 1 && (
                    <span className="block">{strings.bench.finderShows(`${Math.round(finder * 100)}\u2009%`)}</span>
                )}
                {subject?.name && <span className="block truncate">{subject.name}</span>}
                {subject?.widthMm != null && (
                    <span className="figures block">
                        {length(subject.widthMm, units)}
                        {subject.depthMm != null && `, ${length(subject.depthMm, units)} deep`}
                    </span>
                )}
            </figcaption>
        </figure>
    );
}
