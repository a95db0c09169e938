import { EditorState, type Transaction } from 'prosemirror-state';
import { useEffect, useState, useSyncExternalStore } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import { followingStyle } from '@/core/actions/styles';
import {
  everything,
  placeIn,
  placeOf,
  rangeOf,
  samePlace,
  selectionOf,
  steppedPlace,
  type TextPlace,
  type TextRange,
  wordBeyond,
} from '@/core/editing/places';
import { asTyped } from '@/core/finding/cleanUp';
import { erase, partParagraph, type TextCommand, typeWords } from '@/core/editing/typing';
import { paragraphsOf, plainText } from '@/core/records/body';
import { find } from '@/core/records/document';
import { spoken } from '@/core/records/language';
import { levelsOf } from '@/core/type/bidi';

/** Typing becomes a change when the hand has rested for so long, and at the end of a word after so long; milliseconds. */
const REST = 600;
const LATEST = 1000;

/** Who knows whether a text is written in, and which: the desk's hand, or the editor of Copy. */
export interface TextHolder {
  readonly subscribe: (listener: () => void) => () => void;
  isWriting(): boolean;
  take(text: string): void;
  leave(): void;
}

/** A text that is being written in: what is selected, and what the next letter would look like. */
export interface InHand {
  readonly text: string;
  readonly state: EditorState;
}

/** A way for the caret: by letters and words through the text, by lines as they are set. */
export type Way =
  | { readonly by: 'letter' | 'word'; readonly to: 1 | -1 }
  | { readonly by: 'line'; readonly to: number }
  | { readonly by: 'lineEdge' | 'text'; readonly to: 1 | -1 };

/**
 * The text in hand. Whatever is done to it is steps on the text as it is now, whoever else writes there; what was typed
 * without a pause is one change, which is undone at once.
 */
export class TextInHand {
  readonly #store: DeskStore;
  readonly #composer: ComposerClient;
  readonly #holder: TextHolder;
  readonly #listeners = new Set<() => void>();
  #now: InHand | undefined;
  /** What the way up or down keeps to, as long as it goes on. */
  #goal: number | undefined;
  #isOwn = false;
  #rest: ReturnType<typeof setTimeout> | undefined;
  #begun = 0;
  /** A way that is still being worked out: what is pressed after it waits for it. */
  #way: Promise<void> | undefined;

  constructor(store: DeskStore, composer: ComposerClient, holder: TextHolder) {
    this.#store = store;
    this.#composer = composer;
    this.#holder = holder;
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  readonly now = (): InHand | undefined => this.#now;

  get language(): string {
    return spoken(find(this.#store.document, 'issue', 'issue')?.language);
  }

  readonly following = (style: string): string => followingStyle(this.#store.document, style);

  /** Follows the hand and the document, until the desk is closed. Gives how to stop. */
  follow(): () => void {
    const rest = () => this.rest();
    const stops = [
      this.#holder.subscribe(() => {
        // However the text is left, what was typed is a change.
        if (this.#now && !this.#holder.isWriting()) this.#left();
      }),
      this.#store.onDiff((diff) => {
        const own = this.#now;
        if (!own || this.#isOwn) return;
        if (diff.removed.some(({ id }) => id === own.text)) return this.#holder.leave();
        const steps = diff.texts.find(({ id }) => id === own.text)?.steps;
        if (steps) this.#takeOthers(steps);
      }),
    ];
    window.addEventListener('pagehide', rest);
    return () => {
      window.removeEventListener('pagehide', rest);
      for (const stop of stops) stop();
      rest();
    };
  }

  /** Goes into a text, with something of it selected. */
  begin(text: string, range: TextRange): void {
    this.#then(() => {
      this.rest();
      const body = find(this.#store.document, 'text', text)?.body;
      if (!body) return;
      this.#goal = undefined;
      this.#set({ text, state: EditorState.create({ doc: body, selection: selectionOf(body, range) }) });
      this.#holder.take(text);
      this.#composer.select({ text, ...range });
    });
  }

  /** Goes into a text at its end. */
  beginAtEnd(text: string): void {
    const body = find(this.#store.document, 'text', text)?.body;
    if (!body) return;
    const { head } = everything(body);
    this.begin(text, { anchor: head, head });
  }

  leave(): void {
    this.#then(() => this.#holder.leave());
  }

  /** What was pressed before a way was worked out still means the text that it was pressed in. */
  #left(): void {
    this.#then(() => {
      if (this.#holder.isWriting()) return;
      this.#set(undefined);
      this.#composer.select(null);
      this.rest();
    });
  }

  /** Makes a change of what was typed so far. */
  rest(): void {
    clearTimeout(this.#rest);
    this.#begun = 0;
    this.#store.rest();
  }

  /** Does a command at what is selected. @param label what it is called where it can be undone; typing that goes on is one change */
  run(command: TextCommand, label = 'Type'): void {
    this.#then(() => {
      const tr = this.#now && command(this.#now.state);
      if (tr) this.take(tr, label);
    });
  }

  words(words: string): void {
    this.run(typeWords(words, this.following));
    if (words.length === 1) this.#asTyped();
    if (/\s$/.test(words) && this.#begun && performance.now() - this.#begun > LATEST) this.rest();
  }

  /** A typewriter's sign becomes that of print. It is a change of its own: undoing it leaves what was typed. */
  #asTyped(): void {
    this.#then(() => {
      const { $from, empty } = this.#now?.state.selection ?? {};
      if (!$from || !empty || !$from.parent.inlineContent) return;
      const before = $from.parent.textBetween(0, $from.parentOffset, undefined, '\uFFFC');
      const put = asTyped(before, this.language);
      if (!put) return;
      const at = $from.pos;
      const { tr, schema } = this.#now!.state;
      this.take(tr.replaceWith(at - put.back, at, schema.text(put.words, $from.marks())), `Set ${put.words} for what was typed`);
    });
  }

  part(): void {
    this.run(partParagraph(this.following));
  }

  erase(back: boolean, by: 'letter' | 'word' = 'letter'): void {
    this.run(erase(back, by, this.language));
  }

  /** Takes a transaction on the text as it is here: a change, or another selection. */
  take(tr: Transaction, label = 'Type'): void {
    const own = this.#now;
    if (!own) return;
    const state = own.state.apply(tr);
    this.#goal = undefined;
    if (tr.docChanged) {
      const alone = label !== 'Type';
      if (alone) this.rest();
      this.#composer.select({ text: own.text, ...rangeOf(state) }, true);
      this.#now = { ...own, state };
      this.#isOwn = true;
      this.#store.type(label, own.text, tr.steps);
      this.#isOwn = false;
      clearTimeout(this.#rest);
      if (alone) this.rest();
      else {
        this.#rest = setTimeout(() => this.rest(), REST);
        this.#begun ||= performance.now();
      }
    } else if (!state.selection.eq(own.state.selection)) this.#composer.select({ text: own.text, ...rangeOf(state) });
    this.#set({ ...own, state });
  }

  /** Selects something of the text. */
  select(range: TextRange): void {
    const own = this.#now;
    if (!own) return;
    this.take(own.state.tr.setSelection(selectionOf(own.state.doc, range)).setStoredMarks(null));
  }

  selectAll(): void {
    if (this.#now) this.select(everything(this.#now.state.doc));
  }

  /** Moves the caret; `extend`: what lies between is selected. */
  move(way: Way, extend: boolean): void {
    this.#then(async () => {
      const own = this.#now;
      if (!own) return;
      const { anchor, head } = rangeOf(own.state);
      // Without Shift, a way through what is selected begins at that edge of it to which it goes.
      if (!extend && !samePlace(anchor, head) && way.by === 'letter') {
        const { from, to } = own.state.selection;
        const place = placeOf(own.state.doc, way.to > 0 ? to : from);
        return this.select({ anchor: place, head: place });
      }
      const { place, goal } = await this.#along(own, head, way);
      if (this.#now?.text !== own.text) return;
      this.select({ anchor: extend ? anchor : place, head: place });
      this.#goal = goal;
    });
  }

  async #along({ text, state: { doc } }: InHand, from: TextPlace, way: Way): Promise<{ place: TextPlace; goal?: number }> {
    switch (way.by) {
      case 'letter':
        return { place: steppedPlace(doc, from, this.#forward(from, way.to)) };
      case 'word':
        return { place: wordBeyond(doc, from, this.#forward(from, way.to), this.language) };
      case 'text':
        return { place: way.to > 0 ? everything(doc).head : { paragraph: 0, offset: 0 } };
      case 'lineEdge':
        return { place: placeIn(doc, await this.#composer.lineEdge(text, from, way.to > 0)) };
      case 'line': {
        const { place, goal } = await this.#composer.placeBeside(text, from, way.to, this.#goal);
        return { place: placeIn(doc, place), goal };
      }
    }
  }

  /** Arrows go where they point: in what is written from right to left, the other way through the text. */
  #forward({ paragraph, offset }: TextPlace, to: 1 | -1): 1 | -1 {
    const text = plainText(paragraphsOf(this.#now!.state.doc)[paragraph]!);
    const levels = levelsOf(text);
    const level = levels ? (levels.of[Math.min(offset, text.length - 1)] ?? 0) : 0;
    return level % 2 === 1 ? (-to as 1 | -1) : to;
  }

  /** Does something now, or behind the way that is being worked out. */
  #then(work: () => void | Promise<void>): void {
    const doing = this.#way ? this.#way.then(work) : work();
    if (!doing) return;
    const way = doing.then(
      () => undefined,
      () => undefined,
    );
    this.#way = way;
    void way.then(() => {
      if (this.#way === way) this.#way = undefined;
    });
  }

  /** What somebody else wrote, or undo, comes in beneath: what is selected stays where it is in the words. */
  #takeOthers(steps: readonly Parameters<Transaction['step']>[0][]): void {
    const own = this.#now!;
    const body = find(this.#store.document, 'text', own.text)?.body;
    if (!body) return this.leave();
    let { state } = own;
    try {
      const { tr } = state;
      for (const step of steps) tr.step(step);
      state = state.apply(tr);
    } catch {
      // Whatever it was, the text is what the document says.
    }
    if (!state.doc.eq(body)) state = EditorState.create({ doc: body, selection: selectionOf(body, rangeOf(state)) });
    this.#composer.select({ text: own.text, ...rangeOf(state) });
    this.#set({ ...own, state });
  }

  #set(now: InHand | undefined): void {
    this.#now = now;
    for (const listener of this.#listeners) listener();
  }
}

/** The text in hand of a place. @param holder made once */
export function useTextInHand(store: DeskStore, composer: ComposerClient, holder: () => TextHolder): TextInHand {
  const [inHand] = useState(() => new TextInHand(store, composer, holder()));
  useEffect(() => inHand.follow(), [inHand]);
  return inHand;
}

/** What is in hand, for whatever shows it. */
export const useInHandNow = (inHand: TextInHand): InHand | undefined =>
  useSyncExternalStore(inHand.subscribe, inHand.now, inHand.now);
