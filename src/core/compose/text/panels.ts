import type { Line, LineMark, TextColumn } from '../displayList/displayList';

const panelled = new WeakMap<TextColumn, TextColumn>();

/**
 * A column with the panels behind its paragraphs, where it has any: each is drawn with the first of its lines, so that it lies under
 * all of them.
 */
export function panelledColumn(column: TextColumn): TextColumn {
  if (!column.lines.some(({ panel }) => panel)) return column;
  let own = panelled.get(column);
  if (!own) {
    const lines = [...column.lines];
    for (let from = 0; from < lines.length;) {
      const { panel } = lines[from]!;
      let to = from + 1;
      while (to < lines.length && lines[to]!.panel === panel) to++;
      if (panel) lines[from] = withPanel(column, lines.slice(from, to), panel);
      from = to;
    }
    panelled.set(column, (own = { ...column, lines }));
  }
  return own;
}

function withPanel({ box }: TextColumn, lines: readonly Line[], panel: NonNullable<Line['panel']>): Line {
  const first = lines[0]!;
  const isColumn = panel.width === 'column';
  const left = isColumn ? box.x : Math.min(...lines.map(({ x }) => x));
  const right = isColumn ? box.x + box.w : Math.max(...lines.map(({ x, natural }) => x + natural));
  const top = Math.min(...lines.map(({ baseline, ascent }) => baseline - ascent));
  const foot = Math.max(...lines.map(({ baseline, descent }) => baseline + descent));
  const mark: LineMark = {
    type: 'area',
    box: {
      x: left - first.x - panel.beside,
      y: top - first.baseline - panel.above,
      w: Math.max(0, right - left + 2 * panel.beside),
      h: Math.max(0, foot - top + 2 * panel.above),
    },
    ink: panel.ink,
    over: false,
  };
  return { ...first, marks: [mark, ...(first.marks ?? [])] };
}
