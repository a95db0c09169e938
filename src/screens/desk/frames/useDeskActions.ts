'use client';

import { type JoinThread, joinThread, setJumpLines, takeOut } from '@/core/actions/threads';
import { plannedOn } from '../../frame/planned';
import type { Say } from '../../frame/useNotices';
import { useMemo } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import type { PlannedActions } from '@/client/typesetter';
import { setAppearance, setRule } from '@/core/actions/appearance';
import { followFinish, giveFinish, giveLook, intoFinish, keepFinish, leaveFinish } from '@/core/actions/finishes';
import { mended } from '@/core/checks/mends';
import { putChart, setChart } from '@/core/actions/charts';
import type { Chart } from '@/core/records/chart';
import { combineFrames } from '@/core/actions/forms';
import { fillWords, intoFurniture, keepFurniture, partFurniture, putFurniture } from '@/core/actions/furniture';
import type { Combining } from '@/core/geometry/shapes';
import type { Appearance, RuleValues } from '@/core/properties/look';
import type { Outline } from '@/core/geometry/outline';
import {
  markFrames,
  placeFrames,
  removeFrames,
  restack,
  setOutline,
  setTextLayout,
  setWrap,
  stack,
  type Place,
} from '@/core/actions/frames';
import { placeAdvertisement, type PlaceAdvertisement } from '@/core/actions/advertisements';
import { type PanelBehind, putPanelBehind } from '@/core/actions/legible';
import { carriedCopies, duplicateFrames } from '@/core/actions/copying';
import { type Across, copyAcross, type Repeat, repeatFrame } from '@/core/actions/copies';
import { addMaster, partFrames, rejoinFrames, removeMaster, renameMaster, setBasedOn } from '@/core/actions/masters';
import { nameSlots, putSlot, type PutSlot } from '@/core/actions/slots';
import { addPalette, recolour } from '@/core/actions/colour';
import { givePalette, mergeSwatch, recolourPages } from '@/core/actions/recolouring';
import { addGuide, clearGuides, type GuideAt, moveGuide, removeGuide } from '@/core/actions/guides';
import type { PageGuide } from '@/core/records/page';
import { addLayer, putOnLayer, removeLayer, setLayer } from '@/core/actions/layers';
import { groupFrames, setGroupWrap, ungroupFrames } from '@/core/actions/groups';
import {
  addPages,
  type AddPages,
  duplicatePage,
  movePage,
  removalWords,
  removePages,
  setMaster,
  setRecurring,
} from '@/core/actions/pages';
import { addMarginText, markOut, type MarkOut } from '@/core/actions/markOut';
import { type Beneath, combineCaptions, partCaption, setBeside } from '@/core/actions/captions';
import type { Beside } from '@/core/records/frame';
import type { AdjustValues } from '@/core/properties/adjust';
import { type PictureWords, setAdjust, setCrop, setFocus, setPictureWords, shrinkToResolution } from '@/core/actions/pictures';
import type { Box, Point } from '@/core/geometry/box';
import type { CropValues } from '@/core/properties/crop';
import type { LayoutValues } from '@/core/properties/frame';
import type { Wrap } from '@/core/records/frame';
import type { Diff } from '@/core/records/diff';
import type { Document } from '@/core/records/document';
import type { Arrangement, Terms } from './arrangements';
import type { MarginText } from '@/core/page/furniture';
import { withArticle } from '@/core/records/count';
import type { FrameRecord, PageRecord, PaletteRecord } from '@/core/records/index';

/** Groups of properties that frames have, and how each is set on several frames. */
const FACETS = {
  layout: setTextLayout,
  wrap: setWrap,
  look: setAppearance,
  crop: setCrop,
  beside: setBeside,
  rule: setRule,
  adjust: setAdjust,
} as const;

export type Facet = keyof typeof FACETS;

/** What may be changed of each. */
export interface FacetChange {
  layout: Partial<LayoutValues>;
  wrap: Partial<Wrap>;
  look: Partial<Appearance>;
  crop: Partial<CropValues>;
  adjust: Partial<AdjustValues>;
  rule: Partial<RuleValues>;
  beside: Partial<Pick<Beside, 'place' | 'gap' | 'width'>>;
}

/** A change of frames, or why there is none. @throws ActionError */
const facetDiff = <F extends Facet>(document: Document, facet: F, ids: readonly string[], change: FacetChange[F]): Diff =>
  (FACETS[facet] as (document: Document, ids: readonly string[], change: FacetChange[F]) => Diff)(document, ids, change);

const LABELS: Readonly<Record<string, string>> = {
  columns: 'Change the columns',
  gutter: 'Change the columns',
  balanced: 'Balance the columns',
  align: 'Change the vertical alignment',
  firstBaseline: 'Change the first baseline',
  inset: 'Change the inset',
  turns: 'Change the direction of lines',
  along: 'Run text along an edge',
  mode: 'Change the text wrap',
  standOff: 'Change the stand-off',
  side: 'Change the text wrap',
  outline: 'Change the text wrap',
  fit: 'Change how a picture lies in its frame',
  light: 'Adjust a picture',
  contrast: 'Adjust a picture',
  sharpen: 'Adjust a picture',
  inks: 'Adjust a picture',
  dark: 'Adjust a picture',
  pale: 'Adjust a picture',
  place: 'Move a caption',
  gap: 'Move a caption',
  width: 'Change the width of a caption',
  zoom: 'Zoom a picture in its frame',
  x: 'Move a picture in its frame',
  y: 'Move a picture in its frame',
  turn: 'Turn a picture in its frame',
  mirrored: 'Mirror a picture',
  shape: 'Change the form',
  rotation: 'Rotate',
  opacity: 'Change the opacity',
  fill: 'Change the fill',
  border: 'Change the border',
  shadow: 'Change the shadow',
  innerShadow: 'Change the shadow',
  contentOpacity: 'Change the opacity',
  blend: 'Change the blending',
  gradient: 'Change the gradient',
  glow: 'Change the glow',
  feather: 'Change the soft edge',
  fade: 'Change the fade',
  weight: 'Change the rule',
  line: 'Change the rule',
  start: 'Change the rule',
  end: 'Change the rule',
};

const COMBINED: Readonly<Record<Combining, string>> = {
  join: 'Join frames',
  subtract: 'Subtract frames',
  intersect: 'Intersect frames',
};

const labelOf = (change: object): string => LABELS[Object.keys(change)[0] ?? ''] ?? 'Change the frame';

/** What marking a frame is called. */
function markLabel(marks: Partial<Pick<FrameRecord, 'name' | 'locked' | 'hidden'>>): string {
  if ('locked' in marks) return marks.locked ? 'Lock a frame' : 'Unlock a frame';
  if ('hidden' in marks) return marks.hidden ? 'Hide a frame' : 'Show a frame';
  return 'Name a frame';
}

/** What can be done on the desk: each is one change with a label, or a sentence why it cannot be. */
export function useDeskActions(store: DeskStore, composer: ComposerClient, say: Say) {
  return useMemo(() => {
    /** Does a change that the document alone decides; gives what it added, or undefined when it was refused. */
    const act = (label: string, action: (document: Document) => Diff): Diff | undefined => {
      try {
        return store.act(label, action);
      } catch (error) {
        composer.draft(null);
        say((error as Error).message, 'wrong');
        return undefined;
      }
    };
    /** Does a change to the document itself, of which the desk may show a view. */
    const onWhole = (label: string, action: (document: Document) => Diff): void => {
      try {
        store.actWhole(label, action);
      } catch (error) {
        say((error as Error).message, 'wrong');
      }
    };
    const plan = plannedOn(store, composer, say);
    return {
      move: (places: ReadonlyMap<string, Place>, label = 'Move a frame') =>
        act(label, (document) => placeFrames(document, places)),
      /** Sets properties of frames. @throws ActionError when they cannot be so: it is said where they are set */
      set: <F extends Facet>(facet: F, ids: readonly string[], change: FacetChange[F]): void =>
        void store.act(labelOf(change), (document) => facetDiff(document, facet, ids, change)),
      /** The same from a key or a button: where it cannot be done, it is said in a notice. */
      put: <F extends Facet>(facet: F, ids: readonly string[], change: FacetChange[F]) =>
        act(labelOf(change), (document) => facetDiff(document, facet, ids, change)),
      /** Shows what properties would do; undefined ends it. */
      preview: <F extends Facet>(facet: F, ids: readonly string[], change: FacetChange[F] | undefined): void => {
        try {
          composer.draft(change ? facetDiff(store.document, facet, ids, change) : null);
        } catch {
          composer.draft(null);
        }
      },
      arrange: ({ name, run }: Arrangement, ids: readonly string[], terms: Terms) =>
        act(name, (document) => run(document, ids, terms)),
      /** Shows what an arrangement would do; undefined ends it. */
      previewArrangement: (of: Arrangement | undefined, ids: readonly string[], terms: Terms): void => {
        try {
          composer.draft(of ? of.run(store.document, ids, terms) : null);
        } catch {
          composer.draft(null);
        }
      },
      focus: (picture: string, at: Point) => act('Set the focus of a picture', (document) => setFocus(document, picture, at)),
      addLayer: (name: string, frames: readonly string[]) => act('Add a layer', (document) => addLayer(document, name, frames)),
      setLayer: (id: string, change: Parameters<typeof setLayer>[2]) =>
        act('Change a layer', (document) => setLayer(document, id, change)),
      putOnLayer: (frames: readonly string[], layer: string | undefined) =>
        act(layer ? 'Put on a layer' : 'Take off its layer', (document) => putOnLayer(document, frames, layer)),
      removeLayer: (id: string) => act('Remove a layer', (document) => removeLayer(document, id)),
      addGuide: (page: string, guide: PageGuide) => act('Draw a guide', (document) => addGuide(document, page, guide)),
      moveGuide: (from: GuideAt, page: string, guide: PageGuide) =>
        act('Move a guide', (document) => moveGuide(document, from, page, guide)),
      removeGuide: (from: GuideAt) => act('Remove a guide', (document) => removeGuide(document, from)),
      clearGuides: (pages: readonly string[]) => act('Remove the guides', (document) => clearGuides(document, pages)),
      group: (ids: readonly string[]) => act('Group frames', (document) => groupFrames(document, ids)),
      ungroup: (group: string) => act('Ungroup', (document) => ungroupFrames(document, group)),
      groupWrap: (group: string, wrap: Partial<Wrap>) =>
        act('Change the text wrap', (document) => setGroupWrap(document, group, wrap)),
      stack: (id: string, where: 'front' | 'back') =>
        act(where === 'front' ? 'Bring to front' : 'Send to back', (document) => stack(document, id, where)),
      remove: (ids: readonly string[]) =>
        act(ids.length === 1 ? 'Remove a frame' : `Remove ${ids.length} frames`, (document) => removeFrames(document, ids)),
      outline: (label: string, id: string, outline: Outline | undefined) =>
        act(label, (document) => setOutline(document, id, outline)),
      panelBehind: (intent: PanelBehind) => act('Put a panel behind words', (document) => putPanelBehind(document, intent)),
      mark: (ids: readonly string[], marks: Partial<Pick<FrameRecord, 'name' | 'locked' | 'hidden'>>) =>
        act(markLabel(marks), (document) => markFrames(document, ids, marks)),
      restack: (id: string, other: string, where: 'above' | 'below') =>
        act('Change the order of frames', (document) => restack(document, id, other, where)),
      duplicate: (ids: readonly string[], gap: number) =>
        act(ids.length === 1 ? 'Duplicate a frame' : `Duplicate ${ids.length} frames`, (document) =>
          duplicateFrames(document, ids, gap),
        ),
      /** Leaves frames where they are, and puts copies of them elsewhere. */
      leaveCopies: (places: ReadonlyMap<string, Place>) =>
        act(places.size === 1 ? 'Copy a frame' : `Copy ${places.size} frames`, (document) => carriedCopies(document, places)),
      addPalette: (name: string, colours: PaletteRecord['colours']) =>
        act('Add a palette', (document) => addPalette(document, name, colours)),
      paletteOn: (pages: readonly string[], palette: string) =>
        act('Change the colours of pages', (document) => givePalette(document, pages, palette)),
      recolourPages: (pages: readonly string[], from: string, to: string) =>
        act('Change a colour on pages', (document) => recolourPages(document, pages, new Map([[from, to]]))),
      mergeSwatch: (from: string, to: string) => act('Merge colours', (document) => mergeSwatch(document, from, to)),
      /** @throws Error with a sentence where the words cannot stand there */
      fillWords: (text: string, words: string) => void store.act('Fill in words', (document) => fillWords(document, text, words)),
      palette: (palette: string) => act('Change the palette', (document) => recolour(document, palette)),
      markOut: (intent: MarkOut) =>
        act(`Add ${intent.as === 'text' ? intent.as : withArticle(intent.as)}`, (document) => markOut(document, intent)),
      marginText: (pages: readonly string[], what: MarginText) =>
        act(what === 'folio' ? 'Add folios' : 'Add a running head', (document) => addMarginText(document, pages, what)),
      placePicture: (intent: PlannedActions['placePicture']) => plan('Place a picture', 'placePicture', intent),
      caption: (frames: readonly string[], what: Beneath) =>
        plan(what === 'caption' ? 'Add a caption' : 'Add a credit', 'addCaptions', { frames, what }),
      combine: (frames: readonly string[]) =>
        act('Set one caption for several pictures', (document) => combineCaptions(document, frames)),
      partCaption: (frames: readonly string[]) =>
        act('Part a caption from its picture', (document) => partCaption(document, frames)),
      pictureWords: (picture: string, words: Partial<PictureWords>) =>
        act('Change the words of a picture', (document) => setPictureWords(document, picture, words)),
      shrinkToResolution: (frames: readonly string[], ppi: number) =>
        act('Make a picture smaller', (document) => shrinkToResolution(document, frames, ppi)),
      swapPictures: (frames: PlannedActions['swapPictures']) => plan('Swap pictures', 'swapPictures', frames),
      fillFrame: (intent: PlannedActions['fillFrame']) => plan('Put a picture into its frame', 'fillFrame', intent),
      putSlot: (intent: PutSlot) =>
        act(intent.takes === 'flow' ? 'Mark a flow area' : 'Mark a slot', (document) => putSlot(document, intent)),
      nameSlots: (set: string, name: string) => act('Name a slot', (document) => nameSlots(document, set, name)),
      part: (page: string, frames?: readonly string[]) =>
        act('Free from the master', (document) => partFrames(document, page, frames)),
      rejoin: (frames: readonly string[]) => act('Follow the master', (document) => rejoinFrames(document, frames)),
      across: (from: string, to: string, how: Across) =>
        act('Copy a page’s design across', (document) => copyAcross(document, from, to, how)),
      repeat: (id: string, intent: Repeat) => act('Repeat a frame', (document) => repeatFrame(document, id, intent)),
      book: (intent: PlaceAdvertisement) => act('Place an advertisement', (document) => placeAdvertisement(document, intent)),
      addMaster: (name: string, like: string, based: boolean) =>
        onWhole('Add a master', (document) => addMaster(document, { name, like, based })),
      renameMaster: (id: string, name: string) => onWhole('Rename a master', (document) => renameMaster(document, id, name)),
      setBasedOn: (id: string, base: string | undefined) =>
        onWhole('Base a master on another', (document) => setBasedOn(document, id, base)),
      removeMaster: (id: string) => onWhole('Remove a master', (document) => removeMaster(document, id)),
      recurring: (page: string, changes: Partial<Pick<PageRecord, 'name' | 'recurs'>>) =>
        act('Change a recurring page', (document) => setRecurring(document, page, changes)),
      placeStory: (intent: PlannedActions['placeStory']) => plan('Place a story', 'placeStory', intent),
      fillSlots: (intent: PlannedActions['fillSlots']) => plan('Fill slots with a story', 'fillSlots', intent),
      goOn: (intent: PlannedActions['continueThread']) => plan('Continue a story', 'continueThread', intent),
      lettersToFrame: (frame: string) => plan('Make a frame of letters', 'lettersToFrame', frame),
      keepFinish: (frame: string, name: string) => act('Keep a finish', (document) => keepFinish(document, frame, name)),
      giveFinish: (ids: readonly string[], finish: string) =>
        act('Give a finish', (document) => giveFinish(document, ids, finish)),
      giveLook: (ids: readonly string[], from: FrameRecord) => act('Give a look', (document) => giveLook(document, ids, from)),
      followFinish: (ids: readonly string[]) => act('Follow the finish', (document) => followFinish(document, ids)),
      intoFinish: (frame: string) => act('Change a finish', (document) => intoFinish(document, frame)),
      leaveFinish: (ids: readonly string[]) => act('Leave a finish', (document) => leaveFinish(document, ids)),
      keepFurniture: (ids: readonly string[], name: string) =>
        act('Keep furniture', (document) => keepFurniture(document, ids, name)),
      putFurniture: (furniture: string, on: string, at: Point) =>
        act('Put furniture on a page', (document) => putFurniture(document, furniture, on, at)),
      intoFurniture: (ids: readonly string[]) => act('Change furniture', (document) => intoFurniture(document, ids)),
      partFurniture: (ids: readonly string[]) => act('No longer follow furniture', (document) => partFurniture(document, ids)),
      /** Has a quote say its story’s words, or leaves it as it is, no longer tied. */
      mendQuote: (what: 'requote' | 'untie', quote: string, words = '') =>
        act(what === 'requote' ? 'Take the story’s words' : 'Keep a quote on purpose', (document) =>
          mended(document, what === 'requote' ? { do: what, of: { quote, words } } : { do: what, of: { quote } }),
        ),
      /** @throws ActionError where it cannot be drawn: it is said in its dialog */
      chart: (where: { readonly page: string; readonly box: Box } | { readonly group: string }, chart: Chart) =>
        store.act('group' in where ? 'Change a chart' : 'Add a chart', (document) =>
          'group' in where ? setChart(document, where.group, chart) : putChart(document, where.page, where.box, chart),
        ),
      combineForms: (ids: readonly string[], how: Combining) =>
        act(COMBINED[how], (document) => combineFrames(document, ids, how)),
      splitOff: (frame: string) => plan('Split off a frame', 'splitOff', frame),
      takeOut: (frame: string) => act('Take a frame out of its thread', (document) => takeOut(document, frame)),
      join: (intent: JoinThread) => act('Continue a story', (document) => joinThread(document, intent)),
      jumpLines: (text: string, on: boolean) =>
        act(on ? 'Add jump lines' : 'Remove jump lines', (document) => setJumpLines(document, text, on)),
      setQuote: (intent: PlannedActions['setQuote']) =>
        plan(intent.design === undefined ? 'Move a pull quote' : 'Change a pull quote', 'setQuote', intent),
      quote: (intent: PlannedActions['makeQuote']) => plan('Add a pull quote', 'makeQuote', intent),
      removePage: (page: string) => {
        const words = removalWords(store.document, [page]);
        if (act('Remove a page', (document) => removePages(document, [page])) && words) say(words);
      },
      movePage: (page: string, by: number) => act('Move a page', (document) => movePage(document, page, by)),
      duplicatePage: (page: string) => act('Duplicate a page', (document) => duplicatePage(document, page)),
      master: (pages: readonly string[], master: string) =>
        act(pages.length === 1 ? 'Change the master of a page' : `Change the master of ${pages.length} pages`, (document) =>
          setMaster(document, pages, master),
        ),
      addPages: (intent: AddPages) =>
        act(intent.count === 1 ? 'Add a page' : `Add ${intent.count} pages`, (document) => addPages(document, intent)),
    };
  }, [store, composer, say]);
}
