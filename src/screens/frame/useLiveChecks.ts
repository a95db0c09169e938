'use client';

import { useEffect, useSyncExternalStore } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import { usePictureFiles } from './usePictureFiles';

/** Milliseconds between two slices of measuring: in Checks none, on the desk so that frames come in between, elsewhere hardly felt. */
export const PAUSES = { checks: 0, desk: 12, elsewhere: 40 } as const;

/**
 * Has an issue checked as long as its place is open, with what is known of its pictures’ files.
 * @param pause milliseconds between two slices of measuring: longer where what is found is only counted
 * @param isIssue a house is not: it has no pages that go out
 */
export function useLiveChecks(id: string, store: DeskStore, composer: ComposerClient, pause: number, isIssue = true) {
  const { document } = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  const pictureFiles = usePictureFiles(id, document);
  const { files } = pictureFiles;
  useEffect(() => composer.setPictureFiles(files), [composer, files]);
  useEffect(() => {
    if (!isIssue) return;
    composer.watchChecks(true, pause);
    return () => composer.watchChecks(false);
  }, [composer, isIssue, pause]);
  return pictureFiles;
}
