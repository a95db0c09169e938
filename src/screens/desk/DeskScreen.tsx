'use client';

import { type ReactNode, useMemo, useState, useSyncExternalStore } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import type { Opened } from '@/client/documentStore';
import { keepSpread, keptSpread, type KeptSpread } from '@/client/keptSpread';
import { addPages } from '@/core/actions/pages';
import type { DeskView } from '@/core/page/houseDesk';
import { spreadAt } from '@/core/page/pages';
import { all } from '@/core/records/document';
import type { DeskPlace } from './deskPlace';
import { type Keeping, useKept } from '../frame/useKept';
import { useLatest } from '../frame/useLatest';
import { type OpenedTools, useOpened } from '../frame/useOpened';
import { Notices } from '@/parts/Notices';
import { useCommands } from '../frame/commands/useCommands';
import { useNotices } from '../frame/useNotices';
import { Workbench } from './Workbench';

interface DeskScreenProps {
  readonly id: string;
  /** The document, where it came with the page. */
  readonly opened?: Opened;
  /** How the document is looked at; as it is when not said. */
  readonly view?: DeskView;
  readonly placeOf: (store: DeskStore, composer: ComposerClient) => DeskPlace;
  /** In sight until all is there. */
  readonly waiting: ReactNode;
}

/** Opens a document's store and its typesetter, and shows the desk once both are there. */
export function DeskScreen({ id, opened, view, placeOf, waiting }: DeskScreenProps) {
  // Of the document itself: another view of it has pages of its own.
  const [kept] = useState(() => (typeof window === 'undefined' || view ? undefined : keptSpread(id)));
  // What nothing is kept of is composed while the desk is drawn; otherwise the two would only be in each other's way.
  const watchFirst = useLatest(({ store, composer }: OpenedTools) => {
    const pages = spreadAt(store.document, placeOf(store, composer).at).map(({ page }) => page.id);
    const isKept = (found: KeptSpread | undefined) => found?.seq === store.seq && pages.every((page) => found.pages.has(page));
    if (!kept) return composer.watch(pages);
    void kept.then(
      (found) => !isKept(found) && composer.watch(pages),
      () => composer.watch(pages),
    );
  });
  const opening = useOpened(id, opened, view, watchFirst);
  const tools = opening && 'store' in opening ? opening : undefined;
  const place = useMemo(() => tools && placeOf(tools.store, tools.composer), [tools, placeOf]);
  if (opening && 'failed' in opening) {
    return (
      <p role="alert" className="text-error p-6">
        {opening.failed}
      </p>
    );
  }
  return tools && place ? <Open id={id} kept={kept} place={place} {...tools} /> : waiting;
}

interface OpenProps {
  readonly id: string;
  readonly kept: Promise<KeptSpread | undefined> | undefined;
  readonly place: DeskPlace;
  readonly store: DeskStore;
  readonly composer: ComposerClient;
}

/** The pages in sight are kept, so that a desk that is opened again stands at once. */
const SPREAD: Keeping<KeptSpread['pages']> = {
  pick: (setting) => setting.pages,
  show: (composer, pages) => composer.showKeptSpread(pages),
  // Of pages that are out of sight there may be older ones.
  keep: (document, { seq }, composer) => keepSpread(document, { seq, pages: composer.inSight() }),
};

/** The desk, or a word about it while there is nothing to lie on it. */
function Open({ id, kept, place, store, composer }: OpenProps) {
  useKept(SPREAD, id, kept, store, composer);
  const { document } = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  if (all(document, 'page').length > 0) return <Workbench place={place} store={store} composer={composer} />;
  const add = () => store.act('Add a page', (document) => addPages(document, { after: undefined, count: 1 }));
  return <Empty place={place} store={store} onAdd={add} />;
}

/** A desk without pages. */
function Empty({ place, store, onAdd }: Pick<OpenProps, 'place' | 'store'> & { onAdd: () => void }) {
  const { notices, say, close } = useNotices();
  const { tools, dialogs } = useCommands({ store, say });
  return (
    <div className="flex h-full flex-col">
      {place.header(tools)}
      <div className="flex min-h-0 flex-1">
        {place.side}
        <main className="p-8">
          <h1 className="sr-only">{place.title}</h1>
          <p className="pb-3">There is no page here yet. A recurring page appears in every issue, with everything on it.</p>
          <button type="button" className="btn btn-primary btn-sm font-semibold" onClick={onAdd}>
            Add the first page
          </button>
        </main>
      </div>
      <Notices notices={notices} onClose={close} />
      {dialogs}
    </div>
  );
}
