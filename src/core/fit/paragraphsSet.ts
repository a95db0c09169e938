import { Transform } from 'prosemirror-transform';
import { type Diff, NO_DIFF, typing } from '../records/diff';
import { type Document, get } from '../records/document';
import type { ParagraphProperties } from '../records/paragraphStyle';
import { done } from '../records/rebase';
import { said } from '../records/said';
import type { ParagraphAttrs } from '../records/text';
import { PLAIN, type StyleSheet } from '../type/styles';

/**
 * Says something of paragraphs of a text by hand, over their styles.
 * @param change of the paragraph with that number; undefined leaves it as it is
 */
export function paragraphsSet(
  document: Document,
  text: string,
  change: (paragraph: number, attrs: ParagraphAttrs) => Partial<ParagraphProperties> | undefined,
): Diff {
  const { body } = get(document, 'text', text);
  const tr = new Transform(body);
  let paragraph = -1;
  body.descendants((node, at) => {
    if (node.type.name !== 'paragraph') return true;
    paragraph++;
    const attrs = node.attrs as ParagraphAttrs;
    const own = change(paragraph, attrs);
    if (own) {
      const local = said({ ...attrs.local, ...own });
      tr.setNodeAttribute(at, 'local', Object.keys(local).length > 0 ? local : undefined);
    }
    return false;
  });
  return tr.steps.length === 0 ? NO_DIFF : typing(text, done(body, tr.steps));
}

/** What the style of a paragraph says, whatever is said by hand over it. */
export const styledAs = ({ sheet }: { readonly sheet: StyleSheet }, { style }: ParagraphAttrs): ParagraphProperties =>
  sheet.paragraph.get(style) ?? PLAIN;

/** What Fit says of paragraphs: nobody formatted them by hand. */
export const BY_FIT: ReadonlySet<string> = new Set(['looseness', 'wordSpace', 'letterSpace', 'leading']);
