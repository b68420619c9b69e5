import { useMutation } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { api, reasonOf } from '../api/client';
import { strings } from '../strings';
import { Button } from '../ui/Button';
import { Mark } from './Mark';

const say = strings.account;

/** Where the link in the letter leads: one press, so that a mail program that looks ahead confirms nothing. */
export function Confirm() {
    const [params] = useSearchParams();
    const confirm = useMutation({
        mutationFn: () =>
            api.confirm({ user: Number(params.get('user')), until: Number(params.get('until')), signature: params.get('signature') ?? '' }),
    });
    return (
        <main className="grid min-h-dvh place-items-center px-6 py-10">
            <div className="w-full max-w-[420px]">
                <div className="flex items-center gap-3">
                    <Mark size={30} />
                    <span className="text-lg font-semibold">{strings.product}</span>
                </div>
                <h1 className="mt-8 text-lg font-semibold">{say.confirmTitle}</h1>
                {confirm.isSuccess ? (
                    <p role="status" className="pt-3">
                        {say.confirmed}{' '}
                        <a className="text-beam underline underline-offset-2" href="/">
                            {strings.places.bench}
                        </a>
                    </p>
                ) : (
                    <>
                        <p className="pt-2 text-sm text-soft">{say.confirmText}</p>
                        <Button strong className="mt-4" disabled={confirm.isPending} onClick={() => confirm.mutate()}>
                            {say.confirm}
                        </Button>
                        {confirm.error && (
                            <p role="alert" className="mt-3 border-l-[3px] border-ink pl-2 text-sm">
                                {reasonOf(confirm.error)}
                            </p>
                        )}
                    </>
                )}
            </div>
        </main>
    );
}
