import { createHash } from 'node:crypto';
import { type PDFContext, PDFHexString, PDFName, PDFNumber, type PDFRef } from '@cantoo/pdf-lib';
import type { Run } from '@/core/compose/displayList/displayList';
import type { Face } from '@/core/type/face';
import { squeeze } from './squeezing';
import { subsetFace } from '../faces/subset';

/**
 * The faces a PDF uses, as Type 0 fonts with identity encoding: what is written in a content stream are the face's
 * own glyph ids. ISO 32000-1, 9.7 (composite fonts) and 9.10.3 (ToUnicode CMaps).
 */
export class PdfFonts {
  readonly #context: PDFContext;
  readonly #used = new Map<string, { face: Face; ref: PDFRef; name: string; glyphs: Map<number, string> }>();

  constructor(context: PDFContext) {
    this.#context = context;
  }

  /**
   * Notes a run's glyphs with the characters they stand for.
   *
   * @returns the font's resource name, and whether its glyphs say what the run does: one glyph may stand for several
   * characters, as a small capital does for a letter and its capital
   */
  use(face: Face, run: Pick<Run, 'shaped' | 'text' | 'rightToLeft'>): { readonly name: string; readonly says: boolean } {
    const of = this.#of(face);
    let says = true;
    const { glyphs, clusters } = run.shaped;
    for (let i = 0; i < glyphs.length; i++) {
      const from = clusters[i]!;
      if (i > 0 && clusters[i - 1] === from) {
        if (!of.glyphs.has(glyphs[i]!)) of.glyphs.set(glyphs[i]!, '');
        else if (of.glyphs.get(glyphs[i]!) !== '') says = false;
        continue;
      }
      let next = i + 1;
      while (next < glyphs.length && clusters[next] === from) next++;
      // Glyphs of what runs from right to left come from its end.
      const after = run.rightToLeft ? clusters[i - 1] : clusters[next];
      const text = run.text.slice(from, after ?? run.text.length);
      if (!of.glyphs.get(glyphs[i]!)) of.glyphs.set(glyphs[i]!, text);
      else if (of.glyphs.get(glyphs[i]!) !== text) says = false;
    }
    return { name: of.name, says };
  }

  /** Notes the glyph of a space, so that text copied from the PDF has its spaces. */
  space(face: Face): number {
    const glyph = face.font.nominalGlyph(32) ?? 0;
    this.#of(face).glyphs.set(glyph, ' ');
    return glyph;
  }

  get resources(): ReadonlyMap<string, PDFRef> {
    return new Map([...this.#used.values()].map(({ name, ref }) => [name, ref]));
  }

  #of(face: Face) {
    let of = this.#used.get(face.id);
    if (!of) {
      of = { face, ref: this.#context.nextRef(), name: `F${this.#used.size + 1}`, glyphs: new Map() };
      this.#used.set(face.id, of);
    }
    return of;
  }

  /** Writes every font used, as a subset. Call once, when all pages are painted. */
  async write(): Promise<void> {
    for (const { face, ref, glyphs } of this.#used.values()) await this.#writeFont(face, ref, glyphs);
  }

  async #writeFont(face: Face, ref: PDFRef, glyphs: ReadonlyMap<number, string>): Promise<void> {
    const context = this.#context;
    const ids = [...glyphs.keys()].sort((a, b) => a - b);
    const file = await subsetFace(face.bytes, ids);
    const name = `${subsetTag(file)}+${face.id.replace(/[^A-Za-z0-9-]/g, '')}`;
    const per = 1000 / face.unitsPerEm;
    const fontFile = context.register(context.stream(await squeeze(file), { Length1: file.length, Filter: 'FlateDecode' }));
    const descriptor = context.register(
      context.obj({
        Type: 'FontDescriptor',
        FontName: name,
        Flags: 4 | (face.id.endsWith('i') ? 64 : 0),
        FontBBox: boundingBox(face).map((value) => Math.round(value * per)),
        ItalicAngle: face.id.endsWith('i') ? -12 : 0,
        Ascent: Math.round(face.ascent * per),
        Descent: Math.round(face.descent * per),
        CapHeight: Math.round(face.capHeight * per),
        XHeight: Math.round(face.xHeight * per),
        StemV: 80,
        FontFile2: fontFile,
      }),
    );
    const widths = context.obj([]);
    for (const id of ids) {
      widths.push(PDFNumber.of(id));
      widths.push(context.obj([face.font.glyphHAdvance(id) * per]));
    }
    const descendant = context.register(
      context.obj({
        Type: 'Font',
        Subtype: 'CIDFontType2',
        BaseFont: name,
        CIDSystemInfo: { Registry: PDFHexString.fromText('Adobe'), Ordering: PDFHexString.fromText('Identity'), Supplement: 0 },
        FontDescriptor: descriptor,
        CIDToGIDMap: 'Identity',
        DW: 0,
        W: widths,
      }),
    );
    const toUnicode = context.register(context.stream(await squeeze(unicodeMap(glyphs)), { Filter: 'FlateDecode' }));
    context.assign(
      ref,
      context.obj({
        Type: 'Font',
        Subtype: 'Type0',
        BaseFont: name,
        Encoding: PDFName.of('Identity-H'),
        DescendantFonts: [descendant],
        ToUnicode: toUnicode,
      }),
    );
  }
}

/** Six capitals that tell subsets of one face apart, from the subset's own bytes. */
function subsetTag(file: Uint8Array): string {
  const digest = createHash('sha256').update(file).digest();
  return Array.from({ length: 6 }, (_, i) => String.fromCharCode(65 + (digest[i]! % 26))).join('');
}

/** The face's bounding box from its table `head` (OpenType 1.9), in font units. */
function boundingBox(face: Face): number[] {
  const head = face.font.face.referenceTable('head');
  if (!head) return [0, face.descent, face.unitsPerEm, face.ascent];
  const view = new DataView(head.buffer, head.byteOffset, head.byteLength);
  return [36, 38, 40, 42].map((offset) => view.getInt16(offset));
}

function unicodeMap(glyphs: ReadonlyMap<number, string>): string {
  const hex = (value: number) => value.toString(16).toUpperCase().padStart(4, '0');
  const entries = [...glyphs]
    .filter(([, text]) => text !== '')
    .map(([id, text]) => `<${hex(id)}> <${[...Array(text.length).keys()].map((i) => hex(text.charCodeAt(i))).join('')}>`);
  const blocks: string[] = [];
  for (let i = 0; i < entries.length; i += 100) {
    const block = entries.slice(i, i + 100);
    blocks.push(`${block.length} beginbfchar\n${block.join('\n')}\nendbfchar`);
  }
  return [
    '/CIDInit /ProcSet findresource begin',
    '12 dict begin',
    'begincmap',
    '/CIDSystemInfo << /Registry (Adobe) /Ordering (UCS) /Supplement 0 >> def',
    '/CMapName /Adobe-Identity-UCS def',
    '/CMapType 2 def',
    '1 begincodespacerange\n<0000> <FFFF>\nendcodespacerange',
    ...blocks,
    'endcmap',
    'CMapName currentdict /CMap defineresource pop',
    'end',
    'end',
  ].join('\n');
}
