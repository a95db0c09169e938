import { millimetres, points, type Table, whole } from './property';

/** What the paper of a publication and the grid on it are said with. */

/** Half an inch is the least that a machine can trim; a wide press prints ten thousand points. */
const SIDE = millimetres(36, 10_000);
const SIZE = millimetres(0, 20_000);

export const PAPER = {
  width: { label: 'Page width', kind: SIDE },
  height: { label: 'Page height', kind: SIDE },
  bleed: { label: 'Bleed', kind: millimetres(0, 144), help: 'How far pictures and colour reach beyond the trim.' },
  safe: { label: 'Safe area', kind: SIZE, help: 'How far from the trim anything should stay that must not be cut.' },
} satisfies Table;

export const BASELINE = {
  step: { label: 'Baseline increment', kind: points(2, 400) },
  offset: { label: 'First baseline', kind: points(-20_000, 20_000), help: 'Below the top of the type area.' },
} satisfies Table;

/** @param facing inner and outer mirror on left pages; otherwise they are left and right */
export const margins = (facing: boolean) =>
  ({
    inner: { label: facing ? 'Inner margin' : 'Left margin', kind: SIZE },
    outer: { label: facing ? 'Outer margin' : 'Right margin', kind: SIZE },
    top: { label: 'Top margin', kind: SIZE },
    bottom: { label: 'Bottom margin', kind: SIZE },
  }) satisfies Table;

export const COLUMNS = {
  columns: { label: 'Columns', kind: whole(1, 40) },
  gutter: { label: 'Gutter', kind: SIZE },
  textSpan: {
    label: 'Grid columns to a text column',
    kind: whole(1, 40),
    wide: true,
    help: 'Two of six, say, make three columns of text.',
  },
} satisfies Table;

export const ROWS = {
  count: { label: 'Rows', kind: whole(1, 100) },
  gutterLines: { label: 'Lines between rows', kind: whole(0, 20) },
} satisfies Table;

const PLACE_AT = millimetres(-20_000, 20_000);

/** Where something lies on its page. */
export const PLACE = {
  x: { label: 'From left', kind: PLACE_AT },
  y: { label: 'From top', kind: PLACE_AT },
  w: { label: 'Width', kind: SIZE },
  h: { label: 'Height', kind: SIZE },
} satisfies Table;
