'use client';

import { useEffect, useSyncExternalStore } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import { usePictureFiles } from './usePictureFiles';

/**
 * Has an issue checked as long as its place is open, with what is known of its pictures’ files.
 * @param isIssue a house is not: it has no pages that go out
 */
export function useLiveChecks(id: string, store: DeskStore, composer: ComposerClient, isIssue = true) {
  const { document } = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  const pictureFiles = usePictureFiles(id, document);
  const { files } = pictureFiles;
  useEffect(() => composer.setPictureFiles(files), [composer, files]);
  useEffect(() => {
    if (!isIssue) return;
    composer.watchChecks(true);
    return () => composer.watchChecks(false);
  }, [composer, isIssue]);
  return pictureFiles;
}
