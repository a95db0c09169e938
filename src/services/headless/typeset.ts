import { documentOf, get } from '@/core/records/document';
import type { DocumentRecord } from '@/core/records/index';
import type { ParagraphProperties } from '@/core/records/paragraphStyle';
import { docOf } from '@/core/records/body';
import { putFrame } from '@/core/actions/frames';
import { Edit } from '@/core/actions/edit';
import { flow } from '@/core/actions/stories';
import type { Line, PageList } from '@/core/compose/displayList/displayList';
import { inReadingOrder } from '@/core/compose/displayList/readingOrder';
import { lineText } from '@/core/compose/displayList/lineText';
import { pageGrid } from '@/core/page/grid';
import { placedPages, formatOf } from '@/core/page/pages';
import { COPY_STYLES } from '@/core/plan/copyStyles';
import { bodyBlocks } from '@/formats/copy/story';
import type { Copy } from '@/formats/copy/blocks';
import { facesOf } from '@/core/compose/paragraph/faces';
import { composerFor, loadFaces } from '@/formats/faces/files';
import { paintPdf } from '@/formats/pdf/painter';
import { singlePages } from '@/core/handoff/sheets';
import type { PictureFacts } from '@/formats/pictures/read';
import { OptionError, type RenderOptions } from './options';
import { NO_STYLE_FILE, type StyleFile } from './styleFile';

/** A line as `--lines` tells of it; lengths in points, y from the top of the page to the baseline. */
export interface LineReport {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  /** As a share of the face's own word space. */
  readonly wordSpace: number;
  readonly hyphenated: boolean;
}

export interface LinesReport {
  readonly pages: readonly { readonly number: number; readonly columns: readonly { readonly lines: readonly LineReport[] }[] }[];
}

/** A picture to be set beside the text, read and with its bytes. */
export interface RenderPicture {
  readonly facts: PictureFacts;
  readonly bytes: Uint8Array;
}

/**
 * Typesets copy on a grid, with pages as needed, by the same actions and composer as the desk.
 * @throws OptionError when the picture has no outline to wrap around, or the text cannot be placed
 */
export async function typeset(
  copy: Copy,
  options: RenderOptions,
  picture: RenderPicture | undefined,
  more: StyleFile = NO_STYLE_FILE,
): Promise<{ pdf: Uint8Array; lines: LinesReport }> {
  const document = documentOf(records(options, more));
  const { composer, shaper } = await composerFor(document);
  const edit = new Edit(document);
  const [first] = placedPages(document);
  const grid = pageGrid(formatOf(document), first!.master, first!.side);

  if (picture && options.picture) {
    const { at, wrap, standOff } = options.picture;
    const { outlines } = picture.facts;
    const outline = outlines.alpha ? 'alpha' : 'background';
    if (wrap === 'outline' && !outlines[outline])
      throw new OptionError('The picture has no outline: it has no transparency, and its background is not plain.');
    edit.put({ id: 'picture', kind: 'picture', order: 'a0', blob: '0'.repeat(64), ...picture.facts });
    putFrame(
      edit,
      'page',
      at,
      { type: 'picture', picture: 'picture', fit: 'fit' },
      { mode: wrap, standOff, outline, ...more.wrap },
      more.picture,
    );
  }
  edit.put({ id: 'text', kind: 'text', role: 'body', body: docOf(bodyBlocks(copy)) });
  const frame = putFrame(
    edit,
    'page',
    { ...grid.area, h: Math.max(1, grid.lines) * grid.step },
    {
      type: 'text',
      text: 'text',
      order: 'a0',
      columns: options.columns,
      gutter: options.gutter,
      inset: 0,
      grows: false,
      ignoresWraps: false,
      align: 'top',
      ...more.text,
    },
    undefined,
    more.frame,
  );
  // The text may hold characters that its own faces lack.
  await loadFaces(shaper, facesOf(edit.document));
  flow(edit, 'text', frame, composer);

  const { pages } = composer.compose(edit.document);
  const pdf = await paintPdf(
    singlePages(
      pages,
      placedPages(edit.document).map(({ folio }) => folio),
    ),
    { title: options.input.split(/[\\/]/).at(-1)!, author: '', language: options.language, at: new Date() },
    { for: 'screen', document: edit.document },
    {
      face: (id) => shaper.face(id),
      picture: (id) => get(edit.document, 'picture', id),
      bytes: async () => picture!.bytes,
      order: (items) => inReadingOrder(edit.document, items),
    },
  );
  return { pdf, lines: report(pages) };
}

function records(options: RenderOptions, { paragraphs, characters, swatches }: StyleFile): DocumentRecord[] {
  const { font, size, leading, align, breaking, hyphens } = options;
  const body: Partial<ParagraphProperties> = { family: font, size, leading, align, breaking, hyphens };
  const style = (id: string, properties: Partial<ParagraphProperties>, basedOn?: string): DocumentRecord => ({
    id,
    kind: 'paragraphStyle',
    name: id,
    ...(basedOn ? { basedOn } : {}),
    properties: { ...properties, ...paragraphs[id] },
  });
  return [
    { id: 'issue', kind: 'issue', publication: '', number: '', season: '', date: '2000-01-01', language: options.language },
    {
      id: 'format',
      kind: 'format',
      ...options.page,
      bleed: 0,
      safe: 0,
      facing: true,
      firstSide: 'right',
      baseline: { step: leading, offset: 0 },
    },
    {
      id: 'master',
      kind: 'master',
      name: 'master',
      margins: options.margins,
      columns: options.columns,
      gutter: options.gutter,
      textSpan: 1,
    },
    { id: 'page', kind: 'page', order: 'a0', master: 'master' },
    { id: 'ink', kind: 'swatch', name: 'ink', cmyk: [0, 0, 0, 1] },
    ...Object.entries(swatches).map(([id, cmyk]): DocumentRecord => ({ id, kind: 'swatch', name: id, cmyk })),
    ...Object.entries(characters).map(([id, own]): DocumentRecord => ({ id, kind: 'characterStyle', name: id, properties: own })),
    style(COPY_STYLES.body, body),
    style(COPY_STYLES.first, {}, COPY_STYLES.body),
    style(COPY_STYLES.list, {}, COPY_STYLES.body),
    style(COPY_STYLES.quotation, {}, COPY_STYLES.body),
    style(COPY_STYLES.heading, { weight: 700, hyphens: false, keepNext: 2 }, COPY_STYLES.body),
  ];
}

const round = (value: number) => Math.round(value * 1000) / 1000;

/** A line with all that stands on it: a bullet or number hangs out to the left of the text. */
function lineReport(line: Line): LineReport {
  const x = line.x + Math.min(0, line.runs[0]?.x ?? 0);
  return {
    text: lineText(line),
    x: round(x),
    y: round(line.baseline),
    width: round(line.natural + line.x - x),
    wordSpace: Math.round(line.wordSpace * 10000) / 10000,
    hyphenated: line.hyphenated,
  };
}

function report(pages: readonly PageList[]): LinesReport {
  return {
    pages: pages.map((page) => ({
      number: page.number,
      columns: page.items.flatMap((item) =>
        item.type === 'text'
          ? item.columns.map((column) => ({
              lines: column.lines.map(lineReport),
            }))
          : [],
      ),
    })),
  };
}
