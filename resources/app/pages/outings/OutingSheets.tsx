import { useQuery } from '@tanstack/react-query';
import { Link, useParams, useSearchParams } from 'react-router';
import { api, reasonOf, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { PaperChoice } from '../../paper/PaperChoice';
import { paperIn } from '../../paper/paper';
import { SheetPaper } from '../../paper/SheetPaper';
import { usePageRule } from '../../paper/usePageRule';
import { Bar } from '../../shell/Bar';
import { outings as outingsWords } from '../../strings/outings';
import { sheet as sheetWords } from '../../strings/sheet';
import { Button } from '../../ui/Button';

const say = outingsWords.outings;

/** The sheets of all rigs, in the order of the day, in one print. */
export default function OutingSheets({ person }: { person: Schema['Person'] }) {
    const id = Number(useParams().outing ?? 0);
    const [params, setParams] = useSearchParams();
    const paper = paperIn(params);
    const entry = params.get('entry');
    const sheets = useQuery({
        queryKey: entry === null ? keys.outingSheets(id) : keys.entrySheet(id, entry),
        queryFn: async () => (entry === null ? api.outingSheets(id) : [await api.entrySheet(id, entry)]),
        retry: false,
        staleTime: 0,
    });
    usePageRule(paper);
    return (
        <div className="flex min-h-dvh flex-col">
            <Bar person={person}>{null}</Bar>
            <main id="main" className="w-full px-5 py-3" aria-busy={sheets.isPending}>
                <div className="no-print flex flex-wrap items-center gap-2 pb-3 text-sm">
                    <Link
                        to={entry === null ? `/outings/${id}` : `/outings/${id}/after`}
                        className="text-beam underline underline-offset-2"
                    >
                        {say.back}
                    </Link>
                    <h1 className="font-semibold">{entry === null ? say.sheetsTitle : say.sheetOfEntry}</h1>
                    <PaperChoice
                        paper={paper}
                        onChange={(each) => setParams({ ...(entry === null ? {} : { entry }), paper: each }, { replace: true })}
                    />
                    <Button strong onClick={() => print()}>
                        {sheetWords.sheet.print}
                    </Button>
                </div>
                {sheets.isError && (
                    <p role="alert" className="border-l-[3px] border-ink pl-2">
                        {reasonOf(sheets.error)}
                    </p>
                )}
                {sheets.data?.length === 0 && <p className="text-sm text-soft">{say.noSheets}</p>}
                {sheets.data?.map((sheet, n) => (
                    <div key={n} className={n > 0 ? 'break-before-page pt-6 print:pt-0' : ''}>
                        <SheetPaper sheet={sheet} paper={paper} />
                    </div>
                ))}
            </main>
        </div>
    );
}
