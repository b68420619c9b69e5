/** Words of the sheet that goes to the table. What stands on it comes from the server. */
export const sheet = {
    sheet: {
        back: 'Back to the bench',
        paper: 'Paper',
        papers: { A6: 'A6', A5: 'A5', A4: 'A4', letter: 'Letter' },
        print: 'Print',
        text: 'As text',
        file: 'As an open file',
        drawing: 'The rig, to scale',
        rule: 'Paper rule',
        cut: (mm: string) => `Cut out: exactly ${mm}\u202fmm from the front of the rig to the subject.`,
        fold: 'Too long for this paper: lay the pieces end to end.',
        check: (mm: number) => `Lay a ruler on it first: this line must be ${mm}\u202fmm. Print at 100\u202f%.`,
    },
} as const;
