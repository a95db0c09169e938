import { BOX_OUT } from '../actions/markOut';
import type { FinishLook } from '../records/finish';
import { USUAL_CAPTIONS } from '../properties/captions';
import { jumpBodies } from '../actions/threads';
import type { PublicationKind } from '../records/publicationKind';
import { growingText, NO_WRAP } from '../actions/frames';
import { mm } from '../length/length';
import { marginText } from '../page/furniture';
import { docOf } from '../records/body';
import { type Paper, USUAL_LIMITS } from '../properties/print';
import { noDetails } from '../records/details';
import { snappedBottom, USUAL_MARGINS } from '../page/practice';
import type {
  CharacterStyleRecord,
  DocumentRecord,
  FormatRecord,
  MasterRecord,
  PaletteRecord,
  ProfileRecord,
  QuoteDesignRecord,
} from '../records/index';
import { textLayout } from '../records/frame';
import { pageGrid, stretchBox } from '../page/grid';
import { recurringDesign } from './recurringDesigns';
import { type Cmyk, type Role, ROLES } from '../records/swatch';
import type { ParagraphProperties } from '../records/paragraphStyle';
import { textIn } from '../records/kinds/frames';

/** What the kinds of periodical begin with. Lengths in points; body sizes and grids are common practice. */
const BEGINNINGS: Readonly<
  Record<
    PublicationKind,
    { width: number; height: number; columns: number; gutter: number; textSpan: number; size: number; leading: number }
  >
> = {
  magazine: { width: mm(210), height: mm(276), columns: 6, gutter: mm(5), textSpan: 2, size: 9.5, leading: 12.5 },
  newsletter: { width: mm(210), height: mm(297), columns: 3, gutter: mm(6), textSpan: 1, size: 10, leading: 13 },
  newspaper: { width: mm(280), height: mm(400), columns: 6, gutter: mm(4), textSpan: 1, size: 8.8, leading: 10.5 },
};

const SERIF = 'Source Serif 4';
const SANS = 'Archivo';

/** What of a kind's design a house begins with. */
export interface Start {
  /** Only a format, a grid and styles: masters are empty, and there are no recurring pages. */
  readonly blank?: boolean | undefined;
  /** Recurring pages to take, by id; all when not said. */
  readonly pages?: readonly string[] | undefined;
  /** Which of its palettes is in use, from 0. */
  readonly palette?: number | undefined;
}

/**
 * The house that a publication of a kind begins with: a format with its grid, masters with a running head, folios and a
 * flow area, recurring pages with slots, the styles that copy is set in, and three palettes. Everything in it is meant
 * to be changed.
 */
export function startingHouse(
  kind: PublicationKind,
  language: string,
  { blank = false, pages, palette = 0 }: Start = {},
): DocumentRecord[] {
  const { width, height, columns, gutter, textSpan, size, leading } = BEGINNINGS[kind];
  const format: FormatRecord = {
    id: 'format',
    kind: 'format',
    width,
    height,
    bleed: mm(3),
    safe: mm(5),
    facing: true,
    firstSide: 'right',
    baseline: { step: leading, offset: 0 },
    captions: { ...USUAL_CAPTIONS, credit: kind === 'magazine' ? 'under' : 'end' },
  };
  const margins = { ...USUAL_MARGINS, top: mm(20), inner: mm(14) };
  const snapped = { ...margins, bottom: snappedBottom(format, margins).bottom };
  const master = (id: string, name: string): MasterRecord => ({
    id,
    kind: 'master',
    name,
    margins: snapped,
    columns,
    gutter,
    textSpan,
  });
  const [text, plain] = [master('text', 'Text'), master('plain', 'Plain, no folio')];
  const profile: ProfileRecord = { id: 'profile', kind: 'profile', ...USUAL_LIMITS[PAPER_OF[kind]] };
  const design = [
    noDetails(language),
    profile,
    format,
    text,
    plain,
    ...swatches(kind, palette),
    ...finishes(),
    ...styles(kind, size, leading),
    ...quoteDesigns(),
  ];
  // Blank pages are all on one master: what is set for it is set for them.
  if (blank) return design.filter((record) => record !== plain);
  return [
    ...design,
    ...(kind === 'newspaper' ? jumpLines() : []),
    ...furniture(format, text),
    ...flowArea(format, text),
    ...taken(recurringDesign(kind, format, text, plain), pages),
  ];
}

/** A newspaper's stories jump: it says where they go on, and where they come from (common practice). */
function jumpLines(): DocumentRecord[] {
  const { to, from } = jumpBodies('jumpLine');
  return [
    { id: 'jump-to', kind: 'text', role: 'furniture', body: to },
    { id: 'jump-from', kind: 'text', role: 'furniture', body: from },
  ];
}

/** Recurring pages with what lies on them, as far as they are wanted. */
function taken(records: readonly DocumentRecord[], pages: readonly string[] | undefined): DocumentRecord[] {
  if (pages === undefined) return [...records];
  const dropped = new Set(records.flatMap((record) => (record.kind === 'page' && !pages.includes(record.id) ? [record.id] : [])));
  const frames = records.flatMap((record) => (record.kind === 'frame' && dropped.has(record.on) ? [record] : []));
  const gone = new Set(frames.flatMap((frame) => [frame.id, textIn(frame) ?? frame.id]));
  return records.filter(({ id }) => !dropped.has(id) && !gone.has(id));
}

/** Running text takes the whole type area of left and right pages. */
function flowArea(format: FormatRecord, text: MasterRecord): DocumentRecord[] {
  return (['left', 'right'] as const).map((side, i): DocumentRecord => {
    const grid = pageGrid(format, text, side);
    return {
      id: `flow-${side}`,
      kind: 'frame',
      on: text.id,
      side,
      box: stretchBox(grid, { columns: [1, text.columns], lines: [1, grid.lines] }),
      order: `a${4 + i}`,
      content: {
        type: 'slot',
        takes: 'flow',
        set: 'flow',
        name: 'Flow area',
        order: `a${i}`,
        layout: textLayout({ columns: Math.max(1, Math.floor(text.columns / text.textSpan)), gutter: text.gutter }),
      },
      wrap: NO_WRAP,
    };
  });
}

type Colours = PaletteRecord['colours'];

/** On white paper. */
const palette = (ink: Cmyk, accent1: Cmyk, accent2: Cmyk, tint: Cmyk): Colours => ({
  ink,
  paper: [0, 0, 0, 0],
  accent1,
  accent2,
  tint,
});

/** Three palettes for each kind to begin with. Body text prints in black alone in each: four inks never meet so finely. */
/** What each kind is usually printed on (common practice). */
const PAPER_OF: Readonly<Record<PublicationKind, Paper>> = {
  magazine: 'coated',
  newsletter: 'uncoated',
  newspaper: 'newsprint',
};

const PALETTES: Readonly<Record<PublicationKind, readonly (readonly [string, Colours])[]>> = {
  magazine: [
    [
      'Harbour blue',
      {
        ink: [0, 0, 0, 1],
        paper: [0, 0, 0, 0],
        accent1: [0.9, 0.45, 0.1, 0.15],
        accent2: [0.05, 0.75, 0.85, 0],
        tint: [0.1, 0.03, 0.02, 0],
      },
    ],
    [
      'Kiln',
      {
        ink: [0, 0, 0, 1],
        paper: [0, 0, 0, 0],
        accent1: [0.1, 0.85, 0.9, 0.1],
        accent2: [0.7, 0.3, 0.4, 0.2],
        tint: [0.02, 0.06, 0.1, 0],
      },
    ],
    [
      'Moss',
      {
        ink: [0, 0, 0, 1],
        paper: [0, 0, 0, 0],
        accent1: [0.7, 0.25, 0.8, 0.25],
        accent2: [0.05, 0.45, 0.9, 0.05],
        tint: [0.06, 0.01, 0.1, 0],
      },
    ],
  ],
  newsletter: [
    ['Slate and rust', palette([0, 0, 0, 1], [0.75, 0.35, 0.25, 0.25], [0.1, 0.7, 0.85, 0.1], [0.08, 0.03, 0.03, 0.02])],
    ['Bottle green', palette([0, 0, 0, 1], [0.85, 0.3, 0.7, 0.3], [0.05, 0.35, 0.9, 0.05], [0.08, 0, 0.1, 0])],
    ['Heather', palette([0, 0, 0, 1], [0.45, 0.65, 0.15, 0.2], [0.6, 0.15, 0.35, 0.1], [0.03, 0.07, 0.01, 0])],
  ],
  newspaper: [
    ['Black and vermilion', palette([0, 0, 0, 1], [0.05, 0.85, 0.85, 0.05], [0.6, 0.35, 0.2, 0.3], [0, 0, 0.02, 0.08])],
    ['Harbour', palette([0, 0, 0, 1], [0.95, 0.6, 0.1, 0.2], [0.1, 0.6, 0.75, 0.05], [0.08, 0.03, 0, 0.03])],
    ['Peat', palette([0, 0, 0, 1], [0.3, 0.6, 0.7, 0.4], [0.55, 0.25, 0.45, 0.2], [0.02, 0.04, 0.08, 0.02])],
  ],
};

const NAMES: Readonly<Record<Role, string>> = {
  ink: 'Ink',
  paper: 'Paper',
  accent1: 'Accent 1',
  accent2: 'Accent 2',
  tint: 'Tint',
};

function swatches(kind: PublicationKind, inUse: number): DocumentRecord[] {
  const colours = (PALETTES[kind][inUse] ?? PALETTES[kind][0]!)[1];
  return [
    ...ROLES.map((role): DocumentRecord => ({ id: role, kind: 'swatch', name: NAMES[role], cmyk: colours[role], role })),
    ...PALETTES[kind].map(([name, own], i): DocumentRecord => ({ id: `palette-${i + 1}`, kind: 'palette', name, colours: own })),
  ];
}

/** Above and below a pull quote. */
const QUOTE_RULE = { weight: 1.5, swatch: 'accent1', tint: 1, width: 'column', leftIndent: 0, rightIndent: 0 } as const;

/** Looks to begin with: of a box beside a story, of a picture with a fine edge, and of a plate for words on a picture. */
function finishes(): DocumentRecord[] {
  const wrap = { mode: 'frame', standOff: mm(4) } as const;
  const finish = (id: string, name: string, look: FinishLook): DocumentRecord => ({
    id,
    kind: 'finish',
    name,
    order: ORDERS[id]!,
    look,
  });
  return [
    finish(BOX_OUT, 'Box-out', {
      shape: { type: 'rectangle' },
      fill: { swatch: 'tint', tint: 1 },
      border: { swatch: 'accent1', tint: 1, weight: 1, align: 'inside' },
      inset: mm(3),
      wrap,
    }),
    finish('hairline', 'Hairline', { border: { swatch: 'ink', tint: 0.6, weight: 0.25, align: 'inside' }, wrap }),
    finish('plate', 'Plate', {
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

/** Their places among the finishes. */
const ORDERS: Readonly<Record<string, string>> = { [BOX_OUT]: 'a0', hairline: 'a1', plate: 'a2' };

/** Names and colours of the palettes of a kind, for choosing one. */
export const palettesOf = (kind: PublicationKind): readonly (readonly [string, PaletteRecord['colours']])[] => PALETTES[kind];

function styles(kind: PublicationKind, size: number, leading: number): DocumentRecord[] {
  const still = { hyphens: false, align: 'left', firstIndent: 0 } as const;
  const style = (id: string, name: string, properties: Partial<ParagraphProperties>, basedOn?: string): DocumentRecord => ({
    id,
    kind: 'paragraphStyle',
    name,
    ...(basedOn ? { basedOn } : {}),
    properties,
  });
  const emphasis: CharacterStyleRecord = {
    id: 'smallCaps',
    kind: 'characterStyle',
    name: 'Small capitals',
    properties: { letterCase: 'smallCapitals', tracking: 30 },
  };
  const mark: CharacterStyleRecord = {
    id: 'quoteMark',
    kind: 'characterStyle',
    name: 'Quotation mark, large',
    properties: { swatch: 'accent1', weight: 900, italic: false },
  };
  const display = { ...still, family: SERIF, onGrid: false, keepTogether: true } as const;
  const small = { ...still, family: SANS, onGrid: false } as const;
  return [
    emphasis,
    mark,
    style('body', 'Body', {
      family: SERIF,
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
    style('list', 'List', { firstIndent: 0, align: 'left' }, 'body'),
    style('quotation', 'Quotation', { leftIndent: leading, firstIndent: 0, italic: true }, 'body'),
    style('crosshead', 'Crosshead', {
      ...still,
      family: SANS,
      weight: 700,
      size: size - 0.3,
      leading,
      spaceBefore: leading,
      keepNext: 2,
    }),
    style('headline', 'Headline', { ...display, weight: 700, size: 3.4 * size, leading: 3.6 * size, tracking: -10 }),
    style('standfirst', 'Standfirst', { ...display, italic: true, size: 1.5 * size, leading: 1.9 * size }),
    style('byline', 'Byline', { ...small, weight: 600, size: size - 1, leading: size + 2, swatch: 'accent1' }),
    style('caption', 'Caption', { ...small, size: size - 2, leading: size + 0.5 }),
    style('credit', 'Credit', { ...small, size: size - 3.5, leading: size - 1.5, letterCase: 'upper', tracking: 40 }),
    style('pullQuote', 'Pull quote', { ...display, italic: true, size: 1.7 * size, leading: 2 * size, swatch: 'accent1' }),
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
      { ...small, weight: 600, size: 1.45 * size, leading: 1.8 * size },
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
      family: kind === 'newsletter' ? SANS : SERIF,
      weight: kind === 'magazine' ? 900 : kind === 'newsletter' ? 800 : 700,
      size: 60,
      leading: 60,
      onGrid: false,
      tracking: kind === 'newsletter' ? -20 : -15,
      swatch: kind === 'magazine' ? 'accent1' : 'ink',
      // A short name stands in the middle of a newspaper's front page; elsewhere it begins where the text does.
      ...(kind === 'newspaper' ? { align: 'centre' } : {}),
    }),
    style('issueLine', 'Issue line', {
      ...small,
      weight: 600,
      size: 8.5,
      leading: 11,
      align: kind === 'magazine' ? 'left' : 'centre',
    }),
    style('contents', 'Contents', {
      ...still,
      family: SERIF,
      size: size + 1,
      leading: 1.5 * leading,
      tabs: [{ at: 2.2 * leading, align: 'left' }],
      leftIndent: 2.2 * leading,
      firstIndent: -2.2 * leading,
      onGrid: false,
    }),
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

/** Folios below the type area, outside; above it the publication's name on the left and the issue on the right. */
function furniture(format: FormatRecord, master: MasterRecord): DocumentRecord[] {
  const places = (['folio', 'runningHead'] as const).flatMap((what) =>
    (['left', 'right'] as const).map((side) => [what, side] as const),
  );
  return places.flatMap(([what, side], i): DocumentRecord[] => {
    const { box, paragraph } = marginText(format, master, side, what);
    const id = `${what === 'folio' ? 'folio' : 'head'}-${side}`;
    return [
      { id: `${id}-text`, kind: 'text', role: 'furniture', body: docOf([paragraph]) },
      { id, kind: 'frame', on: master.id, side, box, order: `a${i}`, content: growingText(`${id}-text`), wrap: NO_WRAP },
    ];
  });
}
