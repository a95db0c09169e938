import { type Line, type LineMark, type Run, runWidth, type TextColumn } from '../displayList/displayList';
import type { Way } from '../frames/along';

/** A column of one line, letter by letter along a way. */
export function bentColumn(column: TextColumn, way: Way): TextColumn {
  const lines = column.lines.map((line) => bentLine(line, line.x - column.box.x, way));
  return { ...column, lines };
}

/** @param begins where the line begins, points along the way */
function bentLine(line: Line, begins: number, way: Way): Line {
  const turnAt = (x: number) => {
    const [a, b, c, d, e, f] = way.at(begins + x);
    // The line stands at its own x and baseline: from there to the way, whose line begins at nought.
    const [dx, dy] = [begins - line.x, -line.baseline];
    return [a, b, c, d, a * dx + c * dy + e, b * dx + d * dy + f] as const;
  };
  const runs = line.runs
    .flatMap((run) => (run.look.absent ? [run] : clustersOf(run, line)))
    .map((run) => ({ ...run, turn: turnAt(run.x + runWidth(run, line) / 2) }));
  return { ...line, runs, marks: line.marks?.flatMap((mark) => bentMark(mark, runs, line, turnAt)) };
}

/** What is drawn along a line goes with its letters: a piece of it with each, and one between each and the next. */
function bentMark(
  mark: LineMark,
  runs: readonly Run[],
  line: Line,
  turnAt: (x: number) => NonNullable<LineMark['turn']>,
): LineMark[] {
  const { box } = mark;
  if (mark.type === 'picture') return [{ ...mark, turn: turnAt(box.x + box.w / 2) }];
  const edges = [box.x, box.x + box.w];
  for (const run of runs) for (const x of [run.x, run.x + runWidth(run, line)]) if (x > box.x && x < box.x + box.w) edges.push(x);
  edges.sort((a, b) => a - b);
  return edges.slice(1).flatMap((to, i): LineMark[] => {
    const from = edges[i]!;
    return to - from < 0.01 ? [] : [{ ...mark, box: { ...box, x: from, w: to - from }, turn: turnAt((from + to) / 2) }];
  });
}

/** A run in pieces that cannot be parted: a letter with its marks, a ligature. */
function clustersOf(run: Run, line: Line): Run[] {
  const { glyphs, advances, clusters, offsets } = run.shaped;
  const n = glyphs.length;
  const isWhole = run.to - run.from === run.text.length;
  const out: Run[] = [];
  let x = run.x;
  for (let i = 0; i < n;) {
    let j = i + 1;
    while (j < n && clusters[j] === clusters[i]) j++;
    const begin = clusters[i]!;
    const end = run.rightToLeft ? (clusters[i - 1] ?? run.text.length) : (clusters[j] ?? run.text.length);
    let width = 0;
    for (let k = i; k < j; k++) width += advances[k]!;
    const piece: Run = {
      ...run,
      x,
      text: run.text.slice(begin, end),
      shaped: {
        glyphs: glyphs.slice(i, j),
        advances: advances.slice(i, j),
        clusters: clusters.slice(i, j).map((cluster) => cluster - begin),
        offsets: offsets?.slice(2 * i, 2 * j),
        width,
        missing: 0,
      },
      from: isWhole ? run.from + begin : run.from,
      to: isWhole ? run.from + end : run.to,
    };
    out.push(piece);
    x += runWidth(piece, line);
    i = j;
  }
  return out;
}
