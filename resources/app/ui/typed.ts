/** What was typed, as the number it means; a comma is a point. Text that is no number stays text, for the server to name. */
export function typed(text: string): number | string | undefined {
    const plain = text.trim().replace(',', '.');
    if (plain === '') return undefined;
    const number = Number(plain);
    return Number.isFinite(number) ? number : text;
}

/** The same where only a number will do. */
export function typedNumber(text: string): number | null {
    const value = typed(text);
    return typeof value === 'number' ? value : null;
}

/** The words of a form, by the names of its blanks. */
export function wordsOf(form: HTMLFormElement): (name: string) => string {
    const data = new FormData(form);
    return (name) => {
        const value = data.get(name);
        return typeof value === 'string' ? value : '';
    };
}
