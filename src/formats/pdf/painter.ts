import { PDFDocument, PDFName, type PDFRef } from '@cantoo/pdf-lib';
import { type Box, overlaps } from '@/core/geometry/box';
import type { Ink } from '@/core/colour/ink';
import { absentBoxes } from '@/core/compose/displayList/absent';
import { contourPath } from '@/core/compose/frames/contours';
import {
  type AreaItem,
  type Contour,
  type Item,
  type Line,
  type PageList,
  type PictureItem,
  type Run,
  runWidth,
  type Showing,
} from '@/core/compose/displayList/displayList';
import { mappedBox, type Matrix } from '@/core/geometry/matrix';
import { mm } from '@/core/length/length';
import { type Adjusted, adjustedKey } from '@/core/pictures/adjusting';
import type { PictureRecord } from '@/core/records/index';
import type { Face } from '@/core/type/face';
import { PdfFonts } from './fonts';
import type { Colours } from './colours';
import { embedPicture, embedSoftArea, type Press, softBox } from './pictures';

/** What a PDF is made for. */
export interface PdfOptions {
  readonly purpose: 'print' | 'screen';
  /** Crop marks outside the bleed; print only. */
  readonly marks: boolean;
  readonly title: string;
  readonly author: string;
  readonly language: string;
  /** The print shop’s own profile, by which light becomes inks. */
  readonly press?: Press | undefined;
}

/** Where the painter gets what a display list only names. */
export interface PdfSources {
  face(id: string): Face;
  picture(id: string): PictureRecord;
  bytes(picture: PictureRecord): Promise<Uint8Array>;
  /** Items of a page in the order to be written. */
  order(items: readonly Item[]): readonly Item[];
  /** Told after each page how many are done. Throws to stop the work. */
  progress?(done: number, of: number): void | Promise<void>;
}

/** A page to paint, and the one across the spine, from which frames may reach over. */
export interface PdfPage {
  readonly list: PageList;
  readonly neighbour?: { readonly list: PageList; readonly dx: number } | undefined;
}

/** Where an item is to be seen on the page beside its own. */
const seenBox = (item: Item, dx: number): Box => {
  const box = mappedBox(item.transform, item.box);
  return { ...box, x: box.x + dx };
};

const MARK_GAP = mm(3);
const MARK_LENGTH = mm(5);
const MARK_WEIGHT = 0.25;

/** Paints pages as a PDF (ISO 32000-1), one page each. Glyphs stand where the display list has them. */
export async function paintPdf(pages: readonly PdfPage[], options: PdfOptions, sources: PdfSources): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(options.title, { showInWindowTitleBar: true });
  pdf.setAuthor(options.author);
  pdf.setLanguage(options.language);
  pdf.setProducer('Restless Kite');
  pdf.setCreator('Restless Kite');
  const painter = new Painter(pdf, options, sources);
  painter.convert(pages.flatMap(({ list }) => picturesOf(list)));
  try {
    let done = 0;
    for (const page of pages) {
      await painter.page(page);
      await sources.progress?.(++done, pages.length);
    }
    await painter.finish();
  } finally {
    painter.stop();
  }
  return pdf.save({ useObjectStreams: true });
}

class Painter {
  readonly #pdf: PDFDocument;
  readonly #options: PdfOptions;
  readonly #sources: PdfSources;
  readonly #fonts: PdfFonts;
  readonly #images = new Map<string, { name: string; ref: Promise<PDFRef> }>();
  readonly #states = new Map<number, string>();
  readonly #resources: PDFRef;
  readonly #colours: Colours;
  #stopped = false;

  constructor(pdf: PDFDocument, options: PdfOptions, sources: PdfSources) {
    this.#pdf = pdf;
    this.#options = options;
    this.#sources = sources;
    this.#fonts = new PdfFonts(pdf.context);
    this.#resources = pdf.context.nextRef();
    this.#colours = options.purpose === 'print' ? 'cmyk' : 'rgb';
  }

  async page({ list, neighbour }: PdfPage): Promise<void> {
    const { width, height } = list;
    const print = this.#options.purpose === 'print';
    const bleed = print ? list.bleed : 0;
    const rim = print && this.#options.marks ? Math.max(bleed, MARK_GAP) + MARK_LENGTH + mm(2) : bleed;
    const page = this.#pdf.addPage([width + 2 * rim, height + 2 * rim]);
    page.setMediaBox(0, 0, width + 2 * rim, height + 2 * rim);
    page.setCropBox(0, 0, width + 2 * rim, height + 2 * rim);
    page.setBleedBox(rim - bleed, rim - bleed, width + 2 * bleed, height + 2 * bleed);
    page.setTrimBox(rim, rim, width, height);
    page.node.set(PDFName.of('Resources'), this.#resources);

    const stream = new PageStream(rim, rim, height, this.#colours);
    stream.begin({ x: -bleed, y: -bleed, w: width + 2 * bleed, h: height + 2 * bleed });
    const seen: Box = { x: -bleed, y: -bleed, w: width + 2 * bleed, h: height + 2 * bleed };
    const paint = async (items: readonly Item[], dx: number) => {
      for (const item of this.#sources.order(items)) await this.#item(stream, item, dx);
    };
    const across = neighbour
      ? neighbour.list.items.slice(neighbour.list.furniture).filter((item) => overlaps(seenBox(item, neighbour.dx), seen, 0.01))
      : [];
    // What reaches over the spine lies on the furniture of this page as it does on that of its own.
    if (across.length > 0) {
      await paint(list.items.slice(0, list.furniture), 0);
      await paint(across, neighbour!.dx);
      await paint(list.items.slice(list.furniture), 0);
    } else await paint(list.items, 0);
    stream.end();
    if (print && this.#options.marks) stream.cropMarks(width, height, Math.max(bleed, MARK_GAP));
    const content = this.#pdf.context.register(this.#pdf.context.flateStream(stream.text));
    page.node.set(PDFName.of('Contents'), content);
  }

  /** Writes fonts and resources, which all pages share. */
  async finish(): Promise<void> {
    await this.#fonts.write();
    const { context } = this.#pdf;
    const fonts = context.obj({});
    for (const [name, ref] of this.#fonts.resources) fonts.set(PDFName.of(name), ref);
    const images = context.obj({});
    for (const { name, ref } of this.#images.values()) images.set(PDFName.of(name), await ref);
    const states = context.obj({});
    for (const [opacity, name] of this.#states) states.set(PDFName.of(name), context.obj({ ca: opacity, CA: opacity }));
    context.assign(this.#resources, context.obj({ Font: fonts, XObject: images, ExtGState: states }));
  }

  async #item(stream: PageStream, item: Item, dx: number): Promise<void> {
    // A document with something broken in it is not delivered: see `services/typesetting/delivery.ts`.
    if (item.type === 'empty' || item.type === 'broken') return;
    const state = item.opacity === undefined || item.opacity === 1 ? undefined : this.#opacity(item.opacity);
    stream.open(item, dx, state);
    switch (item.type) {
      case 'area':
        if (item.blur > 0) stream.image(softBox(item), dx, await this.#soft(item));
        else stream.area(item, dx);
        break;
      case 'picture':
        stream.picture(item, dx, await this.#image(item.picture, item.placed.w, item.adjusted));
        break;
      case 'text':
        for (const column of item.columns) for (const line of column.lines) await this.#line(stream, line, dx);
    }
    stream.close();
  }

  async #line(stream: PageStream, line: Line, dx: number): Promise<void> {
    await this.#marks(stream, line, dx, false);
    line.runs.forEach((run, i) => {
      const face = this.#sources.face(run.look.face);
      if (run.look.absent) return stream.absent(this.#fonts.use(face, run).name, run, line, dx);
      const { name, says } = this.#fonts.use(face, run);
      const next = line.runs[i + 1];
      const gap = next && next.x - (run.x + runWidth(run, line)) > 0.05 * run.look.size;
      const hyphen = run.added && line.hyphenated && i === line.runs.length - 1 && run.text.endsWith('-');
      // The hyphen of a line's end is no part of the word (ISO 32000-1, 14.8.2.2.3: a soft one).
      const read = hyphen ? `${run.text.slice(0, -1)}\u00AD` : says ? undefined : run.text;
      stream.run(name, face, run, line, dx, gap ? this.#fonts.space(face) : undefined, read);
    });
    await this.#marks(stream, line, dx, true);
  }

  async #marks(stream: PageStream, line: Line, dx: number, over: boolean): Promise<void> {
    for (const mark of line.marks ?? []) {
      const box = { ...mark.box, x: mark.box.x + line.x, y: mark.box.y + line.baseline };
      if (mark.type === 'area') {
        if (mark.over === over) stream.rectangle(box, dx, mark.ink);
      } else if (!over) stream.image(box, dx, await this.#image(mark.picture, box.w));
    }
  }

  /** The name of a graphics state that paints at an opacity. */
  #opacity(opacity: number): string {
    let name = this.#states.get(opacity);
    if (!name) this.#states.set(opacity, (name = `G${this.#states.size + 1}`));
    return name;
  }

  /** A soft shadow as an image of one colour behind a blurred mask. */
  async #soft(item: AreaItem): Promise<string> {
    const key = `soft ${item.frame} ${item.box.x} ${item.box.y}`;
    let image = this.#images.get(key);
    if (!image) {
      const ref = embedSoftArea(this.#pdf.context, item, softBox(item), this.#colours);
      this.#images.set(key, (image = { name: `P${this.#images.size + 1}`, ref }));
    }
    await image.ref;
    return image.name;
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
      const ref = this.#sources
        .bytes(picture)
        .then((bytes) => embedPicture(this.#pdf.context, picture, bytes, this.#colours, width, adjusted, this.#options.press));
      // Whoever asks for the picture hears of a failure; until then nobody need.
      ref.catch(() => undefined);
      this.#images.set(key, (image = { name: `P${this.#images.size + 1}`, ref }));
    }
    return image;
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

/** The content stream of one page: turns page coordinates (y down, from the trim) into the PDF's (y up). */
class PageStream {
  readonly #out: string[] = [];
  readonly #left: number;
  readonly #top: number;
  readonly #colours: Colours;
  #ink: Ink | undefined;
  #opened = false;

  constructor(left: number, rim: number, height: number, colours: Colours) {
    this.#left = left;
    this.#top = rim + height;
    this.#colours = colours;
  }

  get text(): string {
    return this.#out.join('\n');
  }

  begin(clip: Box): void {
    this.#out.push('q', `${this.#rect(clip, 0)} W n`);
  }

  end(): void {
    this.#out.push('Q');
    this.#ink = undefined;
  }

  /** Goes into an item's own coordinates and opacity, until `close`. */
  open({ transform }: Showing, dx: number, state: string | undefined): void {
    this.#opened = transform !== undefined || state !== undefined;
    if (!this.#opened) return;
    this.#out.push('q');
    this.#ink = undefined;
    if (state) this.#out.push(`/${state} gs`);
    if (transform) this.#into(transform, dx);
  }

  /** Goes into coordinates that a map of the page leads to, as the PDF's axes have it: y turned over, the origin at the sheet's lower left. */
  #into([a, b, c, d, e, f]: Matrix, dx: number): void {
    const x = this.#left + dx;
    const y = this.#top;
    const matrix = [a, -b, -c, d, x - a * x + c * y + e, y + b * x - d * y - f];
    this.#out.push(`${matrix.map((value) => String(Math.round(value * 1e6) / 1e6)).join(' ')} cm`);
  }

  close(): void {
    if (!this.#opened) return;
    this.#opened = false;
    this.#out.push('Q');
    this.#ink = undefined;
  }

  rectangle(box: Box, dx: number, ink: Ink): void {
    this.#fill(ink);
    this.#out.push(`${this.#rect(box, dx)} f`);
  }

  area({ contour, ink, stroke }: AreaItem, dx: number): void {
    if (contour.type === 'rectangle' && contour.radius === 0 && stroke === 0) return this.rectangle(contour.box, dx, ink);
    const path = this.#path(contour, dx);
    if (stroke === 0) {
      this.#fill(ink);
      this.#out.push(`${path} f*`);
    } else this.#out.push(`q ${this.#colour(ink, true)} ${figure(stroke)} w`, path, 'S Q');
  }

  picture({ box, placed, inner, clip }: PictureItem, dx: number, name: string): void {
    const edge = clip ? `${this.#path(clip, dx)} W* n` : `${this.#rect(box, dx)} W n`;
    this.#out.push(`q ${edge}`);
    if (inner) this.#into(inner, dx);
    this.image(placed, dx, name);
    this.#out.push('Q');
  }

  image(box: Box, dx: number, name: string): void {
    const left = figure(this.#left + box.x + dx);
    const foot = figure(this.#top - box.y - box.h);
    this.#out.push(`q ${figure(box.w)} 0 0 ${figure(box.h)} ${left} ${foot} cm /${name} Do Q`);
  }

  /** Boxes in the place of characters that no face has; the characters themselves are what is read. */
  absent(font: string, run: Run, line: Line, dx: number): void {
    const { boxes, weight } = absentBoxes(run, line);
    this.#out.push(`/Span <</ActualText ${actual(run.text)}>> BDC`);
    this.#out.push(`q ${this.#colour(run.look.ink, true)} ${figure(weight)} w`);
    for (const box of boxes) this.#out.push(`${this.#rect(box, dx)} S`);
    // A glyph that is not painted (rendering mode 3) is what the words belong to.
    const x = figure(this.#left + line.x + run.x + dx);
    const y = figure(this.#top - line.baseline);
    this.#out.push(`BT /${font} ${figure(run.look.size)} Tf 3 Tr 1 0 0 1 ${x} ${y} Tm <0000> Tj ET`, 'Q', 'EMC');
  }

  /** @param read what a reader takes it for, where its glyphs do not say so */
  run(font: string, face: Face, run: Run, line: Line, dx: number, space: number | undefined, read: string | undefined): void {
    const { look } = run;
    if (read !== undefined) this.#out.push(`/Span <</ActualText ${actual(space === undefined ? read : `${read} `)}>> BDC`);
    if (look.outline) {
      this.#out.push(`q ${this.#colour(look.outline.ink, true)} ${figure(2 * look.outline.weight)} w 1 j 1 Tr`);
      this.#letters(font, face, run, line, dx, undefined);
      this.#out.push('Q');
    }
    this.#fill(look.ink);
    this.#letters(font, face, run, line, dx, space);
    if (read !== undefined) this.#out.push('EMC');
  }

  #letters(font: string, face: Face, run: Run, line: Line, dx: number, space: number | undefined): void {
    const { look } = run;
    const { glyphs, advances, offsets } = run.shaped;
    const spacing = look.tracking + line.letterSpace;
    const x = this.#left + line.x + run.x + dx;
    const y = this.#top - (line.baseline + run.drop - look.rise);
    const per = 1000 / face.unitsPerEm;
    const stretch = line.glyphScale === 1 ? '' : ` ${figure(100 * line.glyphScale)} Tz`;
    this.#out.push(`BT /${font} ${figure(look.size)} Tf ${figure(spacing)} Tc${stretch}`);
    let shown = '';
    let open = '';
    const flush = () => {
      if (open !== '') shown += `<${open}>`;
      open = '';
    };
    const place = (right: number, up: number) => this.#out.push(`1 0 0 1 ${figure(x + right)} ${figure(y + up)} Tm`);
    if (offsets) {
      // Marks set off from their letters: every glyph is placed by itself.
      let at = 0;
      for (let i = 0; i < glyphs.length; i++) {
        place((at + offsets[2 * i]! * look.scale) * line.glyphScale, offsets[2 * i + 1]! * look.scale);
        this.#out.push(`<${hex(glyphs[i]!)}> Tj`);
        at += advances[i]! * look.scale + spacing;
      }
    } else {
      place(0, 0);
      for (let i = 0; i < glyphs.length; i++) {
        open += hex(glyphs[i]!);
        const adjust = (face.font.glyphHAdvance(glyphs[i]!) - advances[i]!) * per;
        if (adjust !== 0) {
          flush();
          shown += figure(adjust);
        }
      }
      if (space !== undefined) open += hex(space);
      flush();
      this.#out.push(`[${shown}] TJ`);
    }
    this.#out.push(stretch === '' ? 'ET' : '100 Tz ET');
  }

  /** Hairlines at the four corners, outside the bleed. */
  cropMarks(width: number, height: number, gap: number): void {
    const from = gap;
    const to = gap + MARK_LENGTH;
    this.#out.push('q 0 0 0 1 K', `${MARK_WEIGHT} w`);
    const stroke = (x1: number, y1: number, x2: number, y2: number) =>
      this.#out.push(
        `${figure(this.#left + x1)} ${figure(this.#top - y1)} m ${figure(this.#left + x2)} ${figure(this.#top - y2)} l S`,
      );
    for (const x of [0, width]) {
      stroke(x, -from, x, -to);
      stroke(x, height + from, x, height + to);
    }
    for (const y of [0, height]) {
      stroke(-from, y, -to, y);
      stroke(width + from, y, width + to, y);
    }
    this.#out.push('Q');
  }

  #fill(ink: Ink): void {
    if (this.#ink === ink) return;
    this.#ink = ink;
    this.#out.push(this.#colour(ink, false));
  }

  #colour(ink: Ink, stroke: boolean): string {
    if (this.#colours === 'cmyk') return `${ink.cmyk.map(figure).join(' ')} ${stroke ? 'K' : 'k'}`;
    return `${[1, 3, 5].map((i) => figure(parseInt(ink.rgb.slice(i, i + 2), 16) / 255)).join(' ')} ${stroke ? 'RG' : 'rg'}`;
  }

  /** A contour as path operators, from the same path data that the screen is painted with. */
  #path(contour: Contour, dx: number): string {
    return contourPath(contour, (value) => `${figure(value)} `).replace(
      /([MLCZ])([^MLCZ]*)/g,
      (_, kind: string, list: string) => {
        const values = list.trim().split(/\s+/).map(Number);
        const points: string[] = [];
        for (let i = 0; i + 1 < values.length; i += 2)
          points.push(`${figure(this.#left + values[i]! + dx)} ${figure(this.#top - values[i + 1]!)}`);
        if (kind === 'Z') return 'h ';
        if (kind === 'C') return `${points.join(' ')} c `;
        return points.map((point, i) => `${point} ${kind === 'M' && i === 0 ? 'm' : 'l'} `).join('');
      },
    );
  }

  #rect(box: Box, dx: number): string {
    return `${figure(this.#left + box.x + dx)} ${figure(this.#top - box.y - box.h)} ${figure(box.w)} ${figure(box.h)} re`;
  }
}

/** Text as a PDF's own strings hold it: UTF-16 with its mark. */
const actual = (text: string): string =>
  `<FEFF${Array.from({ length: text.length }, (_, i) => hex(text.charCodeAt(i))).join('')}>`;

const hex = (glyph: number): string => glyph.toString(16).toUpperCase().padStart(4, '0');

/** Ten-thousandths of a point, without exponents, which PDF does not know. */
const figure = (value: number): string => String(Math.round(value * 10000) / 10000);
