'use client';

import { useEffect } from 'react';
import type { ComposerClient, Setting } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';

/** Milliseconds after the last page was drawn until they are kept. */
const REST = 1500;

/** Pages as they were drawn at a state of their document. */
export interface KeptPages<T> {
  readonly seq: number;
  readonly pages: T;
}

/** What is kept of what a typesetter gives, and how. */
export interface Keeping<T> {
  readonly pick: (setting: Setting) => T;
  readonly show: (composer: ComposerClient, pages: T) => void;
  readonly keep: (document: string, kept: KeptPages<T>, composer: ComposerClient) => Promise<void>;
}

/** Shows pages that were kept of a document in the state it is in, and keeps them as they are drawn. */
export function useKept<T>(
  { pick, show, keep }: Keeping<T>,
  document: string,
  kept: Promise<KeptPages<T> | undefined> | undefined,
  store: DeskStore,
  composer: ComposerClient,
): void {
  useEffect(() => {
    if (!kept) return;
    let gone = false;
    // A browser that cannot keep them, or has none, shows them when they are drawn.
    kept.then(
      (found) => !gone && found?.seq === store.seq && show(composer, found.pages),
      () => undefined,
    );
    let timer: ReturnType<typeof setTimeout> | undefined;
    let last = pick(composer.setting());
    const rest = () => {
      if (composer.setting().ready && store.state().is === 'stored')
        void keep(document, { seq: store.seq, pages: last }, composer).catch(() => undefined);
    };
    const stop = composer.subscribe(() => {
      const pages = pick(composer.setting());
      if (pages === last) return;
      last = pages;
      clearTimeout(timer);
      timer = setTimeout(rest, REST);
    });
    return () => {
      gone = true;
      clearTimeout(timer);
      stop();
    };
  }, [pick, show, keep, document, kept, store, composer]);
}
