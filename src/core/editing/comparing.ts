import { diffArrays } from 'diff';
import type { Node } from 'prosemirror-model';
import { docOf, paragraphsOf, plainText } from '../records/body';

/** A stretch of blocks that two states of a text have otherwise. */
export interface Difference {
  /** Blocks of the text as it is: from this one, so many. */
  readonly at: number;
  readonly before: readonly Node[];
  readonly after: readonly Node[];
}

/** What a block says, whatever it looks like: words of paragraphs, and of tables cell by cell. */
const wordsOf = (block: Node): string =>
  block.type.name === 'paragraph'
    ? plainText(block)
    : paragraphsOf(docOf([block]))
        .map(plainText)
        .join('\u001f');

/**
 * What another state of a text says otherwise, block by block. What it looks like is not compared: it is the editor's,
 * and whoever sent the copy knows nothing of it.
 */
export function compared(body: Node, other: Node): Difference[] {
  const out: Difference[] = [];
  const [before, after] = [body.content.content, other.content.content];
  let at = 0;
  let there = 0;
  let open: { at: number; before: Node[]; after: Node[] } | undefined;
  for (const { added, removed, count } of diffArrays(before.map(wordsOf), after.map(wordsOf))) {
    if (!added && !removed) {
      at += count;
      there += count;
      open = undefined;
      continue;
    }
    if (!open) out.push((open = { at, before: [], after: [] }));
    if (removed) {
      open.before.push(...before.slice(at, at + count));
      at += count;
    } else {
      open.after.push(...after.slice(there, there + count));
      there += count;
    }
  }
  return out;
}

/** A text with some of its differences taken over. A paragraph that is put in another's place is set as that was. */
export function taken(body: Node, differences: readonly Difference[]): Node {
  const blocks = [...body.content.content];
  for (const { at, before, after } of [...differences].sort((a, b) => b.at - a.at))
    blocks.splice(at, before.length, ...after.map((block, i) => setLike(block, before[i])));
  return docOf(blocks.length > 0 ? blocks : [body.type.schema.node('paragraph', body.firstChild!.attrs)]);
}

function setLike(block: Node, before: Node | undefined): Node {
  if (block.type.name !== 'paragraph' || before?.type.name !== 'paragraph') return block;
  return block.type.create({ ...block.attrs, style: before.attrs['style'] as string }, block.content);
}
