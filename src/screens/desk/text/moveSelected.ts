import { EditorState } from 'prosemirror-state';
import type { DeskStore } from '@/client/deskStore';
import type { PlaceIn } from '@/client/typesetter';
import { moveTo, selectedSlice, takeIn } from '@/core/editing/moving';
import { rangeOf, selectionOf } from '@/core/editing/places';
import { NO_DIFF, typing } from '@/core/records/diff';
import { find } from '@/core/records/document';
import { done } from '@/core/records/rebase';
import type { TextInHand } from '../../text/textInHand';

/** Moves what is selected to a place of the same text or of another, in one change; it stays selected there. */
export function moveSelected(store: DeskStore, inHand: TextInHand, { text, place }: PlaceIn, copy: boolean): void {
  const now = inHand.now();
  if (!now) return;
  const label = copy ? 'Copy text' : 'Move text';
  if (text === now.text) return inHand.run(moveTo(place, copy), label);
  const other = find(store.document, 'text', text)?.body;
  if (!other || now.state.selection.empty) return;
  const there = EditorState.create({ doc: other, selection: selectionOf(other, { anchor: place, head: place }) });
  const put = takeIn(selectedSlice(now.state))(there);
  if (!put) return;
  const cut = copy ? undefined : now.state.tr.deleteSelection();
  inHand.rest();
  const parts = [
    ...(cut ? typing(now.text, done(now.state.doc, cut.steps)).texts : []),
    ...typing(text, done(other, put.steps)).texts,
  ];
  store.do(label, { ...NO_DIFF, texts: parts });
  inHand.begin(text, rangeOf(there.apply(put)));
}
