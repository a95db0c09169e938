'use client';

import { useEffect, useRef, useState } from 'react';
import { HELP } from './entries';
import { HelpDrawing } from './drawings';

/** A field with something to be told of it: what it is called, and where it stands. */
interface AtField {
  readonly field: HTMLElement;
  readonly name: string;
  readonly rect: DOMRect;
}

/** Pixels that the help is wide, and that it keeps from the edges of the window. */
const WIDE = 272;
const EDGE = 8;

/** What a control is called: by its label, or by its own name. */
function nameOf(field: Element): string {
  const label = (field as HTMLInputElement).labels?.[0]?.textContent;
  return (label ?? field.getAttribute('aria-label') ?? '').trim();
}

/** A part of a whole, such as the corner of a frame, may call something else by the same word: only the parts named here are known. */
const PARTS: Readonly<Record<string, string>> = { 'In a row': 'Limits' };

/** What is to be told of a field, by name; undefined where there is nothing. */
function helpNameOf(field: Element): string | undefined {
  if (!field.matches('input, select')) return undefined;
  const part = field.closest('[role=group][aria-label]')?.getAttribute('aria-label') ?? undefined;
  if (part !== undefined && part in HELP) return part;
  const name = nameOf(field).replace(/ (left|right|top|bottom)$/, '');
  return name in HELP && PARTS[name] === part ? name : undefined;
}

/**
 * Help that opens at the place: while a field has the focus of which there is something to tell, a “?” stands at it, and that key tells
 * what the field means, with a drawing and common practice.
 */
export function FieldHelp() {
  const [at, setAt] = useState<AtField>();
  const [isOpen, setOpen] = useState(false);
  const panel = useRef<HTMLDivElement>(null);

  useEffect(() => {
    const onFocus = ({ target }: FocusEvent) => {
      if (!(target instanceof HTMLElement) || panel.current?.contains(target)) return;
      const name = helpNameOf(target);
      setOpen(false);
      setAt(name === undefined ? undefined : { field: target, name, rect: target.getBoundingClientRect() });
    };
    const onBlur = ({ relatedTarget }: FocusEvent) => {
      if (relatedTarget instanceof Node && panel.current?.contains(relatedTarget)) return;
      if (!(relatedTarget instanceof HTMLElement)) setAt(undefined);
    };
    window.addEventListener('focusin', onFocus);
    window.addEventListener('focusout', onBlur);
    return () => {
      window.removeEventListener('focusin', onFocus);
      window.removeEventListener('focusout', onBlur);
    };
  }, []);

  useEffect(() => {
    if (!at) return;
    // Such a field takes figures or a choice: a question mark in it can only be a question.
    const onKey = (event: KeyboardEvent) => {
      if (event.key === '?' && !event.ctrlKey && !event.altKey && !event.metaKey && event.target === at.field) {
        event.preventDefault();
        event.stopPropagation();
        setOpen((open) => !open);
      } else if (event.key === 'Escape' && isOpen) {
        event.preventDefault();
        event.stopPropagation();
        setOpen(false);
        at.field.focus();
      }
    };
    // What scrolls away takes its help with it.
    const onScroll = () => setAt((was) => was && { ...was, rect: was.field.getBoundingClientRect() });
    window.addEventListener('keydown', onKey, true);
    window.addEventListener('scroll', onScroll, true);
    return () => {
      window.removeEventListener('keydown', onKey, true);
      window.removeEventListener('scroll', onScroll, true);
    };
  }, [at, isOpen]);

  const entry = at && HELP[at.name];
  if (!at || !entry) return null;
  const { rect } = at;
  const left = Math.max(EDGE, Math.min(rect.right - WIDE, window.innerWidth - WIDE - EDGE));
  const below = rect.bottom + 4;
  const isAbove = below + 250 > window.innerHeight;
  return (
    <div ref={panel}>
      {/* A sign at the label and no more: it takes no press that is meant for what lies beneath. */}
      <span
        className="bg-base-200 text-2xs pointer-events-none fixed z-40 px-1 font-semibold"
        style={{ left: rect.right - 16, top: rect.top - 17 }}
        aria-hidden="true"
      >
        ?
      </span>
      {isOpen && (
        <div
          role="note"
          aria-live="polite"
          aria-label={`What “${at.name}” means`}
          className="border-base-300 bg-base-100 fixed z-40 border p-3 text-sm shadow-[0_4px_16px_rgb(20_33_61/0.2)]"
          style={{
            width: WIDE,
            left,
            ...(isAbove ? { bottom: window.innerHeight - rect.top + 26 } : { top: below }),
          }}
        >
          <p className="pb-2 font-semibold">{at.name}</p>
          <HelpDrawing of={entry.drawing} />
          <p className="pt-2 leading-snug">{entry.means}</p>
          <p className="narrow pt-1.5 leading-snug opacity-75">
            <span className="font-semibold">Common practice:</span> {entry.practice}
          </p>
        </div>
      )}
    </div>
  );
}
