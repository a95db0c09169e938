'use client';

import { useEffect, useRef, useState } from 'react';
import type { Stuff } from '@/core/actions/markOut';
import { all, type Document, threadOf } from '@/core/records/document';
import type { SlotTakes } from '@/core/records/frame';
import type { DeskKind } from './deskPlace';

interface StretchMenuProps {
  readonly document: Document;
  readonly words: string;
  readonly left: number;
  readonly top: number;
  readonly kind: DeskKind;
  readonly onTake: (what: 'story' | 'picture' | 'advertisement', id: string) => void;
  readonly onStuff: (stuff: Stuff, words?: string) => void;
  readonly onSlot: (takes: SlotTakes) => void;
  readonly onClose: () => void;
}

type Step = 'first' | 'text' | 'picture' | 'headline' | 'quote' | 'slot' | 'words' | 'advertisement';

interface MenuChoice {
  readonly key: string;
  readonly name: string;
  /** What it becomes at once, or what is asked next. */
  readonly as: { readonly stuff: Stuff } | { readonly takes: SlotTakes } | { readonly step: Step };
}

const PLAIN: readonly MenuChoice[] = [
  { key: 'a', name: 'Panel', as: { stuff: 'panel' } },
  { key: 'r', name: 'Rule', as: { stuff: 'rule' } },
];

const SLOT: MenuChoice = { key: 's', name: 'Slot', as: { step: 'slot' } };

/** In an issue a stretch takes what the issue has; in a house it waits for it. */
const CHOICES: Readonly<Record<DeskKind, readonly MenuChoice[]>> = {
  issue: [
    { key: 't', name: 'Text', as: { step: 'text' } },
    { key: 'h', name: 'Headline', as: { step: 'headline' } },
    { key: 'p', name: 'Picture', as: { step: 'picture' } },
    { key: 'q', name: 'Quote', as: { step: 'quote' } },
    ...PLAIN,
    { key: 'd', name: 'Advertisement', as: { step: 'advertisement' } },
    SLOT,
  ],
  masters: [
    { key: 'f', name: 'Flow area', as: { takes: 'flow' } },
    SLOT,
    { key: 't', name: 'Text with fields', as: { step: 'words' } },
    { key: 'p', name: 'Picture', as: { step: 'picture' } },
    ...PLAIN,
    { key: 'd', name: 'Place for an advertisement', as: { stuff: 'advertisement' } },
  ],
  recurring: [
    SLOT,
    { key: 't', name: 'Standing text', as: { step: 'words' } },
    { key: 'h', name: 'Headline', as: { step: 'headline' } },
    { key: 'p', name: 'Picture', as: { step: 'picture' } },
    ...PLAIN,
    { key: 'd', name: 'Place for an advertisement', as: { stuff: 'advertisement' } },
  ],
};

const SLOTS: readonly { readonly key: string; readonly takes: SlotTakes; readonly name: string }[] = [
  { key: 'h', takes: 'headline', name: 'For a headline' },
  { key: 's', takes: 'standfirst', name: 'For a standfirst' },
  { key: 'b', takes: 'byline', name: 'For a byline' },
  { key: 't', takes: 'body', name: 'For text' },
];

const ASKED: Partial<Record<Step, { readonly label: string; readonly as: Stuff }>> = {
  headline: { label: 'Headline', as: 'headline' },
  quote: { label: 'Quote', as: 'quote' },
  words: { label: 'Text', as: 'text' },
};

/** Asks what a marked-out stretch shall be; one letter or a press answers. */
export function StretchMenu({ document, kind, words, left, top, onTake, onStuff, onSlot, onClose }: StretchMenuProps) {
  const [step, setStep] = useState<Step>('first');
  const ref = useRef<HTMLDivElement>(null);
  useEffect(() => {
    ref.current?.querySelector<HTMLElement>('button, input')?.focus();
  }, [step]);

  const choose = ({ as }: MenuChoice) => {
    if ('stuff' in as) onStuff(as.stuff);
    else if ('takes' in as) onSlot(as.takes);
    else setStep(as.step);
  };
  const asked = ASKED[step];
  const onKeyDown = (event: React.KeyboardEvent) => {
    event.stopPropagation();
    if (event.key === 'Escape') return step === 'first' ? onClose() : setStep('first');
    const buttons = [...(ref.current?.querySelectorAll<HTMLElement>('[role=menuitem]') ?? [])];
    const at = buttons.indexOf(window.document.activeElement as HTMLElement);
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      buttons[(at + (event.key === 'ArrowDown' ? 1 : -1) + buttons.length) % buttons.length]?.focus();
      return;
    }
    if (event.ctrlKey || event.metaKey) return;
    const letter = event.key.toLowerCase();
    const choice = step === 'first' ? CHOICES[kind].find(({ key }) => key === letter) : undefined;
    const slot = step === 'slot' ? SLOTS.find(({ key }) => key === letter) : undefined;
    if (!choice && !slot) return;
    event.preventDefault();
    if (choice) choose(choice);
    if (slot) onSlot(slot.takes);
  };
  const item = 'hover:bg-primary/25 focus:bg-primary/25 flex w-full items-baseline gap-3 px-3 py-1 text-left outline-none';
  return (
    <div
      ref={ref}
      role={asked ? 'dialog' : 'menu'}
      aria-label={`What shall ${words} be?`}
      className="bg-base-100 border-base-content absolute z-30 max-h-80 w-56 overflow-auto border"
      style={{ left, top }}
      onKeyDown={onKeyDown}
      onPointerDown={(event) => event.stopPropagation()}
    >
      {step === 'first' &&
        CHOICES[kind].map((choice) => (
          <button key={choice.key} type="button" role="menuitem" className={item} onClick={() => choose(choice)}>
            {choice.name}
            <kbd className="ml-auto font-bold opacity-60">{choice.key}</kbd>
          </button>
        ))}
      {step === 'slot' &&
        SLOTS.map(({ key, takes, name }) => (
          <button key={key} type="button" role="menuitem" className={item} onClick={() => onSlot(takes)}>
            {name}
            <kbd className="ml-auto font-bold opacity-60">{key}</kbd>
          </button>
        ))}
      {step === 'advertisement' && (
        <>
          <button type="button" role="menuitem" className={item} onClick={() => onStuff('advertisement')}>
            Free place
          </button>
          {all(document, 'advertisement').map((advertisement) => (
            <button
              key={advertisement.id}
              type="button"
              role="menuitem"
              className={item}
              onClick={() => onTake('advertisement', advertisement.id)}
            >
              {advertisement.name}
            </button>
          ))}
        </>
      )}
      {step === 'text' &&
        [...all(document, 'story')]
          .sort((a, b) => threadOf(document, a.parts.body).length - threadOf(document, b.parts.body).length)
          .map((story) => (
            <button
              key={story.id}
              type="button"
              role="menuitem"
              className={`${item} border-l-[3px]`}
              style={{ borderColor: `var(--story-${story.tint})` }}
              onClick={() => onTake('story', story.id)}
            >
              {story.name}
              {threadOf(document, story.parts.body).length > 0 && (
                <span className="narrow ml-auto whitespace-nowrap opacity-60">goes on</span>
              )}
            </button>
          ))}
      {step === 'picture' && (
        <>
          <button type="button" role="menuitem" className={item} onClick={() => onStuff('picture')}>
            Empty frame
          </button>
          {all(document, 'picture').map((picture) => (
            <button key={picture.id} type="button" role="menuitem" className={item} onClick={() => onTake('picture', picture.id)}>
              {picture.name}
            </button>
          ))}
        </>
      )}
      {asked && (
        <form
          className="flex flex-col gap-2 p-3"
          onSubmit={(event) => {
            event.preventDefault();
            onStuff(asked.as, String(new FormData(event.currentTarget).get('words') ?? '').trim());
          }}
        >
          <label>
            <span className="chapter">{asked.label}</span>
            <input name="words" className="field" required maxLength={400} />
          </label>
          <button type="submit" className="btn btn-primary btn-xs self-start font-semibold">
            Place it
          </button>
        </form>
      )}
    </div>
  );
}
