import { frameOfAdvertisement, stretchesFor } from '../../actions/advertisements';
import { pageGrid, stretchBox } from '../../page/grid';
import { formatOf, placedPage } from '../../page/pages';
import { all, type Document } from '../../records/document';
import type { AdvertisementRecord, FrameRecord } from '../../records/index';
import type { Found } from '../finding';
import type { Mend } from '../mends';
import type { Rule } from '../rule';

/** Share of a side by which an advertisement may miss the size that was booked. */
const SLACK = 0.03;

/** Advertisements on no page, without artwork, or not in the size that was booked. */
export const ADVERTISEMENTS: Rule = {
  name: 'advertisements',
  title: 'Advertisements',
  issue: ({ document }) =>
    all(document, 'advertisement').flatMap((advertisement): Found[] => {
      const frame = frameOfAdvertisement(document, advertisement.id);
      const { name, id } = advertisement;
      if (!frame || !placedPage(document, frame.on))
        return [
          {
            grave: 'fault',
            at: { advertisement: id },
            words: `The advertisement of ${name} is on no page.`,
            effect: 'It was booked and would not appear.',
            mends: [{ name: 'Give it a page …', open: 'plan' }],
          },
        ];
      const at = { page: frame.on, frame: frame.id, box: frame.box, advertisement: id };
      const out: Found[] = [];
      if (!advertisement.picture)
        out.push({
          grave: 'grave',
          at,
          words: `The artwork of ${name} has not been delivered.`,
          effect: 'Its place would be blank.',
          mends: [{ name: 'Open Plan', open: 'plan' }],
        });
      const box = nearestSize(document, advertisement, frame);
      if (box) {
        const mends: Mend[] = [{ name: 'Give it the size that was booked', do: 'place', of: { frame: frame.id, box } }];
        out.push({
          grave: 'fault',
          at,
          words: `The advertisement of ${name} is not in the size that was booked.`,
          effect: 'The advertiser gets something else than was paid for.',
          mends,
        });
      }
      return out;
    }),
};

/** The box of the size that was booked which is nearest to where it stands; undefined where it has that size. */
function nearestSize(document: Document, advertisement: AdvertisementRecord, frame: FrameRecord) {
  const page = placedPage(document, frame.on)!;
  if (advertisement.size === 'full' && fillsPage(document, frame)) return undefined;
  const grid = pageGrid(formatOf(document), page.master, page.side);
  const boxes = stretchesFor(grid, page.side, advertisement).map((stretch) => stretchBox(grid, stretch));
  const { box } = frame;
  if (boxes.some(({ w, h }) => Math.abs(w - box.w) <= SLACK * w && Math.abs(h - box.h) <= SLACK * h)) return undefined;
  return boxes.sort((a, b) => Math.hypot(a.x - box.x, a.y - box.y) - Math.hypot(b.x - box.x, b.y - box.y))[0];
}

/** A full page may as well be the page itself, to the trim or into the bleed (common practice). */
function fillsPage(document: Document, { box }: FrameRecord): boolean {
  const { width, height, bleed } = formatOf(document);
  const within = (side: number, trim: number) => side >= trim * (1 - SLACK) && side <= trim + 2 * bleed + trim * SLACK;
  return within(box.w, width) && within(box.h, height);
}
