import { facePath } from '@/formats/faces/files';
import { readFace } from '@/core/type/face';
import { Shaper } from '@/core/type/shaper';
import { readFile } from 'node:fs/promises';
import { svg } from './drawing';

/** Advertisements of invented Ternhaven firms: lettering drawn as shapes, so that they print sharp from any size. */
export interface Artwork {
  readonly file: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly ground: string;
  readonly ink: string;
  readonly accent: string;
  readonly big: string;
  readonly lines: readonly string[];
  readonly foot: string;
  /** A sign drawn beside the words. */
  readonly sign: 'sail' | 'loaf' | 'anchor' | 'lamp';
}

const SIGNS: Readonly<Record<Artwork['sign'], (ink: string, accent: string) => string>> = {
  sail: (ink, accent) =>
    `<path d="M48 4 L48 82 L6 82 C10 50 24 24 48 4 Z" fill="${accent}"/><path d="M54 20 L54 82 L92 82 C88 58 74 36 54 20 Z" fill="${ink}"/><path d="M0 88 H98 C92 98 82 100 76 100 H22 C12 100 4 96 0 88 Z" fill="${ink}"/>`,
  loaf: (ink, accent) =>
    `<path d="M4 62 C4 34 26 22 50 22 C74 22 96 34 96 62 C96 80 82 86 50 86 C18 86 4 80 4 62 Z" fill="${accent}"/><path d="M24 34 L36 58 M44 28 L56 54 M64 30 L76 52" stroke="${ink}" stroke-width="5" stroke-linecap="round" fill="none"/>`,
  anchor: (ink, accent) =>
    `<circle cx="50" cy="14" r="10" fill="none" stroke="${accent}" stroke-width="7"/><path d="M50 24 V92 M26 40 H74 M8 64 C12 86 32 94 50 94 C68 94 88 86 92 64" stroke="${ink}" stroke-width="8" stroke-linecap="round" fill="none"/>`,
  lamp: (ink, accent) =>
    `<path d="M30 34 H70 L78 84 H22 Z" fill="${accent}"/><path d="M26 84 H74 V94 H26 Z M34 24 H66 V34 H34 Z M46 6 H54 V24 H46 Z" fill="${ink}"/>`,
};

export const ARTWORK: readonly Artwork[] = [
  {
    file: 'marram-and-sons.svg',
    name: 'Marram & Sons, sailcloth',
    width: 520,
    height: 312,
    ground: '#e9e1cf',
    ink: '#1f2f3a',
    accent: '#b5482c',
    big: 'Marram & Sons',
    lines: ['Sailcloth, kite cloth, awnings by the yard', 'Cut straight, rolled dry, sent by the next boat'],
    foot: 'The Long Shed, Ropewalk',
    sign: 'sail',
  },
  {
    file: 'marram-wide.svg',
    name: 'Marram & Sons, sailcloth',
    width: 700,
    height: 218,
    ground: '#e9e1cf',
    ink: '#1f2f3a',
    accent: '#b5482c',
    big: 'Marram & Sons',
    lines: ['Sailcloth, kite cloth, awnings by the yard', 'Cut straight, rolled dry, sent by the next boat'],
    foot: 'The Long Shed, Ropewalk',
    sign: 'sail',
  },
  {
    file: 'harbour-bakery.svg',
    name: 'Harbour Bakery',
    width: 240,
    height: 320,
    ground: '#f3e6c8',
    ink: '#4a2c17',
    accent: '#c8873a',
    big: 'Harbour Bakery',
    lines: ['Bread at six,', 'whatever the tide says'],
    foot: 'On the quay, by the second ring',
    sign: 'loaf',
  },
  {
    file: 'ternhaven-chandlers.svg',
    name: 'Ternhaven Chandlers',
    width: 700,
    height: 400,
    ground: '#1f3e4c',
    ink: '#f4f1e6',
    accent: '#f0b429',
    big: 'Ternhaven Chandlers',
    lines: [
      'Rope, rings, reels, lamp oil and good advice',
      'If we have not got it, you do not need it',
      'Whipping twine half price until the new year',
    ],
    foot: '11 Slip Street. Open when the lamp is lit',
    sign: 'anchor',
  },
  {
    file: 'ternhaven-strip.svg',
    name: 'Ternhaven Chandlers',
    width: 700,
    height: 158,
    ground: '#1f3e4c',
    ink: '#f4f1e6',
    accent: '#f0b429',
    big: 'Ternhaven Chandlers',
    lines: ['Rope, rings, reels, lamp oil and good advice'],
    foot: '11 Slip Street. Open when the lamp is lit',
    sign: 'anchor',
  },
  {
    file: 'ferry-house-inn.svg',
    name: 'The Ferry House Inn',
    width: 250,
    height: 250,
    ground: '#efe9dc',
    ink: '#26323a',
    accent: '#d99a2b',
    big: 'The Ferry House',
    lines: ['Turbot on Thursday.', 'Beds for those', 'who missed the boat'],
    foot: 'Open when the boat is in, and when it is not',
    sign: 'lamp',
  },
];

const EDGE = 0.055;

/** The artwork as an SVG of shapes alone. */
export async function artworkSvg(of: Artwork): Promise<string> {
  const faces = { big: 'SourceSerif4-900', line: 'SourceSerif4-400', foot: 'Archivo-600' } as const;
  const shaper = new Shaper();
  for (const id of Object.values(faces)) shaper.addFace(readFace(id, new Uint8Array(await readFile(facePath(id)))));
  /** Words in a face, fitted to a width and no larger than a size; gives the shapes and the size. */
  const words = (text: string, face: string, most: number, wide: number, x: number, y: number, ink: string) => {
    const own = shaper.face(face);
    const shaped = shaper.with(face, '', 'en').shape(text);
    const size = Math.min(most, (wide * own.unitsPerEm) / shaped.width);
    const scale = size / own.unitsPerEm;
    let at = 0;
    let shapes = '';
    shaped.glyphs.forEach((glyph, i) => {
      const path = own.font.glyphToPath(glyph);
      if (path !== '')
        shapes += `<path transform="translate(${(x + at * scale).toFixed(2)} ${y.toFixed(2)}) scale(${scale.toFixed(5)} ${(-scale).toFixed(5)})" d="${path}"/>`;
      at += shaped.advances[i]!;
    });
    return { shapes: `<g fill="${ink}">${shapes}</g>`, size };
  };
  const { width: w, height: h, ink, accent } = of;
  const edge = EDGE * Math.min(w, h);
  const flat = w > 1.6 * h;
  const side = (flat ? 0.42 : 0.24) * h;
  const left = flat ? 2 * edge + side : 2 * edge;
  const room = w - left - 2 * edge;
  let y = flat ? 0.3 * h : 2 * edge + side + 0.13 * h;
  let inner = `<g transform="translate(${(flat ? 1.6 * edge : 2 * edge).toFixed(1)} ${(flat ? (h - side) / 2 : 1.8 * edge).toFixed(1)}) scale(${(side / 100).toFixed(3)})">${SIGNS[of.sign](ink, accent)}</g>`;
  const big = words(of.big, faces.big, 0.19 * h, room, left, y, ink);
  inner += big.shapes;
  y += 0.1 * h;
  inner += `<rect x="${left}" y="${(y - 0.055 * h).toFixed(1)}" width="${(0.16 * w).toFixed(1)}" height="${(0.012 * h).toFixed(1)}" fill="${accent}"/>`;
  for (const line of of.lines) {
    y += (flat ? 0.1 : 0.082) * h;
    inner += words(line, faces.line, (flat ? 0.08 : 0.066) * h, room, left, y, ink).shapes;
  }
  inner += words(of.foot, faces.foot, 0.05 * h, room, left, h - 2 * edge, ink).shapes;
  const frame = `<rect x="${edge * 0.6}" y="${edge * 0.6}" width="${w - 1.2 * edge}" height="${h - 1.2 * edge}" fill="none" stroke="${ink}" stroke-width="1.2"/>`;
  return svg(w, h, `<rect width="${w}" height="${h}" fill="${of.ground}"/>${frame}${inner}`);
}
