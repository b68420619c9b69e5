import { bench } from './bench';
import { keysOfPlaces } from './keys';
import { offline } from './offline';
import { rig } from './rig';
import { shell } from './shell';
import { terms } from './terms';

/** The words that are needed from the start, in one object. Those of a place that comes later come with it, each from its own file. */
export const strings = {
    ...shell,
    ...bench,
    ...rig,
    ...offline,
    ...terms,
    ...keysOfPlaces,
} as const;
