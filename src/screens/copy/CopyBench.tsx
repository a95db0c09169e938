'use client';

import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { useDropzone } from 'react-dropzone';
import { find } from '@/core/records/document';
import { Notices } from '@/parts/Notices';
import { Strip } from '@/parts/Strip';
import type { Stretch } from '@/core/finding/replacing';
import { type Finding, FindingPanel } from '../finding/FindingPanel';
import { useSpelling } from '../spelling/useSpelling';
import { BringIn } from '../bringIn/BringInDialog';
import type { Arrived } from '../bringIn/arrived';
import { type CameIn, useBringIn } from '../bringIn/useBringIn';
import { command } from '../frame/commands/command';
import { useCommands } from '../frame/commands/useCommands';
import { IssueHeader } from '../frame/IssueHeader';
import { useConflicts } from '../frame/useConflicts';
import { PAUSES, useLiveChecks } from '../frame/useLiveChecks';
import { useLatest } from '../frame/useLatest';
import { useNotices } from '../frame/useNotices';
import type { OpenedTools } from '../frame/useOpened';
import { useSetting } from '../sheet/useSetting';
import { Formatter } from '../text/formatter';
import { styleLists } from '../text/styleLists';
import { TextBar } from '../text/TextBar';
import { textCommands } from '../text/textCommands';
import { TextDialog, type TextAsked } from '../text/TextDialogs';
import { useInHandNow, useTextInHand } from '../text/textInHand';
import { WirePanel } from '../wire/WirePanel';
import { ChosenStories } from './ChosenStories';
import { GalleyPane } from './GalleyPane';
import { Holder } from './holder';
import { ListTools } from './ListTools';
import { StoryEditor } from './StoryEditor';
import { StoryTable } from './StoryTable';
import { useCopyActions } from './useCopyActions';

export interface CopyScreenProps {
  readonly id: string;
  readonly publication: string;
  readonly name: string;
  readonly house: string | undefined;
  /** ISO 8601. */
  readonly today: string;
  /** The story that is open first. */
  readonly at: string | undefined;
}

/** The newsdesk's list, and beside it the story that is open, with its galley. */
export function CopyBench({ id, publication, name, house, today, at, store, composer }: CopyScreenProps & OpenedTools) {
  const { document } = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  const fits = useSetting(composer, (setting) => setting.fits);
  const trouble = useSetting(composer, (setting) => setting.trouble);
  const { notices, say, close } = useNotices();
  useConflicts(store, say);
  useLiveChecks(id, store, composer, PAUSES.elsewhere);
  const actions = useCopyActions(store);
  const [open, setOpen] = useState(at);
  const [filter, setFilter] = useState('');
  const [isGrouped, setGrouped] = useState(true);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  /** What stands in place of the list: what is looked for, or what the wires have sent. */
  const [aside, setAside] = useState<Finding | 'wire'>();
  const finding = aside === 'wire' ? undefined : aside;
  const spelling = useSpelling(id, store, open !== undefined || finding === 'spelling');
  const [asked, setAsked] = useState<TextAsked>();
  const [arrived, setArrived] = useState<readonly Arrived[]>();
  /** As the texts were when the place was opened: what has not changed by then since yesterday is as it was yesterday. */
  const [opened] = useState(store.document);
  const story = find(document, 'story', open);
  const inHand = useTextInHand(store, composer, () => new Holder());
  const now = useInHandNow(inHand);
  const isWriting = now !== undefined;
  const formatter = useMemo(() => new Formatter(store, inHand, undefined, say), [store, inHand, say]);
  const styles = styleLists(store);
  const ofText = useMemo(
    () =>
      textCommands(styles, inHand, formatter, isWriting ? undefined : 'Go into a text first', isWriting, {
        link: () => setAsked('link'),
        newStyle: () => setAsked('newStyle'),
        characters: () => setAsked('characters'),
        table: () => setAsked('table'),
      }),
    [styles, inHand, formatter, isWriting],
  );
  const ofTextById = useMemo(() => new Map(ofText.map((each) => [each.id, each])), [ofText]);
  const onCame = useLatest(({ copy }: CameIn) => copy.length > 0 && setArrived(copy));
  const { bringIn, progress } = useBringIn(store, say, onCame);
  const dropzone = useDropzone({
    onDrop: (files) => void bringIn(files),
    noClick: true,
    noKeyboard: true,
    useFsAccessApi: false,
  });
  const show = (next: string | undefined) => {
    inHand.leave();
    setOpen(next);
    // Who comes back, or shares the address, finds the story open.
    const url = new URL(window.location.href);
    if (next) url.searchParams.set('story', next);
    else url.searchParams.delete('story');
    window.history.replaceState(null, '', url);
  };
  /** Goes to a place in a text: opens its story, and selects it there. */
  const showStretch = ({ text, paragraph, from, to }: Stretch) => {
    const own = find(store.document, 'text', text)?.story;
    if (!own) return say('That text belongs to no story. It is to be found in Pages.');
    if (own !== open) show(own);
    inHand.begin(text, { anchor: { paragraph, offset: from }, head: { paragraph, offset: to } });
  };
  const addStory = () => show(actions.plan());
  const ids = [...chosen].filter((each) => find(document, 'story', each));
  const { tools, dialogs, turn } = useCommands({
    store,
    say,
    guided: true,
    commands: [
      command('bring', 'Bring in copy and pictures …', 'i', undefined, dropzone.open),
      command('wire', 'News wire', undefined, undefined, () => setAside('wire')),
      command('new-story', 'New story', 'n', undefined, addStory),
      command('find', 'Find and replace', 'Ctrl+F', undefined, () => setAside('find')),
      command('clean', 'Clean up', undefined, undefined, () => setAside('clean')),
      command('spelling', 'Spelling', 'F7', undefined, () => setAside('spelling')),
      command('close-story', 'Close the story', undefined, !story && 'No story is open', () => show(undefined)),
      ...ofText,
    ],
    onKey: (event) => {
      if (event.key !== 'Escape' || !story) return false;
      show(undefined);
      return true;
    },
  });
  // Nothing of the pages is in sight here: they are composed for what they say of the stories.
  useEffect(() => composer.watch([]), [composer]);
  return (
    <div {...dropzone.getRootProps({ className: 'flex h-full flex-col outline-none', role: undefined, tabIndex: -1 })}>
      <input {...dropzone.getInputProps({ 'aria-label': 'Stories and pictures to bring in' })} />
      <IssueHeader
        document={id}
        publication={publication}
        name={name}
        house={house}
        place="copy"
        store={store}
        composer={composer}
        tools={tools}
      />
      <div className="flex min-h-0 flex-1">
        <main className={`bg-base-100 flex min-w-0 flex-col ${story ? 'border-base-300 w-[34rem] shrink-0 border-r' : 'flex-1'}`}>
          <h1 className="sr-only">
            {publication}, {name}: copy
          </h1>
          {finding ? (
            <FindingPanel
              finding={finding}
              issue={id}
              store={store}
              document={document}
              story={story?.id}
              inHand={now}
              spelling={spelling}
              say={say}
              onShow={showStretch}
              onClose={() => setAside(undefined)}
            />
          ) : aside === 'wire' ? (
            <WirePanel issue={id} document={document} say={say} onArrived={setArrived} onClose={() => setAside(undefined)} />
          ) : (
            <ListTools
              filter={filter}
              isGrouped={isGrouped}
              isNarrow={story !== undefined}
              onFilter={setFilter}
              onGrouped={setGrouped}
              onFind={setAside}
              onWire={() => setAside('wire')}
              onNew={addStory}
              onBringIn={dropzone.open}
            />
          )}
          {progress && (
            <p role="status" className="bg-primary/15 flex items-center gap-3 px-4 py-1.5">
              Reading file {progress.done + 1} of {progress.of} …
              <button type="button" className="btn btn-xs" onClick={progress.cancel}>
                Cancel
              </button>
            </p>
          )}
          {trouble && (
            <p role="alert" className="text-error px-4">
              {trouble}
            </p>
          )}
          {ids.length > 0 && !aside && (
            <ChosenStories
              chosen={ids}
              language={find(document, 'issue', 'issue')?.language ?? 'en-GB'}
              actions={actions}
              onClear={() => setChosen(new Set())}
            />
          )}
          {!aside && (
            <StoryTable
              issue={id}
              document={document}
              fits={fits}
              today={today}
              filter={filter}
              isGrouped={isGrouped}
              isNarrow={story !== undefined}
              open={story?.id}
              chosen={chosen}
              onOpen={(next) => show(next === open ? undefined : next)}
              onChoose={setChosen}
              onStory={actions.story}
            />
          )}
        </main>
        {story && (
          <div className="flex min-w-0 flex-1 flex-col">
            <div className="flex min-h-0 flex-1">
              <StoryEditor
                key={story.id}
                issue={id}
                store={store}
                document={document}
                story={story}
                inHand={inHand}
                actions={actions}
                misspelt={spelling.misspelt}
                commands={ofText}
                say={say}
                onTurn={turn}
                onClose={() => show(undefined)}
              />
              <GalleyPane id={id} document={document} opened={opened} story={story} composer={composer} />
            </div>
            <Strip hint="Press a part of the story to write in it.">
              {isWriting && (
                <TextBar
                  styles={styles}
                  formatter={formatter}
                  commands={ofTextById}
                  inHand={inHand}
                  isWriting
                  onDone={() =>
                    window.document.querySelector<HTMLElement>(`[data-part="${now.text}"] [data-text-field]`)?.focus()
                  }
                />
              )}
            </Strip>
          </div>
        )}
      </div>
      {dropzone.isDragActive && (
        <p
          role="status"
          className="bg-secondary text-secondary-content pointer-events-none fixed bottom-16 left-1/2 z-50 -translate-x-1/2 px-4 py-2"
        >
          Let go to bring these files in.
        </p>
      )}
      {dialogs}
      {asked && <TextDialog asked={asked} formatter={formatter} composer={composer} onClose={() => setAsked(undefined)} />}
      {arrived && (
        <BringIn
          document={id}
          store={store}
          composer={composer}
          arrived={arrived}
          say={say}
          onTaken={(stories) => stories[0] && show(stories[0].id)}
          onClose={() => setArrived(undefined)}
        />
      )}
      <Notices notices={notices} onClose={close} />
    </div>
  );
}
