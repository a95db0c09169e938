import { describe, expect, it } from 'vitest';
import { characterStyle, mark, paragraph, paragraphStyle, text } from '../../../tests/support/composed';
import { baseRecords, document, flawOf, textFrame, textRecord } from '../../../tests/support/documents';
import { composerFor } from '../../../tests/support/faces';
import { docOf } from '../records/body';
import { applied } from '../records/diff';
import { type Document, find, get } from '../records/document';
import type { DocumentRecord, FrameRecord } from '../records/index';
import { finished } from '../page/finished';
import { addPalette } from './colour';
import { givePalette, mergeSwatch, recolourPages, usesOfSwatch } from './recolouring';

const BOX = { x: 40, y: 40, w: 200, h: 200 };
const red = { id: 'red', kind: 'swatch', name: 'Red', cmyk: [0, 1, 1, 0], role: 'accent1' } as const;
const blue = { id: 'blue', kind: 'swatch', name: 'Blue', cmyk: [1, 0.5, 0, 0] } as const;
const rule = { weight: 1, tint: 1, offset: 2, width: 'column', leftIndent: 0, rightIndent: 0 } as const;

/** Two pages alike: a text in red by its styles, and a panel that is red by its finish. */
const issue = (): Document =>
  document(
    ...baseRecords(2),
    red,
    blue,
    paragraphStyle('redHead', { swatch: 'red', ruleAbove: { ...rule, swatch: 'red' }, ruleBelow: { ...rule, swatch: 'ink' } }),
    characterStyle('lit', { swatch: 'red', underline: true }),
    { id: 'fin', kind: 'finish', name: 'Plate', order: 'a0', look: { fill: { swatch: 'red', tint: 0.5 } } },
    ...(['p1', 'p2'] as const).flatMap((page): DocumentRecord[] => [
      textRecord(
        `t-${page}`,
        docOf([
          paragraph('redHead', 'A red head'),
          paragraph('body', [text('with a '), text('red word', mark('character', { style: 'lit' }))]),
        ]),
      ),
      textFrame(`f-${page}`, `t-${page}`, page, BOX),
      {
        ...textFrame(`panel-${page}`, '', page, BOX),
        content: { type: 'panel' },
        finish: 'fin',
        border: { weight: 1, swatch: 'ink', tint: 1 },
        own: ['border'],
      } as FrameRecord,
    ]),
  );

const inksOn = async (of: Document, page: string): Promise<Set<string>> => {
  const { composer } = await composerFor(of);
  const list = composer.compose(of).pages.find((each) => each.page === page)!;
  const out = new Set<string>();
  for (const item of list.items) {
    if (item.type === 'area') out.add(item.ink.cmyk.join());
    if (item.type === 'text')
      for (const { lines } of item.columns)
        for (const { runs, marks } of lines) {
          for (const run of runs) out.add(run.look.ink.cmyk.join());
          for (const own of marks ?? []) if (own.type === 'area') out.add(own.ink.cmyk.join());
        }
  }
  return out;
};

const RED = '0,1,1,0';
const BLUE = '1,0.5,0,0';

describe('other colours on some pages', () => {
  it('are those of frames, finishes, styles and words there, and of nothing elsewhere', async () => {
    const before = issue();
    const after = applied(before, recolourPages(before, ['p1'], new Map([['red', 'blue']])));
    const one = await inksOn(after, 'p1');
    expect(one.has(RED)).toBe(false);
    expect(one.has(BLUE)).toBe(true);
    expect(one.has('0.5,0.25,0,0')).toBe(true);
    expect(await inksOn(after, 'p2')).toEqual(await inksOn(before, 'p2'));
    // The rule that is not red, the finish and what was said beside it stay.
    const panel = get(after, 'frame', 'panel-p1');
    expect(panel).toMatchObject({ finish: 'fin', own: ['fill', 'border'], fill: { swatch: 'blue', tint: 0.5 } });
    expect(finished(after, panel).border).toMatchObject({ swatch: 'ink' });
    for (const record of after.records.values()) expect(flawOf(record), record.id).toBeUndefined();
  });

  it('are refused with a sentence where there is nothing of that colour', () => {
    expect(() => recolourPages(issue(), ['p1'], new Map([['blue', 'red']]))).toThrow('Nothing there is in that colour.');
  });

  it('come from a palette as colours of their own, once, and only those that are used', () => {
    const colours = {
      ink: [0, 0, 0, 1],
      paper: [0, 0, 0, 0],
      accent1: [0, 0.4, 1, 0],
      accent2: [1, 0, 0, 0],
      tint: [0, 0, 0.1, 0],
    } as const;
    const with_ = applied(issue(), addPalette(issue(), 'Lamp', colours));
    const palette = [...with_.records.values()].find(({ kind }) => kind === 'palette')!.id;
    const once = applied(with_, givePalette(with_, ['p1'], palette));
    const twice = applied(once, givePalette(once, ['p2'], palette));
    const added = [...twice.records.values()].filter(({ id }) => !with_.records.has(id));
    expect(
      added
        .filter(({ kind }) => kind === 'swatch')
        .map((each) => (each as typeof red).name)
        .sort(),
    ).toEqual([...new Set(added.filter(({ kind }) => kind === 'swatch').map((each) => (each as typeof red).name))].sort());
    expect(added.some((each) => each.kind === 'swatch' && each.name === 'Red, Lamp')).toBe(true);
    expect(added.some((each) => each.kind === 'swatch' && each.cmyk.join() === '1,0,0,0')).toBe(false);
    expect(() => addPalette(with_, ' ', colours)).toThrow('A palette needs a name.');
    expect(() => addPalette(with_, 'Lamp', colours)).toThrow('There is a palette called Lamp already.');
  });
});

describe('a colour', () => {
  it('is found where it is used: pages with their frames, and what has it by name', () => {
    const { pages, named } = usesOfSwatch(issue(), 'red');
    expect(named).toEqual(['lit', 'Plate', 'redHead']);
    expect(pages).toEqual([]);
    const after = applied(issue(), recolourPages(issue(), ['p2'], new Map([['red', 'blue']])));
    expect(usesOfSwatch(after, 'blue').pages).toEqual([{ page: 'p2', frames: expect.arrayContaining(['f-p2', 'panel-p2']) }]);
  });

  it('is merged into another everywhere, and gone where no palette needs it', async () => {
    const whole = applied(issue(), mergeSwatch(issue(), 'red', 'blue'));
    for (const page of ['p1', 'p2']) expect((await inksOn(whole, page)).has(RED)).toBe(false);
    expect(find(whole, 'swatch', 'red')).toBeDefined();
    const back = applied(whole, mergeSwatch(whole, 'blue', 'red'));
    expect(find(back, 'swatch', 'blue')).toBeUndefined();
    expect((await inksOn(back, 'p1')).has(RED)).toBe(true);
  });
});
