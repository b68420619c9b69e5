import { useState } from 'react';
import { light as lightWords } from '../../../strings/light';

/** Every position of a stack, folded away until somebody asks. */
export function Positions({ heads, rows }: { heads: readonly string[]; rows: readonly (readonly string[])[] }) {
    // A deep stack has thousands: none is made before somebody looks.
    const [open, setOpen] = useState(false);
    return (
        <details className="pt-1 text-xs" onToggle={(event) => setOpen(event.currentTarget.open)}>
            <summary className="cursor-pointer text-soft">{lightWords.shots.positions}</summary>
            <div className="slim-scroll max-h-48 overflow-auto">
                <table className="figures w-full text-right">
                    <thead>
                        <tr>
                            {heads.map((head) => (
                                <th key={head} scope="col" className="pr-2 font-normal text-soft">
                                    {head}
                                </th>
                            ))}
                        </tr>
                    </thead>
                    <tbody>
                        {(open ? rows : []).map((row) => (
                            <tr key={row[0]}>
                                {row.map((cell, n) => (
                                    <td key={heads[n]} className="pr-2">
                                        {cell}
                                    </td>
                                ))}
                            </tr>
                        ))}
                    </tbody>
                </table>
            </div>
        </details>
    );
}
