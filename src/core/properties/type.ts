import type { CharacterProperties, Highlight, Stroke } from '../records/characterStyle';
import type {
  DropCap,
  HyphenLimits,
  LeadIn,
  ParagraphProperties,
  ParagraphRule,
  Range,
  TabStop,
} from '../records/paragraphStyle';
import { choice, type NumberKind, percent, points, type Property, type TableOf, TICK, whole } from './property';

/** Lengths within what a page could ever need, points. */
const ANY = points(-20_000, 20_000);
const SIZE = points(0, 20_000);
const SHARE = percent(0, 1);

const swatch: Property = { label: 'Colour', kind: { type: 'pick', of: 'swatch' } };
const tint: Property = { label: 'Tint', kind: SHARE };
const stroke: TableOf<Stroke> = { weight: { label: 'Weight', kind: SIZE }, swatch, tint };

/** A character style may be left unsaid. */
const characterStyle = (label: string): Property => ({
  label,
  kind: { type: 'pick', of: 'characterStyle', none: { value: undefined, name: 'As the paragraph' } },
  optional: true,
  wide: true,
});

/** A length, or what the face itself says. */
const byFace = (label: string, help: string): Property => ({
  label,
  group: 'Lines and highlight',
  kind: { type: 'either', of: [{ value: 'face', name: 'The face’s own' }], or: points(0, 720), usual: 1 },
  help,
});

const highlight: TableOf<Highlight> = { swatch, tint, around: { label: 'Extends by', kind: points(0, 720) } };

/** What letters look like. */
export const CHARACTER: TableOf<CharacterProperties> = {
  family: { label: 'Family', group: 'Letters', kind: { type: 'pick', of: 'family' } },
  weight: { label: 'Weight', group: 'Letters', kind: { type: 'pick', of: 'weight' } },
  size: { label: 'Size', group: 'Letters', kind: points(1, 2000) },
  tracking: {
    label: 'Tracking',
    group: 'Letters',
    kind: { type: 'number', least: -500, most: 2000 },
    help: 'Thousandths of an em added after every letter.',
  },
  letterCase: {
    label: 'Case',
    group: 'Letters',
    kind: choice({
      typed: 'As typed',
      upper: 'Capitals',
      lower: 'Lower case',
      smallCapitals: 'Small capitals',
      allSmallCapitals: 'All small capitals',
    }),
  },
  swatch: { ...swatch, group: 'Letters' },
  tint: { ...tint, group: 'Letters' },
  italic: { label: 'Italic', group: 'Letters', kind: TICK },
  underline: { label: 'Underline', group: 'Letters', kind: TICK },
  strike: { label: 'Strike through', group: 'Letters', kind: TICK },
  figures: {
    label: 'Figures',
    group: 'Figures and features',
    kind: choice({ usual: 'The face’s own', lining: 'Lining', oldStyle: 'Old style' }),
  },
  figureWidth: {
    label: 'Figure width',
    group: 'Figures and features',
    kind: choice({ usual: 'The face’s own', proportional: 'Proportional', tabular: 'Tabular' }),
  },
  position: {
    label: 'Position',
    group: 'Figures and features',
    kind: choice({ normal: 'On the baseline', superscript: 'Superscript', subscript: 'Subscript' }),
  },
  rise: { label: 'Baseline shift', group: 'Figures and features', kind: ANY },
  features: {
    label: 'OpenType features',
    group: 'Figures and features',
    kind: { type: 'features', most: 20 },
    help: 'Tags of four characters, with spaces between; a hyphen before one switches it off.',
    wide: true,
  },
  kerning: { label: 'Kerning', group: 'Figures and features', kind: TICK },
  language: {
    label: 'Language',
    group: 'Figures and features',
    kind: { type: 'pick', of: 'language', none: { value: '', name: 'The issue’s' } },
    wide: true,
  },
  lineWeight: byFace('Line thickness', 'Of underlines, and of lines that strike letters through.'),
  underlineOffset: byFace('Underline depth', 'From the baseline to the middle of the line.'),
  strikeOffset: byFace('Strike height', 'From the baseline to the middle of the line.'),
  highlight: {
    label: 'Highlight',
    group: 'Lines and highlight',
    kind: { type: 'part', none: true, usual: { swatch: 'tint', tint: 1, around: 1 }, fields: highlight },
    help: 'Colour behind the letters and the spaces between them.',
  },
  gradient: {
    label: 'Gradient',
    group: 'Gradient and outline',
    kind: {
      type: 'part',
      none: true,
      usual: { swatch: 'accent1', tint: 1, way: 'down' },
      fields: {
        swatch: { ...swatch, label: 'End colour' },
        tint,
        way: { label: 'Direction', kind: choice({ down: 'Downwards', right: 'Along the line' }), wide: true },
      },
    },
    help: 'The letters’ colour runs into a second one.',
  },
  letterOutline: {
    label: 'Outline',
    group: 'Gradient and outline',
    kind: { type: 'part', none: true, usual: { weight: 0.5, swatch: 'ink', tint: 1 }, fields: stroke },
    help: 'A line around every letter, so that it reads on a picture.',
  },
};

const rule = (label: string): Property => {
  const fields: TableOf<ParagraphRule> = {
    ...stroke,
    offset: { label: 'Offset', kind: ANY, help: 'From the baseline to the nearer edge of the rule.' },
    width: { label: 'Width', kind: choice({ column: 'The column', text: 'The text' }), wide: true },
    leftIndent: { label: 'Left indent', kind: ANY },
    rightIndent: { label: 'Right indent', kind: ANY },
  };
  const usual = { weight: 0.5, swatch: 'ink', tint: 1, offset: 3, width: 'column', leftIndent: 0, rightIndent: 0 };
  return { label, group: 'Rules', kind: { type: 'part', none: true, usual, fields } };
};

/** What may give in a justified line: least, best, most, in that order. */
const range = (label: string, kind: NumberKind, help: string): Property => {
  const fields: TableOf<Range> = {
    least: { label: 'Least', kind },
    best: { label: 'Best', kind },
    most: { label: 'Most', kind },
  };
  const check = ({ least, best, most }: Readonly<Record<string, unknown>>) =>
    (least as number) > (best as number) || (best as number) > (most as number)
      ? 'The least cannot be more than the best, nor the best more than the most.'
      : undefined;
  return { label, group: 'Justification', help, kind: { type: 'part', fields, check } };
};

const hyphenLimits: TableOf<HyphenLimits> = {
  word: { label: 'Shortest word', kind: whole(2, 40) },
  consecutive: { label: 'In a row', kind: whole(1, 100) },
  before: { label: 'Letters before', kind: whole(1, 20) },
  after: { label: 'Letters after', kind: whole(1, 20) },
  lastWord: { label: 'The last word of a paragraph', kind: TICK },
  acrossColumns: { label: 'Across the end of a column', kind: TICK },
  capitals: { label: 'Words with a capital', kind: TICK },
};

const dropCap: TableOf<DropCap> = {
  lines: { label: 'Lines', kind: whole(2, 20) },
  letters: { label: 'Letters', kind: whole(1, 40) },
  gap: { label: 'Gap', kind: ANY },
  style: characterStyle('Style'),
};

const leadIn: TableOf<LeadIn> = {
  extent: {
    label: 'Extent',
    kind: { type: 'either', of: [{ value: 'line', name: 'The first line' }], or: { ...whole(1, 200), unit: 'words' }, usual: 3 },
    wide: true,
  },
  style: { label: 'Style', kind: { type: 'pick', of: 'characterStyle' }, wide: true },
};

const tab: TableOf<TabStop> = {
  at: { label: 'At', kind: SIZE },
  align: { label: 'Alignment', kind: choice({ left: 'Left', centre: 'Centre', right: 'Right', decimal: 'Decimal' }) },
  leader: { label: 'Leader', kind: { type: 'words', most: 8 }, optional: true },
};

const { family, weight, size, ...letters } = CHARACTER;

/** What a paragraph is like; the letters first, with the leading beside their size. */
export const PARAGRAPH: TableOf<ParagraphProperties> = {
  family,
  weight,
  size,
  leading: { label: 'Leading', group: 'Letters', kind: points(1, 4000) },
  ...letters,
  align: {
    label: 'Alignment',
    group: 'Paragraph',
    kind: choice({
      justify: 'Justified',
      left: 'Left',
      centre: 'Centred',
      right: 'Right',
      towardsSpine: 'Towards the spine',
      awayFromSpine: 'Away from the spine',
    }),
  },
  spaceBefore: { label: 'Space before', group: 'Paragraph', kind: SIZE },
  spaceAfter: { label: 'Space after', group: 'Paragraph', kind: SIZE },
  firstIndent: { label: 'First-line indent', group: 'Paragraph', kind: ANY },
  leftIndent: { label: 'Left indent', group: 'Paragraph', kind: SIZE },
  rightIndent: { label: 'Right indent', group: 'Paragraph', kind: SIZE },
  onGrid: { label: 'On the baseline grid', group: 'Paragraph', kind: TICK },
  spans: { label: 'Across all columns', group: 'Paragraph', kind: TICK },
  hyphens: { label: 'Hyphenate', group: 'Hyphenation', kind: TICK },
  hyphenLimits: { label: 'Limits', group: 'Hyphenation', kind: { type: 'part', fields: hyphenLimits } },
  lastLine: {
    label: 'Last line',
    group: 'Justification',
    kind: choice({ left: 'Left', centre: 'Centred', right: 'Right', justify: 'Justified' }),
  },
  breaking: {
    label: 'Line breaking',
    group: 'Justification',
    kind: choice({ 'total-fit': 'Whole paragraph', 'first-fit': 'Line by line' }),
  },
  looseness: {
    label: 'Lines more or fewer',
    group: 'Justification',
    kind: whole(-10, 10),
    help: 'Aims for this many lines more or fewer than the best number.',
  },
  rag: {
    label: 'Rag',
    group: 'Justification',
    kind: { type: 'number', least: 0.1, most: 50, unit: 'em' },
    help: 'How far ragged lines may fall short before it counts as bad.',
  },
  hanging: {
    label: 'Hanging punctuation',
    group: 'Justification',
    kind: percent(0, 2),
    help: 'Share of the usual amount by which hyphens and punctuation hang over the edges.',
    wide: true,
  },
  wordSpace: range('Word space', percent(0.1, 5), 'Shares of the face’s own word space.'),
  letterSpace: range('Letter space', percent(-0.5, 1), 'Shares of an em.'),
  glyphScale: range('Letter width', percent(0.5, 2), 'Shares of the letters’ own width.'),
  widows: { label: 'Widow lines', group: 'Keeps', kind: whole(1, 20), help: 'Fewest lines at the head of a column.' },
  orphans: { label: 'Orphan lines', group: 'Keeps', kind: whole(1, 20), help: 'Fewest lines at the foot of a column.' },
  keepNext: {
    label: 'Keep with next',
    group: 'Keeps',
    kind: { ...whole(0, 20), unit: 'lines' },
    help: 'Lines of the next paragraph that stand under this one in the same column.',
  },
  startIn: {
    label: 'Start in',
    group: 'Keeps',
    kind: {
      type: 'choice',
      of: [
        { value: null, name: 'Anywhere' },
        { value: 'column', name: 'The next column' },
        { value: 'frame', name: 'The next frame' },
        { value: 'page', name: 'The next page' },
        { value: 'oddPage', name: 'The next right-hand page' },
      ],
    },
  },
  keepTogether: { label: 'Keep lines together', group: 'Keeps', kind: TICK },
  dropCap: {
    label: 'Drop cap',
    group: 'Beginning and end',
    kind: { type: 'part', none: true, usual: { lines: 3, letters: 1, gap: 2 }, fields: dropCap },
  },
  leadIn: {
    label: 'Lead-in',
    group: 'Beginning and end',
    kind: { type: 'part', none: true, usual: { extent: 'line', style: '' }, fields: leadIn },
    help: 'The first words, or the first line, in a character style.',
  },
  endMark: {
    label: 'End mark',
    group: 'Beginning and end',
    kind: {
      type: 'part',
      none: true,
      usual: { text: '■' },
      fields: { text: { label: 'Mark', kind: { type: 'words', most: 20 } }, style: characterStyle('Style') },
    },
    help: 'Set behind the last word of a story.',
  },
  bullet: { label: 'Bullet', group: 'Tabs and lists', kind: { type: 'words', most: 8 } },
  numbering: {
    label: 'Numbering',
    group: 'Tabs and lists',
    kind: choice({ '1': '1, 2, 3', a: 'a, b, c', A: 'A, B, C', i: 'i, ii, iii', I: 'I, II, III' }),
  },
  tabs: {
    label: 'Tabs',
    group: 'Tabs and lists',
    kind: { type: 'list', most: 40, item: 'tab', usual: { at: 36, align: 'left' }, fields: tab },
  },
  ruleAbove: rule('Rule above'),
  ruleBelow: rule('Rule below'),
  panel: {
    label: 'Panel',
    group: 'Panel',
    kind: {
      type: 'part',
      none: true,
      usual: { swatch: 'tint', tint: 1, width: 'column', beside: 4, above: 3 },
      fields: {
        swatch,
        tint,
        width: { label: 'Width', kind: choice({ column: 'The column', text: 'The text' }), wide: true },
        beside: { label: 'Beside the text', kind: ANY },
        above: { label: 'Above and below', kind: ANY },
      },
    },
    help: 'Colour behind the paragraph; paragraphs in a row with the same panel share it.',
  },
};

/** The headings that are unfolded from the first. */
export const USUAL_GROUPS: readonly string[] = ['Letters', 'Paragraph'];
