/** Keys of each place. */
export const keysOfPlaces = {
    placeKeys: {
        open: 'Keys…',
        letters: 'Letters, digits and signs act as keys',
        places: [
            [
                '/bench',
                'These act while the drawing or the row of parts has focus.',
                [
                    ['← →', 'walk along parts and joints'],
                    ['Enter or I', 'put a part in at the joint'],
                    ['Backspace', 'take the part off'],
                    ['V', 'turn the lens or ring round'],
                    ['X', 'swap the part for another'],
                    ['[ ]', 'move the part along the axis'],
                    ['Shift ← →', 'move the part’s own scale by a step'],
                    ['K', 'find in the kit'],
                    ['1 2 3', 'parts, light, shots'],
                    ['Ctrl Z, Shift Ctrl Z', 'undo, redo'],
                    ['S', 'keep the rig by a name'],
                    ['?', 'this list'],
                ],
            ],
            [
                '/compare',
                'Without a mouse.',
                [
                    ['A to I', 'the controls of that rig'],
                    ['arrows', 'move the control in hand'],
                    ['W', 'the chosen rig large, another beside it'],
                    ['M', 'crop all to the smallest field, or not'],
                    ['Enter', 'the chosen rig to the bench'],
                    ['Del', 'leave the chosen rig out'],
                    ['?', 'this list'],
                ],
            ],
            [
                '/kit',
                'The table’s cells are blanks: Enter keeps, Escape leaves as it was.',
                [
                    ['Tab', 'from part to part'],
                    ['Enter', 'open the part'],
                    ['Esc', 'close the part'],
                    ['Ctrl Z, Shift Ctrl Z', 'undo, redo'],
                    ['?', 'this list'],
                ],
            ],
            [
                '/find',
                'The wish is asked while it is typed.',
                [
                    ['Tab', 'from blank to blank'],
                    ['↑ ↓', 'walk along what was found'],
                    ['Enter', 'set the rig up on the bench'],
                    ['Esc', 'leave a blank as it was'],
                    ['?', 'this list'],
                ],
            ],
            [
                '/outings',
                'Everything is reached by Tab; what is worked out follows.',
                [
                    ['Tab', 'from subject to subject, and along the bag'],
                    ['Space', 'tick a line off'],
                    ['Esc', 'leave a form as it was'],
                    ['?', 'this list'],
                ],
            ],
            [
                '/practice',
                'One question after the other, without a mouse.',
                [
                    ['← →', 'move the guess, with Shift by ten steps'],
                    ['↑ ↓', 'widen and narrow it'],
                    ['1 2 3', 'choose one of the words'],
                    ['Enter', 'see, then the next one'],
                    ['D', 'I don’t know'],
                    ['?', 'this list'],
                ],
            ],
            [
                '/sheet',
                'Paper has none; the page has these.',
                [
                    ['Tab', 'to the paper’s size, and to print'],
                    ['?', 'this list'],
                ],
            ],
        ] as const satisfies readonly (readonly [string, string, readonly (readonly [string, string])[]])[],
    },
} as const;
