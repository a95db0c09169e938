import { type PDFContext, type PDFDict, PDFHexString, PDFName, type PDFObject, type PDFRef, PDFString } from '@cantoo/pdf-lib';

/** The standard structure types that are used here (ISO 32000-1, 14.8.4). */
export type StructureType =
  | 'Document'
  | 'Part'
  | 'Art'
  | 'Sect'
  | 'H1'
  | 'H2'
  | 'P'
  | 'BlockQuote'
  | 'Caption'
  | 'Figure'
  | 'L'
  | 'LI'
  | 'Lbl'
  | 'LBody'
  | 'Table'
  | 'THead'
  | 'TBody'
  | 'TR'
  | 'TH'
  | 'TD'
  | 'TOC'
  | 'TOCI'
  | 'Link'
  | 'Span';

/** What an element says beside its kind. */
export interface Said {
  readonly title?: string | undefined;
  /** What is said in the place of a picture. */
  readonly alt?: string | undefined;
  readonly language?: string | undefined;
  /** Of a cell: columns and rows it takes. */
  readonly across?: number | undefined;
  readonly down?: number | undefined;
}

/** A marked part of a page’s content. */
export interface Content {
  readonly page: PDFRef;
  readonly mcid: number;
}

/** An annotation that belongs to an element. */
export interface Annotation {
  readonly page: PDFRef;
  readonly annotation: PDFRef;
}

interface Kid {
  /** Where it stands among the others; what says nothing of it stands in the order in which it came. */
  readonly at: number;
  readonly is: Element | Content | Annotation;
}

/** An element of the structure of a PDF: what something is, in the order in which it is read. */
export class Element {
  readonly type: StructureType;
  readonly said: Said;
  readonly parent: Element | undefined;
  readonly #kids: Kid[] = [];
  /** Of a picture: the box that it takes on its page, as the PDF has it. */
  box: readonly [number, number, number, number] | undefined;

  constructor(type: StructureType, said: Said = {}, parent?: Element) {
    this.type = type;
    this.said = said;
    this.parent = parent;
  }

  add(type: StructureType, said?: Said, at = 0): Element {
    const child = new Element(type, said, this);
    this.#kids.push({ at, is: child });
    return child;
  }

  hold(is: Content | Annotation, at = 0): void {
    this.#kids.push({ at, is });
  }

  /** Whether nothing of it is on any page. */
  get isEmpty(): boolean {
    return this.#kids.every(({ is }) => is instanceof Element && is.isEmpty);
  }

  /** What is in it, in the order in which it is read. */
  get kids(): readonly Kid['is'][] {
    return [...this.#kids].sort((a, b) => a.at - b.at).map(({ is }) => is);
  }
}

/** Told of every marked content and annotation, with the element it belongs to. */
export type Belongs = (of: Content | Annotation, element: PDFRef) => void;

/** Writes an element with all that is in it; what is on no page is left out. */
export function writeElement(context: PDFContext, element: Element, parent: PDFRef, belongs: Belongs): PDFRef {
  const ref = context.nextRef();
  const kids: PDFObject[] = [];
  for (const kid of element.kids) {
    if (kid instanceof Element) {
      if (!kid.isEmpty) kids.push(writeElement(context, kid, ref, belongs));
      continue;
    }
    belongs(kid, ref);
    kids.push(
      'mcid' in kid
        ? context.obj({ Type: 'MCR', Pg: kid.page, MCID: kid.mcid })
        : context.obj({ Type: 'OBJR', Pg: kid.page, Obj: kid.annotation }),
    );
  }
  const dict = context.obj({ Type: 'StructElem', S: element.type, P: parent, K: kids.length === 1 ? kids[0]! : kids }) as PDFDict;
  const { title, alt, language } = element.said;
  if (title) dict.set(PDFName.of('T'), PDFHexString.fromText(title));
  if (alt !== undefined) dict.set(PDFName.of('Alt'), PDFHexString.fromText(alt));
  if (language) dict.set(PDFName.of('Lang'), PDFString.of(language));
  const attributes = attributesOf(element);
  if (attributes) dict.set(PDFName.of('A'), context.obj(attributes));
  context.assign(ref, dict);
  return ref;
}

/** ISO 32000-1, 14.8.5: the box of a picture, the scope of a heading cell, what cells take, how a list is numbered. */
function attributesOf({ type, said: { across = 1, down = 1 }, box }: Element) {
  if (type === 'Figure' && box) return { O: 'Layout', Placement: 'Block', BBox: [...box] };
  if (type !== 'TH' && type !== 'TD') return undefined;
  const spans = { ...(across > 1 ? { ColSpan: across } : {}), ...(down > 1 ? { RowSpan: down } : {}) };
  if (type === 'TH') return { O: 'Table', Scope: 'Column', ...spans };
  return across > 1 || down > 1 ? { O: 'Table', ...spans } : undefined;
}
