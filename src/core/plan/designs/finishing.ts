import { BOX_OUT } from '../../actions/markOut';
import { mm } from '../../length/length';
import { docOf, paragraphOf, textOf } from '../../records/body';
import type { FinishLook } from '../../records/finish';
import { textContent } from '../../records/frame';
import type { DocumentRecord, QuoteDesignRecord } from '../../records/index';
import type { Design } from './design';

const WRAP = { mode: 'frame', standOff: mm(4) } as const;

/** How a box beside a story looks in each kind of design. */
const BOXES: Readonly<Record<Design['boxes'], FinishLook>> = {
  framed: {
    fill: { swatch: 'tint', tint: 1 },
    border: { swatch: 'accent1', tint: 1, weight: 1, align: 'inside' },
    inset: mm(3),
  },
  tint: { fill: { swatch: 'tint', tint: 1 }, inset: mm(4) },
  ruled: { border: { swatch: 'ink', tint: 1, weight: 0.5, align: 'inside' }, inset: mm(3) },
};

/** Looks to begin with: of a box beside a story, of a picture with a fine edge, and of a plate for words on a picture. */
function finishes({ boxes }: Design): DocumentRecord[] {
  const finish = (id: string, name: string, order: string, look: FinishLook): DocumentRecord => ({
    id,
    kind: 'finish',
    name,
    order,
    look,
  });
  return [
    finish(BOX_OUT, 'Box-out', 'a0', { shape: { type: 'rectangle' }, wrap: WRAP, ...BOXES[boxes] }),
    finish('hairline', 'Hairline', 'a1', { border: { swatch: 'ink', tint: 0.6, weight: 0.35, align: 'inside' }, wrap: WRAP }),
    finish('plate', 'Plate', 'a2', {
      shape: { type: 'rounded', radius: mm(2) },
      fill: { swatch: 'paper', tint: 1, opacity: 0.9 },
      shadow: { dx: 0, dy: 1.5, blur: 5, swatch: 'ink', opacity: 0.3 },
      inset: mm(3),
    }),
  ];
}

/**
 * Four pull quotes: plain in its column, between two rules over the gutter of two columns, on a panel, and large across two columns
 * with a mark of its own.
 */
function quoteDesigns(): DocumentRecord[] {
  const design = (id: string, name: string, more: Pick<QuoteDesignRecord, 'style' | 'stand' | 'across' | 'finish'>, i: number) =>
    ({ id, kind: 'quoteDesign', name, order: `a${i}`, ...more }) satisfies DocumentRecord;
  return [
    design('quote-plain', 'Plain', { style: 'pullQuote', stand: 'column', across: 1 }, 0),
    design('quote-ruled', 'Between rules', { style: 'pullQuoteRuled', stand: 'between', across: 1 }, 1),
    design('quote-panel', 'On a panel', { style: 'pullQuotePanel', stand: 'column', across: 1, finish: BOX_OUT }, 2),
    design('quote-large', 'Large, with a mark', { style: 'pullQuoteLarge', stand: 'column', across: 2 }, 3),
  ];
}

/** Two pieces of furniture: a fact file, and where to write to; each with lines to be filled in. */
export function furnitureOf({ size }: Design): DocumentRecord[] {
  const width = mm(58);
  const piece = (id: string, name: string, order: string, head: string, lines: readonly string[]): DocumentRecord[] => {
    const height = mm(12) + (lines.length + 1) * (size + 3);
    return [
      { id, kind: 'furniture', name, order, width, height },
      { id: `${id}-group`, kind: 'group', name, wrap: { ...WRAP, outline: 'shape' } },
      {
        id: `${id}-text`,
        kind: 'text',
        role: 'furniture',
        body: docOf([
          paragraphOf({ style: 'kicker' }, [textOf(head)]),
          ...lines.map((line) => paragraphOf({ style: 'imprint' }, [textOf(line)])),
        ]),
      },
      {
        id: `${id}-box`,
        kind: 'frame',
        on: id,
        side: 'both',
        box: { x: 0, y: 3, w: width, h: height - 3 },
        order: 'a0',
        name,
        group: `${id}-group`,
        content: textContent(`${id}-text`, 'a0', { inset: mm(3) }),
        wrap: { ...WRAP, outline: 'shape' },
        finish: BOX_OUT,
      },
      {
        id: `${id}-rule`,
        kind: 'frame',
        on: id,
        side: 'both',
        box: { x: 0, y: 0, w: width, h: 3 },
        order: 'a1',
        group: `${id}-group`,
        content: { type: 'rule', weight: 3 },
        wrap: { mode: 'none', standOff: 0, outline: 'shape' },
        fill: { swatch: 'accent1', tint: 1 },
      },
    ];
  };
  return [
    ...piece('fact-file', 'Fact file', 'a0', 'In short', ['What it is', 'Where it is', 'What it costs', 'Who made it']),
    ...piece('contact-box', 'Contact box', 'a1', 'Write to us', ['Where to write', 'By which day', 'What to enclose']),
  ];
}

/** The looks and the pull quotes of a design. */
export const finishingOf = (design: Design): DocumentRecord[] => [...finishes(design), ...quoteDesigns()];
