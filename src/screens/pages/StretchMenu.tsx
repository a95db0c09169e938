'use client';

import { useEffect, useRef, useState } from 'react';
import type { Stuff } from '@/core/actions/markOut';
import { all, type Document, threadOf } from '@/core/records/document';

interface StretchMenuProps {
  readonly document: Document;
  readonly words: string;
  readonly left: number;
  readonly top: number;
  readonly onTake: (what: 'story' | 'picture', id: string) => void;
  readonly onStuff: (stuff: Stuff, words?: string) => void;
  readonly onClose: () => void;
}

type Step = 'first' | 'text' | 'picture' | 'headline' | 'quote';

const CHOICES: readonly { readonly key: string; readonly name: string; readonly as: 'text' | Stuff }[] = [
  { key: 't', name: 'Text', as: 'text' },
  { key: 'h', name: 'Headline', as: 'headline' },
  { key: 'p', name: 'Picture', as: 'picture' },
  { key: 'q', name: 'Quote', as: 'quote' },
  { key: 'a', name: 'Panel', as: 'panel' },
  { key: 'r', name: 'Rule', as: 'rule' },
];

/** Asks what a marked-out stretch shall be; one letter or a press answers. */
export function StretchMenu({ document, words, left, top, onTake, onStuff, onClose }: StretchMenuProps) {
  const [step, setStep] = useState<Step>('first');
  const ref = useRef<HTMLDivElement>(null);
  useEffect(() => {
    ref.current?.querySelector<HTMLElement>('button, input')?.focus();
  }, [step]);

  const choose = (as: 'text' | Stuff) => {
    if (as === 'panel' || as === 'rule') onStuff(as);
    else setStep(as);
  };
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
    if (step === 'first') {
      const choice = CHOICES.find(({ key }) => key === event.key.toLowerCase());
      if (choice && !event.ctrlKey && !event.metaKey) {
        event.preventDefault();
        choose(choice.as);
      }
    }
  };
  const item = 'hover:bg-primary/25 focus:bg-primary/25 flex w-full items-baseline gap-3 px-3 py-1 text-left outline-none';
  return (
    <div
      ref={ref}
      role={step === 'headline' || step === 'quote' ? 'dialog' : 'menu'}
      aria-label={`What shall ${words} be?`}
      className="bg-base-100 border-base-content absolute z-30 max-h-80 w-56 overflow-auto border"
      style={{ left, top }}
      onKeyDown={onKeyDown}
      onPointerDown={(event) => event.stopPropagation()}
    >
      {step === 'first' &&
        CHOICES.map(({ key, name, as }) => (
          <button key={key} type="button" role="menuitem" className={item} onClick={() => choose(as)}>
            {name}
            <kbd className="ml-auto font-bold opacity-60">{key}</kbd>
          </button>
        ))}
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
      {(step === 'headline' || step === 'quote') && (
        <form
          className="flex flex-col gap-2 p-3"
          onSubmit={(event) => {
            event.preventDefault();
            onStuff(step, String(new FormData(event.currentTarget).get('words') ?? '').trim());
          }}
        >
          <label>
            <span className="chapter">{step === 'headline' ? 'Headline' : 'Quote'}</span>
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
