import {
  contrastOver,
  gainFor,
  isLarge,
  type Light,
  lightOf,
  NEEDED,
  NEEDED_LARGE,
  panelOpacity,
  type Read,
} from '../colour/contrast';
import { type Line, type Run, runWidth, type TextItem } from '../compose/displayList/displayList';
import { lineText } from '../compose/displayList/lineText';
import type { Box } from '../geometry/box';
import { mappedBox } from '../geometry/matrix';

/** How the letters of a text contrast with what lies under them: those of the line that is hardest to read. */
export interface Legibility {
  readonly ratio: number;
  readonly needed: number;
  readonly words: string;
  /** Where that line stands on the page. */
  readonly box: Box;
  readonly paragraph: number;
  /** The panel behind the words with which all of them contrast enough. */
  readonly panel?: { readonly tone: 'dark' | 'light'; readonly opacity: number };
  /** Letters of this tone would be read: the darkest colour there is, or the lightest. */
  readonly letters?: 'dark' | 'light' | undefined;
  /** The one picture that lies under them, where it is the page's own, and what would do with it. */
  readonly picture?: {
    readonly frame: string;
    /** Times its light as it is now. */
    readonly gain?: number | undefined;
    /** The opacity with which it fades into the paper far enough. */
    readonly fade?: number | undefined;
  };
}

/** The most pixels of a run that are looked at again for what would mend it. */
const LOOKED_AT = 300;

/** Fewer pixels are looked at for a mend than when it is measured again: a mend does a little more than is needed. */
const MARGIN = 1.03;

/**
 * The line around letters that fills in what they enclose, as a share of their size: it is what they stand on. A narrower
 * one is what is seen of them. Source: WCAG 2.2, “contrast ratio”, note 4; the share is common practice (half of a
 * counter of text faces).
 */
const HALO = 0.08;

const BLACK: Light = [0, 0, 0];
const WHITE: Light = [255, 255, 255];

/** Where the letters of a run stand in their item: between the line of capitals and that of descenders, about. */
const boxOfRun = (line: Line, run: Run): Box => mappedBox(run.turn, straightBoxOf(line, run));

const straightBoxOf = (line: Line, run: Run): Box => ({
  x: line.x + run.x,
  y: line.baseline + run.drop - 0.75 * run.look.size,
  w: runWidth(run, line),
  h: 0.95 * run.look.size,
});

/** The area of its own line that a run lies on, a highlight or the tint of a cell; undefined where it lies on none. */
function groundOf(line: Line, run: Run): readonly Light[] | undefined {
  // A panel lies under the highlights in it.
  const panel = line.panel && [lightOf(line.panel.ink.rgb)];
  const own = straightBoxOf(line, run);
  const [x, y] = [own.x - line.x, own.y - line.baseline];
  const under = line.marks?.findLast(
    (mark) =>
      mark.type === 'area' &&
      !mark.over &&
      mark.box.x <= x + 0.1 &&
      mark.box.x + mark.box.w >= x + own.w - 0.1 &&
      mark.box.y <= y + 0.1 &&
      mark.box.y + mark.box.h >= y + own.h - 0.1,
  );
  return under?.type === 'area' ? [lightOf(under.ink.rgb)] : panel;
}

/**
 * The line of a text that is hardest to read, how it contrasts, and what would mend all of them. Undefined for a text without
 * letters.
 *
 * @param pixelsIn the light under a box of the page
 * @param onPicture the frame of the one picture beneath
 */
export function legibilityOf(
  item: TextItem,
  pixelsIn: (box: Box) => readonly Light[],
  onPicture: string | undefined,
): Legibility | undefined {
  let worst: Omit<Legibility, 'panel' | 'picture'> | undefined;
  const reads: Read[] = [];
  const even = new Set<string>();
  for (const { lines, paragraphs } of item.columns)
    lines.forEach((line, i) => {
      for (const run of line.runs) {
        if (run.text.trim() === '') continue;
        const { size, ink: start, face, ramp, outline } = run.look;
        const halo = outline && outline.weight >= HALO * size ? [lightOf(outline.ink.rgb)] : undefined;
        const pixels = halo ?? groundOf(line, run) ?? pixelsIn(mappedBox(item.transform, boxOfRun(line, run)));
        if (pixels.length === 0) continue;
        // Of letters that run into another colour the end that is harder to read counts.
        const ends = outline && !halo ? [outline.ink] : ramp ? [start, ramp.stops.at(-1)!.ink] : [start];
        const of = ends.reduce((a, b) => (contrastOver(pixels, lightOf(b.rgb)) < contrastOver(pixels, lightOf(a.rgb)) ? b : a));
        const needed = isLarge(size, /\b[789]00|bold/i.test(face) ? 700 : 400) ? NEEDED_LARGE : NEEDED;
        const ink = lightOf(of.rgb);
        const ratio = contrastOver(pixels, ink);
        const every = Math.ceil(pixels.length / LOOKED_AT);
        // On an even ground, letters of one colour are all read or none.
        const key = pixels.length === 1 ? `${pixels[0]!.map(Math.round).join()} ${of.rgb} ${needed}` : undefined;
        if (key === undefined || !even.has(key))
          reads.push({ pixels: pixels.filter((_, k) => k % every === 0), ink, needed: needed * MARGIN });
        if (key !== undefined) even.add(key);
        if (worst && ratio / needed >= worst.ratio / worst.needed) continue;
        const first = line.runs[0]!;
        const last = line.runs.at(-1)!;
        const own = { ...boxOfRun(line, run), x: line.x + first.x };
        const whole = run.turn ? boxOfRun(line, run) : { ...own, w: line.x + last.x + runWidth(last, line) - own.x };
        const box = mappedBox(item.transform, whole);
        worst = { ratio, needed, words: lineText(line).trim(), box, paragraph: paragraphs[i]! };
      }
    });
  if (!worst || worst.ratio >= worst.needed) return worst;
  const [dark, paper] = [panelOpacity(reads, BLACK), panelOpacity(reads, WHITE)];
  const [panel] = [{ tone: 'dark', opacity: dark } as const, { tone: 'light', opacity: paper } as const]
    .flatMap(({ tone, opacity }) => (opacity === undefined ? [] : [{ tone, opacity }]))
    .sort((a, b) => a.opacity - b.opacity);
  const readIn = (ink: Light) => reads.every(({ pixels, needed }) => contrastOver(pixels, ink) >= needed);
  const letters = readIn(WHITE) ? 'light' : readIn(BLACK) ? 'dark' : undefined;
  const picture = onPicture !== undefined && {
    frame: onPicture,
    gain: gainFor(reads),
    // What is left of a picture where it fades into white paper until letters on it can be read.
    fade: paper === undefined || paper >= 1 ? undefined : 1 - paper,
  };
  return { ...worst, ...(letters ? { letters } : {}), ...(panel ? { panel } : {}), ...(picture ? { picture } : {}) };
}
