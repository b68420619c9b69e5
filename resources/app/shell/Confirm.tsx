import { useMutation } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { api, reasonOf } from '../api/client';
import { strings } from '../strings/index';
import { account as accountWords } from '../strings/account';
import { Button } from '../ui/Button';
import { LetterPage } from './LetterPage';

const say = accountWords.account;

/** Where the link in the letter leads: one press, so that a mail program that looks ahead confirms nothing. */
export function Confirm() {
    const [params] = useSearchParams();
    const confirm = useMutation({
        mutationFn: () =>
            api.confirm({ user: Number(params.get('user')), until: Number(params.get('until')), signature: params.get('signature') ?? '' }),
    });
    return (
        <LetterPage title={say.confirmTitle} done={confirm.isSuccess} said={say.confirmed} onwards={strings.places.bench}>
            <p className="pt-2 text-sm text-soft">{say.confirmText}</p>
            <Button strong className="mt-4" disabled={confirm.isPending} onClick={() => confirm.mutate()}>
                {say.confirm}
            </Button>
            {confirm.error && (
                <p role="alert" className="mt-3 border-l-[3px] border-ink pl-2 text-sm">
                    {reasonOf(confirm.error)}
                </p>
            )}
        </LetterPage>
    );
}
