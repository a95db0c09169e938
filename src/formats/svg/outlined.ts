import { type Item, letterRamp, type Line, type Run, runWidth } from '@/core/compose/displayList/displayList';
import { type Placed, type Sheet, sheetWidth } from '@/core/handoff/sheets';
import type { Face } from '@/core/type/face';
import type { Shaped } from '@/core/type/shaper';
import { keyOf, paintAbsent, paintItem, paintMark, paintRamp, type PictureSource, shown, turnedBy } from './painter';

/** Glyph outlines in font units, by face and glyph: the same few hundred are met again and again. */
const outlines = new WeakMap<Face, Map<number, string>>();

function glyphPath(face: Face, glyph: number): string {
  let own = outlines.get(face);
  if (!own) outlines.set(face, (own = new Map()));
  let path = own.get(glyph);
  if (path === undefined) own.set(glyph, (path = face.font.glyphToPath(glyph)));
  return path;
}

/** Glyphs met on a page, each drawn once and used again. */
type Used = Map<string, { id: string; path: string }>;

/** A sheet as an SVG that needs no fonts: every glyph is a shape. For pictures of pages, not for reading. */
export function outlinedSheet({ pages, beside }: Sheet, face: (id: string) => Face, source: PictureSource): string {
  const used: Used = new Map();
  const paint = ({ dx }: Placed, items: readonly Item[]) => {
    const markup = items.map((item) => outlinedItem(item, face, source, used)).join('');
    return dx === 0 || markup === '' ? markup : `<g transform="translate(${dx} 0)">${markup}</g>`;
  };
  const furniture = pages.map((placed) => paint(placed, placed.list.items.slice(0, placed.list.furniture)));
  const own = pages.map((placed) => paint(placed, placed.list.items.slice(placed.list.furniture)));
  // What reaches over the spine lies on the furniture of this page as it does on that of its own.
  const across = beside ? paint(beside, beside.list.items.slice(beside.list.furniture)) : '';
  const body = [...furniture, across, ...own].join('');
  const width = sheetWidth({ pages });
  const { height } = pages[0]!.list;
  const defs = [...used.values()]
    .filter(({ path }) => path !== '')
    .map(({ id, path }) => `<path id="${id}" d="${path}"/>`)
    .join('');
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">` +
    `<defs>${defs}</defs><rect width="100%" height="100%" fill="#fff"/>${body}</svg>`
  );
}

function outlinedItem(item: Item, face: (id: string) => Face, source: PictureSource, used: Used): string {
  if (item.type !== 'text')
    return paintItem(item, source)
      .map((chunk) => chunk.markup)
      .join('');
  let text = '';
  for (const { lines } of item.columns)
    for (const line of lines) {
      const marks = (over: boolean) => (line.marks ?? []).map((mark) => paintMark(mark, line, over, source)).join('');
      text += marks(false) + line.runs.map((run) => outlinedRun(run, line, face(run.look.face), used)).join('') + marks(true);
    }
  return shown(item, text);
}

/** Words in one face, as shapes: what is written under a picture of a page. */
export function outlinedWords(shaped: Shaped, face: Face, size: number): { readonly path: string; readonly width: number } {
  const scale = size / face.unitsPerEm;
  let x = 0;
  let path = '';
  for (let i = 0; i < shaped.glyphs.length; i++) {
    const own = glyphPath(face, shaped.glyphs[i]!);
    if (own !== '') path += `<path d="${own}" transform="translate(${x.toFixed(2)} 0) scale(${scale} ${-scale})"/>`;
    x += shaped.advances[i]! * scale;
  }
  return { path, width: x };
}

const outlinedRun = (run: Run, line: Line, face: Face, used: Used): string =>
  turnedBy(run.turn, outlinedStraight(run, line, face, used));

function outlinedStraight(run: Run, line: Line, face: Face, used: Used): string {
  const { look, shaped } = run;
  if (look.absent) return paintAbsent(run, line);
  const across = look.scale * line.glyphScale;
  const spacing = (look.tracking + line.letterSpace) * line.glyphScale;
  const y = line.baseline + run.drop - look.rise;
  let x = line.x + run.x;
  let uses = '';
  for (let i = 0; i < shaped.glyphs.length; i++) {
    const glyph = shaped.glyphs[i]!;
    const key = `${look.face}/${glyph}`;
    const known = used.get(key) ?? { id: `g${used.size}`, path: glyphPath(face, glyph) };
    used.set(key, known);
    if (known.path !== '') {
      const dx = (shaped.offsets?.[2 * i] ?? 0) * across;
      const dy = (shaped.offsets?.[2 * i + 1] ?? 0) * look.scale;
      uses += `<use href="#${known.id}" transform="translate(${(x + dx).toFixed(2)} ${(y - dy).toFixed(2)}) scale(${across} ${-look.scale})"/>`;
    }
    x += shaped.advances[i]! * across + spacing;
  }
  const edge = look.outline
    ? `<g fill="none" stroke="${look.outline.ink.rgb}" stroke-width="${(2 * look.outline.weight) / look.scale}" stroke-linejoin="round">${uses}</g>`
    : '';
  const ramp = letterRamp(run, line);
  if (!ramp) return `${edge}<g fill="${look.ink.rgb}">${uses}</g>`;
  // A gradient would be each letter's own, in its own coordinates: it is laid over all of them, and seen where they are.
  const colours = paintRamp('', ramp);
  const id = keyOf(`${colours} ${uses}`);
  const over = `x="${line.x + run.x - look.size}" y="${y - 2 * look.size}" width="${runWidth(run, line) + 2 * look.size}" height="${3 * look.size}"`;
  return `${edge}${paintRamp(`ramp-${id}`, ramp)}<clipPath id="letters-${id}">${uses}</clipPath><rect ${over} fill="url(#ramp-${id})" clip-path="url(#letters-${id})"/>`;
}
