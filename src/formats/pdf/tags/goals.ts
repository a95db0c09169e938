import { type PDFDocument, PDFHexString, PDFName, type PDFObject, type PDFRef, PDFString } from '@cantoo/pdf-lib';
import type { Node } from 'prosemirror-model';
import type { Run } from '@/core/compose/displayList/displayList';
import { firstPageOf, storiesInOrder } from '@/core/page/fields';
import { placedPages } from '@/core/page/pages';
import { type Document, find } from '@/core/records/document';
import type { FieldAttrs } from '@/core/records/text';

/** Where a press on a link leads: to a page of the issue, or out of it. */
export interface Goal {
  readonly key: string;
  readonly url?: string;
  /** Counted from 1. */
  readonly page?: number;
  /** What is said of it where it is not seen; the words of the link when not said. */
  readonly says?: string | undefined;
}

/** Where the links of an issue lead: web addresses, the first page of a story, the page on which one goes on. */
export class Goals {
  readonly #document: Document;
  readonly #sheets: ReadonlyMap<number, number>;
  readonly #stories: readonly { readonly id: string; readonly name: string }[];

  /** @param sheets where each page is in the PDF, counted from 0, by its number */
  constructor(document: Document, sheets: ReadonlyMap<number, number>) {
    this.#document = document;
    this.#sheets = sheets;
    this.#stories = storiesInOrder(document);
  }

  /** Where a stretch of a paragraph leads; undefined where it leads nowhere. */
  of(paragraph: Node, run: Run): Goal | undefined {
    if (run.added) return undefined;
    const { node } = paragraph.childAfter(run.from);
    if (!node) return undefined;
    const href = node.marks.find(({ type }) => type.name === 'link')?.attrs['href'] as string | undefined;
    if (href) return { key: href, url: href };
    if (node.type.name !== 'field') return undefined;
    const { name, of } = node.attrs as FieldAttrs;
    if (name === 'nextFolio' || name === 'previousFolio') return this.#folio(run.text);
    return of === undefined ? undefined : this.#story(of);
  }

  /** Where an entry of a contents list leads, counted from 0. */
  ofEntry(number: number): Goal | undefined {
    const story = this.#stories[number];
    return story && this.#story(story.id);
  }

  #story(id: string): Goal | undefined {
    const page = firstPageOf(this.#document, id);
    return page === undefined
      ? undefined
      : { key: `story ${id}`, page, says: `To “${find(this.#document, 'story', id)?.name ?? ''}”` };
  }

  #folio(folio: string): Goal | undefined {
    const page = placedPages(this.#document).find((each) => each.folio === folio);
    return page && { key: `page ${page.number}`, page: page.number, says: `To page ${folio}` };
  }

  #pageOf(pdf: PDFDocument, number: number): PDFRef | undefined {
    const sheet = this.#sheets.get(number);
    return sheet === undefined ? undefined : pdf.getPages()[sheet]?.ref;
  }

  /** A goal as entries of an annotation; undefined where the page is not in this PDF. */
  write(pdf: PDFDocument, { url, page }: Goal): Record<string, PDFObject> | undefined {
    if (url !== undefined) return { A: pdf.context.obj({ S: 'URI', URI: PDFString.of(uriOf(url)) }) };
    const ref = page === undefined ? undefined : this.#pageOf(pdf, page);
    return ref && { Dest: destination(pdf, ref) };
  }

  /** The sections with their stories as bookmarks (ISO 32000-1, 12.3.3). */
  writeBookmarks(pdf: PDFDocument): void {
    const placed = placedPages(this.#document);
    const marks: Bookmark[] = [];
    let section: string | undefined;
    for (const { id, name } of this.#stories) {
      const number = firstPageOf(this.#document, id);
      const page = number === undefined ? undefined : placed[number - 1];
      const ref = page && this.#pageOf(pdf, page.number);
      if (!ref) continue;
      const own: Bookmark = { title: name, page: ref, under: [] };
      if (!page.section) marks.push(own);
      else {
        if (page.section.id !== section) marks.push({ title: page.section.name, page: own.page, under: [] });
        marks.at(-1)!.under.push(own);
      }
      section = page.section?.id;
    }
    if (marks.length === 0) return;
    const root = pdf.context.nextRef();
    pdf.context.assign(root, pdf.context.obj({ Type: 'Outlines', ...writeLevel(pdf, marks, root) }));
    pdf.catalog.set(PDFName.of('Outlines'), root);
    pdf.catalog.set(PDFName.of('PageMode'), PDFName.of('UseOutlines'));
  }
}

interface Bookmark {
  readonly title: string;
  readonly page: PDFRef;
  readonly under: Bookmark[];
}

/** Writes bookmarks that stand under one; gives what that says of them. */
function writeLevel(pdf: PDFDocument, marks: readonly Bookmark[], parent: PDFRef) {
  const { context } = pdf;
  const refs = marks.map(() => context.nextRef());
  marks.forEach(({ title, page, under }, i) => {
    const entry = {
      Title: PDFHexString.fromText(title),
      Parent: parent,
      Dest: destination(pdf, page),
      ...(i > 0 ? { Prev: refs[i - 1]! } : {}),
      ...(i + 1 < refs.length ? { Next: refs[i + 1]! } : {}),
      ...(under.length > 0 ? writeLevel(pdf, under, refs[i]!) : {}),
    };
    context.assign(refs[i]!, context.obj(entry));
  });
  const count = marks.reduce((sum, { under }) => sum + 1 + under.length, 0);
  return { First: refs[0]!, Last: refs.at(-1)!, Count: count };
}

const destination = (pdf: PDFDocument, page: PDFRef) => pdf.context.obj([page, PDFName.of('Fit')]);

/** An address as a PDF holds it: in plain ASCII (RFC 3986). */
function uriOf(url: string): string {
  try {
    return new URL(url).href;
  } catch {
    return encodeURI(url);
  }
}
