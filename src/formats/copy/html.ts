import { Parser } from 'htmlparser2';
import { Mark, type Node } from 'prosemirror-model';
import { lineBreak, markOf, type MarkName, textOf } from '@/core/records/body';
import { RefusedFileError } from '../refused';
import { counted } from '@/core/records/count';
import { type Block, type Cell, type Copy, type CopyPicture, sourceMark } from './blocks';

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
  'dl',
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

/** The most pictures that come out of one file of copy. */
const MOST_PICTURES = 200;

/** Looks of letters, by the tags and classes that ask for them. */
const LOOKS: Readonly<Record<string, string>> = {
  u: sourceMark('underline'),
  ins: sourceMark('underline'),
  s: sourceMark('strike'),
  strike: sourceMark('strike'),
  del: sourceMark('strike'),
};

/** What has no place in a story, and what it is called when it is left out. */
const LEFT_OUT: Readonly<Record<string, readonly [string, string?]>> = {
  svg: ['drawing'],
  math: ['equation'],
  canvas: ['drawing'],
  iframe: ['embedded page'],
  object: ['embedded object'],
  embed: ['embedded object'],
  video: ['video'],
  audio: ['sound'],
  form: ['form'],
};

/**
 * What a reader of another format says beside its HTML, which is this one's language for what a story may be: the names
 * of its styles, which `class` numbers (`s3` for a paragraph's, `c3` for letters'), and its pictures, as `src="picture:3"`.
 */
export interface Beside {
  readonly paragraphs: readonly string[];
  readonly letters: readonly string[];
  readonly pictures: readonly CopyPicture[];
  readonly dropped: readonly string[];
}

/**
 * Reads HTML as copy: headings, paragraphs, lists, tables, emphasis, links, line breaks, pictures that it holds itself;
 * `<hr class="page">` and `<hr class="column">` start the next paragraph in a new page or column. Everything else gives
 * its text; so does a table that stands in another's cell. Nothing is fetched.
 *
 * @param beside where another format was read as HTML
 * @throws RefusedFileError when a table has more rows or columns than one may have
 */
export function readHtml(html: string, beside?: Beside): Copy {
  const blocks: Block[] = [];
  const tables = new Tables();
  const pictures: CopyPicture[] = [...(beside?.pictures ?? [])];
  const left = new Map<string, { readonly more: string | undefined; count: number }>();
  const leave = (one: string, more?: string) => {
    const known = left.get(one);
    if (known) known.count++;
    else left.set(one, { more, count: 1 });
  };
  /** Open tags that may ask for a mark, and the mark: what closes ends the last of its name. */
  const marks: { readonly tag: string; readonly mark: Mark | undefined }[] = [];
  let style: string | undefined;
  const styleOf = (attributes: Readonly<Record<string, string>>): string | undefined => {
    const number = beside && /^s(\d+)$/.exec(attributes['class'] ?? '')?.[1];
    return number === undefined ? undefined : beside!.paragraphs[Number(number)];
  };
  const picture = (attributes: Readonly<Record<string, string>>) => {
    const src = attributes['src'] ?? '';
    const own = beside && /^picture:(\d+)$/.exec(src)?.[1];
    let index = own === undefined ? -1 : Number(own);
    const says = attributes['alt'] ?? '';
    const known = pictures[index];
    if (known) pictures[index] = { ...known, says };
    if (index < 0 && src.startsWith('data:')) {
      const bytes = pictures.length < MOST_PICTURES ? dataOf(src) : undefined;
      if (bytes) index = pictures.push({ name: `picture ${pictures.length + 1}`, says, bytes }) - 1;
    }
    if (!pictures[index]) return src !== '' && leave('picture that is kept elsewhere', 'pictures that are kept elsewhere');
    flush();
    tables.sink(blocks).push({ kind: 'picture', level: 0, content: [], picture: index });
  };
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
      ...(style === undefined ? {} : { style }),
      level: heading,
      list: item,
      startIn,
      content: heading > 0 ? plainHeading(inline) : inline,
    });
    startIn = undefined;
  };

  const parser = new Parser(
    {
      onopentag(name, attributes) {
        const unwanted = LEFT_OUT[name];
        if (unwanted) leave(...unwanted);
        if (SILENT.has(name)) silent++;
        else if (name === 'img') picture(attributes);
        else if (name === 'table') {
          flush();
          if (tables.open()) leave('table within a table, whose words stay', 'tables within tables, whose words stay');
        } else if (name === 'tr' || name === 'td' || name === 'th') {
          flush();
          if (name === 'tr') tables.row();
          else tables.cell(name === 'th', attributes);
        } else if (/^h[1-6]$/.test(name)) {
          flush();
          heading = Number(name[1]);
          style = styleOf(attributes);
        } else if (name === 'ul' || name === 'ol') {
          flush();
          lists.push({ kind: name === 'ol' ? 'number' : 'bullet', next: Number(attributes['start'] ?? 1) || 1 });
        } else if (name === 'hr') {
          flush();
          if (attributes['class'] === 'page' || attributes['class'] === 'column') startIn = attributes['class'];
        } else if (name === 'br') content.push(lineBreak());
        else if (BLOCKS.has(name)) {
          flush();
          if (name === 'p' || name === 'li') style = styleOf(attributes);
          if (name === 'figcaption' || name === 'caption') style = 'Caption';
          if (name === 'blockquote') quoted++;
          if (name === 'li') {
            const list = lists.at(-1) ?? { kind: 'bullet', next: 1 };
            const level = Math.min(DEEPEST, Math.max(0, lists.length - 1));
            item = list.kind === 'number' ? { kind: 'number', level, number: list.next++ } : { kind: 'bullet', level };
          }
        }
        const mark = MARKS[name];
        const look = LOOKS[name] ?? (name === 'span' ? lookOf(attributes, beside !== undefined) : undefined);
        if (mark) marks.push({ tag: name, mark: markOf(mark) });
        if (look) marks.push({ tag: name, mark: markOf('character', { style: look }) });
        // A span without a look closes nothing but itself.
        else if (name === 'span') marks.push({ tag: name, mark: undefined });
        if (name === 'a') marks.push({ tag: name, mark: markOf('link', { href: (attributes['href'] ?? '').slice(0, 2000) }) });
      },
      ontext(text) {
        if (silent > 0) return;
        // A tab of a word processor is one; in a page it is white space.
        const plain = text.replace(beside ? /[ \r\n]+/g : /[ \t\r\n]+/g, ' ');
        if (plain === '') return;
        // A link within the document leads nowhere on a page, and the way back from a note is none to be read.
        const asked = marks.flatMap(({ mark }) => mark ?? []);
        const inner = asked.some((mark) => mark.type.name === 'link' && (mark.attrs['href'] as string).startsWith('#'));
        if (inner && /^\s*[↑↩]\uFE0E?\s*$/.test(plain)) return;
        const own = asked.filter((mark) => mark.type.name !== 'link' || /^[^#]/.test(mark.attrs['href'] as string));
        const distinct = own.filter((mark, i) => own.findIndex((each) => each.type === mark.type) === i);
        content.push(textOf(plain, Mark.setFrom(distinct)));
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
          style = undefined;
        } else if (name === 'ul' || name === 'ol') {
          flush();
          lists.pop();
          item = undefined;
        } else if (BLOCKS.has(name)) {
          flush();
          style = undefined;
          if (name === 'blockquote') quoted = Math.max(0, quoted - 1);
          if (name === 'li') item = undefined;
        }
        const last = marks.findLastIndex(({ tag }) => tag === name);
        if (last >= 0) marks.splice(last, 1);
      },
    },
    { decodeEntities: true },
  );
  parser.write(html);
  parser.end();
  flush();
  tables.finish(blocks);
  const dropped = [...left].map(([one, { more, count }]) => counted(count, one, more));
  return { blocks, pictures, letters: beside?.letters ?? [], dropped: [...(beside?.dropped ?? []), ...dropped] };
}

/** A heading that is strong as a whole says no more than that it is one. */
const plainHeading = (content: readonly Node[]): readonly Node[] => {
  const strong = markOf('strong');
  return content.every((node) => !node.isText || strong.isInSet(node.marks))
    ? content.map((node) => node.mark(strong.removeFromSet(node.marks)))
    : content;
};

/** The look that a span asks for, by the source's name of it or by what its own style says; undefined for none. */
function lookOf(attributes: Readonly<Record<string, string>>, isNamed: boolean): string | undefined {
  const number = isNamed && /^c(\d+)$/.exec(attributes['class'] ?? '')?.[1];
  if (number) return sourceMark(Number(number));
  const says = `${attributes['class'] ?? ''} ${attributes['style'] ?? ''}`;
  if (/line-through/.test(says)) return sourceMark('strike');
  if (/underline/.test(says)) return sourceMark('underline');
  return /small-?caps/.test(says) ? sourceMark('smallCapitals') : undefined;
}

/** What a `data:` address holds; undefined where it is no picture. */
function dataOf(src: string): Uint8Array | undefined {
  const comma = src.indexOf(',');
  if (!/^data:image\/[\w.+-]+;base64$/.test(src.slice(0, comma))) return undefined;
  try {
    return Uint8Array.from(atob(src.slice(comma + 1)), (letter) => letter.charCodeAt(0));
  } catch {
    return undefined;
  }
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

  /** Whether it stands in another. */
  open(): boolean {
    if (this.#depth++ === 0) this.#rows = [];
    return this.#depth > 1;
  }

  /** Ends what was never closed. */
  finish(blocks: Block[]): void {
    if (this.#depth === 0) return;
    this.#depth = 1;
    this.close(blocks);
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
