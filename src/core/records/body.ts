import { Schema, Node } from 'prosemirror-model';
import type { BlockNode, BodyNode, ParagraphNode } from './text';

/** The ProseMirror schema of a text's body. Positions in a text, everywhere, are this schema's positions. */
export const bodySchema = new Schema({
  nodes: {
    doc: { content: '(paragraph | figure | table)+' },
    paragraph: {
      content: 'inline*',
      attrs: {
        style: { default: 'body' },
        list: { default: undefined },
        startIn: { default: undefined },
        each: { default: undefined },
      },
    },
    figure: { attrs: { picture: {}, width: { default: undefined }, align: { default: undefined } }, atom: true },
    table: {
      content: 'row+',
      attrs: {
        columns: {},
        headerRows: {},
        inset: {},
        rules: { default: undefined },
        headFill: { default: undefined },
        stripe: { default: undefined },
      },
    },
    row: { content: 'cell*' },
    cell: {
      content: 'paragraph+',
      attrs: {
        across: { default: undefined },
        down: { default: undefined },
        align: { default: undefined },
        fill: { default: undefined },
      },
    },
    text: { group: 'inline' },
    lineBreak: { group: 'inline', inline: true },
    field: { group: 'inline', inline: true, attrs: { name: {}, of: { default: undefined } } },
    picture: { group: 'inline', inline: true, attrs: { picture: {}, height: {}, rise: { default: undefined } } },
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

/** The plain characters of a paragraph: a line break is U+2028, a field or picture U+FFFC, so that offsets stay positions. */
export function plainText(paragraph: ParagraphNode): string {
  let out = '';
  for (const node of paragraph.content ?? []) {
    out += node.type === 'text' ? node.text! : node.type === 'lineBreak' ? '\u2028' : '\uFFFC';
  }
  return out;
}

const leaves = new WeakMap<BodyNode, readonly ParagraphNode[]>();

/** All paragraphs of a body in reading order, those in the cells of tables among them: what a paragraph's number counts. */
export function paragraphsOf(body: BodyNode): readonly ParagraphNode[] {
  let list = leaves.get(body);
  if (!list) {
    list = body.content.flatMap((block) =>
      block.type === 'paragraph'
        ? [block]
        : block.type === 'table'
          ? block.content.flatMap((row) => row.content.flatMap((cell) => cell.content))
          : [],
    );
    leaves.set(body, list);
  }
  return list;
}

/** The body with every paragraph put through `change`; blocks in which nothing changed stay the same objects. */
export function mapParagraphs(body: BodyNode, change: (paragraph: ParagraphNode, index: number) => ParagraphNode): BodyNode {
  let index = 0;
  const each = (paragraph: ParagraphNode) => change(paragraph, index++);
  const content = body.content.map((block): BlockNode => {
    if (block.type === 'paragraph') return each(block);
    if (block.type === 'figure') return block;
    const rows = block.content.map((row) => ({
      ...row,
      content: row.content.map((cell) => ({ ...cell, content: cell.content.map(each) })),
    }));
    return { ...block, content: rows };
  });
  return { ...body, content };
}

/** The plain text of a body, a line feed between paragraphs. */
export function bodyText(body: BodyNode): string {
  return paragraphsOf(body).map(plainText).join('\n');
}

/** Counts words: stretches of anything but white space that hold a letter or a figure. */
export function countWords(text: string): number {
  let count = 0;
  for (const stretch of text.matchAll(/\S+/gu)) if (/[\p{L}\p{N}]/u.test(stretch[0])) count++;
  return count;
}

/** A body of plain paragraphs in one style. */
export function plainBody(style: string, ...paragraphs: string[]): BodyNode & { readonly content: readonly ParagraphNode[] } {
  return {
    type: 'doc',
    content: (paragraphs.length > 0 ? paragraphs : ['']).map((text) => ({
      type: 'paragraph',
      attrs: { style },
      ...(text === '' ? {} : { content: [{ type: 'text', text }] }),
    })),
  };
}
