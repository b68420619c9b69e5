import { sheet as sheetWords } from '../strings/sheet';
import { papers, type Paper } from './paper';

const say = sheetWords.sheet;

/** Which paper it is printed on. */
export function PaperChoice({ paper, onChange }: { paper: Paper; onChange: (paper: Paper) => void }) {
    return (
        <label className="ml-auto">
            <span className="text-soft">{say.paper}</span>{' '}
            <select
                className="border-b border-ink bg-transparent"
                value={paper}
                onChange={(event) => onChange(event.target.value as Paper)}
            >
                {(Object.keys(papers) as Paper[]).map((each) => (
                    <option key={each} value={each}>
                        {say.papers[each]}
                    </option>
                ))}
            </select>
        </label>
    );
}
