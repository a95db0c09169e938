'use client';

import { screenSource } from '@/core/pictures/screen';
import { type PointerEvent as ReactPointerEvent, type ReactNode, useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { frameOfAdvertisement, SIZE_WORDS, USUAL_LINES } from '@/core/actions/advertisements';
import { daysLeft, dueWords, storyList, wordsOf } from '@/core/plan/storyList';
import { ADVERTISEMENT_SIZES, type AdvertisementSize } from '@/core/records/advertisement';
import { counted } from '@/core/records/count';
import { all, type Document, find } from '@/core/records/document';
import { DayField } from '@/parts/DayField';
import { Tabs } from '@/parts/Tabs';
import { NumberField } from '@/parts/NumberField';
import { Select } from '@/parts/Select';
import type { PlanActions } from './usePlanActions';
import { pictureIn } from '@/core/records/kinds/frames';

/** What can be carried onto a page. */
export interface Carried {
  readonly what: 'story' | 'picture' | 'advertisement';
  readonly id: string;
  readonly name: string;
}

interface ToPlaceProps {
  readonly document: Document;
  readonly today: string;
  readonly actions: PlanActions;
  readonly onCarry: (carried: Carried, event: ReactPointerEvent) => void;
  /** Puts it on the page that is chosen. */
  readonly onPlace: (carried: Carried) => void;
}

const TABS = ['Stories', 'Pictures', 'Advertisements'] as const;

/** What the issue has that is on no page yet. */
export function ToPlace({ document, today, actions, onCarry, onPlace }: ToPlaceProps) {
  const [tab, setTab] = useState<(typeof TABS)[number]>('Stories');
  const [adding, setAdding] = useState(false);
  const stories = storyList(document).filter(({ isPlaced }) => !isPlaced);
  const shown = new Set(all(document, 'frame').flatMap((frame) => pictureIn(document, frame)?.picture ?? []));
  const artwork = new Set(all(document, 'advertisement').flatMap(({ picture }) => picture ?? []));
  const pictures = all(document, 'picture').filter(({ id }) => !shown.has(id) && !artwork.has(id));
  const advertisements = all(document, 'advertisement').filter(({ id }) => !frameOfAdvertisement(document, id));
  const counts = { Stories: stories.length, Pictures: pictures.length, Advertisements: advertisements.length };
  const item = (carried: Carried, children: ReactNode, tint?: number) => (
    <li key={carried.id} className="border-base-300 border-t first:border-t-0">
      <button
        type="button"
        data-to-place={carried.id}
        className="hover:bg-base-content/5 block w-full cursor-grab touch-pan-y border-l-[3px] py-1.5 pl-2 text-left select-none"
        style={{ borderColor: tint === undefined ? 'var(--color-base-300)' : `var(--story-${tint})` }}
        title="Drag onto a page, or press Enter to put it on the chosen page"
        onPointerDown={(event) => event.button === 0 && onCarry(carried, event)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return;
          event.preventDefault();
          onPlace(carried);
        }}
      >
        {children}
      </button>
    </li>
  );
  const asks = useRef<HTMLButtonElement>(null);
  const close = () => {
    flushSync(() => setAdding(false));
    asks.current?.focus();
  };
  const there = {
    Stories: all(document, 'story').length,
    Pictures: all(document, 'picture').length,
    Advertisements: all(document, 'advertisement').length,
  }[tab];
  const emptyWords =
    there === 0
      ? {
          Stories: 'No story is planned yet.',
          Pictures: 'No picture has come in yet.',
          Advertisements: 'No advertisement is booked yet.',
        }[tab]
      : tab === 'Stories'
        ? 'Every story has its page.'
        : 'All are placed.';
  return (
    <section aria-label="Still to be placed" className="flex min-h-0 flex-1 flex-col">
      <h2 className="chapter px-3.5 pt-3 pb-1">Still to be placed</h2>
      <Tabs
        label="Still to be placed"
        value={tab}
        of={TABS.map((name) => ({ value: name, name: `${name} ${counts[name]}` }))}
        onChange={(name) => {
          setTab(name);
          setAdding(false);
        }}
        className="px-3.5"
      >
        <div className="min-h-0 flex-1 overflow-auto px-3.5 pt-2 pb-3">
          {counts[tab] === 0 && <p className="opacity-70">{emptyWords}</p>}
          <ul>
            {tab === 'Stories' &&
              stories.map(({ story }) => {
                const words = wordsOf(document, story);
                const days = daysLeft(story, today);
                return item(
                  { what: 'story', id: story.id, name: story.name },
                  <>
                    <span className="block leading-tight font-semibold">{story.name}</span>
                    <span className="narrow block leading-tight opacity-75">
                      {[
                        story.section,
                        words > 0
                          ? `${words.toLocaleString('en-GB')} words`
                          : story.target && `${story.target.toLocaleString('en-GB')} words planned`,
                        days !== undefined && dueWords(days),
                      ]
                        .filter(Boolean)
                        .join(' · ')}
                    </span>
                  </>,
                  story.tint,
                );
              })}
            {tab === 'Pictures' &&
              pictures.map((picture) =>
                item(
                  { what: 'picture', id: picture.id, name: picture.name },
                  <span className="flex items-center gap-2">
                    <img
                      src={screenSource(picture, 100)}
                      alt=""
                      draggable={false}
                      className="bg-base-200 h-9 w-12 object-cover"
                    />
                    <span className="narrow min-w-0 truncate">{picture.name}</span>
                  </span>,
                ),
              )}
            {tab === 'Advertisements' &&
              advertisements.map(({ id, name, size, lines, columns }) =>
                item(
                  { what: 'advertisement', id, name },
                  <>
                    <span className="block leading-tight font-semibold">{name}</span>
                    <span className="narrow block leading-tight opacity-75">
                      {size === 'column'
                        ? `${counted(columns ?? 1, 'column')}, ${counted(lines ?? USUAL_LINES, 'line')}`
                        : SIZE_WORDS[size]}
                    </span>
                  </>,
                ),
              )}
          </ul>
          {tab !== 'Pictures' && !adding && (
            <button ref={asks} type="button" className="btn btn-xs mt-2" onClick={() => setAdding(true)}>
              {tab === 'Stories' ? 'Plan a story' : 'Book an advertisement'}
            </button>
          )}
          {adding && tab === 'Stories' && (
            <StoryForm language={find(document, 'issue', 'issue')?.language ?? 'en-GB'} actions={actions} onClose={close} />
          )}
          {adding && tab === 'Advertisements' && <AdvertisementForm document={document} actions={actions} onClose={close} />}
        </div>
      </Tabs>
    </section>
  );
}

interface FormProps {
  readonly actions: PlanActions;
  readonly onClose: () => void;
}

/** A few fields, a button, and the sentence why it will not do. */
function SmallForm({
  name,
  onSend,
  onClose,
  children,
}: {
  name: string;
  onSend: () => void;
  onClose: () => void;
  children: ReactNode;
}) {
  const [wrong, setWrong] = useState<string>();
  const form = useRef<HTMLFormElement>(null);
  // Whoever asked for it goes on typing.
  useEffect(() => form.current!.querySelector('input')!.focus(), []);
  return (
    <form
      ref={form}
      aria-label={name}
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || event.isDefaultPrevented()) return;
        event.stopPropagation();
        onClose();
      }}
      className="border-base-300 mt-2 flex flex-col gap-1.5 border-t pt-2"
      onSubmit={(event) => {
        event.preventDefault();
        try {
          onSend();
          onClose();
        } catch (error) {
          setWrong((error as Error).message);
        }
      }}
    >
      {children}
      {wrong && (
        <p role="alert" className="text-2xs text-error">
          {wrong}
        </p>
      )}
      <div className="flex gap-1.5">
        <button type="submit" className="btn btn-primary btn-xs font-semibold">
          {name}
        </button>
        <button type="button" className="btn btn-ghost btn-xs" onClick={onClose}>
          Cancel
        </button>
      </div>
    </form>
  );
}

function Field({ label, value, onChange }: { label: string; value: string; onChange: (value: string) => void }) {
  return (
    <label className="min-w-0 flex-1">
      <span className="text-2xs opacity-70">{label}</span>
      <input className="field narrow" maxLength={400} value={value} onChange={(event) => onChange(event.target.value)} />
    </label>
  );
}

function StoryForm({ actions, language, onClose }: FormProps & { language: string }) {
  const [name, setName] = useState('');
  const [section, setSection] = useState('');
  const [target, setTarget] = useState(600);
  const [due, setDue] = useState('');
  return (
    <SmallForm
      name="Plan the story"
      onSend={() => actions.plan({ name, section, target, ...(due ? { due } : {}), state: 'planned' })}
      onClose={onClose}
    >
      <Field label="Name" value={name} onChange={setName} />
      <div className="flex gap-2">
        <Field label="Section" value={section} onChange={setSection} />
        <NumberField label="Words" value={target} least={1} most={1_000_000} whole onChange={setTarget} />
      </div>
      <div>
        <label htmlFor="story-due" className="text-2xs opacity-70">
          Copy due
        </label>
        <DayField id="story-due" value={due} language={language} onChange={setDue} />
      </div>
    </SmallForm>
  );
}

function AdvertisementForm({ document, actions, onClose }: FormProps & { document: Document }) {
  const [name, setName] = useState('');
  const [size, setSize] = useState<AdvertisementSize>('quarter');
  const [lines, setLines] = useState(USUAL_LINES);
  const [columns, setColumns] = useState(1);
  const [picture, setPicture] = useState('');
  return (
    <SmallForm
      name="Book"
      onSend={() =>
        actions.book({
          name,
          size,
          ...(size === 'column' ? { lines, columns } : {}),
          ...(find(document, 'picture', picture) ? { picture } : {}),
        })
      }
      onClose={onClose}
    >
      <Field label="Advertiser" value={name} onChange={setName} />
      <Select
        label="Size"
        value={size}
        of={ADVERTISEMENT_SIZES.map((value) => ({ value, name: SIZE_WORDS[value] }))}
        onChange={setSize}
      />
      {size === 'column' && (
        <div className="flex gap-2">
          <NumberField label="Columns" value={columns} least={1} most={24} whole onChange={setColumns} />
          <NumberField label="Lines" value={lines} least={1} most={400} whole onChange={setLines} />
        </div>
      )}
      <Select
        label="Artwork"
        value={picture}
        of={[
          { value: '', name: 'Not supplied yet' },
          ...all(document, 'picture').map(({ id, name: called }) => ({ value: id, name: called })),
        ]}
        onChange={setPicture}
      />
    </SmallForm>
  );
}
