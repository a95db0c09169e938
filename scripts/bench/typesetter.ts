import { Composer } from '@/core/compose/compose';
import { facesOf } from '@/core/compose/faces';
import { applied, type Diff } from '@/core/records/diff';
import { documentOf, get, type Document } from '@/core/records/document';
import type { ParagraphProperties } from '@/core/records/paragraphStyle';
import type { BodyNode } from '@/core/records/text';
import { readFace, type Face } from '@/core/type/face';
import { Shaper } from '@/core/type/shaper';
import { facePath } from '@/formats/faces/files';
import { readFile } from 'node:fs/promises';
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

function typed(document: Document, paragraph: number, letter: string, time: number): Diff {
  const before = get(document, 'text', 'text');
  const content = before.body.content.map((node, i) => {
    if (i !== paragraph || node.type !== 'paragraph') return node;
    const text = node.content![0]!.text!;
    const at = text.indexOf(' ', (time * 17) % (text.length - 20)) - 1;
    return { ...node, content: [{ type: 'text' as const, text: text.slice(0, at) + letter + text.slice(at) }] };
  });
  const body: BodyNode = { type: 'doc', content };
  return { added: [], updated: [{ before, after: { ...before, body } }], removed: [] };
}

/** A star of sixteen points, as a cut-out's traced outline, in the unit square. */
const STAR = [
  Array.from({ length: 32 }, (_, i) => {
    const angle = (Math.floor(i / 2) * Math.PI) / 8;
    const r = Math.floor(i / 2) % 2 === 0 ? 0.5 : 0.3;
    return 0.5 + r * (i % 2 === 0 ? Math.cos(angle) : Math.sin(angle));
  }),
];

/** A cut-out dragged in steps over a three-column spread: ms to compose each state. */
export async function drag(steps: number): Promise<number[]> {
  const base = threaded(await passage(3_400));
  const picture = {
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
  } as const;
  const frame = (x: number, y: number) =>
    ({
      id: 'cut',
      kind: 'frame',
      on: 'p1',
      side: 'both',
      box: { x, y, w: 170, h: 200 },
      order: 'a6',
      content: { type: 'picture', picture: 'pic', fit: 'fill', focus: { x: 0.5, y: 0.5 } },
      wrap: { mode: 'outline', standOff: 14, outline: 'alpha' },
    }) as const;
  let document = applied(base, { added: [picture, frame(60, 60)], updated: [], removed: [] });
  const composer = await fresh(document);
  composer.compose(document);
  const out: number[] = [];
  for (let i = 0; i < steps; i++) {
    const before = get(document, 'frame', 'cut');
    const angle = (i / steps) * 2 * Math.PI;
    const after = frame(420 + 300 * Math.cos(angle), 300 + 240 * Math.sin(angle * 2));
    document = applied(document, { added: [], updated: [{ before, after }], removed: [] });
    out.push(timed(() => void composer.compose(document)));
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
