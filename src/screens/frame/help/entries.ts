/** What a field means, as it is told at the field. */
export interface HelpEntry {
  /** One sentence or two: what it does. */
  readonly means: string;
  /** What the trade usually does; from memory, and a beginning, not a rule. */
  readonly practice: string;
  /** Which drawing shows it. */
  readonly drawing: Drawing;
}

/** The drawings, by what they show. */
export type Drawing =
  | 'columns'
  | 'baselines'
  | 'margins'
  | 'bleed'
  | 'wrap'
  | 'inset'
  | 'leading'
  | 'tracking'
  | 'indent'
  | 'space'
  | 'dropCap'
  | 'hyphens'
  | 'alignment'
  | 'balance'
  | 'widow'
  | 'keep'
  | 'hanging'
  | 'zoom'
  | 'opacity'
  | 'ink'
  | 'resolution';

/** By the words at the field. */
export const HELP: Readonly<Record<string, HelpEntry>> = {
  Columns: {
    means: 'How many columns the page is cut into. Frames stand on them, and text runs over one or more of them.',
    practice: 'Six to a magazine page give two, three or six columns of text; a newsletter does well with three.',
    drawing: 'columns',
  },
  Gutter: {
    means: 'The white between two columns.',
    practice: 'About the size of a line, 4 to 6 mm. Under 5 mm, where words stand wide apart, the eye jumps across.',
    drawing: 'columns',
  },
  'Grid columns to a text column': {
    means: 'How many columns of the grid one column of text takes when a story is laid on the page.',
    practice: 'A line of 35 to 65 letters reads well. Count the letters of one, and take as many grid columns as it needs.',
    drawing: 'columns',
  },
  'Baseline increment': {
    means:
      'The distance from one line of the grid to the next. Running text stands on these lines, so lines in columns side by side agree.',
    practice: 'The leading of the running text: 12 to 13 pt for a body of 9 to 10 pt.',
    drawing: 'baselines',
  },
  'First baseline': {
    means: 'Where the first line of text stands: how far it lies below the top.',
    practice: 'Let capitals reach the top of the area, and let the rest follow the grid.',
    drawing: 'baselines',
  },
  'On the baseline grid': {
    means: 'Each line is moved to the next line of the grid.',
    practice: 'On for running text. Off for heads, captions and tables, which have a leading of their own.',
    drawing: 'baselines',
  },
  'Inner margin': {
    means: 'The white at the spine. It is hidden where pages are bound, and bends where they are stitched.',
    practice: '10 to 14 mm for stitched work; more for thick glued work, which does not open flat.',
    drawing: 'margins',
  },
  'Outer margin': {
    means: 'The white at the edge where a hand holds the page.',
    practice: 'Half as much again as the inner margin, so that thumbs cover no text.',
    drawing: 'margins',
  },
  'Top margin': {
    means: 'The white above the type area. A running head stands in it.',
    practice: '15 to 20 mm; enough for a running head with a line of white below it.',
    drawing: 'margins',
  },
  'Bottom margin': {
    means: 'The white below the type area. The folio stands in it.',
    practice: 'The largest of the four, so that the page does not seem to sink.',
    drawing: 'margins',
  },
  Bleed: {
    means: 'How far a picture at the edge goes on beyond the trim, so that no white shows if the knife is a little off.',
    practice: '3 mm on each side; some newspaper presses print none.',
    drawing: 'bleed',
  },
  'Safe area': {
    means: 'How far inside the trim words must stay. What lies nearer may be cut.',
    practice: '5 mm; more at the spine of glued work.',
    drawing: 'bleed',
  },
  'Text wrap': {
    means: 'How text of other frames runs around this one: around its box, along its outline, or not at all.',
    practice: 'Around the box in columns; along the outline for a cut-out, where a few words stand on each side.',
    drawing: 'wrap',
  },
  'Stand-off': {
    means: 'The white that text keeps from this frame.',
    practice: 'The gutter, or a little less: 3 to 5 mm. Beside an outline, a little more.',
    drawing: 'wrap',
  },
  Inset: {
    means: 'The white between the edge of the frame and the text in it.',
    practice: '3 to 4 mm on a tint or in a border; none where the frame cannot be seen.',
    drawing: 'inset',
  },
  Size: {
    means: 'The size of the letters, from the top of the tallest to the foot of the deepest, about.',
    practice: '9 to 10.5 pt for running text, 7 to 8 pt for captions; headlines from 24 pt.',
    drawing: 'leading',
  },
  Leading: {
    means: 'The distance from one line of letters to the next.',
    practice: 'A fifth to a third more than the size: 12.5 pt for letters of 9.5 pt. Long lines want more.',
    drawing: 'leading',
  },
  Tracking: {
    means: 'White put between all letters, or taken out, in thousandths of their size.',
    practice: 'None for running text. A little out of large heads, a good deal into small capitals.',
    drawing: 'tracking',
  },
  'First-line indent': {
    means: 'How far the first line of a paragraph begins to the right of the others.',
    practice: 'As much as the leading. None for the first paragraph of a story, or below a head.',
    drawing: 'indent',
  },
  'Left indent': {
    means: 'How far the whole paragraph stands in from the left.',
    practice: 'As much as the first-line indent of the text about it.',
    drawing: 'indent',
  },
  'Right indent': {
    means: 'How far the whole paragraph stands in from the right.',
    practice: 'None, but for quotations set in at both sides.',
    drawing: 'indent',
  },
  'Space before': {
    means: 'White above the paragraph. At the head of a column it is left out.',
    practice: 'A line above a crosshead, none between paragraphs that are indented.',
    drawing: 'space',
  },
  'Space after': {
    means: 'White below the paragraph.',
    practice: 'Above or below, not both, so that heads stand nearer to what they are above.',
    drawing: 'space',
  },
  'Drop cap': {
    means: 'The first letters of the paragraph are set over several lines.',
    practice: 'Two or three lines, once at the start of a story; its foot stands on a line of the text.',
    drawing: 'dropCap',
  },
  Hyphenate: {
    means: 'Words may be parted at the end of a line, where their language parts them.',
    practice: 'On where text is justified. Off for heads, captions and short ragged lines.',
    drawing: 'hyphens',
  },
  'In a row': {
    means: 'How many lines one after another may end with a hyphen.',
    practice: 'Two; three in narrow columns.',
    drawing: 'hyphens',
  },
  Alignment: {
    means: 'Where lines stand in their column: at the left, in the middle, at the right, or from edge to edge.',
    practice: 'Justified for running text of 40 letters or more to a line; left where lines are shorter.',
    drawing: 'alignment',
  },
  'Balance columns': {
    means: 'All columns of the frame end at one height, as nearly as their lines allow.',
    practice: 'On for the last frame of a story, with something below it.',
    drawing: 'balance',
  },
  'Widow lines': {
    means: 'How many lines of a paragraph must stand together at the head of a column.',
    practice: 'Two. A lone last line at the head of a column is the worse of the two.',
    drawing: 'widow',
  },
  'Orphan lines': {
    means: 'How many lines of a paragraph must stand together at the foot of a column.',
    practice: 'Two.',
    drawing: 'widow',
  },
  'Keep with next': {
    means: 'How many lines of what follows must stand below this paragraph in the same column.',
    practice: 'Two for crossheads; none for running text.',
    drawing: 'keep',
  },
  'Hanging punctuation': {
    means: 'How far stops and hyphens stand out over the edge, so that it looks straighter.',
    practice: 'Half their width, or all of it.',
    drawing: 'hanging',
  },
  Zoom: {
    means: 'How large the picture is shown inside its frame, of the size at which it fills it.',
    practice: 'A face is best when the eyes lie a third of the way down.',
    drawing: 'zoom',
  },
  Opacity: {
    means: 'How much of what lies beneath is hidden.',
    practice: 'A panel under words on a picture needs 60 % or more.',
    drawing: 'opacity',
  },
  'Most ink coverage': {
    means: 'How much ink may lie on one place, all four inks together.',
    practice: '330 % on coated paper, 300 % on uncoated, 240 % on newsprint; the press knows best.',
    drawing: 'ink',
  },
  'Largest enlargement': {
    means: 'How much larger than good for it a picture may be shown.',
    practice: 'None, but for what is meant to look rough.',
    drawing: 'resolution',
  },
};
