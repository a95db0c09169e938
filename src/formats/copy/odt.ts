import { Parser } from 'htmlparser2';
import { counted } from '@/core/records/count';
import { wellFormed } from '@/core/records/plain';
import { RefusedFileError } from '../refused';
import { type Archive, readArchive, textIn } from './archive';
import type { Copy } from './blocks';
import { readHtml } from './html';
import { type Letters, Written } from './written';

type Attributes = Readonly<Record<string, string>>;

/** A style as the document defines it; what it does not say, the one it is based on does. */
interface Style {
  readonly name: string;
  /** Made by hand, without a name that a person gave it. */
  readonly isAutomatic: boolean;
  readonly parent: string | undefined;
  letters: Letters;
  startIn?: 'page' | 'column' | undefined;
}

/** Names of styles that say no more than what a paragraph is. */
const PLAIN =
  /^(standard|text body|first paragraph|title|heading.*|list.*|numbering.*|table contents|table heading|footnote|endnote|internet link|text|default.*)$/i;

/** What is passed over with all it holds, and what it is called where that has to be said. */
const LEFT_OUT: Readonly<Record<string, string | undefined>> = {
  'office:annotation': 'comment',
  'draw:object': 'embedded object',
  'draw:object-ole': 'embedded object',
  'text:table-of-content': 'contents list',
  'text:deletion': 'marked deletion',
  'text:note-citation': undefined,
  'text:sequence-decls': undefined,
  'office:forms': undefined,
  'svg:title': undefined,
  'svg:desc': undefined,
};

const MOST_REPEATED = 100;

/**
 * Reads an OpenDocument text (ISO/IEC 26300) as copy.
 * @throws RefusedFileError when it is damaged or encrypted, too large inside, or no ODT
 */
export async function readOdt(bytes: Uint8Array): Promise<Copy> {
  const wanted = /^(content\.xml|styles\.xml|META-INF\/manifest\.xml|Pictures\/[^/]+)$/;
  const archive = await readArchive(bytes, (name) => wanted.test(name));
  if (textIn(archive, 'META-INF/manifest.xml').includes('encryption-data'))
    throw new RefusedFileError('The file is protected by a password. Save it without one.');
  if (!archive.entries.has('content.xml'))
    throw new RefusedFileError('The file is not a word processor document that can be read, or it is damaged.');
  const written = new OdtReader(archive).read();
  return readHtml(wellFormed(written.html()), written.beside());
}

class OdtReader {
  readonly #archive: Archive;
  readonly #styles = new Map<string, Style>();
  /** Whether a level of a list style is numbered, by its name and level. */
  readonly #numbered = new Map<string, boolean>();
  readonly #out = new Written();
  readonly #left = new Map<string, number>();
  /** Closing tags of the elements that are open. */
  readonly #open: string[] = [];
  readonly #letters: Letters[] = [{}];
  readonly #lists: string[] = [];
  readonly #notes: (() => void)[] = [];
  /** How deep in something that is passed over. */
  #silent = 0;
  #listStyle = '';
  #says = '';
  #picture: string | undefined;

  constructor(archive: Archive) {
    this.#archive = archive;
  }

  read(): Written {
    for (const name of ['styles.xml', 'content.xml']) this.#readStyles(textIn(this.#archive, name));
    let inBody = false;
    this.#parse(
      textIn(this.#archive, 'content.xml'),
      (name, attributes) => {
        if (name === 'office:body') inBody = true;
        if (inBody) this.#opened(name, attributes);
      },
      (name) => inBody && this.#closed(name),
      (text) => {
        if (!inBody) return;
        if (this.#saying) this.#says += text;
        else if (this.#silent === 0) this.#out.words(text.replace(/\s+/g, ' '), this.#letters.at(-1)!);
      },
    );
    for (const [what, count] of this.#left) this.#out.dropped.push(counted(count, what));
    return this.#out;
  }

  #saying = false;

  #parse(
    xml: string,
    open: (name: string, attributes: Attributes) => void,
    close: (name: string) => void,
    text: (text: string) => void,
  ): void {
    const parser = new Parser({ onopentag: open, onclosetag: close, ontext: text }, { xmlMode: true, decodeEntities: true });
    parser.write(xml);
    parser.end();
  }

  #readStyles(xml: string): void {
    let style: Style | undefined;
    let list = '';
    let isAutomatic = false;
    this.#parse(
      xml,
      (name, attributes) => {
        if (name === 'office:automatic-styles') isAutomatic = true;
        if (name === 'style:style') {
          const own = attributes['style:name'] ?? '';
          style = {
            name:
              attributes['style:display-name'] ??
              own.replace(/_([0-9a-f]{2})_/gi, (_, code: string) => String.fromCharCode(parseInt(code, 16))),
            isAutomatic,
            parent: attributes['style:parent-style-name'],
            letters: {},
          };
          this.#styles.set(own, style);
        } else if (name === 'style:text-properties' && style) style.letters = lettersOf(attributes);
        else if (name === 'style:paragraph-properties' && style) {
          const breaks = attributes['fo:break-before'];
          if (breaks === 'page' || breaks === 'column') style.startIn = breaks;
        } else if (name === 'text:list-style') list = attributes['style:name'] ?? '';
        else if (name.startsWith('text:list-level-style-'))
          this.#numbered.set(
            `${list} ${attributes['text:level']}`,
            name.endsWith('number') && (attributes['style:num-format'] ?? '') !== '',
          );
      },
      (name) => {
        if (name === 'office:automatic-styles') isAutomatic = false;
        if (name === 'style:style') style = undefined;
      },
      () => undefined,
    );
  }

  /** A style and those it is based on, from itself on. */
  #line(name: string | undefined): Style[] {
    const line: Style[] = [];
    for (let style = this.#styles.get(name ?? ''); style && line.length < 20; style = this.#styles.get(style.parent ?? ''))
      line.push(style);
    return line;
  }

  #lettersBy(name: string | undefined, isParagraph: boolean): Letters {
    const line = this.#line(name).filter((style) => !isParagraph || style.isAutomatic);
    const named = isParagraph ? undefined : line.find((style) => !style.isAutomatic)?.name;
    const letters = line.reduceRight<Letters>((all, style) => ({ ...all, ...style.letters }), {});
    return { ...letters, ...(named !== undefined && !PLAIN.test(named) && !isMark(letters) ? { named } : {}) };
  }

  #opened(name: string, attributes: Attributes): void {
    if (name === 'svg:desc' || name === 'svg:title') this.#saying = this.#picture !== undefined;
    if (name in LEFT_OUT) {
      const what = LEFT_OUT[name];
      if (what && this.#silent === 0) this.#left.set(what, (this.#left.get(what) ?? 0) + 1);
      this.#silent++;
    }
    if (this.#silent > 0) return;
    const style = attributes['text:style-name'];
    let close = '';
    switch (name) {
      case 'text:h':
      case 'text:p':
        close = this.#paragraph(name === 'text:h' ? Number(attributes['text:outline-level'] ?? 1) : 0, style);
        break;
      case 'text:span':
        this.#letters.push({ ...this.#letters.at(-1)!, ...this.#lettersBy(style, false) });
        break;
      case 'text:a':
        this.#letters.push({ ...this.#letters.at(-1)!, link: attributes['xlink:href'] });
        break;
      case 'text:list': {
        if (this.#lists.length === 0 || style !== undefined) this.#listStyle = style ?? this.#listStyle;
        const isNumbered = this.#numbered.get(`${this.#listStyle} ${this.#lists.length + 1}`) ?? false;
        const tag = isNumbered ? 'ol' : 'ul';
        this.#lists.push(tag);
        this.#out.tag(`<${tag}>`);
        close = `</${tag}>`;
        break;
      }
      case 'text:list-item':
        this.#out.tag('<li>');
        close = '</li>';
        break;
      case 'text:line-break':
        this.#out.tag('<br>');
        break;
      case 'text:tab':
        this.#out.words('\t');
        break;
      case 'text:s':
        this.#out.words(' '.repeat(Math.min(MOST_REPEATED, Number(attributes['text:c'] ?? 1) || 1)));
        break;
      case 'text:note':
        this.#notes.push(this.#out.note());
        this.#letters.push({});
        break;
      case 'table:table':
        this.#out.tag('<table>');
        close = '</table>';
        break;
      case 'table:table-header-rows':
        this.#head++;
        break;
      case 'table:table-row':
        this.#out.tag('<tr>');
        close = '</tr>';
        break;
      case 'table:table-cell':
        close = this.#cell(attributes);
        break;
      case 'draw:frame':
        this.#says = '';
        break;
      case 'draw:image':
        this.#picture = attributes['xlink:href'] ?? '';
        break;
    }
    this.#open.push(close);
  }

  #head = 0;

  #paragraph(level: number, styleName: string | undefined): string {
    const line = this.#line(styleName);
    const named = line.find((style) => !style.isAutomatic)?.name;
    const startIn = line[0]?.isAutomatic ? line[0].startIn : undefined;
    if (startIn) this.#out.tag(`<hr class="${startIn}">`);
    this.#letters.push(this.#lettersBy(styleName, true));
    const tag = level > 0 ? `h${Math.min(6, Math.max(1, level))}` : /^title$/i.test(named ?? '') ? 'h1' : 'p';
    const own = this.#out.style(named !== undefined && !PLAIN.test(named) ? named : undefined);
    const isQuoted = /quot/i.test(named ?? '');
    this.#out.tag(`${isQuoted ? '<blockquote>' : ''}<${tag}${own}>`);
    return `</${tag}>${isQuoted ? '</blockquote>' : ''}`;
  }

  #cell(attributes: Attributes): string {
    const tag = this.#head > 0 ? 'th' : 'td';
    const across = attributes['table:number-columns-spanned'] ?? '1';
    const down = attributes['table:number-rows-spanned'] ?? '1';
    const repeated = Math.min(MOST_REPEATED, Number(attributes['table:number-columns-repeated'] ?? 1) || 1);
    for (let i = 1; i < repeated; i++) this.#out.tag(`<${tag}></${tag}>`);
    this.#out.tag(`<${tag} colspan="${Number(across) || 1}" rowspan="${Number(down) || 1}">`);
    return `</${tag}>`;
  }

  #closed(name: string): void {
    if (name === 'svg:desc' || name === 'svg:title') this.#saying = false;
    if (name in LEFT_OUT) {
      this.#silent = Math.max(0, this.#silent - 1);
      return;
    }
    if (this.#silent > 0) return;
    this.#out.tag(this.#open.pop() ?? '');
    switch (name) {
      case 'text:h':
      case 'text:p':
      case 'text:span':
      case 'text:a':
        this.#letters.pop();
        break;
      case 'text:list':
        this.#lists.pop();
        break;
      case 'text:note':
        this.#letters.pop();
        this.#notes.pop()?.();
        break;
      case 'table:table-header-rows':
        this.#head--;
        break;
      case 'draw:frame':
        this.#placePicture();
        break;
    }
  }

  #placePicture(): void {
    if (this.#picture === undefined) return;
    const bytes = this.#archive.entries.get(this.#picture.replace(/^\.\//, ''));
    if (bytes) this.#out.picture(bytes, this.#says.trim());
    else this.#out.tag('<img src="elsewhere">');
    this.#picture = undefined;
  }
}

/** Whether letters ask for something that every house can set. */
const isMark = ({ strong, emphasis, position }: Letters): boolean => Boolean(strong ?? emphasis ?? position);

function lettersOf(attributes: Attributes): Letters {
  const weight = attributes['fo:font-weight'];
  const slope = attributes['fo:font-style'];
  const underline = attributes['style:text-underline-style'];
  const strike = attributes['style:text-line-through-style'] ?? attributes['style:text-line-through-type'];
  const position = attributes['style:text-position'];
  const variant = attributes['fo:font-variant'];
  return {
    ...(weight === undefined ? {} : { strong: weight === 'bold' || Number(weight) >= 600 }),
    ...(slope === undefined ? {} : { emphasis: slope === 'italic' || slope === 'oblique' }),
    ...(underline === undefined ? {} : { underline: underline !== 'none' }),
    ...(strike === undefined ? {} : { strike: strike !== 'none' }),
    ...(variant === undefined ? {} : { smallCapitals: variant === 'small-caps' }),
    ...(position === undefined
      ? {}
      : {
          position: /^(super|[1-9])/.test(position) ? 'superscript' : /^(sub|-)/.test(position) ? 'subscript' : undefined,
        }),
  };
}
