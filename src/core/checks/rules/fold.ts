import { right } from '../../geometry/box';
import { fromUnit, placedPicture } from '../../pictures/placing';
import { lengthIn } from '../../length/length';
import type { Found } from '../finding';
import { linesOn, placeOfLine, runBox } from '../lines';
import { boxOf, ownItems, type PageView, type Rule } from '../rule';

/** Points on either side of the fold that a reader does not see well: 4 mm (common practice). */
const NEAR = 11.3;

/** Words and subjects of pictures that lie across the fold. */
export const FOLD: Rule = {
  name: 'fold',
  title: 'Across the fold',
  page: (view) => {
    const fold = foldOf(view);
    return fold === undefined ? [] : [...wordsAcross(view, fold), ...subjectsAcross(view, fold)];
  },
};

/** Where the fold is, points of the page. */
const foldOf = ({ format, side, beside }: PageView): number | undefined =>
  beside === undefined ? undefined : side === 'left' ? format.width : 0;

function wordsAcross(view: PageView, fold: number): Found[] {
  const done = new Set<string>();
  return linesOn(view).flatMap((on): Found[] => {
    if (done.has(on.item.frame)) return [];
    const run = on.line.runs.find((each) => {
      const box = runBox(on.item, on.line, each);
      return box.x < fold - 1 && right(box) > fold + 1;
    });
    if (!run) return [];
    done.add(on.item.frame);
    return [
      {
        grave: 'fault',
        at: { ...placeOfLine(view, on), box: runBox(on.item, on.line, run), from: run.from, to: run.to },
        words: `“${run.text.trim()}” lies across the fold.`,
        effect: 'Letters vanish into the fold, and the halves do not meet exactly.',
      },
    ];
  });
}

function subjectsAcross(view: PageView, fold: number): Found[] {
  return ownItems(view).flatMap((item): Found[] => {
    if (item.type !== 'picture') return [];
    const box = boxOf(item);
    const content = view.find('frame', item.frame)?.content;
    const picture = view.find('picture', item.picture);
    if (box.x >= fold - NEAR || right(box) <= fold + NEAR || content?.type !== 'picture' || !picture?.focus) return [];
    const { x } = fromUnit(placedPicture(item.box, picture, content), picture.focus);
    const off = Math.abs(x - fold);
    if (off > NEAR) return [];
    return [
      {
        grave: 'detail',
        at: { page: view.list.page, frame: item.frame, box, picture: picture.id },
        words: `What “${picture.name}” shows seems to lie ${lengthIn(off)} from the fold. This is a proposal: look at it.`,
        effect: 'A face in the fold is bent and cut.',
      },
    ];
  });
}
