import { EditorState } from 'prosemirror-state';
import type { DeskStore } from '@/client/deskStore';
import type { PlaceIn } from '@/client/typesetter';
import { dragInto, dragTo, dropPlace, portionOf } from '@/core/editing/dragging';
import { rangeOf } from '@/core/editing/places';
import { NO_DIFF, typing } from '@/core/records/diff';
import { find } from '@/core/records/document';
import { done } from '@/core/records/rebase';
import type { TextInHand } from '../../text/textInHand';

/** Where what is selected would come to stand if it were let go at a place of any text. */
export function landing(store: DeskStore, inHand: TextInHand, { text, place }: PlaceIn): PlaceIn {
  const state = inHand.now()?.state;
  const body = find(store.document, 'text', text)?.body;
  return { text, place: state && body ? dropPlace(portionOf(state), body, place) : place };
}

/** Moves what is selected to where it lands, in the same text or in another, in one change; it stays selected there. */
export function moveSelected(store: DeskStore, inHand: TextInHand, to: PlaceIn, copy: boolean): void {
  const now = inHand.now();
  if (!now) return;
  const { text, place } = landing(store, inHand, to);
  const label = copy ? 'Copy text' : 'Move text';
  if (text === now.text) return inHand.run((state) => dragTo(state, place, copy), label);
  const other = find(store.document, 'text', text)?.body;
  const moved = other && dragInto(now.state, EditorState.create({ doc: other }), place, copy);
  if (!moved) return;
  const { cut, put } = moved;
  inHand.rest();
  const parts = [
    ...(cut ? typing(now.text, done(now.state.doc, cut.steps)).texts : []),
    ...typing(text, done(other, put.steps)).texts,
  ];
  store.do(label, { ...NO_DIFF, texts: parts });
  inHand.begin(text, rangeOf(EditorState.create({ doc: other }).apply(put)));
}
