import { describe, expect, it } from 'vitest';
import { composed, mark, oneText, paragraph, paragraphStyle, text } from '../../../../tests/support/composed';
import { prose } from '../../../../tests/support/documents';
import { mapped, rotation } from '../../geometry/matrix';
import { paragraphOf } from '../../records/body';
import { lengthOf } from '../../editing/places';
import { caretAt, placeAt, placeBeside } from './caret';
import { runWidth } from './displayList';

const story = [
  paragraph('body', [text('Plain words and '), text('slanted', mark('emphasis')), text(` ones. ${prose(60, 4)}`)]),
  paragraph('body', prose(40, 5)),
  paragraph('body', ''),
  paragraph('body', 'The last one, difficult in its affairs.'),
];

describe('where a caret stands', () => {
  it('is at the edges of the words: their first letters, and behind their last', async () => {
    const { pages, lines } = await composed(...oneText(story));
    const first = lines()[0]!;
    for (const run of first.runs) {
      const before = caretAt(pages, 'text', { paragraph: 0, offset: run.from })!;
      expect(before.box.x).toBeCloseTo(first.x + run.x, 6);
      const behind = caretAt(pages, 'text', { paragraph: 0, offset: run.to })!;
      expect(behind.box.x).toBeCloseTo(first.x + run.x + runWidth(run, first), 6);
      expect(behind.box.y).toBeCloseTo(first.baseline - first.ascent, 6);
    }
  });

  it('divides a ligature evenly between its letters', async () => {
    const { pages, lines } = await composed(...oneText([paragraph('body', 'ff')]));
    const x = (offset: number) => caretAt(pages, 'text', { paragraph: 0, offset })!.box.x;
    expect(lines()[0]!.runs[0]!.shaped.glyphs).toHaveLength(1);
    expect(x(1) - x(0)).toBeCloseTo(x(2) - x(1), 6);
  });

  it('is somewhere for every position, from line to line downwards, and found again from where it stands', async () => {
    const { pages } = await composed(...oneText(story));
    let last = -Infinity;
    story.forEach((node, at) => {
      for (let offset = 0; offset <= lengthOf(node); offset++) {
        const caret = caretAt(pages, 'text', { paragraph: at, offset })!;
        expect(caret.box.y).toBeGreaterThanOrEqual(last - 1e-6);
        last = caret.box.y;
        const point = { x: caret.box.x, y: caret.box.y + caret.box.h / 2 };
        const { place } = placeAt(pages[0]!, point)!;
        expect(place.paragraph).toBe(at);
        // A space that vanished at a line's end has both ends of it in one place.
        expect(Math.abs(place.offset - offset)).toBeLessThanOrEqual(1);
        const again = caretAt(pages, 'text', place)!;
        expect(again.box.y).toBeCloseTo(caret.box.y, 6);
        expect(again.box.x).toBeCloseTo(caret.box.x, 6);
      }
    });
  });

  it('turns with the frame', async () => {
    const box = { x: 100, y: 100, w: 200, h: 300 };
    // Off the grid, which a turned frame has no part in.
    const free = story.map((node) => paragraphOf({ style: 'free' }, node.content));
    const records = oneText(free, [paragraphStyle('free', { onGrid: false })], {}, box);
    const plain = await composed(...records);
    const slanted = await composed(
      ...(records.map((each) => (each.id === 'f' ? { ...each, rotation: 90 } : each)) as typeof records),
    );
    const at = { paragraph: 1, offset: 30 };
    const upright = caretAt(plain.pages, 'text', at)!.box;
    const turned = caretAt(slanted.pages, 'text', at)!.box;
    const corner = mapped(rotation(90, { x: 200, y: 250 }), upright);
    expect(turned.x + turned.w).toBeCloseTo(corner.x, 6);
    expect(turned.y).toBeCloseTo(corner.y, 6);
    expect(turned.w).toBeCloseTo(upright.h, 6);
    const middle = { x: turned.x + turned.w / 2, y: turned.y };
    expect(placeAt(slanted.pages[0]!, middle)!.place).toEqual(at);
  });

  it('goes a line down and up again near the same x, over the ends of paragraphs', async () => {
    const { pages, lines } = await composed(...oneText(story));
    let place = { paragraph: 0, offset: 10 };
    const from = caretAt(pages, 'text', place)!.box;
    const n = lines().length;
    for (let i = 1; i < n; i++) {
      const before = caretAt(pages, 'text', place)!.box.y;
      place = placeBeside(pages, 'text', place, 1).place;
      expect(caretAt(pages, 'text', place)!.box.y).toBeGreaterThan(before);
    }
    expect(place.paragraph).toBe(3);
    // From the last line down it is the end of the text.
    expect(placeBeside(pages, 'text', place, 1).place).toEqual({ paragraph: 3, offset: lengthOf(story[3]!) });
    const down = placeBeside(pages, 'text', { paragraph: 0, offset: 10 }, 1).place;
    expect(Math.abs(caretAt(pages, 'text', down)!.box.x - from.x)).toBeLessThan(4);
    expect(placeBeside(pages, 'text', down, -1).place.offset).toBeCloseTo(10, -0.5);
  });

  it('is nowhere where no frame shows it', async () => {
    const { pages } = await composed(...oneText([paragraph('body', prose(80, 6))], [], {}, { x: 50, y: 48, w: 120, h: 30 }));
    expect(caretAt(pages, 'text', { paragraph: 0, offset: 400 })?.box.y ?? Infinity).toBeLessThan(Infinity);
    expect(caretAt(pages, 'other', { paragraph: 0, offset: 0 })).toBeUndefined();
  });
});
