import type { Blend } from '../colour/blend';
import type { Box, Point } from '../geometry/box';
import { evenPolygon } from '../geometry/polygon';
import { MOST_THROUGH, type Through } from '../records/frame';
import type {
  Border,
  Corner,
  Fade,
  Fill,
  FrameLook,
  Glow,
  Gradient,
  LineEnd,
  RuleContent,
  Shape,
  Tinted,
} from '../records/frame';
import type { FrameRecord } from '../records/index';
import { choice, millimetres, percent, points, type TableOf, whole } from './property';

const ANY = millimetres(-20_000, 20_000);
const SIZE = millimetres(0, 20_000);

/** Which way something runs over a frame; `own` is as a hand has drawn it. */
export type Way = 'right' | 'left' | 'down' | 'up' | 'falling' | 'rising' | 'own';

const WAYS: Readonly<Record<Exclude<Way, 'own'>, readonly [Point, Point]>> = {
  right: [
    { x: 0, y: 0.5 },
    { x: 1, y: 0.5 },
  ],
  left: [
    { x: 1, y: 0.5 },
    { x: 0, y: 0.5 },
  ],
  down: [
    { x: 0.5, y: 0 },
    { x: 0.5, y: 1 },
  ],
  up: [
    { x: 0.5, y: 1 },
    { x: 0.5, y: 0 },
  ],
  falling: [
    { x: 0, y: 0 },
    { x: 1, y: 1 },
  ],
  rising: [
    { x: 0, y: 1 },
    { x: 1, y: 0 },
  ],
};

/** Of what runs from the middle outwards: to the middle of the right side. */
const ROUND: readonly [Point, Point] = [
  { x: 0.5, y: 0.5 },
  { x: 1, y: 0.5 },
];

interface FromTo {
  readonly from: Point;
  readonly to: Point;
}

const isWay = ({ from, to }: FromTo, [a, b]: readonly [Point, Point]): boolean =>
  from.x === a.x && from.y === a.y && to.x === b.x && to.y === b.y;

const wayOf = (each: FromTo): Way => (Object.keys(WAYS) as Exclude<Way, 'own'>[]).find((way) => isWay(each, WAYS[way])) ?? 'own';

/** A gradient as its fields have it: which way it runs, in a word. */
export interface GradientValues extends Tinted, FromTo {
  readonly way: Way | 'round' | 'ownRound';
  readonly through: readonly Through[];
}

export interface FadeValues extends FromTo {
  readonly way: Way;
}

/** What a frame looks like, all of it said: what it does not have is null. */
export interface LookValues {
  readonly form: Shape['type'];
  readonly radius: number;
  readonly topLeft: Corner;
  readonly topRight: Corner;
  readonly bottomRight: Corner;
  readonly bottomLeft: Corner;
  readonly rise: number;
  readonly corners: number;
  readonly rotation: number;
  readonly opacity: number;
  readonly contentOpacity: number;
  readonly blend: Blend | 'normal';
  readonly fill: Required<Fill> | null;
  readonly gradient: GradientValues | null;
  readonly border:
    (Tinted & { readonly weight: number; readonly align: string; readonly line: string; readonly opacity: number }) | null;
  readonly shadow: NonNullable<FrameRecord['shadow']> | null;
  readonly innerShadow: NonNullable<FrameRecord['shadow']> | null;
  readonly glow: Glow | null;
  readonly feather: number;
  readonly fade: FadeValues | null;
  /** It is a rule: it has no form and no border, and its area is its line. */
  readonly isRule: boolean;
  /** It shows something beside its area and border. */
  readonly isFilled: boolean;
}

/** What a frame looks like, with how it is turned. */
export type Appearance = FrameLook & Pick<FrameRecord, 'rotation'>;

/** The radius of rounded corners, the corners of a polygon, and how high an arch is closed, to begin with. */
const RADIUS = 8.5;
const CORNERS = 6;
const RISE = 56.5;
const CORNER: Corner = { form: 'rounded', size: RADIUS };

export function lookValues(frame: FrameRecord): LookValues {
  const { shape = { type: 'rectangle' }, rotation = 0, opacity = 1, contentOpacity = 1, blend = 'normal' } = frame;
  const { fill, gradient, border, shadow = null, innerShadow = null, glow = null, feather = 0, fade } = frame;
  const corners = shape.type === 'corners' ? shape : undefined;
  return {
    form: shape.type,
    radius: shape.type === 'rounded' ? shape.radius : RADIUS,
    topLeft: corners?.topLeft ?? CORNER,
    topRight: corners?.topRight ?? CORNER,
    bottomRight: corners?.bottomRight ?? CORNER,
    bottomLeft: corners?.bottomLeft ?? CORNER,
    rise: shape.type === 'arch' ? shape.rise : RISE,
    corners: shape.type === 'polygon' ? shape.points.length / 2 : CORNERS,
    rotation,
    opacity,
    contentOpacity,
    blend,
    fill: fill ? { ...fill, opacity: fill.opacity ?? 1 } : null,
    gradient: gradient ? gradientValues(gradient) : null,
    border: border
      ? { ...border, align: border.align ?? 'centre', line: border.line ?? 'plain', opacity: border.opacity ?? 1 }
      : null,
    shadow,
    innerShadow,
    glow,
    feather,
    fade: fade ? { ...fade, way: wayOf(fade) } : null,
    isRule: frame.content.type === 'rule',
    isFilled: frame.content.type !== 'rule' && frame.content.type !== 'panel',
  };
}

function gradientValues({ form, ...gradient }: Gradient): GradientValues {
  const way = form === 'linear' ? wayOf(gradient) : isWay(gradient, ROUND) ? 'round' : 'ownRound';
  return { ...gradient, way, through: gradient.through ?? [] };
}

/** What a value of a look changes of a frame that has these values. */
export function lookChange(key: string, value: unknown, values?: LookValues): Partial<Appearance> {
  switch (key) {
    case 'form':
      return { shape: shapeOf(value as Shape['type'], values) };
    case 'radius':
      return { shape: { type: 'rounded', radius: value as number } };
    case 'topLeft':
    case 'topRight':
    case 'bottomRight':
    case 'bottomLeft':
      return { shape: { ...cornersOf(values), [key]: value as Corner } };
    case 'rise':
      return { shape: { type: 'arch', rise: value as number } };
    case 'corners':
      return { shape: { type: 'polygon', points: evenPolygon(value as number) } };
    case 'opacity':
    case 'contentOpacity':
      return { [key]: value === 1 ? undefined : (value as number) };
    case 'blend':
      return { blend: value === 'normal' ? undefined : (value as Blend) };
    case 'feather':
      return { feather: value === 0 ? undefined : (value as number) };
    case 'fill':
      return { fill: value ? (without(value as object, { opacity: 1 }) as Fill) : undefined };
    case 'border':
      return {
        border: value ? (without(value as object, { align: 'centre', line: 'plain', opacity: 1 }) as Border) : undefined,
      };
    case 'gradient':
      return { gradient: value ? gradientOf(value as GradientValues) : undefined };
    case 'fade':
      return { fade: value ? fadeOf(value as FadeValues) : undefined };
    default:
      return { [key]: value ?? undefined };
  }
}

/** The same without what says no more than what is so anyway. */
const without = (value: object, usual: Readonly<Record<string, unknown>>): object =>
  Object.fromEntries(Object.entries(value).filter(([key, each]) => usual[key] !== each));

function gradientOf({ way, from, to, swatch, tint, through }: GradientValues): Gradient {
  const isRound = way === 'round' || way === 'ownRound';
  const [a, b] = way === 'own' || way === 'ownRound' ? [from, to] : way === 'round' ? ROUND : WAYS[way];
  return { form: isRound ? 'radial' : 'linear', from: a, to: b, swatch, tint, ...(through.length > 0 ? { through } : {}) };
}

function fadeOf({ way, from, to }: FadeValues): Fade {
  const [a, b] = way === 'own' ? [from, to] : WAYS[way];
  return { from: a, to: b };
}

const cornersOf = (values: LookValues | undefined): Extract<Shape, { type: 'corners' }> => ({
  type: 'corners',
  topLeft: values?.topLeft ?? CORNER,
  topRight: values?.topRight ?? CORNER,
  bottomRight: values?.bottomRight ?? CORNER,
  bottomLeft: values?.bottomLeft ?? CORNER,
});

/** A form to begin with. A free outline without rings is that which the frame has. */
function shapeOf(form: Shape['type'], values: LookValues | undefined): Shape | undefined {
  switch (form) {
    case 'rounded':
      return { type: form, radius: RADIUS };
    case 'corners':
      return cornersOf(values);
    case 'arch':
      return { type: form, rise: RISE };
    case 'polygon':
      return { type: form, points: evenPolygon(CORNERS) };
    case 'outline':
      return { type: form, rings: [] };
    case 'ellipse':
      return { type: form };
    case 'rectangle':
      return undefined;
  }
}

const swatch = { label: 'Colour', kind: { type: 'pick', of: 'swatch' } } as const;
const tint = { label: 'Tint', kind: percent(0, 1) } as const;
const share = { label: 'Opacity', kind: percent(0, 1), optional: true } as const;
const INK = { swatch: 'ink', tint: 1 } as const;
type Values = Readonly<Record<string, unknown>>;
const isForm =
  (form: Shape['type']) =>
  ({ form: own, isRule }: Values): boolean =>
    own === form && !isRule;
const isNoRule = ({ isRule }: Values): boolean => !isRule;

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

const WAY_NAMES: Readonly<Record<Way, string>> = {
  right: 'To the right',
  left: 'To the left',
  down: 'Downwards',
  up: 'Upwards',
  falling: 'Down to the right',
  rising: 'Up to the right',
  own: 'As drawn',
};

const corner = (label: string) =>
  ({
    label,
    kind: {
      type: 'part',
      fields: {
        form: {
          label: 'Form',
          kind: choice({ square: 'Square', rounded: 'Rounded', cut: 'Cut', scooped: 'Scooped' }),
        },
        size: { label: 'Size', kind: SIZE },
      },
    },
    when: isForm('corners'),
  }) as const;

const SHADOW_FIELDS = {
  dx: { label: 'Right', kind: ANY },
  dy: { label: 'Down', kind: ANY },
  blur: { label: 'Soft edge', kind: millimetres(0, 200) },
  opacity: { label: 'Opacity', kind: percent(0, 1) },
  swatch: { ...swatch, wide: true },
} as const;

export const LOOK: TableOf<Omit<LookValues, 'isRule' | 'isFilled'>> = {
  form: {
    label: 'Form',
    kind: choice({
      rectangle: 'Rectangle',
      rounded: 'Rounded corners',
      corners: 'Each corner by itself',
      ellipse: 'Ellipse',
      arch: 'Arch',
      polygon: 'Polygon',
      outline: 'Free outline',
    }),
    when: isNoRule,
    wide: true,
  },
  radius: { label: 'Radius', kind: SIZE, when: isForm('rounded') },
  topLeft: corner('Top left'),
  topRight: corner('Top right'),
  bottomRight: corner('Bottom right'),
  bottomLeft: corner('Bottom left'),
  rise: { label: 'Height of the arch', kind: SIZE, when: isForm('arch'), wide: true },
  corners: {
    label: 'Corners',
    kind: whole(3, 60),
    help: 'Drag them on the page.',
    when: isForm('polygon'),
    wide: true,
  },
  rotation: { label: 'Rotation', kind: { type: 'number', least: -360, most: 360, unit: '°' } },
  opacity: { label: 'Opacity', kind: percent(0, 1) },
  contentOpacity: {
    label: 'Content opacity',
    kind: percent(0, 1),
    help: 'Of its text or picture, without its fill and border.',
    when: ({ isFilled }) => isFilled === true,
    wide: true,
  },
  blend: {
    label: 'Blending',
    kind: choice(BLEND_NAMES),
    help: 'How its colours mix with those under it.',
    wide: true,
  },
  fill: {
    label: 'Fill',
    kind: { type: 'part', none: true, usual: { ...INK, opacity: 1 }, fields: { swatch, tint, opacity: share } },
  },
  gradient: {
    label: 'Gradient',
    help: 'The fill runs into a second colour.',
    kind: {
      type: 'part',
      none: true,
      usual: { way: 'down', from: WAYS.down[0], to: WAYS.down[1], swatch: 'paper', tint: 1, through: [] },
      fields: {
        way: {
          label: 'Direction',
          kind: choice({ ...WAY_NAMES, round: 'From the middle', ownRound: 'From a middle, as drawn' }),
          optional: true,
          wide: true,
        },
        swatch: { ...swatch, label: 'End colour' },
        tint,
        through: {
          label: 'Colours between',
          optional: true,
          kind: {
            type: 'list',
            most: MOST_THROUGH,
            item: 'colour',
            usual: { ...INK, tint: 0.5, at: 0.5 },
            fields: { swatch, tint, at: { label: 'Position', kind: percent(0, 1) } },
          },
        },
      },
    },
    when: ({ fill }) => fill !== null,
  },
  border: {
    label: 'Border',
    kind: {
      type: 'part',
      none: true,
      usual: { weight: 0.5, ...INK, align: 'centre', line: 'plain', opacity: 1 },
      fields: {
        swatch,
        tint,
        weight: { label: 'Weight', kind: points(0.01, 720) },
        opacity: share,
        align: {
          label: 'Position',
          kind: choice({ centre: 'On the edge', inside: 'Inside', outside: 'Outside' }),
          optional: true,
        },
        line: {
          label: 'Line',
          kind: choice({ plain: 'Plain', dashed: 'Dashed', dotted: 'Dotted', double: 'Double' }),
          optional: true,
        },
      },
    },
    when: isNoRule,
  },
  shadow: {
    label: 'Shadow',
    kind: {
      type: 'part',
      none: true,
      usual: { dx: 2, dy: 2, blur: 4, swatch: 'ink', opacity: 0.35 },
      fields: SHADOW_FIELDS,
    },
  },
  innerShadow: {
    label: 'Inner shadow',
    help: 'Its edge throws a shadow over what it shows.',
    kind: {
      type: 'part',
      none: true,
      usual: { dx: 2, dy: 2, blur: 6, swatch: 'ink', opacity: 0.35 },
      fields: SHADOW_FIELDS,
    },
    when: isNoRule,
  },
  glow: {
    label: 'Glow',
    help: 'Light around it, of one colour.',
    kind: {
      type: 'part',
      none: true,
      usual: { blur: 12, swatch: 'accent1', opacity: 0.8 },
      fields: {
        blur: { label: 'Width', kind: millimetres(0, 200) },
        opacity: SHADOW_FIELDS.opacity,
        swatch: SHADOW_FIELDS.swatch,
      },
    },
  },
  feather: {
    label: 'Soft edge',
    kind: millimetres(0, 720),
    help: 'It grows fainter towards its edge.',
    when: isNoRule,
    wide: true,
  },
  fade: {
    label: 'Fade',
    help: 'It grows fainter towards one side.',
    kind: {
      type: 'part',
      none: true,
      usual: { way: 'down', from: WAYS.down[0], to: WAYS.down[1] },
      fields: { way: { label: 'Towards', kind: choice(WAY_NAMES), optional: true, wide: true } },
    },
  },
};

/** How a rule is drawn. */
export interface RuleValues {
  readonly weight: number;
  readonly line: NonNullable<RuleContent['line']> | 'plain';
  readonly start: LineEnd | 'none';
  readonly end: LineEnd | 'none';
}

const ENDS = choice({ none: 'None', arrow: 'Arrow', dot: 'Dot', bar: 'Bar' });

export const RULE: TableOf<RuleValues> = {
  weight: { label: 'Weight', kind: points(0.01, 720) },
  line: {
    label: 'Line',
    kind: choice({
      plain: 'Plain',
      dashed: 'Dashed',
      dotted: 'Dotted',
      double: 'Double',
      wavy: 'Wavy',
      diamonds: 'Diamonds',
      kites: 'Kites',
      stars: 'Stars',
      leaves: 'Leaves',
      rings: 'Rings',
      teeth: 'Teeth',
    }),
  },
  start: { label: 'Start', kind: ENDS },
  end: { label: 'End', kind: ENDS },
};

/** The values of a rule; it is as thick as its box is, whichever way it runs. */
export const ruleValues = ({ line, start, end }: RuleContent, { w, h }: Pick<Box, 'w' | 'h'>): RuleValues => ({
  weight: Math.min(w, h),
  line: line ?? 'plain',
  start: start ?? 'none',
  end: end ?? 'none',
});
