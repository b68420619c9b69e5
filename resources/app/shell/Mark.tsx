/** A thimble's ring of dimples. */
export function Mark({ size = 22 }: { size?: number }) {
    const dimples = Array.from({ length: 8 }, (_, i) => (i * Math.PI) / 4);
    return (
        <svg width={size} height={size} viewBox="-12 -12 24 24" aria-hidden="true">
            {dimples.map((angle) => (
                <circle key={angle} cx={8.4 * Math.cos(angle)} cy={8.4 * Math.sin(angle)} r={2.1} fill="var(--ink)" />
            ))}
            <circle r={2.5} fill="var(--brass)" />
        </svg>
    );
}
