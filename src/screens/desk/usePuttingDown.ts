'use client';

import type { DeskStore } from '@/client/deskStore';
import { placedPage, placedPages, type PlacedPage } from '@/core/page/pages';
import { type Document, threadOf } from '@/core/records/document';
import type { DocumentRecord, FormatRecord } from '@/core/records/index';
import type { Say } from '../frame/useNotices';
import type { FrameInSight } from './frames/frameInSight';
import type { useDeskActions } from './frames/useDeskActions';
import { continuation, emptyPictureFrame, freeSlot, largestFree, middleStretch, type Target } from './hand/freeSpace';
import type { Carry } from './hand/hand';
import type { SpreadInSight } from './useSpreadInSight';

interface Around {
  readonly store: DeskStore;
  readonly format: FormatRecord;
  readonly pages: readonly PlacedPage[];
  readonly frames: readonly FrameInSight[];
  readonly framesOf: (pages: readonly PlacedPage[]) => readonly FrameInSight[];
  readonly spread: SpreadInSight;
  readonly allPages: boolean;
  readonly actions: ReturnType<typeof useDeskActions>;
  readonly say: Say;
  readonly chooseAdded: (diff: { added: readonly DocumentRecord[] } | undefined) => void;
  readonly chooseAllAdded: Around['chooseAdded'];
}

/** Puts down what was carried, or finds it a place: each is one change. */
export function usePuttingDown({
  store,
  format,
  pages,
  frames,
  framesOf,
  spread,
  allPages,
  actions,
  say,
  chooseAdded,
  chooseAllAdded,
}: Around) {
  const drop = async ({ what, id, allPages: all }: Pick<Carry, 'what' | 'id' | 'allPages'>, target: Omit<Target, 'words'>) => {
    const place = { page: target.page.page.id, box: target.box };
    const { slot } = target;
    if (what === 'finish') {
      if (target.frame) actions.giveFinish([target.frame], id);
    } else if (what === 'furniture') {
      chooseAllAdded(actions.putFurniture(id, place.page, target.box));
    } else if (what === 'advertisement') {
      const at = { x: target.box.x + target.box.w / 2, y: target.box.y + target.box.h / 2 };
      chooseAdded(actions.book({ advertisement: id, page: place.page, at }));
    } else if (what === 'story' && slot && slot.content.takes !== 'flow')
      await actions.fillSlots({ story: id, page: place.page, set: slot.content.set });
    else if (what === 'story' && slot) await actions.placeStory({ story: id, ...place, flow: slot.id, allPages: all });
    else if (what === 'tail' && target.frame) actions.join({ frame: target.frame, text: id });
    else if (what === 'picture' && target.frame) await actions.fillFrame({ frame: target.frame, picture: id });
    else if (what === 'picture') chooseAdded(await actions.placePicture({ picture: id, ...place, room: target.room }));
    else if (what === 'story') await actions.placeStory({ story: id, ...place, allPages: all });
    else await actions.goOn({ text: id, ...place, allPages: all });
  };
  return {
    drop,
    /** In the first place that waits for one, a story in a slot and a picture in an empty frame; else where there is most room on the spread. */
    byKey: ({ what, id }: Pick<Carry, 'what' | 'id'>) => {
      const waiting =
        what === 'story'
          ? freeSlot(store.document, pages)
          : what === 'picture'
            ? emptyPictureFrame(store.document, frames)
            : undefined;
      const target = waiting ?? largestFree(format, pages, frames, what === 'story');
      if (target) return void drop({ what, id, allPages }, target);
      if (what === 'story') return say('There is no free room on this spread. Add pages, or go to another spread.', 'wrong');
      // What is small lies on what is there, to be moved.
      void drop({ what, id, allPages }, middleStretch(format, pages.at(-1)!));
      say(`There was no free room: it lies in the middle of page ${pages.at(-1)!.number}.`);
    },
    /** Goes on with a text in the next free space. */
    goOn: (text: string, behind?: string) => {
      const target = nextFree(store.document, format, text, framesOf, behind);
      if (!target) {
        return say(
          'There is no free space after its last frame in this section. Drag the tail to where the story continues, or add pages.',
          'wrong',
        );
      }
      if (!pages.some((each) => each.page.id === target.page.page.id)) spread.go(target.page.spread);
      if (behind === undefined) void drop({ what: 'tail', id: text, allPages }, target);
      else void actions.goOn({ text, behind, page: target.page.page.id, box: target.box, allPages: false });
    },
  };
}

function nextFree(
  document: Document,
  format: FormatRecord,
  text: string,
  framesOf: Around['framesOf'],
  behind: string | undefined,
): Omit<Target, 'words'> | undefined {
  const thread = threadOf(document, text);
  const end = thread.find(({ id }) => id === behind) ?? thread.at(-1);
  const page = end && placedPage(document, end.on);
  const last = page && framesOf([page]).find(({ frame }) => frame.id === end.id);
  return last && continuation(format, last, placedPages(document), framesOf);
}
