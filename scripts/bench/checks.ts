import { Checker } from '@/core/checks/checker';
import { Composer } from '@/core/compose/composer';
import { facesOf } from '@/core/compose/paragraph/faces';
import { Fitting } from '@/core/fit/fitting';
import { ALL_THERE } from '@/core/pictures/states';
import { measuring } from '@/core/print/measured';
import { plainBody } from '@/core/records/body';
import { type Document, documentOf } from '@/core/records/document';
import type { DocumentRecord, FrameRecord } from '@/core/records/index';
import { Shaper } from '@/core/type/shaper';
import { loadFaces } from '@/formats/faces/files';
import { PLAIN_TABLE } from '../../tests/support/checked';
import { picturePixels } from '@/core/print/picturePixels';
import { timed } from './measure';
import { AREA, PAGE, passage, threaded } from './texts';

/** Words of a story on one page, and of that which is made to fit. */
const A_PAGE = 520;
const FITTED = 1_500;

export interface CheckFigures {
  /** Milliseconds: composing 100 pages once, checking them from nothing, and after one edit. */
  readonly composing: number;
  readonly checking: number;
  readonly again: readonly number[];
  /** Measuring the ink of each page. */
  readonly measuring: readonly number[];
  /** Until the first mend of a story, and until all. */
  readonly firstMend: number;
  readonly allMends: number;
  readonly mends: number;
}

/** An issue of so many pages, each with a story, a picture and a caption’s worth of colour. */
export async function issueOf(pages: number): Promise<Document> {
  const paragraphs = await passage(A_PAGE * pages);
  const base = threaded(paragraphs.slice(0, 1));
  const order = (i: number) => `a${String(i).padStart(4, '0')}5`;
  const head = [...base.records.values()].filter(({ kind }) => !['page', 'frame', 'text', 'story'].includes(kind));
  const master = head.find(({ kind }) => kind === 'master')!.id;
  const records: DocumentRecord[] = [...head, { ...PICTURE }];
  for (let i = 0; i < pages; i++) {
    const own = paragraphs.slice(Math.floor((i * paragraphs.length) / pages), Math.floor(((i + 1) * paragraphs.length) / pages));
    records.push(
      { id: `p${i}`, kind: 'page', order: order(i), master },
      { id: `h${i}`, kind: 'text', role: 'headline', story: `s${i}`, body: plainBody('body', `Wind over wall ${i}`) },
      { id: `t${i}`, kind: 'text', role: 'body', story: `s${i}`, body: plainBody('body', ...own) },
      {
        id: `s${i}`,
        kind: 'story',
        name: `Story ${i}`,
        section: 'News',
        order: order(i),
        tint: i % 8,
        parts: { headline: `h${i}`, body: `t${i}` },
      },
      text(`f${i}`, `t${i}`, `p${i}`, { ...AREA, y: AREA.y + 60, h: AREA.h - 60 }, PAGE.columns),
      text(`fh${i}`, `h${i}`, `p${i}`, { ...AREA, h: 40 }, 1),
      {
        ...text(`fp${i}`, '', `p${i}`, { x: 230, y: 300, w: 160, h: 200 }, 1),
        content: { type: 'picture', picture: 'pic', fit: 'fill' },
        wrap: { mode: 'frame', standOff: 8, outline: 'alpha' },
        order: 'a6',
      },
    );
  }
  return documentOf(records);
}

const text = (id: string, of: string, on: string, box: FrameRecord['box'], columns: number): FrameRecord => ({
  id,
  kind: 'frame',
  on,
  side: 'both',
  box,
  order: 'a5',
  content: {
    type: 'text',
    text: of,
    order: 'a0',
    columns,
    gutter: PAGE.gutter,
    inset: 0,
    grows: false,
    ignoresWraps: false,
    align: 'top',
  },
  wrap: { mode: 'none', standOff: 0, outline: 'alpha' },
});

const PICTURE: DocumentRecord = {
  id: 'pic',
  kind: 'picture',
  name: 'Kite',
  order: 'a5',
  blob: 'ab'.repeat(32),
  media: 'image/jpeg',
  width: 1000,
  height: 1200,
  colour: 'rgb',
  transparent: false,
  outlines: {},
  caption: 'A kite',
  credit: 'Inge Sarrow',
  alternative: 'A kite',
};

/** Checks and Fit, in a process of their own. */
export async function checking(pages: number): Promise<CheckFigures> {
  const document = await issueOf(pages);
  const shaper = new Shaper();
  await loadFaces(shaper, facesOf(document));
  const face = (id: string) => shaper.face(id);
  // What is compiled when it begins is as in a browser in which somebody works.
  for (let i = 0; i < 2; i++) {
    const warm = new Composer(shaper).compose(document);
    new Checker().check(document, warm, { face, files: ALL_THERE, measured: () => undefined });
  }
  const composer = new Composer(shaper);
  const composing = timed(() => void composer.compose(document));
  const composed = composer.compose(document);
  const checker = new Checker();
  const sources = { face, files: ALL_THERE, measured: () => undefined };
  const checkTime = timed(() => void checker.check(document, composed, sources));
  const again: number[] = [];
  for (let i = 0; i < 30; i++) {
    const frame = document.records.get(`f${(7 * i) % pages}`) as FrameRecord;
    const now = { records: new Map(document.records).set(frame.id, { ...frame, box: { ...frame.box, h: frame.box.h - 13 } }) };
    const after = composer.compose(now);
    again.push(timed(() => void checker.check(now, after, sources)));
    checker.check(document, composer.compose(document), sources);
  }
  const rgba = Uint8Array.from({ length: 4 * 400 * 480 }, (_, i) => (i % 4 === 3 ? 255 : (i * 31) % 256));
  const pixels = picturePixels({ width: 400, height: 480, rgba }, undefined, PLAIN_TABLE);
  const inks: number[] = [];
  for (const list of composed.pages.slice(0, 40))
    inks.push(
      timed(() => {
        const steps = measuring(list, undefined, { face, pixels: () => pixels }, 3);
        while (!steps.next().done);
      }),
    );
  return { composing, checking: checkTime, again, measuring: inks.slice(10), ...(await fitting(shaper)) };
}

async function fitting(shaper: Shaper): Promise<Pick<CheckFigures, 'firstMend' | 'allMends' | 'mends'>> {
  const whole = threaded(await passage(FITTED));
  const frames = [...whole.records.values()].filter((record): record is FrameRecord => record.kind === 'frame');
  // Twelve lines of its last page are cut off.
  const last = frames.at(-1)!;
  const composer = new Composer(shaper);
  await loadFaces(shaper, facesOf(whole));
  const { room } = composer.compose(whole).fits.get('text')!;
  const less = (Math.floor(room / PAGE.columns) + 4) * PAGE.leading;
  const document = documentOf([
    ...[...whole.records.values()].filter(({ id }) => id !== last.id),
    { ...last, box: { ...last.box, h: Math.max(60, last.box.h - less) } },
    PICTURE,
    {
      ...text('fp', '', last.on, { x: 230, y: 80, w: 160, h: 120 }, 1),
      content: { type: 'picture', picture: 'pic', fit: 'fill' },
      wrap: { mode: 'frame', standOff: 8, outline: 'alpha' },
      order: 'a6',
    } as FrameRecord,
  ]);
  new Composer(shaper).compose(document);
  const own = new Composer(shaper);
  const from = performance.now();
  let first = 0;
  let count = 0;
  for (const mend of new Fitting(document, 'text', own).mends()) {
    if (!mend) continue;
    if (count++ === 0) first = performance.now() - from;
  }
  return { firstMend: first, allMends: performance.now() - from, mends: count };
}
