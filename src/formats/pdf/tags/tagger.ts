import { type PDFContext, type PDFDocument, PDFHexString, PDFName, type PDFRef } from '@cantoo/pdf-lib';
import type { Item, Line, PictureItem, Run, TextItem } from '@/core/compose/displayList/displayList';
import { runWidth } from '@/core/compose/displayList/displayList';
import { type Box, around, shifted } from '@/core/geometry/box';
import { mappedBox } from '@/core/geometry/matrix';
import type { Sheet } from '@/core/handoff/sheets';
import type { Document } from '@/core/records/document';
import type { PictureRecord } from '@/core/records/index';
import type { MarkedContent } from '../pageStream';
import type { Element } from './element';
import { type Annotation, type Content, writeElement } from './element';
import { type Goal, Goals } from './goals';
import { alternativeOf } from '@/core/pictures/alternative';
import { type Leaf, ReadingTree, type ReadText } from './readingTree';

/** A link on a page: the element it belongs to, and where a press on it leads. */
interface Link {
  readonly element: Element;
  readonly goal: Goal;
  readonly page: number;
  readonly words: string[];
  /** Of its page. */
  readonly height: number;
  box: Box;
  /** Where its words end in their paragraph. */
  to: number;
}

/** A page of the PDF, with what is needed to say where something on it is. */
interface TaggedPage {
  readonly ref: PDFRef;
  /** Contents so far: the next one's number. */
  mcids: number;
  readonly owners: PDFRef[];
}

/**
 * Says of everything that is painted what it is (ISO 32000-1, 14.7 and 14.8; ISO 14289-1): a part of the reading tree, or of the
 * page alone. Collects the links on its way.
 */
export class Tagger {
  readonly #tree: ReadingTree;
  readonly #goals: Goals;
  readonly #language: string;
  readonly #pages: TaggedPage[] = [];
  readonly #links: Link[] = [];
  readonly #entries = new Map<Leaf, { from: number; line: Line | undefined }>();
  #read: ReadonlySet<Item> = new Set();
  #height = 0;
  #open: { readonly element: Element; readonly content: MarkedContent } | undefined;

  constructor(
    document: Document,
    sheets: readonly Sheet[],
    order: (items: readonly Item[]) => readonly Item[],
    language: string,
  ) {
    const lists = sheets.flatMap(({ pages }) => pages.map(({ list }) => list));
    this.#tree = new ReadingTree(document, lists, order);
    this.#goals = new Goals(
      document,
      new Map(sheets.flatMap(({ pages }, i) => pages.map(({ list }) => [list.number, i] as const))),
    );
    this.#language = language;
  }

  /** A page begins, so high; of what is painted on it, these items are read. */
  begin(ref: PDFRef, height: number, read: readonly Item[]): void {
    this.#height = height;
    this.#pages.push({ ref, mcids: 0, owners: [] });
    this.#read = new Set(read);
    this.#open = undefined;
  }

  /** What a picture in a frame belongs to. @param dx of its page from the sheet’s left trim */
  picture(item: PictureItem, dx: number): MarkedContent {
    const figure = this.#read.has(item) ? this.#tree.figureOf(item.frame) : undefined;
    if (!figure) return this.artifact();
    figure.box ??= this.#pdfBox(mappedBox(item.transform, item.box), dx);
    return this.#content(figure);
  }

  /** A picture in a line of a text, or between its paragraphs. */
  pictureInText(item: TextItem, paragraph: number, picture: PictureRecord, box: Box, dx: number): MarkedContent {
    const text = this.#read.has(item) ? this.#tree.textOf(item) : undefined;
    if (!text) return this.artifact();
    const between = paragraph < 0 ? text.figures.get(picture.id) : undefined;
    const figure = between ?? text.leaves[paragraph]?.element.add('Figure', { alt: alternativeOf(picture) }, LAST);
    if (!figure) return this.artifact();
    figure.box ??= this.#pdfBox(mappedBox(item.transform, box), dx);
    return this.#content(figure);
  }

  /** What letters belong to. @param dx of their page from the sheet’s left trim */
  run(item: TextItem, paragraph: number, line: Line, run: Run, dx: number): MarkedContent {
    const text = this.#read.has(item) && paragraph >= 0 ? this.#tree.textOf(item) : undefined;
    const leaf = text?.leaves[paragraph];
    if (!text || !leaf) return this.artifact();
    const isMark = leaf.is === 'entry' && run.added && run === line.runs[0] && !line.hyphenated;
    const base = isMark ? leaf.mark : leaf.is === 'contents' ? this.#entry(leaf, line, run) : leaf.element;
    const goal = isMark ? undefined : this.#goalOf(text, leaf, paragraph, run);
    const element = goal ? this.#linkOf(base, goal, item, line, run, dx) : this.#spoken(base, run);
    return this.#content(element, run.from);
  }

  /** A box of the page as the PDF has it: left, foot, right, top. */
  #pdfBox({ x, y, w, h }: Box, dx: number): [number, number, number, number] {
    return [x + dx, this.#height - y - h, x + dx + w, this.#height - y];
  }

  artifact(): MarkedContent {
    this.#open = undefined;
    return 'artifact';
  }

  /** What follows belongs to something else, even where it is of the same element. */
  cut(): void {
    this.#open = undefined;
  }

  /** A stretch of the page that belongs to an element; the same as long as nothing else comes in between. */
  #content(element: Element, at = 0): MarkedContent {
    if (this.#open?.element === element) return this.#open.content;
    const page = this.#pages.at(-1)!;
    const content: MarkedContent = { tag: element.type, mcid: page.mcids++ };
    element.hold({ page: page.ref, mcid: content.mcid }, at);
    this.#open = { element, content };
    return content;
  }

  /** The entry of a contents list that a line belongs to: the next begins where the paragraph begins anew. */
  #entry(leaf: Extract<Leaf, { is: 'contents' }>, line: Line, run: Run): Element {
    const before = this.#entries.get(leaf);
    const begins = !before || (before.line !== line && run.from <= before.from);
    if (begins) leaf.entries.push(leaf.element.add('TOCI'));
    if (before?.line !== line) this.#entries.set(leaf, { from: run.from, line });
    return leaf.entries.at(-1)!;
  }

  #goalOf(text: ReadText, leaf: Leaf, paragraph: number, run: Run): Goal | undefined {
    if (leaf.is === 'contents') return this.#goals.ofEntry(leaf.entries.length - 1);
    return this.#goals.of(text.paragraphs[paragraph]!, run);
  }

  /** The link that a run is in: the one before goes on where it leads to the same place from the same element. */
  #linkOf(parent: Element, goal: Goal, item: TextItem, line: Line, run: Run, dx: number): Element {
    const straight = {
      x: line.x + run.x,
      y: line.baseline - line.ascent,
      w: runWidth(run, line),
      h: line.ascent + line.descent,
    };
    const placed = mappedBox(item.transform, shifted(mappedBox(run.turn, straight), dx, 0));
    const page = this.#pages.length - 1;
    const last = this.#links.at(-1);
    const goesOn = last?.element.parent === parent && last.goal.key === goal.key && run.from - last.to <= SPACE;
    if (goesOn && last.page === page && Math.abs(last.box.y - placed.y) < 0.5) {
      last.box = around([last.box, placed])!;
      last.to = run.to;
      last.words.push(run.text);
      return last.element;
    }
    const element = goesOn ? last.element : parent.add('Link', {}, run.from);
    this.#links.push({ element, goal, page, words: [run.text], box: placed, to: run.to, height: this.#height });
    return element;
  }

  /** Letters in another language than the say so. */
  #spoken(parent: Element, run: Run): Element {
    const language = run.look.language;
    if (run.added || language === '' || primary(language) === primary(this.#language)) return parent;
    const open = this.#open?.element;
    if (open?.parent === parent && open.type === 'Span' && open.said.language === language) return open;
    return parent.add('Span', { language }, run.from);
  }

  /** Writes the structure, the links and the bookmarks of a PDF. */
  write(pdf: PDFDocument): void {
    const { context } = pdf;
    const annotations = this.#writeLinks(pdf);
    const root = context.nextRef();
    const owners = new Map<PDFRef, PDFRef>();
    const pages = new Map(this.#pages.map((page) => [page.ref, page]));
    const belongs = (of: Content | Annotation, element: PDFRef) => {
      if ('mcid' in of) pages.get(of.page)!.owners[of.mcid] = element;
      else owners.set(of.annotation, element);
    };
    const document = writeElement(context, this.#tree.root, root, belongs);
    const nums = [
      ...this.#pages.flatMap(({ owners: own }, i) => [i, context.register(context.obj(own))]),
      ...annotations.flatMap((annotation, i) => [this.#pages.length + i, owners.get(annotation)!]),
    ];
    context.assign(
      root,
      context.obj({
        Type: 'StructTreeRoot',
        K: document,
        ParentTree: context.register(context.obj({ Nums: nums })),
        ParentTreeNextKey: this.#pages.length + annotations.length,
      }),
    );
    pdf.catalog.set(PDFName.of('StructTreeRoot'), root);
    pdf.catalog.set(PDFName.of('MarkInfo'), context.obj({ Marked: true }));
    pdf.getPages().forEach((page, i) => {
      page.node.set(PDFName.of('StructParents'), context.obj(i));
      page.node.set(PDFName.of('Tabs'), PDFName.of('S'));
    });
    this.#goals.writeBookmarks(pdf);
  }

  #writeLinks(pdf: PDFDocument): PDFRef[] {
    const { context } = pdf;
    const pages = pdf.getPages();
    const onPages = new Map<number, PDFRef[]>();
    const out: PDFRef[] = [];
    for (const link of this.#links) {
      const leads = this.#goals.write(pdf, link.goal);
      if (!leads) continue;
      const annotation = context.obj({
        Type: 'Annot',
        Subtype: 'Link',
        Rect: [link.box.x, link.height - link.box.y - link.box.h, link.box.x + link.box.w, link.height - link.box.y],
        Border: [0, 0, 0],
        F: 4,
        StructParent: this.#pages.length + out.length,
        Contents: PDFHexString.fromText(link.goal.says ?? link.words.join(' ')),
        ...leads,
      } as Parameters<PDFContext['obj']>[0]);
      const ref = context.register(annotation);
      link.element.hold({ page: this.#pages[link.page]!.ref, annotation: ref }, LAST);
      onPages.set(link.page, [...(onPages.get(link.page) ?? []), ref]);
      out.push(ref);
    }
    for (const [page, refs] of onPages) pages[page]!.node.set(PDFName.of('Annots'), context.obj(refs));
    return out;
  }
}

/** Characters between two words of one link. */
const SPACE = 2;

/** Where what belongs to a whole paragraph stands among its words. */
const LAST = Number.MAX_SAFE_INTEGER;

const primary = (language: string): string => language.split('-')[0]!.toLowerCase();
