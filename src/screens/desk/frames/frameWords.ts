import { BLEND_NAMES } from '@/core/properties/look';
import { counted } from '@/core/records/count';
import { pageGrid, stretchOf, stretchWords } from '@/core/page/grid';
import { formatOf, type PlacedPage } from '@/core/page/pages';
import { type Document, find } from '@/core/records/document';
import type { Box } from '@/core/geometry/box';
import type { FrameRecord, StoryRecord, TextRecord } from '@/core/records/index';
import type { Fit } from '@/core/compose/text/fit';
import type { Lengths, Wrap } from '@/core/records/frame';
import { textIn } from '@/core/records/kinds/frames';
import { lengthWords } from '@/parts/units';

/** The text a frame shows, and the story it is part of. */
export function textOf(document: Document, frame: FrameRecord): { text: TextRecord; story: StoryRecord | undefined } | undefined {
  const text = find(document, 'text', textIn(frame));
  return text && { text, story: find(document, 'story', text.story) };
}

/** Where a box lies on its page, in grid terms. */
export function placeWords(document: Document, page: PlacedPage, box: Box): string {
  const grid = pageGrid(formatOf(document), page.master, page.side);
  const at = stretchOf(grid, box);
  return stretchWords(at) + (at.onColumns ? '' : ', off the columns');
}

/** A stand-off in words: one length, or one for each side, clockwise from the top. */
export function standOffWords(standOff: Lengths): string {
  if (typeof standOff === 'number') return lengthWords(standOff);
  const { top, right, bottom, left } = standOff;
  return [top, right, bottom, left].map((side) => lengthWords(side)).join(', ');
}

const WRAPS: Readonly<Record<Wrap['mode'], string>> = { none: 'None', frame: 'Frame', outline: 'Outline', clear: 'Clear' };

/** A text wrap in words: "Outline, 4 mm". */
export const wrapWords = (wrap: Wrap): string =>
  wrap.mode === 'none' ? WRAPS.none : `${WRAPS[wrap.mode]}, ${standOffWords(wrap.standOff)}`;

/** What the typesetter could not do as it was asked, a sentence each. */
export function troubleWords(fit: Fit): string[] {
  return [
    ...(fit.overfull > 0 ? [`${counted(fit.overfull, 'line is', 'lines are')} too long for the column.`] : []),
    ...(fit.gaveWay > 0 ? [`${counted(fit.gaveWay, 'keep')} could not be honoured.`] : []),
    ...(fit.missing > 0
      ? [`${counted(fit.missing, 'character is', 'characters are')} missing from every face, and shown as a box.`]
      : []),
    ...(fit.lacks.length > 0 ? [`Its face lacks ${fit.lacks.join(', ')}: another stands in, or it is left out.`] : []),
    ...(fit.unsettled ? ['Its page numbers kept changing the layout; it was left as it stood.'] : []),
  ];
}

const FORMS = {
  rectangle: '',
  rounded: 'rounded',
  corners: 'corners',
  ellipse: 'ellipse',
  arch: 'arch',
  polygon: 'polygon',
  outline: 'outline',
} as const;

/** What a frame looks like, as far as it is not plain: "ellipse, 20°, shadow". */
export const lookWords = ({ shape, rotation, opacity, blend, gradient, shadow, glow, feather, fade }: FrameRecord): string =>
  [
    shape ? FORMS[shape.type] : '',
    rotation ? `${Math.round(rotation * 10) / 10}°` : '',
    opacity === undefined ? '' : `${Math.round(opacity * 100)} %`,
    blend ? BLEND_NAMES[blend].toLowerCase() : '',
    gradient ? 'gradient' : '',
    shadow ? 'shadow' : '',
    glow ? 'glow' : '',
    feather ? 'soft edge' : '',
    fade ? 'fade' : '',
  ]
    .filter((words) => words !== '')
    .join(', ');
