'use client';

import { X } from 'lucide-react';
import { useDeferredValue, useMemo, useState } from 'react';
import type { DeskStore } from '@/client/deskStore';
import { type CleanUp, cleanUps, type Rule, RULES } from '@/core/finding/cleanUp';
import { replaced, type Stretch } from '@/core/finding/replacing';
import { counted } from '@/core/records/count';
import { type Document, find } from '@/core/records/document';
import { toggled } from '@/parts/toggled';
import type { Say } from '../frame/useNotices';
import { MatchList } from './MatchList';
import { type Scope, SCOPES, textsOf, whereOf } from './scope';

interface CleanUpPanelProps {
  readonly store: DeskStore;
  readonly document: Document;
  readonly story: string | undefined;
  readonly say: Say;
  readonly onShow: (stretch: Stretch) => void;
  readonly onClose: () => void;
}

/** What typing has left untidy, every place before and after; all of it, or what is ticked, is put right in one change. */
export function CleanUpPanel({ store, document, story, say, onShow, onClose }: CleanUpPanelProps) {
  const [scope, setScope] = useState<Scope>(story ? 'story' : 'issue');
  const [off, setOff] = useState<ReadonlySet<Rule>>(new Set());
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const searched = useDeferredValue(document);
  const own = scope === 'story' && !story ? 'issue' : scope;
  const found = useMemo(() => foundIn(searched, own, story), [searched, own, story]);
  const shown = found.filter(({ rule }) => !off.has(rule));
  const taken = shown.filter((each) => !left.has(keyOf(each)));
  const counts = new Map<Rule, number>();
  for (const { rule } of found) counts.set(rule, (counts.get(rule) ?? 0) + 1);
  const clean = () => {
    try {
      const now = new Set(foundIn(store.document, own, story).map(keyOf));
      const list = taken.filter((each) => now.has(keyOf(each)));
      store.do(
        `Clean up ${counted(list.length, 'place')}`,
        replaced(
          store.document,
          list.map(({ replacement }) => replacement),
        ),
      );
      say(`${counted(list.length, 'place')} cleaned up.`);
    } catch (error) {
      say((error as Error).message, 'wrong');
    }
  };
  return (
    <section aria-label="Clean up" className="bg-base-100 flex min-h-0 w-full flex-1 flex-col" data-text-tools="">
      <header className="flex items-center gap-3 px-4 pt-3 pb-1">
        <h2 className="text-base font-semibold whitespace-nowrap">Clean up</h2>
        <select
          aria-label="Where"
          className="field narrow"
          style={{ width: '9rem' }}
          value={own}
          onChange={(event) => setScope(event.target.value as Scope)}
        >
          <option value="issue">{SCOPES.issue}</option>
          {story && <option value="story">{SCOPES.story}</option>}
        </select>
        <button type="button" className="ml-auto opacity-70 hover:opacity-100" aria-label="Close clean up" onClick={onClose}>
          <X size={16} />
        </button>
      </header>
      <div className="px-4 pb-2">
        <ul className="flex flex-wrap gap-x-4">
          {(Object.keys(RULES) as Rule[])
            .filter((rule) => counts.has(rule))
            .map((rule) => (
              <li key={rule}>
                <label className="flex items-center gap-1.5 py-0.5">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-xs"
                    checked={!off.has(rule)}
                    onChange={() => setOff(toggled(off, rule))}
                  />
                  {RULES[rule]} <span className="opacity-75">{counts.get(rule)!.toLocaleString('en-GB')}</span>
                </label>
              </li>
            ))}
        </ul>
        <div className="flex items-center gap-3 pt-2">
          <button type="button" className="btn btn-primary btn-sm font-semibold" disabled={taken.length === 0} onClick={clean}>
            {taken.length === 0 ? 'Clean up' : `Clean up ${counted(taken.length, 'place')}`}
          </button>
          {found.length === 0 && (
            <p role="status" className="text-success">
              There is nothing to clean up.
            </p>
          )}
        </div>
      </div>
      <MatchList
        label="Places to clean up"
        places={shown.map((each) => ({
          key: keyOf(each),
          where: whereOf(document, each.replacement.text),
          before: each.before,
          is: (
            <>
              <del className="bg-error/20 decoration-error">{visible(each.is)}</del>
              <ins className="bg-success/20 no-underline">{visible(each.becomes)}</ins>
            </>
          ),
          after: each.after,
          said: `${RULES[each.rule]}: ${each.before}${each.is}${each.after}`,
        }))}
        left={left}
        onToggle={(key) => setLeft(toggled(left, key))}
        onShow={(i) => onShow(shown[i]!.replacement)}
      />
    </section>
  );
}

const foundIn = (document: Document, scope: Scope, story: string | undefined): CleanUp[] =>
  cleanUps(textsOf(document, scope, story, undefined), find(document, 'issue', 'issue')?.language ?? 'en-GB');

const keyOf = ({ rule, replacement: { text, paragraph, from, to } }: CleanUp): string =>
  `${rule} ${text} ${paragraph} ${from} ${to}`;

/** Signs that are not seen, as signs that are. */
const visible = (words: string): string =>
  words === ''
    ? '∅'
    : words
        .replace(/ /g, '·')
        .replace(/\t/g, '⇥')
        .replace(/[\u00a0\u202f]/g, '°')
        .replace(/\u00ad/g, '¬');
