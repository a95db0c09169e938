import type { CharacterProperties } from '../../records/characterStyle';
import type { DocumentRecord } from '../../records/index';
import type { ParagraphProperties } from '../../records/paragraphStyle';
import type { Design } from './design';

/** Above and below a pull quote. */
const QUOTE_RULE = { weight: 1.5, swatch: 'accent1', tint: 1, width: 'column', leftIndent: 0, rightIndent: 0 } as const;

const character = (id: string, name: string, properties: Partial<CharacterProperties>): DocumentRecord => ({
  id,
  kind: 'characterStyle',
  name,
  properties,
});

/** The styles that every design has, in its own voice; what it says otherwise comes on top. */
export function stylesOf({ voice, size, leading, styles = {} }: Design): DocumentRecord[] {
  const style = (id: string, name: string, properties: Partial<ParagraphProperties>, basedOn?: string): DocumentRecord => ({
    id,
    kind: 'paragraphStyle',
    name,
    ...(basedOn ? { basedOn } : {}),
    properties: { ...properties, ...styles[id] },
  });
  const still = { hyphens: false, align: 'left', firstIndent: 0 } as const;
  const display = { ...still, family: voice.display, onGrid: false, keepTogether: true } as const;
  const read = { ...still, family: voice.text, onGrid: false, keepTogether: true } as const;
  const small = { ...still, family: voice.small, onGrid: false } as const;
  return [
    character('smallCaps', 'Small capitals', { letterCase: 'smallCapitals', tracking: 30 }),
    character('capital', 'Drop cap', { family: voice.display, weight: voice.weight, swatch: 'accent1' }),
    character('quoteMark', 'Quotation mark, large', { swatch: 'accent1', weight: 700, italic: false }),
    style('body', 'Body', {
      family: voice.text,
      size,
      leading,
      firstIndent: leading,
      swatch: 'ink',
      letterSpace: { least: -0.005, best: 0, most: 0.008 },
      glyphScale: { least: 0.985, best: 1, most: 1.015 },
      hyphenLimits: { word: 6, before: 2, after: 3, consecutive: 2, lastWord: false, acrossColumns: false, capitals: false },
      hanging: 0.7,
    }),
    style('bodyFirst', 'Body, first', { firstIndent: 0 }, 'body'),
    style('bodyOpening', 'Body, opening', { dropCap: { lines: 3, letters: 1, gap: 4, style: 'capital' } }, 'bodyFirst'),
    style('list', 'List', { firstIndent: 0, align: 'left' }, 'body'),
    style('quotation', 'Quotation', { leftIndent: leading, firstIndent: 0, italic: true }, 'body'),
    style('crosshead', 'Crosshead', {
      ...still,
      family: voice.small,
      weight: 700,
      size: size - 0.3,
      leading,
      spaceBefore: leading,
      keepNext: 2,
    }),
    style('headline', 'Headline', {
      ...display,
      weight: voice.weight,
      size: voice.scale * size,
      leading: (voice.scale + 0.2) * size,
      tracking: voice.tracking,
    }),
    style('standfirst', 'Standfirst', { ...read, italic: true, size: 1.5 * size, leading: 1.9 * size }),
    style('byline', 'Byline', { ...small, weight: 600, size: size - 1, leading: size + 2, swatch: 'accent1' }),
    style('kicker', 'Kicker', { ...small, weight: 700, size: size - 1, leading: size + 2, tracking: 60, swatch: 'accent1' }),
    style('caption', 'Caption', { ...small, size: size - 2, leading: size + 0.5 }),
    style('credit', 'Credit', { ...small, size: size - 3.5, leading: size - 1.5, letterCase: 'upper', tracking: 40 }),
    style('pullQuote', 'Pull quote', { ...read, italic: true, size: 1.7 * size, leading: 2 * size, swatch: 'accent1' }),
    style(
      'pullQuoteRuled',
      'Pull quote, ruled',
      {
        align: 'centre',
        italic: false,
        weight: 600,
        ruleAbove: { ...QUOTE_RULE, offset: 1.75 * size },
        ruleBelow: { ...QUOTE_RULE, offset: 0.85 * size },
      },
      'pullQuote',
    ),
    style(
      'pullQuotePanel',
      'Pull quote, on a panel',
      { ...small, italic: false, weight: 600, size: 1.45 * size, leading: 1.8 * size },
      'pullQuote',
    ),
    style(
      'pullQuoteLarge',
      'Pull quote, large',
      {
        size: 2.4 * size,
        leading: 2.65 * size,
        swatch: 'ink',
        tracking: -5,
        dropCap: { lines: 2, letters: 1, gap: 0.4 * size, style: 'quoteMark' },
      },
      'pullQuote',
    ),
    style('nameplate', 'Nameplate', {
      ...still,
      family: voice.display,
      weight: Math.max(700, voice.weight),
      size: 60,
      leading: 60,
      onGrid: false,
      tracking: -15,
      swatch: 'accent1',
    }),
    style('issueLine', 'Issue line', { ...small, weight: 600, size: 8.5, leading: 11, align: 'centre' }),
    style('contents', 'Contents', {
      ...still,
      family: voice.text,
      size: size + 1,
      leading: 1.5 * leading,
      tabs: [{ at: 2.2 * leading, align: 'left' }],
      leftIndent: 2.2 * leading,
      firstIndent: -2.2 * leading,
      onGrid: false,
    }),
    style(
      'contentsSmall',
      'Contents, small',
      {
        size: size - 0.4,
        leading: 1.1 * leading,
        spaceAfter: 0.3 * leading,
        tabs: [{ at: 1.6 * leading, align: 'left' }],
        leftIndent: 1.6 * leading,
        firstIndent: -1.6 * leading,
      },
      'contents',
    ),
    style('listing', 'Listing', { ...still, family: voice.text, size, leading, spaceAfter: leading / 2, onGrid: false }),
    style('listingHead', 'Listing, head', { family: voice.small, weight: 700, swatch: 'accent1', keepNext: 1 }, 'listing'),
    style('tableText', 'Table', { ...small, size: size - 1.4, leading: size + 0.6 }),
    style('tableFigure', 'Table, figures', { align: 'right', figureWidth: 'tabular', figures: 'lining' }, 'tableText'),
    style('tableHead', 'Table, head', { weight: 700, swatch: 'accent1' }, 'tableText'),
    style('tableHeadFigure', 'Table, head of figures', { align: 'right' }, 'tableHead'),
    style('imprint', 'Imprint', { ...small, size: size - 2, leading: size + 1 }),
    style('imprintHead', 'Imprint, head', { weight: 700, swatch: 'accent1' }, 'imprint'),
    style('folio', 'Folio', { ...small, weight: 600, size: 8, leading: 10, align: 'awayFromSpine' }),
    style('jumpLine', 'Jump line', { ...small, italic: true, size: size - 1, leading }),
    style('runningHead', 'Running head', {
      ...small,
      weight: 600,
      size: 7.5,
      leading: 10,
      swatch: 'accent1',
      align: 'awayFromSpine',
    }),
  ];
}
