import { type Ink, isBlack } from '@/core/colour/ink';
import { absentBoxes } from '@/core/compose/displayList/absent';
import {
  type AreaItem,
  type Contour,
  letterRamp,
  type Line,
  type PictureItem,
  type Ramp,
  type Run,
  type Showing,
} from '@/core/compose/displayList/displayList';
import { contourPath } from '@/core/compose/frames/contours';
import type { Box, Point } from '@/core/geometry/box';
import type { Matrix } from '@/core/geometry/matrix';
import type { Face } from '@/core/type/face';
import type { Colours } from './colours';

/** What a stretch of a content stream belongs to: a numbered part of an element of the structure, or nothing that is read. */
export type MarkedContent = { readonly tag: string; readonly mcid: number } | 'artifact';

/** Names of graphics states and colour spaces that a stream asks for; all pages share them. */
export interface StreamResources {
  /** A graphics state in which a new colour leaves the inks under it alone, or takes their place. */
  overprint(on: boolean): string;
  /** The colour space of an ink of its own, by its name. */
  spot(ink: Ink): string;
  /** A shading of colours that run into one another, in the coordinates of the stream. */
  shading(ramp: Ramp, colours: Colours): string;
}

/** The content stream of one page: turns page coordinates (y down, from the trim) into the PDF's (y up). */
export class PageStream {
  readonly #out: string[] = [];
  readonly #left: number;
  readonly #top: number;
  readonly #colours: Colours;
  readonly #resources: StreamResources;
  #ink: Ink | undefined;
  #overprints = false;
  #opened = false;
  #content: MarkedContent | undefined;

  constructor(left: number, rim: number, height: number, colours: Colours, resources: StreamResources) {
    this.#left = left;
    this.#top = rim + height;
    this.#colours = colours;
    this.#resources = resources;
  }

  get text(): string {
    return this.#out.join('\n');
  }

  begin(clip: Box): void {
    this.#out.push('q', `${this.#rect(clip, 0)} W n`);
  }

  /** The white of the paper, within a box. */
  paper(box: Box): void {
    this.#out.push(this.#colours === 'cmyk' ? '0 0 0 0 k' : '1 1 1 rg', `${this.#rect(box, 0)} f`);
    this.#forget();
  }

  end(): void {
    this.mark(undefined);
    this.#out.push('Q');
    this.#forget();
  }

  /**
   * Opens the marked content that what follows belongs to (ISO 32000-1, 14.6) and closes the one before; where it is the same,
   * that goes on.
   */
  mark(content: MarkedContent | undefined): void {
    if (content === this.#content) return;
    if (this.#content) this.#out.push('EMC');
    this.#content = content;
    if (content === 'artifact') this.#out.push('/Artifact BMC');
    else if (content) this.#out.push(`/${content.tag} <</MCID ${content.mcid}>> BDC`);
  }

  /** Goes into an item's own coordinates and opacity, until `close`. */
  open({ transform }: Showing, dx: number, state: string | undefined): void {
    this.#opened = transform !== undefined || state !== undefined;
    if (!this.#opened) return;
    this.mark(undefined);
    this.#plain();
    this.#out.push('q');
    this.#ink = undefined;
    if (state) this.#out.push(`/${state} gs`);
    if (transform) this.#into(transform, dx);
  }

  /** Goes into coordinates that a map of the page leads to, as the PDF's axes have it: y turned over, the origin at the sheet's lower left. */
  #into(matrix: Matrix, dx: number): void {
    this.#out.push(this.map(matrix, dx));
  }

  /** Paints what stands in a line that follows a curve where it is seen. */
  turned(turn: Matrix | undefined, dx: number, paint: () => void): void {
    if (!turn) return paint();
    this.#plain();
    this.#out.push('q');
    this.#ink = undefined;
    this.#into(turn, dx);
    paint();
    this.#out.push('Q');
    this.#forget();
  }

  close(): void {
    if (!this.#opened) return;
    this.#opened = false;
    this.mark(undefined);
    this.#out.push('Q');
    this.#forget();
  }

  /** After a `Q` the state is what it was before its `q`: without overprinting, and in an ink that nobody has kept. */
  #forget(): void {
    this.#ink = undefined;
    this.#overprints = false;
  }

  /** What is painted takes the place of what lies under it. */
  #plain(): void {
    if (this.#overprints) this.#overprint(false);
  }

  rectangle(box: Box, dx: number, ink: Ink): void {
    this.#fill(ink);
    this.#out.push(`${this.#rect(box, dx)} f`);
  }

  area({ contour, ink, ramp, stroke }: AreaItem, dx: number): void {
    this.#plain();
    if (ramp && stroke === 0) {
      const shading = this.#resources.shading(this.#placed(ramp, dx), this.#colours);
      this.#out.push(`q ${this.#path(contour, dx)} W* n /${shading} sh Q`);
      return;
    }
    if (contour.type === 'rectangle' && contour.radius === 0 && stroke === 0) return this.rectangle(contour.box, dx, ink);
    const path = this.#path(contour, dx);
    if (stroke === 0) {
      this.#fill(ink);
      this.#out.push(`${path} f*`);
    } else this.#out.push(`q ${this.#colour(ink, true)} ${figure(stroke)} w`, path, 'S Q');
  }

  picture({ box, placed, inner, clip }: PictureItem, dx: number, name: string): void {
    this.#plain();
    const edge = clip ? `${this.#path(clip, dx)} W* n` : `${this.#rect(box, dx)} W n`;
    this.#out.push(`q ${edge}`);
    if (inner) this.#into(inner, dx);
    this.image(placed, dx, name);
    this.#out.push('Q');
  }

  /** An image that is seen inside an edge. */
  clipped(box: Box, dx: number, name: string, clip: Contour): void {
    this.#plain();
    this.#out.push(`q ${this.#path(clip, dx)} W* n`);
    this.image(box, dx, name);
    this.#out.push('Q');
  }

  /** A ramp in the coordinates of the stream. */
  #placed(ramp: Ramp, dx: number): Ramp {
    return { ...ramp, from: this.place(ramp.from, dx), to: this.place(ramp.to, dx) };
  }

  /** A place of a page in the coordinates of the stream: what masks are drawn in. */
  place({ x, y }: Point, dx: number): Point {
    return { x: this.#left + x + dx, y: this.#top - y };
  }

  /** The map of a page as the operator `cm` has it. */
  map([a, b, c, d, e, f]: Matrix, dx: number): string {
    const x = this.#left + dx;
    const y = this.#top;
    const matrix = [a, -b, -c, d, x - a * x + c * y + e, y + b * x - d * y - f];
    return `${matrix.map((value) => String(Math.round(value * 1e6) / 1e6)).join(' ')} cm`;
  }

  image(box: Box, dx: number, name: string): void {
    this.#plain();
    const left = figure(this.#left + box.x + dx);
    const foot = figure(this.#top - box.y - box.h);
    this.#out.push(`q ${figure(box.w)} 0 0 ${figure(box.h)} ${left} ${foot} cm /${name} Do Q`);
  }

  /** Boxes in the place of characters that no face has; the characters themselves are what is read. */
  absent(font: string, run: Run, line: Line, dx: number): void {
    this.#plain();
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
      this.#plain();
      this.#out.push(`q ${this.#colour(look.outline.ink, true)} ${figure(2 * look.outline.weight)} w 1 j 1 Tr`);
      this.#letters(font, face, run, line, dx, undefined);
      this.#out.push('Q');
    }
    const ramp = letterRamp(run, line);
    if (ramp) {
      // Letters that clip (rendering mode 7), and the shading seen through them.
      this.#plain();
      const shading = this.#resources.shading(this.#placed(ramp, dx), this.#colours);
      this.#out.push('q 7 Tr');
      this.#letters(font, face, run, line, dx, space);
      this.#out.push(`/${shading} sh Q`);
      if (read !== undefined) this.#out.push('EMC');
      return;
    }
    // Black letters are printed on what lies under them: knocked out of it, the least shift of the sheet would show a white rim.
    this.#fill(look.ink, isBlack(look.ink));
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

  /** What printers' marks are drawn with, in the page's coordinates. */
  raw(operators: string): void {
    this.#out.push(operators);
  }

  /** A line in page coordinates, in the colour and weight that hold. */
  stroke(x1: number, y1: number, x2: number, y2: number): void {
    this.#out.push(
      `${figure(this.#left + x1)} ${figure(this.#top - y1)} m ${figure(this.#left + x2)} ${figure(this.#top - y2)} l S`,
    );
  }

  #fill(ink: Ink, overprints = false): void {
    if (this.#colours === 'cmyk' && overprints !== this.#overprints) this.#overprint(overprints);
    if (this.#ink === ink) return;
    this.#ink = ink;
    this.#out.push(this.#colour(ink, false));
  }

  #overprint(on: boolean): void {
    this.#overprints = on;
    this.#out.push(`/${this.#resources.overprint(on)} gs`);
  }

  #colour(ink: Ink, stroke: boolean): string {
    if (this.#colours === 'rgb') return `${lights(ink.rgb).map(figure).join(' ')} ${stroke ? 'RG' : 'rg'}`;
    if (ink.spot) {
      const space = this.#resources.spot(ink);
      return `/${space} ${stroke ? 'CS' : 'cs'} ${figure(ink.spot.tint)} ${stroke ? 'SCN' : 'scn'}`;
    }
    return `${ink.cmyk.map(figure).join(' ')} ${stroke ? 'K' : 'k'}`;
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

/** Shares of red, green and blue light of a colour as the screen takes it. */
export const lights = (rgb: string): number[] => [1, 3, 5].map((i) => parseInt(rgb.slice(i, i + 2), 16) / 255);

/** Text as a PDF's own strings hold it: UTF-16 with its mark. */
const actual = (text: string): string =>
  `<FEFF${Array.from({ length: text.length }, (_, i) => hex(text.charCodeAt(i))).join('')}>`;

const hex = (glyph: number): string => glyph.toString(16).toUpperCase().padStart(4, '0');

/** Ten-thousandths of a point, without exponents, which PDF does not know. */
export const figure = (value: number): string => String(Math.round(value * 10000) / 10000);
