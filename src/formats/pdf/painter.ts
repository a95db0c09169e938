import { PDFDocument, PDFName, type PDFRef } from '@cantoo/pdf-lib';
import { type Box, overlaps } from '@/core/geometry/box';
import type { Ink, Item, Line, PageList, PictureItem, Run } from '@/core/compose/displayList';
import type { Outline } from '@/core/geometry/outline';
import { mm } from '@/core/length/length';
import type { PictureRecord } from '@/core/records/index';
import type { Face } from '@/core/type/face';
import { PdfFonts } from './fonts';
import { type Colours, embedPicture } from './pictures';

/** What a PDF is made for. */
export interface PdfOptions {
  readonly purpose: 'print' | 'screen';
  /** Crop marks outside the bleed; print only. */
  readonly marks: boolean;
  readonly title: string;
  readonly author: string;
  readonly language: string;
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
  painter.convert(pages.flatMap(({ list }) => list.items.filter((item): item is PictureItem => item.type === 'picture')));
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
    if (neighbour) {
      const across = neighbour.list.items.filter((item) => overlaps({ ...item.box, x: item.box.x + neighbour.dx }, seen, 0.01));
      for (const item of this.#sources.order(across)) await this.#item(stream, item, neighbour.dx);
    }
    for (const item of this.#sources.order(list.items)) await this.#item(stream, item, 0);
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
    context.assign(this.#resources, context.obj({ Font: fonts, XObject: images }));
  }

  async #item(stream: PageStream, item: Item, dx: number): Promise<void> {
    switch (item.type) {
      case 'empty':
        return;
      case 'area':
        return stream.area({ ...item.box, x: item.box.x + dx }, item.ink);
      case 'picture':
        return stream.picture(item, dx, await this.#image(item));
      case 'text':
        for (const column of item.columns) for (const line of column.lines) this.#line(stream, line, dx);
    }
  }

  #line(stream: PageStream, line: Line, dx: number): void {
    line.runs.forEach((run, i) => {
      const face = this.#sources.face(run.face);
      const name = this.#fonts.use(face, run);
      const next = line.runs[i + 1];
      const gap = next && next.x - (run.x + runWidth(run, face)) > 0.05 * run.size;
      stream.run(name, face, run, run.x + dx, line.baseline - run.rise, gap ? this.#fonts.space(face) : undefined);
    });
  }

  /** Starts converting pictures, a few at a time, in the order in which pages will ask for them. */
  convert(items: readonly PictureItem[]): void {
    const waiting = [...new Map(items.map((item) => [imageKey(this.#sources, item), item])).values()];
    const next = async (): Promise<void> => {
      for (let item = waiting.shift(); item && !this.#stopped; item = waiting.shift())
        await this.#convert(item).ref.catch(() => undefined);
    };
    for (let i = 0; i < AT_ONCE; i++) void next();
  }

  /** Lets go of pictures that have not been begun. */
  stop(): void {
    this.#stopped = true;
  }

  async #image(item: PictureItem): Promise<string> {
    const image = this.#convert(item);
    await image.ref;
    return image.name;
  }

  #convert(item: PictureItem): { name: string; ref: Promise<PDFRef> } {
    const key = imageKey(this.#sources, item);
    let image = this.#images.get(key);
    if (!image) {
      const picture = this.#sources.picture(item.picture);
      const ref = this.#sources
        .bytes(picture)
        .then((bytes) => embedPicture(this.#pdf.context, picture, bytes, this.#colours, item.placed.w));
      // Whoever asks for the picture hears of a failure; until then nobody need.
      ref.catch(() => undefined);
      this.#images.set(key, (image = { name: `P${this.#images.size + 1}`, ref }));
    }
    return image;
  }
}

/** Pictures converted at the same time: the inks are worked out on one core each. */
const AT_ONCE = 2;

/** A picture is written once; a drawing once for each width, as it is rendered for it. */
function imageKey(sources: PdfSources, item: PictureItem): string {
  return sources.picture(item.picture).media === 'image/svg+xml' ? `${item.picture} ${Math.ceil(item.placed.w)}` : item.picture;
}

const runWidth = (run: Run, face: Face): number =>
  (run.shaped.width * run.size) / face.unitsPerEm + run.tracking * run.shaped.glyphs.length;

/** The content stream of one page: turns page coordinates (y down, from the trim) into the PDF's (y up). */
class PageStream {
  readonly #out: string[] = [];
  readonly #left: number;
  readonly #top: number;
  readonly #colours: Colours;
  #ink: Ink | undefined;

  constructor(left: number, rim: number, height: number, colours: Colours) {
    this.#left = left;
    this.#top = rim + height;
    this.#colours = colours;
  }

  get text(): string {
    return this.#out.join('\n');
  }

  begin(clip: Box): void {
    this.#out.push('q', `${this.#rect(clip)} W n`);
  }

  end(): void {
    this.#out.push('Q');
    this.#ink = undefined;
  }

  area(box: Box, ink: Ink): void {
    this.#fill(ink);
    this.#out.push(`${this.#rect(box)} f`);
  }

  picture({ box, placed, outline }: PictureItem, dx: number, name: string): void {
    const clip = outline ? this.#outline(outline, dx) : this.#rect({ ...box, x: box.x + dx });
    const left = figure(this.#left + placed.x + dx);
    const foot = figure(this.#top - placed.y - placed.h);
    this.#out.push(`q ${clip} W n ${figure(placed.w)} 0 0 ${figure(placed.h)} ${left} ${foot} cm /${name} Do Q`);
  }

  run(font: string, face: Face, run: Run, x: number, y: number, space: number | undefined): void {
    this.#fill(run.ink);
    const { glyphs, advances, offsets } = run.shaped;
    const per = 1000 / face.unitsPerEm;
    this.#out.push(`BT /${font} ${figure(run.size)} Tf ${figure(run.tracking)} Tc`);
    let shown = '';
    let open = '';
    const flush = () => {
      if (open !== '') shown += `<${open}>`;
      open = '';
    };
    const place = (dx: number, dy: number) =>
      this.#out.push(`1 0 0 1 ${figure(this.#left + x + dx)} ${figure(this.#top - y + dy)} Tm`);
    if (offsets) {
      // Marks set off from their letters: every glyph is placed by itself.
      let at = 0;
      for (let i = 0; i < glyphs.length; i++) {
        const scale = run.size / face.unitsPerEm;
        place(at + offsets[2 * i]! * scale, offsets[2 * i + 1]! * scale);
        this.#out.push(`<${hex(glyphs[i]!)}> Tj`);
        at += advances[i]! * scale + run.tracking;
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
    this.#out.push('ET');
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
    if (this.#colours === 'cmyk') this.#out.push(`${ink.cmyk.map(figure).join(' ')} k`);
    else this.#out.push(`${[1, 3, 5].map((i) => figure(parseInt(ink.rgb.slice(i, i + 2), 16) / 255)).join(' ')} rg`);
  }

  #outline(outline: Outline, dx: number): string {
    return outline
      .map((ring) => {
        let path = '';
        for (let i = 0; i < ring.length; i += 2)
          path += `${figure(this.#left + ring[i]! + dx)} ${figure(this.#top - ring[i + 1]!)} ${i === 0 ? 'm' : 'l'} `;
        return `${path}h`;
      })
      .join(' ');
  }

  #rect(box: Box): string {
    return `${figure(this.#left + box.x)} ${figure(this.#top - box.y - box.h)} ${figure(box.w)} ${figure(box.h)} re`;
  }
}

const hex = (glyph: number): string => glyph.toString(16).toUpperCase().padStart(4, '0');

/** Ten-thousandths of a point, without exponents, which PDF does not know. */
const figure = (value: number): string => String(Math.round(value * 10000) / 10000);
