import { PDFDocument, rgb } from '@cantoo/pdf-lib';
import { svg } from './pictures/drawing';
import { type Letter, type LetterFace, lettering, lettersSvg } from './pictures/lettering';

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
  /** Words in the middle under a large sign, for a whole page. */
  readonly poster?: boolean;
  /** A sign drawn beside the words. */
  readonly sign: 'sail' | 'loaf' | 'anchor' | 'lamp' | 'stone' | 'shoe' | 'eye' | 'book' | 'cups' | 'egg' | 'press' | 'kite';
}

type Sign = (ink: string, accent: string) => string;

/** Signs on a square of 100; those of filled paths alone serve a PDF too. */
const SIGNS: Readonly<Record<Artwork['sign'], Sign>> = {
  sail: (ink, accent) =>
    `<path d="M48 4 L48 82 L6 82 C10 50 24 24 48 4 Z" fill="${accent}"/><path d="M54 20 L54 82 L92 82 C88 58 74 36 54 20 Z" fill="${ink}"/><path d="M0 88 H98 C92 98 82 100 76 100 H22 C12 100 4 96 0 88 Z" fill="${ink}"/>`,
  loaf: (ink, accent) =>
    `<path d="M4 62 C4 34 26 22 50 22 C74 22 96 34 96 62 C96 80 82 86 50 86 C18 86 4 80 4 62 Z" fill="${accent}"/><path d="M24 34 L36 58 M44 28 L56 54 M64 30 L76 52" stroke="${ink}" stroke-width="5" stroke-linecap="round" fill="none"/>`,
  anchor: (ink, accent) =>
    `<circle cx="50" cy="14" r="10" fill="none" stroke="${accent}" stroke-width="7"/><path d="M50 24 V92 M26 40 H74 M8 64 C12 86 32 94 50 94 C68 94 88 86 92 64" stroke="${ink}" stroke-width="8" stroke-linecap="round" fill="none"/>`,
  lamp: (ink, accent) =>
    `<path d="M30 34 H70 L78 84 H22 Z" fill="${accent}"/><path d="M26 84 H74 V94 H26 Z M34 24 H66 V34 H34 Z M46 6 H54 V24 H46 Z" fill="${ink}"/>`,
  stone: (ink, accent) =>
    `<path d="M4 92 L4 58 L34 50 L34 92 Z" fill="${ink}"/><path d="M38 92 L38 34 L66 26 L66 92 Z" fill="${accent}"/><path d="M70 92 L70 62 L98 54 L98 92 Z" fill="${ink}"/>`,
  shoe: (ink, accent) =>
    `<path d="M10 62 C10 20 30 8 50 8 C70 8 90 20 90 62 L90 92 L72 92 L72 60 C72 38 62 28 50 28 C38 28 28 38 28 60 L28 92 L10 92 Z" fill="${ink}"/><path d="M14 50 L20 50 L20 58 L14 58 Z M18 34 L24 36 L22 43 L16 40 Z M76 36 L82 34 L84 40 L78 43 Z M80 50 L86 50 L86 58 L80 58 Z" fill="${accent}"/>`,
  eye: (ink, accent) =>
    `<path d="M2 50 C22 18 78 18 98 50 C78 82 22 82 2 50 Z" fill="${ink}"/><path d="M50 28 C62 28 72 38 72 50 C72 62 62 72 50 72 C38 72 28 62 28 50 C28 38 38 28 50 28 Z" fill="${accent}"/><path d="M50 41 C55 41 59 45 59 50 C59 55 55 59 50 59 C45 59 41 55 41 50 C41 45 45 41 50 41 Z" fill="${ink}"/>`,
  book: (ink, accent) =>
    `<path d="M4 20 C20 12 38 14 48 24 V88 C38 78 20 76 4 84 Z" fill="${accent}"/><path d="M96 20 C80 12 62 14 52 24 V88 C62 78 80 76 96 84 Z" fill="${ink}"/>`,
  cups: (ink, accent) =>
    `<path d="M48 50 H52 V98 H48 Z M20 94 H80 V100 H20 Z" fill="${ink}"/><path d="M8 34 C8 18 30 18 30 34 Z M70 34 C70 18 92 18 92 34 Z M39 20 C39 4 61 4 61 20 Z" fill="${accent}"/><path d="M8 34 H92 V38 H8 Z M48 20 H52 V50 H48 Z" fill="${ink}"/>`,
  egg: (ink, accent) =>
    `<path d="M50 4 C72 4 86 46 86 64 C86 84 70 96 50 96 C30 96 14 84 14 64 C14 46 28 4 50 4 Z" fill="${accent}"/><path d="M36 24 C28 40 24 54 24 64 C24 70 28 70 30 64 C32 52 36 40 42 28 Z" fill="${ink}"/>`,
  press: (ink, accent) =>
    `<path d="M8 8 H92 V20 H8 Z M14 20 H26 V80 H14 Z M74 20 H86 V80 H74 Z M4 80 H96 V94 H4 Z" fill="${ink}"/><path d="M46 20 H54 V40 H76 V54 H24 V40 H46 Z M30 62 H70 V74 H30 Z" fill="${accent}"/>`,
  kite: (ink, accent) =>
    `<path d="M50 2 L50 36 L20 36 Z M50 36 L80 36 L50 98 Z" fill="${accent}"/><path d="M50 2 L80 36 L50 36 Z M20 36 L50 36 L50 98 Z" fill="${ink}"/>`,
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
    width: 711.5,
    height: 168,
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
    width: 229.6,
    height: 189,
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
    width: 711.5,
    height: 420,
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
    width: 350.1,
    height: 294,
    ground: '#efe9dc',
    ink: '#26323a',
    accent: '#d99a2b',
    big: 'The Ferry House',
    lines: ['Turbot on Thursday.', 'Beds for those', 'who missed the boat'],
    foot: 'Open when the boat is in, and when it is not',
    sign: 'lamp',
  },
  {
    file: 'marram-page.svg',
    name: 'Marram & Sons, sailcloth',
    width: 218,
    height: 282,
    ground: '#1f3e4c',
    ink: '#f4f1e6',
    accent: '#e2572b',
    big: 'Marram & Sons',
    lines: ['Cloth that has met the weather', 'Sailcloth and linen by the yard, tarred or plain', 'Wax, thread, and an opinion'],
    foot: 'Fish Steps, Ternhaven. Open when the flag is up',
    sign: 'sail',
    poster: true,
  },
  {
    file: 'net-house-press.svg',
    name: 'The Net House Press',
    width: 218,
    height: 282,
    ground: '#b93a2e',
    ink: '#fbf5e6',
    accent: '#f0b429',
    big: 'Four numbers, one wind',
    lines: ['Longspar by post for a year', 'Twenty-eight pounds, with the index', 'Send no string'],
    foot: 'The Net House, Quay Lane, Ternhaven',
    sign: 'kite',
    poster: true,
  },
  {
    file: 'tarrant-printers.pdf',
    name: 'Tarrant and Daughters, printers',
    width: 218,
    height: 282,
    ground: '#f2e8d0',
    ink: '#2b2420',
    accent: '#b5482c',
    big: 'Tarrant & Daughters',
    lines: [
      'Printers of this magazine and of most of its arguments',
      'Bills, books, ballads, labels for jam',
      'Proofs by hand; second thoughts free',
    ],
    foot: 'Type Yard, behind the chapel. Mind the cat',
    sign: 'press',
    poster: true,
  },
  {
    file: 'hawtreys-quarry.pdf',
    name: 'Hawtrey’s Quarry',
    width: 350.1,
    height: 210,
    ground: '#e4ddd0',
    ink: '#33302c',
    accent: '#a5622f',
    big: 'Hawtrey’s Quarry',
    lines: ['Slate, sets and sea-wall stone', 'The hole is free to look at'],
    foot: 'Above the gasworks. Ask for Mr Hawtrey, loudly',
    sign: 'stone',
  },
  {
    file: 'old-smithy.svg',
    name: 'The Old Smithy',
    width: 350.1,
    height: 210,
    ground: '#22282c',
    ink: '#f1ead9',
    accent: '#e08a2b',
    big: 'The Old Smithy',
    lines: ['Rings, rowlocks,', 'railings mended', 'while you hold the other end'],
    foot: 'Slip Street, at the back',
    sign: 'shoe',
  },
  {
    file: 'sarrow-photographer.svg',
    name: 'Sarrow, photographer',
    width: 200,
    height: 518,
    ground: '#f4efe2',
    ink: '#2b3a44',
    accent: '#7d3f52',
    big: 'Sarrow',
    lines: ['Likenesses by north light.', 'Weddings, boats, prize marrows.', 'Stand still and think of the sea'],
    foot: 'Two flights up, Ropewalk',
    sign: 'eye',
  },
  {
    file: 'sarrow-flat.svg',
    name: 'Sarrow, photographer',
    width: 350.1,
    height: 399,
    ground: '#f4efe2',
    ink: '#2b3a44',
    accent: '#7d3f52',
    big: 'Sarrow',
    lines: ['Likenesses by north light.', 'Weddings, boats, prize marrows.', 'Stand still and think of the sea'],
    foot: 'Two flights up, Ropewalk',
    sign: 'eye',
  },
  {
    file: 'eggs-quarter.svg',
    name: 'Roake’s eggs',
    width: 350.1,
    height: 399,
    ground: '#f6efd9',
    ink: '#4a3a22',
    accent: '#d99a2b',
    big: 'Eggs',
    lines: ['Gannet Head, at the gate.', 'Leave the money in the can'],
    foot: 'H. Roake',
    sign: 'egg',
  },
  {
    file: 'books-half.svg',
    name: 'Quay Lane Books',
    width: 711.5,
    height: 346.5,
    ground: '#2f4a3c',
    ink: '#f3ead2',
    accent: '#d9b35e',
    big: 'Quay Lane Books',
    lines: ['Bought, sold, argued over.', 'Wet ones dried on the premises'],
    foot: 'Between the pump and the dentist',
    sign: 'book',
  },
  {
    file: 'marram-column.svg',
    name: 'Marram & Sons, sailcloth',
    width: 164,
    height: 169,
    ground: '#e9e1cf',
    ink: '#1f2f3a',
    accent: '#b5482c',
    big: 'Marram & Sons',
    lines: ['Sailcloth, kite cloth,', 'awnings by the yard'],
    foot: 'The Long Shed, Ropewalk',
    sign: 'sail',
  },
  {
    file: 'quay-lane-books.svg',
    name: 'Quay Lane Books',
    width: 340,
    height: 440,
    ground: '#2f4a3c',
    ink: '#f3ead2',
    accent: '#d9b35e',
    big: 'Quay Lane Books',
    lines: ['Bought, sold, argued over.', 'Wet ones dried on the premises'],
    foot: 'Between the pump and the dentist',
    sign: 'book',
  },
  {
    file: 'hollin-lectures.svg',
    name: 'The winter lectures',
    width: 700,
    height: 442,
    ground: '#24344f',
    ink: '#eef0ea',
    accent: '#e0a02b',
    big: 'The winter lectures',
    lines: ['At the chandlery, with soup. Knots that hold; knots that let go;', 'what the cellar knows about tomorrow'],
    foot: 'Tuesdays in December at seven. Bring a spoon',
    sign: 'cups',
  },
  {
    file: 'chandlers-half.svg',
    name: 'Ternhaven Chandlers',
    width: 362,
    height: 229,
    ground: '#1f3e4c',
    ink: '#f4f1e6',
    accent: '#f0b429',
    big: 'Twine, half price',
    lines: ['Ternhaven Chandlers: rope, rings, reels,', 'lamp oil and good advice'],
    foot: '11 Slip Street, until the new year',
    sign: 'anchor',
  },
];

const EDGE = 0.055;

/** An artwork laid out: its rectangles, its letters, its sign; y down. */
interface Layout {
  readonly rects: readonly {
    readonly x: number;
    readonly y: number;
    readonly w: number;
    readonly h: number;
    readonly fill: string;
  }[];
  readonly words: readonly { readonly letters: readonly Letter[]; readonly fill: string }[];
  readonly sign: { readonly x: number; readonly y: number; readonly scale: number };
  /** The line around it. */
  readonly frame: number;
}

const FACE: Readonly<Record<'big' | 'line' | 'foot', LetterFace>> = {
  big: 'SourceSerif4-900',
  line: 'SourceSerif4-400',
  foot: 'Archivo-600',
};

async function layOut(of: Artwork): Promise<Layout> {
  return of.poster ? poster(of) : beside(of);
}

/** The size at which all lines fit a width. */
async function oneSize(lines: readonly string[], most: number, wide: number): Promise<number> {
  const sizes = await Promise.all(lines.map(async (line) => (await lettering(line, FACE.line, most, wide, 0, 0)).size));
  return Math.min(most, ...sizes);
}

/** The sign above or beside the words, as the artwork is tall or flat. */
async function beside(of: Artwork): Promise<Layout> {
  const { width: w, height: h, ink, accent } = of;
  const edge = EDGE * Math.min(w, h);
  const flat = w > 1.6 * h;
  const side = (flat ? 0.42 : 0.24) * h;
  const left = flat ? 2 * edge + side : 2 * edge;
  const room = w - left - 2 * edge;
  const words: { letters: readonly Letter[]; fill: string }[] = [];
  const say = async (text: string, face: LetterFace, most: number, y: number) =>
    words.push({ letters: (await lettering(text, face, most, room, left, y)).letters, fill: ink });
  let y = flat ? 0.3 * h : 2 * edge + side + 0.155 * h;
  await say(of.big, FACE.big, 0.19 * h, y);
  y += 0.1 * h;
  const rule = { x: left, y: y - 0.055 * h, w: 0.16 * w, h: 0.012 * h, fill: accent };
  const most = await oneSize(of.lines, (flat ? 0.08 : 0.066) * h, room);
  // Over the foot stays a line of its own clear.
  const step = Math.min((flat ? 0.1 : 0.082) * h, (h - 2 * edge - 0.1 * h - y) / of.lines.length);
  for (const line of of.lines) {
    y += step;
    await say(line, FACE.line, most, y);
  }
  await say(of.foot, FACE.foot, 0.05 * h, h - 2 * edge);
  const sign = { x: flat ? 1.6 * edge : 2 * edge, y: flat ? (h - side) / 2 : 1.8 * edge, scale: side / 100 };
  return { rects: [rule], words, sign, frame: edge * 0.6 };
}

/** A large sign, with the words in the middle beneath it. */
async function poster(of: Artwork): Promise<Layout> {
  const { width: w, height: h, ink, accent } = of;
  const left = 0.1 * w;
  const room = w - 2 * left;
  const side = 0.34 * h;
  const words: { letters: readonly Letter[]; fill: string }[] = [];
  const say = async (text: string, face: LetterFace, most: number, y: number) =>
    words.push({ letters: (await lettering(text, face, most, room, left, y, true)).letters, fill: ink });
  await say(of.big, FACE.big, 0.11 * h, 0.6 * h);
  const [first = '', ...others] = of.lines;
  await say(first, FACE.line, 0.042 * h, 0.69 * h);
  const most = await oneSize(others, 0.03 * h, room);
  for (const [i, line] of others.entries()) await say(line, FACE.line, most, (0.742 + i * 0.052) * h);
  await say(of.foot, FACE.foot, 0.022 * h, 0.915 * h);
  const rule = { x: (w - 0.2 * w) / 2, y: 0.635 * h, w: 0.2 * w, h: 0.005 * h, fill: accent };
  return { rects: [rule], words, sign: { x: (w - side) / 2, y: 0.12 * h, scale: side / 100 }, frame: 0.045 * w };
}

/** The artwork as the file that it is said to be: a drawing of shapes alone, or a page of a PDF. */
export async function artworkFile(of: Artwork): Promise<Uint8Array> {
  return of.file.endsWith('.pdf') ? artworkPdf(of) : Buffer.from(await artworkSvg(of));
}

export async function artworkSvg(of: Artwork): Promise<string> {
  const { width: w, height: h, ink, accent } = of;
  const { rects, words, sign, frame } = await layOut(of);
  return svg(
    w,
    h,
    `<rect width="${w}" height="${h}" fill="${of.ground}"/><rect x="${frame}" y="${frame}" width="${w - 2 * frame}" height="${h - 2 * frame}" fill="none" stroke="${ink}" stroke-width="1.2"/>` +
      `<g transform="translate(${sign.x.toFixed(1)} ${sign.y.toFixed(1)}) scale(${sign.scale.toFixed(3)})">${SIGNS[of.sign](ink, accent)}</g>` +
      rects
        .map(
          (each) =>
            `<rect x="${each.x}" y="${each.y.toFixed(1)}" width="${each.w.toFixed(1)}" height="${each.h.toFixed(2)}" fill="${each.fill}"/>`,
        )
        .join('') +
      words.map(({ letters, fill }) => lettersSvg(letters, fill)).join(''),
  );
}

const light = (colour: string) => {
  const [r, g, b] = [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16) / 255);
  return rgb(r!, g!, b!);
};

async function artworkPdf(of: Artwork): Promise<Uint8Array> {
  const { width: w, height: h, ink, accent } = of;
  const { rects, words, sign, frame } = await layOut(of);
  const pdf = await PDFDocument.create();
  pdf.setTitle(of.name);
  pdf.setCreationDate(new Date('2026-11-02T09:00:00Z'));
  const page = pdf.addPage([w, h]);
  page.drawRectangle({ x: 0, y: 0, width: w, height: h, color: light(of.ground) });
  page.drawRectangle({
    x: frame,
    y: frame,
    width: w - 2 * frame,
    height: h - 2 * frame,
    borderColor: light(ink),
    borderWidth: 1.2,
  });
  for (const [, d, fill] of SIGNS[of.sign](ink, accent).matchAll(/<path d="([^"]+)" fill="([^"]+)"\/>/g))
    page.drawSvgPath(d!, { x: sign.x, y: h - sign.y, scale: sign.scale, color: light(fill!) });
  for (const each of rects)
    page.drawRectangle({ x: each.x, y: h - each.y - each.h, width: each.w, height: each.h, color: light(each.fill) });
  for (const { letters, fill } of words)
    // Outlines of letters run upwards; a path of SVG is drawn downwards.
    for (const { d, x, y, scale } of letters) page.drawSvgPath(upsideDown(d), { x, y: h - y, scale, color: light(fill) });
  return pdf.save();
}

/** A path of absolute commands in pairs, mirrored about its base line. */
const upsideDown = (d: string): string => {
  let isY = false;
  return d.replace(/[A-Za-z]|-?\d*\.?\d+(?:e-?\d+)?/g, (token) => {
    if (/[A-Za-z]/.test(token)) {
      isY = false;
      return token;
    }
    const own = isY ? String(-Number(token)) : token;
    isY = !isY;
    return ` ${own}`;
  });
};
