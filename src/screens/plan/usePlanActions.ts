'use client';

import { useMemo } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import {
  bookAdvertisement,
  type Booking,
  cancelAdvertisement,
  placeAdvertisement,
  type PlaceAdvertisement,
} from '@/core/actions/advertisements';
import { setFormat } from '@/core/actions/house';
import {
  addPages,
  type AddPages,
  duplicatePages,
  movePages,
  putRecurring,
  removalWords,
  removePages,
  setMaster,
} from '@/core/actions/pages';
import { removeSection, setSection } from '@/core/actions/sections';
import { planStory, setStory, type StoryPlan } from '@/core/actions/stories';
import { type Box, contains, type Point } from '@/core/geometry/box';
import type { PlacedPage } from '@/core/page/pages';
import { pageGrid, stretchBox, stretchOf } from '@/core/page/grid';
import { formatOf } from '@/core/page/pages';
import type { Diff } from '@/core/records/diff';
import { type Document, framesOn, get } from '@/core/records/document';
import type { FormatRecord } from '@/core/records/index';
import type { Folios } from '@/core/records/section';
import { plannedOn } from '../frame/planned';
import type { Say } from '../frame/useNotices';
import { freeSlot, largestFree, slotAt } from '../desk/hand/freeSpace';

const pagesWords = (count: number): string => (count === 1 ? 'a page' : `${count} pages`);

/** What can be done on the plan: each is one change with a label, or a sentence why it cannot be. */
export function usePlanActions(store: DeskStore, composer: ComposerClient, say: Say) {
  return useMemo(() => {
    const act = (label: string, action: (document: Document) => Diff): Diff | undefined => {
      try {
        return store.act(label, action);
      } catch (error) {
        say((error as Error).message, 'wrong');
        return undefined;
      }
    };
    const plan = plannedOn(store, composer, say);
    const noRoom = (page: PlacedPage) =>
      say(`Page ${page.folio} has no free room. Choose another, or move what lies there in Pages.`, 'wrong');
    const framesOf = (page: PlacedPage) =>
      framesOn(store.document, page.page.id).map((frame) => ({ frame, page, box: frame.box }));
    return {
      add: (intent: AddPages) => act(`Add ${pagesWords(intent.count)}`, (document) => addPages(document, intent)),
      recurring: (house: Document, page: string, after: string | undefined) =>
        act('Put in a recurring page', (document) => putRecurring(document, house, page, after)),
      remove: (pages: readonly string[]) => {
        const words = removalWords(store.document, pages);
        const done = act(`Remove ${pagesWords(pages.length)}`, (document) => removePages(document, pages));
        if (done && words) say(words);
        return done;
      },
      move: (pages: readonly string[], before: string | undefined) =>
        act(`Move ${pagesWords(pages.length)}`, (document) => movePages(document, pages, before)),
      duplicate: (pages: readonly string[]) =>
        act(`Duplicate ${pagesWords(pages.length)}`, (document) => duplicatePages(document, pages)),
      master: (pages: readonly string[], master: string) =>
        act(`Change the master of ${pagesWords(pages.length)}`, (document) => setMaster(document, pages, master)),
      /** For a field: the sentence why it will not do is thrown. */
      section: (from: string, section: { name: string; folios?: Folios | undefined }) =>
        store.act('Change a section', (document) => setSection(document, from, section)),
      endSection: (id: string) => act('Remove a section', (document) => removeSection(document, id)),
      binding: (binding: FormatRecord['binding']) => act('Change the binding', (document) => setFormat(document, { binding })),
      plan: (plan: StoryPlan) => store.act('Plan a story', (document) => planStory(document, plan)),
      story: (id: string, changes: Partial<StoryPlan>) =>
        store.act('Change a story’s details', (document) => setStory(document, id, changes)),
      book: (booking: Booking) => store.act('Book an advertisement', (document) => bookAdvertisement(document, booking)),
      cancel: (id: string) => act('Remove an advertisement', (document) => cancelAdvertisement(document, id)),
      placeAdvertisement: (intent: PlaceAdvertisement) =>
        act('Place an advertisement', (document) => placeAdvertisement(document, intent)),
      placePicture: async (picture: string, page: PlacedPage, at?: Point) => {
        const waiting = framesOn(store.document, page.page.id).filter(
          ({ content }) => content.type === 'picture' && content.picture === undefined,
        );
        const under = at && waiting.find(({ box }) => contains(box, at));
        const frame = (under ?? waiting[0])?.id;
        const free = frame === undefined ? largestFree(formatOf(store.document), [page], framesOf(page)) : undefined;
        if (frame === undefined && !free) return noRoom(page);
        return frame !== undefined
          ? plan('Put a picture into its frame', 'fillFrame', { frame, picture })
          : plan('Place a picture', 'placePicture', {
              picture,
              page: page.page.id,
              box: inProportion(store.document, page, free!.box, picture),
              room: free!.box,
            });
      },
      placeStory: async (story: string, page: PlacedPage, at?: Point) => {
        const { document } = store;
        const slot = ((at && slotAt(document, page, at)) ?? freeSlot(document, [page]))?.slot;
        const fills = slot && slot.content.takes !== 'flow';
        const free = fills ? undefined : slot ? { box: slot.box } : largestFree(formatOf(document), [page], framesOf(page), true);
        if (!fills && !free) return noRoom(page);
        return fills
          ? plan('Fill slots with a story', 'fillSlots', { story, page: page.page.id, set: slot.content.set })
          : plan('Place a story', 'placeStory', {
              story,
              page: page.page.id,
              box: free!.box,
              allPages: false,
              ...(slot ? { flow: slot.id } : {}),
            });
      },
    };
  }, [store, composer, say]);
}

export type PlanActions = ReturnType<typeof usePlanActions>;

/** As much of a stretch, from its top, as a picture needs in its own proportion, in whole lines. */
function inProportion(document: Document, page: PlacedPage, box: Box, picture: string): Box {
  const { width, height } = get(document, 'picture', picture);
  const grid = pageGrid(formatOf(document), page.master, page.side);
  const { columns, lines } = stretchOf(grid, box);
  const deep = Math.max(1, Math.round((box.w * height) / width / grid.step));
  return stretchBox(grid, { columns, lines: [lines[0], Math.min(lines[1], lines[0] + deep - 1)] });
}
