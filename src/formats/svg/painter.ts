import type { Box } from '@/core/geometry/box';
import type { Outline } from '@/core/geometry/outline';
import type { Ink, Item, Line, PageList, Run } from '@/core/compose/displayList';

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
}

/** Lines keep their markup as long as they are the same line. */
const painted = new WeakMap<Line, string>();

export function paintLine(line: Line): string {
  let markup = painted.get(line);
  if (markup === undefined) {
    const first = line.runs[0];
    if (!first) markup = '';
    else {
      let inner = '';
      for (const run of line.runs) inner += paintRun(run, first, line.baseline);
      markup = `<g ${look(first)}>${inner}</g>`;
    }
    painted.set(line, markup);
  }
  return markup;
}

function paintRun(run: Run, first: Run, baseline: number): string {
  const own = sameLook(run, first) ? '' : ` ${look(run)}`;
  return `<text x="${figure(run.x)}" y="${figure(baseline - run.rise)}"${own}>${escaped(run.text)}</text>`;
}

function look(run: Run): string {
  const tracking = run.tracking === 0 ? '' : ` letter-spacing="${figure(run.tracking)}"`;
  const features = run.features === '' ? '' : ` style="font-feature-settings:${featureSettings(run.features)}"`;
  return `font-family="${run.face}" font-size="${figure(run.size)}" fill="${run.ink.rgb}"${tracking}${features}`;
}

const sameLook = (a: Run, b: Run): boolean =>
  a === b ||
  (a.face === b.face && a.size === b.size && a.ink.rgb === b.ink.rgb && a.tracking === b.tracking && a.features === b.features);

const featureSettings = (features: string): string =>
  features
    .split(',')
    .map((tag) => (tag.startsWith('-') ? `'${tag.slice(1)}' 0` : `'${tag}' 1`))
    .join(',');

/** The chunks of one item: text column by column, everything else whole. */
export function paintItem(item: Item, source: PictureSource): Chunk[] {
  const { frame, box } = item;
  switch (item.type) {
    case 'area':
      return [{ key: `${frame}/area`, frame, markup: rect(box, item.ink) }];
    case 'empty':
      return [];
    case 'picture': {
      const clip = `clip-${frame}`;
      const { placed } = item;
      const markup =
        `<clipPath id="${clip}">${item.outline ? `<path d="${outlinePath(item.outline)}"/>` : `<rect ${at(box)}/>`}</clipPath>` +
        `<image ${at(placed)} preserveAspectRatio="none" clip-path="url(#${clip})" href="${escaped(source(item.picture, placed))}"/>`;
      return [{ key: `${frame}/picture`, frame, markup }];
    }
    case 'text':
      return item.columns.map((column, i) => ({
        key: `${frame}/${i}`,
        frame,
        markup: column.lines.map(paintLine).join(''),
      }));
  }
}

/** A whole page, or what of its neighbour reaches onto it, as one SVG document fit for a file or a small picture. */
export function paintPage(list: PageList, source: PictureSource, neighbour?: { list: PageList; dx: number }): string {
  const paint = (of: PageList) => of.items.flatMap((item) => paintItem(item, source).map((chunk) => chunk.markup)).join('');
  const across = neighbour ? `<g transform="translate(${figure(neighbour.dx)} 0)">${paint(neighbour.list)}</g>` : '';
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${figure(list.width)} ${figure(list.height)}" text-rendering="geometricPrecision">` +
    `<rect width="${figure(list.width)}" height="${figure(list.height)}" fill="#fff"/>${across}${paint(list)}</svg>`
  );
}

/** SVG path data of an outline. */
export const outlinePath = (outline: Outline): string => outline.map((ring) => `M${ring.map(figure).join(' ')}Z`).join('');

const rect = (box: Box, ink: Ink): string => `<rect ${at(box)} fill="${ink.rgb}"/>`;

const at = (box: Box): string => `x="${figure(box.x)}" y="${figure(box.y)}" width="${figure(box.w)}" height="${figure(box.h)}"`;

/** Thousandths of a point are finer than anything that prints. */
const figure = (value: number): string => String(Math.round(value * 1000) / 1000);

const ESCAPES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };

export const escaped = (text: string): string => text.replace(/[&<>"]/g, (character) => ESCAPES[character]!);
