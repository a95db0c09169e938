import { Schema, Node } from 'prosemirror-model';
import type { BodyNode, InlineNode, ParagraphNode } from './text';

/** The ProseMirror schema of a text's body. Positions in a text, everywhere, are this schema's positions. */
export const bodySchema = new Schema({
  nodes: {
    doc: { content: 'paragraph+' },
    paragraph: {
      content: 'inline*',
      attrs: { style: { default: 'body' }, list: { default: undefined }, startIn: { default: undefined } },
    },
    text: { group: 'inline' },
    lineBreak: { group: 'inline', inline: true },
    field: { group: 'inline', inline: true, attrs: { name: {} } },
  },
  marks: {
    emphasis: {},
    strong: {},
    superscript: { excludes: 'subscript superscript' },
    subscript: { excludes: 'subscript superscript' },
    link: { attrs: { href: {} } },
    character: { attrs: { style: {} } },
  },
});

/**
 * Checks that a body is a document of the schema: the nodes, their nesting, and no empty text.
 * @throws RangeError when it is not
 */
export function checkBody(body: BodyNode): void {
  Node.fromJSON(bodySchema, body).check();
}

/** Length of an inline node in positions. */
export const inlineSize = (node: InlineNode): number => (node.type === 'text' ? node.text!.length : 1);

/** The plain characters of a paragraph: a line break is U+2028, a field U+FFFC, so that offsets stay positions. */
export function plainText(paragraph: ParagraphNode): string {
  let out = '';
  for (const node of paragraph.content ?? []) {
    out += node.type === 'text' ? node.text! : node.type === 'lineBreak' ? '\u2028' : '\uFFFC';
  }
  return out;
}

/** The plain text of a body, a line feed between paragraphs. */
export function bodyText(body: BodyNode): string {
  return body.content.map(plainText).join('\n');
}

/** Positions at which the contents of the paragraphs start: the first at 1, each next after the two tokens between. */
export function paragraphStarts(body: BodyNode): number[] {
  const starts: number[] = [];
  let at = 0;
  for (const paragraph of body.content) {
    starts.push(at + 1);
    for (const node of paragraph.content ?? []) at += inlineSize(node);
    at += 2;
  }
  return starts;
}

/** Counts words: stretches of anything but white space that hold a letter or a figure. */
export function countWords(text: string): number {
  let count = 0;
  for (const stretch of text.matchAll(/\S+/gu)) if (/[\p{L}\p{N}]/u.test(stretch[0])) count++;
  return count;
}

/** A body of plain paragraphs in one style. */
export function plainBody(style: string, ...paragraphs: string[]): BodyNode {
  return {
    type: 'doc',
    content: (paragraphs.length > 0 ? paragraphs : ['']).map((text) => ({
      type: 'paragraph',
      attrs: { style },
      ...(text === '' ? {} : { content: [{ type: 'text', text }] }),
    })),
  };
}
