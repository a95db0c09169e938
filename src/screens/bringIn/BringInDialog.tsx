'use client';

import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import { ask, got } from '@/client/ask';
import { bringInStory, deliverStory, plannedFor, updateStory, waitsForCopy } from '@/core/actions/stories';
import { inOwnStyles } from '@/core/actions/styles';
import { compared, type Difference } from '@/core/editing/comparing';
import { type BodyJson, bodyOf, plainBody } from '@/core/records/body';
import { counted } from '@/core/records/count';
import { newId } from '@/core/actions/edit';
import { all, type Document, find, get } from '@/core/records/document';
import type { StoryRecord, TextRecord } from '@/core/records/index';
import { cleanUps } from '@/core/finding/cleanUp';
import { replaced } from '@/core/finding/replacing';
import { ENCODINGS } from '@/formats/copy/encodings';
import { type LineEnds, LINE_ENDS } from '@/formats/copy/plainText';
import { type Mapping, type ReadStory, sourceNames } from '@/formats/copy/story';
import { Dialog } from '@/parts/Dialog';
import { Select } from '@/parts/Select';
import { Tick } from '@/parts/Tick';
import { toggled } from '@/parts/toggled';
import { Galley } from '../sheet/Galley';
import { ServerData } from '../frame/ServerData';
import type { Say } from '../frame/useNotices';
import { type Arrived, houseStyles, storyFrom, storyIn, toBringIn, withLineEnds } from './arrived';
import { Differences } from './Differences';
import { MappingTable } from './MappingTable';
import { SourceView } from './SourceView';
import { readCopyFile } from './useBringIn';

interface BringInDialogProps {
  readonly document: string;
  readonly store: DeskStore;
  readonly composer: ComposerClient;
  readonly arrived: readonly Arrived[];
  readonly say: Say;
  /** Told which stories were taken in. */
  readonly onTaken: (stories: readonly StoryRecord[]) => void;
  readonly onClose: () => void;
}

const LINE_END_WORDS: Readonly<Record<LineEnds, string>> = {
  joined: 'join up into paragraphs',
  paragraphs: 'each end a paragraph',
  lines: 'stay line breaks',
};

/** Pixels a point in the preview. */
const K = 1.12;

/** Pixels that the galley may be wide. */
const GALLEY = 270;

/** Looks at what has arrived before any of it is taken in. */
export const BringIn = (props: BringInDialogProps) => (
  <ServerData>
    <BringInDialog {...props} />
  </ServerData>
);

/** What has arrived, as its source has it beside how it will be set; what becomes what can be changed before any of it is taken in. */
function BringInDialog({ document: id, store, composer, arrived: first, say, onTaken, onClose }: BringInDialogProps) {
  const [arrived, setArrived] = useState(first);
  const [at, setAt] = useState(0);
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [said, setSaid] = useState<Mapping>({});
  /** Of files that came before: which of their differences are not taken; nothing where they become stories of their own. */
  const [apart, setApart] = useState<ReadonlySet<string>>(new Set());
  /** The planned story that a file's copy is for, '' for none, where somebody has said so. */
  const [meant, setMeant] = useState<ReadonlyMap<string, string>>(new Map());
  const [refused, setRefused] = useState<ReadonlyMap<string, ReadonlySet<number>>>(new Map());
  const remembered = useQuery({
    queryKey: ['copy-mapping', id],
    queryFn: ({ signal }) => got<Mapping>(`/api/documents/${id}/copy-mapping`, signal),
    staleTime: 0,
  });
  const mapping = useMemo(() => ({ ...remembered.data, ...said }), [remembered.data, said]);
  const [cleans, setCleans] = useState(true);
  const { document } = store;
  const own = arrived[at]!;
  const story = useMemo(() => storyIn(document, own, mapping), [document, own, mapping]);
  const known = storyFrom(document, own.file);
  const differences = useMemo(() => (known ? differencesOf(document, known, story) : []), [document, known, story]);
  const names = useMemo(() => sourceNames(own.copy, houseStyles(document)), [document, own]);
  const texts = useMemo(() => textsOf(document, story), [document, story]);
  useEffect(() => {
    composer.setGalley({ texts: [], tried: texts.map(({ id: name, body }) => ({ name, body: body.toJSON() as BodyJson })) });
    return () => composer.setGalley(null);
  }, [composer, texts]);
  const waiting = all(document, 'story').filter((each) => waitsForCopy(document, each));
  const untidy = useMemo(() => cleanUps(texts, languageOf(document)).length, [texts, document]);
  const taken = arrived.filter((_, i) => !left.has(i));
  const plannedOf = (now: Document, file: string, name: string): StoryRecord | undefined => {
    const said = meant.get(file);
    const planned = said === undefined ? plannedFor(now, name) : find(now, 'story', said);
    return planned && waitsForCopy(now, planned) ? planned : undefined;
  };
  const replace = (next: Arrived) => setArrived(arrived.map((each, i) => (i === at ? next : each)));
  const readAgain = async (encoding: string) => {
    try {
      if (own.source) replace(await readCopyFile(own.source, undefined, encoding));
    } catch (error) {
      say((error as Error).message, 'wrong');
    }
  };
  const take = () => {
    const stories: StoryRecord[] = [];
    for (const each of taken) {
      const read = storyIn(store.document, each, mapping);
      const before = apart.has(each.file) ? undefined : storyFrom(store.document, each.file);
      if (before) {
        const not = refused.get(each.file);
        const chosen = differencesOf(store.document, before, read).filter((_, i) => !not?.has(i));
        if (chosen.length > 0) store.act(`Update “${before.name}”`, (document) => updateStory(document, before.id, chosen));
        continue;
      }
      const { story: brought, pictures } = toBringIn(each, read);
      const planned = plannedOf(store.document, each.file, read.name);
      const id = planned?.id ?? newId();
      if (planned) store.do(`Bring in the copy of “${planned.name}”`, deliverStory(store.document, id, brought, pictures));
      else store.do(`Bring in “${read.name}”`, bringInStory(store.document, brought, pictures, id));
      const story = get(store.document, 'story', id);
      if (cleans) {
        const own = Object.values(story.parts).map((text) => get(store.document, 'text', text));
        const places = cleanUps(own, languageOf(store.document)).map(({ replacement }) => replacement);
        if (places.length > 0) store.do(`Clean up “${read.name}”`, replaced(store.document, places));
      }
      stories.push(story);
    }
    if (Object.keys(said).length > 0)
      void ask(`/api/documents/${id}/copy-mapping`, said).catch((error: Error) => say(error.message, 'wrong'));
    onTaken(stories);
    onClose();
  };
  const isUpdate = known !== undefined && !apart.has(own.file);
  const updates = taken.filter(({ file }) => !apart.has(file) && storyFrom(document, file)).length;
  const press = [
    taken.length - updates > 0
      ? `Bring in ${taken.length - updates === 1 ? 'the story' : counted(taken.length - updates, 'story', 'stories')}`
      : '',
    updates > 0
      ? `${taken.length > updates ? 'update' : 'Update'} ${updates === 1 ? 'the story' : counted(updates, 'story', 'stories')}`
      : '',
  ].filter(Boolean);
  return (
    <Dialog title="Bring in copy" size="full" onClose={onClose}>
      <div className="flex h-[calc(100vh-5rem)] flex-col">
        <header className="border-base-300 flex items-baseline gap-3 border-b px-5 py-3">
          <h2 className="text-lg font-semibold">Bring in copy</h2>
          <p className="truncate opacity-75">
            {own.called} · {counted(story.words, 'word')}
            {story.pictures.length > 0 && ` · ${counted(story.pictures.length, 'picture')}`}
          </p>
        </header>
        <div className="flex min-h-0 flex-1">
          <div className="border-base-300 flex w-72 shrink-0 flex-col gap-4 overflow-auto border-r p-5">
            {arrived.length > 1 && (
              <section aria-label="Arrived">
                <h3 className="chapter pb-1">Arrived</h3>
                <ul>
                  {arrived.map((each, i) => (
                    <li key={i} className={`flex items-center gap-2 py-0.5 ${i === at ? 'font-semibold' : ''}`}>
                      <input
                        type="checkbox"
                        className="checkbox checkbox-xs"
                        aria-label={`Take ${each.called}`}
                        checked={!left.has(i)}
                        onChange={() => setLeft(toggled(left, i))}
                      />
                      <button type="button" className="truncate text-left" aria-pressed={i === at} onClick={() => setAt(i)}>
                        {each.called}
                      </button>
                    </li>
                  ))}
                </ul>
              </section>
            )}
            {known && (
              <Select
                label={`“${known.name}” came in before`}
                value={isUpdate ? 'update' : 'apart'}
                of={[
                  { value: 'update', name: 'Update that story' },
                  { value: 'apart', name: 'Bring in another story' },
                ]}
                onChange={() => setApart(toggled(apart, own.file))}
              />
            )}
            {!isUpdate && waiting.length > 0 && (
              <Select
                label="Copy for"
                value={plannedOf(document, own.file, story.name)?.id ?? ''}
                of={[{ value: '', name: 'A new story' }, ...waiting.map(({ id: value, name }) => ({ value, name }))]}
                onChange={(planned) => setMeant(new Map(meant).set(own.file, planned))}
              />
            )}
            {own.copy.encoding && (
              <Select
                label="Encoding (guessed from its letters)"
                value={ENCODINGS.find((each) => each.toLowerCase() === own.copy.encoding!.toLowerCase()) ?? own.copy.encoding}
                of={[...new Set([own.copy.encoding, ...ENCODINGS])].map((value) => ({ value, name: value }))}
                onChange={(encoding) => void readAgain(encoding)}
              />
            )}
            {own.lineEnds && (
              <Select
                label="Line ends (guessed from their shape)"
                value={own.lineEnds}
                of={LINE_ENDS.map((value) => ({ value, name: LINE_END_WORDS[value] }))}
                onChange={(ends) => replace(withLineEnds(own, ends))}
              />
            )}
            <MappingTable
              document={document}
              names={names}
              mapping={mapping}
              onSay={(name, target) => setSaid({ ...said, [name]: target })}
            />
            {untidy > 0 && !isUpdate && (
              <Tick
                label={`Clean up ${counted(untidy, 'place')}`}
                help="Quotation marks, dashes, several spaces, empty paragraphs and the like; it can be undone by itself"
                value={cleans}
                onChange={setCleans}
              />
            )}
            <section aria-label="Left out">
              <h3 className="chapter pb-1">Left out</h3>
              {story.dropped.length === 0 ? (
                <p className="text-success">Nothing is left out.</p>
              ) : (
                <ul className="list-disc pl-4">
                  {story.dropped.map((each) => (
                    <li key={each}>{each}</li>
                  ))}
                </ul>
              )}
            </section>
          </div>
          {isUpdate ? (
            <Differences
              differences={differences}
              refused={refused.get(own.file) ?? NONE}
              onToggle={(i) => setRefused(new Map(refused).set(own.file, toggled(refused.get(own.file) ?? NONE, i)))}
            />
          ) : (
            <SourceView copy={own.copy} />
          )}
          <section aria-label="As it will be set" tabIndex={0} className="bg-base-200 w-[22rem] shrink-0 overflow-auto px-9 py-5">
            <h3 className="chapter pb-2">As it will be set</h3>
            <Galley composer={composer} k={K} width={GALLEY} counted="body" />
          </section>
        </div>
        <footer className="border-base-300 flex items-center gap-3 border-t px-5 py-3">
          <button
            type="button"
            data-first=""
            className="btn btn-primary btn-sm font-semibold"
            disabled={taken.length === 0}
            onClick={take}
          >
            {press.length > 0 ? press.join(' and ') : 'Bring in'}
          </button>
          <button type="button" className="btn btn-sm" onClick={onClose}>
            Cancel
          </button>
          {Object.keys(said).length > 0 && <span className="opacity-75">These choices are remembered for this publication.</span>}
        </footer>
      </div>
    </Dialog>
  );
}

const NONE: ReadonlySet<number> = new Set();

const differencesOf = (document: Document, story: StoryRecord, read: ReadStory): Difference[] =>
  compared(get(document, 'text', story.parts.body).body, bodyOf(read.body));

const languageOf = (document: Document): string => find(document, 'issue', 'issue')?.language ?? 'en-GB';

/** A story that is not there yet, as texts in the styles that the document has. */
function textsOf(document: Document, { headline, standfirst, byline, body }: ReadStory): TextRecord[] {
  const text = (id: string, own: TextRecord['body']) => inOwnStyles(document, { id, kind: 'text', role: 'body', body: own });
  const line = (id: string, words: string | undefined) => (words ? [text(id, plainBody(id, words))] : []);
  return [
    ...line('headline', headline),
    ...line('standfirst', standfirst),
    ...line('byline', byline),
    text('body', bodyOf(body)),
  ];
}
