import { expect, test } from 'vitest';
import { margin, pageRule, paperIn, papers, piecesOf, type Paper } from './paper';

test('a rule is as long as it is, in pieces that fit on the paper and join at whole centimetres', () => {
    for (const paper of Object.keys(papers) as Paper[]) {
        for (const mm of [3.2, 49.6, 50, 128, 131.7, 412.3]) {
            const pieces = piecesOf(mm, paper);
            expect(pieces[0]?.from).toBe(0);
            expect(pieces.at(-1)?.to).toBe(mm);
            pieces.forEach((piece, n) => {
                expect(piece.to - piece.from).toBeLessThanOrEqual(papers[paper][0] - 2 * margin - 6);
                expect(piece.to).toBeGreaterThan(piece.from);
                if (n > 0) {
                    expect(piece.from).toBe(pieces[n - 1]?.to);
                    expect(piece.from % 10).toBe(0);
                }
            });
        }
    }
    expect(piecesOf(49.6, 'A6')).toHaveLength(1);
    expect(piecesOf(120, 'A5')).toHaveLength(1);
    expect(piecesOf(121, 'A5')).toHaveLength(2);
});

test('the page is the paper’s, and A5 unless another is asked for', () => {
    expect(pageRule('A6')).toBe('@page { size: 105mm 148mm; margin: 8mm; }');
    expect(pageRule('letter')).toContain('215.9mm 279.4mm');
    expect(paperIn(new URLSearchParams('paper=A4'))).toBe('A4');
    expect(paperIn(new URLSearchParams('paper=B7'))).toBe('A5');
});
