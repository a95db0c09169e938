import { BLENDS } from '../../colour/blend';
import { LAYOUT, WRAP } from '../../properties/frame';
import { CHART } from '../chart';
import type { FinishRecord } from '../finish';
import { FINISHED, type FrameRecord, MOST_THROUGH } from '../frame';
import type { GroupRecord } from '../group';
import {
  BOX,
  figure,
  INKED,
  type Kind,
  LINE,
  list,
  maybe,
  oneOf,
  ORDER,
  parts,
  POINTS,
  properties,
  reference,
  SHARE,
  SIZE,
  withWhat,
  YES_OR_NO,
} from '../kind';
import { RINGS } from '../picture';
import { FRAME_KINDS } from './frames';

const WRAPPED = parts(properties(WRAP, ['mode', 'standOff', 'outline']));

/** A place in the unit square of a box, or near it. */
const PLACE_IN_BOX = parts({ x: figure(-4, 5), y: figure(-4, 5) });
const CORNER = parts({ form: oneOf('square', 'rounded', 'cut', 'scooped'), size: SIZE });
const SHADOW = withWhat({
  dx: POINTS,
  dy: POINTS,
  blur: figure(0, 200),
  swatch: reference('swatch', 'holds'),
  opacity: SHARE,
});

/** What a frame looks like, as frames and finishes say it. */
const LOOK_FIELDS = {
  shape: maybe({
    is: 'typed',
    kinds: {
      rectangle: {},
      rounded: { radius: SIZE },
      corners: { topLeft: CORNER, topRight: CORNER, bottomRight: CORNER, bottomLeft: CORNER },
      ellipse: {},
      arch: { rise: SIZE },
      polygon: { points: list(figure(-1, 2), 4000, 6) },
      outline: { rings: list(list(figure(-2, 3), 24_000, 12), 400, 1) },
    },
  }),
  fill: maybe(withWhat({ ...INKED, opacity: maybe(SHARE) })),
  gradient: maybe(
    withWhat({
      form: oneOf('linear', 'radial'),
      from: PLACE_IN_BOX,
      to: PLACE_IN_BOX,
      ...INKED,
      through: maybe(list(withWhat({ ...INKED, at: SHARE }), MOST_THROUGH)),
    }),
  ),
  border: maybe(
    withWhat({
      weight: SIZE,
      ...INKED,
      align: maybe(oneOf('inside', 'outside')),
      line: maybe(oneOf('dashed', 'dotted', 'double')),
      opacity: maybe(SHARE),
    }),
  ),
  opacity: maybe(SHARE),
  blend: maybe(oneOf(...BLENDS)),
  shadow: maybe(SHADOW),
  innerShadow: maybe(SHADOW),
  glow: maybe(withWhat({ blur: figure(0, 200), swatch: reference('swatch', 'holds'), opacity: SHARE })),
  feather: maybe(figure(0, 720)),
  fade: maybe(parts({ from: PLACE_IN_BOX, to: PLACE_IN_BOX })),
  contentOpacity: maybe(SHARE),
};

export const FRAME: Kind<FrameRecord> = {
  called: 'frame',
  offered: 'Frame of a master',
  fields: {
    on: reference(['page', 'master', 'furniture'], 'goes'),
    side: oneOf('left', 'right', 'both'),
    box: BOX,
    name: maybe(LINE),
    locked: maybe(YES_OR_NO),
    hidden: maybe(YES_OR_NO),
    layer: maybe(reference('layer', 'forgets')),
    order: ORDER,
    content: {
      is: 'typed',
      kinds: Object.fromEntries(Object.entries(FRAME_KINDS).map(([type, { fields }]) => [type, fields])),
    },
    wrap: WRAPPED,
    outline: maybe(RINGS),
    ...LOOK_FIELDS,
    rotation: maybe(figure(-360, 360)),
    finish: maybe(reference('finish', 'holds')),
    own: maybe(list(oneOf(...FINISHED), FINISHED.length)),
    group: maybe(reference('group', 'forgets')),
    beside: maybe(
      withWhat({
        frame: reference('frame', 'goes'),
        place: oneOf('below', 'left', 'right', 'on', 'edge', 'own'),
        gap: SIZE,
        width: SIZE,
        dx: maybe(POINTS),
        dy: maybe(POINTS),
      }),
    ),
    of: maybe(reference('frame', 'forgets')),
    piece: maybe(reference('frame', 'forgets')),
  },
};

export const GROUP: Kind<GroupRecord> = {
  called: 'group',
  offered: 'Group',
  fields: { name: LINE, wrap: WRAPPED, chart: maybe(parts(CHART)) },
};

export const FINISH: Kind<FinishRecord> = {
  called: 'finish',
  offered: 'Finish',
  fields: {
    name: LINE,
    order: ORDER,
    look: parts({
      ...LOOK_FIELDS,
      inset: maybe({ is: 'property', property: LAYOUT.inset }),
      wrap: maybe(parts(properties({ mode: WRAP.mode, standOff: WRAP.standOff, side: WRAP.side }, ['mode', 'standOff']))),
    }),
  },
};
