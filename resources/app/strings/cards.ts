/** Words of the cards. */
export const cards = {
    cards: {
        title: 'Cards for the bag',
        back: 'Back to Find',
        which: 'Card',
        kinds: {
            'close-ups': 'Close-up lenses and zoom settings',
            ladder: 'Ladder of tubes',
            draws: 'Stops lost by draw',
            lenses: 'All lenses with one part',
        },
        withPart: 'With',
        zooms: 'Zoom settings, mm',
        zoomsHint: 'as known',
        pairs: 'two at a time',
        everyCloseUp: 'each close-up lens',
        camera: 'Camera',
        lens: 'Lens',
        closeUp: 'With and without',
        noCloseUp: 'no close-up lens',
        spacer: 'On',
        reversed: 'turned round',
        print: 'Print',
        csv: 'As CSV',
        emptyTitle: 'An empty card',
        none: 'This card needs a camera, a lens and what it is about in your kit.',
    },
} as const;
