import type { PictureRecord } from '../records/index';

/** What is said in the place of a picture: what is written for that, else its caption, else what it is called. */
export const alternativeOf = (picture: Pick<PictureRecord, 'alternative' | 'caption' | 'name'> | undefined): string =>
  picture?.alternative || picture?.caption || picture?.name || 'Picture';
