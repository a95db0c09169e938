'use client';

import { EditorView } from 'prosemirror-view';
import { type FocusEvent, useEffect, useRef } from 'react';
import { type EditorState, TextSelection } from 'prosemirror-state';
import { typeWords } from '@/core/editing/typing';
import type { Box } from '@/core/geometry/box';
import type { Document } from '@/core/records/document';
import type { Command } from '../../frame/commands/command';
import type { Say } from '../../frame/useNotices';
import { useLatest } from '../../frame/useLatest';
import { pasting, plainOf, serializer } from '../../text/clipboard';
import { editingKey } from '../../text/editingKeys';
import type { TextInHand, Way } from '../../text/textInHand';

interface TextFieldProps {
  readonly inHand: TextInHand;
  readonly document: Document;
  readonly name: string;
  /** Where the caret stands, pixels of the desk: what an input method shows stands there too. */
  readonly at: Box | undefined;
  readonly commands: readonly Command[];
  readonly say: Say;
  readonly onTurn: (how: 'undo' | 'redo') => void;
  readonly onFiles: (files: File[]) => void;
}

/** Lines that Page up and Page down go. */
const FAR = 24;

/** What reads the field, or writes in it past us. */
const READERS = ['compositionstart', 'copy', 'cut', 'paste', 'focus'] as const;

/**
 * Letters selected beyond which the field shows only their end as selected until something reads it: a browser lays out all
 * of what is selected, page after page of it, for every movement of the hand.
 */
const FAR_SELECTED = 20_000;

/** A state as the field has it while nothing reads it. */
function lightly(state: EditorState): EditorState {
  const { anchor, head } = state.selection;
  if (Math.abs(head - anchor) <= FAR_SELECTED) return state;
  const $head = state.doc.resolve(head);
  const near = TextSelection.between(state.doc.resolve(head > anchor ? $head.start() : $head.end()), $head);
  return state.apply(state.tr.setSelection(near));
}

/** Milliseconds that the field lets pass, in which the words come to stand on the page, and that it may be behind at most. */
const FIRST = 60;
const BEHIND = 300;

/** Does work when the words are on the page and the browser is idle. Gives how to leave it. */
function later(work: () => void): () => void {
  let idle: number | undefined;
  const timer = setTimeout(() => {
    if ('requestIdleCallback' in window) idle = requestIdleCallback(work, { timeout: BEHIND - FIRST });
    else work();
  }, FIRST);
  return () => {
    clearTimeout(timer);
    if (idle !== undefined) cancelIdleCallback(idle);
  };
}

/** Where the caret goes by a key; undefined for keys that do not move it. */
function wayOf({ key, ctrlKey, metaKey, altKey }: KeyboardEvent): Way | undefined {
  const far = ctrlKey || metaKey;
  if (altKey) return undefined;
  switch (key) {
    case 'ArrowLeft':
    case 'ArrowRight':
      return { by: far ? 'word' : 'letter', to: key === 'ArrowLeft' ? -1 : 1 };
    case 'ArrowUp':
    case 'ArrowDown':
      return { by: 'line', to: key === 'ArrowUp' ? -1 : 1 };
    case 'PageUp':
    case 'PageDown':
      return { by: 'line', to: key === 'PageUp' ? -FAR : FAR };
    case 'Home':
    case 'End':
      return { by: far ? 'text' : 'lineEdge', to: key === 'Home' ? -1 : 1 };
    default:
      return undefined;
  }
}

/**
 * The field behind the caret. It holds the text in hand as a browser's own editable text, which nobody sees: letters, input
 * methods, dictation, the clipboard and screen readers find there what they need; what is seen is set by the typesetter.
 */
export function TextField({ inHand, document, name, at, commands, say, onTurn, onFiles }: TextFieldProps) {
  const place = useRef<HTMLDivElement>(null);
  const catchUp = useRef(() => {});
  const latest = useRef({ document, name, say, onFiles });
  useEffect(() => {
    latest.current = { document, name, say, onFiles };
  });
  const key = useLatest((event: KeyboardEvent): boolean => onKey(inHand, commands, onTurn, event));

  useEffect(() => {
    const first = inHand.now();
    if (!first) return;
    let plain = false;
    const view = new EditorView(place.current!, {
      state: first.state,
      attributes: () => ({
        role: 'textbox',
        'aria-multiline': 'true',
        'aria-label': latest.current.name,
        spellcheck: 'false',
        'data-text-field': '',
      }),
      dispatchTransaction: (tr) => {
        // What was read off the field while it was behind is of a text that is no more.
        if (!inHand.now()?.state.doc.eq(tr.before)) return catchUp.current();
        const how = tr.getMeta('uiEvent') as string | undefined;
        inHand.take(tr, how === 'cut' ? 'Cut' : 'Type');
      },
      handleKeyDown: (_, event) => {
        plain = event.shiftKey && event.key.toLowerCase() === 'v';
        return key(event);
      },
      handleDOMEvents: {
        ...Object.fromEntries(
          READERS.map((type) => [
            type,
            () => {
              catchUp.current();
              return false;
            },
          ]),
        ),
        beforeinput: (own, event) => {
          // Plain letters never reach the field: it would be laid out anew for each of them before their line is.
          if (own.composing || event.inputType !== 'insertText' || event.data === null) {
            if (!own.composing) catchUp.current();
            return false;
          }
          event.preventDefault();
          inHand.words(event.data);
          return true;
        },
      },
      handleTextInput: (own, from, to, words) => {
        if (own.composing) return false;
        const before = own.state.apply(own.state.tr.setSelection(TextSelection.create(own.state.doc, from, to)));
        const tr = typeWords(words, inHand.following)(before);
        if (tr) inHand.take(tr);
        return true;
      },
      clipboardTextSerializer: plainOf,
      clipboardSerializer: serializer(latest.current.document),
      handlePaste: (_, event, slice) => {
        const data = event.clipboardData;
        if (!data) return false;
        const pasted = { html: data.getData('text/html'), plain: data.getData('text/plain'), slice };
        if (data.files.length > 0 && pasted.plain === '') {
          latest.current.onFiles([...data.files]);
          return true;
        }
        try {
          inHand.run(pasting(latest.current.document, pasted, plain), 'Paste');
          plain = false;
        } catch (error) {
          latest.current.say((error as Error).message, 'wrong');
        }
        return true;
      },
      // What is dragged is dragged on the page.
      handleDrop: () => true,
    });
    view.focus();
    // What nobody sees can wait until the words are on the page; whatever reads it brings it up to date first.
    let waiting: (() => void) | undefined;
    const update = () => {
      waiting?.();
      waiting = undefined;
      const now = inHand.now();
      if (now && now.state !== view.state) view.updateState(now.state);
    };
    catchUp.current = update;
    const follow = () => {
      waiting = undefined;
      const now = inHand.now();
      if (now && now.state !== view.state) view.updateState(lightly(now.state));
    };
    const stop = inHand.subscribe(() => {
      if (view.composing) update();
      else waiting ??= later(follow);
    });
    return () => {
      stop();
      waiting?.();
      view.destroy();
    };
    // The name of a text without a story is its first words: the field stays the same while they are typed.
  }, [inHand, key]);

  return (
    <div
      ref={place}
      className="text-field"
      style={{ left: at?.x ?? 0, top: at?.y ?? 0, height: Math.max(1, at?.h ?? 1) }}
      onBlur={(event) => {
        if (!staysInHand(event)) inHand.leave();
      }}
    />
  );
}

/** The text is left when something else of the work is turned to; whoever looks into another window, or opens a menu or a dialog, comes back to it. */
export function staysInHand({ relatedTarget }: FocusEvent): boolean {
  const to = (relatedTarget ?? window.document.activeElement) as Element | null;
  if (!window.document.hasFocus()) return true;
  return to?.closest('[data-text-field], [data-text-tools], [role=dialog], [role=menu], [role=listbox]') != null;
}

/** Ways of the caret are by lines as they are set; the rest is as in any text. */
function onKey(
  inHand: TextInHand,
  commands: readonly Command[],
  onTurn: TextFieldProps['onTurn'],
  event: KeyboardEvent,
): boolean {
  const way = event.isComposing ? undefined : wayOf(event);
  if (!way) return editingKey(inHand, commands, onTurn, event);
  inHand.move(way, event.shiftKey);
  event.preventDefault();
  event.stopPropagation();
  return true;
}
