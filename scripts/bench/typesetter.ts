import { Composer } from '@/core/compose/composer';
import { facesOf } from '@/core/compose/paragraph/faces';
import { applied, type Diff, typing } from '@/core/records/diff';
import { documentOf, get, type Document } from '@/core/records/document';
import type { ParagraphProperties } from '@/core/records/paragraphStyle';
import type { Box } from '@/core/geometry/box';
import type { FrameRecord, PictureRecord } from '@/core/records/index';
import { paragraphsOf, stepped } from '@/core/records/body';
import { done } from '@/core/records/rebase';
import { selectionOf, type TextPlace } from '@/core/editing/places';
import { typeWords } from '@/core/editing/typing';
import { EditorState } from 'prosemirror-state';
import type { Node } from 'prosemirror-model';
import type { Step } from 'prosemirror-transform';
import { readFace, type Face } from '@/core/type/face';
import { Shaper } from '@/core/type/shaper';
import { facePath } from '@/formats/faces/files';
import { readFile } from 'node:fs/promises';
import { totalFit } from '@/core/compose/lines/totalFit';
import { preparedOf, type Item } from '../../tests/support/paragraphs';
import { timed } from './measure';
import { PAGE, passage, threaded } from './texts';

const faces = new Map<string, Face>();

/** A composer that remembers nothing yet; the face files are read already, as a browser has loaded its fonts. */
async function fresh(document: Document): Promise<Composer> {
  const shaper = new Shaper();
  for (const id of facesOf(document)) {
    let face = faces.get(id);
    if (!face) faces.set(id, (face = readFace(id, new Uint8Array(await readFile(facePath(id))))));
    shaper.addFace(face);
  }
  return new Composer(shaper);
}

/** Composing a text of so many words from nothing, ms. */
export async function cold(words: number): Promise<number> {
  const document = threaded(await passage(words));
  const composer = await fresh(document);
  return timed(() => void composer.compose(document));
}

/**
 * One letter typed into a paragraph, ms: each time another letter elsewhere in it, so that nothing is remembered from
 * the last time. In between, untimed, it is taken back, so that the paragraph stays as long as it is.
 */
export async function keystrokes(words: number, paragraph: number, times: number): Promise<number[]> {
  const document = threaded(await passage(words));
  const composer = await fresh(document);
  composer.compose(document);
  const out: number[] = [];
  for (let i = 0; i < times; i++) {
    const after = applied(document, typed(document, paragraph, 'etaoinshrdlu'[i % 12]!, i));
    out.push(timed(() => void composer.compose(after)));
    composer.compose(document);
  }
  return out;
}

/** Steps that typing does at a place. */
const typedAt = (body: Node, place: TextPlace, words: string): readonly Step[] =>
  typeWords(words)(EditorState.create({ doc: body, selection: selectionOf(body, { anchor: place, head: place }) }))!.steps;

function typed(document: Document, paragraph: number, letter: string, time: number): Diff {
  const before = get(document, 'text', 'text');
  const words = paragraphsOf(before.body)[paragraph]!.textContent;
  const offset = words.indexOf(' ', (time * 17) % (words.length - 20)) - 1;
  return typing('text', done(before.body, typedAt(before.body, { paragraph, offset }, letter)));
}

/** A star of sixteen points, as a cut-out's traced outline, in the unit square. */
const STAR = [
  Array.from({ length: 32 }, (_, i) => {
    const angle = (Math.floor(i / 2) * Math.PI) / 8;
    const r = Math.floor(i / 2) % 2 === 0 ? 0.5 : 0.3;
    return 0.5 + r * (i % 2 === 0 ? Math.cos(angle) : Math.sin(angle));
  }),
];

const PICTURE: PictureRecord = {
  id: 'pic',
  kind: 'picture',
  name: 'Kite',
  order: 'a5',
  blob: 'ab'.repeat(32),
  media: 'image/png',
  width: 1000,
  height: 1000,
  colour: 'rgb',
  transparent: true,
  outlines: { alpha: STAR },
  caption: '',
  credit: '',
};

/** A frame that shows the picture, with text running along its outline. */
const cutOut = (id: string, on: string, box: Box): FrameRecord => ({
  id,
  kind: 'frame',
  on,
  side: 'both',
  box,
  order: 'a6',
  content: { type: 'picture', picture: 'pic', fit: 'fill' },
  wrap: { mode: 'outline', standOff: 14, outline: 'alpha' },
});

/** A cut-out dragged in steps over a three-column spread: ms to compose each state. */
export async function drag(steps: number): Promise<number[]> {
  const base = threaded(await passage(3_400));
  const frame = (x: number, y: number) => cutOut('cut', 'p1', { x, y, w: 170, h: 200 });
  let document = applied(base, { added: [PICTURE, frame(60, 60)], updated: [], removed: [], texts: [] });
  const composer = await fresh(document);
  composer.compose(document);
  const out: number[] = [];
  for (let i = 0; i < steps; i++) {
    const before = get(document, 'frame', 'cut');
    const angle = (i / steps) * 2 * Math.PI;
    const after = frame(420 + 300 * Math.cos(angle), 300 + 240 * Math.sin(angle * 2));
    document = applied(document, { added: [], updated: [{ before, after }], removed: [], texts: [] });
    out.push(timed(() => void composer.compose(document)));
  }
  return out;
}

/** A circle as a cut-out's traced outline, in the unit square. */
const CIRCLE = [
  Array.from({ length: 96 }, (_, i) => 0.5 + 0.5 * (i % 2 === 0 ? Math.cos : Math.sin)((Math.floor(i / 2) * Math.PI) / 24)),
];

/** Letters of a syllable, about, and points of a letter and of the space between two words, in the body of the demo. */
const SYLLABLE = 4;
const LETTER = 4.4;
const SPACE = 2.2;

/** Words as boxes that may be parted after every few letters. */
function itemsOf(words: readonly string[]): Item[] {
  return words.flatMap((word, i): Item[] => [
    ...(i > 0 ? [{ type: 'glue', width: SPACE, stretch: SPACE / 2, shrink: SPACE / 3 } as const] : []),
    ...(word.match(new RegExp(`.{1,${SYLLABLE}}`, 'g')) ?? []).flatMap((piece, at): Item[] => [
      ...(at > 0 ? [{ type: 'penalty', width: LETTER / 2, cost: 50, flagged: true } as const] : []),
      { type: 'box', width: piece.length * LETTER },
    ]),
  ]);
}

/**
 * Total fit alone, ms for so many paragraphs of 250 words: beside a round picture of 120 points that reaches 60 points into
 * a column of 200, and on the even measure.
 */
export async function breakingAround(paragraphs: number): Promise<{ round: number; even: number }> {
  const words = (await passage(250 * (paragraphs + 1))).join(' ').split(' ');
  const radius = 60;
  const from = 4;
  const rows = Math.ceil((2 * radius) / PAGE.leading);
  const widthOf = (line: number) => {
    const y = (line - from + 0.5) * PAGE.leading - radius;
    return 200 - (Math.abs(y) < radius ? Math.sqrt(radius * radius - y * y) : 0);
  };
  const times = { round: 0, even: 0 };
  for (let i = 0; i < paragraphs; i++) {
    const prepared = preparedOf(itemsOf(words.slice(250 * i, 250 * (i + 1))));
    times.even += timed(() => void totalFit(prepared, { widthOf: () => 200, uniformFrom: 0 }));
    times.round += timed(() => void totalFit(prepared, { widthOf, uniformFrom: from + rows }));
  }
  return times;
}

/**
 * Every paragraph of so many words broken, set and placed anew, ms a line: with a round picture between two columns of
 * every page, and on another even measure. Words are shaped and paragraphs prepared before.
 */
export async function besidePictures(words: number): Promise<{ round: number; even: number }> {
  const base = threaded(await passage(words));
  const records = [...base.records.values()];
  const picture = { ...PICTURE, outlines: { alpha: CIRCLE } };
  const circles = records
    .filter((record) => record.kind === 'page')
    .map((page) => cutOut(`${page.id}-round`, page.id, { x: 127, y: 221, w: 170, h: 170 }));
  const round = documentOf([...records, picture, ...circles]);
  const even = documentOf(
    records.map((record) =>
      record.kind === 'frame' && record.content.type === 'text'
        ? { ...record, content: { ...record.content, gutter: PAGE.gutter + 6 } }
        : record,
    ),
  );
  const perLine = async (document: Document): Promise<number> => {
    const composer = await fresh(document);
    composer.compose(base);
    const time = timed(() => void composer.compose(document));
    const lines = composer
      .compose(document)
      .pages.flatMap(({ items }) => items)
      .flatMap((item) => (item.type === 'text' ? item.columns.map((column) => column.lines.length) : []));
    return time / lines.reduce((sum, count) => sum + count, 0);
  };
  return { even: await perLine(even), round: await perLine(round) };
}

/** Characters that a Chinese text has most of, from memory, with its stops. */
const HAN =
  '的一是不了在人有我他这中大来上国个到说们为子和你地出道也时年得就那要下以生会自着去之过家学对可她里后小么心多天而能好都然没日于起还发成事只作当想看文无开手十用主行方又如前所本见经头面公同三已老从动两长';

/** The first letter typed into one paragraph of so many Chinese characters, ms; every time in a composer of its own. */
export async function firstHanLetter(characters: number, times: number): Promise<number[]> {
  const text = Array.from({ length: characters }, (_, i) =>
    i % 17 === 16 ? '，' : HAN[(i * 31 + Math.floor(i / 7)) % HAN.length],
  ).join('');
  const before = threaded([text]);
  const long = Object.fromEntries([...before.records.values()].map((record) => [record.id, record]));
  const story = get(before, 'text', 'text');
  const body = stepped(story.body, typedAt(story.body, { paragraph: 0, offset: 60 }, '风'));
  const after = documentOf(Object.values({ ...long, text: { ...story, body } }));
  const out: number[] = [];
  for (let i = 0; i < times; i++) {
    const composer = await fresh(after);
    composer.compose(before);
    out.push(timed(() => void composer.compose(after)));
  }
  return out;
}

/** Memory that composing so many words leaves in use, bytes, garbage included. */
export async function memory(words: number): Promise<number> {
  const document = threaded(await passage(words));
  const composer = await fresh(document);
  composer.compose(document);
  return process.memoryUsage().rss;
}

/** Word spaces of justified lines on a measure, as shares of the face's own, and the characters a line holds on average. */
export async function spaces(
  paragraphs: readonly string[],
  measure: number,
  style: Partial<ParagraphProperties> = {},
): Promise<{ spaces: number[]; characters: number }> {
  const document = threaded(paragraphs, style);
  const records = [...document.records.values()].map((record) =>
    record.kind === 'frame'
      ? { ...record, box: { ...record.box, w: PAGE.columns * measure + (PAGE.columns - 1) * PAGE.gutter } }
      : record,
  );
  const set = documentOf(records);
  const composer = await fresh(set);
  const lines = composer
    .compose(set)
    .pages.flatMap(({ items }) => items)
    .flatMap((item) => (item.type === 'text' ? item.columns.flatMap((column) => column.lines) : []))
    .filter((line) => !line.lastOfParagraph);
  const characters =
    lines.reduce((sum, line) => sum + line.runs.reduce((n, run) => n + run.text.length + 1, -1), 0) / lines.length;
  return { spaces: lines.flatMap((line) => line.runs.slice(1).map(() => line.wordSpace)), characters };
}
