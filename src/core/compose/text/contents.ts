import { SAMPLE_STORY, storiesInOrder } from '../../page/fields';
import type { Document } from '../../records/document';
import { Fragment, type Node } from 'prosemirror-model';
import { docOf, fieldOf, paragraphsOf } from '../../records/body';
import type { FieldAttrs } from '../../records/text';

/** A body as it is composed: paragraphs that stand for a list are there once for each of what they list. */
export interface WrittenOut {
  readonly body: Node;
  /** For every paragraph of it, which one of the text it comes from; undefined where nothing was written out. */
  readonly origin: readonly number[] | undefined;
}

const written = new WeakMap<Node, { readonly stories: string; readonly out: WrittenOut }>();

/**
 * Writes the contents lists of a body out: every paragraph that says so, once for each story that stands on a page. The
 * list follows the pages, since it is worked out from them whenever they are composed.
 */
export function writtenOut(document: Document, body: Node): WrittenOut {
  const { content: blocks } = body.content;
  if (!blocks.some((block) => block.attrs['each'])) return { body, origin: undefined };
  const placed = storiesInOrder(document).map(({ id }) => id);
  const ids = placed.length > 0 ? placed : [SAMPLE_STORY];
  const stories = ids.join(' ');
  const kept = written.get(body);
  if (kept?.stories === stories) return kept.out;
  const origin: number[] = [];
  let leaf = 0;
  const content = blocks.flatMap((block) => {
    const own = block.attrs['each'] ? ids.map((id) => about(block, id)) : [block];
    const leaves = paragraphsOf(docOf([block])).length;
    for (const each of own) {
      const count = each === block ? leaves : 1;
      for (let i = 0; i < count; i++) origin.push(leaf + i);
    }
    leaf += leaves;
    return own;
  });
  const out = { body: docOf(content), origin };
  written.set(body, { stories, out });
  return out;
}

/** A paragraph whose fields speak of one story. */
function about(paragraph: Node, story: string): Node {
  const content = paragraph.content.content.map((node) =>
    node.type.name === 'field' ? fieldOf({ ...(node.attrs as FieldAttrs), of: story }, node.marks) : node,
  );
  return paragraph.copy(Fragment.fromArray(content));
}
