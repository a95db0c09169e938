import { delivery } from './delivery';
import type { AnyJobKind } from './kind';
import { pagePicture } from './pagePicture';
import { readCopy } from './readCopy';
import { readPicture } from './readPicture';
import { sendToShop } from './sendToShop';
import { takeBundle } from './takeBundle';
import { takeNews } from './takeNews';

/** Every kind of job there is: a new one is a file of its own and a line here. */
export const JOB_KINDS = [
  delivery,
  pagePicture,
  readCopy,
  readPicture,
  takeNews,
  takeBundle,
  sendToShop,
] as readonly AnyJobKind[];
