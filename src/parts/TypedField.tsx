'use client';

import { useId, useRef, type PointerEvent } from 'react';
import { useCommitted } from './useCommitted';
import { Wrong } from './Wrong';

interface TypedFieldProps {
  readonly label: string;
  readonly hideLabel?: boolean;
  /** Undefined where several things are chosen that do not agree. */
  readonly value: number | undefined;
  /** What is said where there is no value. */
  readonly none?: string;
  /** A value as it is read. */
  readonly show: (value: number) => string;
  /** @throws Error with a sentence where what was typed is no value */
  readonly read: (typed: string) => number;
  /** What an arrow key adds, and a few pixels of a drag on the label. */
  readonly step?: number;
  readonly help?: string | undefined;
  /** Told of every value on the way, while it is typed or dragged; undefined ends it. */
  readonly onPreview?: ((value: number | undefined) => void) | undefined;
  /** @throws Error with a sentence where the value would not do; it stays in the field, to be mended */
  readonly onChange: (value: number) => void;
}

/** Pixels of a drag to one step. */
const DRAG = 4;
/** Steps at once with Shift. */
const STRIDE = 10;

/**
 * A field for one figure: what is typed counts when it is left or Enter is pressed, and a sentence says where it cannot.
 * Arrow keys and a drag on its label go on by steps.
 */
export function TypedField({
  label,
  hideLabel = false,
  value,
  none = 'Mixed',
  show,
  read,
  step,
  help,
  onPreview,
  onChange,
}: TypedFieldProps) {
  const id = useId();
  // A press that brings the focus here chooses all of the field, so that typing replaces it.
  const fresh = useRef(false);
  const drag = useRef<{ readonly x: number; readonly from: number; words?: string } | undefined>(undefined);
  /** A drag has just ended on the label: its press is not one that goes into the field. */
  const dragged = useRef(false);
  const shown = value === undefined ? '' : show(value);
  const { typed, wrong, type, commit, commitAs, forget, onKeyDown, atRest } = useCommitted((words) => {
    onPreview?.(undefined);
    const next = read(words);
    if (value === undefined || Math.abs(next - value) > 1e-6) onChange(next);
  });
  /** Puts words into the field, and shows what they would do as far as they do anything. */
  const preview = (words: string) => {
    type(words);
    if (!onPreview) return;
    try {
      onPreview(read(words));
    } catch {
      onPreview(undefined);
    }
  };
  /** The value so many steps on, as far as it may be. */
  const stepped = (from: number, steps: number): string | undefined => {
    const words = show(Math.round((from + steps * step!) / step!) * step!);
    try {
      read(words);
      return words;
    } catch {
      return undefined;
    }
  };
  const onMove = (event: PointerEvent) => {
    if (!drag.current) return;
    const steps = Math.trunc((event.clientX - drag.current.x) / DRAG);
    if (steps === 0 && drag.current.words === undefined) return;
    const words = stepped(drag.current.from, steps * (event.shiftKey ? STRIDE : 1));
    if (words === undefined) return;
    drag.current.words = words;
    preview(words);
  };
  const onUp = () => {
    const words = drag.current?.words;
    drag.current = undefined;
    dragged.current = words !== undefined;
    if (words !== undefined) commitAs(words);
  };
  const cancel = () => {
    drag.current = undefined;
    forget();
    onPreview?.(undefined);
  };
  const drags = step !== undefined && value !== undefined;
  return (
    <div className="min-w-0 flex-1">
      <label
        htmlFor={id}
        title={help}
        className={hideLabel ? 'sr-only' : `text-2xs opacity-70 ${drags ? 'cursor-ew-resize touch-none select-none' : ''}`}
        {...(drags && {
          onPointerDown: (event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            drag.current = { x: event.clientX, from: value };
          },
          onPointerMove: onMove,
          onPointerUp: onUp,
          onPointerCancel: cancel,
          onClick: (event) => {
            if (dragged.current) event.preventDefault();
            dragged.current = false;
          },
        })}
      >
        {label}
      </label>
      <input
        id={id}
        className="field narrow"
        value={typed ?? shown}
        placeholder={value === undefined ? none : undefined}
        aria-invalid={wrong !== undefined}
        aria-describedby={wrong ? `${id}-wrong` : undefined}
        onFocus={(event) => {
          fresh.current = true;
          event.target.select();
        }}
        onMouseUp={(event) => {
          if (fresh.current) event.currentTarget.select();
          fresh.current = false;
        }}
        onChange={(event) => preview(event.target.value)}
        onBlur={() => {
          if (!drag.current) commit();
        }}
        onKeyDown={(event) => {
          const up = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
          if (up !== 0 && step !== undefined) {
            event.preventDefault();
            const from = current(typed, read) ?? value;
            const words = from === undefined ? undefined : stepped(from, up * (event.shiftKey ? STRIDE : 1));
            if (words !== undefined) preview(words);
          }
          if (event.key === 'Escape') onPreview?.(undefined);
          onKeyDown(event);
        }}
        {...atRest}
      />
      <Wrong field={id} wrong={wrong} />
    </div>
  );
}

/** What has been typed, where it is a value. */
function current(typed: string | undefined, read: (typed: string) => number): number | undefined {
  try {
    return typed === undefined ? undefined : read(typed);
  } catch {
    return undefined;
  }
}
