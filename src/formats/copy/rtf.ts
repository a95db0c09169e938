import iconv from 'iconv-lite';
import { Tokenize } from 'rtf-stream-parser';
import { counted } from '@/core/records/count';
import { wellFormed } from '@/core/records/plain';
import { RefusedFileError } from '../refused';
import type { Copy } from './blocks';
import { readHtml } from './html';
import { type Letters, Written } from './written';

/** What `Tokenize` gives: groups that begin (0) and end (1), control words (2), bytes of text (3). */
interface Token {
  readonly type: 0 | 1 | 2 | 3;
  readonly word?: string;
  readonly param?: number;
  readonly data?: Buffer;
}

/** Where the words of a group go. */
type Destination = 'body' | 'skip' | 'fonts' | 'styles' | 'picture' | 'instruction' | 'lists' | 'overrides';

/** What holds inside a group until it ends. */
interface Group {
  to: Destination;
  letters: Letters;
  font: number;
  /** Characters that stand behind `\u` for readers that do not know it. */
  uc: number;
  isHidden: boolean;
  link?: string | undefined;
  onEnd?: () => void;
}

interface Paragraph {
  style: number;
  outline: number;
  list: number;
  level: number;
  /** Of lists in the manner of old files. */
  mark: 'bullet' | 'number' | undefined;
  hangs: boolean;
  indent: number;
  inTable: boolean;
}

interface RowCell {
  html: string;
  across: number;
  down: number;
  /** It belongs to the cell before it, or to that above it. */
  readonly joins: 'before' | 'above' | undefined;
}

const DEEPEST = 10_000;

/** Points of twips that a level of a list is set in by. */
const LEVEL = 360;

const SIGNS: Readonly<Record<string, string>> = {
  tab: '\t',
  emdash: '—',
  endash: '–',
  emspace: '\u2003',
  enspace: '\u2002',
  bullet: '•',
  lquote: '‘',
  rquote: '’',
  ldblquote: '“',
  rdblquote: '”',
  '~': '\u00a0',
  _: '\u2011',
  '-': '\u00ad',
  zwj: '\u200d',
  zwnj: '\u200c',
  ltrmark: '\u200e',
  rtlmark: '\u200f',
  '{': '{',
  '}': '}',
  '\\': '\\',
};

/** Code pages by the character sets of fonts (Rich Text Format Specification 1.9.1, “Font Table”). */
const CODE_PAGES: Readonly<Record<number, string>> = {
  77: 'macroman',
  128: 'cp932',
  129: 'cp949',
  134: 'cp936',
  136: 'cp950',
  161: 'cp1253',
  162: 'cp1254',
  163: 'cp1258',
  177: 'cp1255',
  178: 'cp1256',
  186: 'cp1257',
  204: 'cp1251',
  222: 'cp874',
  238: 'cp1250',
};

/** Destinations whose words are not the story's, and what is left out with them. */
const SKIPPED: Readonly<Record<string, string | undefined>> = {
  colortbl: undefined,
  info: undefined,
  header: 'header',
  headerl: 'header',
  headerr: 'header',
  headerf: 'header',
  footer: 'footer',
  footerl: 'footer',
  footerr: 'footer',
  footerf: 'footer',
  annotation: 'comment',
  object: 'embedded object',
  nonshppict: undefined,
  listtext: undefined,
  pntext: undefined,
  ftnsep: undefined,
  filetbl: undefined,
  revtbl: undefined,
  xe: undefined,
  tc: undefined,
};

/** Destinations that are read although they are marked as ones that need not be known. */
const KNOWN = new Set(['footnote', 'fldinst', 'shppict', 'listtable', 'listoverridetable', 'pn', 'cs', 'ud', 'annotation']);

/** Names of styles that say no more than what a paragraph is. */
const PLAIN = /^(normal|default paragraph font|body text.*|title|heading \d|list.*|footnote.*|endnote.*|hyperlink|no list)$/i;

/**
 * Reads RTF (Rich Text Format Specification 1.9.1) as copy.
 * @throws RefusedFileError when it is none, or damaged
 */
export async function readRtf(bytes: Uint8Array): Promise<Copy> {
  const source = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (const [, said] of source.toString('latin1').matchAll(/\\bin(\d+)/g))
    if (Number(said) > bytes.length) throw new RefusedFileError('The file is damaged: it says that it holds more than it does.');
  const reader = new RtfReader();
  const tokens = new Tokenize();
  tokens.end(source);
  for await (const token of tokens) reader.take(token as Token);
  const written = reader.end();
  return readHtml(wellFormed(written.html()), written.beside());
}

class RtfReader {
  readonly #out = new Written();
  readonly #stack: Group[] = [];
  #group: Group = { to: 'body', letters: {}, font: 0, uc: 1, isHidden: false };
  #codePage = 'cp1252';
  #defaultFont = 0;
  readonly #fonts = new Map<number, string>();
  readonly #styles = new Map<string, string>();
  readonly #left = new Map<string, number>();
  /** Formats of numbers by list and level; 23 is a bullet, 255 none. */
  readonly #lists = new Map<number, number[]>();
  readonly #overrides = new Map<number, number>();
  #listLevels: number[] = [];
  #listId = 0;
  #paragraph = fresh();
  /** What the paragraph holds so far. */
  #runs: (() => void)[] = [];
  #words = '';
  #pending: Buffer[] = [];
  #skip = 0;
  /** `\*` was said: what comes is skipped unless it is known. */
  #mayBeUnknown = false;
  #isFirst = false;
  #startIn: 'page' | 'column' | undefined;
  readonly #openLists: ('ul' | 'ol')[] = [];
  #rows: { cells: RowCell[]; isHead: boolean }[] = [];
  #cells: string[] = [];
  #cell = '';
  #joins: { before: boolean; above: boolean }[] = [];
  #join = { before: false, above: false };
  #isHeadRow = false;
  #instruction = '';
  #inNote = 0;
  #styleKey = '';
  #picture: { kind: 'png' | 'jpeg' | undefined; hex: string[]; bytes: Buffer | undefined } | undefined;

  take(token: Token): void {
    switch (token.type) {
      case 0:
        this.#flushBytes();
        if (this.#stack.length === DEEPEST) throw new RefusedFileError('The file is damaged: its groups never end.');
        this.#stack.push(this.#group);
        this.#group = { ...this.#group };
        delete this.#group.onEnd;
        this.#isFirst = true;
        return;
      case 1: {
        this.#flushBytes();
        const { onEnd } = this.#group;
        onEnd?.();
        this.#group = this.#stack.pop() ?? this.#group;
        this.#mayBeUnknown = false;
        return;
      }
      case 2:
        return this.#control(token.word!, token.param, token.data);
      case 3:
        this.#isFirst = false;
        return this.#bytes(token.data!);
    }
  }

  end(): Written {
    this.#flushBytes();
    this.#endParagraph();
    this.#endTable();
    this.#toLevel(0);
    for (const [what, count] of this.#left) this.#out.dropped.push(counted(count, what));
    return this.#out;
  }

  #bytes(data: Buffer): void {
    let bytes = data;
    if (this.#skip > 0) {
      const passed = Math.min(this.#skip, bytes.length);
      this.#skip -= passed;
      bytes = bytes.subarray(passed);
    }
    if (bytes.length === 0) return;
    if (this.#group.to === 'picture') this.#picture?.hex.push(bytes.toString('latin1'));
    else if (this.#group.to === 'skip' || this.#group.isHidden) return;
    else this.#pending.push(bytes);
  }

  /** Bytes become letters together, since a letter may be of two of them. */
  #flushBytes(): void {
    if (this.#pending.length === 0) return;
    const bytes = Buffer.concat(this.#pending);
    this.#pending = [];
    const page = this.#fonts.get(this.#group.font) ?? this.#codePage;
    this.#text(iconv.decode(bytes, iconv.encodingExists(page) ? page : 'cp1252'));
  }

  #text(text: string): void {
    const { to, isHidden } = this.#group;
    if (to === 'styles') this.#nameStyle(text);
    else if (to === 'instruction') this.#instruction += text;
    else if (to === 'body' && !isHidden) this.#run(text);
  }

  #run(text: string): void {
    const letters = this.#group.link === undefined ? this.#group.letters : { ...this.#group.letters, link: this.#group.link };
    this.#words += text;
    this.#runs.push(() => this.#out.words(text, letters));
  }

  #nameStyle(text: string): void {
    const known = this.#styles.get(this.#styleKey) ?? '';
    if (!known.endsWith(';')) this.#styles.set(this.#styleKey, known + text);
  }

  #nameOf(key: string): string | undefined {
    return this.#styles.get(key)?.replace(/;.*$/s, '').trim() || undefined;
  }

  #control(word: string, param: number | undefined, data: Buffer | undefined): void {
    if (word === "'") return this.#bytes(data ?? Buffer.from('?'));
    if (word === 'u' && param !== undefined) {
      this.#flushBytes();
      if (this.#group.to !== 'skip') this.#text(String.fromCharCode(param & 0xffff));
      this.#skip = this.#group.uc;
      return;
    }
    this.#flushBytes();
    if (this.#skip > 0 && word in SIGNS) {
      this.#skip--;
      return;
    }
    this.#skip = 0;
    if (word === '*') {
      this.#mayBeUnknown = true;
      return;
    }
    const isFirst = this.#isFirst;
    this.#isFirst = false;
    if (this.#mayBeUnknown) {
      this.#mayBeUnknown = false;
      if (!KNOWN.has(word)) this.#group.to = 'skip';
    }
    const { to } = this.#group;
    if (to === 'skip') return;
    if (word === 'bin' && this.#picture) this.#picture.bytes = data;
    else if (to === 'picture') this.#ofPicture(word);
    else if (to === 'lists') this.#ofList(word, param ?? 0);
    else if (to === 'overrides') this.#ofOverride(word, param ?? 0);
    else if (to === 'fonts') this.#ofFont(word, param ?? 0);
    else if (to === 'styles') this.#ofStyle(word, param ?? 0);
    else if (isFirst && this.#destination(word)) return;
    else if (word in SIGNS) this.#text(SIGNS[word]!);
    else if (!this.#ofLetters(word, param)) this.#ofParagraph(word, param ?? 0);
  }

  /** Whether a word, first in its group, says where the group's words go. */
  #destination(word: string): boolean {
    if (word in SKIPPED) {
      const what = SKIPPED[word];
      if (what) this.#leave(what);
      this.#group.to = 'skip';
      return true;
    }
    switch (word) {
      case 'fonttbl':
        this.#group.to = 'fonts';
        return true;
      case 'stylesheet':
        this.#group.to = 'styles';
        this.#styleKey = 's0';
        return true;
      case 'listtable':
        this.#group.to = 'lists';
        return true;
      case 'listoverridetable':
        this.#group.to = 'overrides';
        return true;
      case 'footnote':
        this.#footnote();
        return true;
      case 'fldinst': {
        this.#group.to = 'instruction';
        this.#instruction = '';
        const field = this.#stack.at(-1)!;
        this.#group.onEnd = () => {
          field.link = /HYPERLINK\s+"([^"]*)"/.exec(this.#instruction)?.[1] ?? field.link;
        };
        return true;
      }
      case 'pict':
        this.#group.to = 'picture';
        this.#picture = { kind: undefined, hex: [], bytes: undefined };
        this.#group.onEnd = () => this.#endPicture();
        return true;
      default:
        return false;
    }
  }

  #leave(what: string): void {
    this.#left.set(what, (this.#left.get(what) ?? 0) + 1);
  }

  /** A note has paragraphs of its own, which stand at the end; the one it belongs to goes on behind it. */
  #footnote(): void {
    const outer = { runs: this.#runs, words: this.#words, paragraph: this.#paragraph };
    // The number in front of it, which is superscript, is written anew.
    this.#runs = [];
    this.#words = '';
    this.#paragraph = fresh();
    this.#group.letters = {};
    this.#inNote++;
    this.#group.onEnd = () => {
      this.#inNote--;
      const runs = this.#runs;
      this.#runs = outer.runs;
      this.#words = outer.words;
      this.#paragraph = outer.paragraph;
      this.#runs.push(() => {
        const end = this.#out.note();
        for (const run of runs) run();
        end();
      });
    };
  }

  #ofPicture(word: string): void {
    if (word === 'pngblip') this.#picture!.kind = 'png';
    else if (word === 'jpegblip') this.#picture!.kind = 'jpeg';
  }

  #endPicture(): void {
    const picture = this.#picture;
    this.#picture = undefined;
    if (!picture) return;
    const bytes = picture.bytes ?? Buffer.from(picture.hex.join('').replace(/[^0-9a-f]/gi, ''), 'hex');
    if (picture.kind === undefined || bytes.length === 0) return this.#leave('drawing');
    this.#words += '\uFFFC';
    this.#runs.push(() => this.#out.picture(new Uint8Array(bytes), ''));
  }

  #ofFont(word: string, param: number): void {
    if (word === 'f') this.#group.font = param;
    const page = word === 'fcharset' ? CODE_PAGES[param] : undefined;
    if (page) this.#fonts.set(this.#group.font, page);
  }

  #ofStyle(word: string, param: number): void {
    if (word === 's' || word === 'cs' || word === 'ds') this.#styleKey = `${word}${param}`;
  }

  #ofList(word: string, param: number): void {
    if (word === 'list') this.#listLevels = [];
    else if (word === 'levelnfc' || (word === 'levelnfcn' && this.#listLevels.length === 0)) this.#listLevels.push(param);
    else if (word === 'listid') this.#lists.set(param, this.#listLevels);
  }

  #ofOverride(word: string, param: number): void {
    if (word === 'listid') this.#listId = param;
    else if (word === 'ls') this.#overrides.set(param, this.#listId);
  }

  /** Whether a word changes the look of letters. */
  #ofLetters(word: string, param: number | undefined): boolean {
    const group = this.#group;
    const is = param !== 0;
    const set = (letters: Letters) => {
      group.letters = { ...group.letters, ...letters };
      return true;
    };
    switch (word) {
      case 'plain':
        group.letters = {};
        group.isHidden = false;
        return true;
      case 'b':
        return set({ strong: is });
      case 'i':
        return set({ emphasis: is });
      case 'ul':
      case 'uld':
      case 'uldb':
      case 'ulw':
        return set({ underline: is });
      case 'ulnone':
        return set({ underline: false });
      case 'strike':
      case 'striked':
        return set({ strike: is });
      case 'scaps':
        return set({ smallCapitals: is });
      case 'super':
        return set({ position: is ? 'superscript' : undefined });
      case 'sub':
        return set({ position: is ? 'subscript' : undefined });
      case 'nosupersub':
        return set({ position: undefined });
      case 'cs': {
        const name = this.#nameOf(`cs${param ?? 0}`);
        return set({ named: name === undefined || PLAIN.test(name) ? undefined : name });
      }
      case 'f':
        group.font = param ?? this.#defaultFont;
        return true;
      case 'uc':
        group.uc = param ?? 1;
        return true;
      case 'v':
        group.isHidden = is;
        return true;
      case 'deleted':
        if (is) this.#leave('marked deletion');
        group.isHidden = is;
        return true;
      default:
        return false;
    }
  }

  #ofParagraph(word: string, param: number): void {
    const paragraph = this.#paragraph;
    switch (word) {
      case 'ansicpg':
        this.#codePage = `cp${param}`;
        break;
      case 'mac':
        this.#codePage = 'macroman';
        break;
      case 'deff':
        this.#defaultFont = this.#group.font = param;
        break;
      case 'pard':
        this.#paragraph = fresh();
        break;
      case 's':
        paragraph.style = param;
        break;
      case 'outlinelevel':
        paragraph.outline = param;
        break;
      case 'ls':
        paragraph.list = param;
        break;
      case 'ilvl':
        paragraph.level = param;
        break;
      case 'pnlvlblt':
        paragraph.mark = 'bullet';
        break;
      case 'pnlvlbody':
        paragraph.mark = 'number';
        break;
      case 'fi':
        paragraph.hangs = param < 0;
        break;
      case 'li':
        paragraph.indent = param;
        break;
      case 'intbl':
        paragraph.inTable = true;
        break;
      case 'line':
        this.#runs.push(() => this.#out.tag('<br>'));
        break;
      case 'page':
      case 'column':
        if (this.#words.trim() !== '') this.#endParagraph();
        this.#startIn = word;
        break;
      case 'pagebb':
        this.#startIn = 'page';
        break;
      case 'par':
      case 'sect':
      case 'nestcell':
        this.#endParagraph();
        break;
      case 'cell':
        this.#paragraph.inTable = true;
        this.#endParagraph();
        this.#cells.push(this.#cell);
        this.#cell = '';
        break;
      case 'trowd':
        this.#joins = [];
        this.#join = { before: false, above: false };
        this.#isHeadRow = false;
        break;
      case 'trhdr':
        this.#isHeadRow = true;
        break;
      case 'clmrg':
        this.#join.before = true;
        break;
      case 'clvmrg':
        this.#join.above = true;
        break;
      case 'cellx':
        this.#joins.push(this.#join);
        this.#join = { before: false, above: false };
        break;
      case 'row':
        this.#endRow();
        break;
    }
  }

  #endParagraph(): void {
    const runs = this.#runs;
    const words = this.#words;
    this.#runs = [];
    this.#words = '';
    if (words.trim() === '') return;
    if (this.#inNote > 0) {
      this.#runs = [...runs, () => this.#out.tag('<br>')];
      this.#words = words;
      return;
    }
    if (!this.#paragraph.inTable) {
      this.#endTable();
      this.#writeParagraph(runs, words);
      return;
    }
    // What is listed outside a table ends before it, and what is in a cell in the cell.
    this.#toLevel(0);
    const before = this.#out.mark();
    this.#writeParagraph(runs, words);
    this.#toLevel(0);
    this.#cell += this.#out.cut(before);
  }

  #writeParagraph(runs: readonly (() => void)[], words: string): void {
    const name = this.#nameOf(`s${this.#paragraph.style}`);
    const heading = Number(/^heading (\d)/i.exec(name ?? '')?.[1] ?? this.#paragraph.outline + 1);
    const list = this.#listKind(words);
    const own = this.#out.style(name !== undefined && !PLAIN.test(name) ? name : undefined);
    this.#toLevel(list ? this.#levelOf() + 1 : 0, list);
    if (this.#startIn) this.#out.tag(`<hr class="${this.#startIn}">`);
    this.#startIn = undefined;
    const tag = list ? 'li' : /^title$/i.test(name ?? '') ? 'h1' : heading > 0 && heading <= 6 ? `h${heading}` : 'p';
    const isQuoted = /quot/i.test(name ?? '');
    this.#out.tag(`${isQuoted ? '<blockquote>' : ''}<${tag}${own}>`);
    const from = this.#out.mark();
    for (const run of runs) run();
    // A mark that was typed in front of a list's item is the list's now.
    if (list && this.#paragraph.list === 0 && TYPED_MARK.test(words)) {
      const html = this.#out.cut(from);
      this.#out.tag(html.replace(/^(<[^>]*>)*(?:\d+[.)]|[•·–*-])\s*\t\s*/, '$1'));
    }
    this.#out.tag(`</${tag}>${isQuoted ? '</blockquote>' : ''}`);
  }

  /** How a paragraph is listed, if it is. */
  #listKind(words: string): 'ul' | 'ol' | undefined {
    const { list, level, mark, hangs } = this.#paragraph;
    if (list > 0) {
      const format = this.#lists.get(this.#overrides.get(list) ?? -1)?.[level];
      return format === 255 ? undefined : format === undefined || format === 23 ? 'ul' : 'ol';
    }
    if (mark) return mark === 'bullet' ? 'ul' : 'ol';
    const typed = hangs ? TYPED_MARK.exec(words)?.[1] : undefined;
    return typed === undefined ? undefined : /\d/.test(typed) ? 'ol' : 'ul';
  }

  #levelOf(): number {
    const { list, level, indent } = this.#paragraph;
    return Math.min(8, list > 0 ? level : Math.max(0, Math.round(indent / LEVEL) - 1));
  }

  #toLevel(depth: number, kind: 'ul' | 'ol' = 'ul'): void {
    const open = this.#openLists;
    while (open.length > depth || (open.length === depth && depth > 0 && open.at(-1) !== kind)) this.#out.tag(`</${open.pop()}>`);
    while (open.length < depth) {
      open.push(kind);
      this.#out.tag(`<${kind}>`);
    }
  }

  #endRow(): void {
    if (this.#cells.length === 0) return;
    const cells: RowCell[] = [];
    this.#cells.forEach((html, i) => {
      const join = this.#joins[i];
      cells.push({ html, across: 1, down: 1, joins: join?.before ? 'before' : join?.above ? 'above' : undefined });
    });
    this.#rows.push({ cells, isHead: this.#isHeadRow });
    this.#cells = [];
  }

  #endTable(): void {
    if (this.#cells.length > 0) this.#endRow();
    const rows = this.#rows;
    this.#rows = [];
    if (rows.length === 0) return;
    /** The cell that stands over each column, which one that joins it makes longer. */
    const above: RowCell[] = [];
    for (const { cells } of rows)
      cells.forEach((cell, i) => {
        const joined = cell.joins === 'before' ? cells[i - 1] : cell.joins === 'above' ? above[i] : undefined;
        if (!joined) {
          above[i] = cell;
          return;
        }
        const first = cell.joins === 'before' ? (above[i - 1] ?? joined) : joined;
        if (cell.joins === 'before') first.across++;
        else first.down++;
        first.html += cell.html;
        above[i] = first;
      });
    const shown = rows.map(({ cells, isHead }) => {
      const tag = isHead ? 'th' : 'td';
      const own = cells.filter((cell, i) => cell.joins === undefined || (i === 0 && cell.joins === 'before'));
      return `<tr>${own.map(({ html, across, down }) => `<${tag} colspan="${across}" rowspan="${down}">${html}</${tag}>`).join('')}</tr>`;
    });
    this.#toLevel(0);
    this.#out.tag(`<table>${shown.join('')}</table>`);
  }
}

/** A mark of a list that was typed, with the tab behind it. */
const TYPED_MARK = /^\s*(\d+[.)]|[•·–*-])\s*\t/;

const fresh = (): Paragraph => ({
  style: 0,
  outline: -1,
  list: 0,
  level: 0,
  mark: undefined,
  hangs: false,
  indent: 0,
  inTable: false,
});
