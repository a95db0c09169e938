'use client';

import { useEffect, useState } from 'react';
import { ComposerClient } from '@/client/composerClient';
import { type DeskStore, ViewedStore } from '@/client/deskStore';
import type { Opened } from '@/client/documentStore';
import { openStore } from '@/client/openStore';
import type { DeskView } from '@/core/page/houseDesk';

/** What a place works with: the document, and the typesetter that composes it. */
export interface OpenedTools {
  readonly store: DeskStore;
  readonly composer: ComposerClient;
}

/**
 * A document's store and its typesetter while their screen is there; undefined until both are.
 *
 * @param view how the document is looked at; as it is when not said
 */
export function useOpened(id: string, opened: Opened, view?: DeskView): OpenedTools | undefined {
  const [tools, setTools] = useState<OpenedTools>();
  useEffect(() => {
    const own = openStore(id, opened);
    const viewed = view && new ViewedStore(own.store, view);
    const store: DeskStore = viewed ?? own.store;
    const composer = new ComposerClient(store);
    setTools({ store, composer });
    return () => {
      setTools(undefined);
      composer.close();
      viewed?.close();
      own.close();
    };
  }, [id, opened, view]);
  return tools;
}
