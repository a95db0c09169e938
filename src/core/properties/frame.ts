import { sidesOf, type TextAlong, type TextLayout, type Wrap } from '../records/frame';
import { choice, few, millimetres, percent, points, type TableOf, TICK, whole } from './property';

/** Lengths within what a page could ever need. */
const SIZE = millimetres(0, 20_000);
/** A side of a frame keeps at most ten inches free. */
const SIDES = { type: 'sides', of: millimetres(0, 720) } as const;

/** How a text stands in its frame, all of it said. What it refers to is set elsewhere. */
export type LayoutValues = Required<Omit<TextLayout, 'jumpTo' | 'jumpFrom' | 'along'>> & { readonly along: TextAlong | null };

/** What values of a layout change of it. */
export const layoutChange = ({ along, ...layout }: Partial<LayoutValues>): Partial<TextLayout> => ({
  ...layout,
  ...(along === undefined ? {} : { along: along ?? undefined }),
  // One line along an edge has no height to grow to.
  ...(along ? { grows: false } : {}),
});

export const layoutValues = (layout: TextLayout): LayoutValues => ({
  ...layout,
  spreadMost: layout.spreadMost ?? 12,
  balanced: layout.balanced ?? false,
  firstBaseline: layout.firstBaseline ?? 'ascent',
  fitsWidth: layout.fitsWidth ?? false,
  turns: layout.turns ?? 0,
  along: layout.along ?? null,
});

const inColumns = ({ along }: Readonly<Record<string, unknown>>): boolean => along === null || along === undefined;

export const LAYOUT: TableOf<LayoutValues> = {
  columns: { label: 'Columns', group: 'Columns', kind: whole(1, 40), when: (of) => !of['grows'] && inColumns(of) },
  gutter: { label: 'Gutter', group: 'Columns', kind: SIZE, when: (of) => !of['grows'] && inColumns(of) },
  balanced: { label: 'Balance columns', group: 'Columns', kind: TICK, when: ({ columns }) => Number(columns) > 1, wide: true },
  align: {
    label: 'Vertical alignment',
    group: 'Text in its frame',
    kind: few({ top: 'Top', centre: 'Middle', bottom: 'Foot', spread: 'Spread' }),
    when: (of) => !of['grows'] && inColumns(of),
    wide: true,
  },
  spreadMost: {
    label: 'Most between paragraphs',
    group: 'Text in its frame',
    kind: points(0, 20_000),
    when: (of) => of['align'] === 'spread' && !of['grows'] && inColumns(of),
    wide: true,
  },
  firstBaseline: {
    label: 'First baseline',
    group: 'Text in its frame',
    kind: {
      type: 'either',
      of: [
        { value: 'ascent', name: 'By ascent' },
        { value: 'capHeight', name: 'By cap height' },
        { value: 'leading', name: 'By leading' },
      ],
      or: points(0, 20_000),
      usual: 12,
    },
    when: inColumns,
    wide: true,
  },
  inset: { label: 'Inset', group: 'Text in its frame', kind: SIDES, when: inColumns, wide: true },
  turns: {
    label: 'Direction of lines',
    group: 'Text in its frame',
    kind: {
      type: 'choice',
      few: true,
      of: [
        { value: 0, name: 'Across' },
        { value: 3, name: 'Up' },
        { value: 1, name: 'Down' },
        { value: 2, name: 'Upside down' },
      ],
    },
    when: inColumns,
    wide: true,
  },
  along: {
    label: 'Along the edge',
    group: 'Text in its frame',
    help: 'On one line around the frame’s form.',
    kind: {
      type: 'part',
      none: true,
      // Over the top from side to side, whatever the alignment.
      usual: { side: 'outside', from: 0.25, reach: 0.5, gap: 3 },
      fields: {
        side: { label: 'Side', kind: few({ outside: 'Outside', inside: 'Inside' }), wide: true },
        from: { label: 'Begins at', kind: percent(0, 1) },
        reach: { label: 'Length', kind: percent(0.01, 1) },
        gap: { label: 'Gap', kind: millimetres(-720, 720) },
      },
    },
  },
  grows: { label: 'As high as its text', group: 'Text in its frame', kind: TICK, when: inColumns },
  fitsWidth: { label: 'Type as wide as the frame', group: 'Text in its frame', kind: TICK, when: inColumns },
  ignoresWraps: { label: 'Ignore text wraps', group: 'Text in its frame', kind: TICK, when: inColumns },
};

export const wrapValues = (wrap: Wrap): Required<Wrap> => ({ ...wrap, side: wrap.side ?? 'both' });

export const WRAP: TableOf<Required<Wrap>> = {
  mode: {
    label: 'Text wrap',
    kind: few({ none: 'None', frame: 'Frame', outline: 'Outline', clear: 'Clear' }),
    bare: true,
    wide: true,
  },
  outline: { label: 'Along', kind: { type: 'pick', of: 'outline' }, when: ({ mode }) => mode === 'outline', wide: true },
  side: {
    label: 'Wrap on',
    kind: choice({ both: 'Both sides', left: 'The left', right: 'The right', wider: 'The wider side' }),
    when: ({ mode }) => mode === 'frame' || mode === 'outline',
    wide: true,
  },
  standOff: { label: 'Stand-off', kind: SIDES, when: ({ mode }) => mode !== 'none', wide: true },
};

/** The same sides, each by itself or as one. */
export const sidesApart = (lengths: TextLayout['inset'], apart: boolean): TextLayout['inset'] =>
  apart ? sidesOf(lengths) : Math.max(...Object.values(sidesOf(lengths)));
