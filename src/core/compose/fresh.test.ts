import { docOf, paragraphsOf } from '@/core/records/body';
import { describe, expect, it } from 'vitest';
import { characterStyle, field, mark, paragraph, paragraphStyle, text } from '../../../tests/support/composed';
import {
  baseRecords,
  document,
  pictureFrame,
  pictureRecord,
  prose,
  textFrame,
  textRecord,
  flawOf,
} from '../../../tests/support/documents';
import { loadFaces } from '../../formats/faces/files';
import { variationsOf, withValue } from '../../../tests/support/schemaValues';
import { composerFor } from '../../../tests/support/faces';
import { applied, typing } from '../records/diff';
import { documentOf, type Document, get } from '../records/document';
import type { DocumentRecord, FrameRecord } from '../records/index';
import { done } from '../records/rebase';
import { SCHEMAS } from '../records/schemas';
import { readDocument, stored } from '../records/stored';
import { deleteAt, restyled, typeField, typeWords } from '../records/typing';
import { Composer, type Composed } from './compose';
import { facesOf } from './faces';

/** Whatever is remembered: composing again after a change gives what composing from nothing gives. */

const BOX = { x: 50, y: 48, w: 300, h: 300 };

const records: DocumentRecord[] = [
  ...baseRecords(3),
  paragraphStyle('lead', { dropCap: { lines: 3, letters: 1, gap: 3 }, leadIn: { extent: 3, style: 'strong' } }),
  paragraphStyle('head', { spans: true, size: 16, leading: 18, hyphens: false, onGrid: false, keepNext: 2 }),
  paragraphStyle('tabbed', { tabs: [{ at: 40, align: 'left', leader: '.' }] }),
  characterStyle('strong', { weight: 700, tracking: 20 }),
  textRecord(
    'text',
    docOf([
      paragraph('lead', prose(24)),
      paragraph('head', 'A head over all columns'),
      paragraph('body', [text(prose(20)), text(' in bold and ', mark('strong')), text('貓 שלום Ω '), text(prose(20, 2))]),
      paragraph('tabbed', 'One\ttwo'),
      paragraph('body', [field('folio'), text(' stands here')]),
      paragraph('body', prose(50, 3)),
    ]),
  ),
  textRecord('caption', docOf([paragraph('body', prose(12))]), { role: 'caption' }),
  textRecord('head-text', docOf([paragraph('headline', 'Wind over the wall')]), { role: 'headline' }),
  {
    id: 'story',
    kind: 'story',
    name: 'Wind',
    section: 'News',
    order: 'a0',
    tint: 1,
    parts: { headline: 'head-text', body: 'text' },
  },
  textFrame('f1', 'text', 'p1', BOX, { columns: 2, balanced: false }),
  textFrame('f2', 'text', 'p2', { ...BOX, h: 200 }, { columns: 2, order: 'a1' }),
  textFrame('grown', 'head-text', 'p1', { x: 50, y: 380, w: 300, h: 20 }, { grows: true }),
  textFrame('cap', 'caption', 'p1', { x: 60, y: 470, w: 100, h: 60 }, { align: 'spread', spreadMost: 6 }),
  { ...pictureFrame('pf', 'pic', 'p1', { x: 180, y: 120, w: 80, h: 90 }, { mode: 'frame', standOff: 5 }), group: 'g' },
  {
    ...pictureFrame('pf2', 'pic', 'p2', { x: 60, y: 90, w: 60, h: 60 }, { mode: 'outline', standOff: 4, outline: 'shape' }),
    shape: { type: 'ellipse' },
  },
  { id: 'g', kind: 'group', name: 'Group', wrap: { mode: 'none', standOff: 0, outline: 'shape' } } as DocumentRecord,
  {
    ...pictureFrame('panel', undefined, 'p1', { x: 300, y: 470, w: 50, h: 50 }),
    content: { type: 'panel' },
    fill: { swatch: 'tint', tint: 1 },
    border: { swatch: 'ink', tint: 1, weight: 1 },
    shadow: { dx: 1, dy: 1, blur: 2, swatch: 'ink', opacity: 0.5 },
  } as FrameRecord,
  {
    ...pictureFrame('rule', undefined, 'p2', { x: 50, y: 400, w: 300, h: 1 }),
    content: { type: 'rule', weight: 1 },
    fill: { swatch: 'ink', tint: 1 },
  } as FrameRecord,
  pictureRecord('pic', { width: 400, height: 300 }),
  textRecord('folio', docOf([paragraph('body', [field('folio')])]), { role: 'furniture' }),
  { ...textFrame('folio-frame', 'folio', 'master', { x: 50, y: 560, w: 60, h: 20 }, { grows: true }), on: 'master' },
  { id: 'section', kind: 'section', name: 'News', from: 'p2', folios: { style: 'i', prefix: 'A', start: 3 } } as DocumentRecord,
];

const bare = ({ pages, fits, grown }: Composed) => ({
  pages,
  fits: [...fits].map(([id, fit]) => [id, { ...fit, lacks: [...fit.lacks].sort() }]),
  grown: [...grown],
});

/** Looks and shaped words are met again and again: what they say is made once. */
const said = new WeakMap<object, string>();
function saying(of: object): string {
  let own = said.get(of);
  if (own === undefined) {
    // A look holds the shaper that made it, which is no part of what is seen.
    own = JSON.stringify(of, (key, value: unknown) =>
      key === 'shaper' ? undefined : ArrayBuffer.isView(value) ? [...(value as Uint16Array)] : value,
    );
    said.set(of, own);
  }
  return own;
}

/** What is drawn, by value. */
const drawn = (composed: Composed): string =>
  JSON.stringify(bare(composed), (key, value: unknown) => {
    if ((key === 'look' || key === 'shaped') && value) return saying(value);
    return typeof value === 'number' ? Math.round(value * 1e6) / 1e6 : value;
  });

/** The first value, the last, and one between them. */
const some = (values: readonly unknown[]): unknown[] => {
  const picked = [0, Math.floor(values.length / 2), values.length - 1].filter((i) => i < values.length);
  return [...new Set(picked)].map((i) => values[i]);
};

const copied = (doc: Document): Document => readDocument(structuredClone([...doc.records.values()].map(stored)));

describe('composing again', () => {
  const doc = document(...records);
  const kinds = [...new Set(records.map(({ kind }) => kind))];

  it.each(kinds)(
    'after a change of any property of a %s gives what composing from nothing gives',
    async (kind) => {
      for (const record of records) expect(flawOf(record), record.id).toBeUndefined();
      const { composer, shaper } = await composerFor(doc);
      const variations = variationsOf(SCHEMAS[kind], ['ink', 'tint', 'body', 'strong', 'caption', 'p2', 'pic']);
      let tried = 0;
      // Of styles the two that show most.
      const own = records.filter(
        (each) => each.kind === kind && (kind !== 'paragraphStyle' || each.id === 'body' || each.id === 'lead'),
      );
      for (const record of own) {
        composer.compose(doc);
        for (const { path, values } of variations)
          for (const value of some(values)) {
            const changed = withValue(record, path, value);
            // What the document as a whole would not be one with is left out: a style based on itself, a page without a master.
            if (flawOf(changed) || path.includes('basedOn') || path.includes('of')) continue;
            const next = documentOf([...doc.records.values()].map((each) => (each === record ? changed : each)));
            await loadFaces(shaper, facesOf(next));
            const again = drawn(composer.compose(next));
            expect(again, `${record.id} ${path.join('.')} ${JSON.stringify(value)}`).toEqual(
              drawn(new Composer(shaper).compose(copied(next))),
            );
            tried++;
          }
      }
      expect(tried).toBeGreaterThan(0);
    },
    240_000,
  );

  it('after changes one upon another, and back, gives what composing from nothing gives', async () => {
    const { composer, shaper } = await composerFor(doc);
    const frames = records.filter((each): each is FrameRecord => each.kind === 'frame' && each.content.type === 'text');
    const steps: [string, unknown][] = [
      ['content.align', 'bottom'],
      ['content.align', 'spread'],
      ['content.spreadMost', 2],
      ['content.spreadMost', 30],
      ['content.align', 'centre'],
      ['content.balanced', true],
      ['content.balanced', false],
      ['rotation', 20],
      ['rotation', 35],
      ['content.turns', 1],
      ['content.turns', 3],
      ['content.turns', 2],
      ['rotation', undefined],
      ['content.turns', 0],
      ['opacity', 0.5],
      ['content.align', 'top'],
    ];
    let now = doc;
    for (const { id } of frames)
      for (const [path, value] of steps) {
        now = documentOf(
          [...now.records.values()].map((each) => (each.id === id ? withValue(each, path.split('.'), value) : each)),
        );
        expect(drawn(composer.compose(now)), `${id} ${path} ${String(value)}`).toEqual(
          drawn(new Composer(shaper).compose(copied(now))),
        );
      }
  });

  it('after steps on a text, one upon another, gives what composing from nothing gives', async () => {
    const { composer, shaper } = await composerFor(doc);
    let state = 11;
    const next = (below: number) => (state = (state * 48271) % 2147483647) % below;
    let now = doc;
    for (let i = 0; i < 120; i++) {
      const { body } = get(now, 'text', 'text');
      const list = paragraphsOf(body);
      const paragraph = next(list.length);
      const place = { paragraph, offset: next(list[paragraph]!.content.size + 1) };
      const what = next(7);
      const typed =
        what < 3
          ? typeWords(body, place, ['wind ', 'é', 'an easterly\n'][what]!)
          : what === 3
            ? deleteAt(body, place, true)
            : what === 4
              ? deleteAt(body, { paragraph, offset: 0 }, true)
              : what === 5
                ? typeField(body, place, 'folio')
                : restyled(body, place, {
                    style: ['body', 'lead', 'head'][next(3)]!,
                    startIn: next(4) === 0 ? 'column' : undefined,
                  });
      if (!typed) continue;
      now = applied(now, typing('text', done(body, typed.steps)));
      expect(drawn(composer.compose(now)), `step ${i}`).toEqual(drawn(new Composer(shaper).compose(copied(now))));
    }
  });

  it('tells the characters that a face lacks the same in whatever order they were met', async () => {
    const of = (words: string) =>
      document(...baseRecords(), textRecord('text', docOf([paragraph('body', words)])), textFrame('f', 'text', 'p1', BOX));
    const { composer, shaper } = await composerFor(of('שלום ערב'));
    composer.compose(of('שלום'));
    const { fits } = composer.compose(of('ערב'));
    expect([...fits.get('text')!.lacks].sort()).toEqual(
      [...new Composer(shaper).compose(of('ערב')).fits.get('text')!.lacks].sort(),
    );
  });
});
