import { escaped } from '../markup';
import { type Blend, cssBlend } from '@/core/colour/blend';
import type { Ink } from '@/core/colour/ink';
import { absentBoxes } from '@/core/compose/displayList/absent';
import { contourPath, outlineOf } from '@/core/compose/frames/contours';
import type {
  AreaItem,
  BrokenItem,
  Item,
  Line,
  LineMark,
  Look,
  PageList,
  PictureItem,
  Ramp,
  Run,
  Showing,
  TextColumn,
  Veil,
} from '@/core/compose/displayList/displayList';
import { letterRamp } from '@/core/compose/displayList/displayList';
import { type Box, grown, type Point } from '@/core/geometry/box';
import { outlineBox } from '@/core/geometry/outline';
import { type Adjusted, GREY_OF } from '@/core/pictures/adjusting';

/**
 * Paints display lists as SVG: one `text` for every run of glyphs, where the typesetter put it, in the face it was
 * shaped with. A face is asked for by its id as the family name; the screen serves each face under that name.
 */

/** Where a picture's file is to be had at about the size it is shown. */
export type PictureSource = (picture: string, placed: Box) => string;

/** A piece of a page's markup that is kept or replaced as a whole. */
export interface Chunk {
  readonly key: string;
  readonly frame: string;
  readonly markup: string;
  /** How it mixes with what lies under it: where that is in another drawing, its own is told. */
  readonly blend?: Blend | undefined;
}

/** What of a neighbour reaches over lies on a page's own furniture, and under all else that it shows. */
const split = ({ items, furniture }: PageList): readonly [readonly Item[], readonly Item[]] => [
  items.slice(0, furniture),
  items.slice(furniture),
];

/** Lines keep their markup as long as they are the same line. */
const painted = new WeakMap<Line, string>();

export function paintLine(line: Line, source: PictureSource): string {
  let markup = painted.get(line);
  if (markup === undefined) {
    const first = line.runs[0];
    // A look is said once for a line that has but one; among several, what one says would be passed on to the others.
    const shared = line.runs.every((run) => run.look === first!.look);
    let inner = '';
    for (const run of line.runs) inner += paintRun(run, line, shared ? '' : ` ${look(run.look, line)}`);
    markup = first && shared ? `<g ${look(first.look, line)}>${inner}</g>` : inner;
    if (line.marks) {
      markup = line.marks.map((mark) => paintMark(mark, line, false, source)).join('') + markup;
      markup += line.marks.map((mark) => paintMark(mark, line, true, source)).join('');
    }
    painted.set(line, markup);
  }
  return markup;
}

/** Columns keep their markup as long as they are the same column. */
const paintedColumns = new WeakMap<TextColumn, readonly string[]>();

/** A column's markup, paragraph by paragraph: a letter typed into one leaves the others' as it was. */
function paintColumn(column: TextColumn, source: PictureSource): readonly string[] {
  let parts = paintedColumns.get(column);
  if (!parts) {
    const own: string[] = [];
    column.lines.forEach((line, i) => {
      const markup = paintLine(line, source);
      if (i > 0 && column.paragraphs[i] === column.paragraphs[i - 1]) own[own.length - 1] += markup;
      else own.push(markup);
    });
    paintedColumns.set(column, (parts = own));
  }
  return parts;
}

/** What stands in a line that follows a curve, where it is seen. */
export const turnedBy = (turn: Run['turn'], markup: string): string =>
  turn ? `<g transform="matrix(${turn.map(fine).join(' ')})">${markup}</g>` : markup;

const paintRun = (run: Run, line: Line, own: string): string => turnedBy(run.turn, paintStraight(run, line, own));

function paintStraight(run: Run, line: Line, own: string): string {
  if (run.look.absent) return paintAbsent(run, line);
  const x = figure(line.x + run.x);
  const y = figure(line.baseline + run.drop - run.look.rise);
  const place = line.glyphScale === 1 ? `x="${x}" y="${y}"` : `transform="matrix(${figure(line.glyphScale)} 0 0 1 ${x} ${y})"`;
  const filled = ramped(run, line);
  // A run stands by its left edge, and in one direction, which the typesetter knows.
  const backwards = run.rightToLeft ? ' direction="rtl" unicode-bidi="bidi-override" text-anchor="end"' : '';
  return `${filled?.markup ?? ''}<text ${place}${own}${filled ? ` style="fill:url(#${filled.id})"` : ''}${backwards}>${escaped(run.text)}</text>`;
}

/** What letters that run into another colour are filled with: in the coordinates of their text, which may be stretched. */
function ramped(run: Run, line: Line): { readonly id: string; readonly markup: string } | undefined {
  const ramp = letterRamp(run, line);
  if (!ramp) return undefined;
  const { glyphScale } = line;
  const own = ({ x, y }: Point): Point =>
    glyphScale === 1 ? { x, y } : { x: (x - line.x - run.x) / glyphScale, y: y - (line.baseline + run.drop - run.look.rise) };
  const placed = { ...ramp, from: own(ramp.from), to: own(ramp.to) };
  const id = `letters-${keyOf(paintRamp('', placed))}`;
  return { id, markup: paintRamp(id, placed) };
}

/** Boxes for what no face has, the same that print shows; whoever listens hears the characters. */
export function paintAbsent(run: Run, line: Line): string {
  const { boxes, weight } = absentBoxes(run, line);
  const path = boxes.map(({ x, y, w, h }) => `M${figure(x)} ${figure(y)}h${figure(w)}v${figure(h)}h${figure(-w)}z`).join('');
  return `<path d="${path}" fill="none" stroke="${run.look.ink.rgb}" stroke-width="${figure(weight)}" data-absent="${escaped(run.text)}"/>`;
}

function look({ face, size, ink, tracking, features, outline, language }: Look, line: Line): string {
  const spacing = tracking + line.letterSpace;
  return (
    `font-family="${face}" font-size="${figure(size)}" fill="${ink.rgb}"` +
    (spacing === 0 ? '' : ` letter-spacing="${figure(spacing)}"`) +
    (features === '' ? '' : ` style="font-feature-settings:${featureSettings(features)}"`) +
    (/^en/i.test(language) ? '' : ` lang="${escaped(language)}"`) +
    (outline
      ? ` stroke="${outline.ink.rgb}" stroke-width="${figure(2 * outline.weight)}" stroke-linejoin="round" paint-order="stroke"`
      : '')
  );
}

const featureSettings = (features: string): string =>
  features
    .split(',')
    .map((tag) => (tag.startsWith('-') ? `'${tag.slice(1)}' 0` : `'${tag}' 1`))
    .join(',');

/** What cannot be composed is seen to be so: a crossed box in red, which says why. */
function paintBroken({ box: { x, y, w, h }, why }: BrokenItem): string {
  const path = `M${figure(x)} ${figure(y)}h${figure(w)}v${figure(h)}h${figure(-w)}zl${figure(w)} ${figure(h)}m0 ${figure(-h)}l${figure(-w)} ${figure(h)}`;
  const words = `This frame cannot be shown: something in it is broken (${why}).`;
  return `<path d="${path}" fill="#c8102e14" stroke="#c8102e" data-broken=""><title>${escaped(words)}</title></path>`;
}

/** Tints and rules lie under the letters, a line through them over them. */
export function paintMark(mark: LineMark, line: Line, over: boolean, source: PictureSource): string {
  const box = { ...mark.box, x: mark.box.x + line.x, y: mark.box.y + line.baseline };
  if (mark.type === 'picture') {
    const image = `<image ${at(box)} preserveAspectRatio="none" href="${escaped(source(mark.picture, box))}"/>`;
    return over ? '' : turnedBy(mark.turn, image);
  }
  return mark.over === over ? turnedBy(mark.turn, rect(box, mark.ink)) : '';
}

/** The chunks of one item: text column by column, everything else whole. */
export function paintItem(item: Item, source: PictureSource): Chunk[] {
  const { frame } = item;
  const mixed = item.blend ? { blend: item.blend } : {};
  switch (item.type) {
    case 'area':
      return [{ key: `${frame}/${item.part}`, frame, markup: shown(item, paintArea(item)), ...mixed }];
    case 'empty':
      return [];
    case 'broken':
      return [{ key: `${frame}/broken`, frame, markup: shown(item, paintBroken(item)) }];
    case 'picture':
      return [{ key: `${frame}/picture`, frame, markup: shown(item, paintPicture(item, source)), ...mixed }];
    case 'text':
      return item.columns.flatMap((column, i) =>
        paintColumn(column, source).map((markup, k) => ({
          key: `${frame}/${item.text}/${i}/${k}`,
          frame,
          markup: shown(item, markup),
          ...mixed,
        })),
      );
  }
}

/** An item's markup in its own coordinates and opacity, mixed with what lies under it in the same drawing. */
export function shown({ transform, opacity, blend, veil }: Showing, markup: string): string {
  if (!transform && !blend && !veil && (opacity === undefined || opacity === 1)) return markup;
  const turned = transform ? ` transform="matrix(${transform.map(fine).join(' ')})"` : '';
  const rest =
    `${opacity === undefined || opacity === 1 ? '' : ` opacity="${figure(opacity)}"`}` +
    `${blend ? ` style="mix-blend-mode:${cssBlend(blend)}"` : ''}`;
  if (!veil) return `<g${turned}${rest}>${markup}</g>`;
  // A mask is in the coordinates that what it hides stands in: those of the page.
  const { id, markup: mask } = veilMask(veil);
  return `${mask}<g mask="url(#${id})"${rest}>${turned ? `<g${turned}>${markup}</g>` : markup}</g>`;
}

/** A mask with what is left of a frame where it grows fainter; the same veil is the same mask wherever it stands. */
function veilMask({ transform, fade, feather }: Veil): { readonly id: string; readonly markup: string } {
  const turned = transform ? ` transform="matrix(${transform.map(fine).join(' ')})"` : '';
  const edge = feather ? contourPath(feather.contour, figure) : undefined;
  const id = `veil-${keyOf(`${turned} ${fade ? [fade.from.x, fade.from.y, fade.to.x, fade.to.y].map(figure).join(' ') : ''} ${edge ?? ''} ${feather?.blur}`)}`;
  const all = { x: -5000, y: -5000, w: 15_000, h: 15_000 };
  const ends = fade
    ? `x1="${figure(fade.from.x)}" y1="${figure(fade.from.y)}" x2="${figure(fade.to.x)}" y2="${figure(fade.to.y)}"`
    : '';
  const ramp = fade
    ? `<linearGradient id="${id}-fade" gradientUnits="userSpaceOnUse" ${ends}><stop offset="0" stop-color="#fff"/><stop offset="1" stop-color="#fff" stop-opacity="0"/></linearGradient>`
    : '';
  const fill = fade ? `url(#${id}-fade)` : '#fff';
  let inside = `<rect ${at(all)} fill="${fill}"/>`;
  let soft = '';
  if (feather) {
    const box = outlineBox(outlineOf(feather.contour)) ?? { x: 0, y: 0, w: 0, h: 0 };
    const room = grown(box, 3 * feather.blur);
    soft = `<filter id="${id}-soft" filterUnits="userSpaceOnUse" ${at(room)}><feGaussianBlur stdDeviation="${figure(feather.blur / 2)}"/></filter>`;
    // What is soft is masked by the fade, where there are both.
    const path = `<path d="${edge}" fill="#fff" fill-rule="evenodd" filter="url(#${id}-soft)"/>`;
    inside = fade
      ? `<mask id="${id}-both" maskUnits="userSpaceOnUse" mask-type="alpha" ${at(all)}>${path}</mask><rect ${at(all)} fill="${fill}" mask="url(#${id}-both)"/>`
      : path;
  }
  return {
    id,
    markup: `${ramp}${soft}<mask id="${id}" maskUnits="userSpaceOnUse" mask-type="alpha" style="mask-type:alpha" ${at(all)}><g${turned}>${inside}</g></mask>`,
  };
}

/** A short name for something, the same for the same (FNV-1a). */
export function keyOf(words: string): string {
  let hash = 0x811c9dc5;
  for (let i = 0; i < words.length; i++) hash = Math.imul(hash ^ words.charCodeAt(i), 0x01000193);
  return (hash >>> 0).toString(36);
}

function paintArea({ frame, part, box, contour, ink, ramp, stroke, blur, clip }: AreaItem): string {
  const plain = contour.type === 'rectangle' && contour.radius === 0 && stroke === 0 && blur === 0;
  if (plain && !ramp) return rect(contour.box, ink);
  const path = contourPath(contour, figure);
  if (stroke > 0) return `<path d="${path}" fill="none" stroke="${ink.rgb}" stroke-width="${figure(stroke)}"/>`;
  if (ramp) return `${paintRamp(`ramp-${frame}`, ramp)}<path d="${path}" fill="url(#ramp-${frame})" fill-rule="evenodd"/>`;
  if (blur === 0) return `<path d="${path}" fill="${ink.rgb}" fill-rule="evenodd"/>`;
  const id = `soft-${frame}-${part}`;
  const room = grown(box, 2 * blur);
  const soft =
    `<filter id="${id}" filterUnits="userSpaceOnUse" ${at(room)}><feGaussianBlur stdDeviation="${figure(blur / 2)}"/></filter>` +
    `<path d="${path}" fill="${ink.rgb}" fill-rule="evenodd" filter="url(#${id})"/>`;
  if (!clip) return soft;
  const edge = `<path d="${contourPath(clip, figure)}" clip-rule="evenodd"/>`;
  return `<clipPath id="${id}-clip">${edge}</clipPath><g clip-path="url(#${id}-clip)">${soft}</g>`;
}

/** Colours that run into one another, to be filled with. */
export function paintRamp(id: string, { form, from, to, stops }: Ramp): string {
  const colours = stops.map(({ at: offset, ink }) => `<stop offset="${fine(offset)}" stop-color="${ink.rgb}"/>`).join('');
  return form === 'linear'
    ? `<linearGradient id="${id}" gradientUnits="userSpaceOnUse" x1="${figure(from.x)}" y1="${figure(from.y)}" x2="${figure(to.x)}" y2="${figure(to.y)}">${colours}</linearGradient>`
    : `<radialGradient id="${id}" gradientUnits="userSpaceOnUse" cx="${figure(from.x)}" cy="${figure(from.y)}" r="${figure(Math.hypot(to.x - from.x, to.y - from.y))}">${colours}</radialGradient>`;
}

function paintPicture({ frame, box, placed, inner, adjusted, clip, picture }: PictureItem, source: PictureSource): string {
  const id = `clip-${frame}`;
  const edge = clip ? `<path d="${contourPath(clip, figure)}" clip-rule="evenodd"/>` : `<rect ${at(box)}/>`;
  const filter = adjusted ? ` filter="url(#adjust-${frame})"` : '';
  const href = `preserveAspectRatio="none"${filter} href="${escaped(source(picture, placed))}"`;
  // A clip is in the coordinates of what it clips, and before any filter: what is turned or adjusted is clipped from outside.
  const image =
    inner || adjusted
      ? `<g clip-path="url(#${id})"><image ${at(placed)}${inner ? ` transform="matrix(${inner.map(fine).join(' ')})"` : ''} ${href}/></g>`
      : `<image ${at(placed)} clip-path="url(#${id})" ${href}/>`;
  return `${adjusted ? adjustFilter(`adjust-${frame}`, adjusted, placed.w) : ''}<clipPath id="${id}">${edge}</clipPath>${image}`;
}

/** What becomes of a picture's pixels, as a filter (Filter Effects 1), step by step as `adjustPixels` does it. */
function adjustFilter(id: string, { gain, contrast, tones, sharpen }: Adjusted, width: number): string {
  const linear = (slope: number, intercept: number) =>
    `<feComponentTransfer>${['R', 'G', 'B'].map((c) => `<feFunc${c} type="linear" slope="${fine(slope)}" intercept="${fine(intercept)}"/>`).join('')}</feComponentTransfer>`;
  const grey = `${GREY_OF.join(' ')} 0 0`;
  const toGrey = `<feColorMatrix type="matrix" values="${grey} ${grey} ${grey} 0 0 0 1 0"/>`;
  const channel = (hex: string, i: number) => fine(parseInt(hex.slice(1 + 2 * i, 3 + 2 * i), 16) / 255);
  const ramp =
    typeof tones === 'object'
      ? `<feComponentTransfer>${['R', 'G', 'B'].map((c, i) => `<feFunc${c} type="table" tableValues="${channel(tones.dark.rgb, i)} ${channel(tones.pale.rgb, i)}"/>`).join('')}</feComponentTransfer>`
      : '';
  const sharper = sharpen
    ? `<feGaussianBlur stdDeviation="${fine(sharpen.reach * width)}" result="soft"/>` +
      `<feComposite in="SourceGraphic" in2="soft" operator="arithmetic" k2="${fine(1 + sharpen.amount)}" k3="${fine(-sharpen.amount)}" result="sharp"/>` +
      `<feComposite in="sharp" in2="SourceGraphic" operator="in"/>`
    : '';
  return (
    `<filter id="${id}" color-interpolation-filters="sRGB" x="0" y="0" width="1" height="1">` +
    `${sharper}${linear(gain, 0)}${linear(contrast, 0.5 - 0.5 * contrast)}${tones === 'full' ? '' : toGrey}${ramp}</filter>`
  );
}

/** A whole page, or what of its neighbour reaches onto it, as one SVG document fit for a file or a small picture. */
export function paintPage(list: PageList, source: PictureSource, neighbour?: { list: PageList; dx: number }): string {
  const paint = (items: readonly Item[]) =>
    items.flatMap((item) => paintItem(item, source).map((chunk) => chunk.markup)).join('');
  const across = neighbour ? `<g transform="translate(${figure(neighbour.dx)} 0)">${paint(split(neighbour.list)[1])}</g>` : '';
  const [furniture, own] = split(list);
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${figure(list.width)} ${figure(list.height)}" text-rendering="geometricPrecision">` +
    `<rect width="${figure(list.width)}" height="${figure(list.height)}" fill="#fff"/>${paint(furniture)}${across}${paint(own)}</svg>`
  );
}

const rect = (box: Box, ink: Ink): string => `<rect ${at(box)} fill="${ink.rgb}"/>`;

const at = (box: Box): string => `x="${figure(box.x)}" y="${figure(box.y)}" width="${figure(box.w)}" height="${figure(box.h)}"`;

/** Thousandths of a point are finer than anything that prints; what multiplies lengths is given finer still. */
const figure = (value: number): string => String(Math.round(value * 1000) / 1000);
const fine = (value: number): string => String(Math.round(value * 1e6) / 1e6);
