import { useQuery } from '@tanstack/react-query';
import { Link, useParams, useSearchParams } from 'react-router';
import { api, reasonOf, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { Bar } from '../../shell/Bar';
import { sheet as sheetWords } from '../../strings/sheet';
import { Button } from '../../ui/Button';
import { PaperChoice } from '../../paper/PaperChoice';
import { paperIn } from '../../paper/paper';
import { SheetPaper } from '../../paper/SheetPaper';
import { usePageRule } from '../../paper/usePageRule';

const say = sheetWords.sheet;

/** A rig’s plan for the table or the bag, on paper, as text or as a file. */
export default function SheetPage({ person }: { person: Schema['Person'] }) {
    const { rig = '' } = useParams();
    const id = Number(rig);
    const [params, setParams] = useSearchParams();
    const paper = paperIn(params);
    const sheet = useQuery({ queryKey: keys.sheet(id), queryFn: () => api.sheet(id), retry: false, staleTime: 0 });
    usePageRule(paper);
    return (
        <div className="flex min-h-dvh flex-col">
            <Bar person={person}>{null}</Bar>
            <main id="main" className="w-full px-5 py-3">
                <div className="no-print flex flex-wrap items-center gap-2 pb-3 text-sm">
                    <Link to={`/bench/${id}`} className="text-beam underline underline-offset-2">
                        {say.back}
                    </Link>
                    <PaperChoice paper={paper} onChange={(each) => setParams({ paper: each }, { replace: true })} />
                    <Button strong onClick={() => print()}>
                        {say.print}
                    </Button>
                    <Button bare onClick={() => location.assign(api.sheetAddress(id, 'text'))}>
                        {say.text}
                    </Button>
                    <Button bare onClick={() => location.assign(api.sheetAddress(id, 'file'))}>
                        {say.file}
                    </Button>
                </div>
                {sheet.isError && (
                    <p role="alert" className="border-l-[3px] border-ink pl-2">
                        {reasonOf(sheet.error)}
                    </p>
                )}
                {sheet.data && <SheetPaper sheet={sheet.data} paper={paper} />}
            </main>
        </div>
    );
}
