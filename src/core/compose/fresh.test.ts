import { docOf, markOf, paragraphsOf } from '@/core/records/body';
import { bodySchema } from '@/core/records/bodySchema';
import { positionOf, type TextPlace } from '@/core/editing/places';
import type { Node } from 'prosemirror-model';
import { describe, expect, it } from 'vitest';
import { paragraph } from '../../../tests/support/composed';
import { baseRecords, document, textFrame, textRecord, flawOf } from '../../../tests/support/documents';
import { loadFaces } from '../../formats/faces/files';
import { variationsOf, withValue } from '../../../tests/support/schemaValues';
import { composerFor } from '../../../tests/support/faces';
import { applied, typing } from '../records/diff';
import { documentOf, type Document, get } from '../records/document';
import type { FrameRecord } from '../records/index';
import { done } from '../records/rebase';
import { BOX, everything as records } from '../../../tests/support/everything';
import { SCHEMAS } from '../records/schemas';
import { readDocument, stored } from '../records/stored';
import { at, deleteAt, restyled, type Typed, typeField, typeWords } from '../../../tests/support/typing';
import { Composer, type Composed } from './composer';
import { facesOf } from './paragraph/faces';

/** Whatever is remembered: composing again after a change gives what composing from nothing gives. */

const bare = ({ pages, fits, grown, beyond }: Composed) => ({
  pages,
  beyond: [...beyond],
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

/** Formatting by hand, of a whole paragraph or of some letters. */
function formattedAt(body: Node, place: TextPlace, what: number): Typed | undefined {
  const { tr } = at(body, place);
  const before = positionOf(body, { ...place, offset: 0 }) - 1;
  const end = before + 1 + paragraphsOf(body)[place.paragraph]!.content.size;
  const from = positionOf(body, place);
  const local = [
    { size: 14, leading: 17 },
    { align: 'left' as const, tracking: 30 },
    undefined,
    { letterCase: 'upper' as const },
  ][what];
  if (what === 1) tr.setNodeAttribute(before, 'local', local);
  else if (what === 2) tr.setNodeAttribute(before, 'local', undefined).removeMark(from, end, bodySchema.marks['local']!);
  else if (from < end) {
    const { leading: _, ...properties } = { leading: 0, ...local };
    tr.addMark(from, end, markOf('local', { properties }));
  }
  return { steps: tr.steps, caret: place };
}

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
      const what = next(8);
      const typed =
        what < 3
          ? typeWords(body, place, ['wind ', 'é', 'an easterly\n'][what]!)
          : what === 3
            ? deleteAt(body, place, true)
            : what === 4
              ? deleteAt(body, { paragraph, offset: 0 }, true)
              : what === 5
                ? typeField(body, place, 'folio')
                : what === 7
                  ? formattedAt(body, place, next(4))
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
