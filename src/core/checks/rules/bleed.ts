import { type Box, bottom, right } from '../../geometry/box';
import { lengthIn } from '../../length/length';
import { listed } from '../../records/count';
import type { Found } from '../finding';
import type { Mend } from '../mends';
import { boxOf, type PageView, type Rule } from '../rule';

type Edge = 'left' | 'right' | 'top' | 'bottom';

/** Points by which an edge may miss a line and still be on it. */
const SLACK = 0.5;

/** Points inside the trim that no eye takes for a margin: a picture that ends there was meant to bleed. */
const NEARLY = 4;

const WORDS: Readonly<Record<Edge, string>> = { left: 'left', right: 'right', top: 'head', bottom: 'foot' };

/** Pictures and colour that reach the trim, or nearly, and stop before the bleed. */
export const BLEED: Rule = {
  name: 'bleed',
  title: 'Missing bleed',
  page: (view) => {
    const done = new Set<string>();
    return view.list.items.flatMap((item): Found[] => {
      const paints = item.type === 'picture' || (item.type === 'area' && item.part === 'fill');
      if (!paints || done.has(item.frame)) return [];
      const box = boxOf(item);
      const edges = short(view, box);
      if (edges.length === 0) return [];
      done.add(item.frame);
      const frame = view.find('frame', item.frame);
      const isOwn = frame?.on === view.list.page && !frame.rotation && !frame.locked && frame.content.type !== 'rule';
      const mends: Mend[] = isOwn
        ? [{ name: 'Extend it to the bleed', do: 'place', of: { frame: item.frame, box: extended(view, frame.box, edges) } }]
        : [];
      const inside = edges.map((edge) => gapOf(view, box, edge)).filter((gap) => gap > SLACK);
      const { bleed } = view.format;
      return [
        {
          grave: 'fault',
          at: { page: view.list.page, frame: item.frame, box },
          words:
            inside.length > 0
              ? `It ends ${lengthIn(Math.max(...inside))} inside the trim at the ${listed(edges.map((edge) => WORDS[edge]))}.`
              : `It reaches the trim at the ${listed(edges.map((edge) => WORDS[edge]))}, not the bleed ${lengthIn(bleed)} beyond.`,
          effect: 'A white edge shows wherever the sheet is cut a little off.',
          mends,
        },
      ];
    });
  },
};

/** How far inside the trim an edge lies; negative beyond it. */
function gapOf({ format }: PageView, box: Box, edge: Edge): number {
  if (edge === 'left') return box.x;
  if (edge === 'top') return box.y;
  return edge === 'right' ? format.width - right(box) : format.height - bottom(box);
}

/** The edges that should reach the bleed and do not; at the spine pages meet. */
function short(view: PageView, box: Box): Edge[] {
  const { format, side, beside } = view;
  if (format.bleed <= SLACK) return [];
  const spine: Edge | undefined = beside === undefined ? undefined : side === 'left' ? 'right' : 'left';
  return (['left', 'right', 'top', 'bottom'] as const).filter((edge) => {
    const gap = gapOf(view, box, edge);
    return edge !== spine && gap < NEARLY && gap > SLACK - format.bleed;
  });
}

function extended({ format }: PageView, box: Box, edges: readonly Edge[]): Box {
  const { bleed } = format;
  const x = edges.includes('left') ? -bleed : box.x;
  const y = edges.includes('top') ? -bleed : box.y;
  const r = edges.includes('right') ? format.width + bleed : right(box);
  const b = edges.includes('bottom') ? format.height + bleed : bottom(box);
  return { x, y, w: r - x, h: b - y };
}
