import { describe, expect, it, vi } from 'vitest';
import { baseRecords, pictureRecord } from '../../tests/support/documents';
import type { Change } from '@/core/records/change';
import { type Diff, NO_DIFF } from '@/core/records/diff';
import type { PictureRecord } from '@/core/records/index';
import { stored as asStored, storedDiff } from '@/core/records/stored';
import { DocumentStore, type Surroundings } from './documentStore';
import { History } from './history';

describe('history', () => {
  const edit = (id: string) => ({ id, kind: 'edit' as const, of: undefined, label: id, diff: id });
  const turn = (id: string, kind: 'undo' | 'redo', of: string) => ({ id, kind, of, label: of, diff: id });

  it('walks back and forth through edits', () => {
    const history = new History<string>();
    history.note(edit('a'));
    history.note(edit('b'));
    expect(history.toUndo?.id).toBe('b');
    history.note(turn('u1', 'undo', 'b'));
    expect([history.toUndo?.id, history.toRedo?.id]).toEqual(['a', 'b']);
    history.note(turn('r1', 'redo', 'b'));
    expect([history.toUndo?.id, history.toRedo?.id]).toEqual(['b', undefined]);
    history.note(turn('u2', 'undo', 'b'));
    history.note(turn('u3', 'undo', 'a'));
    expect([history.toUndo?.id, history.toRedo?.id]).toEqual([undefined, 'a']);
    history.note(edit('c'));
    expect([history.toUndo?.id, history.toRedo?.id]).toEqual(['c', undefined]);
  });

  it('knows nothing of edits from before it was told', () => {
    const history = new History<string>();
    history.note(turn('u', 'undo', 'long ago'));
    expect(history.toRedo).toBeUndefined();
  });

  it('forgets what was refused', () => {
    const history = new History<string>();
    history.note(edit('a'));
    history.note(edit('b'));
    history.forget({ id: 'b', kind: 'edit', of: undefined });
    expect(history.toUndo?.id).toBe('a');
    history.note(turn('u', 'undo', 'a'));
    history.forget({ id: 'u', kind: 'undo', of: 'a' });
    expect([history.toUndo, history.toRedo]).toEqual([undefined, undefined]);
  });
});

/** A server that a test holds in its hand. */
function setUp(history: Change[] = [], kept: unknown[] = []) {
  const sent: { id: string; kind: string; of?: number; diff: Diff }[] = [];
  const answers: ((answer: Awaited<ReturnType<Surroundings['send']>> | Error) => void)[] = [];
  let pending: readonly unknown[] = kept;
  const later: (() => void)[] = [];
  const around: Surroundings = {
    send: (change) => {
      sent.push(change);
      return new Promise((resolve, reject) =>
        answers.push((answer) => (answer instanceof Error ? reject(answer) : resolve(answer))),
      );
    },
    keep: (list) => (pending = JSON.parse(JSON.stringify(list)) as unknown[]),
    kept: () => pending,
    later: (_ms, work) => void later.push(work),
  };
  const store = new DocumentStore(
    { seq: history.length, records: [...baseRecords(), pictureRecord('pic')].map(asStored), history },
    'me',
    around,
  );
  const settle = () => new Promise<void>((resolve) => setImmediate(resolve));
  const answer = async (reply: Awaited<ReturnType<Surroundings['send']>> | Error) => {
    await settle();
    answers.shift()!(reply);
    await settle();
  };
  const stored = (seq: number) => answer({ status: 200, body: { seq, at: '2026-11-25T10:00:00.000Z' } });
  return { store, sent, answer, stored, later, settle, pending: () => pending };
}

const pic = (store: DocumentStore) => store.document.records.get('pic') as PictureRecord;
const caption = (store: DocumentStore, text: string): Diff => ({
  ...NO_DIFF,
  updated: [{ before: pic(store), after: { ...pic(store), caption: text } }],
});
const incoming = (seq: number, diff: Diff, more: Partial<Change> = {}): Change => ({
  seq,
  id: `other-${seq}`,
  author: 'you',
  label: 'Theirs',
  kind: 'edit',
  of: null,
  diff: storedDiff(diff),
  at: '2026-11-25T10:00:00.000Z',
  ...more,
});

describe('the document of a browser', () => {
  it('shows a change at once, keeps it until it is stored, and says how far it is', async () => {
    const { store, sent, stored, pending } = setUp();
    expect(store.state().is).toBe('stored');
    store.do('Caption', caption(store, 'A'));
    expect(pic(store).caption).toBe('A');
    expect(store.state()).toEqual({ is: 'storing' });
    expect(store.snapshot()).toMatchObject({ undo: 'Caption', redo: undefined });
    expect(pending()).toHaveLength(1);
    await stored(1);
    expect(sent).toHaveLength(1);
    expect(store.state()).toMatchObject({ is: 'stored', at: new Date('2026-11-25T10:00:00.000Z') });
    expect(pending()).toHaveLength(0);
    store.do('Nothing', NO_DIFF);
    expect(sent).toHaveLength(1);
    const before = store.snapshot();
    store.expect(true);
    expect(store.state()).toEqual({ is: 'storing' });
    store.expect(false);
    expect(store.state().is).toBe('stored');
    expect(store.snapshot()).toBe(before);
  });

  it('sends changes one after another, in order', async () => {
    const { store, sent, stored, settle } = setUp();
    store.do('One', caption(store, 'A'));
    store.do('Two', caption(store, 'B'));
    await settle();
    expect(sent).toHaveLength(1);
    await stored(1);
    expect(sent).toHaveLength(2);
    const all = store.stored();
    await stored(2);
    await all;
    expect(store.state().is).toBe('stored');
  });

  it('undoes and redoes by changes that name what they turn back', async () => {
    const { store, sent, stored } = setUp();
    store.do('One', caption(store, 'A'));
    await stored(1);
    expect(store.undo()).toEqual({ label: 'One' });
    expect(pic(store).caption).toBe('');
    await stored(2);
    expect(sent[1]).toMatchObject({ kind: 'undo', of: 1 });
    store.redo();
    await stored(3);
    expect(sent[2]).toMatchObject({ kind: 'redo', of: 1 });
    expect(pic(store).caption).toBe('A');
    expect(store.redo()).toBeUndefined();
  });

  it('undoes what was done before a reload', () => {
    const before = pictureRecord('pic', { caption: 'old' });
    const diff: Diff = { ...NO_DIFF, updated: [{ before, after: pictureRecord('pic') }] };
    const { store } = setUp([incoming(1, diff, { author: 'me', label: 'Earlier' })]);
    expect(store.snapshot().undo).toBe('Earlier');
    store.undo();
    expect(pic(store).caption).toBe('old');
  });

  it('keeps trying while the server is away, and says so', async () => {
    const { store, sent, answer, stored, later, settle } = setUp();
    store.do('One', caption(store, 'A'));
    await answer(new Error('no network'));
    expect(store.state().is).toBe('waiting');
    later.shift()!();
    await settle();
    await answer({ status: 503, body: { message: 'away' } });
    expect(store.state().is).toBe('waiting');
    store.retry();
    await stored(1);
    expect(store.state().is).toBe('stored');
    expect(new Set(sent.map(({ id }) => id)).size).toBe(1);
  });

  it('does again after a reload what had not reached the server, once', async () => {
    const first = setUp();
    first.store.do('One', caption(first.store, 'A'));
    const { store, sent, settle } = setUp([], [...first.pending()]);
    await settle();
    expect(pic(store).caption).toBe('A');
    expect(sent).toHaveLength(1);
    const change = {
      id: sent[0]!.id,
      author: 'me',
      seq: 1,
      label: 'One',
      kind: 'edit' as const,
      of: null,
      diff: storedDiff(NO_DIFF),
      at: '2026-11-25T10:00:00.000Z',
    };
    const again = setUp([change], [...first.pending()]);
    await again.settle();
    expect(again.sent).toHaveLength(0);
  });

  it('takes in the changes of others, and leaves its own to the server’s answer', async () => {
    const { store, stored } = setUp();
    const heard = vi.fn();
    store.onDiff(heard);
    store.receive(incoming(1, { ...NO_DIFF, added: [pictureRecord('new')] }));
    expect(store.document.records.has('new')).toBe(true);
    expect(store.snapshot().undo).toBeUndefined();
    store.do('Mine', caption(store, 'mine'));
    store.receive(
      incoming(2, {
        ...NO_DIFF,
        updated: [{ before: pictureRecord('pic'), after: pictureRecord('pic', { caption: 'theirs' }) }],
      }),
    );
    expect(pic(store).caption).toBe('mine');
    await stored(3);
    expect(heard).toHaveBeenCalledTimes(2);
  });

  it('knows its own change when the server announces it, before or after the answer', async () => {
    const { store, sent, stored, settle } = setUp();
    store.do('One', caption(store, 'A'));
    await settle();
    store.receive(incoming(1, sent[0]!.diff, { id: sent[0]!.id, author: 'me' }));
    await stored(1);
    store.receive(incoming(1, sent[0]!.diff, { id: sent[0]!.id, author: 'me' }));
    expect(pic(store).caption).toBe('A');
    store.undo();
    expect(store.snapshot().undo).toBeUndefined();
  });

  it('counts what the same author did in another tab among what can be undone', () => {
    const { store } = setUp();
    store.receive(incoming(1, { ...NO_DIFF, added: [pictureRecord('new')] }, { author: 'me', label: 'There' }));
    expect(store.snapshot().undo).toBe('There');
    store.undo();
    expect(store.document.records.has('new')).toBe(false);
  });

  it('takes a refused change back, shows what is stored, and tells of both', async () => {
    const { store, answer } = setUp();
    const refused = vi.fn();
    store.onRefused = refused;
    store.do('Mine', caption(store, 'mine'));
    const theirs = pictureRecord('pic', { caption: 'theirs' });
    await answer({ status: 409, body: { message: 'Somebody else changed it.', theirs: [theirs] } });
    expect(pic(store).caption).toBe('theirs');
    expect(store.state().is).toBe('stored');
    expect(store.snapshot().undo).toBeUndefined();
    expect(refused).toHaveBeenCalledWith('Somebody else changed it.', expect.anything(), [theirs]);
  });

  it('does not undo over what somebody else has changed since', async () => {
    const { store, stored } = setUp();
    store.do('Mine', caption(store, 'mine'));
    await stored(1);
    store.receive(incoming(2, { ...NO_DIFF, updated: [{ before: pic(store), after: { ...pic(store), caption: 'theirs' } }] }));
    expect(store.undo()).toMatchObject({ refused: expect.stringMatching(/somebody else/) as string });
    expect(pic(store).caption).toBe('theirs');
  });
});
