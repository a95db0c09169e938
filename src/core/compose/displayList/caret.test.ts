import { describe, expect, it } from 'vitest';
import { composed, mark, rightOf, oneText, paragraph, paragraphStyle, text } from '../../../../tests/support/composed';
import { prose } from '../../../../tests/support/documents';
import { mapped, rotation } from '../../geometry/matrix';
import { lineBreak, paragraphOf, paragraphsOf, plainText } from '../../records/body';
import { get } from '../../records/document';
import { lengthOf } from '../../editing/places';
import { beyondList, beyondOf } from './beyond';
import { caretAt, invisiblesOn, lineEdge, placeAt, placeBeside, selectedAreas } from './caret';
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

describe('what is selected', () => {
  const range = (a: readonly [number, number], b: readonly [number, number]) => ({
    anchor: { paragraph: a[0], offset: a[1] },
    head: { paragraph: b[0], offset: b[1] },
  });

  it('is as wide as the letters from one caret to the other, in one line', async () => {
    const { pages } = await composed(...oneText(story));
    const [from, to] = [2, 9].map((offset) => caretAt(pages, 'text', { paragraph: 0, offset })!.box);
    for (const own of [range([0, 2], [0, 9]), range([0, 9], [0, 2])]) {
      const [{ areas }] = selectedAreas(pages, 'text', own) as [ReturnType<typeof selectedAreas>[number]];
      expect(areas).toHaveLength(1);
      const [topLeft, topRight, , footLeft] = areas[0]!;
      expect([topLeft.x, topRight.x]).toEqual([expect.closeTo(from!.x, 6), expect.closeTo(to!.x, 6)]);
      expect([topLeft.y, footLeft.y]).toEqual([expect.closeTo(from!.y, 6), expect.closeTo(from!.y + from!.h, 6)]);
    }
    expect(selectedAreas(pages, 'text', range([0, 4], [0, 4]))).toEqual([]);
    expect(selectedAreas(pages, 'other', range([0, 4], [1, 4]))).toEqual([]);
  });

  it('follows the lines as they are set, those around a picture and empty ones too', async () => {
    const { pages, lines } = await composed(...oneText(story));
    const [{ areas }] = selectedAreas(pages, 'text', range([0, 0], [3, lengthOf(story[3]!)])) as [
      ReturnType<typeof selectedAreas>[number],
    ];
    const own = lines();
    // One area a line: every space that is selected joins the words on either side of it.
    expect(areas).toHaveLength(own.length);
    own.forEach((line, i) => {
      const [left, right] = [areas[i]![0].x, areas[i]![1].x];
      expect(left).toBeCloseTo(line.x, 4);
      // The end of a paragraph is shown as something behind it.
      if (line.lastOfParagraph && i < own.length - 1)
        expect(right).toBeGreaterThan(line.x + (line.runs.length ? line.natural : 0));
      // The hyphen of a word that is parted is no letter of the text.
      else {
        expect(right).toBeLessThanOrEqual(rightOf(line) + 1e-6);
        expect(right).toBeGreaterThan(rightOf(line) - (line.hyphenated ? 4 : 0.001));
      }
    });
  });

  it('is in two pieces where directions mix, as the letters are (UAX #9)', async () => {
    const { pages } = await composed(...oneText([paragraph('body', 'The word שלום עולם means peace.')]));
    // From within the English words into the Hebrew: its first word stands on the right of its second.
    const [{ areas }] = selectedAreas(pages, 'text', range([0, 4], [0, 13])) as [ReturnType<typeof selectedAreas>[number]];
    expect(areas).toHaveLength(2);
    expect(areas[1]![0].x).toBeGreaterThan(areas[0]![1].x + 5);
  });

  it('goes to the beginning and end of its line', async () => {
    const { pages, lines } = await composed(...oneText(story));
    const second = lines()[1]!;
    const place = { paragraph: 0, offset: second.runs[1]!.from };
    const [home, end] = [false, true].map((last) => lineEdge(pages, 'text', place, last));
    expect(home!.offset).toBe(Math.min(...second.runs.map(({ from }) => from)));
    expect(end!.offset).toBe(Math.max(...second.runs.map(({ to }) => to)));
  });

  it('reaches into the overset, which lies on a sheet of its own', async () => {
    const { pages, result } = await composed(...oneText(story, [], {}, { x: 50, y: 48, w: 120, h: 40 }));
    const sheet = beyondList('text', result.beyond.get('text')!);
    const last = { paragraph: 3, offset: lengthOf(story[3]!) };
    expect(caretAt(pages, 'text', last)).toBeUndefined();
    const caret = caretAt([...pages, sheet], 'text', last)!;
    expect(caret.page).toBe(beyondOf('text'));
    expect(caret.box.y).toBeGreaterThan(0);
    expect(caret.box.y + caret.box.h).toBeLessThanOrEqual(sheet.height);
    expect(placeAt(sheet, { x: caret.box.x, y: caret.box.y + 2 }, 'text')!.place).toEqual(last);
    // Line by line from the first to the last, over the end of what the frame shows.
    let place = { paragraph: 0, offset: 0 };
    for (let i = 0; i < 200; i++) place = placeBeside([...pages, sheet], 'text', place, 1).place;
    expect(place.paragraph).toBe(3);
  });
});

describe('characters that are not seen', () => {
  it('have signs where they stand: between words, at the ends of lines and of paragraphs', async () => {
    const own = [paragraph('body', [text('Two words'), lineBreak(), text('and a\u00a0third.')])];
    const { pages, lines, doc } = await composed(...oneText(own));
    const paragraphs = paragraphsOf(get(doc, 'text', 'text').body).map(plainText);
    const signs = invisiblesOn(pages, () => paragraphs);
    expect(signs.map(({ sign }) => sign).join('')).toBe('·↵·°¶');
    const [first] = lines();
    const [two, words] = first!.runs;
    // The point for a space is in the middle of the room between its words, on their baseline.
    expect(signs[0]!.at.x).toBeCloseTo(first!.x + (two!.x + runWidth(two!, first!) + words!.x) / 2, 3);
    expect(signs[0]!.at.y).toBeCloseTo(first!.baseline, 6);
  });

  it('are as many as a text of prose has spaces, however its lines fall', async () => {
    const words = prose(80, 7);
    const { pages } = await composed(...oneText([paragraph('body', words)]));
    const signs = invisiblesOn(pages, () => [words]);
    expect(signs.filter(({ sign }) => sign === '·')).toHaveLength(words.split(' ').length - 1);
    expect(signs.filter(({ sign }) => sign === '¶')).toHaveLength(1);
  });
});
