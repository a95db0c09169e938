import type { Blend } from '../colour/blend';
import { evenPolygon } from '../geometry/polygon';
import type { FrameRecord } from '../records/index';
import { sidesOf, type Shape, type TextLayout, type Wrap } from '../records/frame';
import { choice, few, millimetres, percent, points, type TableOf, TICK, whole } from './property';

/** Lengths within what a page could ever need. */
const ANY = millimetres(-20_000, 20_000);
const SIZE = millimetres(0, 20_000);
/** A side of a frame keeps at most ten inches free. */
const SIDES = { type: 'sides', of: millimetres(0, 720) } as const;

/** How a text stands in its frame, all of it said. What it refers to is set elsewhere. */
export type LayoutValues = Required<Omit<TextLayout, 'jumpTo' | 'jumpFrom'>>;

export const layoutValues = (layout: TextLayout): LayoutValues => ({
  ...layout,
  spreadMost: layout.spreadMost ?? 12,
  balanced: layout.balanced ?? false,
  firstBaseline: layout.firstBaseline ?? 'ascent',
  fitsWidth: layout.fitsWidth ?? false,
  turns: layout.turns ?? 0,
});

export const LAYOUT: TableOf<LayoutValues> = {
  columns: { label: 'Columns', group: 'Columns', kind: whole(1, 40), when: ({ grows }) => !grows },
  gutter: { label: 'Gutter', group: 'Columns', kind: SIZE, when: ({ grows }) => !grows },
  balanced: { label: 'Balance columns', group: 'Columns', kind: TICK, when: ({ columns }) => Number(columns) > 1, wide: true },
  align: {
    label: 'Vertical alignment',
    group: 'Text in its frame',
    kind: few({ top: 'Top', centre: 'Middle', bottom: 'Foot', spread: 'Spread' }),
    when: ({ grows }) => !grows,
    wide: true,
  },
  spreadMost: {
    label: 'Most between paragraphs',
    group: 'Text in its frame',
    kind: points(0, 20_000),
    when: ({ align, grows }) => align === 'spread' && !grows,
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
    wide: true,
  },
  inset: { label: 'Inset', group: 'Text in its frame', kind: SIDES, wide: true },
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
    wide: true,
  },
  grows: { label: 'As high as its text', group: 'Text in its frame', kind: TICK },
  fitsWidth: { label: 'Type as wide as the frame', group: 'Text in its frame', kind: TICK },
  ignoresWraps: { label: 'Ignore text wraps', group: 'Text in its frame', kind: TICK },
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

interface Area {
  readonly swatch: string;
  readonly tint: number;
}

/** What a frame looks like, all of it said: what it does not have is null. */
export interface LookValues {
  readonly form: Shape['type'];
  readonly radius: number;
  readonly corners: number;
  readonly rotation: number;
  readonly opacity: number;
  readonly blend: Blend | 'normal';
  readonly fill: Area | null;
  readonly border: (Area & { readonly weight: number }) | null;
  readonly shadow: NonNullable<FrameRecord['shadow']> | null;
  /** It is a rule: it has no form and no border, and its area is its line. */
  readonly isRule: boolean;
}

/** What a frame looks like, whatever it shows. */
export type Appearance = Pick<FrameRecord, 'shape' | 'rotation' | 'opacity' | 'blend' | 'fill' | 'border' | 'shadow'>;

/** The radius of rounded corners, and the corners of a polygon, to begin with. */
const RADIUS = 8.5;
const CORNERS = 6;

export function lookValues(frame: FrameRecord): LookValues {
  const { shape = { type: 'rectangle' }, rotation = 0, opacity = 1, blend = 'normal' } = frame;
  const { fill = null, border = null, shadow = null } = frame;
  return {
    form: shape.type,
    radius: shape.type === 'rounded' ? shape.radius : RADIUS,
    corners: shape.type === 'polygon' ? shape.points.length / 2 : CORNERS,
    rotation,
    opacity,
    blend,
    fill,
    border,
    shadow,
    isRule: frame.content.type === 'rule',
  };
}

/** What a value of a look changes of a frame. */
export function lookChange(key: string, value: unknown): Partial<Appearance> {
  switch (key) {
    case 'form':
      return { shape: shapeOf(value as Shape['type']) };
    case 'radius':
      return { shape: { type: 'rounded', radius: value as number } };
    case 'corners':
      return { shape: { type: 'polygon', points: evenPolygon(value as number) } };
    case 'opacity':
      return { opacity: value === 1 ? undefined : (value as number) };
    case 'blend':
      return { blend: value === 'normal' ? undefined : (value as Blend) };
    default:
      return { [key]: value ?? undefined };
  }
}

function shapeOf(form: Shape['type']): Shape | undefined {
  if (form === 'rounded') return { type: form, radius: RADIUS };
  if (form === 'polygon') return { type: form, points: evenPolygon(CORNERS) };
  return form === 'rectangle' ? undefined : { type: form };
}

const swatch = { label: 'Colour', kind: { type: 'pick', of: 'swatch' } } as const;
const tint = { label: 'Tint', kind: percent(0, 1) } as const;
const INK = { swatch: 'ink', tint: 1 } as const;
const isForm =
  (form: Shape['type']) =>
  ({ form: own, isRule }: Readonly<Record<string, unknown>>): boolean =>
    own === form && !isRule;
const isNoRule = ({ isRule }: Readonly<Record<string, unknown>>): boolean => !isRule;

/** What ways of mixing are called (ISO 32000-1, tables 136 and 137). */
export const BLEND_NAMES: Readonly<Record<Blend | 'normal', string>> = {
  normal: 'Normal',
  multiply: 'Multiply',
  screen: 'Screen',
  overlay: 'Overlay',
  darken: 'Darken',
  lighten: 'Lighten',
  colourDodge: 'Colour dodge',
  colourBurn: 'Colour burn',
  hardLight: 'Hard light',
  softLight: 'Soft light',
  difference: 'Difference',
  exclusion: 'Exclusion',
  hue: 'Hue',
  saturation: 'Saturation',
  colour: 'Colour',
  luminosity: 'Luminosity',
};

export const LOOK: TableOf<Omit<LookValues, 'isRule'>> = {
  form: {
    label: 'Form',
    kind: choice({ rectangle: 'Rectangle', rounded: 'Rounded corners', ellipse: 'Ellipse', polygon: 'Polygon' }),
    when: isNoRule,
    wide: true,
  },
  radius: { label: 'Radius', kind: SIZE, when: isForm('rounded') },
  corners: {
    label: 'Corners',
    kind: whole(3, 60),
    help: 'Drag them on the page.',
    when: isForm('polygon'),
    wide: true,
  },
  rotation: { label: 'Rotation', kind: { type: 'number', least: -360, most: 360, unit: '°' } },
  opacity: { label: 'Opacity', kind: percent(0, 1) },
  blend: {
    label: 'Blending',
    kind: choice(BLEND_NAMES),
    help: 'How its colours mix with those under it.',
    wide: true,
  },
  fill: { label: 'Fill', kind: { type: 'part', none: true, usual: INK, fields: { swatch, tint } } },
  border: {
    label: 'Border',
    kind: {
      type: 'part',
      none: true,
      usual: { weight: 0.5, ...INK },
      fields: { swatch, tint, weight: { label: 'Weight', kind: points(0.01, 720) } },
    },
    when: isNoRule,
  },
  shadow: {
    label: 'Shadow',
    kind: {
      type: 'part',
      none: true,
      usual: { dx: 2, dy: 2, blur: 4, swatch: 'ink', opacity: 0.35 },
      fields: {
        dx: { label: 'Right', kind: ANY },
        dy: { label: 'Down', kind: ANY },
        blur: { label: 'Soft edge', kind: millimetres(0, 200) },
        opacity: { label: 'Opacity', kind: percent(0, 1) },
        swatch: { ...swatch, wide: true },
      },
    },
  },
};

/** The same sides, each by itself or as one. */
export const sidesApart = (lengths: TextLayout['inset'], apart: boolean): TextLayout['inset'] =>
  apart ? sidesOf(lengths) : Math.max(...Object.values(sidesOf(lengths)));
