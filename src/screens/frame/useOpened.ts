'use client';

import { useEffect, useState } from 'react';
import { ComposerClient } from '@/client/composerClient';
import { type DeskStore, ViewedStore } from '@/client/deskStore';
import type { Opened } from '@/client/documentStore';
import { fetchOpened } from '@/client/fetchOpened';
import { openStore } from '@/client/openStore';
import { startComposer } from '@/client/startWorker';
import type { DeskView } from '@/core/page/houseDesk';

/** What a place works with: the document, and the typesetter that composes it. */
export interface OpenedTools {
  readonly store: DeskStore;
  readonly composer: ComposerClient;
}

/** What there is of it so far; or a sentence why there is nothing. */
export type Opening = OpenedTools | { readonly failed: string } | undefined;

/**
 * A document's store and its typesetter while their screen is there; undefined until both are. An issue is large, and
 * comes beside the screen's code instead of within its page; a house comes with it.
 *
 * @param opened the document, where it came with the page
 * @param view how the document is looked at; as it is when not said
 * @param onOpen told of both before their screen is drawn, so that one works while the other is drawn; the same at all times
 */
export function useOpened(id: string, opened?: Opened, view?: DeskView, onOpen?: (tools: OpenedTools) => void): Opening {
  const [opening, setOpening] = useState<Opening>();
  useEffect(() => {
    let close: (() => void) | undefined;
    let gone = false;
    startComposer();
    const open = (found: Opened) => {
      if (gone) return;
      const own = openStore(id, found);
      const viewed = view && new ViewedStore(own.store, view);
      const store: DeskStore = viewed ?? own.store;
      const composer = new ComposerClient(store);
      close = () => {
        composer.close();
        viewed?.close();
        own.close();
      };
      const tools = { store, composer };
      onOpen?.(tools);
      setOpening(tools);
    };
    if (opened) open(opened);
    else fetchOpened(id).then(open, (error: Error) => !gone && setOpening({ failed: error.message }));
    return () => {
      gone = true;
      setOpening(undefined);
      close?.();
    };
  }, [id, opened, view, onOpen]);
  return opening;
}
