'use client';

import { useEffect, useRef, type KeyboardEvent } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { PlacedPage } from '@/core/page/pages';
import { onSpread } from './Overlay';
import { useLatest } from './useLatest';
import { useSetting } from './useSetting';
import type { TypingHand } from './useTyping';
import { toScreen, type View } from './view';

/**
 * The caret of a text that is typed on the page, and the field behind it that takes what is typed: letters, input
 * methods, the clipboard.
 */
export function TypingCaret({
  hand,
  composer,
  pages,
  view,
  name,
  onTurn,
}: {
  hand: TypingHand;
  composer: ComposerClient;
  pages: readonly PlacedPage[];
  view: View;
  name: string;
  onTurn: (how: 'undo' | 'redo') => void;
}) {
  const field = useRef<HTMLTextAreaElement>(null);
  const caret = useSetting(composer, (setting) => setting.caret);
  const write = useLatest((words: string) => hand.words(words));
  useEffect(() => {
    const element = field.current!;
    element.focus({ preventScroll: true });
    // Plain letters never reach the field: it would be laid out anew for each of them before their line is.
    const before = (event: InputEvent) => {
      if (event.isComposing || event.data === null || !/^insert(Text|FromPaste|ReplacementText)$/.test(event.inputType)) return;
      event.preventDefault();
      write(event.data);
    };
    element.addEventListener('beforeinput', before);
    return () => element.removeEventListener('beforeinput', before);
  }, [write]);
  const page = pages.find((each) => each.page.id === caret?.page);
  const at = caret && page ? toScreen(view, onSpread({ page, box: caret.box })) : undefined;

  const take = () => {
    const element = field.current!;
    if (element.value === '') return;
    hand.words(element.value);
    element.value = '';
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.nativeEvent.isComposing || event.altKey) return;
    if (event.ctrlKey || event.metaKey) {
      if (event.key.toLowerCase() !== 'z') return;
      event.preventDefault();
      hand.rest();
      return onTurn(event.shiftKey ? 'redo' : 'undo');
    }
    const keys: Record<string, () => void> = {
      Backspace: () => hand.erase(true),
      Delete: () => hand.erase(false),
      ArrowLeft: () => hand.step(-1),
      ArrowRight: () => hand.step(1),
      ArrowUp: () => hand.line(-1),
      ArrowDown: () => hand.line(1),
      Home: () => hand.edge(false),
      End: () => hand.edge(true),
      Escape: () => hand.end(),
    };
    const own = keys[event.key];
    if (!own) return;
    event.preventDefault();
    event.stopPropagation();
    own();
  };
  return (
    <>
      {at && (
        <div
          aria-hidden="true"
          data-caret
          className="pointer-events-none absolute w-[2px]"
          style={{ left: at.x - 1, top: at.y, height: at.h, background: 'var(--mark)' }}
        />
      )}
      <textarea
        ref={field}
        aria-label={`${name}: type here; Escape leaves the text`}
        className="absolute h-px w-px resize-none overflow-hidden opacity-0"
        style={{ left: at?.x ?? 0, top: (at?.y ?? 0) + (at?.h ?? 0) }}
        autoCapitalize="off"
        spellCheck={false}
        onKeyDown={onKey}
        onInput={(event) => !(event.nativeEvent as InputEvent).isComposing && take()}
        onCompositionEnd={take}
        onBlur={hand.end}
      />
      <p
        role="status"
        className="bg-secondary text-secondary-content absolute bottom-3 left-1/2 -translate-x-1/2 px-3 py-1.5"
        data-typing
      >
        {at ? 'Typing. Escape leaves the text.' : 'Typing where no frame shows it: the text is over. Escape leaves the text.'}
      </p>
    </>
  );
}
