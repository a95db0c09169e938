import { USUAL_LIMITS } from '@/core/properties/print';
import { USUAL_CAPTIONS } from '@/core/properties/captions';
import { mm } from '@/core/length/length';
import type { CharacterProperties } from '@/core/records/characterStyle';
import { docOf, fieldOf, paragraphOf, textOf } from '@/core/records/body';
import type { DocumentRecord } from '@/core/records/index';
import type { FieldName } from '@/core/records/text';
import type { ParagraphProperties } from '@/core/records/paragraphStyle';
import { growingText } from '@/core/actions/frames';
import { LONGSPAR_FINISHING } from './finishing';

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

/** How Longspar's body is set: word spaces give first, then letters by a hundredth at most; stops and hyphens hang. */
export const BODY: Partial<ParagraphProperties> = {
  family: SERIF,
  size: 9.3,
  leading: STEP,
  firstIndent: STEP,
  swatch: 'ink',
  wordSpace: { least: 0.8, best: 1, most: 1.4 },
  letterSpace: { least: -0.005, best: 0, most: 0.008 },
  glyphScale: { least: 0.985, best: 1, most: 1.015 },
  hyphenLimits: { word: 6, before: 2, after: 3, consecutive: 2, lastWord: false, acrossColumns: false, capitals: false },
  hanging: 0.7,
  figures: 'oldStyle',
};

const character = (id: string, name: string, properties: Partial<CharacterProperties>): DocumentRecord => ({
  id,
  kind: 'characterStyle',
  name,
  properties,
});

const CHARACTER_STYLES: readonly DocumentRecord[] = [
  character('capital', 'Drop cap', { family: SERIF, weight: 700, swatch: 'accent1' }),
  character('leadIn', 'Lead-in', { letterCase: 'smallCapitals', tracking: 40 }),
  character('smallCaps', 'Small capitals', { letterCase: 'allSmallCapitals', tracking: 30 }),
  character('endMark', 'End mark', { swatch: 'accent1', size: 7.5 }),
  character('strong', 'Strong', { weight: 700 }),
  character('strongSans', 'Strong, sans', { family: SANS, weight: 600 }),
];

const STYLES: readonly DocumentRecord[] = [
  style('body', 'Body', { ...BODY, endMark: { text: '◆', style: 'endMark' } }),
  style('bodyFirst', 'Body, first', { firstIndent: 0 }, 'body'),
  style(
    'bodyOpening',
    'Body, opening',
    { dropCap: { lines: 3, letters: 1, gap: 4, style: 'capital' }, leadIn: { extent: 4, style: 'leadIn' } },
    'bodyFirst',
  ),
  style('bodyRagged', 'Body, ragged', { align: 'left', spaceBefore: STEP / 2, onGrid: false, firstIndent: 0 }, 'body'),
  style('bodyRaggedFirst', 'Body, ragged, first', { spaceBefore: 0 }, 'bodyRagged'),
  style('bodyRaggedOpening', 'Body, ragged, opening', { align: 'left' }, 'bodyOpening'),
  style('question', 'Question', { weight: 700, keepNext: 1 }, 'body'),
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
  style(
    'crossheadWide',
    'Crosshead, across',
    {
      family: SERIF,
      weight: 700,
      size: 17,
      leading: 2 * STEP,
      spaceAfter: 0,
      spans: true,
      swatch: 'deep',
      ruleAbove: { weight: 0.5, swatch: 'deep', tint: 1, offset: 19, width: 'column', leftIndent: 0, rightIndent: 0 },
    },
    'crosshead',
  ),
  style('jumpLine', 'Jump line', {
    ...still,
    family: SANS,
    weight: 600,
    size: 7,
    leading: STEP,
    align: 'right',
    swatch: 'accent1',
    tracking: 10,
    figures: 'lining',
  }),
  style('jumpLineFrom', 'Jump line, from', { align: 'left' }, 'jumpLine'),
  style('tableText', 'Table', { ...still, family: SANS, size: 7.4, leading: 10, onGrid: false, swatch: 'deep' }),
  style('tableFigure', 'Table, figures', { align: 'right', figureWidth: 'tabular', figures: 'lining' }, 'tableText'),
  style('tableHead', 'Table, head', { weight: 700, size: 6.8, swatch: 'accent1' }, 'tableText'),
  style('tableHeadFigure', 'Table, head of figures', { align: 'right' }, 'tableHead'),
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
  style('headlineGrand', 'Headline, grand', { size: 64, leading: 60, weight: 900, tracking: -25 }, 'headline'),
  style('headlineOnPicture', 'Headline, on a picture', { size: 44, leading: 44, swatch: 'paper' }, 'headlineFeature'),
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
  style('standfirstOnPicture', 'Standfirst, on a picture', { swatch: 'paper', weight: 400 }, 'standfirst'),
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
  style('bylineOnPicture', 'Byline, on a picture', {
    ...still,
    family: SANS,
    weight: 600,
    size: 8,
    leading: STEP,
    swatch: 'paper',
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
  style(
    'pullQuoteRuled',
    'Pull quote, ruled',
    {
      align: 'centre',
      italic: false,
      ruleAbove: { weight: 1.5, swatch: 'accent1', tint: 1, offset: 17, width: 'column', leftIndent: 0, rightIndent: 0 },
      ruleBelow: { weight: 1.5, swatch: 'accent1', tint: 1, offset: 9, width: 'column', leftIndent: 0, rightIndent: 0 },
    },
    'pullQuote',
  ),
  style('pullQuoteSmall', 'Pull quote, on a picture', { size: 15, leading: 18, swatch: 'paper', tint: 1 }, 'pullQuote'),
  style('pullQuoteLarge', 'Pull quote, large', { size: 24, leading: 26, tracking: -5 }, 'pullQuote'),
  style('caption', 'Caption', { ...still, family: SANS, size: 7.5, leading: 9.5, onGrid: false, swatch: 'deep' }),
  style('captionStrong', 'Caption, name', { weight: 700, size: 8.5, leading: 11 }, 'caption'),
  style('figure', 'Figure', {
    ...still,
    family: SERIF,
    weight: 300,
    size: 22,
    leading: 25,
    onGrid: false,
    swatch: 'accent1',
    figures: 'lining',
  }),
  style('credit', 'Credit', { size: 6.2, leading: 8, tracking: 20, tint: 0.7 }, 'caption'),
  style(
    'creditTurned',
    'Credit, turned',
    { swatch: 'paper', tint: 1, align: 'left', highlight: { swatch: 'deep', tint: 1, around: 1.2 } },
    'credit',
  ),
  style(
    'creditOutlined',
    'Credit, turned, outlined',
    { swatch: 'deep', highlight: null, letterOutline: { weight: 0.55, swatch: 'paper', tint: 1 } },
    'creditTurned',
  ),
  style('listing', 'Listing', {
    ...still,
    family: SERIF,
    size: 9.3,
    leading: STEP,
    tabs: [{ at: mm(165), align: 'right', leader: ' .' }],
    figures: 'oldStyle',
  }),
  style('listingHead', 'Listing, head', { family: SANS, weight: 700, size: 9, swatch: 'accent1', keepNext: 1 }, 'listing'),
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
  style('kickerSpaced', 'Kicker, spaced', { spaceBefore: 14 }, 'kicker'),
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
  style('contentsLine', 'Contents, line', {
    ...still,
    family: SERIF,
    size: 10.5,
    leading: 17,
    onGrid: false,
    tabs: [{ at: 20, align: 'left' }],
    leftIndent: 20,
    firstIndent: -20,
  }),
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
  { id: 'ink', kind: 'swatch', name: 'Ink', cmyk: [0, 0, 0, 1], role: 'ink' },
  { id: 'paper', kind: 'swatch', name: 'Paper', cmyk: [0, 0, 0, 0], role: 'paper' },
  { id: 'deep', kind: 'swatch', name: 'Deep', cmyk: [0.9, 0.6, 0.35, 0.5] },
  { id: 'accent1', kind: 'swatch', name: 'Accent 1', cmyk: [0.05, 0.8, 0.88, 0.13], role: 'accent1' },
  { id: 'accent2', kind: 'swatch', name: 'Accent 2', cmyk: [0.03, 0.3, 0.9, 0], role: 'accent2' },
  { id: 'tint', kind: 'swatch', name: 'Tint', cmyk: [0.03, 0.05, 0.14, 0], role: 'tint' },
  { id: 'sea', kind: 'swatch', name: 'Sea', cmyk: [0.78, 0.4, 0.36, 0.25] },
];

/** Three palettes, so that a number can have the light of its season. */
const PALETTES: readonly DocumentRecord[] = [
  {
    id: 'palette-winter',
    kind: 'palette',
    name: 'Winter harbour',
    colours: {
      ink: [0, 0, 0, 1],
      paper: [0, 0, 0, 0],
      accent1: [0.05, 0.8, 0.88, 0.13],
      accent2: [0.03, 0.3, 0.9, 0],
      tint: [0.03, 0.05, 0.14, 0],
    },
  },
  {
    id: 'palette-heather',
    kind: 'palette',
    name: 'Heather',
    colours: {
      ink: [0, 0, 0, 1],
      paper: [0, 0, 0, 0],
      accent1: [0.35, 0.82, 0.1, 0.12],
      accent2: [0.55, 0.12, 0.5, 0.1],
      tint: [0.06, 0.1, 0.03, 0],
    },
  },
  {
    id: 'palette-strand',
    kind: 'palette',
    name: 'West strand',
    colours: {
      ink: [0, 0, 0, 1],
      paper: [0, 0, 0, 0],
      accent1: [0.86, 0.35, 0.3, 0.15],
      accent2: [0.05, 0.4, 0.85, 0.02],
      tint: [0.1, 0.02, 0.05, 0],
    },
  },
];

const folioBox = (x: number, w: number) => ({ x, y: HEIGHT - mm(15.5), w, h: 10 });
const WIDTH = mm(212);

/** What stands at a frame's foot or head where a story jumps. */
function jumpText(id: string, style: string, words: string, name: FieldName): DocumentRecord {
  const body = docOf([paragraphOf({ style }, [textOf(words), fieldOf({ name })])]);
  return { id, kind: 'text', role: 'furniture', body };
}

/** The masters' own frames: folio outside, the issue inside. */
const FURNITURE: readonly DocumentRecord[] = [
  {
    id: 'folio-left-text',
    kind: 'text',
    role: 'furniture',
    body: docOf([paragraphOf({ style: 'folio' }, [fieldOf({ name: 'folio' }), textOf('   '), fieldOf({ name: 'publication' })])]),
  },
  {
    id: 'folio-right-text',
    kind: 'text',
    role: 'furniture',
    body: docOf([
      paragraphOf({ style: 'folioRight' }, [
        textOf('No. '),
        fieldOf({ name: 'number' }),
        textOf(', '),
        fieldOf({ name: 'season' }),
        textOf('   '),
        fieldOf({ name: 'folio' }),
      ]),
    ]),
  },
  jumpText('jump-to', 'jumpLine', 'Continued on page ', 'nextFolio'),
  jumpText('jump-from', 'jumpLineFrom', 'Continued from page ', 'previousFolio'),
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
  ...LONGSPAR_FINISHING,
  { id: 'profile', kind: 'profile', ...USUAL_LIMITS.coated, byline: 300, endMark: 300 },
  {
    id: 'details',
    kind: 'details',
    language: 'en-GB',
    strapline: 'Kite craft, four times a year',
    publisher: 'The Net House Press',
    address: 'The Net House, Quay Lane, Ternhaven',
    contact: 'letters@longspar.example',
    price: '£7.50',
    staff: 'Editor Hester Lowe, layout Anselm Bray, pictures Inge Sarrow and Rafe Dunmore',
  },
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
    captions: { ...USUAL_CAPTIONS, gap: 6, credit: 'edge' },
  },
  { id: 'feature', kind: 'master', name: 'Feature', margins: MARGINS, columns: 6, gutter: mm(5), textSpan: 2 },
  { id: 'plain', kind: 'master', name: 'Plain, no folio', margins: MARGINS, columns: 6, gutter: mm(5), textSpan: 2 },
  ...CHARACTER_STYLES,
  ...STYLES,
  ...SWATCHES,
  ...PALETTES,
  ...FURNITURE,
];
