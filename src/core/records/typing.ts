import { paragraphsOf } from './body';
import { said } from './said';
import type { BlockNode, BodyNode, FieldName, InlineNode, ParagraphNode, TableCellNode } from './text';

/** A place in a text: a paragraph, counted as `paragraphsOf` counts them, and a position in its content. */
export interface TextPlace {
  readonly paragraph: number;
  readonly offset: number;
}

/** Some paragraphs in the place of others: all that typing ever does. Small enough to be sent with every key. */
export interface TextEdit {
  readonly paragraph: number;
  readonly remove: number;
  readonly put: readonly ParagraphNode[];
}

/** An edit, and where the caret is after it. */
export interface Typed {
  readonly edit: TextEdit;
  readonly caret: TextPlace;
}

export const lengthOf = (paragraph: ParagraphNode): number =>
  (paragraph.content ?? []).reduce((sum, node) => sum + (node.type === 'text' ? node.text!.length : 1), 0);

/** Puts an edit's paragraphs in. Those of one cell of a table only change places within it. */
export function withEdit(body: BodyNode, { paragraph, remove, put }: TextEdit): BodyNode {
  let at = 0;
  const replaced = (list: readonly ParagraphNode[]): readonly ParagraphNode[] => {
    const from = paragraph - at;
    at += list.length;
    return from >= 0 && from < list.length ? [...list.slice(0, from), ...put, ...list.slice(from + remove)] : list;
  };
  const content: BlockNode[] = [];
  let skip = 0;
  for (const block of body.content) {
    if (block.type === 'paragraph') {
      if (at === paragraph) {
        content.push(...put);
        skip = remove;
      }
      if (skip > 0) skip--;
      else content.push(block);
      at++;
    } else if (block.type === 'table') {
      const cells = (cell: TableCellNode): TableCellNode => {
        const own = replaced(cell.content);
        return own === cell.content ? cell : { ...cell, content: own };
      };
      const rows = block.content.map((row) => {
        const own = row.content.map(cells);
        return own.some((cell, i) => cell !== row.content[i]) ? { ...row, content: own } : row;
      });
      content.push(rows.some((row, i) => row !== block.content[i]) ? { ...block, content: rows } : block);
    } else content.push(block);
  }
  return { ...body, content };
}

/**
 * Words typed or pasted at a place, in the look of the letter before it; every line of them after the first begins a
 * paragraph.
 *
 * @param following the style of a paragraph that follows one of a style
 */
export function typeWords(
  body: BodyNode,
  at: TextPlace,
  words: string,
  following: (style: string) => string = (style) => style,
): Typed {
  const own = paragraphsOf(body)[at.paragraph]!;
  const lines = words.replace(/\r\n?/g, '\n').split('\n');
  const marks = marksBefore(own, at.offset);
  const node = (text: string): InlineNode[] => (text === '' ? [] : [{ type: 'text', text, ...(marks ? { marks } : {}) }]);
  const head = cut(own, 0, at.offset);
  const tail = cut(own, at.offset, lengthOf(own));
  const put = lines.map((line, i) =>
    made(
      own,
      [...(i === 0 ? head : []), ...node(line), ...(i === lines.length - 1 ? tail : [])],
      i > 0,
      i > 0 ? following(own.attrs.style) : own.attrs.style,
    ),
  );
  const last = lines[lines.length - 1]!;
  const caret = {
    paragraph: at.paragraph + lines.length - 1,
    offset: lines.length === 1 ? at.offset + last.length : last.length,
  };
  return { edit: { paragraph: at.paragraph, remove: 1, put }, caret };
}

/** A field put in at a place, in the look of the letter before it. */
export function typeField(body: BodyNode, at: TextPlace, name: FieldName): Typed {
  const own = paragraphsOf(body)[at.paragraph]!;
  const marks = marksBefore(own, at.offset);
  const field: InlineNode = { type: 'field', attrs: { name }, ...(marks ? { marks } : {}) };
  const put = [made(own, [...cut(own, 0, at.offset), field, ...cut(own, at.offset, lengthOf(own))], false)];
  return { edit: { paragraph: at.paragraph, remove: 1, put }, caret: { ...at, offset: at.offset + 1 } };
}

/**
 * Takes out what stands before or behind a place: one letter with its accents, or what keeps two paragraphs apart.
 * @returns undefined at the text's very beginning or end, and between what is in a table and what is not
 */
export function deleteAt(body: BodyNode, at: TextPlace, back: boolean): Typed | undefined {
  const list = paragraphsOf(body);
  const own = list[at.paragraph]!;
  const length = lengthOf(own);
  if (back ? at.offset > 0 : at.offset < length) {
    const from = back ? stepped(own, at.offset, -1) : at.offset;
    const to = back ? at.offset : stepped(own, at.offset, 1);
    const put = [made(own, [...cut(own, 0, from), ...cut(own, to, length)], false)];
    return { edit: { paragraph: at.paragraph, remove: 1, put }, caret: { paragraph: at.paragraph, offset: from } };
  }
  const first = back ? at.paragraph - 1 : at.paragraph;
  if (first < 0 || first + 1 >= list.length || !areNeighbours(body, first)) return undefined;
  const before = list[first]!;
  const end = lengthOf(before);
  const joined = made(before, [...cut(before, 0, end), ...cut(list[first + 1]!, 0, lengthOf(list[first + 1]!))], false);
  return { edit: { paragraph: first, remove: 2, put: [joined] }, caret: { paragraph: first, offset: end } };
}

/** The paragraph of a place with other attributes; what is given as undefined is taken off it. */
export function restyled(body: BodyNode, at: TextPlace, attrs: Partial<ParagraphNode['attrs']>): Typed {
  const own = paragraphsOf(body)[at.paragraph]!;
  const put = [{ ...own, attrs: said({ ...own.attrs, ...attrs } as ParagraphNode['attrs']) }];
  return { edit: { paragraph: at.paragraph, remove: 1, put }, caret: at };
}

/** The next place before or behind another, over whole letters and from paragraph to paragraph. */
export function steppedPlace(body: BodyNode, at: TextPlace, by: 1 | -1): TextPlace {
  const list = paragraphsOf(body);
  const own = list[at.paragraph]!;
  if (by > 0 ? at.offset < lengthOf(own) : at.offset > 0) return { ...at, offset: stepped(own, at.offset, by) };
  const other = list[at.paragraph + by];
  return other ? { paragraph: at.paragraph + by, offset: by > 0 ? 0 : lengthOf(other) } : at;
}

/** A paragraph with other content, its style and list kept; one that begins anew does not ask for a new column again. */
function made(from: ParagraphNode, content: readonly InlineNode[], fresh: boolean, style = from.attrs.style): ParagraphNode {
  const { startIn: _, ...rest } = from.attrs;
  const joined: InlineNode[] = [];
  for (const node of content) {
    const last = joined[joined.length - 1];
    const joins = last?.type === 'text' && node.type === 'text' && JSON.stringify(last.marks) === JSON.stringify(node.marks);
    if (joins) joined[joined.length - 1] = { ...last, text: last.text! + node.text! };
    else joined.push(node);
  }
  return { type: 'paragraph', attrs: fresh ? { ...rest, style } : from.attrs, ...(joined.length > 0 ? { content: joined } : {}) };
}

function cut(of: ParagraphNode, from: number, to: number): InlineNode[] {
  const out: InlineNode[] = [];
  let at = 0;
  for (const node of of.content ?? []) {
    const n = node.type === 'text' ? node.text!.length : 1;
    const a = Math.max(from, at) - at;
    const b = Math.min(to, at + n) - at;
    if (b > a) out.push(node.type === 'text' ? { ...node, text: node.text!.slice(a, b) } : node);
    at += n;
  }
  return out;
}

function marksBefore(of: ParagraphNode, offset: number): InlineNode['marks'] {
  let at = 0;
  for (const node of of.content ?? []) {
    const n = node.type === 'text' ? node.text!.length : 1;
    if (node.type === 'text' && offset > at && offset <= at + n) return node.marks;
    at += n;
  }
  const first = of.content?.[0];
  return offset === 0 && first?.type === 'text' ? first.marks : undefined;
}

/** A letter further, its accents and joined signs with it. */
function stepped(of: ParagraphNode, offset: number, by: 1 | -1): number {
  let text = '';
  for (const node of of.content ?? []) text += node.type === 'text' ? node.text! : '\uFFFC';
  const from = by > 0 ? offset : Math.max(0, offset - 64);
  const to = by > 0 ? Math.min(text.length, offset + 64) : offset;
  const letters = [...new Intl.Segmenter(undefined, { granularity: 'grapheme' }).segment(text.slice(from, to))];
  const letter = by > 0 ? letters[0] : letters[letters.length - 1];
  return letter ? offset + by * letter.segment.length : offset;
}

/** Whether two paragraphs that follow one another stand in the same text or the same cell, with nothing between them. */
function areNeighbours(body: BodyNode, first: number): boolean {
  let at = 0;
  let last: BlockNode | undefined;
  for (const block of body.content) {
    if (block.type === 'paragraph') {
      if (at === first + 1) return last?.type === 'paragraph';
      at++;
    } else if (block.type === 'table') {
      for (const row of block.content) {
        for (const cell of row.content) {
          if (first >= at && first + 1 < at + cell.content.length) return true;
          at += cell.content.length;
        }
      }
    }
    last = block;
  }
  return false;
}

/** A body in which every paragraph that says the same as one of another stands for it: what was made of that one stays good. */
export function withSameParagraphs(before: BodyNode, after: BodyNode, same: (a: unknown, b: unknown) => boolean): BodyNode {
  const old = before.content;
  const now = after.content;
  const content = [...now];
  let head = 0;
  while (head < now.length && head < old.length && same(now[head], old[head])) {
    content[head] = old[head]!;
    head++;
  }
  let foot = 0;
  while (foot < now.length - head && foot < old.length - head && same(now[now.length - 1 - foot], old[old.length - 1 - foot])) {
    content[now.length - 1 - foot] = old[old.length - 1 - foot]!;
    foot++;
  }
  return { ...after, content };
}
