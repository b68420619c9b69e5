/** The field’s terms, one sentence each. */
export const terms = {
    terms: {
        ask: (term: string) => `What is ${term}?`,
        about: 'How it comes about here',
        deriving: 'Working it out …',
        thumb: 'Rule of thumb.',
        rays: 'Two rays through this rig: from the middle of the sensor, and from its edge',
        says: {
            magnification:
                'How large the picture on the sensor is, over how large the subject is: at 1× a seed of 3\u2009mm is 3\u2009mm on the sensor.',
            workingDistance: 'From the front-most metal of the rig to the subject: the room that light and hands have.',
            subjectDistance: 'From the sensor to the subject; what the mark on a body and the scale of a lens mean.',
            focus: 'Where it can be sharp at all, from nearest to furthest, with everything that moves.',
            field: 'How many millimetres of the subject fill the frame.',
            effectiveAperture:
                'The f-number that the sensor gets: the further the lens stands out, the less light, whatever its ring says.',
            stopsLost: 'By how many stops the sensor gets less light than the ring says; each takes twice the time.',
            slice: 'How deep the subject is sharp, before and behind the plane of focus together.',
            detail: 'The smallest thing that can still be told apart, as far as the spreading of light allows.',
            register: 'From the mount’s face to the sensor; a lens is made for one, and stands too near or too far on another.',
            extension: 'How much further from the sensor the lens stands than at home: the more, the larger, the nearer, the darker.',
            blurLimit: 'The widest disc on the sensor that still passes for a point.',
            dioptres:
                'How strong a close-up lens is: 1000 over its focal length in mm; with the lens at infinity the subject stands that focal length away.',
            reversed:
                'Mounted by its front, its mount towards the subject: beyond life size it works better so, and it stands further off.',
            guideNumber: 'How far a flash reaches, in metres at f/1 and ISO 100; over the distance, the f-number that it is enough for.',
            overlap: 'How much of each slice the next one has in it, so that no gap opens between two frames.',
            corner: 'How much light the corners get of what the middle gets.',
            infinity: 'Whether the furthest thing can still be sharp; on a tube it mostly can’t.',
        },
    },
} as const;
