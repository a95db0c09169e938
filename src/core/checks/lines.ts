import { type Line, type Run, runWidth, type TextItem } from '../compose/displayList/displayList';
import { linesOf, type PlacedLine } from '../compose/displayList/linesOf';
import { lineText } from '../compose/displayList/lineText';
import { around, type Box, shifted } from '../geometry/box';
import { mappedBox } from '../geometry/matrix';
import type { TextRecord } from '../records/index';
import { ownItems, type PageView } from './rule';

/** A line of a text on a page, as rules look at it. */
export interface LineOnPage extends Omit<PlacedLine, 'shows'> {
  readonly item: TextItem;
  readonly text: TextRecord;
  /** The characters of its paragraph that it shows. */
  readonly from: number;
  readonly to: number;
  /** It begins its paragraph. */
  readonly isFirst: boolean;
}

const known = new WeakMap<TextItem, { readonly text: TextRecord; readonly lines: readonly LineOnPage[] }>();

/** What is shown, and where the texts of it are found. */
interface Shown extends Pick<PageView, 'find'> {
  readonly list: Pick<PageView['list'], 'items' | 'furniture'>;
}

/** The lines of the texts that lie on a page itself, those of its master not among them. */
export function linesOn(view: Shown): LineOnPage[] {
  return ownItems(view).flatMap((item) => {
    if (item.type !== 'text') return [];
    const text = view.find('text', item.text);
    return text ? linesIn(item, text) : [];
  });
}

function linesIn(item: TextItem, text: TextRecord): readonly LineOnPage[] {
  const kept = known.get(item);
  if (kept?.text === text) return kept.lines;
  const lines = linesOf(item).map(({ shows, ...line }): LineOnPage => {
    const { from, to } = shows ?? { from: 0, to: 0 };
    return { item, text, ...line, from, to, isFirst: from === 0 };
  });
  known.set(item, { text, lines });
  return lines;
}

/** What a text is called where it is spoken of: its story’s name, or its first words. */
export function textName(view: Pick<PageView, 'find'>, { story, body }: TextRecord): string {
  const name = view.find('story', story)?.name;
  return name ? `“${name}”` : `“${shortened(body.textBetween(0, Math.min(60, body.content.size), ' '))}”`;
}

/** The first words of a stretch, as far as a sentence has room for them. */
export function shortened(words: string, most = 40): string {
  const text = words.replace(/\s+/g, ' ').trim();
  if (text.length <= most) return text;
  const cut = text.slice(0, most);
  return `${cut.slice(0, Math.max(cut.lastIndexOf(' '), most / 2)).trimEnd()} …`;
}

/** The words of a line, for a sentence that speaks of it. */
export const lineWords = ({ line }: Pick<LineOnPage, 'line'>): string => shortened(lineText(line));

/** Where a line stands on its page, from the line of capitals to that of descenders. */
export const lineBox = ({ item, line }: Pick<LineOnPage, 'item' | 'line'>): Box => mappedBox(item.transform, inkBox(line));

/** The same in the item's own coordinates. */
export function inkBox(line: Line): Box {
  const first = line.runs[0];
  const last = line.runs.at(-1);
  const size = Math.max(0, ...line.runs.map(({ look }) => look.size));
  if (!first || !last) return { x: line.x, y: line.baseline, w: 0, h: 0 };
  if (first.turn)
    return around(
      line.runs.map((run) =>
        mappedBox(run.turn, { x: line.x + run.x, y: line.baseline - 0.72 * size, w: runWidth(run, line), h: 0.92 * size }),
      ),
    )!;
  const x = Math.min(...line.runs.map((run) => run.x));
  const right = Math.max(...line.runs.map((run) => run.x + runWidth(run, line)));
  return shifted({ x, y: -0.72 * size, w: right - x, h: 0.92 * size }, line.x, line.baseline);
}

/** Where a run of a line stands on its page. */
export const runBox = (item: TextItem, line: Line, run: Run): Box =>
  mappedBox(
    item.transform,
    mappedBox(run.turn, {
      x: line.x + run.x,
      y: line.baseline + run.drop - 0.72 * run.look.size,
      w: runWidth(run, line),
      h: 0.92 * run.look.size,
    }),
  );

/** A place in a text that a line shows. */
export const placeOfLine = (view: PageView, on: LineOnPage) => ({
  page: view.list.page,
  frame: on.item.frame,
  box: lineBox(on),
  text: on.text.id,
  paragraph: on.paragraph,
  from: on.from,
  to: on.to,
  story: on.text.story,
});
