import type { Node } from 'prosemirror-model';
import type { Item, PageList, TextItem } from '@/core/compose/displayList/displayList';
import { ROLES_AS_READ } from '@/core/compose/displayList/readingOrder';
import { alternativeOf } from '@/core/pictures/alternative';
import { placedPages } from '@/core/page/pages';
import { all, type Document, find, threadOf } from '@/core/records/document';
import type { TextRecord } from '@/core/records/index';
import type { CellAttrs, FigureAttrs, ListAttrs, ParagraphAttrs, TableAttrs } from '@/core/records/text';
import { styleKind } from '@/core/handoff/reading/styleKind';
import { Element } from './element';

/** What stands for one paragraph of a text: an element, a list entry’s mark and body, or entries that are made as they come. */
export type Leaf =
  | { readonly is: 'one'; readonly element: Element }
  | { readonly is: 'entry'; readonly mark: Element; readonly element: Element }
  | { readonly is: 'contents'; readonly element: Element; readonly entries: Element[] };

/** A text as it is read: what stands for its paragraphs, and for the pictures between them. */
export interface ReadText {
  readonly record: TextRecord;
  readonly paragraphs: readonly Node[];
  readonly leaves: readonly Leaf[];
  readonly figures: ReadonlyMap<string, Element>;
}

/**
 * The issue as somebody reads it who does not see it: its sections, in them its stories, each with its parts in their order, and
 * what stands on a page by itself where it is met. What comes from masters is no part of it.
 *
 * @param order of a page’s items as they are read
 */
export class ReadingTree {
  readonly root = new Element('Document');
  readonly #document: Document;
  readonly #texts = new Map<string, ReadText>();
  readonly #figures = new Map<string, Element>();
  readonly #stories = new Map<string, Element>();
  readonly #captions = new Map<string, TextRecord[]>();
  /** Pictures that stand in frames of the pages. */
  readonly #shown: ReadonlySet<string>;
  #part: Element = this.root;

  constructor(document: Document, lists: readonly PageList[], order: (items: readonly Item[]) => readonly Item[]) {
    this.#document = document;
    this.#shown = new Set(
      lists.flatMap(({ items, furniture }) =>
        items.slice(furniture).flatMap((item) => (item.type === 'picture' ? item.picture : [])),
      ),
    );
    for (const text of all(document, 'text')) {
      if ((text.role !== 'caption' && text.role !== 'credit') || !text.picture) continue;
      const own = this.#captions.get(text.picture);
      if (own) own.push(text);
      else this.#captions.set(text.picture, [text]);
    }
    const sections = new Map(placedPages(document).map(({ page, section }) => [page.id, section]));
    let section: string | undefined;
    for (const list of lists) {
      const now = sections.get(list.page);
      if (now && now.id !== section) {
        section = now.id;
        this.#part = this.root.add('Part', { title: now.name });
      }
      const pictures: Item[] = [];
      for (const item of order(list.items.slice(list.furniture))) {
        if (item.type === 'text') this.#meet(item);
        else if (item.type === 'picture') pictures.push(item);
      }
      for (const item of pictures) if (item.type === 'picture') this.#figure(item.frame, item.picture);
    }
  }

  /** What stands for a text on a page; undefined for what is not read. */
  textOf(item: TextItem): ReadText | undefined {
    return this.#texts.get(this.#key(item));
  }

  figureOf(frame: string): Element | undefined {
    return this.#figures.get(frame);
  }

  /** A jump line is the text of another in many frames: it is read anew in each. */
  #key({ frame, text }: Pick<TextItem, 'frame' | 'text'>): string {
    const content = find(this.#document, 'frame', frame)?.content;
    return content?.type === 'text' && content.text !== text ? `${text} in ${frame}` : text;
  }

  #meet(item: TextItem): void {
    const record = find(this.#document, 'text', item.text);
    if (!record || this.#texts.has(this.#key(item))) return;
    const content = find(this.#document, 'frame', item.frame)?.content;
    if (content?.type === 'text' && content.text !== item.text) {
      const story = find(this.#document, 'text', content.text)?.story;
      this.#texts.set(this.#key(item), this.#read(story ? this.#story(story) : this.#part, record));
      return;
    }
    if (record.story && find(this.#document, 'story', record.story)) this.#story(record.story);
    if (this.#isOfPicture(record)) return;
    if (!this.#texts.has(record.id)) this.#texts.set(record.id, this.#read(this.#part.add('Sect'), record));
  }

  /** A story with all its texts that stand on pages; the words of its pictures come with those. */
  #story(id: string): Element {
    let article = this.#stories.get(id);
    if (article) return article;
    const story = find(this.#document, 'story', id);
    this.#stories.set(id, (article = this.#part.add('Art', { title: story?.name })));
    const texts = all(this.#document, 'text')
      .filter((text) => text.story === id && !this.#isOfPicture(text) && threadOf(this.#document, text.id).length > 0)
      .sort((a, b) => ROLES_AS_READ.indexOf(a.role) - ROLES_AS_READ.indexOf(b.role));
    for (const text of texts) this.#texts.set(text.id, this.#read(article, text));
    return article;
  }

  /** The words of a picture that stands in a frame are read with it. */
  #isOfPicture({ role, picture }: TextRecord): boolean {
    return (role === 'caption' || role === 'credit') && picture !== undefined && this.#shown.has(picture);
  }

  /** A picture in its frame, with the words that stand beside it. */
  #figure(frame: string, picture: string): void {
    if (this.#figures.has(frame)) return;
    const record = find(this.#document, 'picture', picture);
    const captions = this.#captions.get(picture) ?? [];
    const story = captions.find((text) => text.story)?.story ?? record?.story;
    const under = (story && this.#stories.get(story)) || this.#part;
    const figure = under.add('Figure', { alt: alternativeOf(record) });
    this.#figures.set(frame, figure);
    for (const text of captions) if (!this.#texts.has(text.id)) this.#texts.set(text.id, this.#read(figure, text));
  }

  #read(parent: Element, record: TextRecord): ReadText {
    const paragraphs: Node[] = [];
    const leaves: Leaf[] = [];
    const figures = new Map<string, Element>();
    const lists: { readonly list: Element; last: Element | undefined }[] = [];
    const one = (node: Node, element: Element) => {
      paragraphs.push(node);
      leaves.push({ is: 'one', element });
    };
    const container = record.role === 'quote' ? parent.add('BlockQuote') : parent;
    let contents: Element | undefined;
    record.body.forEach((block, _, index) => {
      const attrs = block.attrs as Partial<ParagraphAttrs>;
      if (!attrs.list) lists.length = 0;
      if (!attrs.each) contents = undefined;
      if (block.type.name === 'table') return void this.#table(container, block, one);
      if (block.type.name === 'figure') {
        const { picture } = block.attrs as FigureAttrs;
        figures.set(picture, container.add('Figure', { alt: alternativeOf(find(this.#document, 'picture', picture)) }));
      } else if (attrs.each) {
        contents ??= container.add('TOC');
        paragraphs.push(block);
        leaves.push({ is: 'contents', element: contents, entries: [] });
      } else if (attrs.list) {
        const entry = listEntry(container, lists, attrs.list);
        paragraphs.push(block);
        const said = { mark: entry.add('Lbl'), element: entry.add('LBody') };
        leaves.push({ is: 'entry', ...said });
        lists.at(-1)!.last = said.element;
      } else one(block, this.#paragraph(container, record, block, index === 0));
    });
    return { record, paragraphs, leaves, figures };
  }

  #paragraph(parent: Element, { role }: TextRecord, block: Node, isFirst: boolean): Element {
    if (role === 'headline' && isFirst) return parent.add('H1');
    if (role === 'caption' && parent.type === 'Figure') return parent.add('Caption');
    if (role !== 'body') return parent.add('P');
    const kind = styleKind(this.#document, (block.attrs as ParagraphAttrs).style);
    if (kind === 'heading') return parent.add('H2');
    return kind === 'quotation' ? parent.add('BlockQuote').add('P') : parent.add('P');
  }

  #table(parent: Element, node: Node, one: (node: Node, element: Element) => void): void {
    const table = parent.add('Table');
    const { headerRows } = node.attrs as TableAttrs;
    const head = headerRows > 0 ? table.add('THead') : undefined;
    const body = table.add('TBody');
    node.forEach((row, _, number) => {
      const isHead = head !== undefined && number < headerRows;
      const element = (isHead ? head : body).add('TR');
      row.forEach((cell) => {
        const { across, down } = cell.attrs as CellAttrs;
        const own = element.add(isHead ? 'TH' : 'TD', { across, down });
        cell.forEach((paragraph) => one(paragraph, own.add('P')));
      });
    });
  }
}

/** The entry for a paragraph of a list, in a list as deep as its level. */
function listEntry(
  parent: Element,
  lists: { readonly list: Element; last: Element | undefined }[],
  { level }: ListAttrs,
): Element {
  lists.length = Math.min(lists.length, level + 1);
  while (lists.length <= level) {
    const under = lists.at(-1)?.last ?? lists.at(-1)?.list.add('LI').add('LBody') ?? parent;
    lists.push({ list: under.add('L'), last: undefined });
  }
  return lists.at(-1)!.list.add('LI');
}
