/** The drawing as a file of its own: colours in figures, its title and measures written on it. */
export function svgOf(drawing: SVGSVGElement, title: string, lines: readonly string[]): string {
    const copy = drawing.cloneNode(true) as SVGSVGElement;
    const width = drawing.width.baseVal.value;
    const height = drawing.height.baseVal.value;
    const foot = 26 + lines.length * 16;
    const space = 'http://www.w3.org/2000/svg';
    copy.setAttribute('xmlns', space);
    copy.setAttribute('viewBox', `0 -34 ${width} ${height + 34 + foot}`);
    copy.setAttribute('width', String(width));
    copy.setAttribute('height', String(height + 34 + foot));
    copy.removeAttribute('class');
    const ground = document.createElementNS(space, 'rect');
    for (const [name, value] of Object.entries({ x: 0, y: -34, width, height: height + 34 + foot, fill: 'var(--plate)' }))
        ground.setAttribute(name, String(value));
    copy.prepend(ground);
    const write = (text: string, y: number, size: number, weight: number) => {
        const element = document.createElementNS(space, 'text');
        for (const [name, value] of Object.entries({ x: 14, y, 'font-size': size, 'font-weight': weight, fill: 'var(--ink)' }))
            element.setAttribute(name, String(value));
        element.textContent = text;
        copy.append(element);
    };
    write(title, -12, 18, 600);
    lines.forEach((line, at) => write(line, height + 20 + at * 16, 12, 400));
    for (const each of copy.querySelectorAll('.figures')) each.setAttribute('font-family', 'monospace');
    copy.setAttribute('font-family', 'sans-serif');
    const style = getComputedStyle(document.documentElement);
    return new XMLSerializer()
        .serializeToString(copy)
        .replace(/var\((--[a-z]+)\)/g, (_, name: string) => style.getPropertyValue(name).trim());
}

export function download(text: string, name: string, type: string): void {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([text], { type }));
    link.download = name;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 1000);
}
