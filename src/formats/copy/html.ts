import { Parser } from 'htmlparser2';
import type { Mark, Node } from 'prosemirror-model';
import { lineBreak, markOf, type MarkName, textOf } from '@/core/records/body';
import { RefusedFileError } from '../refused';
import type { Block, Cell } from './blocks';

const MARKS: Readonly<Record<string, MarkName>> = {
  em: 'emphasis',
  i: 'emphasis',
  cite: 'emphasis',
  strong: 'strong',
  b: 'strong',
  sup: 'superscript',
  sub: 'subscript',
};

const BLOCKS = new Set([
  'p',
  'div',
  'li',
  'blockquote',
  'td',
  'th',
  'tr',
  'pre',
  'section',
  'article',
  'figcaption',
  'dt',
  'dd',
  'caption',
]);
const SILENT = new Set(['script', 'style', 'head', 'title', 'template', 'noscript']);

/** What a table may have, as the body of a text may. */
const MOST_ROWS = 5_000;
const MOST_COLUMNS = 100;

/** Nested deeper than this, a list stays at its level: no page shows more. */
const DEEPEST = 8;

/**
 * Reads HTML as copy: headings, paragraphs, lists, tables, emphasis, links, line breaks; `<hr class="page">` and
 * `<hr class="column">` start the next paragraph in a new page or column. Everything else gives its text; so does a
 * table that stands in another's cell.
 *
 * @throws RefusedFileError when a table has more rows or columns than one may have
 */
export function readHtml(html: string): Block[] {
  const blocks: Block[] = [];
  const tables = new Tables();
  const marks: Mark[] = [];
  const lists: { kind: 'bullet' | 'number'; next: number }[] = [];
  let silent = 0;
  let quoted = 0;
  let heading = 0;
  let item: Block['list'];
  let startIn: Block['startIn'];
  let content: Node[] = [];

  const flush = () => {
    const inline = trimmed(content);
    content = [];
    if (inline.length === 0) return;
    tables.sink(blocks).push({
      kind: heading > 0 ? 'heading' : quoted > 0 ? 'quotation' : 'paragraph',
      level: heading,
      list: item,
      startIn,
      content: inline,
    });
    startIn = undefined;
  };

  const parser = new Parser(
    {
      onopentag(name, attributes) {
        if (SILENT.has(name)) silent++;
        else if (name === 'table') {
          flush();
          tables.open();
        } else if (name === 'tr' || name === 'td' || name === 'th') {
          flush();
          if (name === 'tr') tables.row();
          else tables.cell(name === 'th', attributes);
        } else if (/^h[1-6]$/.test(name)) {
          flush();
          heading = Number(name[1]);
        } else if (name === 'ul' || name === 'ol') {
          flush();
          lists.push({ kind: name === 'ol' ? 'number' : 'bullet', next: Number(attributes['start'] ?? 1) || 1 });
        } else if (name === 'hr') {
          flush();
          if (attributes['class'] === 'page' || attributes['class'] === 'column') startIn = attributes['class'];
        } else if (name === 'br') content.push(lineBreak());
        else if (BLOCKS.has(name)) {
          flush();
          if (name === 'blockquote') quoted++;
          if (name === 'li') {
            const list = lists.at(-1) ?? { kind: 'bullet', next: 1 };
            const level = Math.min(DEEPEST, Math.max(0, lists.length - 1));
            item = list.kind === 'number' ? { kind: 'number', level, number: list.next++ } : { kind: 'bullet', level };
          }
        }
        const mark = MARKS[name];
        if (mark) marks.push(markOf(mark));
        if (name === 'a') marks.push(markOf('link', { href: (attributes['href'] ?? '').slice(0, 2000) }));
      },
      ontext(text) {
        if (silent > 0) return;
        const plain = text.replace(/[ \t\r\n]+/g, ' ');
        if (plain === '') return;
        // A link within the document leads nowhere on a page, and the way back from a note is none to be read.
        const inner = marks.some((mark) => mark.type.name === 'link' && (mark.attrs['href'] as string).startsWith('#'));
        if (inner && plain.trim() === '↑') return;
        const own = marks.filter((mark) => mark.type.name !== 'link' || /^[^#]/.test(mark.attrs['href'] as string));
        const distinct = own.filter((mark, i) => own.findIndex((each) => each.type === mark.type) === i);
        content.push(textOf(plain, distinct));
      },
      onclosetag(name) {
        if (SILENT.has(name)) silent = Math.max(0, silent - 1);
        else if (name === 'table') {
          flush();
          tables.close(blocks);
        } else if (name === 'td' || name === 'th') {
          flush();
          tables.endCell();
        } else if (/^h[1-6]$/.test(name)) {
          flush();
          heading = 0;
        } else if (name === 'ul' || name === 'ol') {
          flush();
          lists.pop();
          item = undefined;
        } else if (BLOCKS.has(name)) {
          flush();
          if (name === 'blockquote') quoted = Math.max(0, quoted - 1);
          if (name === 'li') item = undefined;
        }
        if (MARKS[name] || name === 'a') {
          const type = MARKS[name] ?? 'link';
          const last = marks.findLastIndex((mark) => mark.type.name === type);
          if (last >= 0) marks.splice(last, 1);
        }
      },
    },
    { decodeEntities: true },
  );
  parser.write(html);
  parser.end();
  flush();
  return blocks;
}

/** The tables that are being read: one, and those in its cells, which give their paragraphs to it. */
class Tables {
  #depth = 0;
  #rows: { cells: Cell[]; isHead: boolean }[] = [];
  #cell: { blocks: Block[]; across: number; down: number } | undefined;

  /** Where the blocks go that are read now. */
  sink(blocks: Block[]): Block[] {
    return this.#cell?.blocks ?? blocks;
  }

  open(): void {
    if (this.#depth++ === 0) this.#rows = [];
  }

  row(): void {
    if (this.#depth !== 1) return;
    this.endCell();
    if (this.#rows.length === MOST_ROWS)
      throw new RefusedFileError(
        `A table in it has more than ${MOST_ROWS.toLocaleString('en-GB')} rows, the most that a table may have.`,
        413,
      );
    this.#rows.push({ cells: [], isHead: true });
  }

  cell(isHead: boolean, attributes: Readonly<Record<string, string>>): void {
    if (this.#depth !== 1) return;
    this.endCell();
    if (this.#rows.length === 0) this.row();
    const row = this.#rows.at(-1)!;
    if (row.cells.length === MOST_COLUMNS)
      throw new RefusedFileError(`A table in it has more than ${MOST_COLUMNS} columns, the most that a table may have.`, 413);
    if (!isHead) row.isHead = false;
    const span = (value: string | undefined) => Math.max(1, Math.min(100, Number.parseInt(value ?? '1', 10) || 1));
    this.#cell = { blocks: [], across: span(attributes['colspan']), down: span(attributes['rowspan']) };
  }

  endCell(): void {
    if (this.#depth !== 1 || !this.#cell) return;
    this.#rows.at(-1)!.cells.push(this.#cell);
    this.#cell = undefined;
  }

  close(blocks: Block[]): void {
    if (this.#depth === 0) return;
    if (this.#depth === 1) {
      this.endCell();
      const rows = this.#rows.filter(({ cells }) => cells.length > 0);
      const body = rows.findIndex(({ isHead }) => !isHead);
      // A table of heads alone has none; what is all in the head is no head.
      const head = Math.max(0, Math.min(20, body));
      if (rows.length > 0)
        blocks.push({ kind: 'table', level: 0, content: [], table: { head, rows: rows.map(({ cells }) => cells) } });
    }
    this.#depth--;
  }
}

/** Inline nodes without white space at either end or doubled between two nodes, and neighbours alike joined. */
function trimmed(nodes: readonly Node[]): Node[] {
  const out: Node[] = [];
  let afterSpace = true;
  for (const node of nodes) {
    if (!node.isText) {
      out.push(node);
      afterSpace = true;
      continue;
    }
    const text: string = afterSpace ? node.text!.replace(/^ +/, '') : node.text!;
    if (text === '') continue;
    afterSpace = text.endsWith(' ');
    const last = out.at(-1);
    if (last?.isText && last.sameMarkup(node)) out[out.length - 1] = textOf(last.text! + text, last.marks);
    else out.push(textOf(text, node.marks));
  }
  while (out.length > 0) {
    const last = out[out.length - 1]!;
    if (last.type.name === 'lineBreak') out.pop();
    else if (last.isText && last.text!.endsWith(' ')) {
      out.pop();
      const text = last.text!.trimEnd();
      if (text !== '') out.push(textOf(text, last.marks));
    } else break;
  }
  return out;
}
