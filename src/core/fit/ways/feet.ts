import { setTextLayout } from '../../actions/frames';
import { type ShownLine, shownLines } from '../shown';
import type { Candidate, FitWay } from '../way';

/** The feet of columns on one line: columns made of one height, or lines spread to the foot of their frame. */
export const FEET: FitWay = {
  name: 'feet',
  need: ['more'],
  *candidates({ frames, lines, composed, text }): Generator<Candidate | undefined> {
    const last = frames.at(-1);
    if (!last || last.locked || last.content.type !== 'text' || last.content.grows) return;
    const { id, content } = last;
    const feet = feetOf(shownLines(composed, text.id).filter(({ frame }) => frame === id));
    const leading = 0.7 * (feet.leading ?? 12);
    if (content.columns > 1 && !content.balanced && feet.highest !== undefined && feet.lowest! - feet.highest > leading)
      yield {
        id: 'balanced',
        name: 'Feet of the columns on one line',
        price: 'the columns of the last frame become equally deep',
        done: (document) => setTextLayout(document, [id], { balanced: true }),
      };
    if (content.align === 'top' && lines > 0 && lines <= MOST_SPREAD)
      yield {
        id: 'spread',
        name: 'Lines spread to the foot',
        price: `${content.spreadMost ?? 12} pt more between paragraphs at most`,
        done: (document) => setTextLayout(document, [id], { align: 'spread' }),
      };
    yield undefined;
  },
};

/** Lines of room that spreading hides; more of it shows. */
const MOST_SPREAD = 5;

/** Where the columns of a frame end, and how far its lines are apart. */
function feetOf(lines: readonly ShownLine[]): { highest?: number; lowest?: number; leading?: number } {
  const ends = new Map<number, number>();
  for (const { column, line } of lines) ends.set(column, Math.max(ends.get(column) ?? -Infinity, line.baseline));
  if (ends.size === 0) return {};
  const [a, b] = lines.filter(({ column }) => column === lines[0]!.column).map(({ line }) => line.baseline);
  return {
    highest: Math.min(...ends.values()),
    lowest: Math.max(...ends.values()),
    ...(b !== undefined ? { leading: b - a! } : {}),
  };
}
