import { DIAGRAMS } from './diagrams';
import { PICTURES } from './first';
import { OBJECTS } from './objects';
import { PEOPLE } from './people';
import type { DemoPicture } from './picture';
import { SCENES } from './scenes';
import { TOWN_PICTURES } from './town';

/** All pictures of the demo. */
export const DEMO_PICTURES: readonly DemoPicture[] = [
  ...PICTURES,
  ...TOWN_PICTURES,
  ...SCENES,
  ...OBJECTS,
  ...PEOPLE,
  ...DIAGRAMS,
];
