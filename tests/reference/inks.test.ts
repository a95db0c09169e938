import { readFile } from 'node:fs/promises';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import type { InkTable } from '@/core/print/inkTable';
import { BLENDS } from '@/core/colour/blend';
import { inksOf } from '@/core/print/inkTable';
import { measurePage } from '@/core/print/measured';
import { FINENESS, PaintedPage } from '@/core/print/paintedPage';
import { CHANNELS, picturePixels } from '@/core/print/picturePixels';
import { type Document, get } from '@/core/records/document';
import type { FrameRecord } from '@/core/records/index';
import { inkTable, pictureSource, readInkTable } from '@/formats/pictures/inks';
import { baseRecords, document, pictureFrame, pictureRecord, prose, textFrame, textRecord } from '../support/documents';
import { composerFor } from '../support/faces';
import { madePdf } from '../support/pdf';
import { ran } from '../support/programs';
import { docOf, paragraphOf, textOf } from '@/core/records/body';

/**
 * Inks as they are measured in the browser and before a delivery, against those of the PDF that is delivered: Ghostscript’s `inkcov`
 * for the page, its separations (`tiff32nc`) for every place; and the table of a profile against the conversion that it was read off.
 */

/** A picture with all its colours in it. */
const photo = sharp(Buffer.from(Array.from({ length: 60 * 40 * 3 }, (_, i) => (i * 37 + ((i / 180) | 0) * 11) % 256)), {
  raw: { width: 60, height: 40, channels: 3 },
})
  .blur(3)
  .resize(240, 160)
  .png()
  .toBuffer();

const page = (): Document => {
  const panel = (id: string, x: number, y: number, more: Partial<FrameRecord>): FrameRecord => ({
    ...pictureFrame(id, undefined, 'p1', { x, y, w: 120, h: 80 }),
    content: { type: 'panel' },
    ...more,
  });
  return document(
    ...baseRecords(1),
    { id: 'red', kind: 'swatch', name: 'Red', cmyk: [0, 0.9, 0.8, 0] },
    { id: 'rich', kind: 'swatch', name: 'Rich', cmyk: [0.8, 0.7, 0.6, 1] },
    pictureRecord('photo', { width: 240, height: 160 }),
    textRecord(
      't',
      docOf([
        paragraphOf({ style: 'headline' }, [textOf('Wind over the wall')]),
        paragraphOf({ style: 'body' }, [textOf(prose(160))]),
      ]),
    ),
    textFrame('f', 't', 'p1', { x: 50, y: 60, w: 300, h: 220 }),
    panel('a', 40, 300, { fill: { swatch: 'red', tint: 1 } }),
    panel('b', 120, 340, { fill: { swatch: 'rich', tint: 1 }, shape: { type: 'ellipse' }, order: 'a6' }),
    panel('c', 200, 310, {
      fill: { swatch: 'red', tint: 0.5 },
      opacity: 0.6,
      rotation: 20,
      order: 'a7',
      border: { weight: 4, swatch: 'ink', tint: 1 },
    }),
    {
      ...pictureFrame('pf', 'photo', 'p1', { x: 60, y: 450, w: 240, h: 120 }),
      content: { type: 'picture', picture: 'photo', fit: 'fill' },
    },
  );
};

const printed = async (of: Document): Promise<string> => (await madePdf(of, { for: 'print', bytes: () => photo })).path;

async function measured(of: Document) {
  const { composer, shaper } = await composerFor(of);
  const [list] = composer.compose(of).pages;
  const table = await inkTable();
  const pixels = picturePixels(await pictureSource(get(of, 'picture', 'photo'), await photo), undefined, table);
  const sources = { face: (id: string) => shaper.face(id), pixels: () => pixels };
  const painted = new PaintedPage(list!, sources);
  for (const item of list!.items) painted.paint(item);
  return { painted, list: list!, measured: measurePage(list!, undefined, sources, 3.3) };
}

describe('ink on a page', () => {
  it('is as much as Ghostscript finds on the page of the PDF', async () => {
    const of = page();
    const path = await printed(of);
    const { painted, list } = await measured(of);
    // `ink_cov` gives the share of full ink, as shares are added up here; `inkcov` the share of pixels with any.
    const cover = await ran('gs', ['-q', '-dBATCH', '-dNOPAUSE', '-sDEVICE=ink_cov', '-r216', '-o', '-', path]);
    const figures = cover.out
      .trim()
      .split(/\s+/)
      .slice(0, 4)
      .map((each) => Number(each) / 100);
    // Of all that is painted, bleed included, as the page of the PDF has it.
    const means = [0, 0, 0, 0];
    const count = painted.width * painted.height;
    for (let i = 0; i < count; i++) for (let ink = 0; ink < 4; ink++) means[ink]! += painted.pixels[CHANNELS * i + ink]! / count;
    expect(list.bleed).toBeGreaterThan(0);
    for (let ink = 0; ink < 4; ink++)
      expect(Math.abs(means[ink]! - figures[ink]!), `ink ${ink}: ${means[ink]} / ${figures[ink]}`).toBeLessThan(0.004);
  });

  it('lies where the separations of the PDF have it', async () => {
    const of = page();
    const path = await printed(of);
    const { painted } = await measured(of);
    const scale = 4;
    const tiff = path.replace('.pdf', '.tif');
    await ran('gs', ['-q', '-dBATCH', '-dNOPAUSE', '-sDEVICE=tiff32nc', `-r${72 * FINENESS * scale}`, '-o', tiff, path]);
    const { data, info } = await sharp(await readFile(tiff))
      .pipelineColourspace('cmyk')
      .toColourspace('cmyk')
      .resize(painted.width, painted.height, { fit: 'fill', kernel: 'cubic' })
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect(info.channels).toBe(4);
    let [sum, most, heavy, heavyToo] = [0, 0, 0, 0];
    for (let i = 0; i < painted.width * painted.height; i++) {
      let [mine, theirs] = [0, 0];
      for (let ink = 0; ink < 4; ink++) {
        mine += painted.pixels[CHANNELS * i + ink]!;
        theirs += data[4 * i + ink]! / 255;
      }
      sum += Math.abs(mine - theirs);
      most = Math.max(most, mine);
      if (mine > 2.9) heavy++;
      if (theirs > 2.9) heavyToo++;
    }
    expect(sum / (painted.width * painted.height)).toBeLessThan(0.03);
    expect(most).toBeCloseTo(3.1, 1);
    // The ellipse in the heavy black: as many pixels here as there.
    expect(heavyToo).toBeGreaterThan(500);
    expect(Math.abs(heavy / heavyToo - 1)).toBeLessThan(0.05);
  });

  it('mixes with what lies under it as Ghostscript mixes it, in every way there is', async () => {
    const panel = (id: string, x: number, y: number, more: Partial<FrameRecord>): FrameRecord => ({
      ...pictureFrame(id, undefined, 'p1', { x, y, w: 90, h: 80 }),
      content: { type: 'panel' },
      ...more,
    });
    const of = document(
      ...baseRecords(1),
      { id: 'under', kind: 'swatch', name: 'Under', cmyk: [0.6, 0.2, 0.1, 0.1] },
      { id: 'on', kind: 'swatch', name: 'On', cmyk: [0.1, 0.7, 0.5, 0.2] },
      ...BLENDS.flatMap((blend, i) => {
        const [x, y] = [20 + 125 * (i % 3), 20 + 115 * Math.floor(i / 3)];
        return [
          panel(`under-${blend}`, x, y, { fill: { swatch: 'under', tint: 1 } }),
          panel(`on-${blend}`, x + 25, y + 20, { fill: { swatch: 'on', tint: 1 }, blend, opacity: 0.9, order: 'a6' }),
        ];
      }),
    );
    const path = await printed(of);
    const { composer, shaper } = await composerFor(of);
    const [list] = composer.compose(of).pages;
    const painted = new PaintedPage(list!, { face: (id) => shaper.face(id), pixels: () => undefined });
    for (const item of list!.items) painted.paint(item);
    const tiff = path.replace('.pdf', '.tif');
    await ran('gs', ['-q', '-dBATCH', '-dNOPAUSE', '-sDEVICE=tiff32nc', `-r${72 * FINENESS * 4}`, '-o', tiff, path]);
    const data = await sharp(await readFile(tiff))
      .pipelineColourspace('cmyk')
      .toColourspace('cmyk')
      .resize(painted.width, painted.height, { fit: 'fill', kernel: 'cubic' })
      .raw()
      .toBuffer();
    for (const [i, blend] of BLENDS.entries()) {
      const [x, y] = [20 + 125 * (i % 3), 20 + 115 * Math.floor(i / 3)];
      // In the middle of where both lie, and of where the upper one lies on the paper.
      for (const [dx, dy] of [
        [57, 50],
        [102, 90],
      ] as const) {
        const { x0, y0 } = painted.pixelsIn({ x: x + dx, y: y + dy, w: 1, h: 1 });
        const at = y0 * painted.width + x0;
        for (let ink = 0; ink < 4; ink++)
          expect(
            Math.abs(painted.pixels[CHANNELS * at + ink]! - data[4 * at + ink]! / 255),
            `${blend}, ink ${ink} at ${dx}`,
          ).toBeLessThan(0.02);
      }
    }
  });

  it('is told of by place where it is more than the paper takes', async () => {
    const of = page();
    const { list } = await measured(of);
    const { shaper } = await composerFor(of);
    const found = measurePage(list, undefined, { face: (id) => shaper.face(id), pixels: () => undefined }, 2.4);
    expect(found.spots).toHaveLength(1);
    const { box, most } = found.spots[0]!;
    expect(most).toBeCloseTo(3.1, 1);
    // What the tilted panel over it leaves of the ellipse.
    expect(box.x).toBeGreaterThan(115);
    expect(box.y).toBeGreaterThan(335);
    expect(box.x + box.w).toBeLessThan(245);
    expect(box.y + box.h).toBeLessThan(425);
  });
});

describe('a table of inks', () => {
  const lights = Array.from({ length: 400 }, (_, i) => [(i * 97) % 256, (i * 57 + 31) % 256, (i * 151 + 7) % 256] as const);

  const offBy = async (table: InkTable, profile: string): Promise<{ worst: number; mean: number }> => {
    const exact = await sharp(Buffer.from(lights.flat()), { raw: { width: 20, height: 20, channels: 3 } })
      .pipelineColourspace('rgb16')
      .toColourspace('cmyk')
      .withIccProfile(profile, { attach: false })
      .raw({ depth: 'uchar' })
      .toBuffer();
    const out = new Float32Array(4);
    let [worst, sum] = [0, 0];
    lights.forEach(([r, g, b], i) => {
      inksOf(table, r, g, b, out);
      for (let ink = 0; ink < 4; ink++) {
        const off = Math.abs(out[ink]! - exact[4 * i + ink]!) / 255;
        sum += off;
        worst = Math.max(worst, off);
      }
    });
    return { worst, mean: sum / (4 * lights.length) };
  };

  it('says what the profile says, between its steps too', async () => {
    const { worst, mean } = await offBy(await inkTable(), 'cmyk');
    expect(mean).toBeLessThan(0.01);
    expect(worst).toBeLessThan(0.08);
  });

  it('is read off a profile that was brought in; one of a screen, and what is none, are refused', async () => {
    const press = '/usr/share/color/icc/ghostscript/default_cmyk.icc';
    const table = await readInkTable('press.icc', new Uint8Array(await readFile(press)));
    expect((await offBy(table, press)).mean).toBeLessThan(0.01);
    const screen = new Uint8Array(await readFile('/usr/share/color/icc/ghostscript/srgb.icc'));
    await expect(readInkTable('screen.icc', screen)).rejects.toThrow(
      '“screen.icc” is a profile, but not of a press with four inks.',
    );
    await expect(readInkTable('x.icc', Uint8Array.of(1, 2, 3))).rejects.toThrow('“x.icc” is no colour profile.');
  });
});
