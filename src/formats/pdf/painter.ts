import { type PDFContext, PDFDocument, PDFName, type PDFRef } from '@cantoo/pdf-lib';
import { pdfBlend } from '@/core/colour/blend';
import type { Ink } from '@/core/colour/ink';
import {
  type AreaItem,
  type Item,
  type Line,
  type PageList,
  type Ramp,
  type Run,
  type Showing,
  runWidth,
  type TextItem,
  type Veil,
} from '@/core/compose/displayList/displayList';
import { bareLine } from '@/core/compose/displayList/line';
import { outlineOf } from '@/core/compose/frames/contours';
import { type Box, overlaps } from '@/core/geometry/box';
import { outlineBox } from '@/core/geometry/outline';
import { mappedBox } from '@/core/geometry/matrix';
import { type Adjusted, adjustedKey } from '@/core/pictures/adjusting';
import type { Document } from '@/core/records/document';
import type { PictureRecord } from '@/core/records/index';
import type { Face } from '@/core/type/face';
import type { Shaped } from '@/core/type/shaper';
import type { Colours } from './colours';
import { PdfFonts } from './fonts';
import { asPdfX4, labelPages, type PdfHead, writeHead } from './metadata';
import { figure, lights, PageStream } from './pageStream';
import { embedPicture, embedSoftArea, embedSoftMask, softBox } from './pictures';
import type { Press } from './press';
import { drawMarks, type MarkedSheet, NO_MARKS, type PrintersMarks, rimOf, slugPlace, SLUG_SIZE } from './printersMarks';
import { type Placed, type Sheet, sheetWidth } from '@/core/handoff/sheets';
import { Squeezing } from './squeezing';
import { Tagger } from './tags/tagger';

/** What a PDF is made for: a press, or somebody who reads it on a screen. */
export type PdfPurpose =
  | {
      readonly for: 'print';
      readonly marks: PrintersMarks;
      readonly press: Press;
      /** The words of a sheet’s slug line, and how they are set. */
      readonly slug?: ((label: string) => { readonly words: string; readonly face: Face; readonly shaped: Shaped }) | undefined;
    }
  | {
      readonly for: 'screen';
      /** Whose pages they are: what everything on them is, and where links lead. */
      readonly document: Document;
      /** Pixels to the inch that pictures have at most; all of theirs when not said. */
      readonly ppi?: number | undefined;
    };

/** Where the painter gets what a display list only names. */
export interface PdfSources {
  face(id: string): Face;
  picture(id: string): PictureRecord;
  bytes(picture: PictureRecord): Promise<Uint8Array>;
  /** Items of a page in the order to be written. */
  order(items: readonly Item[]): readonly Item[];
  /** Told after each sheet how many are done. Throws to stop the work. */
  progress?(done: number, of: number): void | Promise<void>;
}

/** Where words stand beside what is printed. */
export interface LabelPlace {
  readonly words: string;
  readonly x: number;
  readonly baseline: number;
}

/** Where an item is to be seen on the page beside its own. */
const seenBox = (item: Item, dx: number): Box => {
  const box = mappedBox(item.transform, item.box);
  return { ...box, x: box.x + dx };
};

/**
 * Paints sheets as a PDF (ISO 32000-1), one page each; glyphs stand where the display list has them. For a press it is PDF/X-4
 * (ISO 15930-7), for screens tagged (ISO 14289-1).
 */
export function paintPdf(sheets: readonly Sheet[], head: PdfHead, purpose: PdfPurpose, sources: PdfSources): Promise<Uint8Array> {
  return painted(sheets, head, purpose, sources, async (painter) => {
    let done = 0;
    for (const sheet of sheets) {
      await painter.sheet(sheet);
      await sources.progress?.(++done, sheets.length);
    }
    return sheets.map(({ label }) => label);
  });
}

/** Has a PDF painted of sheets. @param paint gives what its pages are called */
export async function painted(
  sheets: readonly Sheet[],
  head: PdfHead,
  purpose: PdfPurpose,
  sources: PdfSources,
  paint: (painter: Painter) => Promise<readonly string[]>,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  const painter = new Painter(pdf, head, purpose, sources, sheets);
  painter.convert(sheets.flatMap(({ pages }) => pages.flatMap(({ list }) => picturesOf(list))));
  try {
    labelPages(pdf, await paint(painter));
    await painter.finish();
  } finally {
    painter.stop();
  }
  if (purpose.for === 'print') asPdfX4(pdf, head, purpose.press);
  else writeHead(pdf, head, { 'pdfuaid:part': '1' });
  return pdf.save({ useObjectStreams: true });
}

export class Painter {
  readonly #pdf: PDFDocument;
  readonly #purpose: PdfPurpose;
  readonly #sources: PdfSources;
  readonly #fonts: PdfFonts;
  readonly #images = new Map<string, { name: string; ref: Promise<PDFRef> }>();
  readonly #resources: Resources;
  readonly #forms = new Map<string, PDFRef>();
  readonly #veils = new Map<string, Promise<PDFRef>>();
  readonly #streams: Squeezing;
  readonly #colours: Colours;
  readonly #tagger: Tagger | undefined;
  #stopped = false;

  constructor(pdf: PDFDocument, head: PdfHead, purpose: PdfPurpose, sources: PdfSources, sheets: readonly Sheet[]) {
    this.#pdf = pdf;
    this.#purpose = purpose;
    this.#sources = sources;
    this.#fonts = new PdfFonts(pdf.context);
    this.#streams = new Squeezing(pdf.context);
    this.#resources = new Resources(pdf.context);
    this.#colours = purpose.for === 'print' ? 'cmyk' : 'rgb';
    if (purpose.for === 'screen') {
      this.#tagger = new Tagger(purpose.document, sheets, (items) => sources.order(items), head.language);
    }
  }

  async sheet({ pages, beside, label }: Sheet): Promise<void> {
    const print = this.#purpose.for === 'print';
    const marks = this.#purpose.for === 'print' ? this.#purpose.marks : NO_MARKS;
    const { height } = pages[0]!.list;
    const width = sheetWidth({ pages });
    const bleed = print ? pages[0]!.list.bleed : 0;
    const rim = rimOf(bleed, marks);
    const page = this.#pdf.addPage([width + 2 * rim, height + 2 * rim]);
    page.setMediaBox(0, 0, width + 2 * rim, height + 2 * rim);
    page.setCropBox(0, 0, width + 2 * rim, height + 2 * rim);
    page.setBleedBox(rim - bleed, rim - bleed, width + 2 * bleed, height + 2 * bleed);
    page.setTrimBox(rim, rim, width, height);
    page.node.set(PDFName.of('Resources'), this.#resources.ref);
    page.node.set(
      PDFName.of('Group'),
      this.#pdf.context.obj({ Type: 'Group', S: 'Transparency', CS: print ? 'DeviceCMYK' : 'DeviceRGB' }),
    );

    const stream = new PageStream(rim, rim, height, this.#colours, this.#resources);
    const seen: Box = { x: -bleed, y: -bleed, w: width + 2 * bleed, h: height + 2 * bleed };
    this.#tagger?.begin(
      page.ref,
      height,
      pages.flatMap(({ list }) => list.items.slice(list.furniture)),
    );
    await this.#pages(stream, { pages, beside }, seen);
    const marked: MarkedSheet = { width, height, bleed, folds: pages.slice(1).map(({ dx }) => dx) };
    if (marks !== NO_MARKS) drawMarks(stream, marked, marks);
    if (marks.slug) this.#slug(stream, marked, label);
    page.node.set(PDFName.of('Contents'), await this.#streams.add(stream.text));
  }

  async #pages(stream: PageStream, { pages, beside }: Pick<Sheet, 'pages' | 'beside'>, seen: Box): Promise<void> {
    stream.begin(seen);
    // What mixes with the paper finds it white, whatever shows the page.
    if ([...pages, ...(beside ? [beside] : [])].some(({ list }) => list.items.some(({ blend }) => blend))) {
      stream.mark(this.#tagger?.artifact());
      stream.paper(seen);
    }
    // What reaches over the spine lies on the furniture of this page as it does on that of its own.
    for (const { list, dx } of pages) await this.#items(stream, list.items.slice(0, list.furniture), dx);
    if (beside) await this.#items(stream, reachingOver(beside, seen), beside.dx);
    for (const { list, dx } of pages) await this.#items(stream, list.items.slice(list.furniture), dx);
    stream.end();
  }

  /** A page with its bleed as a form (ISO 32000-1, 8.10) whose origin is its trim’s lower left; gives its name on press sheets. */
  async form(sheet: Sheet): Promise<string> {
    const { width, height, bleed } = sheet.pages[0]!.list;
    const stream = new PageStream(0, 0, height, this.#colours, this.#resources);
    await this.#pages(stream, sheet, { x: -bleed, y: -bleed, w: width + 2 * bleed, h: height + 2 * bleed });
    const form = await this.#streams.add(stream.text, {
      Type: 'XObject',
      Subtype: 'Form',
      BBox: [-bleed, -bleed, width + bleed, height + bleed],
      Resources: this.#resources.ref,
      Group: { Type: 'Group', S: 'Transparency', CS: 'DeviceCMYK' },
    });
    const name = `F${this.#forms.size + 1}`;
    this.#forms.set(name, form);
    return name;
  }

  /** A sheet of a press, drawn with operators of its own over the forms that are on it. */
  async pressSheet(width: number, height: number, draw: (stream: PageStream) => void, label?: LabelPlace): Promise<void> {
    const page = this.#pdf.addPage([width, height]);
    page.setTrimBox(0, 0, width, height);
    page.setBleedBox(0, 0, width, height);
    page.node.set(PDFName.of('Resources'), this.#resources.pressRef);
    page.node.set(PDFName.of('Group'), this.#pdf.context.obj({ Type: 'Group', S: 'Transparency', CS: 'DeviceCMYK' }));
    const stream = new PageStream(0, 0, height, this.#colours, this.#resources);
    draw(stream);
    if (label) this.#words(stream, label.words, label.x, label.baseline);
    page.node.set(PDFName.of('Contents'), await this.#streams.add(stream.text));
  }

  #slug(stream: PageStream, sheet: MarkedSheet, label: string): void {
    const { x, baseline } = slugPlace(sheet);
    this.#words(stream, label, x, baseline);
  }

  #words(stream: PageStream, label: string, x: number, baseline: number): void {
    const set = this.#purpose.for === 'print' ? this.#purpose.slug?.(label) : undefined;
    if (!set) return;
    const line = wordsLine(set.words, set.face, set.shaped, SLUG_SIZE, x, baseline);
    const [run] = line.runs;
    stream.run(this.#fonts.use(set.face, run!).name, set.face, run!, line, 0, undefined, undefined);
  }

  /** Writes fonts and resources, which all pages share, and what everything on them is. */
  async finish(): Promise<void> {
    await Promise.all([this.#streams.finish(), this.#fonts.write()]);
    const images = new Map<string, PDFRef>();
    for (const { name, ref } of this.#images.values()) images.set(name, await ref);
    this.#resources.write(this.#fonts.resources, images, this.#forms);
    this.#tagger?.write(this.#pdf);
  }

  async #items(stream: PageStream, items: readonly Item[], dx: number): Promise<void> {
    for (const item of this.#sources.order(items)) await this.#item(stream, item, dx);
  }

  async #item(stream: PageStream, item: Item, dx: number): Promise<void> {
    // A document with something broken in it is not delivered: see `services/typesetting/delivery.ts`.
    if (item.type === 'empty' || item.type === 'broken') return;
    const veil = item.veil && (await this.#veilOnce(stream, item.veil, dx));
    stream.open(item, dx, this.#resources.shown(item, veil));
    this.#tagger?.cut();
    switch (item.type) {
      case 'area':
        stream.mark(this.#tagger?.artifact());
        if (item.blur > 0 && item.clip) stream.clipped(softBox(item), dx, await this.#soft(item), item.clip);
        else if (item.blur > 0) stream.image(softBox(item), dx, await this.#soft(item));
        else stream.area(item, dx);
        break;
      case 'picture':
        stream.mark(this.#tagger?.picture(item, dx));
        stream.picture(item, dx, await this.#image(item.picture, item.placed.w, item.adjusted));
        break;
      case 'text':
        for (const { lines, paragraphs } of item.columns)
          for (const [i, line] of lines.entries()) await this.#line(stream, item, paragraphs[i] ?? -1, line, dx);
    }
    stream.close();
  }

  async #line(stream: PageStream, item: TextItem, paragraph: number, line: Line, dx: number): Promise<void> {
    await this.#marks(stream, item, paragraph, line, dx, false);
    line.runs.forEach((run, i) => {
      const face = this.#sources.face(run.look.face);
      stream.mark(this.#tagger?.run(item, paragraph, line, run, dx));
      if (run.look.absent)
        return stream.turned(run.turn, dx, () => stream.absent(this.#fonts.use(face, run).name, run, line, dx));
      const { name, says } = this.#fonts.use(face, run);
      const next = line.runs[i + 1];
      const gap = next && next.x - (run.x + runWidth(run, line)) > 0.05 * run.look.size;
      const hyphen = run.added && line.hyphenated && i === line.runs.length - 1 && run.text.endsWith('-');
      // The hyphen of a line's end is no part of the word (ISO 32000-1, 14.8.2.2.3: a soft one).
      const read = hyphen ? `${run.text.slice(0, -1)}\u00AD` : says ? undefined : run.text;
      stream.turned(run.turn, dx, () => stream.run(name, face, run, line, dx, gap ? this.#fonts.space(face) : undefined, read));
    });
    await this.#marks(stream, item, paragraph, line, dx, true);
  }

  async #marks(stream: PageStream, item: TextItem, paragraph: number, line: Line, dx: number, over: boolean): Promise<void> {
    for (const mark of line.marks ?? []) {
      const box = { ...mark.box, x: mark.box.x + line.x, y: mark.box.y + line.baseline };
      if (mark.type === 'area') {
        if (mark.over !== over) continue;
        stream.mark(this.#tagger?.artifact());
        stream.turned(mark.turn, dx, () => stream.rectangle(box, dx, mark.ink));
      } else if (!over) {
        stream.mark(this.#tagger?.pictureInText(item, paragraph, this.#sources.picture(mark.picture), box, dx));
        const image = await this.#image(mark.picture, box.w);
        stream.turned(mark.turn, dx, () => stream.image(box, dx, image));
      }
    }
  }

  /** A soft shadow as an image of one colour behind a blurred mask. */
  async #soft(item: AreaItem): Promise<string> {
    const key = `soft ${item.frame} ${item.part} ${item.box.x} ${item.box.y}`;
    let image = this.#images.get(key);
    if (!image) {
      const ref = embedSoftArea(this.#pdf.context, item, softBox(item), this.#colours);
      this.#images.set(key, (image = { name: `P${this.#images.size + 1}`, ref }));
    }
    await image.ref;
    return image.name;
  }

  /** What a frame shows is veiled item by item, all of them by one mask. */
  #veilOnce(stream: PageStream, veil: Veil, dx: number): Promise<PDFRef> {
    const key = JSON.stringify([veil, dx, stream.place({ x: 0, y: 0 }, 0)]);
    let own = this.#veils.get(key);
    if (!own) this.#veils.set(key, (own = this.#veil(stream, veil, dx)));
    return own;
  }

  /**
   * What is left of an item where it grows fainter, as a soft mask (ISO 32000-1, 11.6.5.2): a form whose light says how much, in
   * the coordinates of the stream.
   */
  async #veil(stream: PageStream, { transform, fade, feather }: Veil, dx: number): Promise<PDFRef> {
    const room = 20_000;
    const context = this.#pdf.context;
    const form = (content: string, resources: Readonly<Record<string, unknown>>) =>
      context.register(
        context.stream(content, {
          Type: 'XObject',
          Subtype: 'Form',
          BBox: [-room, -room, room, room],
          Group: { Type: 'Group', S: 'Transparency', CS: 'DeviceGray' },
          Resources: resources as Parameters<PDFContext['stream']>[1] & object,
        }),
      );
    const turned = transform ? `${stream.map(transform, dx)} ` : '';
    let soft: PDFRef | undefined;
    if (feather) {
      const { contour, blur } = feather;
      const box = outlineBox(outlineOf(contour)) ?? { x: 0, y: 0, w: 0, h: 0 };
      const area = softBox({ box, blur });
      const image = await embedSoftMask(context, contour, blur, area);
      const at = stream.place({ x: area.x, y: area.y + area.h }, dx);
      soft = form(`q ${turned}${figure(area.w)} 0 0 ${figure(area.h)} ${figure(at.x)} ${figure(at.y)} cm /M Do Q`, {
        XObject: { M: image },
      });
    }
    if (!fade) return soft!;
    const [from, to] = [stream.place(fade.from, dx), stream.place(fade.to, dx)];
    const shading = {
      ShadingType: 2,
      ColorSpace: 'DeviceGray',
      Coords: [from.x, from.y, to.x, to.y],
      Function: { FunctionType: 2, Domain: [0, 1], C0: [1], C1: [0], N: 1 },
      Extend: [true, true],
    };
    const states = soft ? { ExtGState: { V: { SMask: { Type: 'Mask', S: 'Luminosity', G: soft } } } } : {};
    return form(`q ${soft ? '/V gs ' : ''}${turned}/F sh Q`, { Shading: { F: shading }, ...states });
  }

  /** Starts converting pictures, a few at a time, in the order in which pages will ask for them. */
  convert(pictures: readonly Wanted[]): void {
    const widest = new Map<string, Wanted>();
    for (const each of pictures) {
      const key = imageKey(each.picture, each.adjusted);
      if (each.width > (widest.get(key)?.width ?? 0)) widest.set(key, each);
    }
    const waiting = [...widest.values()];
    const next = async (): Promise<void> => {
      for (let each = waiting.shift(); each && !this.#stopped; each = waiting.shift())
        await this.#convert(each.picture, each.width, each.adjusted).ref.catch(() => undefined);
    };
    for (let i = 0; i < AT_ONCE; i++) void next();
  }

  /** Lets go of pictures that have not been begun. */
  stop(): void {
    this.#stopped = true;
  }

  async #image(picture: string, width: number, adjusted?: Adjusted): Promise<string> {
    const image = this.#convert(picture, width, adjusted);
    await image.ref;
    return image.name;
  }

  #convert(id: string, width: number, adjusted: Adjusted | undefined): { name: string; ref: Promise<PDFRef> } {
    const key = imageKey(id, adjusted);
    let image = this.#images.get(key);
    if (!image) {
      const picture = this.#sources.picture(id);
      const how =
        this.#purpose.for === 'print'
          ? { colours: this.#colours, width, adjusted, press: this.#purpose.press }
          : { colours: this.#colours, width, adjusted, ppi: this.#purpose.ppi };
      const ref = this.#sources.bytes(picture).then((bytes) => embedPicture(this.#pdf.context, picture, bytes, how));
      // Whoever asks for the picture hears of a failure; until then nobody need.
      ref.catch(() => undefined);
      this.#images.set(key, (image = { name: `P${this.#images.size + 1}`, ref }));
    }
    return image;
  }
}

/** What of the page across the spine is seen on this one. */
const reachingOver = ({ list, dx }: Placed, seen: Box): readonly Item[] =>
  list.items.slice(list.furniture).filter((item) => overlaps(seenBox(item, dx), seen, 0.01));

/** Words in one face on one line, in black. */
function wordsLine(words: string, face: Face, shaped: Shaped, size: number, x: number, baseline: number): Line {
  const look = {
    face: face.id,
    size,
    scale: size / face.unitsPerEm,
    tracking: 0,
    rise: 0,
    features: '',
    language: 'en',
    ink: { cmyk: [0, 0, 0, 1], rgb: '#000000' } satisfies Ink,
    absent: false,
    ramp: undefined,
    outline: undefined,
  } as const;
  const run: Run = { x: 0, text: words, shaped, look, rightToLeft: false, drop: 0, from: 0, to: words.length, added: false };
  return { ...bareLine(x, baseline, 0, undefined), runs: [run] };
}

/** What content streams name, shared by all pages: graphics states, and the spaces of inks of their own. */
class Resources {
  readonly ref: PDFRef;
  /** Those of a press sheet, on which pages are forms. */
  readonly pressRef: PDFRef;
  readonly #context: PDFContext;
  readonly #states = new Map<string, { readonly name: string; readonly state: object }>();
  readonly #shadings = new Map<string, { readonly name: string; readonly shading: object }>();
  readonly #spots = new Map<string, { readonly name: string; readonly ink: NonNullable<Ink['spot']> }>();

  constructor(context: PDFContext) {
    this.#context = context;
    this.ref = context.nextRef();
    this.pressRef = context.nextRef();
  }

  /** How an item is shown as a whole (ISO 32000-1, 11.6.4.4 and 11.3.5); undefined where nothing is said of that. */
  shown({ opacity = 1, blend }: Showing, veil: PDFRef | undefined): string | undefined {
    if (opacity === 1 && !blend && !veil) return undefined;
    const alpha = opacity === 1 ? {} : { ca: opacity, CA: opacity };
    const mask = veil ? { SMask: { Type: 'Mask', S: 'Luminosity', G: veil } } : {};
    return this.#state(`shown ${opacity} ${blend} ${veil ?? ''}`, {
      ...alpha,
      ...(blend ? { BM: pdfBlend(blend) } : {}),
      ...mask,
    });
  }

  /** Axial and radial shadings (8.7.4.5.3 and 4), their colours run together piece by piece (7.10.4). */
  shading(ramp: Ramp, colours: Colours): string {
    const { form, from, to, stops } = ramp;
    const key = JSON.stringify(ramp);
    let own = this.#shadings.get(key);
    if (own) return own.name;
    const spot = stops[0]!.ink.spot;
    const isSpot = colours === 'cmyk' && spot !== undefined && stops.every(({ ink }) => ink.spot?.name === spot.name);
    const colour = ({ ink }: Ramp['stops'][number]) =>
      isSpot ? [ink.spot!.tint] : colours === 'rgb' ? lights(ink.rgb) : [...ink.cmyk];
    const pieces = stops.slice(1).map((stop, i) => ({
      FunctionType: 2,
      Domain: [0, 1],
      C0: colour(stops[i]!),
      C1: colour(stop),
      N: 1,
    }));
    const radius = Math.hypot(to.x - from.x, to.y - from.y);
    const shading = {
      ShadingType: form === 'linear' ? 2 : 3,
      ColorSpace: isSpot ? this.#separation(spot.name, spot.full) : colours === 'rgb' ? 'DeviceRGB' : 'DeviceCMYK',
      Coords: form === 'linear' ? [from.x, from.y, to.x, to.y] : [from.x, from.y, 0, from.x, from.y, radius],
      Function: {
        FunctionType: 3,
        Domain: [0, 1],
        Functions: pieces,
        Bounds: stops.slice(1, -1).map(({ at }) => at),
        Encode: pieces.flatMap(() => [0, 1]),
      },
      Extend: [true, true],
    };
    own = { name: `H${this.#shadings.size + 1}`, shading };
    this.#shadings.set(key, own);
    return own.name;
  }

  /** ISO 32000-1, 8.6.7: in mode 1 an ink of which there is none leaves its plate alone. */
  overprint(on: boolean): string {
    return this.#state(`overprint ${on}`, { OP: on, op: on, OPM: 1 });
  }

  spot({ spot }: Ink): string {
    let own = this.#spots.get(spot!.name);
    if (!own) this.#spots.set(spot!.name, (own = { name: `S${this.#spots.size + 1}`, ink: spot! }));
    return own.name;
  }

  #state(key: string, state: object): string {
    let own = this.#states.get(key);
    if (!own) this.#states.set(key, (own = { name: `G${this.#states.size + 1}`, state }));
    return own.name;
  }

  write(
    fonts: Iterable<readonly [string, PDFRef]>,
    images: Iterable<readonly [string, PDFRef]>,
    forms: ReadonlyMap<string, PDFRef>,
  ): void {
    const context = this.#context;
    const dictionary = (entries: Iterable<readonly [string, unknown]>) =>
      Object.fromEntries(entries) as Parameters<PDFContext['obj']>[0];
    const spaces = [...this.#spots.values()].map(({ name, ink }) => [name, this.#separation(ink.name, ink.full)] as const);
    const shared = {
      Font: context.obj(dictionary(fonts)),
      ExtGState: context.obj(dictionary([...this.#states.values()].map(({ name, state }) => [name, state] as const))),
      ...(this.#shadings.size > 0
        ? {
            Shading: context.obj(dictionary([...this.#shadings.values()].map(({ name, shading }) => [name, shading] as const))),
          }
        : {}),
      ColorSpace: context.obj(dictionary([['All', this.#separation('All', [1, 1, 1, 1])], ...spaces])),
    };
    context.assign(this.ref, context.obj({ ...shared, XObject: context.obj(dictionary(images)) }));
    if (forms.size > 0) context.assign(this.pressRef, context.obj({ ...shared, XObject: context.obj(dictionary(forms)) }));
  }

  /** The space of one colorant (8.6.6.4), with what stands for it where a device has none. */
  #separation(name: string, full: readonly number[]) {
    const context = this.#context;
    const tint = context.obj({ FunctionType: 2, Domain: [0, 1], C0: [0, 0, 0, 0], C1: [...full], N: 1 });
    return context.register(
      context.obj([PDFName.of('Separation'), PDFName.of(name), PDFName.of('DeviceCMYK'), context.register(tint)]),
    );
  }
}

/** A picture that a page shows, how wide, and what becomes of its pixels. */
interface Wanted {
  readonly picture: string;
  readonly width: number;
  readonly adjusted: Adjusted | undefined;
}

/** A picture is written once for everything that becomes of its pixels. */
const imageKey = (picture: string, adjusted: Adjusted | undefined): string =>
  adjusted ? `${picture} ${adjustedKey(adjusted)}` : picture;

/** Pictures converted at the same time: the inks are worked out on one core each. */
const AT_ONCE = 2;

/** The pictures of a page, those that stand in its texts among them, with the widths they are shown at. */
function picturesOf(list: PageList): Wanted[] {
  return list.items.flatMap((item) => {
    if (item.type === 'picture') return [{ picture: item.picture, width: item.placed.w, adjusted: item.adjusted }];
    if (item.type !== 'text') return [];
    const marks = item.columns.flatMap(({ lines }) => lines.flatMap((line) => line.marks ?? []));
    return marks.flatMap((mark) =>
      mark.type === 'picture' ? [{ picture: mark.picture, width: mark.box.w, adjusted: undefined }] : [],
    );
  });
}
