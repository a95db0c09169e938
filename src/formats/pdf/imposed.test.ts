import { readFile } from 'node:fs/promises';
import { PDFDocument } from '@cantoo/pdf-lib';
import { beforeAll, describe, expect, it } from 'vitest';
import { baseRecords, document, textFrame, textRecord } from '../../../tests/support/documents';
import { composerFor } from '../../../tests/support/faces';
import { filed, pdfWords, ran, type PdfWord } from '../../../tests/support/programs';
import { imposed } from '@/core/handoff/imposition';
import { HOME_PAPER, pressPlan } from '@/core/handoff/pressPlan';
import { laidSheet } from '@/core/handoff/pressSheet';
import { singlePages } from '@/core/handoff/sheets';
import { WAYS } from '@/core/handoff/ways';
import { placedPages } from '@/core/page/pages';
import { plainBody } from '@/core/records/body';
import { paintImposed } from './imposed';
import { withPress } from './press';
import { NO_MARKS } from './printersMarks';

const PAGES = 8;
const pages = { count: PAGES, width: 400, height: 600, bleed: 9 };
/** Where the word of every page stands, from its trim. */
const AT = { x: 50, y: 48 };

const doc = document(
  ...baseRecords(PAGES),
  ...Array.from({ length: PAGES }, (_, i) => [
    textRecord(`t${i}`, plainBody('body', `Leaf${i + 1}`)),
    textFrame(`f${i}`, `t${i}`, `p${i + 1}`, { ...AT, w: 200, h: 40 }),
  ]).flat(),
);

async function made(choices: typeof WAYS.sheets.usual): Promise<{ path: string; words: PdfWord[] }> {
  const { composer, shaper } = await composerFor(doc);
  const lists = composer.compose(doc).pages;
  const { sheets, layout } = pressPlan(pages, choices);
  const face = shaper.face('SourceSerif4-400');
  const bytes = await withPress(undefined, (press) =>
    paintImposed(
      singlePages(
        lists,
        placedPages(doc).map(({ folio }) => folio),
      ),
      sheets,
      layout,
      { title: 'Sheets', author: '', language: 'en-GB', at: new Date(0) },
      {
        for: 'print',
        marks: NO_MARKS,
        press,
        slug: (label) => ({ words: label, face, shaped: shaper.with(face.id, '', 'en').shape(label) }),
      },
      {
        face: (id) => shaper.face(id),
        picture: () => {
          throw new Error('There is no picture.');
        },
        bytes: () => Promise.reject(new Error('There is no picture.')),
        order: (items) => items,
      },
      choices.onto === 'home' ? HOME_PAPER : undefined,
    ),
  );
  const path = await filed('sheets.pdf', bytes);
  return { path, words: await pdfWords(path) };
}

describe('imposed sheets', () => {
  const choices = { ...WAYS.sheets.usual, signature: 8 as const, thickness: 3 };
  let pdf: { path: string; words: PdfWord[] };
  beforeAll(async () => (pdf = await made(choices)));

  it('are well formed PDF/X-4, front and back, each page once', async () => {
    expect((await ran('qpdf', ['--check', pdf.path])).code).toBe(0);
    expect((await PDFDocument.load(await readFile(pdf.path))).getPageCount()).toBe(2);
    const leaves = pdf.words.filter(({ text }) => text.startsWith('Leaf')).map(({ text, page }) => `${page} ${text}`);
    expect(leaves.sort()).toEqual(['1 Leaf1', '1 Leaf4', '1 Leaf5', '1 Leaf8', '2 Leaf2', '2 Leaf3', '2 Leaf6', '2 Leaf7']);
  });

  // Reference: poppler, which says where each page’s word is; worked by hand from the place of its page.
  it('have each page where its place is: its head down where it is turned, and moved to the spine by what lies around it', () => {
    const { layout } = pressPlan(pages, choices);
    const [sheet] = imposed(PAGES, 'saddle', 8, choices.thickness);
    for (const [i, which] of (['front', 'back'] as const).entries()) {
      const laid = laidSheet(sheet![which], layout);
      for (const cell of laid.cells) {
        const word = pdf.words.find(({ page, text }) => page === i + 1 && text === `Leaf${cell.page}`)!;
        const creep = (cell.column % 2 === 0 ? 1 : -1) * cell.creep;
        if (cell.turned) {
          expect(word.right).toBeCloseTo(cell.x + creep + layout.width - AT.x, 0);
          expect(word.bottom).toBeLessThan(cell.y + layout.height - AT.y + 1);
          expect(word.bottom).toBeGreaterThan(cell.y + layout.height - AT.y - 14);
        } else {
          expect(word.x).toBeCloseTo(cell.x + creep + AT.x, 0);
          expect(word.top).toBeGreaterThan(cell.y + AT.y - 1);
          expect(word.top).toBeLessThan(cell.y + AT.y + 14);
        }
      }
    }
  });

  it('say which sheet and side they are', () => {
    const said = pdf.words.filter(({ page }) => page === 2).map(({ text }) => text);
    expect(said.join(' ')).toContain('Sheet 1 of 1, back');
  });

  it('for home are as large as the paper takes, two pages to a side', async () => {
    const { path, words } = await made({ ...choices, onto: 'home' });
    const { out } = await ran('pdfinfo', [path]);
    expect(out).toMatch(/Pages:\s+4/);
    expect(out).toMatch(/A4/);
    const scale = Math.min(HOME_PAPER.width / 800, HOME_PAPER.height / 600);
    const one = words.find(({ text }) => text === 'Leaf1')!;
    expect(one.x).toBeCloseTo(HOME_PAPER.width / 2 + scale * AT.x, 0);
  });
});
