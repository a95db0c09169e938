'use client';

import { useEffect } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import { keepPages, type Kept } from '@/client/keptPages';

/** Milliseconds after the last page was drawn until they are kept. */
const REST = 1500;

/** Shows the small pages that were kept of a document in the state it is in, and keeps them as they are drawn. */
export function useKeptPages(
  document: string,
  kept: Promise<Kept | undefined> | undefined,
  store: DeskStore,
  composer: ComposerClient,
): void {
  useEffect(() => {
    let gone = false;
    // A browser that cannot keep them, or has none, shows them when they are drawn.
    kept?.then(
      (found) => !gone && found?.seq === store.seq && composer.showKept(found.pages),
      () => undefined,
    );
    let timer: ReturnType<typeof setTimeout> | undefined;
    let last = composer.setting().small;
    const keep = () => {
      const { ready, small } = composer.setting();
      if (ready && store.state().is === 'stored')
        void keepPages(document, { seq: store.seq, pages: small }).catch(() => undefined);
    };
    const stop = composer.subscribe(() => {
      const { small } = composer.setting();
      if (small === last) return;
      last = small;
      clearTimeout(timer);
      timer = setTimeout(keep, REST);
    });
    return () => {
      gone = true;
      clearTimeout(timer);
      stop();
    };
  }, [document, kept, store, composer]);
}
