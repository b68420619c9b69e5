import { useMutation } from '@tanstack/react-query';
import { useRef } from 'react';
import { api, reasonOf, type Schema } from '../../api/client';
import { useKit } from '../../kit/useKit';
import { compare as compareWords } from '../../strings/compare';
import { Button } from '../../ui/Button';

/** Takes rig files, or a file of a comparison, from the device. */
export function FromFile({ onReady }: { onReady: (ready: Schema['ReadyComparison']) => void }) {
    const input = useRef<HTMLInputElement>(null);
    const { id } = useKit();
    const take = useMutation({
        mutationFn: async (files: readonly File[]) => api.compareFiles(await Promise.all(files.map((file) => file.text())), id),
        onSuccess: onReady,
    });
    return (
        <>
            <Button bare disabled={take.isPending} onClick={() => input.current?.click()}>
                {compareWords.compare.fromFile}
            </Button>
            <input
                ref={input}
                type="file"
                multiple
                accept=".json,application/json"
                aria-label={compareWords.compare.fromFile}
                className="hidden"
                onChange={(event) => {
                    const files = [...(event.target.files ?? [])];
                    event.target.value = '';
                    if (files.length > 0) take.mutate(files);
                }}
            />
            {take.isError && (
                <p role="alert" className="border-l-[3px] border-ink pl-2 text-sm">
                    {reasonOf(take.error)}
                </p>
            )}
        </>
    );
}
