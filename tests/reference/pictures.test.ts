import { execFile } from 'node:child_process';
import { mkdtemp, readFile, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PDFDocument, rgb as light, cmyk as inks, degrees, StandardFonts } from '@cantoo/pdf-lib';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import type { PictureRecord } from '@/core/records/index';
import { effectiveResolution, placedPicture } from '@/core/pictures/placing';
import { coloursOfPage } from '@/formats/pictures/pdfColours';
import { readPicture } from '@/formats/pictures/read';
import { baseRecords, document, pictureFrame } from '../support/documents';
import { madePdf, type PdfAsked } from '../support/pdf';
import { filed, ran } from '../support/programs';

/**
 * Pictures against those who read the same files: `exiftool` (metadata), libvips through `sharp` (pixels), poppler's
 * `pdfimages` and `pdftocairo`, and Ghostscript (what a PDF of ours holds).
 */

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'kite-'));
});

/** A picture in which every pixel is another: nothing can be lost or turned unseen. */
function gradient(width: number, height: number, channels: 1 | 3 | 4, deep = false): Buffer {
  const count = width * height * channels;
  const out = deep ? Buffer.alloc(2 * count) : Buffer.alloc(count);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      for (let c = 0; c < channels; c++) {
        const value = ((x * (c + 3) + y * (5 - c)) * 97) % 65_536;
        const at = (y * width + x) * channels + c;
        if (deep) out.writeUInt16LE(value, 2 * at);
        else out[at] = value >> 8;
      }
  return out;
}

const raw = (width: number, height: number, channels: 1 | 3 | 4, deep = false) =>
  sharp(
    deep ? new Uint16Array(new Uint8Array(gradient(width, height, channels, true)).buffer) : gradient(width, height, channels),
    {
      raw: { width, height, channels },
    },
  );

/** Four inks as they are: libvips takes four channels for three and transparency, and has to be told. */
async function inksTiff(width: number, height: number, profile: string | false = 'cmyk'): Promise<Buffer> {
  const source = raw(width, height, 3).toColourspace('cmyk');
  return (profile ? source.withIccProfile(profile) : source).tiff({ compression: 'lzw' }).toBuffer();
}

/** A profile of a press that is not the usual one: Ghostscript’s own. */
const PRESS_PROFILE = '/usr/share/color/icc/ghostscript/default_cmyk.icc';

/** A file that belongs to a page of 400 × 600 pt, in a box of 200 pt, written out as PDF. */
async function printed(bytes: Uint8Array, purpose: PdfAsked['for'] = 'print', box = { x: 50, y: 60, w: 200, h: 200 }, turn = 0) {
  const { facts, drawing } = await readPicture('picture', bytes);
  const record: PictureRecord = { id: 'pic', kind: 'picture', order: 'a0', blob: '0'.repeat(64), ...facts };
  const frame = pictureFrame('pf', 'pic', 'p1', box);
  const doc = document(
    ...baseRecords(1),
    record,
    turn === 0 ? frame : { ...frame, content: { ...frame.content, turn } as typeof frame.content },
  );
  const { path } = await madePdf(doc, { for: purpose, bytes: () => Promise.resolve(drawing ?? bytes) });
  return { path, facts, record };
}

interface Listed {
  readonly width: number;
  readonly height: number;
  readonly color: string;
  readonly comp: number;
  readonly bpc: number;
  readonly enc: string;
  readonly xppi: number;
}

/** What `pdfimages -list` says of the pictures in a PDF. */
async function listed(path: string): Promise<Listed[]> {
  const { out } = await ran('pdfimages', ['-list', path]);
  return out
    .split('\n')
    .slice(2)
    .filter((line) => line.trim() !== '')
    .map((line) => line.trim().split(/\s+/))
    .map(([, , , width, height, color, comp, bpc, enc, , , , xppi]) => ({
      width: Number(width),
      height: Number(height),
      color: color!,
      comp: Number(comp),
      bpc: Number(bpc),
      enc: enc!,
      xppi: Number(xppi),
    }));
}

const bytesOut = (program: string, args: readonly string[]): Promise<Buffer> =>
  new Promise((resolve, reject) =>
    execFile(program, args, { encoding: 'buffer', maxBuffer: 1 << 28 }, (error, out) => (error ? reject(error) : resolve(out))),
  );

describe('pictures that come in', () => {
  it('have the size, colours, bits and profile that exiftool reads', async () => {
    const files: readonly [string, Buffer][] = [
      ['plain.jpg', await raw(60, 40, 3).jpeg().toBuffer()],
      ['deep.png', await raw(60, 40, 3, true).toColourspace('rgb16').png().toBuffer()],
      ['profiled.tif', await raw(60, 40, 3).withIccProfile('p3').tiff().toBuffer()],
      ['inks.tif', await inksTiff(60, 40)],
      ['grey.png', await raw(60, 40, 1).toColourspace('b-w').png().toBuffer()],
      ['small.avif', await raw(60, 40, 3).avif().toBuffer()],
      ['old.gif', await raw(60, 40, 3).gif().toBuffer()],
    ];
    for (const [name, bytes] of files) {
      const path = join(folder, name);
      await writeFile(path, bytes);
      const [said] = JSON.parse((await ran('exiftool', ['-j', '-n', path])).out) as [Record<string, string | number>];
      const { facts } = await readPicture(name, bytes);
      expect([facts.width, facts.height]).toEqual([said['ImageWidth'], said['ImageHeight']]);
      expect(facts.media).toBe(said['MIMEType']);
      expect(facts.profile).toBe(said['ProfileDescription']);
      const depth = Math.max(
        ...String(said['BitsPerSample'] ?? said['BitDepth'] ?? 8)
          .split(' ')
          .map(Number),
      );
      expect([name, facts.depth ?? 8]).toEqual([name, depth === 16 ? 16 : 8]);
    }
    expect((await readPicture('inks.tif', files[3]![1])).facts.colour).toBe('cmyk');
    expect((await readPicture('grey.png', files[4]![1])).facts.colour).toBe('grey');
  });

  it.each(['jpg', 'png', 'tif', 'webp'])('bring the words that exiftool wrote into a %s', async (ending) => {
    const path = join(folder, `words.${ending}`);
    await raw(60, 40, 3).toFile(path);
    const says = {
      '-XMP-dc:Description': 'The sheds at low water, über die Bucht',
      '-XMP-photoshop:Credit': 'Inge Sarrow',
      '-XMP-iptcCore:AltTextAccessibility': 'Two sheds on a grey shore',
      '-XMP-dc:Rights': 'Once, in print',
    };
    await ran('exiftool', ['-overwrite_original', ...Object.entries(says).map(([tag, value]) => `${tag}=${value}`), path]);
    expect((await readPicture(path, await readFile(path))).facts).toMatchObject({
      caption: 'The sheds at low water, über die Bucht',
      credit: 'Inge Sarrow',
      alternative: 'Two sheds on a grey shore',
      rights: 'Once, in print',
    });
  });

  it.each(['jpg', 'tif'])('bring IPTC words from a %s before those of EXIF', async (ending) => {
    const path = join(folder, `iptc.${ending}`);
    await raw(60, 40, 3).toFile(path);
    const says = [
      '-IPTC:Caption-Abstract=From the wire',
      '-IPTC:Credit=Packet',
      '-IPTC:CopyrightNotice=Packet 2026',
      '-EXIF:ImageDescription=Camera',
    ];
    await ran('exiftool', ['-overwrite_original', ...says, path]);
    expect((await readPicture(path, await readFile(path))).facts).toMatchObject({
      caption: 'From the wire',
      credit: 'Packet',
      rights: 'Packet 2026',
    });
  });

  it('of several pictures are the first, and that is said', async () => {
    const frames = await sharp(
      [
        { create: { width: 20, height: 20, channels: 3, background: 'red' } },
        { create: { width: 20, height: 20, channels: 3, background: 'blue' } },
      ] as never,
      { join: { animated: true } } as never,
    )
      .gif()
      .toBuffer();
    const { facts, notes } = await readPicture('moves.gif', frames);
    expect([facts.width, facts.height]).toEqual([20, 20]);
    expect(notes).toEqual(['“moves.gif” holds 2 pictures, one after another; the first of them was taken.']);
  });

  it('with a broken profile come without it, and that is said', async () => {
    const bytes = await raw(60, 40, 3).withIccProfile('p3').tiff().toBuffer();
    const at = bytes.indexOf('acsp');
    bytes.write('nope', at, 'latin1');
    const { facts, notes } = await readPicture('broken.tif', bytes);
    expect(facts.profile).toBeUndefined();
    expect(notes.join(' ')).toMatch(/profile of “broken.tif” is broken/);
  });

  it('have their subject in their focus', async () => {
    const scene = (x: number, y: number) =>
      sharp(
        Buffer.from(
          `<svg xmlns="http://www.w3.org/2000/svg" width="900" height="600"><rect width="900" height="600" fill="#9fb6c4"/><g transform="translate(${x} ${y})"><circle r="60" fill="#d8a070"/><circle cx="-20" cy="-12" r="7"/><circle cx="20" cy="-12" r="7"/><path d="M-25 22q25 20 50 0" stroke="#700" stroke-width="6" fill="none"/></g></svg>`,
        ),
      )
        .jpeg()
        .toBuffer();
    for (const [x, y] of [
      [200, 200],
      [700, 380],
      [450, 300],
    ] as const) {
      const { focus } = (await readPicture('face.jpg', await scene(x, y))).facts;
      expect(Math.abs(focus!.x * 900 - x)).toBeLessThan(110);
      expect(Math.abs(focus!.y * 600 - y)).toBeLessThan(110);
    }
  });
});

describe('pictures that are printed', () => {
  it('have the resolution that pdfimages finds', async () => {
    const bytes = await raw(500, 500, 3).jpeg().toBuffer();
    const { path, record } = await printed(bytes);
    const [image] = await listed(path);
    const box = { x: 50, y: 60, w: 200, h: 200 };
    const ours = effectiveResolution(record, placedPicture(box, record, { fit: 'fit' }).box);
    expect(Math.abs(image!.xppi - ours)).toBeLessThanOrEqual(1);
    expect(image).toMatchObject({ width: 500, height: 500, color: 'cmyk', comp: 4 });
  });

  it.each([
    ['their profile', PRESS_PROFILE, 'icc'],
    // ISO 15930-7, 6.2.4 (from memory): what is in the profile of the press itself is in its inks, and says no more.
    ['no profile where it is that of the press', 'cmyk', 'cmyk'],
  ])('in four inks keep every pixel and %s', async (_, profile, color) => {
    const bytes = await inksTiff(120, 80, profile);
    const { path } = await printed(bytes);
    expect((await listed(path))[0]).toMatchObject({ width: 120, height: 80, color, comp: 4, bpc: 8 });
    // Reference: qpdf, which hands out a picture’s pixels as they are stored.
    const [row] = (await ran('pdfimages', ['-list', path])).out.trim().split('\n').slice(2);
    const object = row!.trim().split(/\s+/)[10]!;
    await ran('sh', ['-c', `qpdf --show-object=${object} --filtered-stream-data "$0" > "$0.raw"`, path]);
    const given = await sharp(bytes).pipelineColourspace('cmyk').toColourspace('cmyk').raw().toBuffer();
    expect((await readFile(`${path}.raw`)).equals(given)).toBe(true);
  });

  it('in grey of sixteen bits keep them', async () => {
    const bytes = await raw(100, 60, 1, true).toColourspace('grey16').png().toBuffer();
    const { path, facts } = await printed(bytes);
    expect(facts).toMatchObject({ colour: 'grey', depth: 16 });
    expect((await listed(path))[0]).toMatchObject({ width: 100, height: 60, comp: 1, bpc: 16 });
  });

  it('lie turned as poppler shows them', async () => {
    const bytes = await sharp(
      Buffer.from(
        '<svg xmlns="http://www.w3.org/2000/svg" width="300" height="300"><rect width="300" height="300" fill="#fff"/><rect width="150" height="150" fill="#000"/></svg>',
      ),
    )
      .png()
      .toBuffer();
    const corner = async (turn: number) => {
      const { path } = await printed(bytes, 'screen', undefined, turn);
      const { data, info } = await sharp(await bytesOut('pdftocairo', ['-png', '-r', '72', '-singlefile', path, '-']))
        .greyscale()
        .raw()
        .toBuffer({ resolveWithObject: true });
      const at = (x: number, y: number) => data[(Math.round(y) * info.width + Math.round(x)) * info.channels]! < 128;
      return [at(80, 90), at(220, 90), at(220, 230), at(80, 230)].indexOf(true);
    };
    expect([await corner(0), await corner(90), await corner(180), await corner(-90)]).toEqual([0, 1, 2, 3]);
  });
});

describe('drawings', () => {
  const star =
    '<svg xmlns="http://www.w3.org/2000/svg" width="100" height="100"><path d="M50 5 95 95 5 35h90L5 95z" fill="#c03" fill-opacity=".8"/></svg>';

  async function drawnPdf(
    colour: 'rgb' | 'cmyk',
    more: { readonly pages?: number; readonly turned?: number; readonly password?: string } = {},
  ): Promise<Uint8Array> {
    const pdf = await PDFDocument.create();
    const font = await pdf.embedFont(StandardFonts.Helvetica);
    for (let i = 0; i < (more.pages ?? 1); i++) {
      const page = pdf.addPage([200, 100]);
      page.setRotation(degrees(more.turned ?? 0));
      page.drawRectangle({
        x: 0,
        y: 0,
        width: 50,
        height: 50,
        color: colour === 'rgb' ? light(0.8, 0.1, 0.1) : inks(0.2, 0.9, 0.1, 0.3),
      });
      page.drawText(`Page ${i + 1}`, {
        x: 70,
        y: 40,
        size: 18,
        font,
        color: colour === 'rgb' ? light(0, 0, 0) : inks(0, 0, 0, 1),
      });
    }
    return pdf.save();
  }

  /** Where the dark corner of the drawing is on our page: 0 top left, clockwise. */
  async function cornerOf(path: string, box: { x: number; y: number; w: number; h: number }): Promise<number> {
    const { data, info } = await sharp(await bytesOut('pdftocairo', ['-png', '-r', '144', '-singlefile', '-cropbox', path, '-']))
      .greyscale()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const ink = (fx: number, fy: number) =>
      data[(Math.round(2 * (box.y + fy * box.h)) * info.width + Math.round(2 * (box.x + fx * box.w))) * info.channels]! < 200;
    return [ink(0.1, 0.1), ink(0.9, 0.1), ink(0.9, 0.9), ink(0.1, 0.9)].indexOf(true);
  }

  it('stay lines in print, in inks, and in the PDF for screens', async () => {
    for (const bytes of [new TextEncoder().encode(star), await drawnPdf('rgb')])
      for (const purpose of ['print', 'screen'] as const) {
        const { path } = await printed(bytes, purpose);
        expect(await listed(path)).toEqual([]);
        const file = await readFile(path);
        expect(await coloursOfPage(file, 1)).toBe(purpose === 'print' ? 'cmyk' : 'rgb');
        expect((await ran('qpdf', ['--check', path])).code).toBe(0);
      }
  });

  it('keep their words and inks: what is in inks is not put into them again', async () => {
    const { path, facts } = await printed(await drawnPdf('cmyk'));
    expect(facts.colour).toBe('cmyk');
    expect((await ran('pdftotext', [path, '-'])).out).toContain('Page 1');
    const plain = (await ran('qpdf', ['--qdf', '--object-streams=disable', path, '-'])).out;
    expect(plain).toMatch(/0\.2 0\.9 0\.1 0\.3 k/);
  });

  it('stand as their pages ask to be turned', async () => {
    // Upright the square lies at the foot, on the left.
    const expected = [3, 0, 1, 2];
    for (const [i, turned] of [0, 90, 180, 270].entries()) {
      const bytes = await drawnPdf('rgb', { turned });
      const { facts } = await readPicture('turned.pdf', bytes);
      expect([facts.width, facts.height]).toEqual(turned % 180 === 0 ? [200, 100] : [100, 200]);
      const box = turned % 180 === 0 ? { x: 50, y: 60, w: 200, h: 100 } : { x: 50, y: 60, w: 100, h: 200 };
      const { path } = await printed(bytes, 'screen', box);
      // Our page has no bleed on a screen.
      expect([turned, await cornerOf(path, box)]).toEqual([turned, expected[i]]);
    }
  });

  it('of a PDF are one page, that which was chosen', async () => {
    const bytes = await drawnPdf('rgb', { pages: 600 });
    const first = await readPicture('long.pdf', bytes);
    expect(first.facts).toMatchObject({ page: 1, pages: 600, width: 200, height: 100 });
    expect(first.notes[0]).toMatch(/has 600 pages; this is the first/);
    expect((await readPicture('long.pdf', bytes, undefined, 600)).facts.page).toBe(600);
    await expect(readPicture('long.pdf', bytes, undefined, 601)).rejects.toThrow('has no page 601');
  });

  it('of EPS come as they would be printed', async () => {
    const eps =
      '%!PS-Adobe-3.0 EPSF-3.0\n%%BoundingBox: 0 0 120 60\n%%EndComments\n0 0.8 0.9 0.1 setcmykcolor 0 0 40 30 rectfill showpage\n%%EOF\n';
    const bytes = new TextEncoder().encode(eps);
    const { path, facts } = await printed(bytes);
    expect(facts).toMatchObject({ media: 'application/postscript', width: 120, height: 60, colour: 'cmyk' });
    expect(await listed(path)).toEqual([]);
    expect((await ran('qpdf', ['--qdf', '--object-streams=disable', path, '-'])).out).toMatch(/0? ?0?\.8\d* 0?\.9\d* 0?\.1\d* k/);
  });

  it('that do not end, are locked or broken are refused with a sentence', async () => {
    const loops = new TextEncoder().encode('%!PS-Adobe-3.0 EPSF-3.0\n%%BoundingBox: 0 0 10 10\n{ } loop\n');
    await expect(readPicture('loops.eps', loops)).rejects.toThrow('“loops.eps” takes too long to be drawn, so it was not taken.');
    const plain = await filed('plain.pdf', await drawnPdf('rgb'));
    const locked = plain.replace('plain', 'locked');
    await ran('qpdf', ['--encrypt', 'secret', 'owner', '256', '--', plain, locked]);
    await expect(readPicture('locked.pdf', await readFile(locked))).rejects.toThrow('is locked with a password');
    const cut = (await drawnPdf('rgb')).subarray(0, 300);
    await expect(readPicture('cut.pdf', cut)).rejects.toThrow('is damaged');
    await expect(
      readPicture(
        'writes.eps',
        new TextEncoder().encode('%!PS-Adobe-3.0 EPSF-3.0\n%%BoundingBox: 0 0 10 10\n(/etc/passwd) (r) file pop showpage\n'),
      ),
    ).rejects.toThrow('is damaged');
  }, 40_000);
});
