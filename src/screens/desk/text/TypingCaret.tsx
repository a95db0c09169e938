'use client';

import { type FocusEvent, type KeyboardEvent, useEffect, useRef } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { PlacedPage } from '@/core/page/pages';
import { all, type Document } from '@/core/records/document';
import type { StartIn } from '@/core/records/paragraphStyle';
import { FIELD_NAMES } from '@/core/records/bodySchema';
import type { FieldName, ParagraphAttrs } from '@/core/records/text';
import { FIELD_WORDS } from '../../../core/records/fieldWords';
import { onSpread } from '../frames/frameInSight';
import { useLatest } from '../../frame/useLatest';
import { useSetting } from '../../sheet/useSetting';
import type { Typing } from './useTyping';
import { toScreen, type View } from '../../sheet/view';

/**
 * The caret of a text that is typed on the page, and the field behind it that takes what is typed: letters, input
 * methods, the clipboard.
 */
export function TypingCaret({
  typing,
  document,
  composer,
  pages,
  view,
  name,
  onTurn,
}: {
  typing: Typing;
  document: Document;
  composer: ComposerClient;
  pages: readonly PlacedPage[];
  view: View;
  name: string;
  onTurn: (how: 'undo' | 'redo') => void;
}) {
  const field = useRef<HTMLTextAreaElement>(null);
  const bar = useRef<HTMLDivElement>(null);
  const caret = useSetting(composer, (setting) => setting.caret);
  const paragraph = typing.paragraph();
  const write = useLatest((words: string) => typing.words(words));
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

  /** The text is left when something else on the page is turned to; whoever looks into another window comes back to it. */
  const leave = ({ relatedTarget: to }: FocusEvent) => {
    const isHere = (element: Element | null) => element !== null && (element === field.current || bar.current?.contains(element));
    if (!isHere(to as Element | null) && !isHere(window.document.activeElement)) typing.end();
  };

  const take = () => {
    const element = field.current!;
    if (element.value === '') return;
    typing.words(element.value);
    element.value = '';
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.nativeEvent.isComposing || event.altKey) return;
    if (event.ctrlKey || event.metaKey) {
      if (event.key.toLowerCase() !== 'z') return;
      event.preventDefault();
      typing.rest();
      return onTurn(event.shiftKey ? 'redo' : 'undo');
    }
    const keys: Record<string, () => void> = {
      Backspace: () => typing.erase(true),
      Delete: () => typing.erase(false),
      ArrowLeft: () => typing.step(-1),
      ArrowRight: () => typing.step(1),
      ArrowUp: () => typing.line(-1),
      ArrowDown: () => typing.line(1),
      Home: () => typing.edge(false),
      End: () => typing.edge(true),
      Escape: () => typing.end(),
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
        onBlur={leave}
      />
      <div
        ref={bar}
        className="bg-secondary text-secondary-content absolute bottom-3 left-1/2 flex -translate-x-1/2 items-center gap-4 px-3 py-1.5 whitespace-nowrap"
        data-typing
        onPointerDown={(event) => event.stopPropagation()}
        onKeyDown={(event) => {
          if (event.key !== 'Escape') return;
          event.stopPropagation();
          field.current!.focus({ preventScroll: true });
        }}
        onBlur={leave}
      >
        <span role="status">
          {at ? 'Typing. Escape leaves the text.' : 'Typing in overset text, which no frame shows. Escape leaves the text.'}
        </span>
        {paragraph && (
          <ParagraphChoices
            document={document}
            paragraph={paragraph.attrs as ParagraphAttrs}
            onChange={(attrs) => {
              typing.restyle(attrs);
              field.current!.focus({ preventScroll: true });
            }}
            onField={(name) => {
              typing.field(name);
              field.current!.focus({ preventScroll: true });
            }}
          />
        )}
      </div>
    </>
  );
}

const STARTS: readonly (readonly [StartIn | '', string])[] = [
  ['', 'here'],
  ['column', 'in the next column'],
  ['frame', 'in the next frame'],
  ['page', 'on the next page'],
  ['oddPage', 'on the next odd page'],
];

/** Style and beginning of the paragraph the caret is in. */
function ParagraphChoices({
  document,
  paragraph,
  onChange,
  onField,
}: {
  document: Document;
  paragraph: ParagraphAttrs;
  onChange: (attrs: Partial<ParagraphAttrs>) => void;
  onField: (name: FieldName) => void;
}) {
  const choice = 'bg-secondary border-base-100/30 narrow border-b py-0.5';
  return (
    <>
      <label className="flex items-center gap-1.5">
        <span className="opacity-75">Style</span>
        <select className={choice} value={paragraph.style} onChange={(event) => onChange({ style: event.target.value })}>
          {all(document, 'paragraphStyle').map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-1.5">
        <span className="opacity-75">Start in</span>
        <select
          className={choice}
          value={paragraph.startIn ?? ''}
          onChange={(event) => onChange({ startIn: (event.target.value || undefined) as StartIn | undefined })}
        >
          {STARTS.map(([value, name]) => (
            <option key={value} value={value}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-1.5">
        <span className="opacity-75">Field</span>
        <select className={choice} value="" onChange={(event) => onField(event.target.value as FieldName)}>
          <option value="">insert …</option>
          {FIELD_NAMES.map((name) => (
            <option key={name} value={name}>
              {FIELD_WORDS[name]}
            </option>
          ))}
        </select>
      </label>
    </>
  );
}
