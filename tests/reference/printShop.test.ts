import { readFile } from 'node:fs/promises';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { plainBody } from '@/core/records/body';
import { examined, type Ticket } from '../../standIns/press/examining';
import { baseRecords, document, pictureFrame, pictureRecord, textFrame, textRecord } from '../support/documents';
import { madePdf, type PdfAsked } from '../support/pdf';

/** The print shop that ships looks at files on its own: what is right passes, and what is wrong is told page by page. */

const doc = document(
  ...baseRecords(4),
  pictureRecord('pic', { media: 'image/jpeg', width: 900, height: 600 }),
  textRecord('text', plainBody('body', 'What goes on press.')),
  textFrame('f', 'text', 'p1', { x: 50, y: 48, w: 300, h: 60 }),
  pictureFrame('pf', 'pic', 'p3', { x: 50, y: 200, w: 300, h: 200 }),
);

const TICKET: Ticket = { title: 'Longspar 14', pages: 4, trim: { width: 141.11, height: 211.67 }, bleed: 3.18, spotInks: [] };

let photo: Uint8Array;
beforeAll(async () => {
  photo = await sharp({ create: { width: 900, height: 600, channels: 3, background: '#a63' } })
    .jpeg()
    .toBuffer();
});

const said = async (asked: PdfAsked, ticket: Partial<Ticket> = {}, bytes = photo) => {
  const { path } = await madePdf(doc, { bytes: () => Promise.resolve(bytes), ...asked });
  return examined(new Uint8Array(await readFile(path)), { ...TICKET, ...ticket });
};

describe('a print shop', () => {
  it('takes our print PDF, with marks and without', async () => {
    expect(await said({ for: 'print' })).toEqual([]);
    expect(await said({ for: 'print', marks: { crop: true, strip: true, slug: true } })).toEqual([]);
  });

  it('sends a screen PDF back, and says why, page by page', async () => {
    const problems = await said({ for: 'screen' });
    expect(problems).toContainEqual({ words: 'The file does not say that it is PDF/X.' });
    expect(problems.filter(({ words }) => words.includes('bleed')).map(({ page }) => page)).toEqual([1, 2, 3, 4]);
    expect(problems).toContainEqual({ page: 3, words: 'A picture is in colours of light (RGB).' });
  });

  it('sees a ticket that says otherwise, and pictures that are too coarse', async () => {
    expect(await said({ for: 'print' }, { pages: 8 })).toEqual([{ words: 'The ticket says 8 pages, and the file has 4.' }]);
    const cut = await said({ for: 'print' }, { trim: { width: 210, height: 297 } });
    expect(cut[0]).toEqual({ page: 1, words: 'It is cut to 141.1 × 211.7 mm, not to 210 × 297 mm.' });
    const coarse = await sharp(photo).resize({ width: 300 }).jpeg().toBuffer();
    expect(await said({ for: 'print' }, {}, coarse)).toEqual([
      { page: 3, words: expect.stringMatching(/^A picture has 7\d ppi/) as string },
    ]);
  });

  it('says of what is no PDF that it is none', async () => {
    expect(await examined(new TextEncoder().encode('hello'), TICKET)).toEqual([
      { words: 'The file is no PDF, or a damaged one.' },
    ]);
  });
});
