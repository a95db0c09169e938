'use client';

import { counted, listed } from '@/core/records/count';
import type { Say } from '../../frame/useNotices';
import { useCallback, useRef, useState } from 'react';
import type { DeskStore } from '@/client/deskStore';
import { bringInPicture } from '@/core/actions/pictures';
import { bringInStory } from '@/core/actions/stories';
import { bodyOf } from '@/core/records/body';
import type { ReadStory } from '@/formats/copy/story';
import type { PictureRecord } from '@/core/records/index';

/** Files larger than this are not even sent: no kind of file may be. */
const MOST_BYTES = 100_000_000;

const COPY = /\.(docx|html?|md|markdown|txt)$/i;

/** Brings files in, one after another: copy becomes stories, pictures pictures, each as one change. */
export function useImport(store: DeskStore, say: Say) {
  const [progress, setProgress] = useState<{ done: number; of: number; cancel: () => void }>();
  const running = useRef<AbortController | undefined>(undefined);

  const bringIn = useCallback(
    async (files: readonly File[]) => {
      if (files.length === 0 || running.current) return;
      const controller = new AbortController();
      running.current = controller;
      const cancel = () => controller.abort();
      let stories = 0;
      let pictures = 0;
      for (const [done, file] of files.entries()) {
        if (controller.signal.aborted) break;
        setProgress({ done, of: files.length, cancel });
        try {
          if (file.size > MOST_BYTES)
            throw new Error(`“${file.name}” is larger than ${MOST_BYTES / 1_000_000} MB, the most that is taken.`);
          if (file.size === 0) throw new Error(`“${file.name}” is empty.`);
          if (COPY.test(file.name)) {
            const { body, ...story } = await upload<ReadStory>('/api/imports/copy', file, controller.signal);
            store.do(`Bring in “${story.name}”`, bringInStory(store.document, { ...story, body: bodyOf(body) }));
            stories++;
          } else {
            const picture = await upload<Omit<PictureRecord, 'id' | 'kind' | 'order'>>(
              '/api/imports/pictures',
              file,
              controller.signal,
            );
            store.do(`Bring in “${picture.name}”`, bringInPicture(store.document, picture));
            pictures++;
          }
        } catch (error) {
          if (!controller.signal.aborted) say((error as Error).message, 'wrong');
        }
      }
      running.current = undefined;
      setProgress(undefined);
      const came = [
        ...(stories > 0 ? [counted(stories, 'story', 'stories')] : []),
        ...(pictures > 0 ? [counted(pictures, 'picture')] : []),
      ];
      if (came.length > 0) say(`${listed(came)} came into the tray.`);
      if (controller.signal.aborted) say('Cancelled. What had come in stays.');
    },
    [store, say],
  );
  return { bringIn, progress };
}

async function upload<T>(url: string, file: File, signal: AbortSignal): Promise<T> {
  const form = new FormData();
  form.append('file', file, file.name);
  let response: Response;
  try {
    response = await fetch(url, { method: 'POST', body: form, signal });
  } catch {
    throw new Error(`“${file.name}” did not reach the server. Try again.`);
  }
  const answer = (await response.json().catch(() => ({}))) as T & { message?: string };
  if (!response.ok) throw new Error(answer.message ?? `“${file.name}” could not be brought in.`);
  return answer;
}
