import type { PageList } from '@/core/compose/displayList';
import type { Face } from '@/core/type/face';
import { paintItem } from './painter';

/** Glyph outlines in font units, by face and glyph: the same few hundred are met again and again. */
const outlines = new WeakMap<Face, Map<number, string>>();

function glyphPath(face: Face, glyph: number): string {
  let own = outlines.get(face);
  if (!own) outlines.set(face, (own = new Map()));
  let path = own.get(glyph);
  if (path === undefined) own.set(glyph, (path = face.font.glyphToPath(glyph)));
  return path;
}

/** A page as an SVG that needs no fonts: every glyph is a shape. For pictures of pages, not for reading. */
export function outlinedPage(list: PageList, face: (id: string) => Face, source: (picture: string) => string): string {
  const used = new Map<string, { id: string; path: string }>();
  let body = '';
  for (const item of list.items) {
    if (item.type !== 'text') {
      body += paintItem(item, source)
        .map((chunk) => chunk.markup)
        .join('');
      continue;
    }
    for (const column of item.columns) {
      for (const line of column.lines) {
        for (const run of line.runs) {
          const own = face(run.face);
          const scale = run.size / own.unitsPerEm;
          let x = run.x;
          let uses = '';
          for (let i = 0; i < run.shaped.glyphs.length; i++) {
            const glyph = run.shaped.glyphs[i]!;
            const key = `${run.face}/${glyph}`;
            const known = used.get(key) ?? { id: `g${used.size}`, path: glyphPath(own, glyph) };
            used.set(key, known);
            if (known.path !== '') {
              const dx = (run.shaped.offsets?.[2 * i] ?? 0) * scale;
              const dy = (run.shaped.offsets?.[2 * i + 1] ?? 0) * scale;
              uses += `<use href="#${known.id}" transform="translate(${(x + dx).toFixed(2)} ${(line.baseline - run.rise - dy).toFixed(2)}) scale(${scale} ${-scale})"/>`;
            }
            x += run.shaped.advances[i]! * scale + run.tracking;
          }
          body += `<g fill="${run.ink.rgb}">${uses}</g>`;
        }
      }
    }
  }
  const defs = [...used.values()]
    .filter(({ path }) => path !== '')
    .map(({ id, path }) => `<path id="${id}" d="${path}"/>`)
    .join('');
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${list.width}" height="${list.height}" viewBox="0 0 ${list.width} ${list.height}">` +
    `<defs>${defs}</defs><rect width="100%" height="100%" fill="#fff"/>${body}</svg>`
  );
}
