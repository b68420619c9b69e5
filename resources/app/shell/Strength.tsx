import { useEffect, useState } from 'react';
import { account as accountWords } from '../strings/account';

const say = accountWords.account.strength;

type Estimate = (password: string) => number;
let loading: Promise<Estimate> | null = null;

/** The estimator comes when somebody types a new password: it knows fifty thousand words. */
const estimator = (): Promise<Estimate> =>
    (loading ??= Promise.all([import('@zxcvbn-ts/core'), import('@zxcvbn-ts/language-common')]).then(([core, common]) => {
        const factory = new core.ZxcvbnFactory({
            dictionary: { ...common.dictionary, own: ['zinc', 'thimble', 'zincthimble'] },
            graphs: common.adjacencyGraphs,
        });
        return (password) => factory.check(password).score;
    }));

/** How hard a new password is to guess, in words and as a bar; the server has the last word. */
export function Strength({ password }: { password: string }) {
    const [score, setScore] = useState<number | null>(null);
    useEffect(() => {
        if (password === '') return;
        let here = true;
        estimator()
            .then((estimate) => here && setScore(estimate(password)))
            .catch(() => undefined);
        return () => {
            here = false;
        };
    }, [password]);
    if (password === '') return <span className="block pt-1 text-xs text-soft">{say.hint}</span>;
    const short = Array.from(password).length < 12;
    const told = short ? say.short : score === null ? '' : (say.scores[score] ?? '');
    return (
        <span className="block pt-1 text-xs text-soft" role="status">
            <span aria-hidden="true" className="mr-2 inline-block h-1.5 w-24 bg-line align-middle">
                <span className="block h-full bg-ink" style={{ width: `${short ? 8 : 20 + 20 * (score ?? 0)}%` }} />
            </span>
            {told}
        </span>
    );
}
