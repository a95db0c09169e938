import type { PageList, PictureItem, TextItem } from '../../compose/displayList/displayList';
import { mappedBox } from '../../geometry/matrix';
import { around, type Box } from '../../geometry/box';
import { storiesInOrder } from '../../page/fields';
import { placedPages } from '../../page/pages';
import { writerOf } from '../../plan/storyParts';
import { bodyText } from '../../records/body';
import { all, type Document, find, threadOf } from '../../records/document';
import { spoken } from '../../records/language';
import type { PictureRecord, SectionRecord, StoryRecord, TextRecord } from '../../records/index';
import type { ParagraphAttrs } from '../../records/text';
import { blocksOf, type OutBlock, says } from './outline';
import { type PageStart, pageStarts } from './pageStarts';
import { type Beside, spreadAmong } from './spreading';

/** A picture with its words. */
export interface EditionFigure {
  readonly is: 'figure';
  readonly picture: PictureRecord;
  /** As its frame shows it; the whole of it where it stands in a text. */
  readonly shown: PictureItem | undefined;
  readonly caption: readonly OutBlock[];
}

/** What stands beside a text: a pull quote. */
export interface EditionAside {
  readonly is: 'aside';
  readonly blocks: readonly OutBlock[];
}

export type EditionBlock = OutBlock | EditionFigure | EditionAside;

export interface EditionStory {
  readonly id: string;
  /** Its headline in plain words, or else its name. */
  readonly title: string;
  /** Its standfirst, or the beginning of its text, in plain words. */
  readonly summary: string;
  readonly writer: string;
  /** Folios of its first page and its last. */
  readonly folios: readonly [string, string];
  readonly headline: readonly OutBlock[];
  readonly standfirst: readonly OutBlock[];
  readonly byline: readonly OutBlock[];
  /** The largest picture on its first page. */
  readonly lead: EditionFigure | undefined;
  readonly body: readonly EditionBlock[];
}

/** A section or department with its stories, and with what stands on its pages and belongs to none. */
export interface EditionSection {
  /** Without a name: pages that come before any section. */
  readonly name: string;
  readonly stories: readonly EditionStory[];
  readonly more: readonly (readonly EditionBlock[])[];
}

/** An issue as it is read without its pages. Advertisements, furniture, jump lines and contents lists stay in print. */
export interface Edition {
  readonly publication: string;
  readonly number: string;
  readonly season: string;
  /** Cover date, ISO 8601; empty where it has none. */
  readonly date: string;
  readonly language: string;
  readonly strapline: string;
  readonly publisher: string;
  /** Its first page, and what is written there. */
  readonly cover: PageList | undefined;
  readonly coverWords: string;
  readonly sections: readonly EditionSection[];
  /** Of all pages, in their order. */
  readonly folios: readonly string[];
}

/** The stories of an edition, in the order in which a reader meets them. */
export const storiesOf = ({ sections }: Pick<Edition, 'sections'>): EditionStory[] => sections.flatMap(({ stories }) => stories);

/** An issue as an edition. @param lists what its pages show, in their order */
export function editionOf(document: Document, lists: readonly PageList[]): Edition {
  return new Editor(document, lists).edition();
}

/** Words of a summary where a story has no standfirst. */
const SUMMARY_WORDS = 40;

class Editor {
  readonly #document: Document;
  readonly #lists: readonly PageList[];
  readonly #folios: readonly string[];
  readonly #starts: ReadonlyMap<string, readonly PageStart[]>;
  readonly #captions = new Map<string, TextRecord[]>();
  /** Stories by the texts that are their parts. */
  readonly #byPart = new Map<string, string>();
  /** Pictures of advertisements. */
  readonly #booked: ReadonlySet<string>;
  /** Pictures by the story that they belong to; those of none under the id of their section. */
  readonly #figures = new Map<string, Shown[]>();
  readonly #loose = new Map<string, TextRecord[]>();
  readonly #places = new Map<string, { readonly page: number; readonly box: Box }>();
  /** Pictures that are shown in frames of the pages. */
  readonly #shown = new Set<string>();

  constructor(document: Document, lists: readonly PageList[]) {
    this.#document = document;
    this.#lists = lists;
    this.#folios = placedPages(document).map(({ folio }) => folio);
    this.#starts = pageStarts(lists, this.#folios);
    this.#booked = new Set(all(document, 'advertisement').flatMap(({ picture }) => picture ?? []));
    for (const text of all(document, 'text')) if (isOfPicture(text)) put(this.#captions, text.picture!, text);
    for (const story of all(document, 'story'))
      for (const part of Object.values(story.parts)) if (part !== undefined) this.#byPart.set(part, story.id);
    for (const list of lists) this.#readPage(list);
  }

  edition(): Edition {
    const issue = find(this.#document, 'issue', 'issue');
    const details = find(this.#document, 'details', 'details');
    const cover = this.#lists[0];
    return {
      publication: issue?.publication ?? '',
      number: issue?.number ?? '',
      season: issue?.season ?? '',
      date: issue?.date ?? '',
      language: spoken(issue?.language),
      strapline: details?.strapline ?? '',
      publisher: details?.publisher ?? '',
      cover,
      coverWords: cover ? (this.#loose.get(COVER) ?? []).map(({ body }) => plain(bodyText(body))).join('. ') : '',
      sections: this.#sections(),
      folios: this.#folios,
    };
  }

  /** Notes what stands on a page: texts of no story, and whose the pictures are. */
  #readPage(list: PageList): void {
    const section = list.number === 1 ? COVER : sectionKey(placedPages(this.#document)[list.number - 1]?.section);
    const own = list.items.slice(list.furniture);
    const texts = own.filter((item): item is TextItem => item.type === 'text' && !this.#isJumpLine(item));
    for (const item of texts) {
      const text = find(this.#document, 'text', item.text);
      if (!this.#places.has(item.text))
        this.#places.set(item.text, { page: list.number, box: mappedBox(item.transform, item.box) });
      if (!text || this.#storyOf(text.id) !== undefined || isOfPicture(text)) continue;
      if (!this.#loose.get(section)?.includes(text)) put(this.#loose, section, text);
    }
    for (const item of own) {
      if (item.type !== 'picture' || this.#booked.has(item.picture)) continue;
      const picture = find(this.#document, 'picture', item.picture);
      if (!picture) continue;
      const box = mappedBox(item.transform, item.box);
      const owner = this.#ownerOf(picture, box, texts) ?? (section === COVER ? undefined : section);
      this.#shown.add(picture.id);
      if (owner !== undefined) put(this.#figures, owner, { picture, item, page: list.number, box });
    }
  }

  /** The story of a picture: that of its words, the one it came with, or else the one whose texts on the page it lies among or is nearest to. */
  #ownerOf(picture: PictureRecord, box: Box, texts: readonly TextItem[]): string | undefined {
    const said = this.#captions.get(picture.id)?.find(({ story }) => story !== undefined)?.story ?? picture.story;
    if (said !== undefined && find(this.#document, 'story', said)) return said;
    const boxes = new Map<string, Box[]>();
    for (const item of texts) {
      const story = this.#storyOf(item.text);
      if (story !== undefined) put(boxes, story, mappedBox(item.transform, item.box));
    }
    let best: { readonly story: string; readonly shared: number; readonly far: number } | undefined;
    for (const [story, own] of boxes) {
      const extent = around(own)!;
      const shared = sharedArea(box, extent);
      const far = gapBetween(box, extent);
      if (!best || shared > best.shared || (shared === best.shared && far < best.far)) best = { story, shared, far };
    }
    return best?.story;
  }

  #storyOf(text: string): string | undefined {
    const story = find(this.#document, 'text', text)?.story ?? this.#byPart.get(text);
    return find(this.#document, 'story', story)?.id;
  }

  /** A jump line is the text of another frame’s. */
  #isJumpLine({ frame, text }: TextItem): boolean {
    const content = find(this.#document, 'frame', frame)?.content;
    return content?.type === 'text' && content.text !== text;
  }

  #sections(): EditionSection[] {
    const pages = placedPages(this.#document);
    const order = new Map<string, { readonly name: string; readonly stories: EditionStory[] }>();
    for (const { section } of pages) {
      const key = sectionKey(section);
      if (!order.has(key)) order.set(key, { name: section?.name ?? '', stories: [] });
    }
    for (const story of storiesInOrder(this.#document)) {
      const numbers = this.#pagesOf(story);
      const first = pages[Math.min(...numbers) - 1]!;
      order.get(sectionKey(first.section))!.stories.push(this.#story(story, numbers));
    }
    const out: EditionSection[] = [];
    for (const [key, { name, stories }] of order) {
      const more = [
        ...(this.#loose.get(key) ?? []).map((text) => this.#looseBlocks(text)),
        ...(this.#figures.get(key) ?? []).map((shown) => [this.#figure(shown)]),
      ].filter((blocks) => blocks.length > 0);
      if (stories.length > 0 || more.length > 0) out.push({ name, stories, more });
    }
    return out;
  }

  /** Numbers of the pages on which parts of a story stand. */
  #pagesOf({ parts: { headline, body, standfirst, byline } }: StoryRecord): number[] {
    const on = [headline, body, standfirst, byline].flatMap((text) => (text === undefined ? [] : threadOf(this.#document, text)));
    const ids = new Set(on.map((frame) => frame.on));
    return placedPages(this.#document).flatMap(({ page, number }) => (ids.has(page.id) ? [number] : []));
  }

  #story(story: StoryRecord, numbers: readonly number[]): EditionStory {
    const document = this.#document;
    const first = Math.min(...numbers);
    const part = (id: string | undefined) => {
      const text = find(document, 'text', id);
      return text ? blocksOf(document, text, { number: first, story: story.id }).filter(isWords) : [];
    };
    const headline = part(story.parts.headline);
    const standfirst = part(story.parts.standfirst);
    const figures = this.#figures.get(story.id) ?? [];
    const lead = figures
      .filter(({ page }) => page === first)
      .reduce<Shown | undefined>((best, each) => (best && areaOf(best) >= areaOf(each) ? best : each), undefined);
    const body = this.#body(story, first, figures, lead);
    const words = wordsOf(standfirst) || wordsOf(body.filter(isWords)).split(' ').slice(0, SUMMARY_WORDS).join(' ');
    return {
      id: story.id,
      title: wordsOf(headline) || story.name,
      summary: words,
      writer: writerOf(document, story),
      folios: [this.#folios[first - 1] ?? '', this.#folios[Math.max(...numbers) - 1] ?? ''],
      headline,
      standfirst,
      byline: part(story.parts.byline),
      lead: lead && this.#figure(lead),
      body,
    };
  }

  /** The text of a story with its pictures, pull quotes and boxes where its pages show them. */
  #body(story: StoryRecord, first: number, figures: readonly Shown[], lead: Shown | undefined): EditionBlock[] {
    const document = this.#document;
    const text = find(document, 'text', story.parts.body);
    const starts = this.#starts.get(story.parts.body) ?? [];
    const blocks = text ? this.#withFigures(blocksOf(document, text, { number: first, story: story.id }, starts)) : [];
    const inText = new Set(blocks.flatMap((block) => (block.is === 'figure' ? block.picture.id : [])));
    const seen = new Set(lead ? [lead.picture.id, ...inText] : inText);
    const beside: Beside<EditionBlock>[] = [];
    for (const shown of figures) {
      if (seen.has(shown.picture.id)) continue;
      seen.add(shown.picture.id);
      beside.push({ page: shown.page, box: shown.box, block: this.#figure(shown) });
    }
    const own = new Set(Object.values(story.parts));
    const others: EditionBlock[] = [];
    for (const other of all(document, 'text')) {
      if (other.story !== story.id || own.has(other.id) || this.#stoodBeside(other)) continue;
      const place = this.#places.get(other.id);
      if (!place) continue;
      const said = blocksOf(document, other, { number: place.page, story: story.id }).filter(isWords);
      if (said.length === 0) continue;
      if (other.role === 'quote') beside.push({ ...place, block: { is: 'aside', blocks: said } });
      else others.push(...said);
    }
    return [...spreadAmong(blocks, text, starts, beside).filter(isSeen), ...others];
  }

  /** The words of a picture that stands on a page are read with it. */
  #stoodBeside(text: TextRecord): boolean {
    return isOfPicture(text) && this.#shown.has(text.picture!);
  }

  #looseBlocks(text: TextRecord): EditionBlock[] {
    const nodes = text.body.content.content;
    const blocks = blocksOf(this.#document, text, { number: this.#places.get(text.id)?.page ?? 1 }).filter(
      (_, i) => (nodes[i]!.attrs as Partial<ParagraphAttrs>).each === undefined,
    );
    return this.#withFigures(blocks).filter(isSeen);
  }

  /** Blocks with their pictures found, one for one. */
  #withFigures(blocks: ReturnType<typeof blocksOf>): EditionBlock[] {
    return blocks.map((block): EditionBlock => {
      if (block.is !== 'figure') return block;
      const picture = find(this.#document, 'picture', block.picture);
      if (!picture) return { is: 'paragraph', kind: 'paragraph', runs: [] };
      return { is: 'figure', picture, shown: undefined, caption: this.#captionOf(picture) };
    });
  }

  #figure({ picture, item }: Shown): EditionFigure {
    return { is: 'figure', picture, shown: item, caption: this.#captionOf(picture) };
  }

  /** What is written under a picture on its page, or else what is kept with it. */
  #captionOf(picture: PictureRecord): OutBlock[] {
    const texts = (this.#captions.get(picture.id) ?? []).filter(({ id }) => threadOf(this.#document, id).length > 0);
    const written = texts.flatMap((text) =>
      blocksOf(this.#document, text, { number: this.#places.get(text.id)?.page ?? 1, story: text.story }).filter(isWords),
    );
    if (written.length > 0) return written;
    return [picture.caption, picture.credit]
      .filter(Boolean)
      .map((words) => ({ is: 'paragraph', kind: 'caption', runs: [{ words }] }));
  }
}

/** A picture where it stands on a page; the box is the page’s. */
interface Shown {
  readonly picture: PictureRecord;
  readonly item: PictureItem;
  readonly page: number;
  readonly box: Box;
}

/** Stands for the first page in place of a section: what is on it is seen with it. */
const COVER = 'cover';

const sectionKey = (section: SectionRecord | undefined): string => (section ? `section ${section.id}` : 'none');

const isOfPicture = ({ role, picture }: TextRecord): boolean =>
  (role === 'caption' || role === 'credit') && picture !== undefined;

const isWords = (block: ReturnType<typeof blocksOf>[number] | EditionBlock): block is OutBlock =>
  block.is !== 'figure' && block.is !== 'aside' && says(block);

const isSeen = (block: EditionBlock): boolean =>
  block.is === 'figure' || block.is === 'aside' || says(block) || (block.is === 'paragraph' && block.runs.length > 0);

const plain = (words: string): string => words.replace(/\s+/g, ' ').trim();

/** The words of blocks, without what they look like. */
export const wordsOf = (blocks: readonly OutBlock[]): string =>
  plain(
    blocks
      .flatMap((block) => (block.is === 'paragraph' ? [block] : block.rows.flat().flatMap(({ paragraphs }) => paragraphs)))
      .map(({ runs }) => runs.map(({ words, isBreak }) => (isBreak ? ' ' : words)).join(''))
      .join(' '),
  );

const areaOf = ({ box }: Shown): number => box.w * box.h;

function sharedArea(a: Box, b: Box): number {
  const w = Math.min(a.x + a.w, b.x + b.w) - Math.max(a.x, b.x);
  const h = Math.min(a.y + a.h, b.y + b.h) - Math.max(a.y, b.y);
  return w > 0 && h > 0 ? w * h : 0;
}

function gapBetween(a: Box, b: Box): number {
  const dx = Math.max(0, b.x - a.x - a.w, a.x - b.x - b.w);
  const dy = Math.max(0, b.y - a.y - a.h, a.y - b.y - b.h);
  return Math.hypot(dx, dy);
}

function put<T>(map: Map<string, T[]>, key: string, value: T): void {
  const own = map.get(key);
  if (own) own.push(value);
  else map.set(key, [value]);
}
