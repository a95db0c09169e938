import { find } from '../../document';
import type { AdvertisementContent } from '../../frame';
import { maybe, reference } from '../../kind';
import type { FrameKind } from './kind';

/** The place of an advertisement, booked or free. */
export const ADVERTISEMENT_FRAME: FrameKind<AdvertisementContent> = {
  fields: { advertisement: maybe(reference('advertisement', 'forgets')) },
  named: ({ advertisement }, document) => `Advertisement, ${find(document, 'advertisement', advertisement)?.name ?? 'free'}`,
  waitsFor: ({ advertisement }) => (advertisement === undefined ? 'Advertisement' : undefined),
  // Its artwork is shown whole.
  picture: ({ advertisement }, document) => {
    const picture = find(document, 'advertisement', advertisement)?.picture;
    return picture === undefined ? undefined : { picture, fit: 'fit' };
  },
  takesPicture: ({ advertisement }) => (advertisement === undefined ? 'into this place' : 'as the artwork of this advertisement'),
  // It stands in one place only.
  copied: () => ({ type: 'advertisement' }),
  emptied: (frame) => ({ ...frame, content: { type: 'advertisement' } }),
  // Its place is its own whether it is booked or not.
  takes: () => 'advertisements',
};
