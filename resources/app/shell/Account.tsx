import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState, type ChangeEvent } from 'react';
import { useSearchParams } from 'react-router';
import { api, reasonOf, Refused } from '../api/client';
import { keys } from '../api/queries';
import { strings } from '../strings/index';
import { account as accountWords } from '../strings/account';
import { wordsOf } from '../ui/typed';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import type { Schema } from '../api/client';
import { LetterPage } from './LetterPage';
import { Sessions } from './Sessions';
import { Strength } from './Strength';

const say = accountWords.account;

/** One blank of a short form, with what is wrong with it. */
function Blank({
    name,
    label,
    type = 'text',
    complete,
    trouble,
}: {
    name: string;
    label: string;
    type?: string;
    complete: string;
    trouble: Error | null;
}) {
    const [typed, setTyped] = useState('');
    const fresh = complete === 'new-password';
    const fault = trouble instanceof Refused ? trouble.fields[name] : undefined;
    return (
        <label className="block pt-3 text-sm">
            {label}
            <input
                name={name}
                type={type}
                autoComplete={complete}
                required
                aria-invalid={fault !== undefined}
                className="mt-1 block w-full border-b-2 border-brass bg-ground px-2 py-1.5 text-base"
                {...(fresh && { onChange: (event: ChangeEvent<HTMLInputElement>) => setTyped(event.target.value) })}
            />
            {fresh && <Strength password={typed} />}
            {fault !== undefined && (
                <span role="alert" className="block border-l-[3px] border-ink pt-1 pl-2">
                    {fault}
                </span>
            )}
        </label>
    );
}

/** What went wrong when no field is to blame. */
function Trouble({ error, fields }: { error: Error | null; fields: readonly string[] }) {
    if (!error || (error instanceof Refused && fields.some((field) => field in error.fields))) return null;
    return (
        <p role="alert" className="mt-3 border-l-[3px] border-ink pl-2 text-sm">
            {error.message}
        </p>
    );
}

/** Signing in, signing up, or asking for a new password. */
export function Doors({ initial = 'in', onDone }: { initial?: 'in' | 'up'; onDone: (person: Schema['Person']) => void }) {
    const [door, setDoor] = useState<'in' | 'up' | 'forgotten'>(initial);
    const enter = useMutation({
        mutationFn: async (form: HTMLFormElement) => {
            const word = wordsOf(form);
            if (door === 'up') return api.signUp({ name: word('name'), email: word('email'), password: word('password') });
            if (door === 'in') return api.signIn({ email: word('email'), password: word('password') });
            await api.forgotten(word('email'));
            return null;
        },
        onSuccess: (person) => person && onDone(person),
    });
    const turn = (to: typeof door) => {
        enter.reset();
        setDoor(to);
    };
    const link = 'text-beam underline underline-offset-2';
    return (
        <form
            key={door}
            onSubmit={(event) => {
                event.preventDefault();
                enter.mutate(event.currentTarget);
            }}
        >
            {door === 'up' && <Blank name="name" label={say.name} complete="name" trouble={enter.error} />}
            <Blank name="email" label={say.email} type="email" complete="email" trouble={enter.error} />
            {door !== 'forgotten' && (
                <Blank
                    name="password"
                    label={door === 'up' ? say.newPassword : say.password}
                    type="password"
                    complete={door === 'up' ? 'new-password' : 'current-password'}
                    trouble={enter.error}
                />
            )}
            <Trouble error={enter.error} fields={['name', 'email', 'password']} />
            {door === 'forgotten' && enter.isSuccess && (
                <p role="status" className="mt-3 border-l-[3px] border-verdigris pl-2 text-sm">
                    {say.letterSent}
                </p>
            )}
            <div className="flex flex-wrap items-center gap-x-4 gap-y-2 pt-4 text-sm">
                <Button strong type="submit" disabled={enter.isPending}>
                    {say.doors[door]}
                </Button>
                {door !== 'in' && (
                    <button type="button" className={link} onClick={() => turn('in')}>
                        {say.doors.in}
                    </button>
                )}
                {door !== 'up' && (
                    <button type="button" className={link} onClick={() => turn('up')}>
                        {say.doors.up}
                    </button>
                )}
                {door === 'in' && (
                    <button type="button" className={link} onClick={() => turn('forgotten')}>
                        {say.forgot}
                    </button>
                )}
            </div>
        </form>
    );
}

/** Setting a new password, from the letter. */
export function ResetPassword() {
    const [params] = useSearchParams();
    const reset = useMutation({
        mutationFn: (password: string) => api.reset({ token: params.get('token') ?? '', email: params.get('email') ?? '', password }),
    });
    return (
        <LetterPage title={say.resetTitle} done={reset.isSuccess} said={say.resetDone} onwards={say.doors.in}>
            <form
                onSubmit={(event) => {
                    event.preventDefault();
                    reset.mutate(wordsOf(event.currentTarget)('password'));
                }}
            >
                <Blank name="password" label={say.newPassword} type="password" complete="new-password" trouble={reset.error} />
                {reset.error instanceof Refused && reset.error.fields['token'] !== undefined ? (
                    <p role="alert" className="mt-3 border-l-[3px] border-ink pl-2 text-sm">
                        {reset.error.fields['token']}
                    </p>
                ) : (
                    <Trouble error={reset.error} fields={['password']} />
                )}
                <Button strong type="submit" className="mt-4" disabled={reset.isPending}>
                    {say.setPassword}
                </Button>
            </form>
        </LetterPage>
    );
}

/** The account: who, the password, everything out and in, and the end of it. A guest is offered to stay. */
export function AccountDialog({ person, onClose }: { person: Schema['Person']; onClose: () => void }) {
    const queries = useQueryClient();
    const [deleting, setDeleting] = useState(false);
    const arrived = (now: Schema['Person']) => queries.setQueryData(keys.me, now);
    const password = useMutation({
        mutationFn: (form: HTMLFormElement) => api.changePassword(wordsOf(form)('current'), wordsOf(form)('password')),
        onSuccess: (_, form) => form.reset(),
    });
    const rename = useMutation({ mutationFn: api.rename, onSuccess: arrived });
    const letter = useMutation({ mutationFn: api.askConfirmation });
    const restore = useMutation({ mutationFn: api.restore, onSuccess: () => void queries.invalidateQueries() });
    const end = useMutation({
        mutationFn: api.deleteAccount,
        onSuccess: () => {
            queries.clear();
            location.assign('/');
        },
    });
    const head = 'border-t-2 border-ink mt-5 pt-3 text-sm font-semibold';
    return (
        <Dialog
            open
            onOpenChange={onClose}
            title={person.guest ? (person.own ? say.keepTitle : say.stayTitle) : say.title}
            text={person.guest ? (person.own ? say.keepText : say.stayText) : (person.email ?? '')}
        >
            {person.guest ? (
                <Doors
                    initial="up"
                    onDone={(now) => {
                        // Signing in as somebody else shows what is theirs.
                        if (now.id !== person.id) {
                            queries.clear();
                            location.assign('/');
                            return;
                        }
                        arrived(now);
                        onClose();
                    }}
                />
            ) : (
                <>
                    {!person.confirmed && (
                        <p className="mb-3 border-l-[3px] border-brass pl-2 text-sm">
                            {say.unconfirmed}{' '}
                            {letter.isSuccess ? (
                                <span role="status">{say.sentAgain}</span>
                            ) : (
                                <button type="button" className="text-beam underline underline-offset-2" onClick={() => letter.mutate()}>
                                    {say.again}
                                </button>
                            )}
                        </p>
                    )}
                    <form
                        onSubmit={(event) => {
                            event.preventDefault();
                            rename.mutate(wordsOf(event.currentTarget)('name'));
                        }}
                    >
                        <label className="block text-sm">
                            {say.name}
                            <span className="mt-1 flex gap-2">
                                <input
                                    name="name"
                                    defaultValue={person.name}
                                    className="w-full border-b-2 border-brass bg-ground px-2 py-1.5 text-base"
                                />
                                <Button type="submit" disabled={rename.isPending}>
                                    {say.change}
                                </Button>
                            </span>
                        </label>
                        <Trouble error={rename.error} fields={[]} />
                    </form>
                    <form
                        onSubmit={(event) => {
                            event.preventDefault();
                            password.mutate(event.currentTarget);
                        }}
                    >
                        <h3 className={head}>{say.passwordTitle}</h3>
                        <Blank name="current" label={say.current} type="password" complete="current-password" trouble={password.error} />
                        <Blank name="password" label={say.newPassword} type="password" complete="new-password" trouble={password.error} />
                        <Trouble error={password.error} fields={['current', 'password']} />
                        <p className="flex items-center gap-3 pt-3">
                            <Button type="submit" disabled={password.isPending}>
                                {say.setPassword}
                            </Button>
                            {password.isSuccess && <span role="status">{say.changed}</span>}
                        </p>
                    </form>
                    <h3 className={head}>{say.sessions}</h3>
                    <Sessions />
                </>
            )}
            <h3 className={head}>{say.everything}</h3>
            <p className="pt-1 text-sm text-soft">{say.everythingText}</p>
            <p className="flex flex-wrap items-center gap-3 pt-2 text-sm">
                <a className="text-beam underline underline-offset-2" href={api.archiveAddress} download>
                    {say.takeAll}
                </a>
                <label className="text-beam underline underline-offset-2 focus-within:outline-2 focus-within:outline-brass">
                    {say.bringAll}
                    <input
                        type="file"
                        accept=".zip,application/zip"
                        className="sr-only"
                        onChange={(event) => {
                            const file = event.target.files?.[0];
                            if (file) restore.mutate(file);
                        }}
                    />
                </label>
                {restore.isPending && <span role="status">{say.bringing}</span>}
                {restore.isSuccess && <span role="status">{say.brought}</span>}
            </p>
            {restore.error && (
                <p role="alert" className="mt-2 border-l-[3px] border-ink pl-2 text-sm">
                    {reasonOf(restore.error)}
                </p>
            )}
            {!person.guest && (
                <>
                    <h3 className={head}>{say.endTitle}</h3>
                    {deleting ? (
                        <form
                            onSubmit={(event) => {
                                event.preventDefault();
                                end.mutate(wordsOf(event.currentTarget)('password'));
                            }}
                        >
                            <p className="pt-1 text-sm text-soft">{say.endText}</p>
                            <Blank name="password" label={say.password} type="password" complete="current-password" trouble={end.error} />
                            <Trouble error={end.error} fields={['password']} />
                            <p className="flex gap-2 pt-3">
                                <Button onClick={() => setDeleting(false)}>{strings.dialog.cancel}</Button>
                                <Button strong type="submit" disabled={end.isPending}>
                                    {say.end}
                                </Button>
                            </p>
                        </form>
                    ) : (
                        <Button className="mt-2" onClick={() => setDeleting(true)}>
                            {say.end}
                        </Button>
                    )}
                </>
            )}
            <p className="mt-5 border-t border-line pt-2 text-xs">
                <a className="text-beam underline underline-offset-2" href="/build/notices.txt" target="_blank" rel="noreferrer">
                    {say.notices}
                </a>
            </p>
        </Dialog>
    );
}
