import { escaped } from '../markup';
import { type Blend, cssBlend } from '@/core/colour/blend';
import type { Ink } from '@/core/colour/ink';
import { absentBoxes } from '@/core/compose/displayList/absent';
import { contourPath } from '@/core/compose/frames/contours';
import type {
  AreaItem,
  BrokenItem,
  Item,
  Line,
  LineMark,
  Look,
  PageList,
  PictureItem,
  Run,
  Showing,
  TextColumn,
} from '@/core/compose/displayList/displayList';
import type { Box } from '@/core/geometry/box';
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

function paintRun(run: Run, line: Line, own: string): string {
  if (run.look.absent) return paintAbsent(run, line);
  const x = figure(line.x + run.x);
  const y = figure(line.baseline + run.drop - run.look.rise);
  const place = line.glyphScale === 1 ? `x="${x}" y="${y}"` : `transform="matrix(${figure(line.glyphScale)} 0 0 1 ${x} ${y})"`;
  // A run stands by its left edge, and in one direction, which the typesetter knows.
  const backwards = run.rightToLeft ? ' direction="rtl" unicode-bidi="bidi-override" text-anchor="end"' : '';
  return `<text ${place}${own}${backwards}>${escaped(run.text)}</text>`;
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
    return over ? '' : `<image ${at(box)} preserveAspectRatio="none" href="${escaped(source(mark.picture, box))}"/>`;
  }
  return mark.over === over ? rect(box, mark.ink) : '';
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
export function shown({ transform, opacity, blend }: Showing, markup: string): string {
  if (!transform && !blend && (opacity === undefined || opacity === 1)) return markup;
  return (
    `<g${transform ? ` transform="matrix(${transform.map(fine).join(' ')})"` : ''}` +
    `${opacity === undefined || opacity === 1 ? '' : ` opacity="${figure(opacity)}"`}` +
    `${blend ? ` style="mix-blend-mode:${cssBlend(blend)}"` : ''}>${markup}</g>`
  );
}

function paintArea({ frame, part, box, contour, ink, stroke, blur }: AreaItem): string {
  const plain = contour.type === 'rectangle' && contour.radius === 0 && stroke === 0 && blur === 0;
  if (plain) return rect(box, ink);
  const path = contourPath(contour, figure);
  if (stroke > 0) return `<path d="${path}" fill="none" stroke="${ink.rgb}" stroke-width="${figure(stroke)}"/>`;
  if (blur === 0) return `<path d="${path}" fill="${ink.rgb}"/>`;
  const id = `soft-${frame}-${part}`;
  const room = { x: box.x - 2 * blur, y: box.y - 2 * blur, w: box.w + 4 * blur, h: box.h + 4 * blur };
  return (
    `<filter id="${id}" filterUnits="userSpaceOnUse" ${at(room)}><feGaussianBlur stdDeviation="${figure(blur / 2)}"/></filter>` +
    `<path d="${path}" fill="${ink.rgb}" filter="url(#${id})"/>`
  );
}

function paintPicture({ frame, box, placed, inner, adjusted, clip, picture }: PictureItem, source: PictureSource): string {
  const id = `clip-${frame}`;
  const edge = clip ? `<path d="${contourPath(clip, figure)}"/>` : `<rect ${at(box)}/>`;
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
