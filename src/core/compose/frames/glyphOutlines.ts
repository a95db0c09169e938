import { mappedOutline } from '../../geometry/matrix';
import type { Outline } from '../../geometry/outline';
import { flattened } from '../../type/flattened';
import type { Shaper } from '../../type/shaper';
import { runWidth, type TextItem } from '../displayList/displayList';

/** Straight pieces that a curve of a letter is taken in. */
const STEPS = 6;

/** The letters of a text as outlines, in the item's own coordinates: what text beside them runs around. */
export function glyphOutlines(item: TextItem, shaper: Shaper): Outline {
  const rings: number[][] = [];
  for (const { lines } of item.columns) {
    for (const line of lines) {
      for (const run of line.runs) {
        const { font } = shaper.face(run.look.face);
        const { scale } = run.look;
        const across = scale * line.glyphScale;
        let x = line.x + run.x;
        const y = line.baseline + run.drop - run.look.rise;
        const n = run.shaped.glyphs.length;
        const extra = n > 0 ? (runWidth(run, line) - run.shaped.width * across) / n : 0;
        for (let i = 0; i < n; i++) {
          const dx = (run.shaped.offsets?.[2 * i] ?? 0) * across;
          const dy = (run.shaped.offsets?.[2 * i + 1] ?? 0) * scale;
          for (const ring of flattened(font.glyphToJson(run.shaped.glyphs[i]!), STEPS)) {
            const placed = ring.map((value, k) => (k % 2 === 0 ? x + dx + value * across : y - dy - value * scale));
            rings.push(...(run.turn ? mappedOutline(run.turn, [placed]).map((own) => [...own]) : [placed]));
          }
          x += run.shaped.advances[i]! * across + extra;
        }
      }
    }
  }
  return rings;
}
