'use client';

import { useCallback, useRef, useState } from 'react';
import type { DeskStore } from '@/client/deskStore';
import { upload } from '@/client/upload';
import { Edit } from '@/core/actions/edit';
import { bringInPicture, type NewPicture, replaceFile } from '@/core/actions/pictures';
import { all } from '@/core/records/document';
import { counted, listed } from '@/core/records/count';
import type { PictureRecord } from '@/core/records/index';
import type { Say } from '../frame/useNotices';
import { type Arrived, arrived, type Brought } from './arrived';

const COPY = /\.(docx|odt|rtf|html?|md|markdown|txt)$/i;

/** What is under way, of how much. */
export interface BringingIn {
  readonly done: number;
  readonly of: number;
  readonly cancel: () => void;
}

/** What has come in, in the order of its files. */
export interface CameIn {
  readonly copy: readonly Arrived[];
  readonly pictures: readonly PictureRecord[];
}

/**
 * Reads files, one after another. Pictures come in at once, each as one change; copy waits to be looked at.
 *
 * @param onCame told when all files are read
 */
export function useBringIn(store: DeskStore, say: Say, onCame: (came: CameIn) => void) {
  const [progress, setProgress] = useState<BringingIn>();
  const running = useRef<AbortController | undefined>(undefined);
  const bringIn = useCallback(
    async (files: readonly File[]) => {
      if (files.length === 0 || running.current) return;
      const controller = new AbortController();
      running.current = controller;
      const cancel = () => controller.abort();
      const copy: Arrived[] = [];
      const pictures: PictureRecord[] = [];
      for (const [done, file] of files.entries()) {
        if (controller.signal.aborted) break;
        setProgress({ done, of: files.length, cancel });
        try {
          if (COPY.test(file.name)) copy.push(await readCopyFile(file, controller.signal));
          else {
            pictures.push(takeIn(store, say, await readPictureFile(file, controller.signal)));
          }
        } catch (error) {
          if (!controller.signal.aborted) say((error as Error).message, 'wrong');
        }
      }
      running.current = undefined;
      setProgress(undefined);
      if (pictures.length > 0) say(`${listed([counted(pictures.length, 'picture')])} came into the tray.`);
      if (controller.signal.aborted) say('Cancelled. Whatever had arrived is kept.');
      if (copy.length > 0 || pictures.length > 0) onCame({ copy, pictures });
    },
    [store, say, onCame],
  );
  return { bringIn, progress };
}

/** Makes a picture that was read one of the issue's; the same file is not brought in twice. Gives the picture. */
export function takeIn(store: DeskStore, say: Say, { picture, notes }: CameAsPicture): PictureRecord {
  for (const note of notes) say(note);
  const there = all(store.document, 'picture');
  const same = there.find(({ blob, page }) => blob === picture.blob && page === picture.page);
  if (same) {
    say(`“${same.name}” is in the issue already; it was not brought in again.`);
    return same;
  }
  const older = there.find(({ name }) => name === picture.name);
  const diff = store.act(`Bring in “${picture.name}”`, (document) => bringInPicture(document, picture));
  const [own] = diff.added as readonly PictureRecord[];
  if (older) offerItsPlace(store, say, older, own!);
  return own!;
}

/** A picture of the same name as one there is may be a better one: it can take that one's place wherever it is shown. */
function offerItsPlace(store: DeskStore, say: Say, older: PictureRecord, newer: PictureRecord): void {
  say(`There is another picture “${older.name}” in the issue.`, 'wrong', {
    name: 'Put the new one in its place',
    run: () => {
      const { id, kind: _, order: __, ...file } = newer;
      store.act(`Replace the file of “${older.name}”`, (document) => {
        const edit = new Edit(document);
        edit.take(replaceFile(edit.document, older.id, file));
        edit.remove(id);
        return edit.diff();
      });
    },
  });
}

/** @param encoding that its letters are said to be in @throws Error with a sentence where it cannot be taken */
export async function readCopyFile(file: File, signal?: AbortSignal, encoding?: string): Promise<Arrived> {
  return arrived(file, await upload<Brought>('/api/imports/copy', file, signal, encoding));
}

/** A picture that was read, and what is to be said of it. */
export interface CameAsPicture {
  readonly picture: NewPicture;
  readonly notes: readonly string[];
}

/** @throws Error with a sentence where it cannot be taken */
export const readPictureFile = (file: File, signal?: AbortSignal): Promise<CameAsPicture> =>
  upload('/api/imports/pictures', file, signal);
