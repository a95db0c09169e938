import { BOX_OUT } from '@/core/actions/markOut';
import { mm } from '@/core/length/length';
import { docOf, paragraphOf, textOf } from '@/core/records/body';
import { textContent } from '@/core/records/frame';
import type { DocumentRecord } from '@/core/records/index';

/** Pull quotes: in their column, ruled over the gutter of two, large across two, and in white on a picture. */
const QUOTES: readonly DocumentRecord[] = [
  { id: 'quote-plain', kind: 'quoteDesign', name: 'Plain', order: 'a0', style: 'pullQuote', stand: 'column', across: 1 },
  {
    id: 'quote-ruled',
    kind: 'quoteDesign',
    name: 'Between rules',
    order: 'a1',
    style: 'pullQuoteRuled',
    stand: 'between',
    across: 1,
  },
  { id: 'quote-large', kind: 'quoteDesign', name: 'Large', order: 'a2', style: 'pullQuoteLarge', stand: 'column', across: 2 },
  {
    id: 'quote-picture',
    kind: 'quoteDesign',
    name: 'On a picture',
    order: 'a3',
    style: 'pullQuoteSmall',
    stand: 'picture',
    across: 1,
  },
];

const WRAP = { mode: 'frame', standOff: mm(4) } as const;

/** Looks by name: of a box beside a story, of a picture that has to be held together, of words on a picture. */
const FINISHES: readonly DocumentRecord[] = [
  {
    id: BOX_OUT,
    kind: 'finish',
    name: 'Box-out',
    order: 'a0',
    look: { shape: { type: 'rectangle' }, fill: { swatch: 'tint', tint: 1 }, inset: mm(4), wrap: WRAP },
  },
  {
    id: 'hairline',
    kind: 'finish',
    name: 'Hairline',
    order: 'a1',
    look: { border: { swatch: 'deep', tint: 0.6, weight: 0.25, align: 'inside' }, wrap: WRAP },
  },
  {
    id: 'plate',
    kind: 'finish',
    name: 'Plate',
    order: 'a2',
    look: { fill: { swatch: 'paper', tint: 1, opacity: 0.92 }, inset: mm(3) },
  },
];

const FACT_WIDTH = mm(57);

/** A fact file: a rule, a heading and lines to be filled in, on the tint of the season. */
const FACT_FILE: readonly DocumentRecord[] = [
  { id: 'fact-file', kind: 'furniture', name: 'Fact file', order: 'a0', width: FACT_WIDTH, height: mm(44) },
  { id: 'fact-group', kind: 'group', name: 'Fact file', wrap: { ...WRAP, outline: 'shape' } },
  {
    id: 'fact-text',
    kind: 'text',
    role: 'furniture',
    body: docOf([
      paragraphOf({ style: 'smallStrong' }, [textOf('What it takes')]),
      paragraphOf({ style: 'small' }, [textOf('Span, in metres')]),
      paragraphOf({ style: 'small' }, [textOf('Wind, in knots')]),
      paragraphOf({ style: 'small' }, [textOf('Line, in metres')]),
    ]),
  },
  {
    id: 'fact-box',
    kind: 'frame',
    on: 'fact-file',
    side: 'both',
    box: { x: 0, y: 4, w: FACT_WIDTH, h: mm(44) - 4 },
    order: 'a0',
    name: 'Fact file',
    group: 'fact-group',
    content: textContent('fact-text', 'a0', { inset: mm(4) }),
    wrap: { ...WRAP, outline: 'shape' },
    finish: BOX_OUT,
  },
  {
    id: 'fact-rule',
    kind: 'frame',
    on: 'fact-file',
    side: 'both',
    box: { x: 0, y: 0, w: FACT_WIDTH, h: 4 },
    order: 'a1',
    group: 'fact-group',
    content: { type: 'rule', weight: 4, line: 'kites' },
    wrap: { mode: 'none', standOff: 0, outline: 'shape' },
    fill: { swatch: 'accent1', tint: 1 },
  },
];

/** What makes a spread of Longspar a designed one, kept in the house. */
export const LONGSPAR_FINISHING: readonly DocumentRecord[] = [...QUOTES, ...FINISHES, ...FACT_FILE];
