'use client';

import { type KeyboardEvent, useState } from 'react';
import type { Stuff } from '@/core/actions/markOut';
import { all, type Document, threadOf } from '@/core/records/document';
import type { SlotTakes } from '@/core/records/frame';
import { MenuList, type MenuLine } from '@/parts/MenuList';
import type { DeskKind } from '../deskPlace';

interface StretchMenuProps {
  readonly document: Document;
  readonly words: string;
  readonly left: number;
  readonly top: number;
  readonly kind: DeskKind;
  readonly onTake: (what: 'story' | 'picture' | 'advertisement', id: string) => void;
  readonly onStuff: (stuff: Stuff, words?: string) => void;
  readonly onSlot: (takes: SlotTakes) => void;
  readonly onChart: () => void;
  readonly onClose: () => void;
}

type Step = 'first' | 'text' | 'picture' | 'headline' | 'quote' | 'slot' | 'words' | 'boxOut' | 'advertisement';

interface MenuChoice {
  readonly key: string;
  readonly name: string;
  /** What it becomes at once, or what is asked next. */
  readonly as:
    | { readonly stuff: Stuff }
    | { readonly takes: SlotTakes }
    | { readonly step: Step }
    /** A dialog of its own asks the rest. */
    | { readonly asks: 'chart' };
}

const PLAIN: readonly MenuChoice[] = [
  { key: 'a', name: 'Panel', as: { stuff: 'panel' } },
  { key: 'r', name: 'Rule', as: { stuff: 'rule' } },
  { key: 'o', name: 'Box-out', as: { step: 'boxOut' } },
  { key: 'c', name: 'Chart', as: { asks: 'chart' } },
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
  boxOut: { label: 'Heading of the box-out', as: 'boxOut' },
};

/** Asks what a marked-out stretch shall be; one letter or a press answers. */
export function StretchMenu({ document, kind, words, left, top, onTake, onStuff, onSlot, onChart, onClose }: StretchMenuProps) {
  const [step, setStep] = useState<Step>('first');
  const choose = ({ as }: MenuChoice) => {
    if ('stuff' in as) onStuff(as.stuff);
    else if ('takes' in as) onSlot(as.takes);
    else if ('asks' in as) onChart();
    else setStep(as.step);
  };
  const items = itemsOf(step, { document, kind, choose, onTake, onStuff, onSlot });
  const asked = ASKED[step];
  const label = `What goes in ${words}?`;
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Escape') {
      event.stopPropagation();
      return step === 'first' ? onClose() : setStep('first');
    }
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const item = items.find(({ keys }) => keys === event.key.toLowerCase());
    if (!item) return;
    event.preventDefault();
    event.stopPropagation();
    item.run();
  };
  return (
    <div
      className="bg-base-100 border-base-content absolute z-30 max-h-80 w-56 overflow-auto border"
      style={{ left, top }}
      onKeyDownCapture={onKeyDown}
      onKeyDown={(event) => event.stopPropagation()}
      onPointerDown={(event) => event.stopPropagation()}
    >
      {asked ? (
        <form
          aria-label={label}
          className="flex flex-col gap-2 p-3"
          onSubmit={(event) => {
            event.preventDefault();
            onStuff(asked.as, String(new FormData(event.currentTarget).get('words') ?? '').trim());
          }}
        >
          <label>
            <span className="chapter">{asked.label}</span>
            <input
              name="words"
              className="field"
              required
              maxLength={400}
              ref={(field) => {
                field?.focus();
              }}
            />
          </label>
          <button type="submit" className="btn btn-primary btn-xs self-start font-semibold">
            Place it
          </button>
        </form>
      ) : (
        // Each step is a list of its own, whose first line has the focus.
        <MenuList key={step} label={label} lines={items} />
      )}
    </div>
  );
}

interface Answers extends Pick<StretchMenuProps, 'document' | 'kind' | 'onTake' | 'onStuff' | 'onSlot'> {
  readonly choose: (choice: MenuChoice) => void;
}

/** What a step of the menu offers. */
function itemsOf(step: Step, { document, kind, choose, onTake, onStuff, onSlot }: Answers): readonly MenuLine[] {
  switch (step) {
    case 'first':
      return CHOICES[kind].map((choice) => ({
        id: choice.key,
        name: choice.name,
        keys: choice.key,
        run: () => choose(choice),
      }));
    case 'slot':
      return SLOTS.map(({ key, takes, name }) => ({ id: key, name, keys: key, run: () => onSlot(takes) }));
    case 'advertisement':
      return [
        { id: 'free', name: 'Free place', run: () => onStuff('advertisement') },
        ...all(document, 'advertisement').map(({ id, name }) => ({ id, name, run: () => onTake('advertisement', id) })),
      ];
    case 'picture':
      return [
        { id: 'empty', name: 'Empty frame', run: () => onStuff('picture') },
        ...all(document, 'picture').map(({ id, name }) => ({ id, name, run: () => onTake('picture', id) })),
      ];
    case 'text': {
      const frames = new Map(all(document, 'story').map((story) => [story.id, threadOf(document, story.parts.body).length]));
      const stories = [...all(document, 'story')]
        .sort((a, b) => frames.get(a.id)! - frames.get(b.id)!)
        .map(({ id, name, tint }) => ({
          id,
          name,
          tint,
          more: frames.get(id)! > 0 ? 'continues' : undefined,
          run: () => onTake('story', id),
        }));
      return [{ id: 'own', name: 'A text of its own', keys: 'n', run: () => onStuff('text', '') }, ...stories];
    }
    default:
      return [];
  }
}
