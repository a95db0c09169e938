import { choice, percent, points, type TableOf, TICK, whole } from './property';

/** What a publication is made for. */
export const PAPERS = ['coated', 'uncoated', 'newsprint', 'screen'] as const;
export type Paper = (typeof PAPERS)[number];

/** What is asked of an issue before it goes out. Lengths in points, shares as shares. */
export interface PrintLimits {
  readonly paper: Paper;
  /** Everything is printed in inks: what is in light is converted, and said to be. */
  readonly inks: boolean;
  /** Pixels to the inch of pictures: what is good, and what is the least that will do. */
  readonly goodPpi: number;
  readonly leastPpi: number;
  /** How large a picture may be shown, as a share of the size at which it has the resolution wanted. */
  readonly enlargement: number;
  /** All inks on one place together, as a share: 3 is 300 %. */
  readonly coverage: number;
  readonly thinnest: number;
  readonly smallest: number;
  /** Of letters in more than two inks, and of black ones in several. */
  readonly smallestInked: number;
  /** Words from which a story has a byline, and an end mark; 0 asks for none. */
  readonly byline: number;
  readonly endMark: number;
}

const PAPER_NAMES: Readonly<Record<Paper, string>> = {
  coated: 'Coated paper',
  uncoated: 'Uncoated paper',
  newsprint: 'Newsprint',
  screen: 'Screens only',
};

export const paperWords = (paper: Paper): string => PAPER_NAMES[paper];

const ppi = (label: string, help: string) =>
  ({ label, group: 'Pictures', kind: { ...whole(1, 5000), unit: 'ppi' }, help }) as const;

export const PRINT: TableOf<PrintLimits> = {
  paper: {
    label: 'Printed on',
    kind: choice(PAPER_NAMES),
    help: 'Choosing a paper sets the limits below to what is usual for it.',
  },
  inks: { label: 'Printed in inks', kind: TICK, help: 'RGB colours are converted, and Checks says so.' },
  goodPpi: ppi('Good resolution', 'Pictures of this resolution lose nothing.'),
  leastPpi: ppi('Least resolution', 'Pictures below this look coarse.'),
  enlargement: {
    label: 'Largest enlargement',
    group: 'Pictures',
    kind: percent(0.01, 100),
    help: 'Relative to the size at which a picture has the good resolution.',
  },
  coverage: {
    label: 'Most ink coverage',
    group: 'Inks',
    kind: percent(0.5, 4),
    help: 'All four inks together in one place. More than this dries too slowly, and marks the sheet above.',
  },
  thinnest: { label: 'Thinnest line', group: 'Lines and type', kind: points(0, 20) },
  smallest: { label: 'Smallest type', group: 'Lines and type', kind: points(0, 100) },
  smallestInked: {
    label: 'Smallest type in several inks',
    group: 'Lines and type',
    kind: points(0, 100),
    help: 'Smaller letters in more than two inks blur where the inks do not meet exactly.',
  },
  byline: { label: 'Byline from', group: 'Stories', kind: { ...whole(0, 1_000_000), unit: 'words' }, help: '0 asks for none.' },
  endMark: {
    label: 'End mark from',
    group: 'Stories',
    kind: { ...whole(0, 1_000_000), unit: 'words' },
    help: '0 asks for none.',
  },
};

const PRESS = { inks: true, enlargement: 1, thinnest: 0.25, smallest: 5, smallestInked: 9, byline: 0, endMark: 0 } as const;

/**
 * What is usual for each. Ink coverage: ISO 12647-2 allows up to 350 % on coated sheets and 300 % on uncoated ones, ISO 12647-3
 * 240 % on newsprint (the figures from memory); 330 % on coated sheets is common practice. Resolution, thinnest line and
 * smallest type: common practice.
 */
export const USUAL_LIMITS: Readonly<Record<Paper, PrintLimits>> = {
  coated: { ...PRESS, paper: 'coated', goodPpi: 300, leastPpi: 200, coverage: 3.3 },
  uncoated: { ...PRESS, paper: 'uncoated', goodPpi: 300, leastPpi: 200, coverage: 3 },
  newsprint: { ...PRESS, paper: 'newsprint', goodPpi: 200, leastPpi: 150, coverage: 2.4, thinnest: 0.35, smallest: 6 },
  screen: { ...PRESS, paper: 'screen', inks: false, goodPpi: 150, leastPpi: 100, coverage: 4, thinnest: 0.25, smallest: 6 },
};

/** Why limits make no sense together; undefined where they do. */
export function limitsProblem({ goodPpi, leastPpi, smallest, smallestInked }: PrintLimits): string | undefined {
  if (leastPpi > goodPpi) return 'The least resolution cannot be above the good one.';
  if (smallest > smallestInked) return 'Type in several inks cannot be allowed smaller than all other type.';
  return undefined;
}
