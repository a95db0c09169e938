import { Transform } from 'prosemirror-transform';
import { setAppearance } from '../actions/appearance';
import { setSwatch, removeSwatch } from '../actions/colour';
import { ActionError, Edit } from '../actions/edit';
import { placeFrames, removeFrames } from '../actions/frames';
import { putPanelBehind, type PanelBehind } from '../actions/legible';
import { addPages, removePages } from '../actions/pages';
import { setAdjust, shrinkToResolution } from '../actions/pictures';
import { withQuotes } from '../actions/quotes';
import { BY_FIT } from '../fit/paragraphsSet';
import type { Box } from '../geometry/box';
import { replaced, type Replacement, type Stretch } from '../finding/replacing';
import { positionOf } from '../editing/places';
import { bodyText, paragraphsOf, plainBody } from '../records/body';
import { bodySchema } from '../records/bodySchema';
import { type Diff, NO_DIFF, typing } from '../records/diff';
import { all, type Document, find, get } from '../records/document';
import { done } from '../records/rebase';
import { finished } from '../page/finished';
import { said } from '../records/said';

/** What mends need to know, by what they do. */
export interface Mending {
  /** A frame lies elsewhere, or becomes larger or smaller. */
  readonly place: { readonly frame: string; readonly box: Box };
  /** A picture is shown so large that it has so many pixels to the inch. */
  readonly shrink: { readonly frame: string; readonly ppi: number };
  /** Words of texts are put right. */
  readonly replace: readonly Replacement[];
  /** What is said by hand of a text goes; its styles say all. */
  readonly clearByHand: { readonly text: string };
  readonly unlink: Stretch;
  /** A pull quote takes words of its story. */
  readonly requote: { readonly quote: string; readonly words: string };
  /** A pull quote keeps its words, whatever the story says. */
  readonly untie: { readonly quote: string };
  readonly removeFrame: { readonly frame: string };
  readonly removePage: { readonly page: string };
  readonly addPages: { readonly count: number };
  /** A border or a rule becomes as thick. */
  readonly thicken: { readonly frame: string; readonly weight: number };
  /** A colour takes another's place wherever that is used. */
  readonly mergeSwatch: { readonly swatch: string; readonly into: string };
  /** A colour that was given in light is kept as the inks it prints in. */
  readonly inkSwatch: { readonly swatch: string };
  readonly panel: PanelBehind;
  /** A picture becomes lighter or darker. */
  readonly light: { readonly frame: string; readonly light: number };
  readonly fade: { readonly frame: string; readonly opacity: number };
}

type Does = { readonly [K in keyof Mending]: { readonly do: K; readonly of: Mending[K] } }[keyof Mending];

/** Where a mend begins that a person has to see through: Fit at a text, a story in Copy, a chapter of House, Plan. */
export type Opens =
  | { readonly open: 'fit'; readonly text: string }
  | { readonly open: 'copy'; readonly story: string }
  | { readonly open: 'house'; readonly chapter: 'type' | 'colour' | 'print' }
  | { readonly open: 'plan' };

/** A way to mend what was found: what a button says, and what it does. */
export type Mend = { readonly name: string } & (Does | Opens);

export const isDone = (mend: Mend): mend is { readonly name: string } & Does => 'do' in mend;

const MENDS: { readonly [K in keyof Mending]: (document: Document, of: Mending[K]) => Diff } = {
  place: (document, { frame, box }) => placeFrames(document, new Map([[frame, { on: get(document, 'frame', frame).on, box }]])),
  shrink: (document, { frame, ppi }) => shrinkToResolution(document, [frame], ppi),
  replace: (document, list) => replaced(document, list),
  clearByHand: (document, { text }) => {
    const { body } = get(document, 'text', text);
    const tr = new Transform(body);
    tr.removeMark(0, body.content.size, bodySchema.marks['local']);
    body.descendants((node, at) => {
      const local = node.attrs['local'] as Record<string, unknown> | undefined;
      if (node.type.name !== 'paragraph' || !local) return;
      // What makes it fit stays.
      const kept = Object.fromEntries(Object.entries(local).filter(([key]) => BY_FIT.has(key)));
      tr.setNodeAttribute(at, 'local', Object.keys(kept).length > 0 ? kept : undefined);
    });
    return changedText(text, tr);
  },
  unlink: (document, { text, paragraph, from, to }) => {
    const { body } = get(document, 'text', text);
    const start = positionOf(body, { paragraph, offset: from });
    return changedText(text, new Transform(body).removeMark(start, start + to - from, bodySchema.marks['link']));
  },
  requote: (document, { quote, words }) => {
    const text = get(document, 'text', quote);
    if (!text.source) throw new ActionError('That quote is not tied to a story.');
    const style = paragraphsOf(text.body)[0]!.attrs['style'] as string;
    const edit = new Edit(document);
    edit.put({ ...text, body: plainBody(style, withQuotes(words)), source: { ...text.source, words } });
    return edit.diff();
  },
  untie: (document, { quote }) => {
    const edit = new Edit(document);
    edit.put(said({ ...get(document, 'text', quote), source: undefined }));
    return edit.diff();
  },
  removeFrame: (document, { frame }) => removeFrames(document, [frame]),
  removePage: (document, { page }) => removePages(document, [page]),
  addPages: (document, { count }) => addPages(document, { after: all(document, 'page').at(-2)?.id, count }),
  thicken: (document, { frame: id, weight }) => {
    const frame = get(document, 'frame', id);
    const { border } = finished(document, frame);
    if (border) return setAppearance(document, [id], { border: { ...border, weight } });
    if (frame.content.type !== 'rule') throw new ActionError('That frame has no line any more.');
    const edit = new Edit(document);
    edit.put({ ...frame, content: { ...frame.content, weight }, box: { ...frame.box, h: Math.max(frame.box.h, weight) } });
    return edit.diff();
  },
  mergeSwatch: (document, { swatch, into }) => removeSwatch(document, swatch, into),
  inkSwatch: (document, { swatch }) => setSwatch(document, swatch, { cmyk: get(document, 'swatch', swatch).cmyk }),
  panel: (document, panel) => putPanelBehind(document, panel),
  light: (document, { frame, light }) => setAdjust(document, [frame], { light }),
  fade: (document, { frame, opacity }) => setAppearance(document, [frame], { opacity }),
};

/** What a mend does. @throws ActionError where it cannot be done on the document as it now is */
export function mended(document: Document, mend: Does): Diff {
  const act = MENDS[mend.do] as (document: Document, of: unknown) => Diff;
  return act(document, mend.of);
}

/** What several mends do, one after another; those that one before has made idle are left out. */
export function allMended(document: Document, mends: readonly Mend[]): Diff {
  const edit = new Edit(document);
  // Places of words move as others are put right: those of all texts are put right at once.
  const places = mends.flatMap((mend) => (isDone(mend) && mend.do === 'replace' ? mend.of : []));
  if (places.length > 0) edit.take(replaced(edit.document, places));
  for (const mend of mends) {
    if (!isDone(mend) || mend.do === 'replace') continue;
    try {
      edit.take(mended(edit.document, mend));
    } catch (error) {
      if (!(error instanceof ActionError)) throw error;
    }
  }
  return edit.diff();
}

function changedText(id: string, { before, steps }: Transform): Diff {
  return steps.length === 0 ? NO_DIFF : typing(id, done(before, steps));
}

/** The sentence of a story that says most nearly what a quote says; undefined where none does. */
export function nearestWords(document: Document, text: string, words: string): string | undefined {
  const body = find(document, 'text', text)?.body;
  if (!body) return undefined;
  const wanted = wordsOf(words);
  let best: { words: string; share: number } | undefined;
  for (const { segment } of new Intl.Segmenter('en-GB', { granularity: 'sentence' }).segment(bodyText(body))) {
    const own = wordsOf(segment);
    let common = 0;
    for (const word of own) if (wanted.has(word)) common++;
    const share = (2 * common) / (own.size + wanted.size);
    if (share > (best?.share ?? LEAST_ALIKE)) best = { words: segment.trim(), share };
  }
  return best?.words;
}

/** The share of words that two sentences have in common for one to be the other, mended. */
const LEAST_ALIKE = 0.5;

const wordsOf = (text: string): Set<string> => new Set(text.toLowerCase().match(/[\p{L}\p{N}’']+/gu) ?? []);
