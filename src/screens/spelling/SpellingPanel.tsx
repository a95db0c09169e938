'use client';

import { X } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import type { Misspelt } from '@/core/spelling/reading';
import type { DeskStore } from '@/client/deskStore';
import { type Replacement, replaced, type Stretch } from '@/core/finding/replacing';
import { leftAsWritten } from '@/core/spelling/words';
import { counted } from '@/core/records/count';
import type { Document } from '@/core/records/document';
import type { Say } from '../frame/useNotices';
import { whereOf } from '../finding/scope';
import type { OwnWord, Spelling } from './useSpelling';

interface SpellingPanelProps {
  readonly store: DeskStore;
  readonly document: Document;
  readonly spelling: Spelling;
  readonly say: Say;
  readonly onShow: (stretch: Stretch) => void;
  readonly onClose: () => void;
}

interface Group {
  readonly word: string;
  readonly places: readonly Misspelt[];
}

/** Words that no dictionary knows, each with what it may have been meant to be. */
export function SpellingPanel({ store, document, spelling, say, onShow, onClose }: SpellingPanelProps) {
  const { misspelt, own, trouble } = spelling;
  const groups = useMemo(() => grouped(misspelt), [misspelt]);
  const [open, setOpen] = useState<string>();
  const left = useMemo(() => leftAsWritten(document), [document]);
  const change = (label: string, places: readonly Replacement[]) => {
    try {
      store.do(label, replaced(store.document, places));
    } catch (error) {
      say((error as Error).message, 'wrong');
    }
  };
  const shown = groups.find(({ word }) => word === open) ?? groups[0];
  return (
    <section aria-label="Spelling" className="bg-base-100 flex min-h-0 w-full flex-1 flex-col" data-text-tools="">
      <header className="flex items-center px-4 pt-3 pb-1">
        <h2 className="text-base font-semibold">Spelling</h2>
        <p role="status" className="pl-3 opacity-75" data-misspelt={misspelt.length}>
          {groups.length > 0 && `${counted(groups.length, 'unknown word')}`}
        </p>
        <button type="button" className="ml-auto opacity-70 hover:opacity-100" aria-label="Close spelling" onClick={onClose}>
          <X size={16} />
        </button>
      </header>
      {trouble && (
        <p role="alert" className="text-error px-4">
          {trouble}
        </p>
      )}
      {groups.length === 0 && !trouble && <p className="text-success px-4">Every word is known.</p>}
      <ul className="min-h-0 flex-1 overflow-auto">
        {groups.map((group) => (
          <li key={group.word} className="border-base-300 border-t">
            <button
              type="button"
              aria-expanded={group === shown}
              className={`flex w-full items-baseline gap-2 px-4 py-1 text-left ${group === shown ? 'font-semibold' : ''}`}
              onClick={() => {
                setOpen(group.word);
                onShow(group.places[0]!);
              }}
            >
              {group.word}
              <span className="narrow font-normal opacity-75">
                {group.places.length > 1 ? `${group.places.length} places` : whereOf(document, group.places[0]!.text)}
              </span>
            </button>
            {group === shown && (
              <Open key={group.word} group={group} spelling={spelling} say={say} onShow={onShow} onChange={change} />
            )}
          </li>
        ))}
      </ul>
      {left.length > 0 && (
        <details className="border-base-300 max-h-48 overflow-auto border-t px-4 py-2">
          <summary className="cursor-pointer font-semibold">Right where they stand ({left.length})</summary>
          <ul className="pt-1">
            {left.map((each) => (
              <li key={`${each.text} ${each.paragraph} ${each.from}`} className="flex items-center gap-2 py-0.5">
                <button type="button" className="text-left hover:underline" onClick={() => onShow(each)}>
                  {each.word}
                </button>
                <span className="narrow truncate opacity-75">{whereOf(document, each.text)}</span>
                <button
                  type="button"
                  className="ml-auto underline"
                  aria-label={`Check ${each.word} again`}
                  onClick={() => change(`Check “${each.word}” again`, [{ ...stretchOf(each), asWritten: false }])}
                >
                  Check again
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
      {own.length > 0 && (
        <details className="border-base-300 max-h-48 overflow-auto border-t px-4 py-2">
          <summary className="cursor-pointer font-semibold">Own words ({own.length})</summary>
          <ul className="pt-1">
            {own.map((each) => (
              <li key={`${each.word} ${each.issueOnly}`} className="flex items-center gap-2 py-0.5">
                {each.word}
                <span className="narrow opacity-75">{ownWords(each)}</span>
                <button
                  type="button"
                  className="ml-auto underline"
                  aria-label={`Forget ${each.word}`}
                  onClick={() => void spelling.forget(each.word).catch((error: Error) => say(error.message, 'wrong'))}
                >
                  Forget
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

const ownWords = ({ like, issueOnly }: OwnWord): string =>
  [issueOnly ? 'in this issue' : '', like ? `like “${like}”` : ''].filter(Boolean).join(', ');

function Open({
  group,
  spelling,
  say,
  onShow,
  onChange,
}: {
  group: Group;
  onChange: (label: string, places: readonly Replacement[]) => void;
} & Pick<SpellingPanelProps, 'spelling' | 'say' | 'onShow'>) {
  const { word, places } = group;
  const [suggested, setSuggested] = useState<readonly string[]>();
  const [like, setLike] = useState('');
  /** The place that was shown last. */
  const [at, setAt] = useState(0);
  const first = places[0]!;
  const shown = places[at] ?? first;
  useEffect(() => {
    let gone = false;
    setSuggested(undefined);
    spelling.suggestions(first).then(
      (list) => !gone && setSuggested(list),
      () => !gone && setSuggested([]),
    );
    return () => {
      gone = true;
    };
    // For the word, however often what is known of it changes.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [word]);
  const put = (words: string) =>
    onChange(
      `Spell “${words}”`,
      places.map((place) => ({ ...place, words })),
    );
  const keep = (issueOnly: boolean) =>
    void spelling.keep({ word, like: like.trim(), issueOnly }).catch((error: Error) => say(error.message, 'wrong'));
  return (
    <div className="bg-base-200 px-4 pt-1 pb-2.5">
      <p className="pb-1">
        {suggested === undefined ? (
          <span className="opacity-75">Looking …</span>
        ) : suggested.length === 0 ? (
          <span className="opacity-75">No dictionary has anything like it.</span>
        ) : (
          <span className="flex flex-wrap gap-1">
            {suggested.map((each) => (
              <button key={each} type="button" className="btn btn-xs" onClick={() => put(each)}>
                {each}
              </button>
            ))}
          </span>
        )}
      </p>
      {places.length > 1 && (
        <p className="flex flex-wrap gap-x-3 pb-1">
          {places.slice(0, 12).map((place, i) => (
            <button
              key={i}
              type="button"
              className={`underline ${place === shown ? 'font-semibold' : ''}`}
              aria-pressed={place === shown}
              onClick={() => {
                setAt(i);
                onShow(place);
              }}
            >
              Place {i + 1}
            </button>
          ))}
        </p>
      )}
      <div className="flex flex-wrap items-end gap-2">
        <label className="w-32" title="A word of the dictionary that takes the same endings">
          <span className="text-2xs block opacity-75">Takes endings like</span>
          <input className="field narrow" maxLength={100} value={like} onChange={(event) => setLike(event.target.value)} />
        </label>
        <button type="button" className="btn btn-xs" onClick={() => keep(false)}>
          Always right
        </button>
        <button type="button" className="btn btn-xs" onClick={() => keep(true)}>
          Right in this issue
        </button>
        <button
          type="button"
          className="btn btn-xs"
          onClick={() => onChange(`Leave “${word}” as it is`, [{ ...stretchOf(shown), asWritten: true }])}
        >
          {places.length > 1 ? 'Right at this place' : 'Right here'}
        </button>
      </div>
    </div>
  );
}

const stretchOf = ({ text, paragraph, from, to }: Stretch): Stretch => ({ text, paragraph, from, to });

function grouped(misspelt: readonly Misspelt[]): Group[] {
  const groups = new Map<string, Misspelt[]>();
  for (const each of misspelt) {
    const own = groups.get(each.word);
    if (own) own.push(each);
    else groups.set(each.word, [each]);
  }
  return [...groups].map(([word, places]) => ({ word, places }));
}
