'use client';

import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { useDeferredValue, useMemo, useState } from 'react';
import type { DeskStore } from '@/client/deskStore';
import { doElsewhere, fetchOtherIssues, type OtherIssue } from '@/client/otherIssues';
import { changed, type Change, LOOKS, type Look, type Match, matchesIn, MOST_MATCHES, type Query } from '@/core/finding/find';
import { replaced, type Stretch } from '@/core/finding/replacing';
import { counted } from '@/core/records/count';
import { all, type Document, find } from '@/core/records/document';
import { Tick } from '@/parts/Tick';
import { toggled } from '@/parts/toggled';
import { Wrong } from '@/parts/Wrong';
import type { Say } from '../frame/useNotices';
import type { InHand } from '../text/textInHand';
import { MatchList } from './MatchList';
import { isSelected, type Scope, SCOPES, textsOf, whereOf } from './scope';

interface FindPanelProps {
  /** The issue, by id. */
  readonly issue: string;
  readonly store: DeskStore;
  readonly document: Document;
  /** The story that is looked at. */
  readonly story: string | undefined;
  /** The text that is written in. */
  readonly inHand: InHand | undefined;
  readonly say: Say;
  readonly onShow: (stretch: Stretch) => void;
  readonly onClose: () => void;
}

const LOOK_WORDS: Readonly<Record<(typeof LOOKS)[number], string>> = {
  strong: 'Strong',
  emphasis: 'Emphasis',
  superscript: 'Superscript',
  subscript: 'Subscript',
  link: 'Link',
  local: 'Formatted by hand',
};

const NOTHING: Query = { words: '', isPattern: false, matchesCase: false, wholeWords: false, ignoresAccents: false };

/** Finds words, styles and looks over a selection, a story or the issue, and replaces what is ticked in one change. */
export function FindPanel({ issue, store, document, story, inHand, say, onShow, onClose }: FindPanelProps) {
  const [query, setQuery] = useState(NOTHING);
  const [replacing, setReplacing] = useState<{ words: string; isSaid: boolean }>({ words: '', isSaid: false });
  const [styles, setStyles] = useState<Change>({});
  const hasSelection = inHand !== undefined && !inHand.state.selection.empty;
  const [scope, setScope] = useState<Scope>('issue');
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  // What is typed comes first: the search follows when there is time.
  const sought = useDeferredValue(query);
  const searched = useDeferredValue(document);
  const own = scope === 'selection' && !hasSelection ? 'issue' : scope === 'story' && !story ? 'issue' : scope;
  const others = useQuery({
    queryKey: ['other-issues', issue],
    queryFn: ({ signal }) => fetchOtherIssues(issue, signal),
    enabled: own === 'all',
    staleTime: 0,
  });
  const elsewhere = own === 'all' ? others.data : undefined;
  const { matches, wrong } = useMemo((): { matches: readonly FoundMatch[]; wrong?: string } => {
    const isAsked = sought.words !== '' || sought.paragraphStyle !== undefined || sought.look !== undefined;
    if (!isAsked) return { matches: [] };
    try {
      const found = matchesIn(textsOf(searched, own, story, inHand), sought);
      const there = (elsewhere ?? []).flatMap((other) =>
        matchesIn(textsOf(other.document, 'issue', undefined, undefined), sought).map((match): FoundMatch => ({
          ...match,
          other,
        })),
      );
      return {
        matches: own === 'selection' && inHand ? found.filter((match) => isSelected(match, inHand)) : [...found, ...there],
      };
    } catch (error) {
      return { matches: [], wrong: (error as Error).message };
    }
  }, [searched, sought, own, story, inHand, elsewhere]);
  const taken = matches.filter((match) => !left.has(keyOf(match)));
  const change: Change = { ...styles, ...(replacing.isSaid ? { words: replacing.words } : {}) };
  const doesNothing = Object.values(change).every((each) => each === undefined);
  const paragraphs = all(document, 'paragraphStyle');
  const characters = all(document, 'characterStyle');
  const ask = (more: Partial<Query>) => {
    setQuery({ ...query, ...more });
    setLeft(new Set());
  };
  /** In other issues each is a change of its own, which that issue undoes. */
  const replaceElsewhere = async (list: readonly FoundMatch[]) => {
    for (const other of elsewhere ?? []) {
      const own = list.filter((match) => match.other === other);
      if (own.length === 0) continue;
      try {
        await doElsewhere(other, `Replace in ${counted(own.length, 'place')}`, (there) =>
          replaced(there, changed(own, change, query.isPattern)),
        );
        say(`${counted(own.length, 'place')} replaced in ${other.name}.`);
      } catch (error) {
        say((error as Error).message, 'wrong');
      }
    }
    await others.refetch();
  };
  const show = (match: FoundMatch) => {
    if (!match.other) return onShow(match);
    const of = find(match.other.document, 'text', match.text)?.story;
    window.open(`/issues/${match.other.id}/copy${of ? `?story=${of}` : ''}`, '_blank', 'noopener');
  };
  const replace = () => {
    try {
      // They were found a moment ago: what is replaced is what the texts say now.
      const now = new Set(matchesIn(textsOf(store.document, own, story, inHand), query).map(keyOf));
      const list = taken.filter((match) => !match.other && now.has(keyOf(match)));
      const there = taken.filter(({ other }) => other !== undefined);
      if (there.length > 0) void replaceElsewhere(there);
      if (list.length === 0) return;
      store.do(`Replace in ${counted(list.length, 'place')}`, replaced(store.document, changed(list, change, query.isPattern)));
      say(`${counted(list.length, 'place')} replaced.`);
    } catch (error) {
      say((error as Error).message, 'wrong');
    }
  };
  return (
    <section aria-label="Find and replace" className="bg-base-100 flex min-h-0 w-full flex-1 flex-col" data-text-tools="">
      <header className="flex items-center px-4 pt-3 pb-1">
        <h2 className="text-base font-semibold">Find and replace</h2>
        <button
          type="button"
          className="ml-auto opacity-70 hover:opacity-100"
          aria-label="Close find and replace"
          onClick={onClose}
        >
          <X size={16} />
        </button>
      </header>
      <form
        className="flex flex-col gap-2 px-4 pb-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (matches[0]) show(matches[0]);
        }}
      >
        <label>
          <span className="text-2xs opacity-75">Find</span>
          <input
            className="field"
            autoFocus
            maxLength={1000}
            value={query.words}
            aria-invalid={wrong !== undefined}
            aria-describedby="find-wrong"
            onChange={(event) => ask({ words: event.target.value })}
          />
          <Wrong field="find" wrong={wrong ?? (own === 'all' ? others.error?.message : undefined)} />
        </label>
        <div className="flex flex-wrap gap-x-4">
          <Tick label="Match case" value={query.matchesCase} onChange={(matchesCase) => ask({ matchesCase })} />
          <Tick label="Whole words" value={query.wholeWords} onChange={(wholeWords) => ask({ wholeWords })} />
          <Tick label="Ignore accents" value={query.ignoresAccents} onChange={(ignoresAccents) => ask({ ignoresAccents })} />
          <Tick
            label="Pattern"
            help="Letters, classes and groups as RE2 has them: (\d+) pages"
            value={query.isPattern}
            onChange={(isPattern) => ask({ isPattern })}
          />
        </div>
        <div className="flex gap-3">
          <Pick
            label="In the style"
            value={query.paragraphStyle ?? ''}
            of={[['', 'any'], ...paragraphs.map(({ id, name }) => [id, name] as const)]}
            onPick={(style) => ask({ paragraphStyle: style || undefined })}
          />
          <Pick
            label="Looking"
            value={query.look ?? ''}
            of={[
              ['', 'any way'],
              ...LOOKS.map((look) => [look, LOOK_WORDS[look]] as const),
              ...characters.map(({ id, name }) => [`style:${id}`, name] as const),
            ]}
            onPick={(look) => ask({ look: (look || undefined) as Look | undefined })}
          />
          <Pick
            label="Where"
            value={own}
            of={(Object.keys(SCOPES) as Scope[])
              .filter((each) => each === 'issue' || each === 'all' || (each === 'story' ? story !== undefined : hasSelection))
              .map((each) => [each, SCOPES[each]] as const)}
            onPick={(next) => setScope(next as Scope)}
          />
        </div>
        <label>
          <span className="text-2xs opacity-75">Replace with{query.isPattern ? ' ($1 is the first group)' : ''}</span>
          <input
            className="field"
            maxLength={1000}
            value={replacing.words}
            onChange={(event) => setReplacing({ words: event.target.value, isSaid: true })}
          />
        </label>
        <div className="flex items-end gap-3">
          <Pick
            label="Paragraph becomes"
            value={styles.paragraphStyle ?? ''}
            of={[['', 'as it is'], ...paragraphs.map(({ id, name }) => [id, name] as const)]}
            onPick={(style) => setStyles({ ...styles, paragraphStyle: style || undefined })}
          />
          <Pick
            label="Letters become"
            value={styles.characterStyle === null ? '-' : (styles.characterStyle ?? '')}
            of={[['', 'as they are'], ['-', 'no character style'], ...characters.map(({ id, name }) => [id, name] as const)]}
            onPick={(style) => setStyles({ ...styles, characterStyle: style === '-' ? null : style || undefined })}
          />
        </div>
        <div className="flex items-center gap-3 pt-1">
          <button
            type="button"
            className="btn btn-primary btn-sm font-semibold"
            disabled={taken.length === 0 || doesNothing}
            onClick={replace}
          >
            {taken.length === 0 ? 'Replace' : `Replace ${taken.length.toLocaleString('en-GB')}`}
          </button>
          <p role="status" className="opacity-75" data-found={matches.length}>
            {own === 'all' && others.isFetching
              ? 'Fetching the other issues …'
              : query.words === '' && matches.length === 0
                ? ''
                : matches.length === MOST_MATCHES
                  ? `The first ${counted(MOST_MATCHES, 'place')}`
                  : matches.length === 0
                    ? 'Nothing is found.'
                    : counted(matches.length, 'place')}
          </p>
        </div>
      </form>
      <MatchList
        label="Places that were found"
        places={matches.map((match) => ({
          key: keyOf(match),
          where: match.other
            ? `${match.other.name}, ${whereOf(match.other.document, match.text)}`
            : whereOf(document, match.text),
          before: match.before,
          is: <mark className="bg-primary/50 text-inherit">{match.words}</mark>,
          after: match.after,
          said: `${match.before}${match.words}${match.after}`,
        }))}
        left={left}
        onToggle={(key) => setLeft(toggled(left, key))}
        onShow={(i) => show(matches[i]!)}
      />
    </section>
  );
}

/** A match, and the issue that it is in, where that is another. */
type FoundMatch = Match & { readonly other?: OtherIssue };

const keyOf = ({ other, text, paragraph, from, to, words }: FoundMatch): string =>
  `${other?.id ?? ''} ${text} ${paragraph} ${from} ${to} ${words}`;

interface PickProps {
  readonly label: string;
  readonly value: string;
  readonly of: readonly (readonly [value: string, name: string])[];
  readonly onPick: (value: string) => void;
}

function Pick({ label, value, of, onPick }: PickProps) {
  return (
    <label className="min-w-0 flex-1">
      <span className="text-2xs block truncate opacity-75">{label}</span>
      <select className="field narrow" value={value} onChange={(event) => onPick(event.target.value)}>
        {of.map(([each, name]) => (
          <option key={each} value={each}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
