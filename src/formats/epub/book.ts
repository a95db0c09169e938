import {
  type Edition,
  type EditionBlock,
  type EditionFigure,
  type EditionSection,
  type EditionStory,
  storiesOf,
} from '@/core/handoff/reading/edition';
import type { OutParagraph } from '@/core/handoff/reading/outline';
import { isRightToLeft } from '@/core/records/language';
import { freeNames, slug } from '../fileNames';
import { blocksHtml, type Dress } from '../html/blocks';
import type { HouseType } from '../html/houseType';
import { asPlain, type EditionSources, ending, STORY_TAGS, titleIn, typed } from '../html/story';
import type { ShownPicture } from '../html/shownPicture';
import { escaped } from '../markup';

/** What a book is made from besides its words. */
export interface BookSources extends EditionSources {
  /** Whether it is marked where printed pages begin. */
  readonly pages: boolean;
}

/** An issue as a book for electronic readers: its texts by path, and in which order they are read. */
export interface Book {
  readonly edition: Edition;
  readonly title: string;
  readonly texts: ReadonlyMap<string, string>;
  readonly spine: readonly string[];
  /** The picture of its cover, by path. */
  readonly cover: string | undefined;
  readonly hasPages: boolean;
  /** Whether all pictures have words in their place. */
  readonly isDescribed: boolean;
}

/** @returns an edition as EPUB 3.3 (W3C) has it, but for its package */
export const epubBook = (edition: Edition, sources: BookSources): Book => new Binder(edition, sources).book();

interface NavEntry {
  readonly words: string;
  readonly path: string;
  readonly under: readonly NavEntry[];
}

class Binder {
  readonly #edition: Edition;
  readonly #of: BookSources;
  readonly #texts = new Map<string, string>();
  readonly #spine: string[] = [];
  readonly #byStory = new Map<string, string>();
  /** Where printed pages begin, by folio. */
  readonly #pages = new Map<string, string>();
  /** The text that is being written. */
  #path = '';

  constructor(edition: Edition, sources: BookSources) {
    this.#edition = edition;
    this.#of = sources;
  }

  book(): Book {
    const edition = this.#edition;
    const title = [edition.publication, edition.number && `No. ${edition.number}`].filter(Boolean).join(', ') || 'Issue';
    const free = freeNames('-');
    for (const taken of ['cover', 'nav']) free(taken, 'xhtml');
    const paths = new Map<EditionSection | EditionStory, string>();
    for (const section of edition.sections) {
      if (section.name !== '' || section.more.length > 0) paths.set(section, free(slug(section.name, 'more'), 'xhtml'));
      for (const story of section.stories) {
        const path = free(slug(story.title, 'story'), 'xhtml');
        paths.set(story, path);
        this.#byStory.set(story.id, path);
      }
    }
    const { cover } = this.#of;
    const nav: NavEntry[] = [];
    if (cover) this.#write('cover.xhtml', title, this.#cover(cover), 'cover');
    this.#spine.push('nav.xhtml');
    for (const section of edition.sections) {
      const path = paths.get(section);
      const stories = section.stories.map((story): NavEntry => ({ words: story.title, path: paths.get(story)!, under: [] }));
      const own = path === undefined ? undefined : () => this.#write(path, section.name || 'More', this.#section(section, paths));
      // What belongs to no section and no story comes after its stories.
      if (section.name !== '') own?.();
      for (const story of section.stories) this.#write(paths.get(story)!, story.title, this.#story(story));
      if (section.name === '') own?.();
      if (path === undefined) nav.push(...stories);
      else if (section.name === '') nav.push(...stories, { words: 'More', path, under: [] });
      else nav.push({ words: section.name, path, under: stories });
    }
    this.#texts.set('nav.xhtml', this.#nav(title, nav, cover !== undefined));
    this.#texts.set('style.css', styleOf(this.#of.type));
    const figures = [
      ...storiesOf(edition).flatMap(({ lead, body }) => [...(lead ? [lead] : []), ...body.filter(({ is }) => is === 'figure')]),
    ] as EditionFigure[];
    return {
      edition,
      title,
      texts: this.#texts,
      spine: this.#spine,
      cover: cover?.sources.at(-1)!.files.at(-1)!.path,
      hasPages: this.#pages.size > 0,
      isDescribed: figures.every(({ picture }) => picture.alternative || picture.caption),
    };
  }

  #write(path: string, title: string, body: string, type = 'bodymatter'): void {
    this.#texts.set(path, this.#page(title, body, type));
    this.#spine.push(path);
  }

  #page(title: string, body: string, type: string): string {
    const { language } = this.#edition;
    const spoken = `lang="${escaped(language)}" xml:lang="${escaped(language)}"${isRightToLeft(language) ? ' dir="rtl"' : ''}`;
    return (
      `<?xml version="1.0" encoding="utf-8"?>\n<!DOCTYPE html>\n<html xmlns="http://www.w3.org/1999/xhtml" xmlns:epub="http://www.idpf.org/2007/ops" ${spoken}>\n` +
      `<head>\n<title>${escaped(title)}</title>\n<link rel="stylesheet" type="text/css" href="style.css"/>\n</head>\n<body epub:type="${type}">\n${body}\n</body>\n</html>\n`
    );
  }

  #cover(cover: ShownPicture): string {
    this.#path = 'cover.xhtml';
    const page = this.#pageMark(this.#edition.folios[0] ?? '');
    return `<section aria-label="Cover">${page}<div class="cover">${image(cover, ' role="doc-cover"')}</div></section>`;
  }

  #section(section: EditionSection, paths: ReadonlyMap<EditionSection | EditionStory, string>): string {
    this.#path = paths.get(section)!;
    const list = section.stories.map((story) => `<li><a href="${paths.get(story)!}">${escaped(story.title)}</a></li>`).join('\n');
    const more = section.more.map((blocks) => `<div class="box">\n${this.#blocks(blocks, 'p')}\n</div>`).join('\n');
    return (
      `<section epub:type="part" role="doc-part" aria-labelledby="title">\n<h1 id="title" class="section">${escaped(section.name || 'More')}</h1>\n` +
      `${section.name === '' || list === '' ? '' : `<ul class="stories">\n${list}\n</ul>\n`}${more}\n</section>`
    );
  }

  #story(story: EditionStory): string {
    this.#path = this.#byStory.get(story.id)!;
    const page = this.#pageMark(story.folios[0]);
    const title = titleIn(story.headline, this.#of.type);
    const headline = title
      ? story.headline.map((block) => (block === title ? this.#title(title) : this.#blocks([block], 'p'))).join('\n')
      : `<h1 id="title">${escaped(story.title)}</h1>`;
    const body = ending(story.body);
    return (
      `<section epub:type="chapter" role="doc-chapter" aria-labelledby="title">\n${page}<header>\n${headline}\n${this.#blocks(story.standfirst, 'p')}\n` +
      `${this.#blocks(story.byline, 'p')}\n</header>\n${story.lead ? this.#figure(story.lead) : ''}\n${this.#blocks(body, 'p')}\n</section>`
    );
  }

  #title(block: OutParagraph): string {
    return this.#blocks([block], 'h1').replace(/^<h1/, '<h1 id="title"');
  }

  #blocks(blocks: readonly EditionBlock[], headline: 'h1' | 'p'): string {
    const { type } = this.#of;
    const dress: Dress = {
      xml: true,
      tags: { ...STORY_TAGS, headline },
      ...typed(type),
      figure: (figure) => this.#figure(figure),
      aside: ({ blocks: said }) =>
        `<aside class="quote" epub:type="pullquote" role="doc-pullquote">\n${this.#blocks(said.map(asPlain), 'p')}\n</aside>`,
      inlinePicture: (run) => {
        const shown = this.#of.inline(run.picture!.picture);
        return shown ? `<span class="in-line">${image(shown, '')}</span>` : '';
      },
      story: (id) => this.#byStory.get(id),
      page: (folio) => this.#pageMark(folio),
    };
    return blocksHtml(blocks, dress);
  }

  #figure(figure: EditionFigure): string {
    const shown = this.#of.picture(figure);
    const caption = figure.caption.length === 0 ? '' : `<figcaption>\n${this.#blocks(figure.caption, 'p')}\n</figcaption>\n`;
    return shown || caption !== '' ? `<figure>\n${shown ? `${image(shown, '')}\n` : ''}${caption}</figure>` : '';
  }

  /** Marks where a printed page begins, once. */
  #pageMark(folio: string): string {
    if (!this.#of.pages || folio === '' || this.#pages.has(folio)) return '';
    const id = `page-${this.#pages.size + 1}`;
    this.#pages.set(folio, `${this.#path}#${id}`);
    return `<span epub:type="pagebreak" role="doc-pagebreak" id="${id}" aria-label="Page ${escaped(folio)}"></span>`;
  }

  #nav(title: string, entries: readonly NavEntry[], hasCover: boolean): string {
    const list = (own: readonly NavEntry[]): string =>
      `<ol>\n${own.map(({ words, path, under }) => `<li><a href="${path}">${escaped(words)}</a>${under.length > 0 ? list(under) : ''}</li>`).join('\n')}\n</ol>`;
    // As they are met: where a story goes on behind others, that is not the order of the print.
    const pages = [...this.#pages];
    const first = this.#spine.find((path) => path !== 'cover.xhtml' && path !== 'nav.xhtml');
    const landmarks = [
      ...(hasCover ? ['<li><a epub:type="cover" href="cover.xhtml">Cover</a></li>'] : []),
      '<li><a epub:type="toc" href="nav.xhtml">Contents</a></li>',
      ...(first === undefined ? [] : [`<li><a epub:type="bodymatter" href="${first}">Begin reading</a></li>`]),
    ];
    const body =
      `<nav epub:type="toc" role="doc-toc" aria-labelledby="contents">\n<h1 id="contents">${escaped(title)}</h1>\n${list(entries)}\n</nav>\n` +
      (pages.length === 0
        ? ''
        : `<nav epub:type="page-list" role="doc-pagelist" aria-label="Printed pages" hidden="hidden">\n<ol>\n${pages.map(([folio, to]) => `<li><a href="${to}">${escaped(folio)}</a></li>`).join('\n')}\n</ol>\n</nav>\n`) +
      `<nav epub:type="landmarks" aria-label="Landmarks" hidden="hidden">\n<ol>\n${landmarks.join('\n')}\n</ol>\n</nav>`;
    return this.#page(title, body, 'frontmatter');
  }
}

const image = ({ sources, alternative }: ShownPicture, more: string): string =>
  `<img src="${sources.at(-1)!.files.at(-1)!.path}" alt="${escaped(alternative)}"${more}/>`;

/** The style of a book: the house's type; the rest is the reader's to choose. */
const styleOf = (type: HouseType): string => `${type.colours.css()}
body{background:var(--paper);color:var(--ink);font-family:${type.text};line-height:1.5}
p,h1,h2,figure,blockquote,ul,ol{margin:0}
h1,h2{break-after:avoid;hyphens:none;-epub-hyphens:none}
h1{line-height:1.1}
.section{font-size:1.8rem;margin-bottom:1.2rem}
header{margin-bottom:1.4rem}
header p{margin-top:0.5rem}
a{color:inherit}
nav h1{margin-bottom:1rem}
nav ol{list-style:none;padding-left:1.2em}
nav>ol{padding-left:0}
nav li{margin:0.35em 0}
nav>ol>li{margin-top:0.8em}
nav a{text-decoration:none}
img{max-width:100%;max-height:80vh}
.cover{text-align:center}
.cover img{max-height:96vh}
figure{margin:1.4rem 0;break-inside:avoid}
figcaption p[class],figcaption p{font-size:0.85rem;line-height:1.4;text-align:start;color:var(--quiet)}
blockquote{margin:1.2rem 0;padding-left:1rem;border-left:3px solid var(--accent)}
.quote{margin:1.4rem 0;padding:0.6rem 0;border-top:2px solid var(--accent);border-bottom:2px solid var(--accent)}
.quote p{text-indent:0;text-align:start}
h2{margin:1.4rem 0 0.4rem}
ul,ol{padding-left:1.4em}
table{border-collapse:collapse;margin:1.2rem 0}
th,td{text-align:start;vertical-align:top;padding:0.3rem 0.8rem 0.3rem 0;border-bottom:1px solid var(--rule)}
.in-line img{height:1.2em;vertical-align:middle}
.box{background:var(--panel);padding:1rem;margin:1.2rem 0}
${type.css()}
`;
