import { mm } from '@/core/length/length';
import type { DocumentRecord } from '@/core/records/index';
import type { ParagraphProperties } from '@/core/records/paragraphStyle';
import { growingText } from '@/core/actions/frames';

/** The design of Longspar: a quarterly of 212 × 276 mm on six columns, three to a page of text. */

export const STEP = 12.5;
/** Lines in the type area. */
export const LINES = 52;
const TOP = mm(20);
const HEIGHT = mm(276);

const SERIF = 'Source Serif 4';
const SANS = 'Archivo';

export const MARGINS = { top: TOP, bottom: HEIGHT - TOP - LINES * STEP, inner: mm(14), outer: mm(17) };

const style = (id: string, name: string, properties: Partial<ParagraphProperties>, basedOn?: string): DocumentRecord => ({
  id,
  kind: 'paragraphStyle',
  name,
  ...(basedOn ? { basedOn } : {}),
  properties,
});

const still = { hyphens: false, align: 'left', firstIndent: 0 } as const;

const STYLES: readonly DocumentRecord[] = [
  style('body', 'Body', { family: SERIF, size: 9.3, leading: STEP, firstIndent: STEP, swatch: 'ink' }),
  style('bodyFirst', 'Body, first', { firstIndent: 0 }, 'body'),
  style('list', 'List', { firstIndent: 0, align: 'left' }, 'body'),
  style('quotation', 'Quotation', { leftIndent: STEP, firstIndent: 0, italic: true }, 'body'),
  style('crosshead', 'Crosshead', {
    ...still,
    family: SANS,
    weight: 700,
    size: 9,
    leading: STEP,
    spaceBefore: STEP,
    keepNext: 2,
    swatch: 'accent1',
  }),
  style('headline', 'Headline', {
    ...still,
    family: SERIF,
    weight: 700,
    size: 34,
    leading: 36,
    onGrid: false,
    tracking: -12,
    swatch: 'deep',
    keepTogether: true,
  }),
  style('headlineFeature', 'Headline, feature', { size: 50, leading: 50, weight: 900, tracking: -20 }, 'headline'),
  style('headlineDepartment', 'Headline, department', { size: 26, leading: 28 }, 'headline'),
  style('standfirst', 'Standfirst', {
    ...still,
    family: SERIF,
    italic: true,
    weight: 300,
    size: 14.5,
    leading: 18.75,
    onGrid: false,
    spaceBefore: 0,
    swatch: 'deep',
  }),
  style('byline', 'Byline', {
    ...still,
    family: SANS,
    weight: 600,
    size: 8,
    leading: STEP,
    onGrid: true,
    swatch: 'accent1',
    tracking: 10,
  }),
  style('pullQuote', 'Pull quote', {
    ...still,
    family: SERIF,
    italic: true,
    weight: 600,
    size: 16,
    leading: 19,
    onGrid: false,
    swatch: 'accent1',
  }),
  style('caption', 'Caption', { ...still, family: SANS, size: 7.5, leading: 9.5, onGrid: false, swatch: 'deep' }),
  style('credit', 'Credit', { size: 6.2, leading: 8, tracking: 20, tint: 0.7 }, 'caption'),
  style('folio', 'Folio', { ...still, family: SANS, weight: 600, size: 8, leading: 10, onGrid: false, swatch: 'deep' }),
  style('folioRight', 'Folio, right page', { align: 'right' }, 'folio'),
  style('kicker', 'Kicker', {
    ...still,
    family: SANS,
    weight: 700,
    size: 8,
    leading: 10,
    tracking: 80,
    onGrid: false,
    swatch: 'accent1',
  }),
  style('nameplate', 'Nameplate', {
    ...still,
    family: SERIF,
    weight: 900,
    size: 118,
    leading: 110,
    tracking: -30,
    onGrid: false,
    swatch: 'paper',
    align: 'centre',
  }),
  style('nameplateLine', 'Nameplate, line', {
    ...still,
    family: SANS,
    weight: 600,
    size: 9,
    leading: 12,
    tracking: 60,
    onGrid: false,
    swatch: 'paper',
    align: 'centre',
  }),
  style('coverLine', 'Cover line', {
    ...still,
    family: SERIF,
    weight: 700,
    size: 26,
    leading: 28,
    onGrid: false,
    swatch: 'paper',
  }),
  style('coverNote', 'Cover note', {
    ...still,
    family: SANS,
    weight: 500,
    size: 10,
    leading: 13,
    onGrid: false,
    swatch: 'paper',
    spaceBefore: 4,
  }),
  style('contentsTitle', 'Contents, title', { size: 44, leading: 46, weight: 900 }, 'headline'),
  style('contentsFolio', 'Contents, folio', {
    ...still,
    family: SERIF,
    weight: 300,
    size: 25,
    leading: 27,
    onGrid: false,
    swatch: 'accent1',
    spaceBefore: 11,
    keepNext: 2,
  }),
  style('contentsStory', 'Contents, story', {
    ...still,
    family: SERIF,
    weight: 700,
    size: 12.5,
    leading: 15,
    onGrid: false,
    swatch: 'deep',
    keepNext: 1,
  }),
  style('contentsNote', 'Contents, note', { ...still, family: SERIF, size: 9.3, leading: STEP, onGrid: false }),
  style('small', 'Small print', { ...still, family: SANS, size: 7.2, leading: 9.6, onGrid: false, swatch: 'deep' }),
  style('smallStrong', 'Small print, heading', { weight: 700, spaceBefore: 7, swatch: 'accent1', keepNext: 1 }, 'small'),
  style('adLarge', 'Advertisement, large', {
    ...still,
    family: SERIF,
    weight: 300,
    size: 44,
    leading: 46,
    tracking: -10,
    onGrid: false,
    swatch: 'paper',
  }),
  style('adText', 'Advertisement, text', {
    ...still,
    family: SANS,
    weight: 400,
    size: 10,
    leading: 14,
    onGrid: false,
    swatch: 'paper',
    spaceBefore: 8,
  }),
];

const SWATCHES: readonly DocumentRecord[] = [
  { id: 'ink', kind: 'swatch', name: 'Ink', cmyk: [0, 0, 0, 1] },
  { id: 'paper', kind: 'swatch', name: 'Paper', cmyk: [0, 0, 0, 0] },
  { id: 'deep', kind: 'swatch', name: 'Deep', cmyk: [0.9, 0.6, 0.35, 0.5] },
  { id: 'accent1', kind: 'swatch', name: 'Accent 1', cmyk: [0.05, 0.78, 0.86, 0.05] },
  { id: 'accent2', kind: 'swatch', name: 'Accent 2', cmyk: [0.03, 0.3, 0.9, 0] },
  { id: 'tint', kind: 'swatch', name: 'Tint', cmyk: [0.03, 0.05, 0.14, 0] },
  { id: 'sea', kind: 'swatch', name: 'Sea', cmyk: [0.78, 0.4, 0.36, 0.25] },
];

const folioBox = (x: number, w: number) => ({ x, y: HEIGHT - mm(15.5), w, h: 10 });
const WIDTH = mm(212);

/** The masters' own frames: folio outside, the issue inside. */
const FURNITURE: readonly DocumentRecord[] = [
  {
    id: 'folio-left-text',
    kind: 'text',
    role: 'furniture',
    body: {
      type: 'doc',
      content: [
        {
          type: 'paragraph',
          attrs: { style: 'folio' },
          content: [
            { type: 'field', attrs: { name: 'folio' } },
            { type: 'text', text: '   ' },
            { type: 'field', attrs: { name: 'publication' } },
          ],
        },
      ],
    },
  },
  {
    id: 'folio-right-text',
    kind: 'text',
    role: 'furniture',
    body: {
      type: 'doc',
      content: [
        {
          type: 'paragraph',
          attrs: { style: 'folioRight' },
          content: [
            { type: 'text', text: 'No. ' },
            { type: 'field', attrs: { name: 'number' } },
            { type: 'text', text: ', ' },
            { type: 'field', attrs: { name: 'season' } },
            { type: 'text', text: '   ' },
            { type: 'field', attrs: { name: 'folio' } },
          ],
        },
      ],
    },
  },
  {
    id: 'folio-left',
    kind: 'frame',
    on: 'feature',
    side: 'left',
    box: folioBox(MARGINS.outer, mm(90)),
    order: 'a0',
    content: growingText('folio-left-text'),
    wrap: { mode: 'none', standOff: 0, outline: 'alpha' },
  },
  {
    id: 'folio-right',
    kind: 'frame',
    on: 'feature',
    side: 'right',
    box: folioBox(WIDTH - MARGINS.outer - mm(90), mm(90)),
    order: 'a1',
    content: growingText('folio-right-text'),
    wrap: { mode: 'none', standOff: 0, outline: 'alpha' },
  },
];

export const LONGSPAR_HOUSE: readonly DocumentRecord[] = [
  {
    id: 'format',
    kind: 'format',
    width: WIDTH,
    height: HEIGHT,
    bleed: mm(3),
    safe: mm(5),
    facing: true,
    firstSide: 'right',
    baseline: { step: STEP, offset: 0 },
  },
  { id: 'feature', kind: 'master', name: 'Feature', margins: MARGINS, columns: 6, gutter: mm(5), textSpan: 2 },
  { id: 'plain', kind: 'master', name: 'Plain, no folio', margins: MARGINS, columns: 6, gutter: mm(5), textSpan: 2 },
  ...STYLES,
  ...SWATCHES,
  ...FURNITURE,
];
