'use client';

import type { Node } from 'prosemirror-model';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import { followingStyle } from '@/core/actions/styles';
import { levelsOf } from '@/core/type/bidi';
import { setBody } from '@/core/actions/texts';
import { paragraphsOf, plainText, stepped } from '@/core/records/body';
import { find } from '@/core/records/document';
import type { FieldName, ParagraphAttrs } from '@/core/records/text';
import {
  deleteAt,
  lengthOf,
  restyled,
  steppedPlace,
  type TextPlace,
  type Typed,
  typeField,
  typeWords,
} from '@/core/records/typing';

/** Typing becomes a change when the hand has rested for so long, and at the latest after so long; milliseconds. */
const REST = 600;
const LATEST = 1000;

export interface TypingHand {
  /** The text that is being typed into. Where in it is known to the typesetter, which tells where the caret stands. */
  readonly typing: string | undefined;
  begin(text: string, place: TextPlace): void;
  end(): void;
  /** Makes a change of what was typed so far. */
  rest(): void;
  words(words: string): void;
  erase(back: boolean): void;
  step(by: 1 | -1): void;
  line(by: 1 | -1): void;
  edge(end: boolean): void;
  field(name: FieldName): void;
  /** The paragraph the caret is in. */
  paragraph(): Node | undefined;
  /** Gives it another style, or has it begin in the next column, frame or page. */
  restyle(attrs: Partial<ParagraphAttrs>): void;
}

/**
 * Typing into a text on the page. Every key goes to the typesetter at once; what was typed becomes one change of the
 * document when the hand rests, and when the text is left.
 */
export function useTyping(store: DeskStore, composer: ComposerClient): TypingHand {
  const [typing, setTyping] = useState<string>();
  const now = useRef<{ text: string; place: TextPlace; body: Node; dirty: boolean } | undefined>(undefined);
  const rest = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const latest = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);

  const commit = useCallback(() => {
    clearTimeout(rest.current);
    clearTimeout(latest.current);
    latest.current = undefined;
    const own = now.current;
    if (!own?.dirty) return;
    own.dirty = false;
    if (find(store.document, 'text', own.text)) store.do('Type', setBody(store.document, own.text, own.body));
    store.expect(false);
  }, [store]);

  const show = useCallback(
    (typed: Typed | undefined) => {
      const own = now.current;
      if (!own || !typed) return;
      own.body = stepped(own.body, typed.steps);
      own.place = typed.caret;
      own.dirty = true;
      composer.typed(own.text, typed.steps, typed.caret);
      store.expect(true);
      clearTimeout(rest.current);
      rest.current = setTimeout(commit, REST);
      latest.current ??= setTimeout(commit, LATEST);
    },
    [store, composer, commit],
  );

  const move = useCallback(
    (place: TextPlace) => {
      const own = now.current;
      if (!own) return;
      own.place = place;
      composer.typed(own.text, [], place);
    },
    [composer],
  );

  const begin = useCallback(
    (text: string, place: TextPlace) => {
      commit();
      const record = find(store.document, 'text', text);
      if (!record) return;
      now.current = { text, place, body: record.body, dirty: false };
      setTyping(text);
      move(place);
    },
    [store, commit, move],
  );

  const end = useCallback(() => {
    commit();
    now.current = undefined;
    setTyping(undefined);
  }, [commit]);

  // What somebody else, or undo, does to the text is taken over; a caret behind its end goes to its end.
  useEffect(
    () =>
      store.onDiff((diff) => {
        const own = now.current;
        if (!own) return;
        if (diff.removed.some(({ id }) => id === own.text)) return end();
        const after = diff.updated.find(({ after: { id } }) => id === own.text)?.after;
        if (after?.kind !== 'text' || own.dirty) return;
        own.body = after.body;
        const list = paragraphsOf(own.body);
        const paragraph = Math.min(own.place.paragraph, list.length - 1);
        own.place = { paragraph, offset: Math.min(own.place.offset, lengthOf(list[paragraph]!)) };
        composer.typed(own.text, [], own.place);
      }),
    [store, composer, end],
  );
  useEffect(() => {
    window.addEventListener('pagehide', commit);
    return () => {
      window.removeEventListener('pagehide', commit);
      commit();
    };
  }, [commit]);

  return {
    typing,
    begin,
    end,
    rest: commit,
    words: (words) =>
      now.current &&
      show(typeWords(now.current.body, now.current.place, words, (style) => followingStyle(store.document, style))),
    field: (name) => now.current && show(typeField(now.current.body, now.current.place, name)),
    erase: (back) => now.current && show(deleteAt(now.current.body, now.current.place, back)),
    step: (by) => {
      const own = now.current;
      if (!own) return;
      // Arrows go where they point: in what is written from right to left, the other way through the text.
      const text = plainText(paragraphsOf(own.body)[own.place.paragraph]!);
      const levels = levelsOf(text);
      const level = levels ? (levels.of[Math.min(own.place.offset, text.length - 1)] ?? 0) : 0;
      const forward = level % 2 === 1 ? (-by as 1 | -1) : by;
      void move(steppedPlace(own.body, own.place, forward));
    },
    line: (by) => {
      const own = now.current;
      if (own) void composer.placeBeside(own.text, own.place, by).then((place) => now.current === own && move(place));
    },
    paragraph: () => now.current && paragraphsOf(now.current.body)[now.current.place.paragraph],
    restyle: (attrs) => now.current && show(restyled(now.current.body, now.current.place, attrs)),
    edge: (end) => {
      const own = now.current;
      if (own) move({ ...own.place, offset: end ? lengthOf(paragraphsOf(own.body)[own.place.paragraph]!) : 0 });
    },
  };
}
