'use client';

import type { Say } from './useNotices';
import { useMemo } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { DocumentStore } from '@/client/documentStore';
import type { PlannedActions } from '@/client/messages';
import { type Appearance, setAppearance } from '@/core/actions/appearance';
import {
  placeFrames,
  removeFrames,
  setPictureFit,
  setTextLayout,
  setWrap,
  stack,
  type Place,
  type TextLayout,
} from '@/core/actions/frames';
import { recolour } from '@/core/actions/colour';
import { groupFrames, setGroupWrap, ungroupFrames } from '@/core/actions/groups';
import { addPages, type AddPages, duplicatePage, movePage, removalWords, removePages, setMaster } from '@/core/actions/pages';
import { markOut, type MarkOut } from '@/core/actions/markOut';
import { fillFrame, placePicture, type PlacePicture } from '@/core/actions/pictures';
import type { Wrap } from '@/core/records/frame';
import type { Diff } from '@/core/records/diff';
import type { Document } from '@/core/records/document';

const LOOKS: readonly (readonly [keyof Appearance, string])[] = [
  ['shape', 'Change the form'],
  ['rotation', 'Turn a frame'],
  ['opacity', 'Change the opacity'],
  ['fill', 'Change the colour'],
  ['border', 'Change the border'],
  ['shadow', 'Change the shadow'],
];

/** What can be done on the desk: each is one change with a label, or a sentence why it cannot be. */
export function useDeskActions(store: DocumentStore, composer: ComposerClient, say: Say) {
  return useMemo(() => {
    /** Does a change that the document alone decides; gives what it added, or undefined when it was refused. */
    const act = (label: string, action: (document: Document) => Diff): Diff | undefined => {
      try {
        const diff = action(store.document);
        store.do(label, diff);
        return diff;
      } catch (error) {
        composer.draft(null);
        say((error as Error).message, 'wrong');
        return undefined;
      }
    };
    /** Does a change that depends on how text falls. */
    const plan = async <A extends keyof PlannedActions>(
      label: string,
      action: A,
      intent: PlannedActions[A],
    ): Promise<Diff | undefined> => {
      try {
        const diff = await composer.plan(action, intent);
        store.do(label, diff);
        return diff;
      } catch (error) {
        say((error as Error).message, 'wrong');
        return undefined;
      }
    };
    return {
      move: (places: ReadonlyMap<string, Place>, label = 'Move a frame') =>
        act(label, (document) => placeFrames(document, places)),
      wrap: (id: string, wrap: Partial<Wrap>) =>
        act(wrap.mode ? 'Change the text wrap' : 'Change the stand-off', (document) => setWrap(document, id, wrap)),
      fit: (id: string, fit: 'fill' | 'fit') =>
        act(fit === 'fill' ? 'Fill the frame' : 'Show all of the picture', (document) => setPictureFit(document, id, { fit })),
      layout: (id: string, layout: Partial<TextLayout>) =>
        act('columns' in layout || 'gutter' in layout ? 'Change the columns' : 'Change how the text stands', (document) =>
          setTextLayout(document, id, layout),
        ),
      look: (id: string, changes: Partial<Appearance>) =>
        act(LOOKS.find(([key]) => key in changes)?.[1] ?? 'Change the look', (document) => setAppearance(document, id, changes)),
      group: (ids: readonly string[]) => act('Group frames', (document) => groupFrames(document, ids)),
      ungroup: (group: string) => act('Take a group apart', (document) => ungroupFrames(document, group)),
      groupWrap: (group: string, wrap: Partial<Wrap>) =>
        act('Change the text wrap', (document) => setGroupWrap(document, group, wrap)),
      stack: (id: string, where: 'front' | 'back') =>
        act(where === 'front' ? 'Bring to the front' : 'Send to the back', (document) => stack(document, id, where)),
      remove: (ids: readonly string[]) =>
        act(ids.length === 1 ? 'Remove a frame' : `Remove ${ids.length} frames`, (document) => removeFrames(document, ids)),
      palette: (palette: string) => act('Change the palette', (document) => recolour(document, palette)),
      mark: (intent: MarkOut) => act(`Add a ${intent.as}`, (document) => markOut(document, intent)),
      placePicture: (intent: PlacePicture) => act('Place a picture', (document) => placePicture(document, intent)),
      fillFrame: (frame: string, picture: string) =>
        act('Put a picture into its frame', (document) => fillFrame(document, frame, picture)),
      placeStory: (intent: PlannedActions['placeStory']) => plan('Place a story', 'placeStory', intent),
      goOn: (intent: PlannedActions['continueThread']) => plan('Go on with a story', 'continueThread', intent),
      quote: (intent: PlannedActions['makeQuote']) => plan('Make a pull quote', 'makeQuote', intent),
      removePage: (page: string) => {
        const words = removalWords(store.document, [page]);
        if (act('Remove a page', (document) => removePages(document, [page])) && words) say(words);
      },
      movePage: (page: string, by: number) => act('Move a page', (document) => movePage(document, page, by)),
      duplicatePage: (page: string) => act('Duplicate a page', (document) => duplicatePage(document, page)),
      master: (page: string, master: string) =>
        act('Change the master of a page', (document) => setMaster(document, [page], master)),
      addPages: (intent: AddPages) =>
        act(intent.count === 1 ? 'Add a page' : `Add ${intent.count} pages`, (document) => addPages(document, intent)),
    };
  }, [store, composer, say]);
}
