import type { Box } from '../../geometry/box';
import { paragraphsOf } from '../../records/body';
import type { TextRecord } from '../../records/index';
import type { PageStart } from './pageStarts';

/** What stands in a text: a paragraph among others. */
interface Block {
  readonly is: string;
  readonly kind?: string;
  readonly list?: unknown;
}

/** Something that stands beside a text on a page. */
export interface Beside<B extends Block> {
  /** Its number. */
  readonly page: number;
  readonly box: Box;
  readonly block: B;
}

/**
 * Blocks of a text with what its pages show beside it: that of a page is spread evenly among the blocks that begin there, from
 * the top of the page to its foot, and never parts a heading from what follows it, or a list.
 *
 * @param text that the blocks are of
 * @param starts where pages begin in it
 */
export function spreadAmong<B extends Block>(
  blocks: readonly B[],
  text: TextRecord | undefined,
  starts: readonly PageStart[],
  beside: readonly Beside<B>[],
): B[] {
  const pages = text ? pagesOfBlocks(text, starts) : [];
  const after = new Map<number, B[]>();
  const byPage = new Map<number, Beside<B>[]>();
  for (const each of beside) byPage.set(each.page, [...(byPage.get(each.page) ?? []), each]);
  for (const [page, list] of [...byPage].sort(([a], [b]) => a - b)) {
    list.sort((a, b) => a.box.y - b.box.y || a.box.x - b.box.x);
    const from = pages.findIndex((each) => each >= page);
    const here = pages.filter((each) => each === page).length;
    list.forEach(({ block }, k) => {
      const last = from < 0 ? blocks.length - 1 : from - 1 + Math.floor(((k + 1) * here) / (list.length + 1));
      const at = whole(blocks, last);
      after.set(at, [...(after.get(at) ?? []), block]);
    });
  }
  return [...(after.get(-1) ?? []), ...blocks.flatMap((block, i) => [block, ...(after.get(i) ?? [])])];
}

/** The last block, from one on, behind which something else may stand. */
function whole(blocks: readonly Block[], at: number): number {
  let i = at;
  while (i >= 0 && i < blocks.length - 1 && (isHeading(blocks[i]!) || (isEntry(blocks[i]!) && isEntry(blocks[i + 1]!)))) i++;
  return i;
}

const isHeading = (block: Block): boolean => block.is === 'paragraph' && block.kind === 'heading';
const isEntry = (block: Block): boolean => block.is === 'paragraph' && block.list !== undefined;

/** For each block of a text the number of the page on which it begins. */
function pagesOfBlocks({ body }: TextRecord, starts: readonly PageStart[]): number[] {
  let paragraph = 0;
  let page = starts[0]?.number ?? 0;
  let next = 0;
  return body.content.content.map((block) => {
    while (next < starts.length) {
      const start = starts[next]!;
      if (start.paragraph > paragraph || (start.paragraph === paragraph && start.at > 0)) break;
      page = start.number;
      next++;
    }
    paragraph += block.type.name === 'figure' ? 0 : block.type.name === 'table' ? paragraphsOf(block).length : 1;
    return page;
  });
}
