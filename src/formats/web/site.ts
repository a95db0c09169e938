import {
  type Edition,
  type EditionBlock,
  type EditionFigure,
  type EditionSection,
  type EditionStory,
  storiesOf,
} from '@/core/handoff/reading/edition';
import { freeNames, slug } from '../fileNames';
import { blocksHtml, type Dress } from '../html/blocks';
import { asPlain, type EditionSources, ending, STORY_TAGS, titleIn, typed } from '../html/story';
import type { ShownPicture } from '../html/shownPicture';
import { escaped } from '../markup';
import { atomFeed, type FeedEntry, jsonFeed } from './feeds';
import { issueLine, type Frame, titleOf, webPage } from './page';
import { siteStyle } from './style';

/** What a web edition is made from besides its words. */
export interface SiteSources extends EditionSources {
  /** Where it will stand, ending in a slash. */
  readonly address: string | undefined;
  /** What it is known by wherever it stands: a URN. */
  readonly urn: (of: string) => string;
  readonly at: Date;
}

/** How wide a picture is shown, for browsers that choose a file. */
const IN_TEXT = '(min-width: 48rem) 38rem, 92vw';
const LEAD = '(min-width: 64rem) 60rem, 96vw';
/** Pixels that a picture needs to be shown large. */
const LARGE = 900;
const SMALL = '(min-width: 48rem) 22rem, 92vw';

/** The pages, the style and the feeds of a web edition, by path; pictures and faces come beside them. */
export function webSite(edition: Edition, sources: SiteSources): Map<string, string> {
  return new Site(edition, sources).files();
}

class Site {
  readonly #edition: Edition;
  readonly #of: SiteSources;
  readonly #paths = new Map<EditionStory | EditionSection, string>();
  readonly #byId = new Map<string, string>();
  readonly #frame: Frame;

  constructor(edition: Edition, sources: SiteSources) {
    this.#edition = edition;
    this.#of = sources;
    const free = freeNames('-');
    for (const taken of ['index', 'style', 'feed']) free(taken, 'html');
    const sections = edition.sections.filter(({ name }) => name !== '');
    for (const section of sections) this.#paths.set(section, free(slug(section.name, 'section'), 'html'));
    for (const story of storiesOf(edition)) {
      const path = free(slug(story.title, 'story'), 'html');
      this.#paths.set(story, path);
      this.#byId.set(story.id, path);
    }
    this.#frame = {
      edition,
      address: sources.address,
      sections: sections.map((section) => ({ name: section.name, path: this.#paths.get(section)! })),
    };
  }

  files(): Map<string, string> {
    const out = new Map<string, string>();
    out.set('index.html', this.#contents());
    const stories = storiesOf(this.#edition);
    let i = 0;
    for (const section of this.#edition.sections) {
      if (section.name !== '') out.set(this.#paths.get(section)!, this.#section(section));
      for (const story of section.stories) {
        out.set(this.#paths.get(story)!, this.#story(story, section, stories[i - 1], stories[i + 1]));
        i++;
      }
    }
    const head = { edition: this.#edition, address: this.#of.address, urn: this.#of.urn, at: this.#of.at };
    const entries = this.#entries();
    out.set('feed.xml', atomFeed(head, entries));
    out.set('feed.json', jsonFeed(head, entries));
    // The style comes last: by then it is known what is set in what.
    const display = stories.flatMap(({ headline }) => titleIn(headline, this.#of.type) ?? [])[0];
    out.set('style.css', siteStyle(this.#of.type, display?.style));
    return out;
  }

  #contents(): string {
    const edition = this.#edition;
    const { cover } = this.#of;
    const issue = issueLine(edition);
    const day = edition.date === '' ? '' : this.#day();
    const said = [edition.strapline, day].filter(Boolean);
    const head =
      `<header class="opening">\n${cover ? `<div class="cover">${picture(cover, SMALL, true)}</div>\n` : ''}` +
      `<div class="title"><h1>${escaped(edition.publication)}</h1>\n<p class="issue">${escaped(issue)}</p>\n` +
      `${said.map((words) => `<p>${words === day ? `<time datetime="${edition.date}">${escaped(day)}</time>` : escaped(words)}</p>`).join('\n')}</div>\n</header>`;
    const opening = this.#opening();
    const parts = edition.sections.map((section, i) => {
      const first = section.stories.filter((story) => story === opening);
      const list = [...first, ...section.stories.filter((story) => story !== opening)]
        .map((story) => this.#teaser(story, section.name === '' ? 'h2' : 'h3', story === opening))
        .join('\n');
      const more = section.name === '' ? this.#more(section) : '';
      if (section.name === '') return list === '' && more === '' ? '' : `<div class="stories">\n${list}\n</div>\n${more}`;
      return (
        `<section class="part" aria-labelledby="part-${i + 1}">\n<h2 id="part-${i + 1}"><a href="${this.#paths.get(section)!}">` +
        `${escaped(section.name)}</a></h2>\n<div class="stories">\n${list}\n</div>\n</section>`
      );
    });
    const description = edition.strapline || [edition.publication, issue].filter(Boolean).join(', ');
    return webPage(
      this.#frame,
      {
        title: titleOf([edition.publication, issue].filter(Boolean).join(', ') || 'Contents', edition),
        description,
        path: 'index.html',
        type: 'website',
        picture: coverLink(cover),
        data: this.#issueData(),
      },
      [head, ...parts].filter(Boolean).join('\n'),
    );
  }

  #section(section: EditionSection): string {
    const path = this.#paths.get(section)!;
    const list = section.stories.map((story) => this.#teaser(story, 'h2')).join('\n');
    return webPage(
      this.#frame,
      {
        title: titleOf(section.name, this.#edition),
        description: section.stories
          .map(({ title }) => title)
          .join('; ')
          .slice(0, 300),
        path,
        section: path,
        type: 'website',
        picture: coverLink(this.#of.cover),
        data: { '@type': 'CollectionPage', name: section.name, isPartOf: this.#issueData() },
      },
      `<h1 class="section">${escaped(section.name)}</h1>\n${list === '' ? '' : `<div class="stories">\n${list}\n</div>\n`}${this.#more(section)}`,
    );
  }

  /** What stands on the pages of a section and belongs to no story. */
  #more({ more }: EditionSection): string {
    if (more.length === 0) return '';
    const texts = more.map((blocks) => `<div class="text box">\n${this.#blocks(blocks, 'h3')}\n</div>`).join('\n');
    return `<section class="more" aria-labelledby="more">\n<h2 id="more">Also on these pages</h2>\n${texts}\n</section>`;
  }

  /** The story that the contents open with: the longest of the first section that has a picture to be shown large. */
  #opening(): EditionStory | undefined {
    const shown = (this.#edition.sections[0]?.stories ?? []).filter(({ lead }) => {
      const own = lead && this.#of.picture(lead);
      return own !== undefined && !own.isCutOut && own.width >= LARGE;
    });
    const length = (story: EditionStory) => story.body.filter(({ is }) => is === 'paragraph').length;
    return shown.reduce<EditionStory | undefined>(
      (best, each) => (best && length(best) >= length(each) ? best : each),
      undefined,
    );
  }

  /** A story where it is announced. */
  #teaser(story: EditionStory, heading: 'h2' | 'h3', isFirst = false): string {
    const small = story.lead && this.#of.picture(story.lead);
    const by = [story.writer, `Page ${story.folios[0]}`].filter(Boolean).join(' · ');
    return (
      `<article class="teaser${isFirst ? ' first' : ''}">\n${small ? `<div class="small${small.isCutOut ? ' cut-out' : ''}">${picture(small, isFirst ? LEAD : SMALL, false)}</div>\n` : ''}` +
      `<${heading}><a href="${this.#paths.get(story)!}">${escaped(story.title)}</a></${heading}>\n` +
      `${story.summary === '' ? '' : `<p>${escaped(story.summary)}</p>\n`}<p class="by">${escaped(by)}</p>\n</article>`
    );
  }

  #story(
    story: EditionStory,
    section: EditionSection,
    before: EditionStory | undefined,
    after: EditionStory | undefined,
  ): string {
    const [first, last] = story.folios;
    const printed = first === last ? `page ${first}` : `pages ${first} to ${last}`;
    const title = titleIn(story.headline, this.#of.type);
    const headline = title
      ? story.headline.map((block) => this.#blocks([block], 'h2', block === title ? 'h1' : 'p')).join('\n')
      : `<h1>${escaped(story.title)}</h1>`;
    const kicker =
      section.name === '' ? '' : `<p class="kicker"><a href="${this.#paths.get(section)!}">${escaped(section.name)}</a></p>\n`;
    const body = ending(story.body);
    const link = (to: EditionStory | undefined, rel: 'prev' | 'next', says: string) =>
      to ? `<a class="${rel}" rel="${rel}" href="${this.#paths.get(to)!}"><span>${says}</span> ${escaped(to.title)}</a>` : '';
    const shown = story.lead && this.#of.picture(story.lead);
    const main =
      `<article>\n<header class="head">\n${kicker}${headline}\n${this.#blocks(story.standfirst, 'h2')}\n${this.#blocks(story.byline, 'h2')}\n</header>\n` +
      `${story.lead ? this.#figure(story.lead, 'lead', LEAD) : ''}\n<div class="text">\n${this.#blocks(body, 'h2')}\n</div>\n` +
      `<p class="printed">Printed on ${escaped(printed)}.</p>\n</article>\n` +
      `<nav class="onward" aria-label="Other stories">${link(before, 'prev', 'Before')}${link(after, 'next', 'Next')}</nav>`;
    return webPage(
      this.#frame,
      {
        title: titleOf(story.title, this.#edition),
        description: story.summary.slice(0, 300),
        path: this.#paths.get(story)!,
        section: section.name === '' ? undefined : this.#paths.get(section),
        type: 'article',
        picture: shown ? { path: smallest(shown, 1200), alternative: shown.alternative } : coverLink(this.#of.cover),
        data: this.#storyData(story, section, shown),
      },
      main,
    );
  }

  #blocks(blocks: readonly EditionBlock[], heading: 'h2' | 'h3', headline: 'h1' | 'p' = 'p'): string {
    return blocksHtml(blocks, this.#dress(heading, headline));
  }

  #dress(heading: 'h2' | 'h3', headline: 'h1' | 'p'): Dress {
    const { type } = this.#of;
    return {
      tags: { ...STORY_TAGS, headline, heading },
      ...typed(type),
      figure: (figure) => this.#figure(figure, '', IN_TEXT),
      aside: ({ blocks }) => `<aside class="quote">\n${this.#blocks(blocks.map(asPlain), heading)}\n</aside>`,
      inlinePicture: (run) => {
        const shown = this.#of.inline(run.picture!.picture);
        return shown ? `<span class="in-line">${picture(shown, '4rem', false)}</span>` : '';
      },
      story: (id) => this.#byId.get(id),
    };
  }

  #figure(figure: EditionFigure, name: string, sizes: string): string {
    const shown = this.#of.picture(figure);
    const caption = figure.caption.length === 0 ? '' : `<figcaption>\n${this.#blocks(figure.caption, 'h3')}\n</figcaption>\n`;
    if (!shown) return caption === '' ? '' : `<figure>${caption}</figure>`;
    const classes = [name, shown.height > shown.width ? 'upright' : ''].filter(Boolean).join(' ');
    return `<figure${classes === '' ? '' : ` class="${classes}"`}>\n${picture(shown, sizes, name === 'lead')}\n${caption}</figure>`;
  }

  /** Where the page of a story lies, for those who read it elsewhere. */
  #leads(id: string): string | undefined {
    const path = this.#byId.get(id);
    return path === undefined || this.#of.address === undefined ? path : new URL(path, this.#of.address).href;
  }

  #entries(): FeedEntry[] {
    return this.#edition.sections.flatMap((section) =>
      section.stories.map((story) => {
        const shown = story.lead && this.#of.picture(story.lead);
        return {
          id: story.id,
          path: this.#paths.get(story)!,
          title: story.title,
          summary: story.summary,
          writer: story.writer,
          section: section.name,
          picture: shown && smallest(shown, 1200),
          html: blocksHtml(story.body, { tags: STORY_TAGS, story: (id) => this.#leads(id) }),
        };
      }),
    );
  }

  #issueData(): Record<string, unknown> {
    const { publication, number, date, publisher } = this.#edition;
    return said({
      '@type': 'PublicationIssue',
      issueNumber: number,
      datePublished: date,
      isPartOf: said({
        '@type': 'Periodical',
        name: publication,
        publisher: publisher && { '@type': 'Organization', name: publisher },
      }),
    });
  }

  #storyData(story: EditionStory, section: EditionSection, shown: ShownPicture | undefined): Record<string, unknown> {
    const { address } = this.#of;
    const [first, last] = story.folios;
    return said({
      '@type': 'Article',
      headline: story.title.slice(0, 110),
      description: story.summary,
      author: story.writer && { '@type': 'Person', name: story.writer },
      articleSection: section.name,
      datePublished: this.#edition.date,
      inLanguage: this.#edition.language,
      pagination: first === last ? first : `${first}–${last}`,
      image: shown && address !== undefined ? new URL(smallest(shown, 1200), address).href : '',
      url: address === undefined ? '' : new URL(this.#paths.get(story)!, address).href,
      isPartOf: this.#issueData(),
    });
  }

  #day(): string {
    const { date, language } = this.#edition;
    return new Intl.DateTimeFormat(language, { dateStyle: 'long', timeZone: 'UTC' }).format(new Date(`${date}T00:00:00Z`));
  }
}

/** What says something. */
const said = (data: Record<string, unknown>): Record<string, unknown> =>
  Object.fromEntries(Object.entries(data).filter(([, value]) => value !== '' && value !== undefined));

const coverLink = (cover: ShownPicture | undefined) => cover && { path: smallest(cover, 1200), alternative: cover.alternative };

/** The file of a picture that is at least so many pixels wide, or its largest, in the format that all can show. */
function smallest({ sources }: ShownPicture, width: number): string {
  const { files } = sources.at(-1)!;
  return (files.find((file) => file.width >= width) ?? files.at(-1)!).path;
}

/** A picture in all its files, for browsers to choose one. */
function picture(shown: ShownPicture, sizes: string, isFirst: boolean): string {
  const set = (files: ShownPicture['sources'][number]['files']) => files.map(({ path, width }) => `${path} ${width}w`).join(', ');
  const sources = shown.sources
    .slice(0, -1)
    .map(({ media, files }) => `<source type="${media}" srcset="${set(files)}" sizes="${sizes}">`)
    .join('');
  const { files } = shown.sources.at(-1)!;
  const later = isFirst ? '' : ' loading="lazy"';
  return (
    `<picture>${sources}<img src="${smallest(shown, 800)}" srcset="${set(files)}" sizes="${sizes}" width="${shown.width}" ` +
    `height="${shown.height}" alt="${escaped(shown.alternative)}"${later} decoding="async"></picture>`
  );
}
