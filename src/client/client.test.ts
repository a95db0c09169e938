import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';
import { baseRecords, document, pictureRecord, textRecord } from '../../tests/support/documents';
import { bodyText, paragraphsOf, plainBody } from '@/core/records/body';
import type { Change } from '@/core/records/change';
import { applied, type Diff, NO_DIFF, typing } from '@/core/records/diff';
import { type Document, find } from '@/core/records/document';
import type { DocumentRecord, PictureRecord } from '@/core/records/index';
import { merged } from '@/core/records/merge';
import { done } from '@/core/records/rebase';
import { readDiff, readDocument, stored, storedDiff, type StoredRecord } from '@/core/records/stored';
import { deleteAt, restyled, typeWords } from '../../tests/support/typing';
import { type Answer, DocumentStore, type Surroundings } from './documentStore';
import { History } from './history';

describe('history', () => {
  const edit = (id: string) => ({ id, kind: 'edit' as const, of: undefined, label: id });
  const turn = (id: string, kind: 'undo' | 'redo', of: string) => ({ id, kind, of, label: of });
  const tops = (history: History) => [history.toUndo?.edit, history.toRedo?.edit];

  it('walks back and forth through edits, and knows what last did or undid each', () => {
    const history = new History();
    history.note(edit('a'));
    history.note(edit('b'));
    expect(history.toUndo).toEqual({ edit: 'b', last: 'b', label: 'b' });
    history.note(turn('u1', 'undo', 'b'));
    expect(tops(history)).toEqual(['a', 'b']);
    expect(history.toRedo?.last).toBe('u1');
    history.note(turn('r1', 'redo', 'b'));
    expect(tops(history)).toEqual(['b', undefined]);
    expect(history.toUndo?.last).toBe('r1');
    history.note(turn('u2', 'undo', 'b'));
    history.note(turn('u3', 'undo', 'a'));
    expect(tops(history)).toEqual([undefined, 'a']);
    history.note(edit('c'));
    expect(tops(history)).toEqual(['c', undefined]);
  });

  it('knows nothing of edits from before it was told', () => {
    const history = new History();
    history.note(turn('u', 'undo', 'long ago'));
    expect(history.toRedo).toBeUndefined();
  });

  it('forgets what was refused', () => {
    const history = new History();
    history.note(edit('a'));
    history.note(edit('b'));
    history.forget({ id: 'b', kind: 'edit', of: undefined });
    expect(history.toUndo?.edit).toBe('a');
    history.note(turn('u', 'undo', 'a'));
    history.forget({ id: 'u', kind: 'undo', of: 'a' });
    expect(tops(history)).toEqual([undefined, undefined]);
  });
});

const WORDS = 'The kite that Fenn keeps.';

/** A server of one document, as far as a browser can tell; what it has is told to every browser when it is asked to. */
class Server {
  readonly log: Change[] = [];
  document: Document = document(...baseRecords(), pictureRecord('pic'), textRecord('t', plainBody('body', WORDS, 'And more.')));
  readonly records: readonly StoredRecord[] = [...this.document.records.values()].map(stored);
  readonly stores: DocumentStore[] = [];

  take({ of, base, diff: sent, ...change }: Parameters<Surroundings['send']>[0]): Answer {
    const known = this.log.find(({ id }) => id === change.id);
    const others = (upTo: number) => this.log.filter(({ seq }) => seq > base && seq < upTo);
    if (known) return { status: 200, body: { change: known, others: others(known.seq) } };
    const diff = readDiff(sent);
    if (diff.texts.some(({ id }) => !this.document.records.has(id)))
      return { status: 409, body: { message: 'It has been removed.' } };
    const touches = (id: string) =>
      this.log.some(({ seq, diff: { texts } }) => seq > base && texts.some((each) => each.id === id));
    if (diff.texts.some(({ id }) => touches(id))) return { status: 412, body: {} };
    const updated: { before: DocumentRecord; after: DocumentRecord }[] = [];
    for (const { before, after } of diff.updated) {
      const now = this.document.records.get(before.id);
      const both = now && merged(before, after, now);
      if (!both || both.clashes.length > 0) return { status: 409, body: { message: 'Somebody else was first.' } };
      updated.push({ before: now, after: both.record });
    }
    const fitted = { ...diff, updated };
    this.document = applied(this.document, fitted);
    const stored = {
      ...change,
      of: of ?? null,
      diff: storedDiff(fitted),
      seq: this.log.length + 1,
      at: '2026-11-25T10:00:00.000Z',
    };
    this.log.push(stored);
    return { status: 200, body: { change: stored, others: others(stored.seq) } };
  }

  /** Tells every browser what it does not know yet. */
  tell(): void {
    for (const store of this.stores) for (const change of this.log) store.receive(change);
  }
}

/** A browser of a server that answers when it is told to. */
function setUp(
  server = new Server(),
  kept: readonly unknown[] = [],
  author = 'me',
  from?: { seq: number; records: readonly StoredRecord[] },
) {
  const sent: Parameters<Surroundings['send']>[0][] = [];
  const waiting: {
    resolve: (answer: Answer) => void;
    reject: (error: Error) => void;
    change: Parameters<Surroundings['send']>[0];
  }[] = [];
  let pending = kept;
  let full = false;
  const later: (() => void)[] = [];
  const around: Surroundings = {
    send: (change) => {
      sent.push(change);
      return new Promise((resolve, reject) => waiting.push({ resolve, reject, change }));
    },
    fetchChange: (seq, upTo) => {
      const change = server.log[seq - 1]!;
      const ids = new Set(change.diff.texts.map(({ id }) => id));
      const since = server.log.filter(
        (each) => each.seq > seq && each.seq <= upTo && each.diff.texts.some(({ id }) => ids.has(id)),
      );
      return Promise.resolve({ change, since });
    },
    fetchAfter: (seq, upTo) => Promise.resolve(server.log.filter((each) => each.seq > seq && each.seq <= upTo)),
    keep: (list) => {
      if (full) return Promise.reject(new Error('There is no room.'));
      pending = JSON.parse(JSON.stringify(list)) as unknown[];
      return Promise.resolve();
    },
    kept: () => Promise.resolve(pending),
    later: (_ms, work) => void later.push(work),
  };
  const now = from ?? { seq: server.log.length, records: [...server.document.records.values()].map(stored) };
  const store = new DocumentStore(
    { ...now, history: server.log.slice(0, now.seq).map(({ diff: _, ...heading }) => heading) },
    author,
    around,
  );
  server.stores.push(store);
  const settle = () => new Promise<void>((resolve) => setImmediate(resolve));
  /** The server answers what was sent first, or the network is away. */
  const answer = async (reply?: Answer | Error) => {
    await settle();
    const { resolve, reject, change } = waiting.shift()!;
    if (reply instanceof Error) reject(reply);
    else resolve(reply ?? server.take(change));
    await settle();
  };
  /** Everything that waits is answered, and what follows from it. */
  const all = async () => {
    for (await settle(); waiting.length > 0; await settle()) {
      await answer();
      server.tell();
    }
  };
  const type = (words: string, at: { paragraph: number; offset: number }) =>
    store.type('Type', 't', typeWords(find(store.document, 'text', 't')!.body, at, words).steps);
  const words = () => bodyText(find(store.document, 'text', 't')!.body);
  const fill = (is: boolean) => (full = is);
  return { server, store, fill, sent, answer, all, later, settle, type, words, pending: () => pending };
}

const pic = (store: DocumentStore) => store.document.records.get('pic') as PictureRecord;
const caption = (store: DocumentStore, text: string): Diff => ({
  ...NO_DIFF,
  updated: [{ before: pic(store), after: { ...pic(store), caption: text } }],
});

describe('the document of a browser', () => {
  it('shows a change at once, keeps it until it is stored, and says how far it is', async () => {
    const { store, sent, answer, pending, settle } = setUp();
    expect(store.state().is).toBe('stored');
    store.do('Caption', caption(store, 'A'));
    expect(pic(store).caption).toBe('A');
    expect(store.state()).toEqual({ is: 'storing' });
    expect(store.snapshot()).toMatchObject({ undo: 'Caption', redo: undefined });
    await settle();
    expect(pending()).toHaveLength(1);
    await answer();
    expect(sent).toHaveLength(1);
    expect(store.state()).toMatchObject({ is: 'stored', at: new Date('2026-11-25T10:00:00.000Z') });
    expect(pending()).toHaveLength(0);
    store.do('Nothing', NO_DIFF);
    expect(sent).toHaveLength(1);
  });

  it('says that this page alone has what it cannot keep, until that is stored', async () => {
    const { store, answer, settle, fill } = setUp();
    await settle();
    fill(true);
    store.do('Caption', caption(store, 'A'));
    await settle();
    expect(store.state()).toMatchObject({ is: 'waiting', why: expect.stringContaining('leave this page open') as string });
    fill(false);
    await answer();
    expect(store.state().is).toBe('stored');
  });

  it('keeps what is done before it has looked at what earlier pages left, and that too', async () => {
    const first = setUp();
    first.type('blue ', { paragraph: 0, offset: 4 });
    first.store.rest();
    await first.settle();
    const again = setUp(first.server, [...first.pending()]);
    again.type('Once. ', { paragraph: 0, offset: 0 });
    await again.settle();
    expect(again.words()).toBe('Once. The blue kite that Fenn keeps.\nAnd more.');
    expect(again.pending()).toHaveLength(2);
    again.store.rest();
    await again.all();
    expect(bodyText(find(again.server.document, 'text', 't')!.body)).toBe(again.words());
  });

  it('sends changes one after another, in order', async () => {
    const { store, sent, answer, settle } = setUp();
    store.do('One', caption(store, 'A'));
    store.do('Two', caption(store, 'B'));
    await settle();
    expect(sent).toHaveLength(1);
    await answer();
    expect(sent).toHaveLength(2);
    const all = store.stored();
    await answer();
    await all;
    expect(store.state().is).toBe('stored');
  });

  it('undoes and redoes by changes that name what they turn back', async () => {
    const { store, sent, answer } = setUp();
    store.do('One', caption(store, 'A'));
    await answer();
    expect(await store.undo()).toEqual({ label: 'One' });
    expect(pic(store).caption).toBe('');
    await answer();
    expect(sent[1]).toMatchObject({ kind: 'undo', of: 1 });
    await store.redo();
    await answer();
    expect(sent[2]).toMatchObject({ kind: 'redo', of: 1 });
    expect(pic(store).caption).toBe('A');
    expect(await store.redo()).toBeUndefined();
    await store.undo();
    expect(pic(store).caption).toBe('');
  });

  it('undoes what was done before a reload: what it did is fetched then', async () => {
    const first = setUp();
    first.type('blue ', { paragraph: 0, offset: 4 });
    first.store.do('Caption', caption(first.store, 'A'));
    await first.all();
    const other = setUp(first.server, [], 'you');
    other.type('Once. ', { paragraph: 0, offset: 0 });
    other.store.rest();
    await other.all();
    const { store, words } = setUp(first.server);
    expect(store.snapshot().undo).toBe('Caption');
    await store.undo();
    expect(pic(store).caption).toBe('');
    expect(await store.undo()).toEqual({ label: 'Type' });
    expect(words()).toBe(`Once. ${WORDS}\nAnd more.`);
    await store.redo();
    expect(words()).toBe(`Once. The blue kite that Fenn keeps.\nAnd more.`);
  });

  it('keeps trying while the server is away, and says so', async () => {
    const { store, sent, answer, later, settle } = setUp();
    store.do('One', caption(store, 'A'));
    await answer(new Error('no network'));
    expect(store.state().is).toBe('waiting');
    later.shift()!();
    await settle();
    await answer({ status: 503, body: { message: 'away' } });
    expect(store.state().is).toBe('waiting');
    store.retry();
    await answer();
    expect(store.state().is).toBe('stored');
    expect(new Set(sent.map(({ id }) => id)).size).toBe(1);
  });

  it('does again after a reload what had not reached the server, once, on what others did meanwhile', async () => {
    const first = setUp();
    const opened = { seq: 0, records: first.server.records };
    first.type('blue ', { paragraph: 0, offset: 4 });
    first.store.rest();
    await first.settle();
    const other = setUp(first.server, [], 'you');
    other.type('Once. ', { paragraph: 0, offset: 0 });
    other.store.rest();
    await other.all();
    const again = setUp(first.server, [...first.pending()]);
    await again.settle();
    expect(again.words()).toBe('Once. The blue kite that Fenn keeps.\nAnd more.');
    await again.all();
    expect(bodyText(find(again.server.document, 'text', 't')!.body)).toBe(again.words());
    // What the server had after all is not done a second time.
    const late = setUp(first.server, [...first.pending()]);
    await late.settle();
    expect(late.sent).toHaveLength(0);
    // Nor where the page opens at a state from before, and hears of it.
    const early = setUp(first.server, [...first.pending()], 'me', opened);
    await early.settle();
    first.server.tell();
    await early.all();
    expect(early.words()).toBe(late.words());
  });

  it('takes in the changes of others beneath its own, and leaves its own to the server’s answer', async () => {
    const { store, server, all } = setUp();
    const other = setUp(server, [], 'you');
    other.store.do('New', { ...NO_DIFF, added: [pictureRecord('new')] });
    await other.all();
    expect(store.document.records.has('new')).toBe(true);
    expect(store.snapshot().undo).toBeUndefined();
    store.do('Mine', caption(store, 'mine'));
    other.store.do('Credit', {
      ...NO_DIFF,
      updated: [{ before: pic(other.store), after: { ...pic(other.store), credit: 'theirs' } }],
    });
    await other.all();
    expect(pic(store)).toMatchObject({ caption: 'mine', credit: 'theirs' });
    await all();
    expect(server.document.records.get('pic')).toMatchObject({ caption: 'mine', credit: 'theirs' });
  });

  it('knows its own change when the server announces it, before or after the answer', async () => {
    const { store, server, sent, answer, settle } = setUp();
    store.do('One', caption(store, 'A'));
    await settle();
    const reply = server.take(sent[0]!);
    server.tell();
    await answer(reply);
    server.tell();
    expect(pic(store).caption).toBe('A');
    expect(store.state().is).toBe('stored');
    await store.undo();
    expect(store.snapshot().undo).toBeUndefined();
  });

  it('waits for changes that come out of order', async () => {
    const server = new Server();
    const other = setUp(server, [], 'you');
    for (const words of ['a', 'b', 'c']) {
      other.type(words, { paragraph: 0, offset: 0 });
      other.store.rest();
      await other.all();
    }
    const { store, words } = setUp(server, [], 'me', { seq: 0, records: server.records });
    for (const seq of [3, 2]) store.receive(server.log[seq - 1]!);
    expect(words()).toBe(`${WORDS}\nAnd more.`);
    store.receive(server.log[0]!);
    expect(words()).toBe(`cba${WORDS}\nAnd more.`);
  });

  it('counts what the same author did in another tab among what can be undone', async () => {
    const { store, server } = setUp();
    const tab = setUp(server);
    tab.store.do('There', { ...NO_DIFF, added: [pictureRecord('new')] });
    await tab.all();
    expect(store.snapshot().undo).toBe('There');
    await store.undo();
    expect(store.document.records.has('new')).toBe(false);
  });

  it('takes a refused change back, shows what is stored, and does it again on that when it is asked to', async () => {
    const { store, server, all } = setUp();
    const other = setUp(server, [], 'you');
    let again: (() => void) | undefined;
    store.onRefused = (message, repeat) => {
      expect(message).toBe('Somebody else was first.');
      again = repeat;
    };
    store.do('Mine', caption(store, 'mine'));
    other.store.do('Theirs', caption(other.store, 'theirs'));
    await other.all();
    // What was done here is seen until it is judged.
    expect(pic(store).caption).toBe('mine');
    await all();
    expect(pic(store).caption).toBe('theirs');
    expect(store.state().is).toBe('stored');
    expect(store.snapshot().undo).toBeUndefined();
    again!();
    expect(pic(store).caption).toBe('mine');
    await all();
    expect(server.document.records.get('pic')).toMatchObject({ caption: 'mine' });
  });

  it('does the refused action itself again on what there is now, and says where it no longer can', async () => {
    const { store, server, all } = setUp();
    const other = setUp(server, [], 'you');
    const said: string[] = [];
    let again: (() => void) | undefined;
    store.onRefused = (message, repeat) => {
      said.push(message);
      again = repeat;
    };
    const louder = (now: Document): Diff => {
      const before = find(now, 'picture', 'pic');
      if (!before) throw new Error('There is no such picture any more.');
      return { ...NO_DIFF, updated: [{ before, after: { ...before, caption: `${before.caption}!` } }] };
    };
    store.act('Louder', louder);
    other.store.do('Theirs', caption(other.store, 'theirs'));
    await other.all();
    await all();
    again!();
    // The properties that it set before would be “!”.
    expect(pic(store).caption).toBe('theirs!');
    other.store.do('Theirs again', caption(other.store, 'quiet'));
    await other.all();
    await all();
    other.store.do('Gone', { ...NO_DIFF, removed: [pic(other.store)] });
    await other.all();
    await all();
    again!();
    expect(said).toEqual(['Somebody else was first.', 'Somebody else was first.', 'There is no such picture any more.']);
  });

  it('does not undo over what somebody else has changed since', async () => {
    const { store, server, all } = setUp();
    store.do('Mine', caption(store, 'mine'));
    await all();
    const other = setUp(server, [], 'you');
    other.store.do('Theirs', caption(other.store, 'theirs'));
    await other.all();
    expect(await store.undo()).toMatchObject({ refused: expect.stringMatching(/somebody else/) as string });
    expect(pic(store).caption).toBe('theirs');
  });
});

it('what was done a thousand changes ago is fetched to be undone, and finds its place', async () => {
  const { store, server, all, type, words } = setUp();
  type('blue ', { paragraph: 0, offset: 4 });
  await store.undo();
  await store.redo();
  await all();
  for (let i = 0; i < 1_100; i++) {
    const body = find(server.document, 'text', 't')!.body;
    const steps = done(body, typeWords(body, { paragraph: 0, offset: 0 }, 'x').steps);
    const change = { id: `other-${i}`, author: 'you', label: 'Type', kind: 'edit' as const, base: server.log.length };
    server.take({ ...change, diff: storedDiff(typing('t', steps)) });
  }
  server.tell();
  expect(words()).toBe(`${'x'.repeat(1_100)}The blue kite that Fenn keeps.\nAnd more.`);
  expect(await store.undo()).toEqual({ label: 'Type' });
  expect(words()).toBe(`${'x'.repeat(1_100)}${WORDS}\nAnd more.`);
});

describe('typing', () => {
  it('is one change while the hand does not rest, seen at once and sent when it does', async () => {
    const { store, sent, type, words, settle, answer, pending } = setUp();
    const heard: Diff[] = [];
    store.onDiff((diff) => heard.push(diff));
    for (const [i, letter] of [...'blue '].entries()) type(letter, { paragraph: 0, offset: 4 + i });
    await settle();
    expect(words()).toBe('The blue kite that Fenn keeps.\nAnd more.');
    expect(heard).toHaveLength(5);
    expect(sent).toHaveLength(0);
    expect(store.state().is).toBe('storing');
    expect(pending()).toHaveLength(1);
    store.rest();
    await answer();
    expect(sent).toHaveLength(1);
    await store.undo();
    expect(words()).toBe(`${WORDS}\nAnd more.`);
  });

  it('of two people in one paragraph keeps every letter of both, and undo takes back one’s own', async () => {
    const a = setUp();
    const b = setUp(a.server, [], 'you');
    a.type('blue ', { paragraph: 0, offset: 4 });
    b.type(' there', { paragraph: 0, offset: 24 });
    a.store.rest();
    b.store.rest();
    await a.all();
    // The other was sent on what there was before: it is rebased and sent again.
    await b.all();
    const both = 'The blue kite that Fenn keeps there.\nAnd more.';
    expect([a.words(), b.words(), bodyText(find(a.server.document, 'text', 't')!.body)]).toEqual([both, both, both]);
    expect(b.sent.length).toBe(2);
    await a.store.undo();
    await a.all();
    expect(b.words()).toBe('The kite that Fenn keeps there.\nAnd more.');
    await b.store.undo();
    await b.all();
    await a.store.redo();
    await a.all();
    expect(a.words()).toBe('The blue kite that Fenn keeps.\nAnd more.');
  });

  it('keeps a style that somebody gives the paragraph meanwhile, and the letters that are typed into it', async () => {
    const a = setUp();
    const b = setUp(a.server, [], 'you');
    a.type('!', { paragraph: 0, offset: 0 });
    b.store.type(
      'Type',
      't',
      restyled(find(b.store.document, 'text', 't')!.body, { paragraph: 0, offset: 0 }, { style: 'headline' }).steps,
    );
    a.store.rest();
    b.store.rest();
    await b.all();
    await a.all();
    const [first] = paragraphsOf(find(a.server.document, 'text', 't')!.body);
    expect([first!.attrs['style'], first!.textContent]).toEqual(['headline', `!${WORDS}`]);
  });

  it('into a text that is removed meanwhile is told of, with its words', async () => {
    const a = setUp();
    const refused = vi.fn();
    a.store.onRefused = refused;
    a.type('blue ', { paragraph: 0, offset: 4 });
    a.type('\nand red ', { paragraph: 0, offset: 9 });
    const b = setUp(a.server, [], 'you');
    b.store.do('Remove', { ...NO_DIFF, removed: [find(b.store.document, 'text', 't')!] });
    await b.all();
    expect(a.store.document.records.has('t')).toBe(false);
    a.store.rest();
    await a.all();
    expect(refused).toHaveBeenCalledWith('It has been removed.', undefined, 'blue \nand red ');
    expect(a.store.state().is).toBe('stored');
    expect(a.store.snapshot().undo).toBeUndefined();
  });
});

// Whoever writes what, whenever it is sent and heard: all come to the same, and no letter is lost.
it('three who write, take out, undo and lose the network converge to one text that holds every word', async () => {
  const act = fc.record({
    who: fc.nat(2),
    does: fc.constantFrom('type', 'type', 'type', 'erase', 'part', 'rest', 'answer', 'answer', 'lose', 'tell', 'undo', 'redo'),
    at: fc.nat(200),
  });
  await fc.assert(
    fc.asyncProperty(fc.array(act, { minLength: 5, maxLength: 40 }), async (acts) => {
      const server = new Server();
      const people = ['a', 'b', 'c'].map((author) => setUp(server, [], author));
      const kept = new Set<string>();
      let count = 0;
      let undone = false;
      for (const { who, does, at } of acts) {
        const { store, settle, answer, later, sent } = people[who]!;
        const body = find(store.document, 'text', 't')!.body;
        const list = paragraphsOf(body);
        const paragraph = at % list.length;
        const place = { paragraph, offset: at % (list[paragraph]!.content.size + 1) };
        if (does === 'type') {
          // A word of one sign, which nobody else types and nothing takes out.
          const word = String.fromCodePoint(0x4e00 + ++count);
          store.type('Type', 't', typeWords(body, place, word).steps);
          kept.add(word);
        } else if (does === 'part') store.type('Type', 't', typeWords(body, place, '\n').steps);
        else if (does === 'erase') {
          const text = list[paragraph]!.textContent;
          // Only letters of the beginning are taken out, so that every word must still be there at the end.
          if (place.offset > 0 && /[a-z ]/i.test(text[place.offset - 1]!))
            store.type('Type', 't', deleteAt(body, place, true)!.steps);
        } else if (does === 'rest') store.rest();
        else if (does === 'tell') server.tell();
        else if (does === 'undo' || does === 'redo') {
          await (does === 'undo' ? store.undo() : store.redo());
          undone = true;
        } else if (sent.length > 0 && store.state().is !== 'stored') {
          store.rest();
          await settle();
          // There may be nothing on its way just now.
          await answer(does === 'lose' ? new Error('no network') : undefined).catch(() => undefined);
          for (const work of later.splice(0)) work();
        }
        await settle();
      }
      for (let round = 0; round < 4; round++)
        for (const { store, all, later } of people) {
          store.rest();
          for (const work of later.splice(0)) work();
          await all();
          server.tell();
        }
      const words = bodyText(find(server.document, 'text', 't')!.body);
      for (const person of people) {
        expect(person.words()).toBe(words);
        expect(person.store.state().is).toBe('stored');
      }
      if (!undone) for (const word of kept) expect(words.split(word)).toHaveLength(2);
      // What is stored is what its log leads to.
      const start = readDocument(server.records);
      const replayed = server.log.reduce((document, { diff }) => applied(document, readDiff(diff)), start);
      expect(bodyText(find(replayed, 'text', 't')!.body)).toBe(words);
    }),
    { numRuns: 2_000, seed: 21 },
  );
}, 300_000);
