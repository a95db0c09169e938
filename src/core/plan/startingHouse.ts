import { jumpBodies } from '../actions/threads';
import type { PublicationKind } from '../records/publicationKind';
import { growingText, NO_WRAP } from '../actions/frames';
import { mm } from '../length/length';
import { marginText } from '../page/furniture';
import { docOf } from '../records/body';
import { USUAL_CAPTIONS } from '../properties/captions';
import { type Paper, USUAL_LIMITS } from '../properties/print';
import { noDetails } from '../records/details';
import { snappedBottom, USUAL_MARGINS } from '../page/practice';
import type { DocumentRecord, FormatRecord, MasterRecord, PageRecord, ProfileRecord } from '../records/index';
import { textLayout } from '../records/frame';
import { pageGrid, stretchBox } from '../page/grid';
import { type Role, ROLES } from '../records/swatch';
import { textIn } from '../records/kinds/frames';
import type { Design } from './designs/design';
import { finishingOf, furnitureOf } from './designs/finishing';
import { designOf } from './designs/index';
import { Layout } from './designs/layout';
import { stylesOf } from './designs/styles';

/** What of a design a house begins with. */
export interface Start {
  /** Which of its kind's designs; the most usual when not said. */
  readonly design?: string | undefined;
  /** Only a format, a grid and styles: masters are empty, and there are no recurring pages. */
  readonly blank?: boolean | undefined;
  /** Recurring pages to take, by id; all when not said. */
  readonly pages?: readonly string[] | undefined;
  /** Which of its palettes is in use, from 0. */
  readonly palette?: number | undefined;
}

/** What each kind is usually printed on (common practice). */
const PAPER_OF: Readonly<Record<PublicationKind, Paper>> = {
  magazine: 'coated',
  newsletter: 'uncoated',
  newspaper: 'newsprint',
};

/**
 * The house that a publication of a kind begins with: a format with its grid, masters with a running head, folios and a
 * flow area, recurring pages with slots, the styles that copy is set in, finishes, furniture, and three palettes. Everything in it is
 * meant to be changed.
 */
export function startingHouse(
  kind: PublicationKind,
  language: string,
  { design: id, blank = false, pages, palette = 0 }: Start = {},
): DocumentRecord[] {
  const design = designOf(kind, id);
  const { width, height, columns, gutter, textSpan, leading } = design;
  const format: FormatRecord = {
    id: 'format',
    kind: 'format',
    width,
    height,
    bleed: mm(3),
    safe: mm(5),
    facing: true,
    firstSide: 'right',
    baseline: { step: leading, offset: 0 },
    captions: { ...USUAL_CAPTIONS, credit: kind === 'magazine' ? 'under' : 'end' },
  };
  const margins = { ...USUAL_MARGINS, ...design.margins };
  const snapped = { ...margins, bottom: snappedBottom(format, margins).bottom };
  const master = (own: string, name: string): MasterRecord => ({
    id: own,
    kind: 'master',
    name,
    margins: snapped,
    columns,
    gutter,
    textSpan,
  });
  const [text, plain] = [master('text', 'Text'), master('plain', 'Plain, no folio')];
  const profile: ProfileRecord = { id: 'profile', kind: 'profile', ...USUAL_LIMITS[PAPER_OF[kind]] };
  const records = [
    noDetails(language),
    profile,
    format,
    text,
    plain,
    ...swatches(design, palette),
    ...stylesOf(design),
    ...finishingOf(design),
  ];
  // Blank pages are all on one master: what is set for it is set for them.
  if (blank) return records.filter((record) => record !== plain);
  return [
    ...records,
    ...(kind === 'newspaper' ? jumpLines() : []),
    ...furnitureOf(design),
    ...marginTexts(format, text),
    ...flowArea(format, text),
    ...taken(recurringPages(design, format, text, plain), pages),
  ];
}

/** The recurring pages of a design, in the order of the house. */
function recurringPages(design: Design, format: FormatRecord, text: MasterRecord, plain: MasterRecord): DocumentRecord[] {
  const pages: Layout[] = [];
  const page = (id: string, name: string, recurs: PageRecord['recurs'], on: MasterRecord) => {
    // Records of all kinds share one space of ids: a page “contents” must not be the style of that name.
    const layout = new Layout(format, on, pages.length, `page-${id}`, { name, ...(recurs ? { recurs } : {}) });
    pages.push(layout);
    return layout;
  };
  design.pages(page, text, plain);
  return pages.flatMap(({ records }) => records);
}

/** A newspaper's stories jump: it says where they go on, and where they come from (common practice). */
function jumpLines(): DocumentRecord[] {
  const { to, from } = jumpBodies('jumpLine');
  return [
    { id: 'jump-to', kind: 'text', role: 'furniture', body: to },
    { id: 'jump-from', kind: 'text', role: 'furniture', body: from },
  ];
}

/** Recurring pages with what lies on them, as far as they are wanted. */
function taken(records: readonly DocumentRecord[], pages: readonly string[] | undefined): DocumentRecord[] {
  if (pages === undefined) return [...records];
  const dropped = new Set(records.flatMap((record) => (record.kind === 'page' && !pages.includes(record.id) ? [record.id] : [])));
  const frames = records.flatMap((record) => (record.kind === 'frame' && dropped.has(record.on) ? [record] : []));
  const gone = new Set(frames.flatMap((frame) => [frame.id, textIn(frame) ?? frame.id]));
  return records.filter(({ id }) => !dropped.has(id) && !gone.has(id));
}

/** Running text takes the whole type area of left and right pages. */
function flowArea(format: FormatRecord, text: MasterRecord): DocumentRecord[] {
  return (['left', 'right'] as const).map((side, i): DocumentRecord => {
    const grid = pageGrid(format, text, side);
    return {
      id: `flow-${side}`,
      kind: 'frame',
      on: text.id,
      side,
      box: stretchBox(grid, { columns: [1, text.columns], lines: [1, grid.lines] }),
      order: `a${4 + i}`,
      content: {
        type: 'slot',
        takes: 'flow',
        set: 'flow',
        name: 'Flow area',
        order: `a${i}`,
        layout: textLayout({ columns: Math.max(1, Math.floor(text.columns / text.textSpan)), gutter: text.gutter }),
      },
      wrap: NO_WRAP,
    };
  });
}

const NAMES: Readonly<Record<Role, string>> = {
  ink: 'Ink',
  paper: 'Paper',
  accent1: 'Accent 1',
  accent2: 'Accent 2',
  tint: 'Tint',
};

function swatches({ palettes }: Design, inUse: number): DocumentRecord[] {
  const colours = (palettes[inUse] ?? palettes[0]!)[1];
  return [
    ...ROLES.map((role): DocumentRecord => ({ id: role, kind: 'swatch', name: NAMES[role], cmyk: colours[role], role })),
    ...palettes.map(([name, own], i): DocumentRecord => ({ id: `palette-${i + 1}`, kind: 'palette', name, colours: own })),
  ];
}

/** Folios below the type area, outside; above it the publication's name on the left and the issue on the right. */
function marginTexts(format: FormatRecord, master: MasterRecord): DocumentRecord[] {
  const places = (['folio', 'runningHead'] as const).flatMap((what) =>
    (['left', 'right'] as const).map((side) => [what, side] as const),
  );
  return places.flatMap(([what, side], i): DocumentRecord[] => {
    const { box, paragraph } = marginText(format, master, side, what);
    const id = `${what === 'folio' ? 'folio' : 'head'}-${side}`;
    return [
      { id: `${id}-text`, kind: 'text', role: 'furniture', body: docOf([paragraph]) },
      { id, kind: 'frame', on: master.id, side, box, order: `a${i}`, content: growingText(`${id}-text`), wrap: NO_WRAP },
    ];
  });
}
