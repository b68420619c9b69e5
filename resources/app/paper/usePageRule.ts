import { useEffect } from 'react';
import { pageRule, type Paper } from './paper';

/** The page’s size is told to the browser by a style sheet of its own: nothing is written into the document. */
export function usePageRule(paper: Paper): void {
    useEffect(() => {
        const rule = new CSSStyleSheet();
        rule.replaceSync(pageRule(paper));
        document.adoptedStyleSheets = [...document.adoptedStyleSheets, rule];
        return () => {
            document.adoptedStyleSheets = document.adoptedStyleSheets.filter((each) => each !== rule);
        };
    }, [paper]);
}
