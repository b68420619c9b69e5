import type { Target } from './surface';

/** A canvas on the page, or one beside it. */
export type Brush = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** What the camera sees, in mm of the target from its middle: so much is drawn, and nothing beyond. */
export interface View {
    /** Half of what is seen, mm. */
    x: number;
    y: number;
    /** px a mm */
    scale: number;
}

/** A number from 0 to 1 that goes with another: the same picture for every rig. */
const chance = (n: number): number => {
    const x = Math.sin(n * 12.9898 + 4.1414) * 43758.5453;
    return x - Math.floor(x);
};

const ground: Record<Target['kind'], string> = {
    subject: '#d5d8d3',
    seed: '#dcdcd2',
    capsule: '#cfd9cf',
    tooth: '#2d3331',
    dots: '#c9ccc6',
    grid: '#c9ccc6',
    print: '#b9bcb4',
    label: '#aeb6b2',
};

/** What is behind the target. */
export function drawGround(brush: Brush, target: Target, view: View): void {
    brush.fillStyle = ground[target.kind];
    brush.fillRect(-view.x - 1, -view.y - 1, 2 * view.x + 2, 2 * view.y + 2);
    if (target.kind === 'tooth') {
        brush.fillStyle = '#3d4441';
        for (let n = 0; n < 60; n++) brush.fillRect((chance(n) - 0.5) * 24, (chance(n + 91) - 0.5) * 18, 0.5, 0.06);
    }
}

/** The face of a step: a rim of a wheel with its teeth, the middle one broken off half-way. */
function toothFace(path: Pick<Brush, 'rect'>, { widthMm: w, heightMm: h }: Target): void {
    path.rect(-w / 2, h * 0.1, w, h * 0.4);
    for (const [at, high] of [
        [-0.36, 0.5],
        [0, 0.24],
        [0.36, 0.5],
    ] as const)
        path.rect(w * (at - 0.08), h * (0.12 - high), w * 0.16, h * high);
}

/** The target itself, sharp, in colour: everything that can be seen of it. */
export function drawTarget(brush: Brush, target: Target, view: View): void {
    drawers[target.kind](brush, target, view);
}

const oval = (brush: Brush, x: number, y: number, rx: number, ry: number, turn = 0) => {
    brush.beginPath();
    brush.ellipse(x, y, rx, ry, turn, 0, 2 * Math.PI);
    brush.fill();
};

/** A cell of a pattern that can be seen. */
const seen = (view: View, x: number, y: number, r: number) => Math.abs(x) - r <= view.x && Math.abs(y) - r <= view.y;

const drawers: Record<Target['kind'], (brush: Brush, target: Target, view: View) => void> = {
    seed: (brush, { widthMm: w, heightMm: h }, view) => {
        brush.fillStyle = '#a9834a';
        oval(brush, 0, 0, w / 2, h / 2);
        const pitch = 0.2;
        let n = 0;
        for (let row = -Math.ceil(h / pitch); row <= h / pitch; row++) {
            for (let k = -Math.ceil(w / pitch); k <= w / pitch; k++) {
                n++;
                const x = (k + (row % 2 === 0 ? 0 : 0.5) + 0.2 * (chance(n) - 0.5)) * pitch * 1.15;
                const y = (row + 0.2 * (chance(n + 7) - 0.5)) * pitch * 0.7;
                if ((2 * x) ** 2 / w ** 2 + (2 * y) ** 2 / h ** 2 > 0.94 || !seen(view, x, y, pitch)) continue;
                const turn = Math.atan2(y, x) + 1.2 + chance(n + 3);
                brush.fillStyle = '#543c18';
                oval(brush, x, y, 0.075, 0.038, turn);
                brush.fillStyle = '#d9bd84';
                oval(brush, x - 0.015, y - 0.015, 0.03, 0.01, turn);
            }
        }
        brush.strokeStyle = '#4a3413';
        brush.lineWidth = 0.05;
        brush.beginPath();
        brush.ellipse(0, 0, w / 2 - 0.025, h / 2 - 0.025, 0, 0, 2 * Math.PI);
        brush.stroke();
    },
    capsule: (brush, { widthMm: w, heightMm: h }) => {
        const top = -h * 0.14;
        brush.fillStyle = '#7d7f35';
        brush.beginPath();
        brush.moveTo(-w * 0.36, top);
        brush.bezierCurveTo(-w * 0.62, h * 0.2, -w * 0.4, h * 0.42, -w * 0.1, h * 0.5);
        brush.lineTo(w * 0.1, h * 0.5);
        brush.bezierCurveTo(w * 0.4, h * 0.42, w * 0.62, h * 0.2, w * 0.36, top);
        brush.fill();
        brush.strokeStyle = '#55571c';
        brush.lineWidth = 0.016;
        for (let k = -9; k <= 9; k++) {
            brush.beginPath();
            brush.moveTo((k / 9) * w * 0.35, top);
            brush.quadraticCurveTo((k / 9) * w * 0.48, h * 0.18, (k / 9) * w * 0.1, h * 0.5);
            brush.stroke();
        }
        brush.fillStyle = '#9d4f1f';
        brush.fillRect(-w * 0.38, top - 0.05, w * 0.76, 0.1);
        for (let k = 0; k < 15; k++) {
            const x = (k / 14 - 0.5) * w * 0.7;
            brush.fillStyle = k % 2 === 0 ? '#d88f3d' : '#b86e27';
            brush.beginPath();
            brush.moveTo(x - 0.034, top - 0.04);
            brush.lineTo(x * 1.18, -h * 0.48);
            brush.lineTo(x + 0.034, top - 0.04);
            brush.fill();
            brush.fillStyle = '#6d3413';
            for (let bar = 1; bar < 9; bar++)
                brush.fillRect(x * (1 + 0.018 * bar) - 0.02 + bar * 0.002, top - 0.04 - bar * 0.085, 0.04 - bar * 0.004, 0.014);
        }
    },
    tooth: (brush, target) => {
        brush.save();
        brush.beginPath();
        toothFace(brush, target);
        brush.clip();
        const { widthMm: w, heightMm: h } = target;
        brush.fillStyle = '#c39b43';
        brush.fillRect(-w, -h, 2 * w, 2 * h);
        for (let n = 0; n < 160; n++) {
            brush.fillStyle = n % 3 === 0 ? '#8a6722' : '#e0c481';
            brush.fillRect((chance(n) - 0.5) * w, h * (0.18 + 0.32 * chance(n + 40)), 0.3 + chance(n + 5), 0.012 + 0.03 * chance(n + 9));
        }
        // Verdigris where the tooth broke off.
        brush.fillStyle = '#4d8b76';
        for (let n = 0; n < 40; n++) oval(brush, (chance(n) - 0.5) * w * 0.15, -h * 0.1 + 0.25 * chance(n + 60), 0.06, 0.03);
        brush.restore();
    },
    dots: (brush, { widthMm: w, heightMm: h }, view) => {
        brush.fillStyle = '#f2f0e6';
        brush.fillRect(-w / 2, -h / 2, w, h);
        const pitch = 0.17;
        brush.fillStyle = '#23282b';
        const [mx, my] = [Math.min(w / 2, view.x), Math.min(h / 2, view.y)];
        const toneAt = (x: number, y: number) => 0.12 + 0.6 * (0.5 + 0.5 * Math.sin(x * 0.9) * Math.cos(y * 0.7));
        // A screen that can't be told apart is grey.
        if (pitch * view.scale < 1.6) {
            const cell = 2 / view.scale;
            for (let x = -mx; x < mx; x += cell)
                for (let y = -my; y < my; y += cell) {
                    brush.globalAlpha = toneAt(x + cell / 2, y + cell / 2);
                    brush.fillRect(x, y, Math.min(cell, mx - x), Math.min(cell, my - y));
                }
            brush.globalAlpha = 1;
            return;
        }
        const reach = Math.ceil((mx + my) / pitch) + 1;
        for (let u = -reach; u <= reach; u++)
            for (let v = -reach; v <= reach; v++) {
                const x = ((u - v) * pitch) / Math.SQRT2;
                const y = ((u + v) * pitch) / Math.SQRT2;
                if (Math.abs(x) > mx || Math.abs(y) > my) continue;
                const r = pitch * Math.sqrt(toneAt(x, y) / Math.PI);
                oval(brush, x, y, r, r);
            }
    },
    grid: (brush, { widthMm: w, heightMm: h }, view) => {
        brush.fillStyle = '#f4f2ea';
        brush.fillRect(-w / 2, -h / 2, w, h);
        for (const [step, thick, colour] of [
            [1, 0.06, '#b2663a'],
            [5, 0.12, '#9c4a20'],
            [10, 0.2, '#7c3212'],
        ] as const) {
            if (step * view.scale < 2.5) continue;
            brush.fillStyle = colour;
            for (let x = -Math.floor(w / 2 / step) * step; x <= w / 2; x += step)
                if (Math.abs(x) <= view.x + 1) brush.fillRect(x - thick / 2, -h / 2, thick, h);
            for (let y = -Math.floor(h / 2 / step) * step; y <= h / 2; y += step)
                if (Math.abs(y) <= view.y + 1) brush.fillRect(-w / 2, y - thick / 2, w, thick);
        }
    },
    print: (brush, { widthMm: w, heightMm: h }, view) => {
        brush.fillStyle = '#efe9d8';
        brush.fillRect(-w / 2, -h / 2, w, h);
        brush.fillStyle = '#2a2521';
        writing(
            brush,
            -w / 2 + 2,
            -h / 2 + 4.5,
            [3.2, 2.4, 1.8, 1.4, 1.1, 0.9, 0.7, 0.55, 0.45, 0.35, 0.28, 0.22, 0.18, 0.14],
            w - 4,
            view,
        );
        // Small ones in the middle too, where a close rig looks.
        brush.fillStyle = '#efe9d8';
        brush.fillRect(-3.6, -1.6, 7.2, 7);
        brush.fillStyle = '#2a2521';
        writing(brush, -3, -0.2, [0.5, 0.4, 0.3, 0.24, 0.2, 0.16, 0.12, 0.1, 0.08], 6, view);
    },
    label: (brush, { widthMm: w, heightMm: h }, view) => {
        brush.fillStyle = '#e9e2cd';
        brush.fillRect(-w / 2, -h / 2, w, h);
        brush.fillStyle = '#37514a';
        // Bars every five degrees round the jar: closer and closer to its sides.
        for (let k = -17; k <= 17; k++) {
            const x = (w / 2) * Math.sin((k * 5 * Math.PI) / 180);
            const next = (w / 2) * Math.sin(((k + 0.25) * 5 * Math.PI) / 180);
            for (const y of [-h / 2 + 1, h / 2 - 2.6]) brush.fillRect(x, y, next - x, 1.6);
        }
        brush.fillStyle = '#2a2521';
        writing(brush, -w / 2 + 6, -h / 2 + 7, [3, 2.2, 1.6, 1.2, 0.9, 0.7, 0.5, 0.4, 0.3], w - 12, view);
    },
    subject: (brush, { shape, widthMm: w, heightMm: h }, view) => {
        brush.fillStyle = '#8f9a86';
        if (shape === 'sheet') brush.fillRect(-w / 2, -h / 2, w, h);
        else oval(brush, 0, 0, w / 2, h / 2);
        // Marks of three sizes, so that something can be judged at every magnification.
        for (const [count, size, colour] of [
            [26, w / 16, '#6d7a66'],
            [120, w / 50, '#4c5948'],
            [700, w / 160, '#2c3a2d'],
        ] as const) {
            brush.fillStyle = colour;
            for (let n = 0; n < count; n++) {
                const x = (chance(n + count) - 0.5) * w;
                const y = (chance(n + 2 * count + 0.5) - 0.5) * h;
                if (shape !== 'sheet' && (2 * x) ** 2 / w ** 2 + (2 * y) ** 2 / h ** 2 > 0.93) continue;
                if (seen(view, x, y, size)) oval(brush, x, y, size * (0.5 + 0.5 * chance(n + 11)), size * 0.4, chance(n + 17) * 3);
            }
        }
    },
};

const words = [
    'Fen herbarium',
    'Carex paniculata, coat of the seed',
    'North dyke, by the sluice, 14 June',
    'on wet peat, in the shade of alder',
    'kept dry, in the third drawer from the left',
    'seed 3.2 mm long, brown, its coat in fine rows',
    'looked at again in October: the rows run aslant',
    'the teeth of the capsule stand in two rings of sixteen',
    'whoever takes it out puts it back, with the date and a name',
    'do not breathe on the spores, do not open the window, do not sneeze',
    'smaller than this nobody writes, and yet here it stands to be read',
    'lines this fine are told apart by few rigs, and by none at f/22',
    'the last line is only for those who magnify more than they need',
    'and this one for whoever doubts it',
];

/** Lines of text, each as high as its small letters are to be, mm. */
function writing(brush: Brush, x: number, y: number, sizes: readonly number[], wide: number, view: View): void {
    let down = y;
    for (const [n, size] of sizes.entries()) {
        // The x-height of a serif is less than half its size.
        const px = size / 0.46;
        if (size * view.scale >= 0.8 && Math.abs(down) - px <= view.y) {
            brush.save();
            brush.translate(x, down);
            // A font is set in whole steps: it is drawn large, and scaled down.
            brush.scale(px / 100, px / 100);
            brush.font = '100px Georgia, "Liberation Serif", serif';
            const room = (wide * 100) / px;
            let text = `${words[n % words.length] ?? ''} · ${words[(n + 3) % words.length] ?? ''}`;
            while (text.includes(' ') && brush.measureText(text).width > room) text = text.slice(0, text.lastIndexOf(' '));
            brush.fillText(text.replace(/[ ·,]+$/, ''), 0, 0, room);
            brush.restore();
        } else if (Math.abs(down) <= view.y) {
            // What can't be told apart is a grey line.
            brush.globalAlpha = 0.35;
            brush.fillRect(x, down - size * 0.8, wide * 0.8, size * 0.7);
            brush.globalAlpha = 1;
        }
        down += px * 1.35;
    }
}
