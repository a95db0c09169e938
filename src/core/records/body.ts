import { Fragment, type Mark, Node } from 'prosemirror-model';
import { ReplaceStep, Step } from 'prosemirror-transform';
import { bodySchema } from './bodySchema';
import type { FieldAttrs, InlinePictureAttrs, LocalAttrs, ParagraphAttrs } from './text';

/** A body as it is stored and sent: the JSON form of a document of `bodySchema`. */
export interface BodyJson {
  readonly type: 'doc';
  readonly content: readonly unknown[];
}

/** The most rows a table may have, and cells a row. */
const MOST_ROWS = 5_000;
const MOST_CELLS = 100;

/**
 * A body from its JSON form, checked: the nodes, their nesting, what they say, and no empty text.
 * @throws RangeError when it is no document of the schema
 */
export function bodyOf(json: BodyJson): Node {
  const body = Node.fromJSON(bodySchema, json);
  checkBody(body);
  return body;
}

/** @throws RangeError when a body is no document of the schema */
export function checkBody(body: Node): void {
  if (body.type !== bodySchema.topNodeType) throw new RangeError('A body is a document.');
  body.check();
  body.forEach((block) => {
    if (block.type.name !== 'table') return;
    if (block.childCount > MOST_ROWS) throw new RangeError(`A table has ${MOST_ROWS} rows at most.`);
    block.forEach((row) => {
      if (row.childCount > MOST_CELLS) throw new RangeError(`A row has ${MOST_CELLS} cells at most.`);
    });
  });
}

export const docOf = (blocks: readonly Node[]): Node => bodySchema.node('doc', null, blocks);

export const paragraphOf = (attrs: ParagraphAttrs, content: readonly Node[] | Fragment = []): Node =>
  bodySchema.node('paragraph', attrs, content as Node[]);

export const textOf = (words: string, marks?: readonly Mark[]): Node => bodySchema.text(words, marks);

export const fieldOf = (attrs: FieldAttrs, marks?: readonly Mark[]): Node => bodySchema.node('field', attrs, undefined, marks);

export const inlinePictureOf = (attrs: InlinePictureAttrs): Node => bodySchema.node('picture', attrs);

export const lineBreak = (marks?: readonly Mark[]): Node => bodySchema.node('lineBreak', null, undefined, marks);

/** What marks a stretch of text. */
export type MarkName = 'emphasis' | 'strong' | 'superscript' | 'subscript' | 'link' | 'character' | 'asWritten' | 'local';

export const markOf = (name: MarkName, attrs?: { readonly href: string } | { readonly style: string } | LocalAttrs): Mark =>
  bodySchema.mark(name, attrs);

/** The plain characters of a paragraph: a line break is U+2028, a field or picture U+FFFC, so that offsets stay positions. */
export function plainText(paragraph: Node): string {
  let out = '';
  for (const node of paragraph.content.content) out += node.text ?? (node.type.name === 'lineBreak' ? '\u2028' : '\uFFFC');
  return out;
}

const leaves = new WeakMap<Node, readonly Node[]>();

/** All paragraphs of a body in reading order, those in the cells of tables among them: what a paragraph's number counts. */
export function paragraphsOf(body: Node): readonly Node[] {
  let list = leaves.get(body);
  if (!list) {
    const own: Node[] = [];
    const take = (of: Node) => {
      if (of.type.name === 'paragraph') own.push(of);
      else of.forEach(take);
    };
    take(body);
    leaves.set(body, (list = own));
  }
  return list;
}

/** The fields of a paragraph, in order. */
export const fieldsOf = (paragraph: Node): FieldAttrs[] =>
  paragraph.content.content.filter((node) => node.type.name === 'field').map((node) => node.attrs as FieldAttrs);

/** The body with every paragraph put through `change`; what nothing changed in stays the same object. */
export function mapParagraphs(body: Node, change: (paragraph: Node, index: number) => Node): Node {
  let index = 0;
  const mapped = (of: Node): Node => {
    if (of.type.name === 'paragraph') return change(of, index++);
    const content = of.content.content.map(mapped);
    return content.some((child, i) => child !== of.child(i)) ? of.copy(Fragment.fromArray(content)) : of;
  };
  return mapped(body);
}

/** The plain text of a body, a line feed between paragraphs. */
export function bodyText(body: Node): string {
  return paragraphsOf(body).map(plainText).join('\n');
}

/** Counts words: stretches of anything but white space that hold a letter or a figure. */
export function countWords(text: string): number {
  let count = 0;
  for (const stretch of text.matchAll(/\S+/gu)) if (/[\p{L}\p{N}]/u.test(stretch[0])) count++;
  return count;
}

/** A body of plain paragraphs in one style. */
export const plainBody = (style: string, ...paragraphs: string[]): Node => docOf(plainParagraphs(style, ...paragraphs));

/** Plain paragraphs in one style; one without words where none are given. */
export const plainParagraphs = (style: string, ...paragraphs: string[]): Node[] =>
  (paragraphs.length > 0 ? paragraphs : ['']).map((words) => paragraphOf({ style }, words === '' ? [] : [textOf(words)]));

/**
 * A step that leads from one body to another that was made without steps; none where they say the same. What stands
 * before and behind the difference is left alone, so that it stays the same objects.
 */
export function stepsBetween(before: Node, after: Node): readonly Step[] {
  const from = before.content.findDiffStart(after.content);
  if (from === null) return [];
  let { a, b } = before.content.findDiffEnd(after.content)!;
  // Where what comes before and behind overlap, as in "aa" for "a", the end gives way.
  const overlap = from - Math.min(a, b);
  if (overlap > 0) {
    a += overlap;
    b += overlap;
  }
  return [new ReplaceStep(from, a, after.slice(from, b))];
}

/** A body with steps done to it. @throws RangeError when one does not fit */
export const stepped = (body: Node, steps: readonly Step[]): Node => steps.reduce(afterStep, body);

/** A body with one step done to it. @throws RangeError when it does not fit */
export function afterStep(body: Node, step: Step): Node {
  const { doc, failed } = step.apply(body);
  if (!doc) throw new RangeError(`The text is not as the change knew it: ${failed}.`);
  return doc;
}

/** Steps from their JSON form. @throws RangeError when they are none */
export const stepsOf = (json: readonly unknown[]): Step[] => json.map((each) => Step.fromJSON(bodySchema, each));
