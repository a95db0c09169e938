import type { PressSheet, SheetSide } from '@/core/handoff/imposition';
import { type LaidCell, laidSheet, type PressLayout } from '@/core/handoff/pressSheet';
import type { Sheet } from '@/core/handoff/sheets';
import type { PdfHead } from './metadata';
import { figure, type PageStream } from './pageStream';
import { painted, type PdfPurpose, type PdfSources } from './painter';

/**
 * Paints pages on the sheets of a press, front and back, two pages of the PDF a sheet: PDF/X-4 like the pages themselves, each of
 * which is written once as a form and drawn where it lies.
 *
 * @param pages in their order
 * @param onto the paper they are made to fit, without marks: to be printed at home
 */
export function paintImposed(
  pages: readonly Sheet[],
  sheets: readonly PressSheet[],
  layout: PressLayout,
  head: PdfHead,
  purpose: Extract<PdfPurpose, { for: 'print' }>,
  sources: PdfSources,
  onto?: PaperSize,
): Promise<Uint8Array> {
  return painted(pages, head, purpose, sources, async (painter) => {
    const forms: string[] = [];
    for (const page of pages) {
      forms.push(await painter.form(page));
      await sources.progress?.(forms.length, pages.length);
    }
    const labels: string[] = [];
    for (const [i, sheet] of sheets.entries())
      for (const which of ['front', 'back'] as const) {
        const label = `Sheet ${i + 1} of ${sheets.length}, ${which}`;
        labels.push(label);
        await drawSide(painter, sheet[which], layout, forms, label, onto);
      }
    return labels;
  });
}

async function drawSide(
  painter: Parameters<Parameters<typeof painted>[4]>[0],
  side: SheetSide,
  layout: PressLayout,
  forms: readonly string[],
  label: string,
  onto: PaperSize | undefined,
): Promise<void> {
  const sheet = laidSheet(side, layout);
  if (onto) {
    // Laid on a sheet of a home printer, as large as it goes.
    const scale = Math.min(onto.width / sheet.width, onto.height / sheet.height);
    const [x, y] = [(onto.width - scale * sheet.width) / 2, (onto.height - scale * sheet.height) / 2];
    await painter.pressSheet(onto.width, onto.height, (stream) => {
      stream.raw(`q ${[scale, 0, 0, scale, x, y].map(figure).join(' ')} cm`);
      drawCells(stream, sheet, layout, forms);
      stream.raw('Q');
    });
    return;
  }
  const words = { words: label, x: layout.margin + 12, baseline: sheet.height - layout.gripper - 6 };
  await painter.pressSheet(
    sheet.width,
    sheet.height,
    (stream) => {
      drawCells(stream, sheet, layout, forms);
      drawMarks(stream, sheet, layout);
    },
    words,
  );
}

function drawCells(stream: PageStream, sheet: ReturnType<typeof laidSheet>, layout: PressLayout, forms: readonly string[]): void {
  for (const cell of sheet.cells) {
    const form = cell.page === undefined ? undefined : forms[cell.page - 1];
    if (form) drawCell(stream, cell, layout, form, sheet.height);
  }
}

/** A page on its place: turned where its head is down, and moved towards its spine. */
function drawCell(stream: PageStream, cell: LaidCell, { width, height }: PressLayout, form: string, sheetHeight: number): void {
  const { clip, turned, creep } = cell;
  const dx = (cell.column % 2 === 0 ? 1 : -1) * creep;
  const left = cell.x + dx;
  const foot = sheetHeight - cell.y - height;
  const matrix = turned ? [-1, 0, 0, -1, left + width, foot + height] : [1, 0, 0, 1, left, foot];
  const box = [clip.x, sheetHeight - clip.y - clip.h, clip.w, clip.h].map(figure).join(' ');
  stream.raw(`q ${box} re W n ${matrix.map(figure).join(' ')} cm /${form} Do Q`);
}

/** A sheet of paper, points. */
export interface PaperSize {
  readonly width: number;
  readonly height: number;
}

const LENGTH = 12;
const FROM_TRIM = 10;

/** Where the sheet is cut and folded, on all plates, in the margin around the pages. */
function drawMarks(stream: PageStream, { width, height, cuts, folds }: ReturnType<typeof laidSheet>, layout: PressLayout): void {
  const { margin } = layout;
  const foot = height - layout.gripper;
  const across = (x: number) => {
    stream.stroke(x, margin - FROM_TRIM - LENGTH, x, margin - FROM_TRIM);
    stream.stroke(x, foot - margin + FROM_TRIM, x, foot - margin + FROM_TRIM + LENGTH);
  };
  const down = (y: number) => {
    stream.stroke(margin - FROM_TRIM - LENGTH, y, margin - FROM_TRIM, y);
    stream.stroke(width - margin + FROM_TRIM, y, width - margin + FROM_TRIM + LENGTH, y);
  };
  stream.raw('q /All CS 1 SCN 0.25 w');
  cuts.across.forEach(across);
  cuts.down.forEach(down);
  stream.raw('[2 1.5] 0 d');
  folds.across.forEach(across);
  folds.down.forEach(down);
  if (layout.gripper > 0) stream.stroke(0, foot, width, foot);
  stream.raw('[] 0 d Q');
}
