import { docOf } from '@/core/records/body';
import { readFile } from 'node:fs/promises';
import type { Browser } from 'puppeteer-core';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { BLENDS } from '@/core/colour/blend';
import { facesOf } from '@/core/compose/paragraph/faces';
import type { Document } from '@/core/records/document';
import { type RuleContent, textContent } from '@/core/records/frame';
import type { DocumentRecord, FrameRecord } from '@/core/records/index';
import { facePath } from '@/formats/faces/files';
import { outlinedSheet } from '@/formats/svg/outlined';
import { paintPage } from '@/formats/svg/painter';
import { openChromium } from '../support/chromium';
import { cellOf, characterStyle, mark, paragraph, paragraphStyle, tableOf, text } from '../support/composed';
import { baseRecords, document, pictureFrame, pictureRecord, prose, textFrame, textRecord } from '../support/documents';
import { composerFor } from '../support/faces';
import { madePdf } from '../support/pdf';
import { ran } from '../support/programs';

/**
 * What the screen shows is what the PDF shows, and what a page is as SVG and as PNG: the same page, drawn by Chromium from the SVG
 * painter's markup with the faces it names, by poppler from the PDF, and by Chromium and librsvg from the page as it goes out.
 */

const SCALE = 2;

let browser: Browser;
beforeAll(async () => void (browser = await openChromium()));
afterAll(() => browser.close());

const photo = sharp({ create: { width: 120, height: 80, channels: 3, background: '#2f7f86' } })
  .composite([{ input: { create: { width: 40, height: 40, channels: 3, background: '#f2b705' } }, left: 0, top: 0 }])
  .jpeg({ quality: 95, chromaSubsampling: '4:4:4' })
  .toBuffer();

const base = (): DocumentRecord[] => [
  ...baseRecords(1),
  { id: 'red', kind: 'swatch', name: 'Red', cmyk: [0, 0.9, 0.8, 0] },
  { id: 'navy', kind: 'swatch', name: 'Navy', cmyk: [0.9, 0.7, 0.2, 0.3] },
  pictureRecord('photo', { media: 'image/jpeg', width: 120, height: 80 }),
];

async function throughSvg(of: Document): Promise<Buffer> {
  const { composer } = await composerFor(of);
  const [list] = composer.compose(of).pages;
  const source = `data:image/jpeg;base64,${(await photo).toString('base64')}`;
  const faces = await Promise.all(
    [...facesOf(of)].map(
      async (id) =>
        `@font-face{font-family:"${id}";src:url(data:font/ttf;base64,${(await readFile(facePath(id))).toString('base64')})}`,
    ),
  );
  const page = await browser.newPage();
  await page.setViewport({ width: list!.width, height: list!.height, deviceScaleFactor: SCALE });
  const svg = paintPage(list!, () => source);
  await page.setContent(
    `<!doctype html><style>${faces.join('')}body{margin:0}svg{display:block;width:${list!.width}px;height:${list!.height}px}</style>${svg}`,
    { waitUntil: 'load' },
  );
  await page.evaluate(async () => {
    await Promise.all([...window.document.fonts].map((face) => face.load()));
    await window.document.fonts.ready;
  });
  const png = await page.screenshot({ type: 'png' });
  await page.close();
  return Buffer.from(png);
}

/** The page as it goes out by itself: as SVG without faces, drawn by Chromium, and as PNG, drawn by librsvg. */
async function throughFiles(of: Document): Promise<{ svg: Buffer; png: Buffer }> {
  const { composer, shaper } = await composerFor(of);
  const [list] = composer.compose(of).pages;
  const source = `data:image/jpeg;base64,${(await photo).toString('base64')}`;
  const sheet = { pages: [{ list: list!, dx: 0 }], beside: undefined, label: '1' };
  const markup = outlinedSheet(
    sheet,
    (id) => shaper.face(id),
    () => source,
  );
  const page = await browser.newPage();
  await page.setViewport({ width: list!.width, height: list!.height, deviceScaleFactor: SCALE });
  await page.goto(`data:image/svg+xml;base64,${Buffer.from(markup).toString('base64')}`);
  const svg = Buffer.from(await page.screenshot({ type: 'png' }));
  await page.close();
  const png = await sharp(Buffer.from(markup), { density: 72 * SCALE })
    .resize({ width: SCALE * list!.width })
    .png()
    .toBuffer();
  return { svg, png };
}

async function throughPdf(of: Document): Promise<Buffer> {
  const { path } = await madePdf(of, { for: 'screen', bytes: () => photo });
  await ran('pdftoppm', ['-r', String(72 * SCALE), '-png', '-singlefile', path, path.replace('.pdf', '')]);
  return readFile(path.replace('.pdf', '.png'));
}

/** Sides of the squares that are compared, pixels: edges of letters are smoothed differently, what they cover is not. */
const TILE = 16;

interface Likeness {
  /** Of all colour channels, shares of full: over the page, and in the square that differs most. */
  readonly mean: number;
  readonly most: number;
  /** Share of the page that is not paper. */
  readonly inked: number;
}

async function inSquares(png: Buffer): Promise<Buffer> {
  const { width, height } = await sharp(png).metadata();
  const across = Math.floor(width / TILE);
  const down = Math.floor(height / TILE);
  const image = sharp(png)
    .removeAlpha()
    .extract({ left: 0, top: 0, width: across * TILE, height: down * TILE });
  return image.resize(across, down, { kernel: 'cubic', fit: 'fill' }).raw().toBuffer();
}

async function likeness(one: Buffer, other: Buffer): Promise<Likeness> {
  const [a, b] = [await inSquares(one), await inSquares(other)];
  expect(b.length).toBe(a.length);
  let sum = 0;
  let most = 0;
  let inked = 0;
  for (let i = 0; i < a.length; i++) {
    const difference = Math.abs(a[i]! - b[i]!) / 255;
    sum += difference;
    most = Math.max(most, difference);
    if (a[i]! < 235) inked++;
  }
  return { mean: sum / a.length, most, inked: inked / a.length };
}

const words = (style: string, count: number, seed: number) => paragraph(style, prose(count, seed));

const table = tableOf(
  [
    ['Wind', 'From', 'Hours'],
    ['Light', 'North', '12'],
    ['Fresh', 'East', '3'],
    ['Gale', 'West', '1'],
  ].map((row) => row.map((each) => cellOf([paragraph('body', each)]))),
  {
    columns: [{ share: 2 }, { share: 1 }, { points: 60 }],
    headerRows: 1,
    inset: 3,
    rules: { rows: { weight: 0.5, swatch: 'ink', tint: 0.4 }, around: { weight: 1, swatch: 'navy', tint: 1 } },
    headFill: { swatch: 'navy', tint: 0.3 },
    stripe: { swatch: 'red', tint: 0.15 },
  },
);

const cases: readonly (readonly [string, () => readonly DocumentRecord[]])[] = [
  [
    'letters: sizes, tracking, case, position, underline, strike, highlights, tints, outlines, widths',
    () => [
      characterStyle('marked', { underline: true, swatch: 'red' }),
      characterStyle('struck', { strike: true, tint: 0.5 }),
      characterStyle('edged', { letterOutline: { weight: 1.5, swatch: 'red', tint: 0.5 }, size: 30, weight: 700 }),
      characterStyle('lit', {
        highlight: { swatch: 'navy', tint: 0.3, around: 2 },
        underline: true,
        lineWeight: 2,
        underlineOffset: 5,
      }),
      characterStyle('wide', { tracking: 200, letterCase: 'allSmallCapitals' }),
      characterStyle('raised', { position: 'superscript' }),
      paragraphStyle('squeezed', {
        align: 'justify',
        glyphScale: { least: 0.85, best: 1, most: 1.15 },
        letterSpace: { least: -0.03, best: 0, most: 0.05 },
        leading: 36,
      }),
      textRecord(
        'text',
        docOf([
          paragraph('squeezed', [
            text('Underlined letters', mark('character', { style: 'marked' })),
            text(', struck ones', mark('character', { style: 'struck' })),
            text(', lit ones', mark('character', { style: 'lit' })),
            text(' and Edged ones', mark('character', { style: 'edged' })),
            text(', small capitals', mark('character', { style: 'wide' })),
            text(', raised 3', mark('character', { style: 'raised' })),
            text(`. ${prose(120, 3)}`),
          ]),
        ]),
      ),
      textFrame('f', 'text', 'p1', { x: 50, y: 48, w: 300, h: 500 }),
    ],
  ],
  [
    'letters that run into a colour, down and along; panels behind paragraphs; a line along an edge, outside and inside',
    () => [
      characterStyle('underlined', { underline: true, swatch: 'red', highlight: { swatch: 'navy', tint: 0.2, around: 1 } }),
      paragraphStyle('falling', {
        size: 44,
        leading: 48,
        weight: 700,
        align: 'left',
        swatch: 'red',
        gradient: { swatch: 'navy', tint: 1, way: 'down' },
      }),
      paragraphStyle('running', {
        size: 36,
        leading: 44,
        weight: 700,
        align: 'justify',
        lastLine: 'justify',
        glyphScale: { least: 0.9, best: 0.95, most: 1.05 },
        swatch: 'navy',
        gradient: { swatch: 'red', tint: 0.4, way: 'right' },
      }),
      paragraphStyle('panelled', { panel: { swatch: 'red', tint: 0.25, width: 'column', beside: 5, above: 4 }, spaceBefore: 6 }),
      paragraphStyle('tight', {
        panel: { swatch: 'navy', tint: 0.3, width: 'text', beside: 3, above: 2 },
        align: 'centre',
        spaceBefore: 14,
      }),
      textRecord(
        'text',
        docOf([
          paragraph('falling', 'Harbour'),
          paragraph('running', 'Kites over it'),
          words('body', 20, 5),
          words('panelled', 25, 6),
          words('panelled', 18, 7),
          words('tight', 6, 8),
        ]),
      ),
      textFrame('f', 'text', 'p1', { x: 20, y: 16, w: 240, h: 330 }),
      paragraphStyle('round', { size: 16, leading: 20, align: 'centre', onGrid: false }),
      textRecord(
        'ring',
        docOf([paragraph('round', [text('Tide tables and '), text('harbour news', mark('character', { style: 'underlined' }))])]),
      ),
      {
        ...textFrame('ring', 'ring', 'p1', { x: 290, y: 60, w: 180, h: 180 }),
        shape: { type: 'ellipse' },
        fill: { swatch: 'navy', tint: 0.2 },
        content: { ...textContent('ring'), along: { side: 'outside', from: 0, reach: 1, gap: 4 } },
      },
      textRecord('within', docOf([paragraph('round', 'Open from six until ten')])),
      {
        ...textFrame('within', 'within', 'p1', { x: 60, y: 380, w: 300, h: 170 }),
        shape: { type: 'rounded', radius: 60 },
        border: { weight: 1, swatch: 'red', tint: 1 },
        rotation: 8,
        content: { ...textContent('within'), along: { side: 'inside', from: 0.1, reach: 0.8, gap: 5 } },
      },
    ],
  ],
  [
    'blocks: drop cap, rules, lists, tabs with leaders, tables, spanning heads, turned to either side',
    () => [
      paragraphStyle('first', { dropCap: { lines: 3, letters: 1, gap: 3 } }),
      paragraphStyle('ruled', {
        ruleAbove: { weight: 2, swatch: 'red', tint: 1, offset: 10, width: 'column', leftIndent: 0, rightIndent: 0 },
        ruleBelow: { weight: 0.5, swatch: 'navy', tint: 0.6, offset: 3, width: 'text', leftIndent: 0, rightIndent: 0 },
        align: 'centre',
        spaceBefore: 12,
      }),
      paragraphStyle('head', { spans: true, size: 18, leading: 24, weight: 700, swatch: 'navy' }),
      paragraphStyle('listed', { tabs: [{ at: 120, align: 'right', leader: '.' }], align: 'left' }),
      textRecord(
        'text',
        docOf([
          words('first', 90, 5),
          words('ruled', 5, 6),
          words('head', 4, 7),
          paragraph('listed', 'One\t11', { list: { kind: 'bullet', level: 0 } }),
          paragraph('listed', 'Two and more\t5', { list: { kind: 'number', level: 1, number: 2 } }),
          table,
          words('body', 60, 8),
        ]),
      ),
      textFrame('f', 'text', 'p1', { x: 50, y: 48, w: 300, h: 400 }, { columns: 2, balanced: true }),
      textRecord('side', docOf([words('body', 30, 9)])),
      textFrame('up', 'side', 'p1', { x: 10, y: 48, w: 36, h: 300 }, { turns: 3 }),
      textRecord('other', docOf([words('body', 30, 10)])),
      textFrame('down', 'other', 'p1', { x: 356, y: 48, w: 36, h: 300 }, { turns: 1 }),
    ],
  ],
  [
    'pictures: cropped, turned and mirrored inside, lighter, darker, harder, grey, in one ink and in two',
    () =>
      (
        [
          { fit: 'own', at: { x: 0.35, y: 0.4 }, zoom: 1.8, turn: 17, mirrored: true },
          { fit: 'fill', turn: 90, adjust: { light: 0.3 } },
          { fit: 'fill', adjust: { light: -0.4, contrast: 0.5 } },
          { fit: 'fill', adjust: { contrast: -0.6 } },
          { fit: 'fill', adjust: { sharpen: 0.8 } },
          { fit: 'fill', mirrored: true, adjust: { inks: 'grey' } },
          { fit: 'fill', adjust: { inks: 'one', dark: 'navy', light: 0.2 } },
          { fit: 'own', at: { x: 0.5, y: 0.5 }, zoom: 0.7, adjust: { inks: 'two', dark: 'navy', pale: 'red' } },
          { fit: 'fit', turn: -30, adjust: { inks: 'grey', contrast: 0.4 } },
        ] as const
      ).map((shown, i): DocumentRecord => {
        const box = { x: 40 + (i % 2) * 170, y: 40 + Math.floor(i / 2) * 130, w: 150, h: 110 };
        return { ...pictureFrame(`p${i}f`, 'photo', 'p1', box), content: { type: 'picture', picture: 'photo', ...shown } };
      }),
  ],
  [
    'frames: turned, rounded, oval and pointed, with borders, tints, opacity and shadows',
    () => [
      textRecord('text', docOf([words('body', 80, 11)])),
      {
        ...textFrame('slant', 'text', 'p1', { x: 60, y: 60, w: 150, h: 130 }, { inset: 8 }),
        rotation: 23,
        fill: { swatch: 'red', tint: 0.2 },
        border: { weight: 2, swatch: 'navy', tint: 1 },
        shape: { type: 'rounded', radius: 14 },
      },
      textRecord('round', docOf([words('body', 120, 12)])),
      {
        ...textFrame('oval', 'round', 'p1', { x: 220, y: 80, w: 150, h: 170 }),
        shape: { type: 'ellipse' },
        fill: { swatch: 'navy', tint: 0.15 },
        opacity: 0.6,
      },
      {
        ...pictureFrame('leaning', 'photo', 'p1', { x: 50, y: 270, w: 140, h: 100 }),
        rotation: -12,
        shadow: { dx: 6, dy: 8, blur: 8, swatch: 'ink', opacity: 0.6 },
        border: { weight: 4, swatch: 'red', tint: 1 },
      },
      {
        ...pictureFrame('star', 'photo', 'p1', { x: 220, y: 280, w: 130, h: 110 }),
        shape: { type: 'polygon', points: [0.5, 0, 1, 0.4, 0.8, 1, 0.2, 1, 0, 0.4] },
        opacity: 0.5,
      },
      {
        ...pictureFrame('panel', undefined, 'p1', { x: 60, y: 420, w: 120, h: 90 }),
        content: { type: 'panel' },
        fill: { swatch: 'navy', tint: 0.5 },
        shadow: { dx: 10, dy: 10, blur: 0, swatch: 'red', opacity: 0.5 },
        shape: { type: 'ellipse' },
      },
      {
        ...pictureFrame('rule', undefined, 'p1', { x: 220, y: 450, w: 140, h: 6 }),
        content: { type: 'rule', weight: 6 },
        fill: { swatch: 'red', tint: 0.7 },
        rotation: 30,
      },
    ],
  ],
  [
    'blending: every way of mixing, of areas, letters and pictures, with what lies under them and with the paper',
    () => [
      pictureFrame('under', 'photo', 'p1', { x: 40, y: 30, w: 320, h: 540 }),
      {
        ...pictureFrame('navy', undefined, 'p1', { x: 60, y: 200, w: 280, h: 180 }),
        content: { type: 'panel' },
        fill: { swatch: 'navy', tint: 0.8 },
        order: 'a55',
      },
      ...BLENDS.map((blend, i): DocumentRecord => ({
        ...pictureFrame(`on-${blend}`, undefined, 'p1', {
          x: 20 + 125 * (i % 3),
          y: 20 + 115 * Math.floor(i / 3),
          w: 100,
          h: 90,
        }),
        content: { type: 'panel' },
        fill: { swatch: i % 2 === 0 ? 'red' : 'navy', tint: 0.7 },
        blend,
        opacity: i % 4 === 0 ? 0.8 : 1,
        order: 'a6',
      })),
      { ...pictureFrame('mixed', 'photo', 'p1', { x: 250, y: 430, w: 130, h: 90 }), blend: 'luminosity', order: 'a7' },
      textRecord('t', docOf([words('big', 4, 3)])),
      paragraphStyle('big', { size: 44, leading: 46, weight: 900, swatch: 'red', hyphens: false, align: 'left', onGrid: false }),
      { ...textFrame('f', 't', 'p1', { x: 60, y: 240, w: 300, h: 190 }), blend: 'multiply', order: 'a8' },
    ],
  ],
  [
    'gradients and fainter parts: linear, radial, by way of a third colour, faded, soft-edged, both, glowing, shaded inside',
    () => {
      const panel = (i: number, more: Partial<FrameRecord>): DocumentRecord => ({
        ...pictureFrame(`g${i}`, undefined, 'p1', { x: 20 + 125 * (i % 3), y: 20 + 140 * Math.floor(i / 3), w: 105, h: 110 }),
        content: { type: 'panel' },
        fill: { swatch: 'red', tint: 1 },
        ...more,
      });
      const down = { form: 'linear', from: { x: 0.5, y: 0 }, to: { x: 0.5, y: 1 }, swatch: 'navy', tint: 1 } as const;
      const round = { ...down, form: 'radial', from: { x: 0.5, y: 0.5 }, to: { x: 1, y: 0.5 } } as const;
      const fade = { from: { x: 0, y: 0 }, to: { x: 1, y: 1 } };
      return [
        panel(0, { gradient: down }),
        panel(1, { gradient: { ...round, tint: 0.1 }, shape: { type: 'ellipse' } }),
        panel(2, {
          gradient: {
            ...down,
            to: { x: 1, y: 0.3 },
            through: [
              { swatch: 'accent1', tint: 0.5, at: 0.7 },
              { swatch: 'tint', tint: 0.2, at: 0.4 },
            ],
          },
          rotation: 15,
        }),
        panel(3, { fade }),
        panel(4, { feather: 30, shape: { type: 'rounded', radius: 20 } }),
        panel(5, { feather: 24, fade, rotation: -20 }),
        { ...panel(6, { fade, fill: undefined }), content: { type: 'picture', picture: 'photo', fit: 'fill' } } as DocumentRecord,
        panel(7, { glow: { blur: 16, swatch: 'navy', opacity: 0.8 }, fill: { swatch: 'red', tint: 0.4, opacity: 0.5 } }),
        panel(8, { innerShadow: { dx: 6, dy: 8, blur: 10, swatch: 'ink', opacity: 0.8 }, shape: { type: 'arch', rise: 50 } }),
        textRecord('t', docOf([words('body', 60, 3)])),
        {
          ...textFrame('f', 't', 'p1', { x: 20, y: 445, w: 240, h: 120 }),
          fade: { from: { x: 0.2, y: 0 }, to: { x: 1, y: 0 } },
          contentOpacity: 0.7,
          fill: { swatch: 'navy', tint: 0.4 },
        },
      ];
    },
  ],
  [
    'forms and lines: each corner its own, arches, free outlines, borders in and out, dashed, dotted, double, rules with ends',
    () => {
      const panel = (i: number, more: Partial<FrameRecord>): DocumentRecord => ({
        ...pictureFrame(`s${i}`, undefined, 'p1', { x: 25 + 125 * (i % 3), y: 30 + 120 * Math.floor(i / 3), w: 95, h: 85 }),
        content: { type: 'panel' },
        fill: { swatch: 'navy', tint: 0.3 },
        ...more,
      });
      const corners = {
        type: 'corners',
        topLeft: { form: 'rounded', size: 30 },
        topRight: { form: 'cut', size: 25 },
        bottomRight: { form: 'scooped', size: 35 },
        bottomLeft: { form: 'square', size: 10 },
      } as const;
      // Two rings, one inside the other, of curves and straight sides.
      const rings = [
        [0, 0.5, 0, 0.9, 0, 0.1, 0.5, 0, 0.2, 0, 0.8, 0, 1, 0.5, 1, 0.5, 1, 0.5, 0.5, 1, 0.5, 1, 0.5, 1],
        [0.4, 0.4, 0.4, 0.4, 0.4, 0.4, 0.6, 0.4, 0.6, 0.4, 0.6, 0.4, 0.5, 0.6, 0.5, 0.6, 0.5, 0.6],
      ];
      const edge = { weight: 6, swatch: 'red', tint: 1 } as const;
      const rule = (i: number, content: Partial<RuleContent>, rotation = 0): DocumentRecord => ({
        ...pictureFrame(`r${i}`, undefined, 'p1', { x: 30, y: 420 + 28 * i, w: 330, h: 4 }),
        content: { type: 'rule', weight: 4, ...content },
        fill: { swatch: 'red', tint: 1 },
        rotation,
      });
      return [
        panel(0, { shape: corners, border: edge }),
        panel(1, { shape: { type: 'arch', rise: 60 }, border: { ...edge, align: 'inside' } }),
        panel(2, { shape: { type: 'outline', rings }, border: { ...edge, weight: 3, align: 'outside' } }),
        panel(3, { border: { ...edge, line: 'dashed' }, shape: { type: 'rounded', radius: 20 } }),
        panel(4, { border: { ...edge, line: 'dotted', opacity: 0.5 } }),
        panel(5, { border: { ...edge, line: 'double', align: 'outside' }, shape: { type: 'ellipse' } }),
        {
          ...pictureFrame('cut', 'photo', 'p1', { x: 25, y: 270, w: 95, h: 120 }),
          shape: { type: 'outline', rings },
        },
        panel(7, { border: { ...edge, align: 'inside' }, shape: { type: 'polygon', points: [0.5, 0, 1, 1, 0, 1] } }),
        rule(0, { line: 'dashed', end: 'arrow' }),
        rule(1, { line: 'wavy', start: 'dot' }),
        rule(2, { line: 'double', start: 'bar', end: 'bar' }),
        rule(3, { start: 'arrow', end: 'arrow' }, 5),
        rule(4, { line: 'dotted' }),
      ];
    },
  ],
];

describe('the painters draw alike', () => {
  it.each(cases)('%s', async (_, records) => {
    const of = document(...base(), ...records());
    const pdf = await throughPdf(of);
    const { svg, png } = await throughFiles(of);
    for (const [what, drawn] of Object.entries({ screen: await throughSvg(of), svg, png })) {
      const alike = await likeness(drawn, pdf);
      expect(alike.inked, what).toBeGreaterThan(0.03);
      expect(alike.mean, what).toBeLessThan(0.004);
      expect(alike.most, what).toBeLessThan(0.12);
    }
  });

  it('and a page that differs by a few degrees, a shadow or a tint would not pass', async () => {
    const panel = (more: object): DocumentRecord[] => [
      ...base(),
      {
        ...pictureFrame('panel', undefined, 'p1', { x: 100, y: 100, w: 200, h: 200 }),
        content: { type: 'panel' },
        fill: { swatch: 'navy', tint: 0.5 },
        ...more,
      } as DocumentRecord,
    ];
    const plain = document(...panel({}));
    for (const more of [{ rotation: 4 }, { fill: { swatch: 'navy', tint: 0.2 } }, { opacity: 0.5 }]) {
      const svg = await throughSvg(plain);
      const pdf = await throughPdf(document(...panel(more)));
      const [a, b] = await Promise.all([svg, pdf].map((png) => sharp(png).removeAlpha().raw().toBuffer()));
      let sum = 0;
      for (let i = 0; i < a!.length; i++) sum += Math.abs(a![i]! - b![i]!) / 255;
      expect(sum / a!.length).toBeGreaterThan(0.004);
    }
  });
});
