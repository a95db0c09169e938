'use client';

import type { Node } from 'prosemirror-model';
import { Mapping } from 'prosemirror-transform';
import { useCallback, useEffect, useRef } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import { followingStyle } from '@/core/actions/styles';
import { levelsOf } from '@/core/type/bidi';
import { paragraphsOf, plainText } from '@/core/records/body';
import { find } from '@/core/records/document';
import type { Hand } from '../hand/hand';
import type { FieldName, ParagraphAttrs } from '@/core/records/text';
import {
  deleteAt,
  lengthOf,
  placeOf,
  positionOf,
  restyled,
  steppedPlace,
  type TextPlace,
  type Typed,
  typeField,
  typeWords,
} from '@/core/records/typing';

/** Typing becomes a change when the hand has rested for so long, and at the end of a word after so long; milliseconds. */
const REST = 600;
const LATEST = 1000;

/** Typing into the text in hand. Where in it is known to the typesetter, which tells where the caret stands. */
export interface Typing {
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
 * Typing into a text on the page. Every key is steps on the text as it is now, whoever else writes there; what was typed
 * without a pause is one change, which is undone at once.
 */
export function useTyping(store: DeskStore, composer: ComposerClient, hand: Hand): Typing {
  const now = useRef<{ text: string; place: TextPlace; isTyping: boolean } | undefined>(undefined);
  const rest = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const begun = useRef(0);

  const commit = useCallback(() => {
    clearTimeout(rest.current);
    begun.current = 0;
    store.rest();
  }, [store]);

  const bodyNow = useCallback(() => now.current && find(store.document, 'text', now.current.text)?.body, [store]);

  const show = useCallback(
    (typed: Typed | undefined, endsWord = false) => {
      const own = now.current;
      if (!own || !typed) return;
      own.place = typed.caret;
      composer.caret(own.text, typed.caret, true);
      own.isTyping = true;
      store.type('Type', own.text, typed.steps);
      own.isTyping = false;
      clearTimeout(rest.current);
      rest.current = setTimeout(commit, REST);
      begun.current ||= performance.now();
      if (endsWord && performance.now() - begun.current > LATEST) commit();
    },
    [store, composer, commit],
  );

  const move = useCallback(
    (place: TextPlace) => {
      const own = now.current;
      if (!own) return;
      own.place = place;
      composer.caret(own.text, place);
    },
    [composer],
  );

  const begin = useCallback(
    (text: string, place: TextPlace) => {
      commit();
      if (!find(store.document, 'text', text)) return;
      now.current = { text, place, isTyping: false };
      hand.take({ doing: 'typing', text });
      move(place);
    },
    [store, hand, commit, move],
  );

  const end = useCallback(() => hand.rest('typing'), [hand]);
  // However the text is left, what was typed is a change.
  useEffect(
    () =>
      hand.subscribe(() => {
        if (!now.current || hand.now().doing === 'typing') return;
        now.current = undefined;
        commit();
      }),
    [hand, commit],
  );

  // The caret stays where it is in the words, whatever somebody else, or undo, does before it.
  useEffect(() => {
    let before = store.document;
    return store.onDiff((diff) => {
      const old = before;
      before = store.document;
      const own = now.current;
      if (!own) return;
      if (diff.removed.some(({ id }) => id === own.text)) return end();
      const steps = diff.texts.find(({ id }) => id === own.text)?.steps;
      const was = find(old, 'text', own.text)?.body;
      const body = bodyNow();
      if (!steps || !was || !body || own.isTyping) return;
      const position = new Mapping(steps.map((step) => step.getMap())).map(positionOf(was, own.place));
      move(placeOf(body, position));
    });
  }, [store, composer, bodyNow, move, end]);
  useEffect(() => {
    window.addEventListener('pagehide', commit);
    return () => {
      window.removeEventListener('pagehide', commit);
      commit();
    };
  }, [commit]);

  /** Does something with the text as it is now, at the caret. */
  const at = <T>(what: (body: Node, place: TextPlace) => T): T | undefined => {
    const body = bodyNow();
    return body && what(body, now.current!.place);
  };

  return {
    begin,
    end,
    rest: commit,
    words: (words) =>
      show(
        at((body, place) => typeWords(body, place, words, (style) => followingStyle(store.document, style))),
        /\s$/.test(words),
      ),
    field: (name) => show(at((body, place) => typeField(body, place, name))),
    erase: (back) => show(at((body, place) => deleteAt(body, place, back))),
    step: (by) =>
      at((body, place) => {
        // Arrows go where they point: in what is written from right to left, the other way through the text.
        const text = plainText(paragraphsOf(body)[place.paragraph]!);
        const levels = levelsOf(text);
        const level = levels ? (levels.of[Math.min(place.offset, text.length - 1)] ?? 0) : 0;
        const forward = level % 2 === 1 ? (-by as 1 | -1) : by;
        move(steppedPlace(body, place, forward));
      }),
    line: (by) => {
      const own = now.current;
      if (own) void composer.placeBeside(own.text, own.place, by).then((place) => now.current === own && move(place));
    },
    paragraph: () => at((body, place) => paragraphsOf(body)[place.paragraph]),
    restyle: (attrs) => show(at((body, place) => restyled(body, place, attrs))),
    edge: (end) => at((body, place) => move({ ...place, offset: end ? lengthOf(paragraphsOf(body)[place.paragraph]!) : 0 })),
  };
}
