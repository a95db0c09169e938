import fc from 'fast-check';
import { collab, receiveTransaction, sendableSteps } from 'prosemirror-collab';
import type { Node } from 'prosemirror-model';
import { EditorState } from 'prosemirror-state';
import { Transform, type Step } from 'prosemirror-transform';
import { describe, expect, it } from 'vitest';
import { pictureRecord, textFrame } from '../../../tests/support/documents';
import { deleteAt, restyled, typeField, typeWords } from '../../../tests/support/typing';
import { bodyText, paragraphsOf, plainBody, stepped } from './body';
import { applied, betweenOf, type Diff, inverted, NO_DIFF, typing } from './diff';
import { documentOf, find } from './document';
import { merged, withPaths } from './merge';
import { done, redone } from './rebase';
import { same } from './same';
import { takenBack } from './turn';

const edit = fc.record({
  does: fc.constantFrom('type', 'type', 'part', 'erase', 'join', 'style', 'field', 'cut'),
  at: fc.nat(400),
});
type Edit = typeof edit extends fc.Arbitrary<infer T> ? T : never;

/** Steps that an edit does to a body; none where it can do nothing there. */
function stepsFor(body: Node, { does, at }: Edit): readonly Step[] {
  const list = paragraphsOf(body);
  const paragraph = at % list.length;
  const size = list[paragraph]!.content.size;
  const place = { paragraph, offset: at % (size + 1) };
  if (does === 'type') return typeWords(body, place, `w${at}`).steps;
  if (does === 'part') return typeWords(body, place, '\n').steps;
  if (does === 'erase') return deleteAt(body, place, at % 2 === 0)?.steps ?? [];
  if (does === 'join') return deleteAt(body, { paragraph, offset: 0 }, true)?.steps ?? [];
  if (does === 'style') return restyled(body, place, { style: at % 2 === 0 ? 'headline' : 'body' }).steps;
  if (does === 'field') return typeField(body, place, 'folio').steps;
  // Over several paragraphs at once.
  const from = Math.min(at, body.content.size - 1);
  return new Transform(body).delete(from, Math.min(body.content.size, from + 9)).steps;
}

function all(body: Node, edits: readonly Edit[]): { body: Node; steps: Step[] } {
  const steps: Step[] = [];
  let doc = body;
  for (const each of edits) {
    const own = stepsFor(doc, each);
    steps.push(...own);
    doc = stepped(doc, own);
  }
  return { body: doc, steps };
}

const start = plainBody('body', 'The kite that Fenn keeps.', 'And more of it.', '', 'The end');
const edits = fc.array(edit, { maxLength: 12 });

describe('steps done again over others', () => {
  // `prosemirror-collab` is the reference: what it makes of the same steps, confirmed and unconfirmed, is what we do.
  it('come out as prosemirror-collab rebases them', () => {
    fc.assert(
      fc.property(edits, edits, (own, over) => {
        const mine = all(start, own);
        const theirs = all(start, over);
        let state = EditorState.create({ doc: start, plugins: [collab({ version: 0 })] });
        const change = state.tr;
        for (const step of mine.steps) change.step(step);
        state = state.apply(change);
        state = state.apply(
          receiveTransaction(
            state,
            theirs.steps,
            theirs.steps.map(() => 'you'),
          ),
        );
        const result = redone(theirs.body, [mine.steps], theirs.steps);
        expect(result.body.eq(state.doc)).toBe(true);
        const sendable = sendableSteps(state)?.steps ?? [];
        expect(result.own[0]!.steps.map((step) => step.toJSON() as unknown)).toEqual(
          sendable.map((step) => step.toJSON() as unknown),
        );
        // And what takes them back does.
        expect(stepped(result.body, result.own[0]!.back).eq(theirs.body)).toBe(true);
      }),
      { numRuns: 1_500, seed: 5 },
    );
  });

  it('are the same in one group or in many, and without others stay what they are', () => {
    fc.assert(
      fc.property(edits, edits, fc.nat(6), (own, over, cut) => {
        const mine = all(start, own).steps;
        const theirs = all(start, over);
        const groups = [mine.slice(0, cut), mine.slice(cut)];
        const parted = redone(theirs.body, groups, theirs.steps);
        const whole = redone(theirs.body, [mine], theirs.steps);
        expect(parted.body.eq(whole.body)).toBe(true);
        expect(parted.own.flatMap(({ steps }) => steps)).toEqual(whole.own[0]!.steps);
        const alone = redone(start, [mine], []);
        expect(alone.own[0]!.steps.map((step) => step.toJSON() as unknown)).toEqual(mine.map((step) => step.toJSON() as unknown));
      }),
      { numRuns: 300, seed: 6 },
    );
  });
});

describe('a diff of steps', () => {
  const document = documentOf([{ id: 't', kind: 'text', role: 'body', body: start }]);
  const body = (of: typeof document) => find(of, 'text', 't')!.body;

  it('is applied and turned round, and found between two documents', () => {
    fc.assert(
      fc.property(edits, (own) => {
        const { body: after, steps } = all(start, own);
        const diff = typing('t', done(start, steps));
        const next = applied(document, diff);
        expect(body(next).eq(after)).toBe(true);
        expect(body(applied(next, inverted(diff))).eq(start)).toBe(true);
        const found = betweenOf(document, next, ['t']);
        expect(found.updated).toEqual([]);
        expect(body(applied(document, found)).eq(after)).toBe(true);
        expect(body(applied(next, inverted(found))).eq(start)).toBe(true);
      }),
      { numRuns: 500, seed: 7 },
    );
  });

  it('is taken back over what others wrote since, and over what was itself taken back', () => {
    fc.assert(
      fc.property(fc.array(edit, { minLength: 1, maxLength: 6 }), edits, (own, over) => {
        const mine = all(start, own);
        const diff = typing('t', done(start, mine.steps));
        const now = applied(document, diff);
        // Another change, and its being taken back, leave everything as it was.
        const other = typing('t', done(mine.body, all(mine.body, over).steps));
        const since = [
          { id: 'o', of: undefined, texts: other.texts },
          { id: 'u', of: 'o', texts: inverted(other).texts },
        ];
        const back = takenBack(diff, since, now);
        if (mine.steps.length === 0) expect(back).toBeUndefined();
        else expect(body(applied(now, back!)).eq(start)).toBe(true);
      }),
      { numRuns: 400, seed: 8 },
    );
    const written = (words: string, offset: number, of = document): Diff =>
      typing('t', done(body(of), typeWords(body(of), { paragraph: 0, offset }, words).steps));
    const mine = written('blue ', 4);
    const first = applied(document, mine);
    const theirs = written('Once. ', 0, first);
    const back = takenBack(mine, [{ id: 'o', of: undefined, texts: theirs.texts }], applied(first, theirs))!;
    expect(bodyText(body(applied(applied(first, theirs), back)))).toBe(`Once. ${bodyText(start)}`);
  });
});

describe('two versions of one record', () => {
  const frame = textFrame('f', 't', 'p1', { x: 0, y: 0, w: 10, h: 10 });

  it('are merged property by property, down to those of its content', () => {
    const mine = { ...frame, content: { ...frame.content, columns: 3 } } as typeof frame;
    const theirs = { ...frame, rotation: 20, content: { ...frame.content, gutter: 9 } } as typeof frame;
    const { record, clashes } = merged(frame, mine, theirs);
    expect(clashes).toEqual([]);
    expect(record).toMatchObject({ rotation: 20, content: { columns: 3, gutter: 9 } });
    // Taken off by one, left by the other.
    const { caption: _, ...bare } = pictureRecord('p');
    expect(merged(pictureRecord('p'), bare as never, pictureRecord('p', { credit: 'c' }))).toEqual({
      record: { ...bare, credit: 'c' },
      clashes: [],
    });
  });

  it('clash where both changed the same property, and a box is one property', () => {
    const mine = { ...frame, box: { ...frame.box, x: 5 } };
    const theirs = { ...frame, box: { ...frame.box, w: 5 } };
    const { record, clashes } = merged(frame, mine, theirs);
    expect(clashes).toEqual(['box']);
    expect(record.box).toEqual(mine.box);
    // Whoever judges it sees the clash again: what it knew of that property is what it was.
    const again = merged(withPaths(theirs, frame, clashes), record, theirs);
    expect(again.clashes).toEqual(['box']);
    const panel = { ...frame, content: { type: 'panel' } } as never;
    const columns = { ...frame, content: { ...frame.content, columns: 2 } } as never;
    expect(merged(frame, panel, columns).clashes).toEqual(['content']);
  });

  it('whoever comes first, what does not clash is the same', () => {
    const value = fc.constantFrom<unknown>(1, 2, 'a', undefined, { x: 1 }, { x: 1, y: 2 }, [1]);
    const record = fc.record({ a: value, b: value, c: fc.record({ d: value, e: value }) });
    fc.assert(
      fc.property(record, record, record, (before, mine, theirs) => {
        const one = merged<object>(before, mine, theirs);
        const other = merged<object>(before, theirs, mine);
        expect([...one.clashes].sort()).toEqual([...other.clashes].sort());
        expect(same(withPaths(one.record, {}, one.clashes), withPaths(other.record, {}, other.clashes))).toBe(true);
        expect(same(merged<object>(before, before, theirs).record, theirs)).toBe(true);
        expect(same(merged<object>(before, mine, before).record, mine)).toBe(true);
      }),
      { numRuns: 1_000, seed: 9 },
    );
  });
});

it('nothing is no change', () => {
  expect(takenBack(NO_DIFF, [], documentOf([]))).toBeUndefined();
});
