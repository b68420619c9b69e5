import { account } from './account';
import { bench } from './bench';
import { cards } from './cards';
import { compare } from './compare';
import { sheet } from './sheet';
import { find } from './find';
import { first } from './first';
import { keysOfPlaces } from './keys';
import { kit } from './kit';
import { light } from './light';
import { log } from './log';
import { look } from './look';
import { offline } from './offline';
import { outings } from './outings';
import { pictures } from './pictures';
import { practice } from './practice';
import { rig } from './rig';
import { shell } from './shell';
import { terms } from './terms';

/** Every word on the screens: one file a page, one object to read them from. */
export const strings = {
    ...shell,
    ...first,
    ...bench,
    ...rig,
    ...offline,
    ...outings,
    ...log,
    ...account,
    ...kit,
    ...find,
    ...cards,
    ...compare,
    ...sheet,
    ...light,
    ...pictures,
    ...look,
    ...practice,
    ...terms,
    ...keysOfPlaces,
} as const;
