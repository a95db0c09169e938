'use client';

import { useCallback, useEffect, useState } from 'react';
import { got } from '@/client/ask';
import { ALL_THERE, type PictureFiles } from '@/core/pictures/states';
import { all, type Document } from '@/core/records/document';

interface Found {
  readonly missing: readonly string[];
  readonly changed: readonly string[];
}

/** What is known of the files of a document's pictures: asked when it is opened, when pictures change, and when one comes back to it. */
export function usePictureFiles(
  of: string,
  document: Document,
): { readonly files: PictureFiles; readonly lookAgain: () => void } {
  const [files, setFiles] = useState(ALL_THERE);
  const [asked, setAsked] = useState(0);
  const lookAgain = useCallback(() => setAsked((times) => times + 1), []);
  const named = all(document, 'picture')
    .map(({ id, blob, source }) => `${id}${blob}${source?.version ?? ''}`)
    .join(' ');
  useEffect(() => {
    if (named === '') return;
    const own = new AbortController();
    got<Found>(`/api/documents/${of}/pictures`, own.signal).then(
      ({ missing, changed }) => setFiles({ missing: new Set(missing), changed: new Set(changed) }),
      // Without the server nothing new is known.
      () => undefined,
    );
    return () => own.abort();
  }, [of, named, asked]);
  useEffect(() => {
    window.addEventListener('focus', lookAgain);
    return () => window.removeEventListener('focus', lookAgain);
  }, [lookAgain]);
  return { files, lookAgain };
}
