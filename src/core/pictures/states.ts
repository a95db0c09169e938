import type { Box } from '../geometry/box';
import type { PictureContent } from '../records/frame';
import type { PictureRecord } from '../records/index';
import { isDrawing } from '../records/picture';
import { effectiveResolution, ENOUGH_PPI, placedPicture } from './placing';

/** What is known of the files of pictures, beside what their records say: ids of pictures. */
export interface PictureFiles {
  /** Their file is not there. */
  readonly missing: ReadonlySet<string>;
  /** Where they came from there is a newer one. */
  readonly changed: ReadonlySet<string>;
}

export const ALL_THERE: PictureFiles = { missing: new Set(), changed: new Set() };

/** What is wrong with a picture where it lies. */
export interface PictureState {
  readonly is: 'missing' | 'changed' | 'coarse';
  readonly words: string;
}

/** What is wrong with a picture in its frame, the worst first. */
export function pictureStates(picture: PictureRecord, box: Box, content: PictureContent, files: PictureFiles): PictureState[] {
  const out: PictureState[] = [];
  if (files.missing.has(picture.id)) out.push({ is: 'missing', words: 'Its file is missing' });
  if (files.changed.has(picture.id)) out.push({ is: 'changed', words: 'There is a newer one at its agency' });
  const ppi = effectiveResolution(picture, placedPicture(box, picture, content).box);
  if (!isDrawing(picture) && ppi < ENOUGH_PPI) out.push({ is: 'coarse', words: `Too coarse to print: ${Math.round(ppi)} ppi` });
  return out;
}
