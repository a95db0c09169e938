import type { Box } from '../../geometry/box';
import { sidesOf, type TextContent } from '../../records/frame';
import { PLAIN_BREAK } from '../paragraph/breaks';
import type { Prepared } from '../paragraph/prepared';

/** What type that fits its frame has to fill. Points; without a height it grows with its width alone. */
export interface Room {
  readonly width: number;
  readonly height: number | undefined;
  readonly first: TextContent['firstBaseline'];
}

/** What a text that fits the width has in the box of its frame. */
export function roomIn(content: TextContent, local: Box): Room {
  const inset = sidesOf(content.inset);
  const height = content.grows ? undefined : Math.max(1, local.h - inset.top - inset.bottom);
  return { width: Math.max(1, local.w - inset.left - inset.right), height, first: content.firstBaseline };
}

/** A second line is worth it where the type becomes larger by this much. */
const WORTH_A_LINE = 1.12;

/**
 * How much larger paragraphs are set to fill their room: the longest line of any of them its width, or all of them its
 * height where there is one. A single paragraph goes over two lines where that makes it larger by more than a little.
 * Undefined where there is nothing to fill it with.
 */
export function factorFor({ width, height, first }: Room, paragraphs: readonly Prepared[]): number | undefined {
  const lines = paragraphs.map((of) => linesOf(of));
  const longest = Math.max(0, ...lines.map(({ natural }) => natural));
  if (longest === 0) return undefined;
  const high = (count: (i: number) => number): number => {
    const whole = paragraphs.reduce((sum, { style }, i) => sum + count(i) * style.leading, 0);
    const [top, foot] = [paragraphs[0]!, paragraphs[paragraphs.length - 1]!];
    const rise = first === 'capHeight' ? top.capHeight : first === 'leading' ? top.style.leading : top.ascent;
    return whole - top.style.leading + (typeof first === 'number' ? 0 : rise) + foot.descent;
  };
  const inHeight = (count: (i: number) => number) =>
    height === undefined ? Infinity : (height - (typeof first === 'number' ? first : 0)) / high(count);
  // A hair less than the width, so that the longest line needs no shrinking.
  const one = Math.max(
    0.001,
    Math.min(
      (width / longest) * 0.9999,
      inHeight((i) => lines[i]!.count),
    ),
  );
  const [only] = paragraphs;
  if (height === undefined || paragraphs.length !== 1 || lines[0]!.count !== 1) return one;
  const halves = longestHalf(only!);
  const two =
    halves > 0
      ? Math.min(
          (width / halves) * 0.9999,
          inHeight(() => 2),
        )
      : 0;
  return two > one * WORTH_A_LINE ? two : one;
}

/** Lines of a paragraph that is not broken but where it must be, and the width of the longest, points. */
function linesOf(of: Prepared): { count: number; natural: number } {
  let from = 0;
  let natural = 0;
  let count = 0;
  for (let b = 1; b < of.count; b++) {
    if (of.penalty[b] !== -Infinity) continue;
    natural = Math.max(natural, (of.before[b]! - of.after[from]!) * of.scale);
    count++;
    from = b;
  }
  return { count, natural };
}

/** Width of the longer of two lines when a paragraph is parted between words as evenly as it can be; 0 where it cannot. */
function longestHalf(of: Prepared): number {
  let best = Infinity;
  const end = of.before[of.count - 1]!;
  for (let b = 1; b < of.count - 1; b++) {
    if (of.flag[b] !== PLAIN_BREAK) continue;
    best = Math.min(best, Math.max(of.before[b]! - of.after[0]!, end - of.after[b]!));
  }
  return best === Infinity ? 0 : best * of.scale;
}
