import type { FieldPlace } from '../../page/fields';
import type { TextRecord } from '../../records/index';
import type { Filled } from '../column/placed';
import type { Thread } from '../frames/shown';

/** Where something in one frame of a thread stands: its page, and the pages the text goes on on and comes from. */
export function placeOf(
  thread: Thread,
  numbers: readonly number[],
  reached: readonly number[],
  frame: number,
  text: TextRecord,
): FieldPlace {
  const number = numbers[frame] ?? thread.frames[0]!.page.number;
  const at = reached.indexOf(frame);
  const after = at < 0 ? undefined : numbers[reached[at + 1] ?? -1];
  const before = at < 0 ? undefined : numbers[reached[at - 1] ?? -1];
  return {
    number,
    next: after === number ? undefined : after,
    previous: before === number ? undefined : before,
    story: text.story,
  };
}

/** Which frames of a thread show any of its text, by their number. */
export function framesReached(thread: Thread, { columns, blocks }: Filled): number[] {
  const shown = new Set<string>();
  for (const block of blocks) for (const { column } of block.lines) shown.add(columns[column]!.frame);
  return thread.frames.flatMap(({ frame }, i) => (shown.has(frame.id) ? [i] : []));
}

/** For every paragraph: the frame each of its fields stands in, by its number in the thread. */
export function fieldFrames(thread: Thread, { columns, blocks }: Filled): number[][] {
  const numbers = new Map(thread.frames.map(({ frame }, i) => [frame.id, i]));
  return blocks.flatMap((block): number[][] => {
    const { prepared } = block;
    if (!prepared?.fields) return Array.from({ length: block.leaves }, () => []);
    return [
      prepared.fields.map(({ at }) => {
        const placed = block.lines.find(({ b }) => prepared.end[b]! > at) ?? block.lines[block.lines.length - 1]!;
        return numbers.get(columns[placed.column]!.frame) ?? thread.frames.length - 1;
      }),
    ];
  });
}
